import { failed, finding, ok, type Result } from '@/core/finding';
import type { Work } from '@/core/derive';
import {
  areOwnMirror,
  boundsOfPaths,
  enclosesAll,
  gapBetween,
  gapOfCurves,
  mapPath,
  MIRROR,
  moveMap,
  type Path,
  type Point,
  scaleMap,
  turnMap,
} from '@/core/curve';
import { bisected, multiplyTurn, negateTurn } from '@/core/number';
import { halfWedge, isWide, MOST_FOLD, type TurnRule } from '@/core/symmetry';
import { middleOfBand, movedForm, pathsOfForm, scaledForm, widenedForm, type Form } from './form';
import { withParams } from './makers';

/** What is changed so that neighbours keep a gap. */
export type FitBy = 'size' | 'width' | 'distance' | 'fold';

/** What says how neighbours stand. */
type NeighbourRule = Pick<TurnRule, 'fold' | 'mirror' | 'sweep'>;

/**
 * The gap between neighbouring copies of paths, in the figure's unit; negative where they overlap. Where a copy is
 * its own reflection, its neighbour is its reflection in the ray between them, and the gap is exactly twice its distance from
 * that ray, read from the exact bounds of the paths turned until the ray stands upright. Else the curves of
 * neighbours are compared with each other, and an overlap is −∞.
 */
export function neighbourGap(paths: readonly Path[], rule: NeighbourRule): number {
  if (rule.fold < 2 || paths.length === 0) return Infinity;
  if (!isWide(rule) && (rule.mirror || areOwnMirror(paths, 1e-9))) {
    const upright = negateTurn(halfWedge(rule));
    const all = rule.mirror ? [...paths, ...paths.map((path) => mapPath(path, MIRROR))] : paths;
    return -2 * boundsOfPaths(all.map((path) => mapPath(path, turnMap(upright)))).right;
  }
  const step = turnMap(multiplyTurn(halfWedge(rule), 2));
  return gapBetween(
    paths,
    paths.map((path) => mapPath(path, step)),
  );
}

/**
 * The parameter at which a gap that falls as the parameter grows is just what is asked: bracketed, then halved until
 * the bracket is as narrow as doubles allow. The lower end, which keeps the gap, is what is given.
 */
function solve(
  gapAt: (x: number) => number,
  gap: number,
  start: number,
  grow: (x: number) => number,
  shrink: (x: number) => number,
): number | null {
  let [low, high] = [start, start];
  if (gapAt(start) >= gap) {
    for (let k = 0; k < 60 && gapAt(high) >= gap; k += 1) [low, high] = [high, grow(high)];
    if (gapAt(high) >= gap) return null;
  } else {
    for (let k = 0; k < 60 && gapAt(low) < gap; k += 1) [high, low] = [low, shrink(low)];
    if (gapAt(low) < gap) return null;
  }
  return bisected(gapAt, gap, low, high);
}

/** A form grown about a point; a band keeps its width, as it is its line that grows. */
export function grownForm(form: Form, factor: number, about: Point): Form {
  const grown = scaledForm(form, factor, about);
  if (form.kind !== 'band' || grown.kind !== 'band') return grown;
  const { width, widths } = form.params;
  return withParams(grown, { ...grown.params, width, widths });
}

/** What of a form grows, and how far around it its outline is: a band's line with half of its width. */
function growing(form: Form, work: Work): { readonly paths: readonly Path[]; readonly margin: number } {
  const middle = middleOfBand(form);
  return middle
    ? { paths: middle.paths, margin: middle.width / 2 }
    : { paths: pathsOfForm(form, work), margin: 0 };
}

/** Of a growth: each look goes this much farther, so that nothing small is passed over. */
const STRIDE = 1.03;
const MOST_GROWTH = 1e4;

/** The factors, 1 and more, at which a form that grows about a point touches others; null where there is none. */
export interface Growth {
  /** At which it first meets them, from outside or from within; none where it crosses them as it is. */
  readonly meets: number | null;
  /** From which on all of them are inside it, and touch it. */
  readonly encloses: number | null;
}

/**
 * How far a form grows about a point until it touches others. By the distance of the curves at two small gaps, as with neighbours.
 */
export function growthToTouch(form: Form, about: Point, others: readonly Form[], work: Work): Growth {
  const still = others.flatMap((other) => pathsOfForm(other, work));
  const { paths: own, margin } = growing(form, work);
  const at = (factor: number): Path[] => own.map((path) => mapPath(path, scaleMap(factor, about)));
  const gapAt = (factor: number): number => gapOfCurves(at(factor), still) - margin;
  const holds = (factor: number): boolean => enclosesAll(at(factor), still);
  const box = boundsOfPaths(own);
  const small = 1e-6 * Math.max(box.right - box.left, box.bottom - box.top);
  let met: [number, number] | null = null;
  let held: [number, number] | null = null;
  const isApart = gapAt(1) > 2 * small;
  const isHeld = holds(1) && isApart;
  for (let low = 1; low < MOST_GROWTH && !isHeld && !held; low *= STRIDE) {
    const high = low * STRIDE;
    if (isApart && !met && (gapAt(high) < small || holds(high))) met = [low, high];
    if (holds(high) && gapAt(high) > 2 * small) held = [low, high];
  }
  const touching = (bracket: [number, number] | null, valueAt: (factor: number) => number): number | null => {
    if (!bracket) return null;
    const [near, nearer] = [2 * small, small].map((gap) => bisected(valueAt, gap, ...bracket));
    return near === undefined || nearer === undefined ? null : Math.max(1, 2 * nearer - near);
  };
  const before = (factor: number): number => (holds(factor) ? -Infinity : gapAt(factor));
  const after = (factor: number): number => (holds(factor) ? gapAt(factor) : -Infinity);
  return {
    meets: touching(met, before),
    encloses: touching(held && [held[1], held[0]], after),
  };
}

const outward = (form: Form, by: number): Form => movedForm(form, { x: 0, y: -by });

/** A form with what was fitted put in. */
export function fittedForm(form: Form, by: FitBy, value: number, about: Point): Form {
  if (by === 'size') return scaledForm(form, value, about);
  if (by === 'width') return widenedForm(form, value) ?? form;
  return by === 'distance' ? outward(form, value) : form;
}

/**
 * Solves for the size (about a point), the width, the distance from the centre or the fold at which neighbouring copies of
 * forms keep a gap; 0 touches. On the true curves, within 1e-9 of the figure's size.
 * @param own the outlines that are seen of the forms: of what is combined what it became
 * @returns the factor of the size or width, the way outward along the axis, or the fold
 */
export function fitNeighbours(
  forms: readonly Form[],
  own: readonly Path[],
  rule: NeighbourRule,
  by: FitBy,
  gap: number,
  about: Point,
  work: Work,
): Result<number> {
  if (forms.length === 0) return failed(finding('fit.nothing'));
  if (by === 'fold') {
    const keeps = (fold: number): boolean => neighbourGap(own, { ...rule, fold }) >= gap;
    if (!keeps(3)) return failed(finding('fit.fold'));
    let [low, high] = [3, MOST_FOLD + 1];
    while (high - low > 1) {
      const middle = Math.floor((low + high) / 2);
      if (keeps(middle)) low = middle;
      else high = middle;
    }
    return ok(low);
  }
  if (rule.fold < 3) return failed(finding('fit.neighbours'));
  if (by === 'width' && !forms.every((form) => widenedForm(form, 1))) return failed(finding('fit.width'));
  const isSigned = rule.mirror || areOwnMirror(own, 1e-9);
  // Scaling and moving a form does to its paths what it does to itself.
  const fitted = (x: number): readonly Path[] => {
    if (by === 'width') return forms.flatMap((form) => pathsOfForm(widenedForm(form, x) ?? form, work));
    const map = by === 'size' ? scaleMap(x, about) : moveMap({ x: 0, y: x });
    return own.map((path) => mapPath(path, map));
  };
  const gapAt = (x: number): number => neighbourGap(fitted(x), rule);
  const reach = Math.max(
    1e-6,
    ...own.map((path) => {
      const box = boundsOfPaths([path]);
      return Math.max(-box.top, box.bottom, box.right, -box.left);
    }),
  );
  const at = (wanted: number): number | null =>
    by === 'distance'
      ? solve(
          gapAt,
          wanted,
          0,
          (x) => (x > 0 ? 2 * x : reach / 64),
          (x) => (x < 0 ? 2 * x : -reach / 64),
        )
      : solve(
          gapAt,
          wanted,
          1,
          (x) => 1.5 * x,
          (x) => x / 1.5,
        );
  // Whether curves of any sort just touch or just cross is not to be told to the last digits, but how far they are
  // apart is: touching is where two small gaps lead to.
  const small = 1e-5 * reach;
  const [near, nearer] = gap === 0 && !isSigned ? [at(2 * small), at(small)] : [null, null];
  const found = near !== null && nearer !== null ? 2 * nearer - near : at(gap);
  if (found === null) return failed(finding('fit.none', by, gap));
  return ok(by === 'distance' ? -found : found);
}
