import type { Path } from '../curve/path';
import type { Work } from '../derive';
import { pathsOfContours } from '../curve/contours';
import { placedParts } from '../maker/drawing';
import { partsOfForm, pathsOfForm } from '../maker/form';
import { mapOf, placePath } from '../maker/placed';
import { placedPaint } from '../paint/gradient';
import { stampChances } from '../maker/stamp';
import { variedPaint } from '../paint/vary';
import { trimPaths } from '../merge/trim';
import type { FillRule, Paint } from '../scene/scene';
import type { Shape } from './model';

interface PaintedPart {
  readonly paths: readonly Path[];
  readonly paint: Paint;
  readonly rule: FillRule;
}

/**
 * What a shape draws: all of it in its one paint, or each part in its own where its colours vary.
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
  if (form.kind === 'drawing')
    return placedParts(form.numbers).map((part) => ({
      paint: placedPaint(part.paint, mapOf(form)),
      rule: part.rule,
      paths: pathsOfContours(part.contours).map((path) => placePath(form, path)),
    }));
  if (form.kind !== 'stamp' || form.numbers.colours === 0)
    return [{ paths: pathsOfForm(form, work), paint, rule }];
  const { colours, seed } = form.numbers;
  const parts = partsOfForm(form, work);
  return stampChances(seed, parts.length).map(({ light, hue }, k) => ({
    paths: parts[k] ?? [],
    rule,
    paint: variedPaint(paint, colours * light, colours * hue),
  }));
}
