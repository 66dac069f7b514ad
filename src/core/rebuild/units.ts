/**
 * What goes round together as one part of a motif: the marks of an orbit, or of two that are each other's reflections.
 *
 * @example
 * const units = unitsOf(orbits, 0.05, centre);
 * units[0]?.axis; // the direction of an axis in which the part is reflected, as a share of a full turn; null without one
 */
import { distance, type Point } from '@/core/curve';
import type { Mark } from './mark';
import { mirrorsOf, type Orbit } from './orbits';

export interface Unit {
  readonly fold: number;
  /** Drawn again, reflected, by every copy. */
  readonly isMirrored: boolean;
  /** Of the part and its reflection, or of a part that is its own reflection; a half step on there is another one. */
  readonly axis: number | null;
  /** One, or two that are each other's reflections. */
  readonly orbits: readonly Orbit[];
  /** Back to front. */
  readonly marks: readonly Mark[];
}

/** How far one share of a turn is from another one, where so many steps make a turn. */
export function apart(a: number, b: number, steps: number): number {
  const off = (a - b) * steps;
  return Math.abs(off - Math.round(off)) / steps;
}

const marksOfOrbit = ({ slots }: Orbit): Mark[] => [...slots.values()];

function unitOf(orbits: readonly Orbit[], axis: number | null): Unit {
  const marks = orbits.flatMap(marksOfOrbit).sort((a, b) => a.index - b.index);
  return { fold: orbits[0]?.fold ?? 1, isMirrored: orbits.length > 1, axis, orbits, marks };
}

/** Where the marks of an orbit stand against an axis, to one side of it: the axis of each copy is the one that is nearest. */
function asideOf({ start, fold }: Orbit, axis: number): number {
  const off = start - axis;
  return off - Math.round(off * fold) / fold;
}

/** How many copies of a mirrored round would lack one of two orbits, or both. */
function lacking(a: Orbit, b: Orbit, axis: number): number {
  const aside = asideOf(a, axis);
  const facing = (slot: number): number => {
    const direction = a.start + slot / a.fold - 2 * aside;
    return ((Math.round((direction - b.start) * b.fold) % b.fold) + b.fold) % b.fold;
  };
  const slots = Array.from({ length: a.fold }, (_, slot) => slot);
  return slots.filter((slot) => !a.slots.has(slot) || !b.slots.has(facing(slot))).length;
}

/** What about an orbit is its reflection, and in which axis; an axis that others have is taken before one that none has. */
function mirrorOf(
  orbit: Orbit,
  mirror: number | undefined,
  others: readonly Orbit[],
  axes: readonly number[],
  slack: number,
): { readonly other: Orbit; readonly axis: number } | null {
  const isKnown = (axis: number): boolean => axes.some((each) => apart(each, axis, 2 * orbit.fold) <= slack);
  const found = others
    .filter((each) => each.fold === orbit.fold && each.kind === mirror)
    // Half a step on there is another axis.
    .flatMap((other) =>
      [0, 1].map((half) => ({ other, axis: (orbit.start + other.start + half / orbit.fold) / 2 })),
    )
    .map(({ other, axis }) => ({
      other,
      axis,
      cost: lacking(orbit, other, axis) + (isKnown(axis) ? 0 : orbit.fold),
    }))
    .sort((a, b) => a.cost - b.cost);
  const [best] = found;
  // Where half of the copies are lacking, these are no reflections of each other.
  return best && 2 * lacking(orbit, best.other, best.axis) < orbit.fold ? best : null;
}

/**
 * Orbits as units, whole ones and those of many marks first.
 * @param within how far points may be from where they would be
 */
export function unitsOf(orbits: readonly Orbit[], within: number, centre: Point): Unit[] {
  const mirrors = mirrorsOf(orbits, centre, within);
  const left = new Set(orbits);
  const axes = new Map<number, number[]>();
  const units: Unit[] = [];
  // What has one reflection alone says where the axes are.
  const choices = (orbit: Orbit): number =>
    orbits.filter((each) => each.kind === mirrors.get(orbit.kind) && each.fold === orbit.fold).length;
  const order = [...orbits].sort((a, b) => choices(a) - choices(b));
  for (const orbit of order) {
    if (!left.delete(orbit)) continue;
    const [mark] = marksOfOrbit(orbit);
    const slack = mark ? (4 * within) / (2 * Math.PI * Math.max(distance(mark.middle, centre), within)) : 0;
    const known = axes.get(orbit.fold) ?? [];
    const found = mirrorOf(orbit, mirrors.get(orbit.kind), [...left], known, slack);
    const own = mirrors.get(orbit.kind) === orbit.kind ? orbit.start : null;
    if (found) left.delete(found.other);
    const axis = found?.axis ?? own;
    if (axis !== null) axes.set(orbit.fold, [...known, axis]);
    units.push(unitOf(found ? [orbit, found.other] : [orbit], axis));
  }
  return units.sort((a, b) => (a.marks[0]?.index ?? 0) - (b.marks[0]?.index ?? 0));
}
