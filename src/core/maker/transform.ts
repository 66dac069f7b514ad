import { finding, type Finding } from '@/core/finding';
import {
  type Affine,
  applyTo,
  areOwnMirror,
  compose,
  mapPath,
  MIRROR,
  moveMap,
  type Point,
  turnMap,
} from '@/core/curve';
import type { Work } from '@/core/derive';
import { addTurns, degreesOf, multiplyTurn, negateTurn, turn, type Turn } from '@/core/number';
import {
  formOfPaths,
  movedForm,
  pathsOfForm,
  plainForms,
  scaledForm,
  stretchedForm,
  type Form,
} from './form';

/** A change of place, direction, size or form by numbers. Turns are clockwise; y runs down. */
export type Transform =
  | { readonly kind: 'move'; readonly by: Point }
  | { readonly kind: 'rotate'; readonly by: Turn; readonly about: Point }
  | { readonly kind: 'scale'; readonly x: number; readonly y: number; readonly about: Point }
  /** What stands upright leans by the turn to the right; `about` stays. */
  | { readonly kind: 'shear'; readonly by: Turn; readonly about: Point }
  /** Reflection in the line through a point in a direction, a turn from straight up. */
  | { readonly kind: 'reflect'; readonly direction: Turn; readonly about: Point };

const aboutPoint = (m: Affine, { x, y }: Point): Affine =>
  compose(moveMap({ x, y }), compose(m, moveMap({ x: -x, y: -y })));

/** Why a transform cannot be made, or null where it can. */
export function transformProblem(t: Transform): Finding | null {
  if (t.kind === 'scale' && !(t.x !== 0 && t.y !== 0)) return finding('transform.scale');
  if (t.kind === 'shear' && Math.abs(degreesOf(t.by)) >= 90) return finding('transform.shear');
  return null;
}

/** The affine map of a transform. */
export function transformMap(t: Transform): Affine {
  switch (t.kind) {
    case 'move':
      return moveMap(t.by);
    case 'rotate':
      return aboutPoint(turnMap(t.by), t.about);
    case 'scale':
      return aboutPoint({ a: t.x, b: 0, c: 0, d: t.y, e: 0, f: 0 }, t.about);
    case 'shear':
      return aboutPoint(
        { a: 1, b: 0, c: -Math.tan((degreesOf(t.by) * Math.PI) / 180), d: 1, e: 0, f: 0 },
        t.about,
      );
    case 'reflect':
      return aboutPoint(compose(turnMap(multiplyTurn(t.direction, 2)), MIRROR), t.about);
  }
}

/** A path form, or what a maker draws, under any map: circles stay arcs under maps that keep them. */
const plainUnder = (form: Form, m: Affine, work: Work): Form[] =>
  plainForms(form, work).map((plain) =>
    formOfPaths(pathsOfForm(plain, work).map((path) => mapPath(path, m))),
  );

/**
 * A form under a transform. Makers stay makers when they are moved, turned or scaled evenly, when there is one of their kind that is so much
 * wider and higher, and when one that is its own reflection is reflected; else they become plain paths, one for each of theirs.
 */
export function transformedForms(form: Form, t: Transform, work: Work): Form[] {
  if (t.kind === 'move') return [movedForm(form, t.by)];
  if (form.kind !== 'path') {
    if (t.kind === 'rotate')
      return [{ ...form, at: applyTo(transformMap(t), form.at), rotation: addTurns(form.rotation, t.by) }];
    if (t.kind === 'scale' && t.x === t.y && t.x > 0) return [scaledForm(form, t.x, t.about)];
    if (t.kind === 'scale' && t.x > 0 && t.y > 0) {
      const stretched = stretchedForm(form, t.x, t.y, t.about);
      if (stretched) return [stretched];
    }
    if (t.kind === 'reflect') {
      const upright = { ...form, at: { x: 0, y: 0 }, rotation: turn(0) };
      if (areOwnMirror(pathsOfForm(upright, work), 1e-9)) {
        const rotation = addTurns(multiplyTurn(t.direction, 2), negateTurn(form.rotation));
        return [{ ...form, at: applyTo(transformMap(t), form.at), rotation }];
      }
    }
  } else if (t.kind === 'scale' && t.x === t.y && t.x > 0) return [scaledForm(form, t.x, t.about)];
  return plainUnder(form, transformMap(t), work);
}

/** What a step angle does when it is repeated. */
export interface StepClosure {
  /** After how many copies the last meets the first, and how often it has gone round by then. */
  readonly copies: number;
  readonly rounds: number;
  /** How many fit into one turn, and the degrees that are left over. */
  readonly fit: number;
  readonly left: number;
}

/** A step of p/q of a turn closes after q copies and p turns (common practice: 360° divided by the step). */
export function closureOf(step: Turn): StepClosure | null {
  const size = Math.abs(step.num);
  if (size === 0) return null;
  const fit = Math.floor(step.den / size);
  return { copies: step.den, rounds: size, fit, left: degreesOf(turn(step.den - fit * size, step.den)) };
}
