/**
 * Where one tone ends and another begins in a drawn picture, in short stretches.
 *
 * @example
 * const seams = seamsOf(picture, 0.1);
 * for (let k = 0; k < seams.count; k += 1) look(seams.x[k], seams.y[k], seams.toneAt[2 * k], seams.toneAt[2 * k + 1]);
 */
import type { DrawnPicture } from './picture';

/** Stretches of edges in the sector of a picture, each a short straight piece. */
export interface Seams {
  readonly count: number;
  /** Their middles. */
  readonly x: Float64Array;
  readonly y: Float64Array;
  /** From the middle to the end. */
  readonly halfX: Float64Array;
  readonly halfY: Float64Array;
  /** How long the stretch is that each stands for. */
  readonly long: Float64Array;
  /** The piece that the edge is of. */
  readonly piece: Int32Array;
  /** On either side, two for each: first on the side of (−halfY, halfX). */
  readonly tone: Int32Array;
  readonly top: Int32Array;
}

/** A list of numbers that grows. */
class Numbers<A extends Float64Array | Int32Array> {
  private size = 0;
  constructor(private values: A) {}

  push(value: number): void {
    if (this.size === this.values.length) {
      const longer = new (this.values.constructor as new (length: number) => A)(2 * this.size);
      longer.set(this.values);
      this.values = longer;
    }
    this.values[this.size] = value;
    this.size += 1;
  }

  taken(): A {
    return this.values.slice(0, this.size) as A;
  }
}

const START = 1024;
const floats = () => new Numbers(new Float64Array(START));
const integers = () => new Numbers(new Int32Array(START));

/**
 * All edges of a picture's sector, with what is seen on either side of each; those that nothing shows among them have one tone on both.
 * @param step the longest stretch that is told as one, in the figure's unit
 * @param isAsked true for places whose edges are; all are without it
 */
export function seamsOf(
  picture: DrawnPicture,
  step: number,
  isAsked: (x: number, y: number) => boolean = () => true,
): Seams {
  const [x, y, halfX, halfY, whole] = [floats(), floats(), floats(), floats(), floats()];
  const [piece, tone, top] = [integers(), integers(), integers()];
  let count = 0;
  picture.edges(step, (index, atX, atY, alongX, alongY, stretch) => {
    const long = Math.hypot(alongX, alongY);
    if (long === 0 || !isAsked(atX, atY)) return;
    const [outX, outY] = [(-alongY / long) * picture.blur, (alongX / long) * picture.blur];
    x.push(atX);
    y.push(atY);
    halfX.push(alongX);
    halfY.push(alongY);
    whole.push(stretch);
    piece.push(index);
    for (const side of [1, -1]) {
      const seen = picture.at(atX + side * outX, atY + side * outY);
      tone.push(seen.tone);
      top.push(seen.top);
    }
    count += 1;
  });
  return {
    count,
    x: x.taken(),
    y: y.taken(),
    halfX: halfX.taken(),
    halfY: halfY.taken(),
    long: whole.taken(),
    piece: piece.taken(),
    tone: tone.taken(),
    top: top.taken(),
  };
}
