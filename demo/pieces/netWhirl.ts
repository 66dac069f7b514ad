import { addRound, addShapes } from '@/core/figure/commands';
import type { Figure } from '@/core/figure';
import { turn } from '@/core/number';
import { built, emptyPiece, emptyRound, lined, named, TIDE } from './piece';

/** Piece 10: a square turned and shrunk inward, each touching the one outside it, mirrored, four times. */
export function netWhirl(): Figure {
  let figure = emptyPiece('Net whirl', 180, TIDE.sand);
  // A square with its sides along the page's; its neighbours share them.
  const half = 40;
  const net = built(
    'whirl',
    { sides: 4, radius: half * Math.SQRT2, angle: turn(1, 36), ends: 'count', count: 14 },
    { x: half, y: -half },
  );
  figure = addRound(figure, emptyRound('net', 'Net', 2, true));
  return addShapes(figure, 'net', [
    named('whirl', 'Whirl', { ...net, rotation: turn(1, 8) }, lined(TIDE.deep, 0.9)),
  ]);
}
