import type { Work } from '@/core/derive';
import { areOwnMirror, type Contour, ORIGIN, withReflection } from '@/core/curve';
import { pathsOfForm, transformedForms, withReflectedHand } from '@/core/maker';
import { NO_TURN } from '@/core/number';
import type { Figure, Shape, RoundId } from '../model';
import { roundOf, withRound } from './rounds';

/** Begins half a motif: one side of the axis is drawn, the other is its live reflection. */
export const startHalf = (figure: Figure, roundId: RoundId): Figure =>
  withRound(figure, roundId, (round) =>
    round.half
      ? round
      : {
          ...round,
          half: round.rule.mirror ? 'mirrored' : 'turned',
          rule: { ...round.rule, mirror: true },
        },
  );

/** A path whose open contours that end on the axis are joined to their reflections, or a stroke by hand; null where none ends there. */
function joinedHalf(shape: Shape, near: number): Shape | null {
  if (shape.form.kind === 'hand') {
    const form = withReflectedHand(shape.form, near);
    return form && { ...shape, form };
  }
  if (shape.form.kind !== 'path') return null;
  const before = shape.form.contours;
  const contours = before.map((contour): Contour => {
    const made = contour.closed ? null : withReflection(contour, near);
    return made?.ok ? made.value : contour;
  });
  const isSame = contours.every((contour, k) => contour === before[k]);
  return isSame ? null : { ...shape, form: { kind: 'path', contours } };
}

const reflectedShapes = (shape: Shape, newId: () => string, work: Work): Shape[] =>
  transformedForms(shape.form, { kind: 'reflect', direction: NO_TURN, about: ORIGIN }, work).map((form) => ({
    ...shape,
    id: newId(),
    name: `${shape.name} reflected`.slice(-120),
    form,
  }));

/**
 * Ends half a motif: open paths that end on the axis become one with their reflection, with no node on the axis where one
 * curve runs on there. In a round that was not mirrored before, the reflections of all other shapes become shapes.
 * @param near an end that is nearer to the axis than this, in the figure's unit, is put on it
 */
export function endHalf(
  figure: Figure,
  roundId: RoundId,
  near: number,
  newId: () => string,
  work: Work,
): Figure {
  const { half } = roundOf(figure, roundId);
  if (!half) return figure;
  return withRound(figure, roundId, ({ half: _, ...round }) => ({
    ...round,
    rule: { ...round.rule, mirror: half === 'mirrored' },
    shapes: round.shapes.flatMap((shape) => {
      const whole = joinedHalf(shape, near);
      if (whole) return [whole];
      const keeps = half === 'mirrored' || areOwnMirror(pathsOfForm(shape.form, work), 1e-9);
      return keeps ? [shape] : [shape, ...reflectedShapes(shape, newId, work)];
    }),
  }));
}
