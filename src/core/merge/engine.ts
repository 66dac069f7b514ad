/**
 * Merging copies of shapes: from the arrangement of their lines to outlines and cells.
 *
 * @example
 * const { paths } = mergeNow({ op: 'union', among: 'copies', operands });
 */
import { finding } from '@/core/finding';
import {
  arrange,
  type Arrangement,
  FULL_TOLERANCE,
  Inconsistent,
  type OutlinedRegion,
  outlinesOf,
  Restorer,
  TooMuchWork,
} from '@/core/arrangement';
import { mapPath, MIRROR, reversedPath, signedArea } from '@/core/curve';
import { turn, type Turn, wrapTurn } from '@/core/number';
import {
  MergeFailed,
  MergeStopped,
  type MergeControl,
  type MergeFacts,
  type MergeKind,
  type MergePart,
  type MergeRequest,
  type MergeResult,
} from './merge';
import { arrangeOperands, type Arranged } from './operands';

/** Whether a cell is kept, from how many copies of each operand cover it. */
type Predicate = (depths: readonly number[]) => boolean;

const total = (depths: readonly number[]): number => depths.reduce((sum, depth) => sum + depth, 0);
const covering = (depths: readonly number[]): number => depths.filter((depth) => depth > 0).length;

/** The operation as a predicate on the cover. */
function predicateOf(request: MergeRequest, arranged: Arranged): Predicate {
  const { operands } = request;
  if (operands.every(({ role }) => role === undefined)) return ownPredicate(request, arranged.copies);
  const own = <T>(list: readonly T[]): T[] => list.filter((_, k) => operands[k]?.role === undefined);
  const keeps = ownPredicate(request, own(arranged.copies));
  return (depths) =>
    operands.every(({ role }, k) => role === undefined || (depths[k] ?? 0) > 0 === (role === 'inside')) &&
    keeps(own(depths));
}

function ownPredicate({ op, among, times }: MergeRequest, copies: readonly number[]): Predicate {
  const count = among === 'copies' ? total : covering;
  const all = among === 'copies' ? total(copies) : copies.length;
  switch (op) {
    case 'union':
      return (depths) => total(depths) > 0;
    case 'subtract':
      return ([first = 0, ...rest]) => first > 0 && total(rest) === 0;
    case 'intersection':
      return (depths) => count(depths) === all;
    case 'exclusion':
      return (depths) => count(depths) % 2 === 1;
    case 'once':
      return (depths) => count(depths) === 1;
    case 'atLeast':
      return (depths) => count(depths) >= Math.max(1, times ?? 1);
    case 'divide':
      return () => true;
  }
}

/** A merge with the arrangement that it was read from. */
export interface Merged extends MergeResult {
  /** All kinds of bounded cells, from the centre outward. */
  readonly kinds: readonly MergeKind[];
}

class MergedArrangement implements Merged {
  private listed: readonly MergeKind[] | null = null;

  constructor(
    readonly parts: readonly MergePart[],
    readonly facts: MergeFacts,
    readonly arrangement: Arrangement,
    readonly arranged: Arranged,
    readonly depths: readonly (readonly number[])[],
    /** Of a division: which kind each part is of. */
    readonly kindOfPart: readonly number[],
  ) {}

  /** Measured when asked for: a merge that is only drawn does not need them. */
  get kinds(): readonly MergeKind[] {
    this.listed ??= this.arrangement.cellKinds().map(({ kind, size, area, inner, outer }) => ({
      size,
      area,
      inner,
      outer,
      depth: total(this.depths[kind] ?? []),
    }));
    return this.listed;
  }
}

function depthsOf(arrangement: Arrangement, arranged: Arranged, kind: number): number[] {
  const depths = arranged.copies.map(() => 0);
  arranged.members.forEach(({ operand }, member) => {
    depths[operand] = (depths[operand] ?? 0) + arrangement.depthOf(kind, member);
  });
  return depths.map((depth, operand) => depth / (arranged.coinciding[operand] ?? 1));
}

/** Turns by elements, the same lists for all regions that have the same copies. */
class TurnLists {
  private readonly lists = new Map<readonly number[], { turned: Turn[]; reflected: Turn[] }>();

  constructor(private readonly fold: number) {}

  of(copies: readonly number[]): { readonly turned: readonly Turn[]; readonly reflected: readonly Turn[] } {
    const known = this.lists.get(copies);
    if (known) return known;
    const turns = copies.map((element) => wrapTurn(turn(element % this.fold, this.fold)));
    const lists = {
      turned: turns.filter((_, k) => (copies[k] ?? 0) < this.fold),
      reflected: turns.filter((_, k) => (copies[k] ?? 0) >= this.fold),
    };
    this.lists.set(copies, lists);
    return lists;
  }
}

/** The copies of a region as turns; reflected copies are a part of their own. */
function partsOf(region: OutlinedRegion, restorer: Restorer, turns: TurnLists): MergePart[] {
  const loops = region.outlines.flatMap((outline) => restorer.paths(outline));
  const { turned, reflected } = turns.of(region.copies);
  const parts: MergePart[] = [{ turns: turned, loops }];
  if (reflected.length > 0)
    parts.push({ turns: reflected, loops: loops.map((loop) => reversedPath(mapPath(loop, MIRROR))) });
  return parts;
}

/** The figures of a result. */
export function factsOf(
  parts: readonly MergePart[],
  arrangement: Arrangement | null,
  withCells: boolean,
  milliseconds: number,
): MergeFacts {
  const segments = { line: 0, arc: 0, cubic: 0 };
  let loops = 0;
  let area = 0;
  for (const part of parts) {
    loops += part.loops.length * part.turns.length;
    area += signedArea(part.loops) * part.turns.length;
    for (const loop of part.loops)
      for (const segment of loop.segments) segments[segment.kind] += part.turns.length;
  }
  return {
    loops,
    nodes: segments.line + segments.arc + segments.cubic,
    area,
    segments,
    cells: withCells ? (arrangement?.cellCount ?? 0) : null,
    kinds: withCells ? (arrangement ? arrangement.kindCount - 1 : 0) : null,
    slivers: arrangement?.slivers ?? 0,
    milliseconds,
  };
}

/** Tolerances to try, as multiples of the asked one, should a check inside fail at one. */
const TRIES = [1, 7, 0.13, 40];

function* mergeWith(request: MergeRequest, scale: number, leaveOut: boolean): Generator<number, Merged> {
  const started = performance.now();
  const arranged = arrangeOperands(request.operands, request.op === 'divide', request.within);
  if (arranged.paths.length === 0) {
    return { parts: [], kinds: [], facts: factsOf([], null, true, performance.now() - started) };
  }
  const arrangement = yield* arrange({
    ...arranged,
    members: arranged.members.length,
    tolerance: FULL_TOLERANCE * scale,
    coveredOnly: leaveOut,
  });
  const keeps = predicateOf(request, arranged);
  const classes = new Int32Array(arrangement.kindCount).fill(-1);
  const depths = Array.from(classes, (_, kind) => depthsOf(arrangement, arranged, kind));
  depths.forEach((row, kind) => {
    if (kind !== arrangement.outside && keeps(row)) classes[kind] = request.op === 'divide' ? kind : 0;
  });
  const restorer = new Restorer(arrangement);
  const turns = new TurnLists(arranged.fold);
  const kindOfPart: number[] = [];
  const parts = outlinesOf(arrangement, classes, request.op === 'divide').flatMap((region) => {
    const found = partsOf(region, restorer, turns);
    const kind = arrangement.kindAt(region.outlines[0]?.steps[0]?.half ?? 0);
    for (const _ of found) kindOfPart.push(kind);
    return found;
  });
  yield 1;
  const facts = factsOf(parts, arrangement, !request.outlineOnly, performance.now() - started);
  return new MergedArrangement(parts, facts, arrangement, arranged, depths, kindOfPart);
}

const sentenceOf = (error: unknown): unknown =>
  error instanceof TooMuchWork ? new MergeFailed(finding('merge.crossings')) : error;

function* mergeSteps(request: MergeRequest): Generator<number, Merged> {
  if (request.outlineOnly && request.op === 'union') {
    try {
      return yield* mergeWith(request, 1, true);
    } catch (error) {
      if (!(error instanceof Inconsistent)) throw sentenceOf(error);
    }
  }
  for (const scale of TRIES) {
    try {
      return yield* mergeWith(request, scale, false);
    } catch (error) {
      if (!(error instanceof Inconsistent)) throw sentenceOf(error);
    }
  }
  throw new MergeFailed(finding('merge.failed'));
}

/** The cells of a division with the arrangement behind them. */
export interface Divided {
  readonly arranged: Arranged;
  readonly arrangement: Arrangement;
  /** From the centre outward. */
  readonly cells: readonly (MergeKind & { readonly kind: number; readonly parts: readonly MergePart[] })[];
}

/** What a division found, kind by kind; null where there was nothing to divide. */
export function divisionOf(merged: Merged): Divided | null {
  if (!(merged instanceof MergedArrangement)) return null;
  const { arrangement, arranged } = merged;
  const parts = new Map<number, MergePart[]>();
  merged.parts.forEach((part, k) => {
    const kind = merged.kindOfPart[k] ?? 0;
    parts.set(kind, [...(parts.get(kind) ?? []), part]);
  });
  const cells = arrangement.cellKinds().map(({ kind, size, area, inner, outer }) => ({
    kind,
    size,
    area,
    inner,
    outer,
    depth: total(merged.depths[kind] ?? []),
    parts: parts.get(kind) ?? [],
  }));
  return { arranged, arrangement, cells: cells.filter((cell) => cell.parts.length > 0) };
}

/**
 * The outlines of what some kinds of a division's cells are together.
 * @param keeps tells by its number whether a kind is among them
 */
export function outlinedKinds(
  { arrangement, arranged }: Divided,
  keeps: (kind: number) => boolean,
): MergePart[] {
  const classes = Int32Array.from({ length: arrangement.kindCount }, (_, kind) =>
    kind !== arrangement.outside && keeps(kind) ? 0 : -1,
  );
  const restorer = new Restorer(arrangement);
  const turns = new TurnLists(arranged.fold);
  return outlinesOf(arrangement, classes, false).flatMap((region) => partsOf(region, restorer, turns));
}

/** Merges at once. @param progress is told a share from 0 to 1 @throws MergeFailed where the work limit is reached */
export function mergeNow(request: MergeRequest, progress?: (share: number) => void): Merged {
  const steps = mergeSteps(request);
  for (;;) {
    const step = steps.next();
    if (step.done) return step.value;
    progress?.(step.value);
  }
}

/** Longest stretch of work between two breaths, in milliseconds. */
const STRETCH = 12;

/**
 * Merges with breaths in between, in which it reports, lets messages come in and can be stopped.
 * @throws MergeStopped, MergeFailed
 */
export async function merge(request: MergeRequest, control: MergeControl = {}): Promise<Merged> {
  const steps = mergeSteps(request);
  let rested = performance.now();
  for (;;) {
    const step = steps.next();
    if (step.done) return step.value;
    if (performance.now() - rested < STRETCH) continue;
    control.progress?.(step.value);
    await control.pause?.();
    if (control.stopped?.()) throw new MergeStopped();
    rested = performance.now();
  }
}
