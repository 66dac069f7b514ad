import { addRound, addShapes, setMerge } from '@/core/figure/commands';
import type { Figure } from '@/core/figure';
import { turn } from '@/core/number';
import { circleAt, emptyPiece, emptyRound, filled, lined, named, petalBetween, TIDE } from './piece';

/** Circles of this many on a ring, each touching the next: r = R sin(π/n). */
const SCALLOPS = 18;
const RING = 66;

/** Piece 5: one scallop turned about a centre on its axis until it closes. */
export function scallopRing(): Figure {
  const touch = RING * Math.sin(Math.PI / SCALLOPS);
  let figure = emptyPiece('Scallop ring', 180, TIDE.deep);

  figure = addRound(figure, emptyRound('rim', 'Rim', SCALLOPS));
  figure = addShapes(figure, 'rim', [
    named('scallop', 'Scallop', circleAt(RING, touch * 1.32), filled(TIDE.sand)),
    named('body', 'Body', petalBetween(0, RING, 2.02 * touch), filled(TIDE.sand)),
  ]);
  figure = setMerge(figure, 'rim', 'union');

  figure = addRound(figure, emptyRound('ribs', 'Ribs', SCALLOPS));
  figure = addShapes(figure, 'ribs', [
    named('rib-outer', 'Outer rib', circleAt(RING, touch * 0.86), filled(TIDE.coral)),
    named('rib-middle', 'Middle rib', circleAt(RING, touch * 0.56), filled(TIDE.shell)),
    named('rib-inner', 'Inner rib', circleAt(RING, touch * 0.26), filled(TIDE.deep)),
  ]);

  figure = addRound(figure, emptyRound('rays', 'Rays', SCALLOPS, false, turn(1, 2 * SCALLOPS)));
  figure = addShapes(figure, 'rays', [
    named('ray', 'Ray', petalBetween(23, 57, 6.2), filled(TIDE.kelp)),
    named('pearl', 'Pearl', circleAt(60.5, 1.9), filled(TIDE.brass)),
  ]);

  figure = addRound(figure, emptyRound('spokes', 'Spokes', SCALLOPS));
  figure = addShapes(figure, 'spokes', [
    named('spoke', 'Spoke', petalBetween(14, 51, 3.4), filled(TIDE.foam)),
  ]);

  figure = addRound(figure, emptyRound('hub', 'Hub', 9));
  return addShapes(figure, 'hub', [
    named('hub-petal', 'Petal', petalBetween(0, 21, 9), filled(TIDE.coral)),
    named('hub-line', 'Line', petalBetween(5, 17, 3), lined(TIDE.sand, 0.7)),
  ]);
}
