import {
  arcLength,
  boundsOfPaths,
  dashesOf,
  distance,
  type Path,
  pathLength,
  signedArea,
} from '@/core/curve';
import { NO_TURN } from '@/core/number';
import { coverOfBand, isPlainBand, type BandJoin, type BandLook } from './bandSides';
import { mergeNow } from './engine';
import { placedLoops } from './placed';
import type { MergeOperand, MergeShape } from './merge';

export type { BandCap, BandJoin, BandLook } from './bandSides';

/** How near a band of cubics comes to the true one, as a share of the line's size. */
export const BAND_TOLERANCE = 1e-5;

const operand = (shapes: readonly MergeShape[]): MergeOperand => ({
  fold: 1,
  mirror: false,
  start: NO_TURN,
  shapes,
});

function outlineOf(
  operands: readonly MergeOperand[],
  op: 'union' | 'subtract',
  progress?: (share: number) => void,
): Path[] {
  const { parts } = mergeNow({ op, among: 'operands', outlineOnly: op === 'union', operands }, progress);
  return parts.flatMap(({ loops, turns }) => turns.flatMap((by) => placedLoops(loops, by, false)));
}

const toleranceOf = (paths: readonly Path[], width: number): number => {
  const box = boundsOfPaths(paths);
  return BAND_TOLERANCE * Math.max(box.right - box.left, box.bottom - box.top, width);
};

/** Dashes that one band is made of. */
export const MOST_DASHES = 5000;

/** How many dashes lines have, about. */
export function dashCount(paths: readonly Path[], dashes: readonly number[]): number {
  const period = dashes.reduce((sum, dash) => sum + dash, 0);
  if (!(period > 0)) return 0;
  return (paths.reduce((sum, path) => sum + pathLength(path), 0) * dashes.length) / period;
}

/**
 * Lines as bands: closed outlines clockwise, holes the other way. Exact for lines and arcs at an even width; cubics within
 * `BAND_TOLERANCE` of the lines' size. Where the band overlaps itself it is one.
 * @throws MergeFailed where there is more to do than a limit
 */
export function bandsOf(paths: readonly Path[], look: BandLook, progress?: (share: number) => void): Path[] {
  const widest = Math.max(look.width, ...look.widths);
  if (!(widest > 0)) return [];
  const tolerance = toleranceOf(paths, widest);
  const lines = look.dashes.length > 0 ? paths.flatMap((path) => dashesOf(path, look.dashes)) : paths;
  const shapes = lines.flatMap((path) => coverOfBand(path, look, tolerance));
  const [shape, another] = shapes;
  if (!shape) return [];
  const [path] = lines;
  if (path && !another && lines.length === 1 && isPlainBand(path, look)) return [...shape.paths];
  return withoutHairs(outlineOf([operand(shapes)], 'union', progress), paths, tolerance);
}

/** No less than the length of a path: that of its control polygons. */
const longestOf = ({ segments }: Path): number =>
  segments.reduce(
    (sum, segment) =>
      segment.kind === 'cubic'
        ? sum +
          distance(segment.from, segment.out) +
          distance(segment.out, segment.in) +
          distance(segment.in, segment.to)
        : sum + arcLength(segment),
    0,
  );

/**
 * Outlines without those thinner than what sides of cubics may be off: pieces that overlap for sure on the true curves can leave
 * such a hair between them. Where all is lines and arcs nothing is off, and nothing goes.
 */
function withoutHairs(outlines: readonly Path[], of: readonly Path[], tolerance: number): Path[] {
  if (!of.some(({ segments }) => segments.some(({ kind }) => kind === 'cubic'))) return [...outlines];
  return outlines.filter((path) => {
    const twice = 2 * Math.abs(signedArea([path]));
    return twice > 2 * tolerance * longestOf(path) || twice > 2 * tolerance * pathLength(path);
  });
}

/**
 * The outline that runs beside closed shapes at a distance, outward for a positive one.
 * @param rule how the shapes fill together
 * @returns nothing where a shape is too small for what is taken away from it
 */
export function offsetOf(
  paths: readonly Path[],
  rule: MergeShape['rule'],
  away: number,
  join: BandJoin,
  limit: number,
  progress?: (share: number) => void,
): Path[] {
  const closed = paths.filter((path) => path.closed);
  const filled = outlineOf([operand([{ paths: closed, rule }])], 'union');
  if (away === 0 || filled.length === 0) return filled;
  const look: BandLook = {
    width: 2 * Math.abs(away),
    side: 'middle',
    join,
    limit,
    cap: 'butt',
    widths: [],
    dashes: [],
  };
  const tolerance = toleranceOf(filled, look.width);
  const band = filled.flatMap((path) => coverOfBand(path, look, tolerance));
  const own = operand([{ paths: filled, rule: 'nonzero' }]);
  const made =
    away > 0
      ? outlineOf([operand([{ paths: filled, rule: 'nonzero' }, ...band])], 'union', progress)
      : outlineOf([own, operand(band)], 'subtract', progress);
  return withoutHairs(made, filled, tolerance);
}
