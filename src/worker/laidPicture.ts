/**
 * Pictures of cells as arithmetic: which pixels the cells of each kind cover, and by how much, takes long and is read once from a canvas
 * (masks.ts); colours are laid there, one kind over another. So other colours of the same cells are there at once, and what changed alone is laid anew.
 *
 * @example
 * const picture = new LaidPicture(frame, null);
 * picture.lay([{ read: mask, region, colour: colourNumber('#d9512c') }]);
 * show(picture.shown);
 */
import type { Colour } from '@/core/scene';
import type { Colours, Mask } from './masks';
import { Region, type View } from './region';

/** What is laid on a picture. Colours are as a canvas has them in memory: red in the lowest byte, the opacity in the highest. */
export type Laid = { readonly region: Region } & (
  { readonly read: Mask; readonly colour: number } | { readonly read: Colours; readonly colour: null }
);

const OPAQUE = 255;
/** Where more than this share of all pixels changes, all are laid anew. */
const MOST_CHANGED = 0.4;

/** The number of a colour `#rrggbb` as a canvas has it in memory. */
export function colourNumber(colour: Colour): number {
  const rgb = parseInt(colour.slice(1, 7), 16);
  return (((rgb & 255) << 16) | (rgb & 0xff00) | (rgb >>> 16) | (OPAQUE << 24)) >>> 0;
}

/**
 * A colour over another: source over (Porter and Duff, 1984), for colours that are not multiplied by their opacity.
 * @param cover the opacity of the upper one, from 0 to 255, in place of its own
 */
function over(upper: number, cover: number, lower: number): number {
  const beneath = lower >>> 24;
  if (cover === OPAQUE || beneath === 0) return ((upper & 0xffffff) | (cover << 24)) >>> 0;
  const high = OPAQUE * cover;
  const low = beneath * (OPAQUE - cover);
  const sum = high + low;
  const half = sum >> 1;
  const red = (((upper & 255) * high + (lower & 255) * low + half) / sum) | 0;
  const green = ((((upper >>> 8) & 255) * high + ((lower >>> 8) & 255) * low + half) / sum) | 0;
  const blue = ((((upper >>> 16) & 255) * high + ((lower >>> 16) & 255) * low + half) / sum) | 0;
  const opacity = ((sum + (OPAQUE >> 1)) / OPAQUE) | 0;
  return (red | (green << 8) | (blue << 16) | (opacity << 24)) >>> 0;
}

/** Lays a part over what is there. @param only where this is not 0; null for everywhere */
function layOn(pixels: Uint32Array, { read, colour }: Laid, only: Uint8Array | null): void {
  if (colour === null) {
    for (let k = 0; k < read.at.length; k += 1) {
      const at = read.at[k] ?? 0;
      if (only && only[at] === 0) continue;
      const own = read.colours[k] ?? 0;
      pixels[at] = over(own, own >>> 24, pixels[at] ?? 0);
    }
    return;
  }
  const { solid, edge, cover } = read;
  for (let k = 0; k < solid.length; k += 1) {
    const at = solid[k] ?? 0;
    if (!only || only[at] !== 0) pixels[at] = colour;
  }
  for (let k = 0; k < edge.length; k += 1) {
    const at = edge[k] ?? 0;
    if (!only || only[at] !== 0) pixels[at] = over(colour, cover[k] ?? 0, pixels[at] ?? 0);
  }
}

/** The numbers of the pixels that a part covers. */
const pixelsOf = ({ read }: Laid): readonly Uint32Array[] =>
  'at' in read ? [read.at] : [read.solid, read.edge];

const countOf = (parts: readonly Laid[]): number =>
  parts.reduce((sum, part) => sum + pixelsOf(part).reduce((all, { length }) => all + length, 0), 0);

/** The parts of one list that are not in another as they are. */
const notIn = (parts: readonly Laid[], others: ReadonlyMap<object, Laid>): Laid[] =>
  parts.filter(({ read, colour }) => others.get(read)?.colour !== colour);

const byWhatWasRead = (parts: readonly Laid[]): ReadonlyMap<object, Laid> =>
  new Map(parts.map((part) => [part.read, part]));

/**
 * What differs between two pictures.
 * @returns null where what is in both lies in another order, or the same was laid twice
 */
function changesOf(before: readonly Laid[], parts: readonly Laid[]): readonly Laid[] | null {
  const [had, has] = [byWhatWasRead(before), byWhatWasRead(parts)];
  if (had.size < before.length || has.size < parts.length) return null;
  const [gone, come] = [new Set(notIn(before, has)), new Set(notIn(parts, had))];
  const [stayed, stay] = [before.filter((part) => !gone.has(part)), parts.filter((part) => !come.has(part))];
  return stay.every(({ read }, k) => read === stayed[k]?.read) ? [...gone, ...come] : null;
}

/** How strong each pixel is shown, from 0 to 255. @param full where it has its full strength @returns null where all do */
export function weightsOf(count: number, strength: number, full: Mask | null): Uint8Array | null {
  if (strength === 1) return null;
  const weights = new Uint8Array(count).fill(Math.round(OPAQUE * strength));
  if (!full) return weights;
  for (const at of full.solid) weights[at] = OPAQUE;
  full.edge.forEach((at, k) => {
    const cover = full.cover[k] ?? 0;
    weights[at] = Math.round(cover + strength * (OPAQUE - cover));
  });
  return weights;
}

/** A pixel that is shown as strong as a weight says. */
const weakened = (pixel: number, weight: number): number =>
  ((pixel & 0xffffff) | ((((pixel >>> 24) * weight + (OPAQUE >> 1)) / OPAQUE) << 24)) >>> 0;

/** Pixels as they are shown. @param weights of each; null where all are as strong as they are */
export function shownAs(
  pixels: Uint32Array<ArrayBuffer>,
  weights: Uint8Array | null,
): Uint32Array<ArrayBuffer> {
  if (!weights) return pixels;
  const shown = new Uint32Array(pixels.length);
  for (let at = 0; at < shown.length; at += 1) shown[at] = weakened(pixels[at] ?? 0, weights[at] ?? 0);
  return shown;
}

/** A picture that is kept, so that of the next one only what changed is laid. */
export class LaidPicture {
  private readonly pixels: Uint32Array<ArrayBuffer>;
  /** 1 for each pixel that changes, while it does. */
  private readonly marks: Uint8Array;
  private parts: readonly Laid[] = [];
  /** What is to be seen. */
  shown: Uint32Array<ArrayBuffer>;

  /** @param weights how strong each pixel is shown; null where all are as strong as they are */
  constructor(
    private readonly view: View,
    private weights: Uint8Array | null,
  ) {
    this.pixels = new Uint32Array(view.width * view.height);
    this.marks = new Uint8Array(this.pixels.length);
    this.shown = shownAs(this.pixels, weights);
  }

  /** Shows it in other strengths. */
  weigh(weights: Uint8Array | null): void {
    if (this.weights === weights) return;
    this.weights = weights;
    this.shown = shownAs(this.pixels, weights);
  }

  /** Lays parts, back to front. */
  lay(parts: readonly Laid[]): void {
    const changes = changesOf(this.parts, parts);
    this.parts = parts;
    if (changes && countOf(changes) < MOST_CHANGED * this.pixels.length) this.layWhere(changes, parts);
    else this.layAll(parts);
  }

  private layAll(parts: readonly Laid[]): void {
    this.pixels.fill(0);
    for (const part of parts) layOn(this.pixels, part, null);
    this.shown = shownAs(this.pixels, this.weights);
  }

  private layWhere(changes: readonly Laid[], parts: readonly Laid[]): void {
    const { pixels, marks, shown, weights } = this;
    const area = new Region(this.view);
    for (const { region } of changes) area.take(region);
    const changed = changes.flatMap(pixelsOf);
    for (const list of changed)
      for (let k = 0; k < list.length; k += 1) {
        const at = list[k] ?? 0;
        marks[at] = 1;
        pixels[at] = 0;
      }
    for (const part of parts) if (!part.region.isApartFrom(area)) layOn(pixels, part, marks);
    for (const list of changed)
      for (let k = 0; k < list.length; k += 1) {
        const at = list[k] ?? 0;
        marks[at] = 0;
        if (weights) shown[at] = weakened(pixels[at] ?? 0, weights[at] ?? 0);
      }
  }
}
