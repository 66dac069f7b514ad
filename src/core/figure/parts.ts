import type { Path } from '../curve/path';
import { partsOfForm, pathsOfForm } from '../maker/form';
import { stampChances } from '../maker/stamp';
import { variedPaint } from '../paint/vary';
import type { Paint } from '../scene/scene';
import type { Shape } from './model';

interface PaintedPart {
  readonly paths: readonly Path[];
  readonly paint: Paint;
}

/** What a shape draws: all of it in its one paint, or each part in its own where its colours vary. */
export function partsWithPaint({ form, paint }: Shape): readonly PaintedPart[] {
  if (form.kind !== 'stamp' || form.numbers.colours === 0) return [{ paths: pathsOfForm(form), paint }];
  const { colours, seed } = form.numbers;
  const parts = partsOfForm(form);
  return stampChances(seed, parts.length).map(({ light, hue }, k) => ({
    paths: parts[k] ?? [],
    paint: variedPaint(paint, colours * light, colours * hue),
  }));
}
