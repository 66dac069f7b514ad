/**
 * Marks that are each other's copies about a centre.
 *
 * @example
 * const { orbits, central, alone } = orbitsAbout(centre, classes, 0.05);
 * orbits[0]?.fold; // 12: twelve marks, or a few fewer, that turns by a twelfth take to one another
 */
import { distance, type Point } from '@/core/curve';
import type { Alike } from './centres';
import { evenRows, type EvenRow } from './folds';
import { matchUnder, mirrorAbout, turnAbout, turnsBetween } from './match';
import type { Mark } from './mark';

const FULL = 2 * Math.PI;

/** Marks that are the same as they are seen from the centre. */
interface Kind {
  readonly id: number;
  readonly model: Mark;
  readonly radius: number;
  readonly members: readonly Mark[];
  /** Their directions from the centre, as shares of a full turn. */
  readonly directions: readonly number[];
}

/** Some marks of a kind that stand in even steps of a full turn. */
export interface Orbit {
  readonly fold: number;
  /** The direction of slot 0 from the centre, clockwise from straight up, as a share of a full turn. */
  readonly start: number;
  readonly slots: ReadonlyMap<number, Mark>;
  /** Orbits of one number are of the same marks. */
  readonly kind: number;
  /** How far the farthest point is from where a copy of another mark has it. */
  readonly far: number;
}

interface Orbits {
  readonly orbits: readonly Orbit[];
  /** What has its middle at the centre. */
  readonly central: readonly Mark[];
  readonly alone: readonly Mark[];
}

/** The direction of a point from another one, as a share of a full turn, clockwise from straight up. */
export const directionFrom = (centre: Point, p: Point): number =>
  (Math.atan2(p.x - centre.x, centre.y - p.y) / FULL + 1) % 1;

/** A mark seen across more than this many times its distance from the centre says how it is turned better than its middle does. */
const BROAD = 2;

/** How a mark is turned about the centre against another one of its kind, as a share of a full turn; null where it is not one. */
function turnedFrom(model: Mark, mark: Mark, centre: Point, within: number): number | null {
  const radius = distance(model.middle, centre);
  const seen = directionFrom(centre, mark.middle) - directionFrom(centre, model.middle);
  const isBroad = model.reach > BROAD * radius;
  const turns = isBroad ? turnsBetween(model, mark, within).map((angle) => angle / FULL) : [seen];
  const off = (share: number): number => Math.abs(share - seen - Math.round(share - seen));
  const slack = (4 * within) / (FULL * radius);
  const near = turns.filter((share) => off(share) <= slack).sort((a, b) => off(a) - off(b));
  const loose = within * (1 + Math.min(model.reach / radius, BROAD));
  return near.find((share) => matchUnder(model, mark, turnAbout(centre, share * FULL), loose)) ?? null;
}

/** Marks of a class in the kinds that they are about a centre. */
function kindsOf(alike: Alike, centre: Point, within: number, firstId: number): Kind[] {
  const kinds: (Omit<Kind, 'members' | 'directions'> & { members: Mark[]; directions: number[] })[] = [];
  for (const mark of alike) {
    const radius = distance(mark.middle, centre);
    let isIn = false;
    for (const kind of kinds) {
      if (Math.abs(kind.radius - radius) > 2 * within) continue;
      const turned = turnedFrom(kind.model, mark, centre, within);
      if (turned === null) continue;
      kind.members.push(mark);
      kind.directions.push(((((kind.directions[0] ?? 0) + turned) % 1) + 1) % 1);
      isIn = true;
      break;
    }
    if (!isIn)
      kinds.push({
        id: firstId + kinds.length,
        model: mark,
        radius,
        members: [mark],
        directions: [directionFrom(centre, mark.middle)],
      });
  }
  return kinds;
}

/** A row of a kind, without what turns in even steps do not take to the rest of it. */
function orbitOf(row: EvenRow, kind: Kind, centre: Point, within: number): Orbit | null {
  const [first] = row.slots;
  const model = first && kind.members[first[1]];
  if (!first || !model) return null;
  const slots = new Map<number, Mark>();
  let far = 0;
  for (const [slot, k] of row.slots) {
    const mark = kind.members[k];
    if (!mark) continue;
    const turned = turnAbout(centre, ((slot - first[0]) * FULL) / row.fold);
    const match = matchUnder(model, mark, turned, 2 * within);
    if (match) slots.set(slot, mark);
    if (match) far = Math.max(far, match.far);
  }
  if (slots.size < 2) return null;
  return { fold: row.fold, start: row.start, slots, kind: kind.id, far };
}

/**
 * What goes round a centre.
 * @param classes marks that may be copies of one another
 * @param within how far points may be from where they would be
 */
export function orbitsAbout(centre: Point, classes: readonly Alike[], within: number): Orbits {
  const central: Mark[] = [];
  const alone: Mark[] = [];
  const orbits: Orbit[] = [];
  let ids = 0;
  for (const alike of classes) {
    const around = alike.filter((mark) => {
      const isCentral = distance(mark.middle, centre) <= 2 * within;
      if (isCentral) central.push(mark);
      return !isCentral;
    });
    const kinds = kindsOf(around, centre, within, ids);
    ids += kinds.length;
    for (const kind of kinds) {
      const rows = evenRows(kind.directions, (3 * within) / (FULL * kind.radius));
      const own = rows.map((row) => orbitOf(row, kind, centre, within)).filter((orbit) => orbit !== null);
      orbits.push(...own);
      const inOrbits = new Set(own.flatMap(({ slots }) => [...slots.values()]));
      alone.push(...kind.members.filter((mark) => !inOrbits.has(mark)));
    }
  }
  return { orbits, central, alone };
}

/**
 * Which kind is the reflection of which, itself where it is, by their numbers.
 * @param within how far points may be from where they would be
 */
export function mirrorsOf(
  orbits: readonly Orbit[],
  centre: Point,
  within: number,
): ReadonlyMap<number, number> {
  const models = new Map(orbits.map(({ kind, slots }) => [kind, [...slots.values()][0] as Mark]));
  const found = new Map<number, number>();
  for (const [kind, model] of models) {
    if (found.has(kind)) continue;
    const radius = distance(model.middle, centre);
    const loose = within * (1 + Math.min(model.reach / radius, BROAD));
    const isReflection = (id: number, other: Mark): boolean => {
      if (found.has(id) || other.key !== model.key) return false;
      if (Math.abs(distance(other.middle, centre) - radius) > 2 * within) return false;
      const axis = (directionFrom(centre, model.middle) + directionFrom(centre, other.middle)) / 2;
      return matchUnder(model, other, mirrorAbout(centre, axis * FULL), loose) !== null;
    };
    const own = isReflection(kind, model) ? kind : undefined;
    const other = own ?? [...models].find(([id, each]) => isReflection(id, each))?.[0];
    if (other === undefined) continue;
    found.set(kind, other);
    found.set(other, kind);
  }
  return found;
}

/** How much of a drawing goes round, as length of its lines. */
export const turnedLength = (orbits: readonly Orbit[]): number =>
  orbits.reduce(
    (sum, { slots }) => sum + [...slots.values()].reduce((all, { length }) => all + length, 0),
    0,
  );
