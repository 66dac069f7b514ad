/** How many values a list has room for at first: most merges are small, and have some twenty lists. */
const FIRST_ROOM = 64;

/** A growing list of integers in one typed array: no objects, no allocation but for its doublings. */
export class Ints {
  private data = new Int32Array(FIRST_ROOM);
  length = 0;

  /** The value at an index below `length`. */
  at(index: number): number {
    return this.data[index] as number;
  }

  set(index: number, value: number): void {
    this.data[index] = value;
  }

  /** Adds a value and returns its index. */
  push(value: number): number {
    if (this.length === this.data.length) {
      const grown = new Int32Array(2 * this.length);
      grown.set(this.data);
      this.data = grown;
    }
    this.data[this.length] = value;
    this.length += 1;
    return this.length - 1;
  }

  clear(): void {
    this.length = 0;
  }
}

/** A growing list of doubles in one typed array. */
export class Floats {
  private data = new Float64Array(FIRST_ROOM);
  length = 0;

  at(index: number): number {
    return this.data[index] as number;
  }

  set(index: number, value: number): void {
    this.data[index] = value;
  }

  push(value: number): number {
    if (this.length === this.data.length) {
      const grown = new Float64Array(2 * this.length);
      grown.set(this.data);
      this.data = grown;
    }
    this.data[this.length] = value;
    this.length += 1;
    return this.length - 1;
  }

  clear(): void {
    this.length = 0;
  }
}

/** The value of a typed array at an index that is known to be inside it. */
export const valueAt = (list: Int32Array | Float64Array | Uint8Array, index: number): number =>
  list[index] as number;
