import type { Path } from '../curve/path';
import { partsOfForm, pathsOfForm } from '../maker/form';
import { stampChances } from '../maker/stamp';
import { variedPaint } from '../paint/vary';
import { trimPaths } from '../merge/trim';
import type { Paint } from '../scene/scene';
import type { Shape } from './model';

interface PaintedPart {
  readonly paths: readonly Path[];
  readonly paint: Paint;
}

/**
 * What a shape draws: all of it in its one paint, or each part in its own where its colours vary.
 * @param trim the fold of the wedge that it is trimmed to; null leaves what reaches past the rays
 */
export function partsWithPaint(shape: Shape, trim: number | null = null): readonly PaintedPart[] {
  const parts = wholeParts(shape);
  if (trim === null) return parts;
  return parts
    .map(({ paths, paint }) => ({ paint, paths: trimPaths(paths, shape.rule, trim) }))
    .filter(({ paths }) => paths.length > 0);
}

function wholeParts({ form, paint }: Shape): readonly PaintedPart[] {
  if (form.kind !== 'stamp' || form.numbers.colours === 0) return [{ paths: pathsOfForm(form), paint }];
  const { colours, seed } = form.numbers;
  const parts = partsOfForm(form);
  return stampChances(seed, parts.length).map(({ light, hue }, k) => ({
    paths: parts[k] ?? [],
    paint: variedPaint(paint, colours * light, colours * hue),
  }));
}
