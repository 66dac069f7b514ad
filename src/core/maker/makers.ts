/**
 * All constructions, by their kinds.
 *
 * @example
 * const { name, fields } = makerOf('petal');
 */
import { band } from './band';
import { bar } from './bar';
import { barFrame } from './barFrame';
import { blade } from './blade';
import { branch } from './branch';
import type { Maker, Params } from './construction';
import { dial } from './dial';
import { drawing } from './drawing';
import { ellipse } from './ellipse';
import { drop } from './drop';
import { hand } from './hand';
import { heart } from './heart';
import { kite } from './kite';
import { knot } from './knot';
import { lattice } from './lattice';
import { nest } from './nest';
import type { Placed } from './placed';
import { offset } from './offset';
import { petal } from './petal';
import { polygon } from './polygon';
import { ray } from './ray';
import { rectangle } from './rectangle';
import { scallop } from './scallop';
import { scroll } from './scroll';
import { stamp } from './stamp';
import { star } from './star';
import { touchingRing } from './touchingRing';
import { whirl } from './whirl';
import { words } from './words';

/** Every construction; a new one is a file and a line here. */
export const MAKERS = {
  petal,
  polygon,
  ellipse,
  ray,
  drop,
  heart,
  scallop,
  kite,
  blade,
  bar,
  barFrame,
  star,
  touchingRing,
  lattice,
  dial,
  branch,
  whirl,
  scroll,
  knot,
  rectangle,
  stamp,
  nest,
  hand,
  drawing,
  band,
  offset,
  words,
};

export type BuiltKind = keyof typeof MAKERS;

type ParamsOf<K extends BuiltKind> = (typeof MAKERS)[K] extends Maker<infer N, infer _S> ? N : never;

/** A construction of one kind, placed, with its numbers. */
export type BuiltForm = {
  readonly [K in BuiltKind]: Placed & { readonly kind: K; readonly params: ParamsOf<K> };
}[BuiltKind];

export const BUILT_KINDS = Object.keys(MAKERS) as readonly BuiltKind[];

/** The maker of a kind, its params unnamed: a form's kind and params belong together, which no type can say here. */
export const makerOf = (kind: BuiltKind): Maker<Params, unknown> =>
  MAKERS[kind] as unknown as Maker<Params, unknown>;

/** A form with other params of its kind, what follows from them brought up to date. */
export const withParams = (form: BuiltForm, params: Params): BuiltForm =>
  ({ ...form, params: makerOf(form.kind).completed?.(params) ?? params }) as unknown as BuiltForm;
