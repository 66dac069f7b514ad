/**
 * What differs where all else is the same: copies that are missing, of another paint, of another form, or not where they should be.
 *
 * @example
 * const strays = straysOf(orbits, alone, centre, 0.05);
 * strays[0]; // { kind: 'moved', by: 0.3, mark, … }: a copy that is 0.3 off
 */
import { applyTo, distance, type Point } from '@/core/curve';
import { matchUnder, turnAbout } from './match';
import type { Mark } from './mark';
import type { Orbit } from './orbits';

export interface Stray {
  readonly kind: 'missing' | 'paint' | 'moved' | 'form';
  readonly orbit: Orbit;
  readonly slot: number;
  /** What stands there instead; null where nothing does. */
  readonly mark: Mark | null;
  /** How far it is from where it should be: its farthest point where it has the same form, else its middle. */
  readonly by: number;
  /** Where the middle of the copy should be. */
  readonly at: Point;
}

/** What stands within so many parts of a copy's size of its place stands for it. */
const NEAR = 0.5;
/** Lines of a copy of another form are as long but for so much. */
const AS_LONG = 0.3;

function strayAt(orbit: Orbit, slot: number, alone: ReadonlySet<Mark>, centre: Point, within: number): Stray {
  const [known, model] = [...orbit.slots][0] as [number, Mark];
  const turned = turnAbout(centre, ((slot - known) * 2 * Math.PI) / orbit.fold);
  const at = applyTo(turned, model.middle);
  const near = [...alone]
    .filter(({ middle }) => distance(middle, at) <= NEAR * model.reach + 2 * within)
    .sort((a, b) => distance(a.middle, at) - distance(b.middle, at));
  const base = { orbit, slot, at };
  for (const mark of near) {
    if (mark.formKey !== model.formKey) continue;
    // A reach away: whatever has as many nodes and is hardly moved or bent.
    const match = matchUnder(model, mark, turned, NEAR * model.reach);
    if (!match) continue;
    const isThere = match.far <= 2 * within;
    return { ...base, kind: isThere ? 'paint' : 'moved', mark, by: match.far };
  }
  const other = near.find(
    ({ length, key, formKey }) =>
      Math.abs(length - model.length) <= AS_LONG * model.length &&
      key.slice(formKey.length) === model.key.slice(model.formKey.length),
  );
  return other
    ? { ...base, kind: 'form', mark: other, by: distance(other.middle, at) }
    : { ...base, kind: 'missing', mark: null, by: 0 };
}

/**
 * What is not as the others, for each slot that stands empty.
 * @param alone marks that go round with nothing; each stands for one slot at most
 */
export function straysOf(
  orbits: readonly Orbit[],
  alone: readonly Mark[],
  centre: Point,
  within: number,
): Stray[] {
  const left = new Set(alone);
  return orbits.flatMap((orbit) =>
    Array.from({ length: orbit.fold }, (_, slot) => slot)
      .filter((slot) => !orbit.slots.has(slot))
      .map((slot) => {
        const stray = strayAt(orbit, slot, left, centre, within);
        if (stray.mark) left.delete(stray.mark);
        return stray;
      }),
  );
}
