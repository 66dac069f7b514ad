/**
 * Cells of a divided round: fused, taken away, painted, by their references.
 *
 * @example
 * const fewer = removeCells(figure, 'petals', division, ['k3@2']);   // one of the kind k3
 */
import { keptPaints, kindKey, kindPaints, paintOfRef, placeOfRef } from '../cellPaints';
import type { Work } from '@/core/derive';
import { type Cells, type Division, insideOf, isInside, shortRefs } from '@/core/merge';
import { applyTo, compose, mapPath, MIRROR, ORIGIN, type Path, reversedPath, turnMap } from '@/core/curve';
import { pathsOfForm } from '@/core/maker';
import { negateTurn } from '@/core/number';
import { placementMap } from '@/core/symmetry';
import { type ColourPlan, coloursOfPlaces, directionOf, nameOfPaint } from '@/core/paint';
import type { Paint } from '@/core/scene';
import { placedCells } from '../kinds';
import { keptEdits, NO_CELL_EDITS, isRemoved, removedByKind, shownCells } from '../cells';
import { copiesOf } from '../copies';
import { paintSources, startPaints, type StartPaints } from '../startPaint';
import { START_WEAVE } from '../jobs';
import type { CellEdits, CellRef, Figure, KindPaints, RoundId, Weave } from '../model';
import { roundOf, withRound } from './rounds';

/** Changes what was done to the cells of a divided round; nothing where it is not divided. */
function withCellEdits(figure: Figure, roundId: RoundId, change: (edits: CellEdits) => CellEdits): Figure {
  return withRound(figure, roundId, (round) =>
    round.merge?.op === 'divide'
      ? { ...round, merge: { ...round.merge, cells: change(round.merge.cells ?? NO_CELL_EDITS) } }
      : round,
  );
}

/**
 * Fuses cells: in every turn of the round, or these alone.
 * @param refs to cells as they stand, with their places
 */
export const fuseCells = (
  figure: Figure,
  roundId: RoundId,
  refs: readonly CellRef[],
  alone: boolean,
): Figure =>
  refs.length < 2
    ? figure
    : withCellEdits(figure, roundId, (edits) => ({
        ...edits,
        fused: [...edits.fused, { cells: refs, ...(alone && { alone }) }],
      }));

/** Parts again what was fused with any of some cells. */
export function partCells(figure: Figure, roundId: RoundId, refs: readonly CellRef[]): Figure {
  const keys = new Set(refs.map(kindKey));
  return withCellEdits(figure, roundId, (edits) => ({
    ...edits,
    fused: edits.fused.filter(({ cells }) => !cells.some((ref) => keys.has(kindKey(ref)))),
  }));
}

export const removeCells = (
  figure: Figure,
  roundId: RoundId,
  division: Division,
  refs: readonly CellRef[],
): Figure =>
  withCellEdits(figure, roundId, (edits) => ({
    ...edits,
    removed: shortRefs(division.cells, [...edits.removed, ...refs]),
  }));

/** Brings removed cells back; without references all of them. */
export function restoreCells(figure: Figure, roundId: RoundId, refs?: readonly string[]): Figure {
  const back = refs && new Set([...refs, ...refs.map(kindKey)]);
  return withCellEdits(figure, roundId, (edits) => ({
    ...edits,
    removed: back ? edits.removed.filter((ref) => !back.has(ref)) : [],
  }));
}

/** What cells are painted with where other paints are said of some; what is said of a whole kind takes the place of what was of one of it. */
function withPaints(
  edits: CellEdits,
  division: Division,
  said: readonly (readonly [CellRef, Paint])[],
): CellEdits {
  const changed = new Map<string, { all: Paint | undefined; single: Record<string, Paint> }>();
  for (const [ref, paint] of said) {
    const [key, place] = [kindKey(ref), placeOfRef(ref)];
    const before = edits.paints[key];
    const kind = changed.get(key) ?? { all: before?.all, single: { ...before?.single } };
    changed.set(key, kind);
    if (place === null) {
      kind.all = paint;
      kind.single = {};
    } else kind.single[place] = paint;
  }
  // A kind whose cells all have one paint of their own is painted as a kind.
  for (const { key, turns, mirrored } of division.cells) {
    const kind = changed.get(key);
    if (!kind) continue;
    const [first, ...rest] = Object.values(kind.single);
    if (!first || rest.length + 1 !== turns.length + mirrored.length) continue;
    if (!rest.every((paint) => samePaint(paint, first))) continue;
    kind.all = first;
    kind.single = {};
  }
  const paints: Record<string, KindPaints> = { ...edits.paints };
  for (const [key, { all, single }] of changed) {
    const kind = kindPaints(all, single);
    if (kind) paints[key] = kind;
  }
  return { ...edits, paints };
}

const samePaint = (a: Paint, b: Paint): boolean => a === b || nameOfPaint(a) === nameOfPaint(b);

/** Gives cells a paint. */
export const paintCells = (
  figure: Figure,
  roundId: RoundId,
  division: Division,
  refs: readonly CellRef[],
  paint: Paint,
): Figure =>
  withCellEdits(figure, roundId, (edits) =>
    withPaints(
      edits,
      division,
      shortRefs(division.cells, refs).map((ref) => [ref, paint]),
    ),
  );

/** Changes the paint of cells, each from what it has. @param start what those begin with that were given none */
export function changeCellPaint(
  figure: Figure,
  roundId: RoundId,
  division: Division,
  refs: readonly CellRef[],
  start: StartPaints,
  change: (paint: Paint) => Paint,
): Figure {
  const { merge } = roundOf(figure, roundId);
  if (!merge) return figure;
  const made = new Map<Paint, Paint>();
  const changed = (paint: Paint): Paint => {
    const known = made.get(paint) ?? change(paint);
    made.set(paint, known);
    return known;
  };
  return withCellEdits(figure, roundId, (edits) =>
    withPaints(
      edits,
      division,
      refs.map((ref) => [
        ref,
        changed(paintOfRef(edits.paints, ref) ?? start.get(kindKey(ref)) ?? merge.paint),
      ]),
    ),
  );
}

/** Colours all cells of a round by a plan; strokes stay as they are. */
export function colourCells(
  figure: Figure,
  roundId: RoundId,
  division: Division,
  plan: ColourPlan,
  work: Work,
): Figure {
  const { merge } = roundOf(figure, roundId);
  if (merge?.op !== 'divide') return figure;
  const { copies, places } = placedCells(shownCells(division, merge.cells ?? NO_CELL_EDITS, work).groups);
  const colours = coloursOfPlaces(places, plan);
  const start = startPaints(paintSources(figure, roundOf(figure, roundId)), division, work);
  return withCellEdits(figure, roundId, (edits) => {
    const paints = new Map<Paint, Map<string, Paint>>();
    const said: [string, Paint][] = [];
    copies.forEach(({ refs }, k) => {
      const fill = colours[k] ?? '#000000';
      for (const ref of refs) {
        const before = paintOfRef(edits.paints, ref) ?? start.get(kindKey(ref)) ?? merge.paint;
        const known = paints.get(before) ?? new Map<string, Paint>();
        paints.set(before, known);
        const paint = known.get(fill) ?? { ...before, fill };
        known.set(fill, paint);
        said.push([ref, paint]);
      }
    });
    return withPaints(edits, division, said);
  });
}

/** Keeps only the cells that are inside an outline; those outside are removed, those inside brought back. */
export function keepCellsInside(
  figure: Figure,
  roundId: RoundId,
  division: Division,
  outline: readonly Path[],
  work: Work,
): Figure {
  return withCellEdits(figure, roundId, (edits) => {
    const outside: string[] = [];
    for (const { loops, area, copies } of shownCells(division, edits, work).groups) {
      const own = insideOf(loops, area);
      for (const { turn, mirrored, refs } of copies) {
        const at = applyTo(turnMap(turn), mirrored ? applyTo(MIRROR, own) : own);
        if (!isInside(outline, at)) for (const ref of refs) outside.push(ref);
      }
    }
    return { ...edits, removed: shortRefs(division.cells, outside) };
  });
}

/** How far a kind lies from where another one lay. */
const away = (a: Cells, b: Cells): number => Math.abs(a.inner - b.inner) + Math.abs(a.outer - b.outer);

const countOf = ({ turns, mirrored }: Cells): number => turns.length + mirrored.length;

/** The kinds that are not what they were: new ones, and those that come more or less often, so that places in their rows are others. */
function changedKinds(before: readonly Cells[], after: readonly Cells[]): Cells[] {
  const counts = new Map(before.map((kind) => [kind.key, countOf(kind)]));
  return after.filter((kind) => counts.get(kind.key) !== countOf(kind));
}

/** The kind that lay where one lies now: itself, or of those under as many copies the nearest, of all where there is none. */
function formerKind(before: readonly Cells[], kind: Cells): Cells | undefined {
  const same = before.find(({ key }) => key === kind.key);
  if (same) return same;
  const alike = before.filter(({ depth }) => depth === kind.depth);
  const [first, ...rest] = alike.length > 0 ? alike : before;
  return rest.reduce((best, next) => (best && away(next, kind) < away(best, kind) ? next : best), first);
}

interface Directed {
  readonly ref: CellRef;
  /** In turns from 0 to 1. */
  readonly direction: number;
}

/** The cells of each kind, with the directions in which they lie. */
function directedCells(division: Division, work: Work): Map<string, Directed[]> {
  const { copies, places } = placedCells(shownCells(division, NO_CELL_EDITS, work).groups);
  const found = new Map<string, Directed[]>();
  copies.forEach(({ refs: [ref = ''] }, k) => {
    const at = places[k]?.at ?? ORIGIN;
    const known = found.get(kindKey(ref)) ?? [];
    found.set(kindKey(ref), known);
    known.push({ ref, direction: directionOf(at) });
  });
  return found;
}

/** The cell of a kind that lies most nearly in a direction. */
function nearestCell(cells: readonly Directed[], direction: number): string {
  const turned = (each: Directed): number => {
    const by = each.direction - direction;
    return Math.abs(by - Math.round(by));
  };
  const [first, ...rest] = cells;
  return rest.reduce(
    (best, next) => (turned(next) < turned(best) ? next : best),
    first ?? { ref: '', direction },
  ).ref;
}

/**
 * Gives new kinds of cells what was done to those that lay there, ring by ring, after the motif or the fold changed: paint, and that they
 * were removed. Single cells have it of the one in the nearest direction. What was fused stays a matter of its own cells.
 * @param before the division as it was when the cells were painted
 */
export function carryCells(
  figure: Figure,
  roundId: RoundId,
  before: Division,
  after: Division,
  work: Work,
): Figure {
  const changed = changedKinds(before.cells, after.cells);
  if (changed.length === 0) return figure;
  const [then, now] = [directedCells(before, work), directedCells(after, work)];
  return withCellEdits(figure, roundId, (edits) => {
    const removed = removedByKind(edits.removed);
    const [painted, gone]: [[string, Paint][], string[]] = [[], []];
    for (const kind of changed) {
      const former = formerKind(before.cells, kind);
      // What is said of a whole kind holds however often it comes.
      if (!former || edits.paints[kind.key]?.all || removed.all.has(kind.key)) continue;
      for (const { ref, direction } of now.get(kind.key) ?? []) {
        const source = nearestCell(then.get(former.key) ?? [], direction);
        const paint = paintOfRef(edits.paints, source);
        if (paint) painted.push([ref, paint]);
        if (isRemoved(removed, source)) gone.push(ref);
      }
    }
    // Places in rows that are of another length now mean other cells.
    const whole = new Set(after.cells.map(({ key }) => key));
    const others = new Set(changed.map(({ key }) => key));
    const isThere = (ref: CellRef): boolean =>
      whole.has(kindKey(ref)) && (kindKey(ref) === ref || !others.has(kindKey(ref)));
    const carried = withPaints({ ...edits, paints: keptPaints(edits.paints, isThere) }, after, painted);
    return {
      ...carried,
      removed: shortRefs(after.cells, [...edits.removed.filter(isThere), ...gone]),
    };
  });
}

/** The lines of the round's frame bound cells, or not. */
export const boundByFrame = (figure: Figure, roundId: RoundId, frame: boolean): Figure =>
  withCellEdits(figure, roundId, (edits) => ({ ...edits, frame }));

/** Forgets what was done to cells that are no longer there. */
export const forgetLostCells = (figure: Figure, roundId: RoundId, division: Division): Figure =>
  withCellEdits(figure, roundId, (edits) => keptEdits(division, edits));

/** The filled shapes of a round in all their copies, where the first copy of another one stands upright. */
export function outlineOfRound(figure: Figure, roundId: RoundId, seenFrom: string, work: Work): Path[] {
  const round = roundOf(figure, roundId);
  const back = turnMap(negateTurn(roundOf(figure, seenFrom).rule.start));
  const own = round.shapes
    .filter(({ visible, paint }) => visible && paint.fill !== null)
    .flatMap(({ form }) => pathsOfForm(form, work).filter(({ closed }) => closed));
  return copiesOf(round, work).flatMap(({ turn, transform }) =>
    (round.rule.mirror ? [false, true] : [false]).flatMap((mirrored) => {
      const map = compose(back, placementMap({ turn, transform, mirrored }));
      // Reflected outlines are walked the other way, so that they do not cancel what they lie on.
      return own.map((path) => (mirrored ? reversedPath(mapPath(path, map)) : mapPath(path, map)));
    }),
  );
}

/** Sets how far bands that pass under stay away from those over them. @throws RangeError unless it is above 0 */
export function setWeaveGap(figure: Figure, roundId: RoundId, gap: number): Figure {
  if (!(gap > 0)) throw new RangeError('A weave needs a gap above 0, or its bands would be one.');
  return withWeave(figure, roundId, (weave) => ({ ...weave, gap }));
}

/** Weaves closed bands too, or lines alone. */
export const setWeaveAreas = (figure: Figure, roundId: RoundId, areas: boolean): Figure =>
  withWeave(figure, roundId, (weave) => ({ ...weave, areas }));

/** Turns crossings the other way round, or back: by reference to a kind or to one of it. */
export const swapCrossing = (figure: Figure, roundId: RoundId, ref: CellRef): Figure =>
  withWeave(figure, roundId, (weave) => ({
    ...weave,
    swapped: weave.swapped.includes(ref)
      ? weave.swapped.filter((each) => each !== ref)
      : [...weave.swapped, ref],
  }));

const withWeave = (figure: Figure, roundId: RoundId, change: (weave: Weave) => Weave): Figure =>
  withRound(figure, roundId, (round) =>
    round.merge?.op === 'weave'
      ? { ...round, merge: { ...round.merge, weave: change(round.merge.weave ?? START_WEAVE) } }
      : round,
  );
