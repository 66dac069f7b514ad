import type { Work } from '@/core/derive';
import { areOwnMirror, boundsOfPaths, type Path } from '@/core/curve';
import { isBuilt, makerOf, mapOf, partsOfForm, pathsOfForm, type ShapePaint } from '@/core/maker';
import { type Side, trimPaths } from '@/core/merge';
import type { Wedge } from '@/core/symmetry';
import type { Shape } from './model';

export interface PaintedPart extends ShapePaint {
  readonly paths: readonly Path[];
}

/** What the shapes of a round are trimmed to. */
export interface Trim {
  /** To which wedge. */
  readonly wedge: Wedge;
  /** Whether at the axis too, on whose other side the reflection is. */
  readonly axis: boolean;
}

/**
 * The side of the axis on which paths are kept where they are trimmed there: that of their middle; null for what is its own reflection, and
 * is kept whole.
 */
export function sideKept(paths: readonly Path[]): Side | null {
  if (paths.length === 0 || areOwnMirror(paths, 1e-9)) return null;
  const { left, right } = boundsOfPaths(paths);
  return left + right < 0 ? 'left' : 'right';
}

/**
 * What a shape draws: all of it in its one paint, or each part in its own where its construction says so.
 * @param trim what it is trimmed to; null leaves what reaches past the rays
 */
export const partsWithPaint = (shape: Shape, trim: Trim | null, work: Work): readonly PaintedPart[] =>
  trimmed(wholeParts(shape, work), shape, trim, work).filter(({ paths }) => paths.length > 0);

/** What a construction draws, each part by itself with its paint, in order: of stamps one after the other. */
export function partsApart(shape: Shape, trim: Trim | null, work: Work): readonly PaintedPart[] {
  const { form, paint, rule } = shape;
  const whole = wholeParts(shape, work);
  const parts = isBuilt(form) && whole.length === 1 ? partsOfForm(form, work) : [];
  const apart = parts.length > 1 ? parts.map((paths) => ({ paths, paint, rule })) : whole;
  return trimmed(apart, shape, trim, work);
}

function trimmed(
  parts: readonly PaintedPart[],
  shape: Shape,
  trim: Trim | null,
  work: Work,
): readonly PaintedPart[] {
  if (trim === null) return parts;
  const side = trim.axis ? sideKept(pathsOfForm(shape.form, work)) : null;
  return parts.map((part) => ({
    ...part,
    paths: trimPaths(part.paths, part.rule, trim.wedge, work, side),
  }));
}

function wholeParts({ form, paint, rule }: Shape, work: Work): readonly PaintedPart[] {
  const whole = [{ paths: pathsOfForm(form, work), paint, rule }];
  const painted = isBuilt(form) ? makerOf(form.kind).painted : undefined;
  if (!isBuilt(form) || !painted) return whole;
  const parts = partsOfForm(form, work);
  const paints = painted(form.params, { paint, rule }, parts.length, mapOf(form));
  return paints ? parts.map((paths, k) => ({ paths, paint, rule, ...paints[k] })) : whole;
}
