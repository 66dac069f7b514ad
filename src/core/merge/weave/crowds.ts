import { add, type Point, scaleBy } from '@/core/curve';
import { DEEP, shiftTo, spansMeet } from './extents';
import { joining } from '@/core/number';
import type { Strand } from './strands';
import { shareGround, trailAround } from './trail';
import type { Crossing, Visit } from './visit';

/** Crossings of three lines or more in one point, or nearly so, whose bands have some of the plane in common. */
export interface Crowd {
  readonly at: Point;
  readonly crossings: readonly number[];
  /** Those of lines that meet in one point, where nothing is between them. */
  readonly inPoint: readonly number[];
}

/**
 * Crossings of three lines or more whose bands share ground, in one set each where some of them lie in one point or nearly so. Where they
 * lie apart each crossing has ground of its own, and turns are taken there as anywhere.
 */
export function crowdsAmong(
  strands: readonly Strand[],
  crossings: readonly Crossing[],
  isInPoint: (crossing: number) => boolean,
  halfOf: (strand: Strand) => number,
): Crowd[] {
  const byStrand = new Map<number, Visit[]>();
  for (const { visits } of crossings)
    for (const visit of visits)
      if (visit.to > visit.from) byStrand.set(visit.strand, [...(byStrand.get(visit.strand) ?? []), visit]);
  const sets = joining(crossings.length);
  /** The stretch that a strand has in a crossing, as a band of less than its width. */
  const groundOf = ({ strand, from, to }: Visit) => {
    const own = strands[strand] as Strand;
    const half = halfOf(own);
    return { trail: trailAround(own, (from + to) / 2, (to - from) / 2, half / 25), half: DEEP * half };
  };
  const acrossFrom = ({ crossing, role }: Visit): Visit =>
    (crossings[crossing] as Crossing).visits[role === 0 ? 1 : 0];
  for (const [strand, list] of byStrand)
    list.forEach((a, i) =>
      list.slice(i + 1).forEach((b) => {
        const own = strands[strand] as Strand;
        if (a.crossing === b.crossing || !spansMeet(own, [a.from, a.to], [b.from, b.to])) return;
        const shift = shiftTo(own, [a.from, a.to], [b.from, b.to]);
        const [from, to] = [Math.max(a.from, b.from + shift), Math.min(a.to, b.to + shift)];
        const { trail, half } = groundOf({ ...a, from, to });
        if (shareGround(trail, half, [groundOf(acrossFrom(a)), groundOf(acrossFrom(b))]))
          sets.join(a.crossing, b.crossing);
      }),
    );
  const groups = new Map<number, number[]>();
  crossings.forEach((_, k) => groups.set(sets.find(k), [...(groups.get(sets.find(k)) ?? []), k]));
  // Nearer than half a band's width, so that hardly anything of a band is between two that pass over it.
  const isTight = (group: readonly number[]): boolean => {
    const own = group.flatMap((k) => (crossings[k] as Crossing).visits);
    return own.some((visit, k) =>
      own
        .slice(k + 1)
        .some(
          ({ strand, along, crossing }) =>
            strand === visit.strand &&
            crossing !== visit.crossing &&
            Math.abs(along - visit.along) < halfOf(strands[strand] as Strand),
        ),
    );
  };
  return [...groups.values()]
    .filter((group) => group.length > 2 && (group.some(isInPoint) || isTight(group)))
    .map((group) => {
      const sum = group.reduce((all, k) => add(all, (crossings[k] as Crossing).at), { x: 0, y: 0 });
      return { at: scaleBy(sum, 1 / group.length), crossings: group, inPoint: group.filter(isInPoint) };
    });
}
