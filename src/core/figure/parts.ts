import type { Work } from '../derive';
import type { Path } from '../curve/path';
import type { ShapePaint } from '../maker/construction';
import { isBuilt, partsOfForm, pathsOfForm } from '../maker/form';
import { makerOf } from '../maker/makers';
import { mapOf } from '../maker/placed';
import { trimPaths } from '../merge/trim';
import type { Shape } from './model';

interface PaintedPart extends ShapePaint {
  readonly paths: readonly Path[];
}

/**
 * What a shape draws: all of it in its one paint, or each part in its own where its construction says so.
 * @param trim the fold of the wedge that it is trimmed to; null leaves what reaches past the rays
 */
export function partsWithPaint(shape: Shape, trim: number | null, work: Work): readonly PaintedPart[] {
  const parts = wholeParts(shape, work);
  if (trim === null) return parts;
  return parts
    .map((part) => ({ ...part, paths: trimPaths(part.paths, part.rule, trim, work) }))
    .filter(({ paths }) => paths.length > 0);
}

function wholeParts({ form, paint, rule }: Shape, work: Work): readonly PaintedPart[] {
  const whole = [{ paths: pathsOfForm(form, work), paint, rule }];
  const painted = isBuilt(form) ? makerOf(form.kind).painted : undefined;
  if (!isBuilt(form) || !painted) return whole;
  const parts = partsOfForm(form, work);
  const paints = painted(form.params, { paint, rule }, parts.length, mapOf(form));
  return paints ? parts.map((paths, k) => ({ paths, paint, rule, ...paints[k] })) : whole;
}
