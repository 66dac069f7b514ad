declare module 'fft.js' {
  /** Fourier transforms of rows whose length is a power of two. */
  export default class FFT {
    constructor(size: number);
    createComplexArray(): number[];
    /** The first half of the transform of real values: real and imaginary parts in turn. */
    realTransform(out: number[], values: ArrayLike<number>): void;
  }
}
