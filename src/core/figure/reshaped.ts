/**
 * What a drag mostly does to a figure: shapes have other forms, and all else is as it was.
 *
 * @example
 * isReshaped(figure, moveShapes(figure, 'petals', new Set(['petal']), { x: 0, y: -3 })); // true
 */
import type { Figure, Round } from './model';

/** True where two objects have the same properties but for one. */
const isSameBut = <T extends object>(a: T, b: T, but: keyof T): boolean =>
  (Object.keys({ ...a, ...b }) as (keyof T)[]).every((key) => key === but || a[key] === b[key]);

const isReshapedRound = (a: Round, b: Round): boolean =>
  a === b ||
  (isSameBut(a, b, 'shapes') &&
    a.shapes.length === b.shapes.length &&
    a.shapes.every((shape, k) => {
      const other = b.shapes[k];
      return other !== undefined && (shape === other || isSameBut(shape, other, 'form'));
    }));

/** True where of two figures the forms of shapes alone differ; what is the same has to be the same object. */
export const isReshaped = (a: Figure, b: Figure): boolean =>
  isSameBut(a, b, 'rounds') &&
  a.rounds.length === b.rounds.length &&
  a.rounds.every((round, k) => {
    const other = b.rounds[k];
    return other !== undefined && isReshapedRound(round, other);
  });
