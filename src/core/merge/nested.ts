/**
 * Cells painted so that nothing shows through between them. Where areas only meet, a renderer covers the pixels on their border by the one and by
 * the other in part, and what lies beneath shows by a hair (Porter and Duff, Compositing Digital Images, 1984: coverages that exclude one another
 * are composited as if they did not). So what is painted first reaches under what lies beside it and is painted after it, up to that
 * cell's middle, the very first under everything; and neighbours of one paint are one outline.
 *
 * @example
 * const task = taskOf(NESTED, { request, paints: { 'rupan21eudiqm-0': 0, '163jsxg5gr8dq-0': 1 } });
 * const answer = work.ask(task);
 * if (answer?.ok) for (const { paint, parts } of answer.value) draw(parts, colours[paint]);
 */
import { applyTo, boxOfPaths, isInBounds, lengthOf, type Point, turnMap } from '@/core/curve';
import { negateTurn } from '@/core/number';
import type { TaskKind } from '@/core/derive';
import { failed, finding, type Result } from '@/core/finding';
import { keysOf } from '@/core/arrangement';
import { CellIndex } from './cellIndex';
import { divided } from './cells';
import { halfWidth, type Inside, wellInside } from './inside';
import { divisionOf, mergeNow, outlinedKinds, type Divided } from './engine';
import { BARE, fansOf } from './fans';
import { isWellInside } from './fused';
import { tried, type MergePart, type MergeRequest, type MergeShape } from './merge';
import { placedLoops } from './placed';

export interface NestedInput {
  /** The division. */
  readonly request: MergeRequest;
  /** The number of the paint of each cell, by its reference, or of all cells of a kind, by its key; what has none is left out. */
  readonly paints: Readonly<Record<string, number>>;
}

/** What is painted with a paint, and reaches under what comes after it. */
interface Coat {
  readonly paint: number;
  readonly parts: readonly MergePart[];
}

/** In the order of painting: what covers most comes first. */
export type Nested = readonly Coat[];

const NO_PAINT = -1;

/** Milliseconds for each segment of each copy, about. */
const COST_OF_SEGMENT = 0.1;
/** And for each cell that is painted by itself: the whole is divided again under less symmetry, or none. */
const COST_OF_CELL = 1;

const isOfOne = (ref: string): boolean => ref.includes('@');

/** A division, and the number of the paint of each of its kinds. */
interface PaintedKinds {
  readonly division: Divided;
  readonly paints: readonly number[];
}

/** Where every cell of a kind has one paint. */
function byKind(division: Divided, { request, paints }: NestedInput): PaintedKinds {
  const { arrangement, arranged } = division;
  const keys = keysOf(arrangement, arranged.paths, request.order);
  return { division, paints: keys.map((key) => paints[key] ?? NO_PAINT) };
}

/** A point in a cell of the whole, and the number of its paint. */
interface PaintedPoint {
  readonly at: Point;
  /** It is so far from the cell's border at least. */
  readonly away: number;
  readonly paint: number;
}

/** Where cells of a kind differ: the whole is divided again under no more symmetry than the paints have. */
function byCell(merged: ReturnType<typeof mergeNow>, { request, paints }: NestedInput): PaintedKinds | null {
  const { cells, fold, mirror } = divided(merged, request);
  const index = new CellIndex(cells, fold);
  const paintOf = (cell: number): number => {
    const ref = index.ref(cell);
    return paints[ref] ?? paints[ref.slice(0, ref.indexOf('@'))] ?? NO_PAINT;
  };
  const all = Array.from({ length: index.count }, (_, cell) => cell);
  const keeps = (map: (cell: number) => number): boolean =>
    all.every((cell) => paintOf(map(cell)) === paintOf(cell));
  const steps = all.length === 0 ? 1 : stepsThatKeep(fold, (by) => keeps((cell) => index.turned(cell, by)));
  const within = { fold: fold / steps, mirror: mirror && keeps(index.reflected) };
  const division = divisionOf(mergeNow({ ...request, within }));
  if (!division) return null;
  const away = cells.map(({ loops, area }) => halfWidth(loops, area) / 2);
  const points = all.map((cell): PaintedPoint => ({
    at: index.insideAt(cell),
    away: away[index.kindOf(cell)] ?? 0,
    paint: paintOf(cell),
  }));
  return paintedByPoints(division, points);
}

/** The fewest steps of 1/fold, a divisor of it, that keep the paints. */
function stepsThatKeep(fold: number, keeps: (steps: number) => boolean): number {
  for (let steps = 1; steps < fold; steps += 1) if (fold % steps === 0 && keeps(steps)) return steps;
  return fold;
}

/** The paint of each kind by a point that lies in one of its cells; null where one has none. */
function paintedByPoints(division: Divided, points: readonly PaintedPoint[]): PaintedKinds | null {
  const paints = Array.from({ length: division.arrangement.kindCount }, () => NO_PAINT);
  for (const { kind, parts } of division.cells) {
    const loops = parts[0] ? placedLoops(parts[0].loops, parts[0].turns[0] ?? { num: 0, den: 1 }, false) : [];
    const box = boxOfPaths(loops);
    const found = points.find(({ at, away }) => isInBounds(box, at) && isWellInside(loops, at, away));
    if (!found) return null;
    paints[kind] = found.paint;
  }
  return { division, paints };
}

/** A division by paints in the order in which they are put on: for each of its kinds the place of its paint in it. */
interface Ranked {
  readonly division: Divided;
  readonly ranks: readonly number[];
  /** The number of the paint at each place. */
  readonly order: readonly number[];
}

/** Those that cover most are put on first. */
function ranked({ division, paints }: PaintedKinds): Ranked {
  const { arrangement } = division;
  const areas = new Map<number, number>();
  paints.forEach((paint, kind) => {
    if (paint === NO_PAINT || kind === arrangement.outside) return;
    areas.set(paint, (areas.get(paint) ?? 0) + arrangement.areaOf(kind) * arrangement.sizeOf(kind));
  });
  const order = [...areas].sort((a, b) => b[1] - a[1] || a[0] - b[0]).map(([paint]) => paint);
  const places = new Map(order.map((paint, k) => [paint, k]));
  return { division, order, ranks: paints.map((paint) => places.get(paint) ?? BARE) };
}

/** The same with cells in pieces that have one neighbour each from which something reaches under them. */
function inPieces(whole: Ranked, { request }: NestedInput): Ranked {
  const { division, ranks, order } = whole;
  const lines = fansOf(division, (kind) => ranks[kind] ?? BARE);
  const [first] = request.operands;
  if (lines.length === 0 || !first) return whole;
  const { fold, mirror } = division.arranged;
  const shapes = lines.map((path): MergeShape => ({ paths: [path], rule: 'nonzero' }));
  // Cells that cannot be parted are reached under as wholes.
  const parted = tried(() =>
    mergeNow({
      ...request,
      within: { fold, mirror },
      operands: [...request.operands, { fold, mirror, start: first.start, shapes }],
    }),
  );
  const pieces = parted.ok ? divisionOf(parted.value) : null;
  if (!pieces) return whole;
  const found = Array.from({ length: pieces.arrangement.kindCount }, () => BARE);
  const at = placesIn(division);
  for (const { kind, parts, area } of pieces.cells) {
    const kindThere = at(wellInside(parts[0]?.loops ?? [], area));
    if (kindThere !== null) found[kind] = ranks[kindThere] ?? BARE;
  }
  return { division: pieces, order, ranks: found };
}

/** Finds the kind of the cell at a point of the whole; null where there is none. */
function placesIn({ cells }: Divided): (inside: Inside) => number | null {
  const known = cells.map(({ kind, parts, inner, outer }) => ({
    kind,
    inner: inner * (1 - 1e-9),
    outer: outer * (1 + 1e-9),
    parts: parts.map(({ loops, turns }) => ({ loops, back: turns.map((by) => turnMap(negateTurn(by))) })),
  }));
  return ({ at: p, away }) => {
    const out = lengthOf(p);
    for (const { kind, inner, outer, parts } of known)
      if (out >= inner && out <= outer)
        for (const { loops, back } of parts)
          if (back.some((map) => isWellInside(loops, applyTo(map, p), away))) return kind;
    return null;
  };
}

function coatsOf({ division, ranks, order }: Ranked): Nested {
  const { arrangement } = division;
  const beside = arrangement.besides();
  const meets = (kind: number, test: (rank: number) => boolean): boolean =>
    [...(beside.get(kind) ?? [])].some((other) =>
      test(other === arrangement.outside ? BARE : (ranks[other] ?? BARE)),
    );
  /** True where a coat is put on: on what is painted with it, and under what comes later beside that. */
  const takes = (kind: number, place: number): boolean => {
    const own = ranks[kind] ?? BARE;
    if (own === place) return true;
    if (own < place) return false;
    // The first coat lies under all; where the page begins it would be seen beside what is over it.
    return meets(kind, (rank) => rank === place) || (place === 0 && !meets(kind, (rank) => rank === BARE));
  };
  return order.map((paint, place) => ({
    paint,
    parts: outlinedKinds(division, (kind) => takes(kind, place)),
  }));
}

/** Coats of paint for the cells of a division, so that nothing shows between them; see above. */
export const NESTED: TaskKind<NestedInput, Nested> = {
  name: 'nested',
  cost: ({ request, paints }) =>
    COST_OF_CELL * Object.keys(paints).filter(isOfOne).length +
    request.operands.reduce(
      (sum, { fold, mirror, shapes }) =>
        sum +
        (mirror ? 2 : 1) *
          fold *
          COST_OF_SEGMENT *
          shapes.reduce((all, { paths }) => paths.reduce((count, p) => count + p.segments.length, all), 0),
      0,
    ),
  run: (input): Result<Nested> => {
    const painted = tried(() => {
      const merged = mergeNow(input.request);
      const division = divisionOf(merged);
      if (!division) return null;
      const isByKind = !Object.keys(input.paints).some(isOfOne);
      return isByKind ? byKind(division, input) : byCell(merged, input);
    });
    if (!painted.ok) return painted;
    const { value } = painted;
    return value ? tried(() => coatsOf(inPieces(ranked(value), input))) : failed(finding('merge.failed'));
  },
};
