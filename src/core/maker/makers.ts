import { band } from './band';
import { barFrame } from './barFrame';
import { blade } from './blade';
import { branch } from './branch';
import type { Maker, Numbers } from './construction';
import { dial } from './dial';
import { drawing } from './drawing';
import { drop } from './drop';
import { heart } from './heart';
import { kite } from './kite';
import { knot } from './knot';
import { lattice } from './lattice';
import { nest } from './nest';
import type { Placed } from './placed';
import { offset } from './offset';
import { ray } from './ray';
import { rectangle } from './rectangle';
import { scallop } from './scallop';
import { scroll } from './scroll';
import { stamp } from './stamp';
import { star } from './star';
import { touchingRing } from './touchingRing';
import { whirl } from './whirl';

/** Every construction that is described by its fields alone; petal, polygon and ellipse have forms of their own. */
export const MAKERS = {
  ray,
  drop,
  heart,
  scallop,
  kite,
  blade,
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
  drawing,
  band,
  offset,
};

export type BuiltKind = keyof typeof MAKERS;

type NumbersOf<K extends BuiltKind> = (typeof MAKERS)[K] extends Maker<infer N, infer _S> ? N : never;

/** A construction of one kind, placed, with its numbers. */
export type BuiltForm = {
  readonly [K in BuiltKind]: Placed & { readonly kind: K; readonly numbers: NumbersOf<K> };
}[BuiltKind];

export const BUILT_KINDS = Object.keys(MAKERS) as readonly BuiltKind[];

export const isBuiltKind = (kind: string): kind is BuiltKind => kind in MAKERS;

/** The maker of a kind, its numbers unnamed: a form's kind and numbers belong together, which no type can say here. */
export const makerOf = (kind: BuiltKind): Maker<Numbers, unknown> =>
  MAKERS[kind] as unknown as Maker<Numbers, unknown>;

/** A form with other numbers of its kind. */
export const withNumbers = (form: BuiltForm, numbers: Numbers): BuiltForm =>
  ({ ...form, numbers }) as unknown as BuiltForm;
