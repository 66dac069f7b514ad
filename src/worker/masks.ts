/**
 * Which pixels of a canvas are covered by what was drawn there, and by how much.
 *
 * @example
 * const mask = maskOf(read, region.rects(), width, 0);   // of what was drawn in pure red on black
 */
import type { Rect } from './region';

/** Which pixels are covered, by their numbers row by row. */
export interface Mask {
  /** Those that are covered wholly. */
  readonly solid: Uint32Array;
  /** Those that are covered in part, */
  readonly edge: Uint32Array;
  /** and by how much of 255. */
  readonly cover: Uint8Array;
}

/** Pixels in colours of their own, where one colour does not say what is seen. */
export interface Colours {
  readonly at: Uint32Array;
  readonly colours: Uint32Array;
}

const OPAQUE = 255;

const areaOf = (rects: readonly Rect[]): number =>
  rects.reduce((sum, [, , wide, high]) => sum + wide * high, 0);

/** What was read of a part of a canvas. */
export interface ReadPixels {
  /** Four for each pixel of the part, row by row. */
  readonly bytes: Uint8ClampedArray<ArrayBuffer>;
  /** Which part it is. */
  readonly of: Rect;
}

/** A number for each pixel that was read. */
const numbersOf = ({ bytes }: ReadPixels): Uint32Array =>
  new Uint32Array(bytes.buffer, bytes.byteOffset, bytes.length / 4);

/**
 * The mask of what was drawn into one channel of an opaque canvas that was black.
 * @param rects where it was drawn, within what was read
 * @param width of the canvas
 * @param channel 0 for red, 1 for green, 2 for blue
 */
export function maskOf(
  { bytes, of: [x, y, wide] }: ReadPixels,
  rects: readonly Rect[],
  width: number,
  channel: 0 | 1 | 2,
): Mask {
  const room = areaOf(rects);
  const [solid, edge, cover] = [new Uint32Array(room), new Uint32Array(room), new Uint8Array(room)];
  let [solids, edges] = [0, 0];
  for (const [left, top, across, down] of rects)
    for (let row = top; row < top + down; row += 1) {
      const [first, read] = [row * width + left, (row - y) * wide + left - x];
      for (let k = 0; k < across; k += 1) {
        const own = bytes[4 * (read + k) + channel] ?? 0;
        if (own === OPAQUE) {
          solid[solids] = first + k;
          solids += 1;
        } else if (own > 0) {
          edge[edges] = first + k;
          cover[edges] = own;
          edges += 1;
        }
      }
    }
  return { solid: solid.slice(0, solids), edge: edge.slice(0, edges), cover: cover.slice(0, edges) };
}

/** The colours of what was drawn on a transparent canvas. @param rects where it was drawn, within what was read @param width of the canvas */
export function coloursOf(pixels: ReadPixels, rects: readonly Rect[], width: number): Colours {
  const [x, y, wide] = pixels.of;
  const numbers = numbersOf(pixels);
  const room = areaOf(rects);
  const [at, colours] = [new Uint32Array(room), new Uint32Array(room)];
  let count = 0;
  for (const [left, top, across, down] of rects)
    for (let row = top; row < top + down; row += 1) {
      const [first, read] = [row * width + left, (row - y) * wide + left - x];
      for (let k = 0; k < across; k += 1) {
        const colour = numbers[read + k] ?? 0;
        if (colour === 0) continue;
        at[count] = first + k;
        colours[count] = colour;
        count += 1;
      }
    }
  return { at: at.slice(0, count), colours: colours.slice(0, count) };
}
