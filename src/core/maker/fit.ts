import { failed, finding, ok, type Result } from '../finding';
import type { Work } from '../derive';
import { boundsOfPaths } from '../curve/bounds';
import { MIRROR, moveMap, scaleMap, turnMap } from '../curve/affine';
import { gapBetween } from '../curve/gap';
import { areOwnMirror, mapPath, type Path } from '../curve/path';
import type { Point } from '../curve/point';
import { bisected } from '../number/solve';
import { negateTurn, turn } from '../number/turn';
import { MOST_FOLD, type TurnRule } from '../symmetry/rule';
import { halfWedge } from '../symmetry/wedge';
import { movedForm, pathsOfForm, scaledForm, widenedForm, type Form } from './form';

/** What is changed so that neighbours keep a gap. */
export type FitBy = 'size' | 'width' | 'distance' | 'fold';

/**
 * The gap between neighbouring copies of paths, in the figure's unit; negative where they overlap. Where a copy is
 * its own reflection, its neighbour is its reflection in the ray between them, and the gap is exactly twice its distance from
 * that ray, read from the exact bounds of the paths turned until the ray stands upright. Else the curves of
 * neighbours are compared with each other, and an overlap is −∞.
 */
export function neighbourGap(paths: readonly Path[], rule: Pick<TurnRule, 'fold' | 'mirror'>): number {
  if (rule.fold < 2 || paths.length === 0) return Infinity;
  if (rule.fold > 2 && (rule.mirror || areOwnMirror(paths, 1e-9))) {
    const upright = negateTurn(halfWedge(rule));
    const all = rule.mirror ? [...paths, ...paths.map((path) => mapPath(path, MIRROR))] : paths;
    return -2 * boundsOfPaths(all.map((path) => mapPath(path, turnMap(upright)))).right;
  }
  const step = turnMap(turn(1, rule.fold));
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

/**
 * The factor by which a form grows or shrinks about a point until it just touches others; null where no size does. By the
 * distance of the curves at two small gaps, as with neighbours.
 */
export function growthToTouch(form: Form, about: Point, others: readonly Form[], work: Work): number | null {
  const still = others.flatMap((other) => pathsOfForm(other, work));
  const own = pathsOfForm(form, work);
  const gapAt = (factor: number): number =>
    gapBetween(
      own.map((path) => mapPath(path, scaleMap(factor, about))),
      still,
    );
  const box = boundsOfPaths(own);
  const small = 1e-6 * Math.max(box.right - box.left, box.bottom - box.top);
  const at = (gap: number): number | null =>
    solve(
      gapAt,
      gap,
      1,
      (x) => 1.5 * x,
      (x) => x / 1.5,
    );
  const [near, nearer] = [at(2 * small), at(small)];
  return near === null || nearer === null ? null : 2 * nearer - near;
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
 * @returns the factor of the size or width, the way outward along the axis, or the fold
 */
export function fitNeighbours(
  forms: readonly Form[],
  rule: Pick<TurnRule, 'fold' | 'mirror'>,
  by: FitBy,
  gap: number,
  about: Point,
  work: Work,
): Result<number> {
  if (forms.length === 0) return failed(finding('fit.nothing'));
  if (by === 'fold') {
    const paths = forms.flatMap((form) => pathsOfForm(form, work));
    const keeps = (fold: number): boolean => neighbourGap(paths, { ...rule, fold }) >= gap;
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
  const own = forms.flatMap((form) => pathsOfForm(form, work));
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
