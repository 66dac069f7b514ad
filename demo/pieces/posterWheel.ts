import {
  addRound,
  addShapes,
  setBlend,
  setOpacity,
  setVariation,
  START_VARIATION,
} from '@/core/figure/commands';
import type { Figure } from '@/core/figure';
import { NO_TURN } from '@/core/number';
import { circleAt, emptyPiece, emptyRound, filled, named, petalBetween, TIDE } from './piece';

/** Piece 4 as far as Turn takes it: three rounds of folds 16, 48 and 14, laid over each other with blend modes. */
export function posterWheel(): Figure {
  let figure = emptyPiece('Poster wheel', 180, TIDE.sand);
  figure = addRound(figure, emptyRound('sails', 'Sails', 16));
  figure = addShapes(figure, 'sails', [named('sail', 'Sail', petalBetween(8, 84, 34), filled(TIDE.foam))]);
  figure = setBlend(setOpacity(figure, 'sails', 0.9), 'sails', 'multiply');
  figure = addRound(figure, emptyRound('spray', 'Spray', 48));
  figure = addShapes(figure, 'spray', [
    named('drop', 'Drop', petalBetween(46, 80, 6), filled(TIDE.coral)),
    named('bead', 'Bead', circleAt(42, 1.8), filled(TIDE.deep)),
  ]);
  figure = setVariation(setBlend(figure, 'spray', 'multiply'), 'spray', {
    ...START_VARIATION,
    size: 0.72,
    tint: TIDE.brass,
  });
  figure = addRound(figure, emptyRound('wheel', 'Wheel', 14));
  figure = addShapes(figure, 'wheel', [
    named(
      'spoke',
      'Spoke',
      {
        kind: 'polygon',
        at: { x: 0, y: -30 },
        rotation: NO_TURN,
        params: { sides: 4, radius: 15, diagonals: 'none' },
      },
      filled(TIDE.kelp),
    ),
  ]);
  return setBlend(figure, 'wheel', 'hard-light');
}
