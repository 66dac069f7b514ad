import { finding } from '../finding';
import { compose, MIRROR, turnMap } from '../curve/affine';
import { boundsOfPaths, type Bounds } from '../curve/bounds';
import { crossingsOf } from '../curve/crossings';
import { arcLength } from '../curve/length';
import { directionAt } from '../curve/parallel';
import { partOf } from '../curve/part';
import { mapPath, reversedPath, samePath, type Path } from '../curve/path';
import { cross, distance, polarOf, type Point } from '../curve/point';
import { pointAt } from '../curve/segment';
import { turn } from '../number/turn';
import { MergeFailed } from './merge';

/** One line as it stands in the whole. */
export interface Strand {
  readonly line: number;
  /** Which turn of the fold it stands in. */
  readonly step: number;
  readonly path: Path;
  readonly box: Bounds;
  readonly length: number;
  /** Lengths at which its segments begin. */
  readonly starts: readonly number[];
}

/** A strand coming through a crossing. */
export interface Visit {
  readonly strand: number;
  /** From the strand's start. */
  readonly along: number;
  readonly crossing: number;
  readonly role: 0 | 1;
}

export interface Crossing {
  readonly at: Point;
  readonly visits: [Visit, Visit];
}

const MOST_STRANDS = 800;
/** The sine of the least angle at which lines cross; below it they touch. */
const LEAST_SINE = 1e-3;

const overlap = (a: Bounds, b: Bounds, by: number): boolean =>
  a.left <= b.right + by && b.left <= a.right + by && a.top <= b.bottom + by && b.top <= a.bottom + by;

/** All lines in all turns and reflections, each that comes to lie on another once. */
export function strandsOf(
  lines: readonly { readonly paths: readonly Path[] }[],
  fold: number,
  mirror: boolean,
  tolerance: number,
): Strand[] {
  const strands: Strand[] = [];
  lines.forEach(({ paths }, line) => {
    const maps = Array.from({ length: fold }, (_, step) => ({
      step,
      map: turnMap(turn(step, fold)),
    })).flatMap(({ step, map }) =>
      mirror
        ? [
            { step, map },
            { step, map: compose(map, MIRROR) },
          ]
        : [{ step, map }],
    );
    const first = strands.length;
    for (const { step, map } of maps)
      for (const path of paths) {
        const image = mapPath(path, map);
        const box = boundsOfPaths([image]);
        const same = strands
          .slice(first)
          .some(
            (other) =>
              Math.abs(other.box.left - box.left) <= 8 * tolerance &&
              Math.abs(other.box.top - box.top) <= 8 * tolerance &&
              sameLine(other.path, image, tolerance),
          );
        if (same) continue;
        if (strands.length >= MOST_STRANDS) throw new MergeFailed(finding('weave.lines', MOST_STRANDS));
        let length = 0;
        const starts = image.segments.map((segment) => (length += arcLength(segment)) - arcLength(segment));
        strands.push({ line, step, path: image, box, length, starts });
      }
  });
  return strands;
}

/** True where two paths lie on one another, whichever way they run and wherever they begin. */
function sameLine(a: Path, b: Path, tolerance: number): boolean {
  return (
    samePath(a, b, tolerance) || samePath(a, reversedPath(b), tolerance) || areSameCircle(a, b, tolerance)
  );
}

function areSameCircle(a: Path, b: Path, tolerance: number): boolean {
  const [p, q] = [a.segments[0], b.segments[0]];
  const whole = ({ closed, segments }: Path): boolean =>
    closed &&
    segments.every(
      (segment) =>
        segment.kind === 'arc' &&
        segments[0]?.kind === 'arc' &&
        distance(segment.centre, segments[0].centre) <= tolerance,
    );
  return (
    p?.kind === 'arc' &&
    q?.kind === 'arc' &&
    whole(a) &&
    whole(b) &&
    distance(p.centre, q.centre) <= tolerance &&
    Math.abs(p.radius - q.radius) <= tolerance
  );
}

/** Where strands cross one another and themselves, each place once. */
export function crossingsAmong(
  strands: readonly Strand[],
  tolerance: number,
): { crossings: Crossing[]; crowded: Point[] } {
  const found: { at: Point; visits: Omit<Visit, 'crossing' | 'role'>[] }[] = [];
  const cells = new Map<string, number[]>();
  const size = Math.max(tolerance * 1000, 1e-6);
  const near = (at: Point): number | undefined => {
    const [cx, cy] = [Math.round(at.x / size), Math.round(at.y / size)];
    for (let x = cx - 1; x <= cx + 1; x += 1)
      for (let y = cy - 1; y <= cy + 1; y += 1)
        for (const k of cells.get(`${x} ${y}`) ?? [])
          if (distance((found[k] as { at: Point }).at, at) <= 100 * tolerance) return k;
    return undefined;
  };
  const put = (at: Point, visits: Omit<Visit, 'crossing' | 'role'>[]): void => {
    const known = near(at);
    const place = known === undefined ? { at, visits: [] } : (found[known] as (typeof found)[number]);
    if (known === undefined) {
      const name = `${Math.round(at.x / size)} ${Math.round(at.y / size)}`;
      cells.set(name, [...(cells.get(name) ?? []), found.push(place) - 1]);
    }
    for (const visit of visits) {
      const strand = strands[visit.strand] as Strand;
      const had = place.visits.some(({ strand: other, along }) => {
        const apart = Math.abs(along - visit.along);
        const round = strand.path.closed ? Math.min(apart, strand.length - apart) : apart;
        return other === visit.strand && round <= 1000 * tolerance;
      });
      if (!had) place.visits.push(visit);
    }
  };
  for (let a = 0; a < strands.length; a += 1)
    for (let b = a; b < strands.length; b += 1) {
      const [p, q] = [strands[a] as Strand, strands[b] as Strand];
      if (!overlap(p.box, q.box, tolerance)) continue;
      p.path.segments.forEach((s, i) =>
        q.path.segments.forEach((t, j) => {
          if (a === b && j <= i) return;
          for (const { s: u, t: v } of crossingsOf(s, t)) {
            const sine = Math.abs(cross(directionAt(s, u), directionAt(t, v)));
            if (sine < LEAST_SINE) continue;
            put(pointAt(s, u), [
              { strand: a, along: (p.starts[i] ?? 0) + arcLength(partOf(s, 0, u)) },
              { strand: b, along: (q.starts[j] ?? 0) + arcLength(partOf(t, 0, v)) },
            ]);
          }
        }),
      );
    }
  const crossings: Crossing[] = [];
  const crowded: Point[] = [];
  for (const { at, visits } of found) {
    const [first, second, third] = visits;
    if (!first || !second) continue;
    if (third) {
      crowded.push(at);
      continue;
    }
    // Where lines end on one another they do not pass.
    const ends = [first, second].some(({ strand, along }) => {
      const { path, length } = strands[strand] as Strand;
      return !path.closed && (along <= 1000 * tolerance || along >= length - 1000 * tolerance);
    });
    if (ends) continue;
    const crossing = crossings.length;
    crossings.push({
      at,
      visits: [
        { ...first, crossing, role: 0 },
        { ...second, crossing, role: 1 },
      ],
    });
  }
  return { crossings, crowded };
}

/** The visits of each strand in order, and which follow one another, also over the ends of open strands that meet. */
export function neighbours(
  strands: readonly Strand[],
  crossings: readonly Crossing[],
  tolerance: number,
): { visits: Visit[][]; pairs: (readonly [Visit, Visit])[] } {
  const visits: Visit[][] = strands.map(() => []);
  for (const crossing of crossings)
    for (const visit of crossing.visits) (visits[visit.strand] as Visit[]).push(visit);
  for (const list of visits) list.sort((a, b) => a.along - b.along);
  const pairs: (readonly [Visit, Visit])[] = [];
  visits.forEach((list, k) => {
    list.slice(1).forEach((visit, j) => pairs.push([list[j] as Visit, visit]));
    const [first] = list;
    const last = list[list.length - 1];
    if ((strands[k] as Strand).path.closed && first && last && list.length > 1) pairs.push([last, first]);
  });
  const ends = strands.flatMap(({ path }, k) => {
    const list = visits[k] as Visit[];
    const [first] = path.segments;
    const last = path.segments[path.segments.length - 1];
    if (path.closed || !first || !last) return [];
    return [
      { strand: k, at: first.from, visit: list[0] },
      { strand: k, at: last.to, visit: list[list.length - 1] },
    ];
  });
  ends.forEach((end, a) => {
    const met = ends.filter((other, b) => a !== b && distance(other.at, end.at) <= 100 * tolerance);
    const [other] = met;
    if (met.length !== 1 || !other?.visit || !end.visit) return;
    if (a < ends.indexOf(other)) pairs.push([end.visit, other.visit]);
  });
  return { visits, pairs };
}

/** For each crossing, the crossing to which a turn by one step takes it, and whether that exchanges its two roles. */
export function turnedCrossings(
  strands: readonly Strand[],
  crossings: readonly Crossing[],
  fold: number,
  tolerance: number,
): { to: number; exchanged: boolean }[] {
  const map = turnMap(turn(1, fold));
  const byPlace = new Map<string, number[]>();
  const size = Math.max(2000 * tolerance, 1e-6);
  const name = (x: number, y: number): string => `${x} ${y}`;
  crossings.forEach(({ at }, k) => {
    const key = name(Math.round(at.x / size), Math.round(at.y / size));
    byPlace.set(key, [...(byPlace.get(key) ?? []), k]);
  });
  const find = (at: Point): number => {
    const [cx, cy] = [Math.round(at.x / size), Math.round(at.y / size)];
    for (let x = cx - 1; x <= cx + 1; x += 1)
      for (let y = cy - 1; y <= cy + 1; y += 1)
        for (const k of byPlace.get(name(x, y)) ?? [])
          if (distance((crossings[k] as Crossing).at, at) <= size) return k;
    return -1;
  };
  const directionOf = ({ strand, along }: Visit): Point => {
    const { path, starts } = strands[strand] as Strand;
    let k = starts.length - 1;
    while (k > 0 && (starts[k] ?? 0) > along) k -= 1;
    const segment = path.segments[k];
    if (!segment) return { x: 1, y: 0 };
    const whole = arcLength(segment);
    return directionAt(segment, whole > 0 ? Math.min(1, (along - (starts[k] ?? 0)) / whole) : 0);
  };
  return crossings.map(({ at, visits }) => {
    const turned = { x: map.a * at.x + map.c * at.y, y: map.b * at.x + map.d * at.y };
    const to = find(turned);
    const other = crossings[to];
    if (!other) return { to: -1, exchanged: false };
    const [mine, first, second] = [visits[0], other.visits[0], other.visits[1]].map(directionOf) as [
      Point,
      Point,
      Point,
    ];
    const way = { x: map.a * mine.x + map.c * mine.y, y: map.b * mine.x + map.d * mine.y };
    return { to, exchanged: Math.abs(cross(way, first)) > Math.abs(cross(way, second)) };
  });
}

/** A name for each kind of crossings: the lines that cross and their rank from the centre outward. */
export function refsOf(
  strands: readonly Strand[],
  crossings: readonly Crossing[],
  turned: readonly { to: number }[],
): string[] {
  const kinds: number[][] = [];
  const seen = new Set<number>();
  crossings.forEach((_, k) => {
    if (seen.has(k)) return;
    const kind: number[] = [];
    for (let at = k; at >= 0 && !seen.has(at); at = turned[at]?.to ?? -1) {
      seen.add(at);
      kind.push(at);
    }
    kinds.push(kind);
  });
  const lines = (kind: readonly number[]): string =>
    (crossings[kind[0] ?? 0] as Crossing).visits
      .map(({ strand }) => (strands[strand] as Strand).line)
      .sort((a, b) => a - b)
      .join('-');
  const place = (k: number): { r: number; degrees: number } => polarOf((crossings[k] as Crossing).at);
  const ordered = kinds
    .map((kind) => [...kind].sort((a, b) => turnFrom(place(a).degrees) - turnFrom(place(b).degrees)))
    .sort((a, b) => {
      const [p, q] = [place(a[0] ?? 0), place(b[0] ?? 0)];
      return Math.abs(p.r - q.r) > 1e-6 * (p.r + q.r) ? p.r - q.r : p.degrees - q.degrees;
    });
  const ranks = new Map<string, number>();
  const refs = crossings.map(() => '');
  for (const kind of ordered) {
    const pair = lines(kind);
    const rank = ranks.get(pair) ?? 0;
    ranks.set(pair, rank + 1);
    kind.forEach((k, j) => (refs[k] = `${pair}.${rank}@${j}`));
  }
  return refs;
}

/** Degrees from a little before the axis, so that rounding does not move what is on it to the end of the row. */
const turnFrom = (degrees: number): number => (degrees + 360 + 1e-6) % 360;
