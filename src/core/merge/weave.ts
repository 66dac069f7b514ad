import { boundsOfPaths } from '../curve/bounds';
import { pieceAlong } from '../curve/cutAlong';
import type { Path } from '../curve/path';
import type { Point } from '../curve/point';
import { NO_TURN } from '../number/turn';
import { bandsOf, type BandCap, type BandJoin, type BandLook } from './band';
import { mergeNow } from './engine';
import type { MergePart, MergeShape, WovenCrossing } from './merge';
import {
  crossingsAmong,
  neighbours,
  refsOf,
  strandsOf,
  turnedCrossings,
  type Crossing,
  type Strand,
  type Visit,
} from './strands';

/** A line that is woven: its paths, and the band that it becomes. */
interface WovenLine {
  readonly paths: readonly Path[];
  readonly width: number;
  readonly cap: BandCap;
  readonly join: BandJoin;
}

export interface WeaveRequest {
  readonly fold: number;
  readonly mirror: boolean;
  readonly lines: readonly WovenLine[];
  /** How far a band that passes under stays away from the one over it, in the figure's unit. */
  readonly gap: number;
  /** Crossings that are the other way round: by reference to a kind, or to one of it. */
  readonly swapped: readonly string[];
}

export interface Woven {
  /** The parts of each line, under the turns that the weave has. */
  readonly parts: readonly (readonly MergePart[])[];
  /** How many turns leave it as it is: a mirror never does. */
  readonly fold: number;
  readonly crossings: readonly WovenCrossing[];
  /** Where more than two bands meet in one place, which cannot be woven. */
  readonly crowded: readonly Point[];
}

/**
 * Weaves bands: along each band it passes over and under others by turns. The choice is made once for each connected figure and
 * carried on along the bands; it can be made wherever two lines cross at a time, as any plane diagram of closed lines has an
 * alternating choice (Tait, "On knots", 1877).
 * @throws MergeFailed where there is too much to do
 */
export function weaveOf(request: WeaveRequest): Woven {
  const all = request.lines.flatMap(({ paths }) => paths);
  const box = boundsOfPaths(all);
  const reach = Math.max(...[box.left, box.right, box.top, box.bottom].map(Math.abs), 1e-9);
  const tolerance = 1e-9 * reach;
  const strands = strandsOf(request.lines, request.fold, request.mirror, tolerance);
  const { crossings, crowded } = crossingsAmong(strands, tolerance);
  const { visits, pairs } = neighbours(strands, crossings, tolerance);
  const turned = turnedCrossings(strands, crossings, request.fold, tolerance);
  const refs = refsOf(strands, crossings, turned);

  // Which role is over, for each crossing.
  const over = new Int8Array(crossings.length).fill(-1);
  const partners = new Map<number, (readonly [Visit, Visit])[]>();
  for (const pair of pairs)
    for (const { crossing } of pair) partners.set(crossing, [...(partners.get(crossing) ?? []), pair]);
  const isOver = ({ crossing, role }: Visit): boolean => over[crossing] === role;
  const carry = (from: number): void => {
    const queue = [from];
    for (let at = queue.shift(); at !== undefined; at = queue.shift())
      for (const [a, b] of partners.get(at) ?? []) {
        const [here, there] = a.crossing === at ? [a, b] : [b, a];
        if (over[there.crossing] !== -1) continue;
        over[there.crossing] = isOver(here) ? 1 - there.role : there.role;
        queue.push(there.crossing);
      }
  };
  crossings.forEach((_, k) => {
    if (over[k] !== -1) return;
    over[k] = 0;
    carry(k);
    // Figures that a turn makes of this one are woven as it is.
    for (let at = k, step = 1; step < request.fold; step += 1) {
      const next = turned[at];
      if (!next || next.to < 0 || over[next.to] !== -1) break;
      over[next.to] = next.exchanged ? 1 - (over[at] ?? 0) : (over[at] ?? 0);
      carry(next.to);
      at = next.to;
    }
  });
  const swapped = new Set(request.swapped);
  refs.forEach((ref, k) => {
    const kind = ref.split('@')[0] ?? ref;
    if (swapped.has(ref) !== swapped.has(kind)) over[k] = 1 - (over[k] ?? 0);
  });
  const bad = new Set(pairs.flatMap(([a, b]) => (isOver(a) === isOver(b) ? [a.crossing, b.crossing] : [])));
  const steps = stepsKept(turned, over, request.fold);
  const fold = request.fold / steps;

  // One of all crossings that the kept turns make of one another.
  const chosen = new Set<number>();
  const done = new Set<number>();
  crossings.forEach((_, k) => {
    if (done.has(k)) return;
    chosen.add(k);
    let at = k;
    for (let round = 0; round < request.fold; round += 1) {
      if (round % steps === 0) done.add(at);
      at = turned[at]?.to ?? at;
    }
  });
  const pieceOf = (visit: Visit): Path => {
    const strand = strands[visit.strand] as Strand;
    const list = visits[visit.strand] as Visit[];
    const k = list.indexOf(visit);
    const { closed } = strand.path;
    // Not quite half way, so that no corner of a symmetric line falls on the cut.
    const cut = (a: number, b: number): number => a + (b - a) * 0.48719;
    const before = list[k - 1];
    const after = list[k + 1];
    const [first, last] = [list[0] as Visit, list[list.length - 1] as Visit];
    const from = before
      ? cut(before.along, visit.along)
      : closed
        ? cut(last.along - strand.length, visit.along)
        : 0;
    const to = after
      ? cut(visit.along, after.along)
      : closed
        ? cut(visit.along, first.along + strand.length)
        : strand.length;
    return around(strand.path, strand.length, from, to);
  };
  const lookOf = (line: number, more: number, cap: BandCap): BandLook => {
    const { width, join } = request.lines[line] as WovenLine;
    return { width: width + more, side: 'middle', join, limit: 4, cap, widths: [], dashes: [] };
  };
  const shapes: MergeShape[][] = request.lines.map(() => []);
  const put = (line: number, paths: readonly Path[]): void => {
    if (paths.length > 0) shapes[line]?.push({ paths, rule: 'nonzero' });
  };
  for (const k of chosen) {
    const { visits: both } = crossings[k] as Crossing;
    const [upper, lower] = over[k] === 0 ? both : [both[1], both[0]];
    const [top, under] = [strands[upper.strand] as Strand, strands[lower.strand] as Strand];
    const [topPiece, underPiece] = [pieceOf(upper), pieceOf(lower)];
    put(top.line, bandsOf([topPiece], lookOf(top.line, 0, 'butt')));
    const clear = bandsOf([topPiece], lookOf(top.line, 2 * request.gap, 'butt'));
    put(under.line, lessOf(bandsOf([underPiece], lookOf(under.line, 0, 'butt')), clear));
  }
  strands.forEach(({ line, step, path, length }, k) => {
    if (step >= steps) return;
    const { cap, width } = request.lines[line] as WovenLine;
    // Lines that cross nothing are bands as they are.
    if ((visits[k] as Visit[]).length === 0) put(line, bandsOf([path], lookOf(line, 0, cap)));
    else if (!path.closed && cap !== 'butt') {
      const short = Math.min(width, length) / 50;
      for (const [from, to] of [
        [0, short],
        [length - short, length],
      ] as const)
        put(line, bandsOf([pieceAlong(path, from, to)], lookOf(line, 0, cap)));
    }
  });
  const parts = shapes.map((list): readonly MergePart[] => {
    if (list.length === 0) return [];
    return mergeNow({
      op: 'union',
      among: 'copies',
      quality: 'full',
      outlineOnly: true,
      operands: [{ fold, mirror: false, start: NO_TURN, shapes: list }],
    }).parts;
  });
  return {
    parts,
    fold,
    crowded,
    crossings: crossings.map(({ at }, k) => ({ ref: refs[k] ?? '', at, alternates: !bad.has(k) })),
  };
}

/** A piece of a path between lengths that may lie before its start or past its end, where it is closed. */
function around(path: Path, length: number, from: number, to: number): Path {
  if (!path.closed) return pieceAlong(path, from, to);
  const pieces: Path[] = [];
  if (from < 0)
    pieces.push(pieceAlong(path, from + length, length), pieceAlong(path, 0, Math.min(to, length)));
  else pieces.push(pieceAlong(path, from, Math.min(to, length)));
  if (to > length) pieces.push(pieceAlong(path, 0, to - length));
  return { closed: false, segments: pieces.flatMap(({ segments }) => segments) };
}

function lessOf(paths: readonly Path[], cut: readonly Path[]): Path[] {
  const alone = (list: readonly Path[]) => ({
    fold: 1,
    mirror: false,
    start: NO_TURN,
    shapes: [{ paths: list, rule: 'nonzero' as const }],
  });
  const { parts } = mergeNow({
    op: 'subtract',
    among: 'operands',
    quality: 'full',
    operands: [alone(paths), alone(cut)],
  });
  return parts.flatMap(({ loops }) => loops);
}

/** The fewest steps of turn that leave over and under as they are. */
function stepsKept(
  turned: readonly { to: number; exchanged: boolean }[],
  over: Int8Array,
  fold: number,
): number {
  for (let steps = 1; steps < fold; steps += 1) {
    if (fold % steps !== 0) continue;
    const kept = turned.every((_, k) => {
      let at = k;
      let role = over[k] ?? 0;
      for (let step = 0; step < steps; step += 1) {
        const next = turned[at];
        if (!next || next.to < 0) return false;
        if (next.exchanged) role = 1 - role;
        at = next.to;
      }
      return over[at] === role;
    });
    if (kept) return steps;
  }
  return fold;
}
