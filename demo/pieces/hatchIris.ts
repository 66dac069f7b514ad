import { addRound, addShapes, setFrame } from '../../src/core/figure/commands';
import type { Figure } from '../../src/core/figure/model';
import { turn } from '../../src/core/number/turn';
import { built, emptyPiece, emptyRound, filled, named, TIDE } from './piece';

/** Piece 18 as far as it goes: eight bars on the corners of an octagon, two rounds of them, in the octagon's frame. */
export function hatchIris(): Figure {
  let figure = emptyPiece('Hatch iris', 180, TIDE.deep);
  const octagon = { sides: 8, radius: 60, fit: 'in' as const, diagonals: 'none' as const };
  figure = addRound(figure, emptyRound('outer', 'Outer bars', 8));
  figure = setFrame(figure, 'outer', { polygon: octagon });
  figure = addShapes(figure, 'outer', [
    named(
      'bar',
      'Bar',
      built('blade', { sides: 8, radius: 60, width: 9, length: 74, side: 'outside' }),
      filled(TIDE.brass),
    ),
  ]);
  figure = addRound(figure, emptyRound('inner', 'Inner bars', 8, false, turn(1, 16)));
  figure = addShapes(figure, 'inner', [
    named(
      'inner',
      'Bar',
      built('blade', { sides: 8, radius: 46, width: 7, length: 58, side: 'inside' }),
      filled(TIDE.coral),
    ),
  ]);
  figure = addRound(figure, emptyRound('pupil', 'Pupil', 8));
  return addShapes(figure, 'pupil', [
    named(
      'scallop',
      'Scallop',
      built('scallop', { radius: 24, angle: turn(1, 8), rise: 7 }),
      filled(TIDE.sand),
    ),
    named('leaf', 'Kite', built('kite', { length: 20, width: 8, widest: 13 }), filled(TIDE.kelp)),
  ]);
}
