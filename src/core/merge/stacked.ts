/**
 * Shapes that lie over and beside one another, as coats of paint (see `nested.ts`): each cell that their lines make has the paint of the
 * frontmost shape that covers it.
 *
 * @example
 * const task = taskOf(STACKED, { fold: 8, mirror: true, shapes: [octant], placed });
 * const answer = work.ask(task);                 // the coats, by the numbers of their paints
 */
import { applyTo, boundsOfPaths, compose, MIRROR, type Point, turnMap, windingNumber } from '@/core/curve';
import type { TaskKind } from '@/core/derive';
import { negateTurn, NO_TURN, type Turn } from '@/core/number';
import { CellIndex } from './cellIndex';
import { divided } from './cells';
import { mergeNow } from './engine';
import { shortRefs } from './fused';
import { tried, type MergeRequest, type MergeShape } from './merge';
import { NESTED, type Nested } from './nested';

/** A shape at one of its places. */
export interface PlacedShape {
  /** Its place among the shapes. */
  readonly shape: number;
  readonly turn: Turn;
  /** Reflected about the axis before it is turned. */
  readonly mirrored: boolean;
  /** The number of its paint. */
  readonly paint: number;
}

export interface StackedInput {
  /** The symmetry of all places together. */
  readonly fold: number;
  readonly mirror: boolean;
  readonly shapes: readonly MergeShape[];
  /** Back to front. */
  readonly placed: readonly PlacedShape[];
}

/** Tells of a point whether a shape covers it. */
function coverageOf({ paths, rule }: MergeShape): (p: Point) => boolean {
  const { left, right, top, bottom } = boundsOfPaths(paths);
  const tolerance = Math.max(right - left, bottom - top) * 1e-6;
  return (p) => {
    if (p.x < left || p.x > right || p.y < top || p.y > bottom) return false;
    const winding = paths.reduce((sum, path) => sum + windingNumber(path, p, tolerance), 0);
    return rule === 'evenodd' ? winding % 2 !== 0 : winding !== 0;
  };
}

/** The paint of the frontmost shape at a point of the whole; undefined where there is none. */
function frontmost({ shapes, placed }: StackedInput): (p: Point) => number | undefined {
  const covers = shapes.map(coverageOf);
  // From the whole back to the shape as it was drawn.
  const back = placed.map(({ turn, mirrored }) => {
    const map = turnMap(negateTurn(turn));
    return mirrored ? compose(MIRROR, map) : map;
  });
  return (p) =>
    placed[
      placed.findLastIndex(({ shape }, k) => {
        const map = back[k];
        return map !== undefined && (covers[shape]?.(applyTo(map, p)) ?? false);
      })
    ]?.paint;
}

const COST_OF_SEGMENT = 0.1;

/** Coats of paint for shapes in a round; see above. */
export const STACKED: TaskKind<StackedInput, Nested> = {
  name: 'stacked',
  cost: ({ fold, mirror, shapes }) =>
    (mirror ? 2 : 1) *
    fold *
    COST_OF_SEGMENT *
    shapes.reduce((sum, { paths }) => paths.reduce((count, path) => count + path.segments.length, sum), 0),
  run: (input) => {
    const { fold, mirror, shapes } = input;
    const request: MergeRequest = {
      op: 'divide',
      among: 'copies',
      operands: [{ fold, mirror, start: NO_TURN, shapes }],
    };
    const division = tried(() => divided(mergeNow(request)));
    if (!division.ok) return division;
    const { cells } = division.value;
    const index = new CellIndex(cells, division.value.fold);
    const at = frontmost(input);
    const refs = new Map<number, string[]>();
    for (let cell = 0; cell < index.count; cell += 1) {
      const paint = at(index.insideAt(cell));
      if (paint !== undefined) refs.set(paint, [...(refs.get(paint) ?? []), index.ref(cell)]);
    }
    const paints = Object.fromEntries(
      [...refs].flatMap(([paint, own]) => shortRefs(cells, own).map((ref) => [ref, paint] as const)),
    );
    return NESTED.run({ request, paints });
  },
};
