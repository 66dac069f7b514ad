import { MergeFailed } from '../merge/merge';
import { formProblem, pathsOfForm } from '../maker/form';
import { areaOfShape, resolvedShapes } from './combined';
import { isLine, trimOf } from './jobs';
import type { Figure, Round, Shape } from './model';
import { partsWithPaint } from './parts';

const isOutline = ({ form }: Shape): boolean => form.kind === 'band' || form.kind === 'offset';

const outlined = new WeakSet<Round>();

/** True where shapes of a figure are outlines that may take long to make. */
export const hasOutlines = ({ rounds }: Figure): boolean =>
  rounds.some(
    (round) =>
      round.combined !== undefined ||
      round.edge === 'trim' ||
      round.below !== undefined ||
      round.shapes.some(isOutline),
  );

/**
 * Makes all outlines that showing a figure takes: bands, offsets, combinations, trims. They are kept where they are asked for again,
 * so that after it nothing of the figure takes long to show. Merges of rounds are not among them; see `mergeJobsOf`.
 */
export function outlineFigure(figure: Figure): void {
  // Lines that rounds above act on count as the bands that they are seen as.
  const acted = figure.rounds.some(({ below }) => below !== undefined);
  for (const round of figure.rounds) {
    if (outlined.has(round) && !acted) continue;
    for (const { form } of round.shapes) pathsOfForm(form);
    const trim = trimOf(round);
    for (const shape of resolvedShapes(round)) {
      if (trim !== null) partsWithPaint(shape, trim);
      if (acted && isLine(shape)) areaOfShape(shape);
    }
    outlined.add(round);
  }
}

/**
 * Outlines a figure as the step after another. @throws MergeFailed with the reason where a band or an offset that is new in it is
 * none: too far inward, too short, more to do than a limit
 */
export function outlineStep(before: Figure, after: Figure): void {
  outlineFigure(after);
  const old = new Set(before.rounds.flatMap(({ shapes }) => shapes.map(({ form }) => form)));
  for (const shape of after.rounds.flatMap(({ shapes }) => shapes)) {
    if (!isOutline(shape) || old.has(shape.form)) continue;
    const problem = formProblem(shape.form);
    if (problem !== null) throw new MergeFailed(problem);
  }
}
