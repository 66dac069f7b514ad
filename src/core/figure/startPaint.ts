/**
 * The paint that cells begin with: that of the shape that lies frontmost over them, until they are given one of their own.
 *
 * @example
 * const start = startPaints(paintSources(figure, round), division, work);
 * const merge = withStartPaints(round.merge, start); // its cells' paints are all that is seen
 */
import { remembered } from '../remembered';
import {
  type Affine,
  applyTo,
  type Bounds,
  boundsOfPaths,
  inverse,
  type Path,
  windingNumber,
} from '@/core/curve';
import type { Work } from '@/core/derive';
import { type Division, isInside } from '@/core/merge';
import type { Turn } from '@/core/number';
import { isGradient, mapFills, mappedRun, nameOfPaint } from '@/core/paint';
import type { FillRule, Paint } from '@/core/scene';
import { resolvedShapes } from './combined';
import { copyMaps } from './copies';
import { roundsBelow, trimOf } from './jobs';
import type { KindPaints, Figure, Round, RoundMerge } from './model';
import { partsWithPaint } from './parts';

/** Paints by the keys of kinds. */
export type StartPaints = ReadonlyMap<string, Paint>;

const NONE: StartPaints = new Map();

/** The rounds whose shapes make the cells of a round: itself, and those below that it is joined with. */
export const paintSources = (figure: Figure, round: Round): readonly Round[] =>
  round.lowerAction?.how === 'join' ? [...roundsBelow(figure, round), round] : [round];

/** A filled part of a motif. */
interface Part {
  readonly paths: readonly Path[];
  readonly box: Bounds;
  readonly rule: FillRule;
  readonly paint: Paint;
}

function filledParts(round: Round, work: Work): Part[] {
  return resolvedShapes(round, work)
    .filter(({ visible }) => visible)
    .flatMap((shape) => partsWithPaint(shape, trimOf(round, shape), work))
    .filter(({ paint }) => paint.fill !== null)
    .flatMap(({ paths: all, rule, paint }) => {
      const paths = all.filter(({ closed }) => closed);
      return paths.length > 0 ? [{ paths, rule, paint, box: boundsOfPaths(paths) }] : [];
    });
}

const covers = ({ paths, box, rule }: Part, x: number, y: number): boolean => {
  if (x < box.left || x > box.right || y < box.top || y > box.bottom) return false;
  if (rule === 'nonzero') return isInside(paths, { x, y });
  const size = Math.max(box.right - box.left, box.bottom - box.top);
  return paths.filter((path) => windingNumber(path, { x, y }, size * 1e-6) % 2 !== 0).length % 2 === 1;
};

/** The gradients of a paint where the copy stands that has it; those in shares of a box or of the whole stay. */
const placedRuns = (paint: Paint, map: Affine): Paint =>
  mapFills(paint, (fill) =>
    isGradient(fill) && (fill.spread === 'copy' || fill.spread === 'selection')
      ? { ...mappedRun(fill, map), spread: 'selection' }
      : fill,
  );

/** The parts of rounds in all places where they stand, the frontmost first: a shape before those behind it, whatever copy it is of. */
function* placesFrontFirst(
  rounds: readonly Round[],
  start: Turn,
  work: Work,
): Generator<{ readonly part: Part; readonly map: Affine; readonly back: Affine }> {
  for (const round of [...rounds].reverse()) {
    const maps = copyMaps(round, start, work)
      .map((map) => ({ map, back: inverse(map) }))
      .reverse();
    for (const part of filledParts(round, work).reverse()) for (const place of maps) yield { part, ...place };
  }
}

interface Known {
  readonly rounds: readonly Round[];
  readonly paints: StartPaints;
}

const known = new WeakMap<Division, Known>();

/** The paints that kinds of cells begin with; those that no shape covers begin with none. Made once for the same rounds. */
export function startPaints(rounds: readonly Round[], division: Division, work: Work): StartPaints {
  const own = rounds[rounds.length - 1];
  if (!own?.merge?.cells?.fromShapes) return NONE;
  const before = known.get(division);
  if (
    before?.rounds.length === rounds.length &&
    before.rounds.every((round, k) => looksLike(round, rounds[k]))
  )
    return before.paints;
  const missed = work.missed;
  const places = [...placesFrontFirst(rounds, own.rule.start, work)];
  const made = new Map<string, Paint>();
  const [first] = places;
  const isOne =
    first && places.every(({ part }) => nameOfPaint(part.paint) === nameOfPaint(first.part.paint));
  for (const { key, depth, inside } of division.cells) {
    if (depth === 0) continue;
    const over = places.find(({ part, back }) => {
      if (isOne && !hasRun(part.paint)) return true;
      const { x, y } = applyTo(back, inside);
      return covers(part, x, y);
    });
    if (over) made.set(key, placedRuns(over.part.paint, over.map));
  }
  if (work.missed === missed) known.set(division, { rounds, paints: made });
  return made;
}

/** True for a paint that is another one where another copy stands. */
const hasRun = ({ fill, stroke }: Paint): boolean => isGradient(fill) || isGradient(stroke?.colour);

const looksLike = (a: Round, b: Round | undefined): boolean =>
  a === b || (a.shapes === b?.shapes && a.rule === b.rule && a.groups === b.groups);

const unsaid = remembered((all: Paint): KindPaints => ({ all }));
const begunKinds = new WeakMap<KindPaints, { readonly all: Paint; readonly made: KindPaints }>();

/** What is said of a kind, with the paint that it begins with where nothing else is said; the same object for the same two. */
function begunKind(own: KindPaints | undefined, all: Paint): KindPaints {
  if (!own) return unsaid(all);
  if (own.all) return own;
  const known = begunKinds.get(own);
  if (known?.all === all) return known.made;
  const made = { all, ...own };
  begunKinds.set(own, { all, made });
  return made;
}

const seen = new WeakMap<RoundMerge, { readonly start: StartPaints; readonly merge: RoundMerge }>();

/** A merge with the paints that its cells begin with said as their own, where they have none. */
export function withStartPaints(merge: RoundMerge, start: StartPaints): RoundMerge {
  if (start.size === 0 || !merge.cells) return merge;
  const before = seen.get(merge);
  if (before?.start === start) return before.merge;
  const own = merge.cells.paints;
  const begun = [...start].map(([key, all]): [string, KindPaints] => [key, begunKind(own[key], all)]);
  const paints = { ...own, ...Object.fromEntries(begun) };
  const made = { ...merge, cells: { ...merge.cells, paints } };
  seen.set(merge, { start, merge: made });
  return made;
}
