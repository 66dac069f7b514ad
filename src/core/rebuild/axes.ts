/**
 * What is its own reflection and does not go round: one axis, and marks on both sides of it.
 *
 * @example
 * const found = bestAxis(classes, 0.05, middle);
 * found?.units.length; // so many pairs of marks are each other's reflections
 */
import { type Affine, applyTo, distance, type Point } from '@/core/curve';
import type { Alike } from './centres';
import { matchUnder, mirrorAbout } from './match';
import type { Mark } from './mark';
import { directionFrom, type Orbit } from './orbits';
import type { Unit } from './units';

/** A line that things are reflected in: a point of it, and its direction as a share of a turn, clockwise from straight up. */
interface Axis {
  readonly at: Point;
  readonly direction: number;
}

interface Mirrored {
  /** The point of the axis that is nearest to the middle of all. */
  readonly centre: Point;
  readonly units: readonly Unit[];
  /** What is its own reflection. */
  readonly own: readonly Mark[];
  readonly alone: readonly Mark[];
  /** How much is reflected, as length. */
  readonly length: number;
}

/** Pairs that are asked of a class, and axes that are tried. */
const PAIRS = 12;
const MOST_AXES = 40;
/** More marks than this are not tried with each axis. */
const MOST_MARKS = 3000;

const mapOf = ({ at, direction }: Axis): Affine => mirrorAbout(at, direction * 2 * Math.PI);

/** The line in whose middle two points are each other's reflections. */
function between(a: Point, b: Point): Axis {
  const across = directionFrom(a, b) + 0.25;
  return { at: { x: (a.x + b.x) / 2, y: (a.y + b.y) / 2 }, direction: across % 0.5 };
}

/** Lines that things may be reflected in: upright and level through the middle, and those between marks that are alike. */
function likelyAxes(classes: readonly Alike[], middle: Point): Axis[] {
  const large = classes.flat().sort((a, b) => b.reach - a.reach);
  const pairs = classes.flatMap((alike) =>
    Array.from({ length: Math.min(PAIRS, alike.length - 1) }, (_, k) =>
      between((alike[k] as Mark).middle, (alike[k + 1] as Mark).middle),
    ),
  );
  const through = [middle, ...large.slice(0, 4).map((mark) => mark.middle)].flatMap((at) => [
    { at, direction: 0 },
    { at, direction: 0.25 },
  ]);
  return [...through, ...pairs].slice(0, MOST_AXES);
}

/** The point of an axis that is nearest to a point. */
function centreOn({ at, direction }: Axis, middle: Point): Point {
  const angle = direction * 2 * Math.PI;
  const along = { x: Math.sin(angle), y: -Math.cos(angle) };
  const reach = (middle.x - at.x) * along.x + (middle.y - at.y) * along.y;
  return { x: at.x + reach * along.x, y: at.y + reach * along.y };
}

const orbitOf = (mark: Mark, kind: number, centre: Point): Orbit => ({
  fold: 1,
  start: directionFrom(centre, mark.middle),
  slots: new Map([[0, mark]]),
  kind,
  far: 0,
});

function reflected(classes: readonly Alike[], axis: Axis, middle: Point, within: number): Mirrored {
  const map = mapOf(axis);
  const centre = centreOn(axis, middle);
  const own: Mark[] = [];
  const alone: Mark[] = [];
  const units: Unit[] = [];
  for (const alike of classes) {
    const left = new Set(alike);
    for (const mark of alike) {
      if (!left.delete(mark)) continue;
      const at = applyTo(map, mark.middle);
      const isOwn = distance(at, mark.middle) <= within && matchUnder(mark, mark, map, 2 * within) !== null;
      const other = isOwn
        ? undefined
        : [...left].find(
            (each) => distance(each.middle, at) <= within && matchUnder(mark, each, map, 2 * within),
          );
      if (isOwn) own.push(mark);
      else if (!other) alone.push(mark);
      else {
        left.delete(other);
        const marks = [mark, other].sort((a, b) => a.index - b.index);
        const orbits = [mark, other].map((each, k) => orbitOf(each, 2 * units.length + k, centre));
        units.push({ fold: 1, isMirrored: true, axis: axis.direction, orbits, marks });
      }
    }
  }
  const length = [...own, ...units.flatMap(({ marks }) => marks)].reduce((sum, mark) => sum + mark.length, 0);
  return { centre, units, own, alone, length };
}

/**
 * The axis in which most is reflected; null where two marks are not each other's reflections, as a thing alone is told by its own.
 * @param middle of all, near which the centre is put
 * @param within how far points may be from where they would be
 */
export function bestAxis(classes: readonly Alike[], within: number, middle: Point): Mirrored | null {
  if (classes.reduce((sum, { length }) => sum + length, 0) > MOST_MARKS) return null;
  let best: Mirrored | null = null;
  for (const axis of likelyAxes(classes, middle)) {
    const found = reflected(classes, axis, middle, within);
    if (found.units.length > 0 && found.length > (best?.length ?? 0)) best = found;
  }
  return best;
}
