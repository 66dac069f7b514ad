/**
 * Weaves lines: each becomes a band that passes over and under the others by turns.
 *
 * @example
 * const { parts } = weaveOf({ fold: 6, mirror: false, lines: [{ paths: [ring], width: 2, cap: 'butt', join: 'miter' }], gap: 0.5, swapped: [] });
 */
import {
  boundsOfPaths,
  lengthOf,
  type Path,
  pieceAlong,
  type Point,
  pointAt,
  signedArea,
} from '@/core/curve';
import { NO_TURN, type Turn } from '@/core/number';
import { bandsOf, type BandCap, type BandJoin, type BandLook } from '../band';
import { mergeNow } from '../engine';
import type { MergeOperand, MergePart, MergeShape, WovenCrossing } from '../merge';
import { alikeAmong } from './alike';
import { crossingsAmong } from './crossings';
import { refsOf, stepsKept, turnedBy, turnedCrossings } from './orbits';
import { overUnder, visitsAlong } from './overUnder';
import { pieceOf, strandsOf, type Strand } from './strands';
import type { Crossing, Visit } from './visit';

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
  /** The direction of the first copy, where what cuts the weave stands in another. */
  readonly start?: Turn;
  /** What the bands are cut by, or kept inside. */
  readonly cutters?: readonly MergeOperand[];
}

export interface Woven {
  /** The parts of each line, under the turns that the weave has. */
  readonly parts: readonly (readonly MergePart[])[];
  /** How many turns leave it as it is: a mirror never does. */
  readonly fold: number;
  readonly crossings: readonly WovenCrossing[];
  /** Where bands of three lines or more overlap and no order of them alternates. */
  readonly crowded: readonly Point[];
}

/** What is left of a band between cuts is not drawn where it is smaller than this share of half the width squared. */
const CRUMB = 0.1;

/** Not quite half way, so that no corner of a symmetric line falls on a cut. */
const between = (a: number, b: number): number => a + (b - a) * 0.48719;

/** A stretch of a strand with the visits on it; all of a closed strand where nothing of it is free. */
interface Stretch {
  readonly strand: number;
  readonly path: Path;
  readonly visits: readonly Visit[];
}

/**
 * Lines as woven bands. Where a band passes under another it ends beside it. What overlaps is settled as a whole: crossings that lie
 * nearer than a band is wide, tips and shallow ones too.
 * @throws MergeFailed where there is too much to do
 */
export function weaveOf(request: WeaveRequest): Woven {
  const all = request.lines.flatMap(({ paths }) => paths);
  const box = boundsOfPaths(all);
  const reach = Math.max(...[box.left, box.right, box.top, box.bottom].map(Math.abs), 1e-9);
  const tolerance = 1e-9 * reach;
  const strands = strandsOf(request.lines, request.fold, request.mirror, tolerance);
  const halfOf = ({ line }: Strand): number => (request.lines[line]?.width ?? 0) / 2;
  const found = crossingsAmong(alikeAmong(strands, request.fold), halfOf, request.gap, tolerance);
  const { crossings } = found;
  const turned = turnedCrossings(strands, crossings, request.fold, tolerance);
  const refs = refsOf(strands, crossings, turned);
  const isSwapped = isNamed(request.swapped);
  const { over, bad, crowded } = overUnder(strands, found, turned, request.fold, tolerance, (k) =>
    isSwapped(refs[k] ?? ''),
  );
  const steps = stepsKept(turned, over, request.fold);
  const fold = request.fold / steps;

  const shapes: MergeShape[][] = request.lines.map(() => []);
  const put = (line: number, paths: readonly Path[]): void => {
    if (paths.length > 0) shapes[line]?.push({ paths, rule: 'nonzero' });
  };
  const lookOf = (line: number, more: number, cap: BandCap): BandLook => {
    const { width, join } = request.lines[line] as WovenLine;
    return { width: width + more, side: 'middle', join, limit: 4, cap, widths: [], dashes: [] };
  };
  const stretches = stretchesOf(strands, crossings);
  const stretchOf = new Map(
    stretches.flatMap((stretch) => stretch.visits.map((visit) => [visit, stretch] as const)),
  );
  const lanes = lanesOf(strands, crossings);
  /** What a band that passes over keeps free at a crossing. */
  const clearOf = (visit: Visit): Path[] => {
    const strand = strands[visit.strand] as Strand;
    const lane = lanes.get(visit);
    const piece = lane ? pieceOf(strand, ...lane) : (stretchOf.get(visit) as Stretch).path;
    return bandsOf([piece], lookOf(strand.line, 2 * request.gap, 'butt'));
  };
  const done = new Set<string>();
  const nameOf = (crossing: number, role: number): string => `${crossing}/${role}`;
  for (const { strand, path, visits } of stretches) {
    // One of all that the kept turns make of one another.
    if (visits.some(({ crossing, role }) => done.has(nameOf(crossing, role)))) continue;
    for (const { crossing, role } of visits)
      for (let step = 0; step < request.fold; step += steps) {
        const image = turnedBy(turned, crossing, step);
        if (image) done.add(nameOf(image.to, image.exchanged ? 1 - role : role));
      }
    const { line } = strands[strand] as Strand;
    const clear = visits.flatMap(({ crossing, role }): MergeShape[] => {
      const [a, b] = (crossings[crossing] as Crossing).visits;
      if (over[crossing] === -1 || over[crossing] === role) return [];
      return [{ paths: clearOf(role === 0 ? b : a), rule: 'nonzero' }];
    });
    const crumb = CRUMB * halfOf(strands[strand] as Strand) ** 2;
    put(line, lessOf(bandsOf([path], lookOf(line, 0, 'butt')), clear, crumb));
  }
  const sector = (2 * Math.PI * steps) / request.fold;
  const visited = new Set(stretches.map(({ strand }) => strand));
  strands.forEach(({ line, path, length }, k) => {
    const { cap, width } = request.lines[line] as WovenLine;
    if (!visited.has(k)) {
      // Lines that cross nothing are bands as they are.
      if (isFirst(middleOf(path), sector, tolerance)) put(line, bandsOf([path], lookOf(line, 0, cap)));
    } else if (!path.closed && cap !== 'butt') {
      const short = Math.min(width, length) / 50;
      for (const [from, to] of [
        [0, short],
        [length - short, length],
      ] as const) {
        const end = pieceAlong(path, from, to);
        if (isFirst(middleOf(end), sector, tolerance)) put(line, bandsOf([end], lookOf(line, 0, cap)));
      }
    }
  });
  const parts = shapes.map((list): readonly MergePart[] =>
    list.length === 0
      ? []
      : mergeNow({
          op: 'union',
          among: 'copies',
          outlineOnly: true,
          operands: [
            { fold, mirror: false, start: request.start ?? NO_TURN, shapes: list },
            ...(request.cutters ?? []),
          ],
        }).parts,
  );
  return {
    parts,
    fold,
    crowded,
    crossings: crossings.flatMap(({ at, isShallow }, k) =>
      over[k] === -1
        ? []
        : [{ ref: refs[k] ?? '', at, alternates: !bad.has(k), ...(isShallow && { isShallow }) }],
    ),
  };
}

/** Whether a crossing is the other way round, by its reference, where kinds and single ones of them are named. */
function isNamed(swapped: readonly string[]): (ref: string) => boolean {
  const named = new Set(swapped);
  return (ref) => named.has(ref) !== named.has(ref.split('@')[0] ?? ref);
}

/** A length along a strand as it is seen from the strand's own start. */
const home = ({ path, length }: Strand, { along }: Visit, at: number): number =>
  path.closed ? at - Math.floor(along / length) * length : at;

/**
 * Where on its strand a band that passes over keeps the other from it: as far as they overlap, but no farther than half way to where
 * the same two cross again. None for visits with nothing else near.
 */
function lanesOf(strands: readonly Strand[], crossings: readonly Crossing[]): Map<Visit, [number, number]> {
  const lanes = new Map<Visit, [number, number]>();
  visitsAlong(strands, crossings).forEach((list, k) => {
    const strand = strands[k] as Strand;
    const { length, path } = strand;
    const acrossFrom = ({ crossing, role }: Visit): number =>
      (crossings[crossing] as Crossing).visits[role === 0 ? 1 : 0].strand;
    for (const visit of list) {
      if (visit.to === visit.from) continue;
      const at = home(strand, visit, visit.along);
      // Other crossings of the same two, also once round.
      const others = list
        .filter((other) => other !== visit && acrossFrom(other) === acrossFrom(visit))
        .map((other) => home(strand, other, other.along))
        .flatMap((other) => (path.closed ? [other - length, other, other + length] : [other]));
      const before = others.filter((other) => other < at).map((other) => between(other, at));
      const after = others.filter((other) => other > at).map((other) => between(at, other));
      lanes.set(visit, [
        Math.max(home(strand, visit, visit.from) - 1.05 * visit.more, ...before),
        Math.min(home(strand, visit, visit.to) + 1.05 * visit.more, ...after),
      ]);
    }
  });
  return lanes;
}

/**
 * Shares of the way between two crossings at which a strand is cut: by the crossings themselves, which turns make of one another to the
 * last digits, so that turned pieces end where the next begin.
 */
const CUTS = [0.48719, 0.38719, 0.61281, 0.27, 0.73, 0.16, 0.84, 0.08, 0.92];

/** Strands cut between their crossings, as far from them as can be; crossings whose bands overlap along a strand stay together. */
function stretchesOf(strands: readonly Strand[], crossings: readonly Crossing[]): Stretch[] {
  return visitsAlong(strands, crossings).flatMap((list, k): Stretch[] => {
    const strand = strands[k] as Strand;
    const { length, path } = strand;
    const { closed } = path;
    if (list.length === 0) return [];
    /** Where the strand is cut after a visit; null where it is not. */
    const cuts = list.map((visit, n): number | null => {
      const next = list[n + 1] ?? (closed ? list[0] : undefined);
      if (!next) return null;
      const round = list[n + 1] ? 0 : length;
      const [from, to] = [
        home(strand, visit, visit.to + visit.more),
        home(strand, next, next.from - next.more) + round,
      ];
      const [here, there] = [home(strand, visit, visit.along), home(strand, next, next.along) + round];
      const free = CUTS.map((share) => here + share * (there - here)).find((cut) => cut > from && cut < to);
      if (to > from) return free ?? between(from, to);
      const isLoop = visit.crossing === next.crossing;
      return isLoop ? between(here, there) : null;
    });
    if (closed && cuts.every((cut) => cut === null)) return [{ strand: k, path, visits: list }];
    const stretches: Stretch[] = [];
    const begin = closed ? cuts.findIndex((cut) => cut !== null) + 1 : 0;
    let from = closed ? (cuts[begin - 1] as number) - (begin === list.length ? length : 0) : 0;
    let visits: Visit[] = [];
    for (let n = 0; n < list.length; n += 1) {
      const at = (begin + n) % list.length;
      const round = begin + n >= list.length ? length : 0;
      visits.push(list[at] as Visit);
      const cut = cuts[at];
      const to = cut === null || cut === undefined ? (n === list.length - 1 ? length : null) : cut + round;
      if (to === null) continue;
      stretches.push({ strand: k, path: pieceOf(strand, from, to), visits });
      [from, visits] = [to, []];
    }
    return stretches;
  });
}

/** Paths without what others cover, and without crumbs of less than an area that are left between these. */
function lessOf(paths: readonly Path[], cut: readonly MergeShape[], crumb: number): readonly Path[] {
  if (cut.length === 0) return paths;
  const alone = (shapes: readonly MergeShape[]) => ({ fold: 1, mirror: false, start: NO_TURN, shapes });
  const { parts } = mergeNow({
    op: 'subtract',
    among: 'operands',
    operands: [alone([{ paths, rule: 'nonzero' }]), alone(cut)],
  });
  return parts.flatMap(({ loops }) => (signedArea(loops) > crumb ? loops : []));
}

/** A point that goes with a path where it is turned. */
function middleOf({ segments }: Path): Point {
  return segments.reduce(
    (at, segment) => {
      const { x, y } = pointAt(segment, 0.5);
      return { x: at.x + x / segments.length, y: at.y + y / segments.length };
    },
    { x: 0, y: 0 },
  );
}

/** True in the first of the sectors that the turns make of one another, and at the centre, which all of them share. */
function isFirst({ x, y }: Point, sector: number, tolerance: number): boolean {
  const angle = (Math.atan2(x, -y) + 2 * Math.PI + 1e-6) % (2 * Math.PI);
  return lengthOf({ x, y }) <= tolerance || angle < sector;
}
