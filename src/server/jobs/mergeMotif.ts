import { compose, mapPath, moveMap, turnMap } from '@/core/curve';
import { svgOfMerge } from '@/core/format';
import type { DrawnShape } from '@/core/format/drawing';
import { readSvg, UnreadableSvg } from '@/core/format/svg/read';
import { type Merged, mergeNow, type MergeOperation, type MergeShape } from '@/core/merge';
import { NO_TURN, type Turn } from '@/core/number';
import type { FillRule } from '@/core/scene';
import { Refused } from '../errors';

/** What may become of the copies, by the words of the command line. */
export const OPERATIONS: Readonly<Record<string, MergeOperation>> = {
  union: 'union',
  intersection: 'intersection',
  exclusion: 'exclusion',
  cells: 'divide',
};

/** Copies of what a file draws, about a point of it. */
export interface MotifRequest {
  /** The text of an SVG file. */
  readonly text: string;
  readonly fold: number;
  readonly mirror: boolean;
  readonly centre: { readonly x: number; readonly y: number };
  readonly start: Turn;
  /** One of `OPERATIONS`. */
  readonly op: string;
  /** How paths cover; null where each says so itself. */
  readonly rule: FillRule | null;
}

export interface MergedMotif {
  /** The result as an SVG file. */
  readonly svg: string;
  /** Counts and measures. */
  readonly facts: object;
}

/** What a drawn shape takes part with: its area, and where lines count the lines of its stroke. */
function motifOf(shapes: readonly DrawnShape[], { centre, rule: wanted, op }: MotifRequest): MergeShape[] {
  const toCentre = moveMap({ x: -centre.x, y: -centre.y });
  return shapes.flatMap(({ paths, paint, rule }) => {
    const moved = paths.map((path) => mapPath(path, toCentre));
    const own = wanted ?? rule;
    const area =
      paint.fill !== null ? [{ paths: moved.map((path) => ({ ...path, closed: true })), rule: own }] : [];
    const lines =
      paint.stroke !== null && paint.fill === null && op === 'cells'
        ? [{ paths: moved.map((path) => ({ ...path, closed: false })), rule: own }]
        : [];
    return [...area, ...lines];
  });
}

function factsOf({ facts, kinds }: Merged, { op, fold, mirror }: MotifRequest): object {
  const { loops, segments, nodes, area, cells, slivers, milliseconds } = facts;
  const ms = Math.round(milliseconds * 1000) / 1000;
  return { op, fold, mirror, loops, segments, nodes, area, cells, kinds, slivers, ms };
}

function shapesIn(text: string): DrawnShape[] {
  try {
    return readSvg(text);
  } catch (error) {
    if (error instanceof UnreadableSvg) throw new Refused(error.message);
    throw error;
  }
}

/** Merges the copies of a motif. @throws Refused for a file that cannot be read; MergeFailed where there is more to do than a limit */
export function mergeMotif(request: MotifRequest): Promise<MergedMotif> {
  const { fold, mirror, op, centre, start, text } = request;
  const merged = mergeNow({
    op: OPERATIONS[op] ?? 'union',
    among: 'copies',
    operands: [{ fold, mirror, start: NO_TURN, shapes: motifOf(shapesIn(text), request) }],
  });
  const place = compose(moveMap(centre), turnMap(start));
  return Promise.resolve({
    svg: svgOfMerge(merged.parts, place, op === 'cells' ? 'lines' : 'areas'),
    facts: factsOf(merged, request),
  });
}
