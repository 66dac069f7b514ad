import { distance, type Point, polarOf, turnMap } from '@/core/curve';
import { turn } from '@/core/number';
import type { Crossing } from './visit';
import { pointOnStrand, type Strand } from './strands';

/** Where one step of turn takes a crossing, and whether its two roles are exchanged there; −1 where it is not found. */
export interface Turned {
  readonly to: number;
  readonly exchanged: boolean;
}

/** For each crossing, the crossing to which a turn by one step takes it. */
export function turnedCrossings(
  strands: readonly Strand[],
  crossings: readonly Crossing[],
  fold: number,
  tolerance: number,
): Turned[] {
  const map = turnMap(turn(1, fold));
  const byPlace = new Map<string, number[]>();
  const size = Math.max(2000 * tolerance, 1e-6);
  const name = (x: number, y: number): string => `${x} ${y}`;
  crossings.forEach(({ at }, k) => {
    const key = name(Math.round(at.x / size), Math.round(at.y / size));
    byPlace.set(key, [...(byPlace.get(key) ?? []), k]);
  });
  const near = (at: Point): number[] => {
    const [cx, cy] = [Math.round(at.x / size), Math.round(at.y / size)];
    const found: number[] = [];
    for (let x = cx - 1; x <= cx + 1; x += 1)
      for (let y = cy - 1; y <= cy + 1; y += 1)
        found.push(
          ...(byPlace.get(name(x, y)) ?? []).filter(
            (k) => distance((crossings[k] as Crossing).at, at) <= size,
          ),
        );
    return found;
  };
  // A strand is known by where it comes from and goes to: where bands lie along one another its direction is that of the other too.
  const arms = crossings.map(({ visits }) =>
    visits.map(({ strand, along }): Arms => {
      const own = strands[strand] as Strand;
      const far = own.length * ARM;
      return [pointOnStrand(own, along - far), pointOnStrand(own, along + far)];
    }),
  );
  const turnedPoint = ({ x, y }: Point): Point => ({ x: map.a * x + map.c * y, y: map.b * x + map.d * y });
  return crossings.map(({ at }, k) => {
    const [first, second] = (arms[k] as Arms[]).map(([p, q]): Arms => [turnedPoint(p), turnedPoint(q)]) as [
      Arms,
      Arms,
    ];
    let best: Turned = { to: -1, exchanged: false };
    let least = Infinity;
    // Several may lie in one point: the one with the same two strands is meant.
    for (const to of near(turnedPoint(at))) {
      const [a, b] = arms[to] as [Arms, Arms];
      for (const [exchanged, off] of [
        [false, apart(first, a) + apart(second, b)],
        [true, apart(first, b) + apart(second, a)],
      ] as const)
        if (off < least - tolerance) [least, best] = [off, { to, exchanged }];
    }
    return best;
  });
}

/** Points of a strand to both sides of a crossing. */
type Arms = readonly [Point, Point];

/** How far from a crossing they are, as a share of the strand's length. */
const ARM = 0.07;

/** How far two pairs of points are from one another, whichever way round. */
const apart = ([a, b]: Arms, [p, q]: Arms): number =>
  Math.min(distance(a, p) + distance(b, q), distance(a, q) + distance(b, p));

/** A name for each kind of crossings: the lines that cross and their rank from the centre outward. */
export function refsOf(
  strands: readonly Strand[],
  crossings: readonly Crossing[],
  turned: readonly Turned[],
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

/** The fewest steps of turn that leave over and under as they are. */
export function stepsKept(turned: readonly Turned[], over: readonly number[], fold: number): number {
  for (let steps = 1; steps < fold; steps += 1) {
    if (fold % steps !== 0) continue;
    const kept = turned.every((_, k) => {
      const image = turnedBy(turned, k, steps);
      const own = over[k] ?? -1;
      return image !== null && over[image.to] === (image.exchanged && own !== -1 ? 1 - own : own);
    });
    if (kept) return steps;
  }
  return fold;
}

/** Where several steps take a crossing; null where it is lost on the way. */
export function turnedBy(turned: readonly Turned[], from: number, steps: number): Turned | null {
  let at: Turned = { to: from, exchanged: false };
  for (let step = 0; step < steps; step += 1) {
    const next = turned[at.to];
    if (!next || next.to < 0) return null;
    at = { to: next.to, exchanged: at.exchanged !== next.exchanged };
  }
  return at;
}
