/**
 * Which pixels of a canvas are covered by what was drawn there, and by how much.
 *
 * @example
 * const mask = maskOf(bytes, width, region.rects(), 0);   // of what was drawn in pure red on black
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

/**
 * The mask of what was drawn into one channel of an opaque picture that was black.
 * @param bytes four for each pixel
 * @param rects where it was drawn
 * @param channel 0 for red, 1 for green, 2 for blue
 */
export function maskOf(
  bytes: Uint8ClampedArray,
  width: number,
  rects: readonly Rect[],
  channel: 0 | 1 | 2,
): Mask {
  const room = areaOf(rects);
  const [solid, edge, cover] = [new Uint32Array(room), new Uint32Array(room), new Uint8Array(room)];
  let [solids, edges] = [0, 0];
  for (const [left, top, wide, high] of rects)
    for (let y = top; y < top + high; y += 1) {
      const first = y * width + left;
      for (let at = first; at < first + wide; at += 1) {
        const own = bytes[4 * at + channel] ?? 0;
        if (own === OPAQUE) {
          solid[solids] = at;
          solids += 1;
        } else if (own > 0) {
          edge[edges] = at;
          cover[edges] = own;
          edges += 1;
        }
      }
    }
  return { solid: solid.slice(0, solids), edge: edge.slice(0, edges), cover: cover.slice(0, edges) };
}

/** The colours of what was drawn on a transparent picture. @param pixels a number for each @param rects where it was drawn */
export function coloursOf(pixels: Uint32Array, width: number, rects: readonly Rect[]): Colours {
  const room = areaOf(rects);
  const [found, colours] = [new Uint32Array(room), new Uint32Array(room)];
  let count = 0;
  for (const [left, top, wide, high] of rects)
    for (let y = top; y < top + high; y += 1) {
      const first = y * width + left;
      for (let at = first; at < first + wide; at += 1) {
        const colour = pixels[at] ?? 0;
        if (colour === 0) continue;
        found[count] = at;
        colours[count] = colour;
        count += 1;
      }
    }
  return { at: found.slice(0, count), colours: colours.slice(0, count) };
}
