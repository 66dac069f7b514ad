/**
 * What of a figure takes work to draw, apart from merges of rounds.
 *
 * @example
 * const work = workFrom(results);
 * askOutlines(figure, work);
 * work.wanted();          // empty once all bands, offsets, combinations and trims of the figure are there
 */
import type { Work } from '@/core/derive';
import { type Finding, foundAt } from '@/core/finding';
import { formFinding, isSolved, pathsOfForm } from '@/core/maker';
import { areaOfShape, isLine, resolvedShapes } from './combined';
import { trimOf } from './jobs';
import type { Figure } from './model';
import { partsWithPaint } from './parts';

/** Asks for all outlines that showing a figure takes: bands, offsets, whirls, combinations, trims. */
export function askOutlines(figure: Figure, work: Work): void {
  // Lines that rounds above act on count as the bands that they are seen as.
  const acted = figure.rounds.some(({ lowerAction }) => lowerAction !== undefined);
  for (const round of figure.rounds) {
    for (const { form } of round.shapes) pathsOfForm(form, work);
    for (const shape of resolvedShapes(round, work)) {
      const trim = trimOf(round, shape);
      if (trim !== null) partsWithPaint(shape, trim, work);
      if (acted && isLine(shape)) areaOfShape(shape, work);
    }
  }
}

/**
 * Why a figure cannot be the step after another: a construction that is new in it comes to nothing (too far inward, too short, more
 * to do than a limit); null where all come to something, and while that is worked out.
 */
export function outlineFinding(before: Figure, after: Figure, work: Work): Finding | null {
  const old = new Set(before.rounds.flatMap(({ shapes }) => shapes.map(({ form }) => form)));
  for (const { id: roundId, shapes } of after.rounds)
    for (const { id: shapeId, form } of shapes) {
      const found = !old.has(form) && isSolved(form) ? formFinding(form, work) : null;
      if (found) return foundAt(found, { roundId, shapeId });
    }
  return null;
}
