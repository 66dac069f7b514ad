import { addRound, addShapes, setMerge } from '../../src/core/figure/commands';
import type { Figure } from '../../src/core/figure/model';
import { turn } from '../../src/core/number/turn';
import { circleAt, emptyPiece, emptyRound, filled, lined, named, petalBetween, TIDE } from './piece';

const PETALS = 22;

/** Piece 9, as far as it goes without cells: 22 petals overlapping, united tier by tier. */
export function kelpCrown(): Figure {
  let figure = emptyPiece('Kelp crown', 180, TIDE.sand);
  const tiers = [
    { id: 'tips', name: 'Tips', from: 0, to: 82, width: 30, colour: TIDE.deep, half: false },
    { id: 'fronds', name: 'Fronds', from: 0, to: 70, width: 25, colour: TIDE.kelp, half: true },
    { id: 'leaves', name: 'Leaves', from: 0, to: 57, width: 20, colour: TIDE.foam, half: false },
    { id: 'crown', name: 'Crown', from: 0, to: 44, width: 15, colour: TIDE.coral, half: true },
    { id: 'buds', name: 'Buds', from: 0, to: 31, width: 10, colour: TIDE.shell, half: false },
  ];
  for (const { id, name, from, to, width, colour, half } of tiers) {
    figure = addRound(figure, emptyRound(id, name, PETALS, false, half ? turn(1, 2 * PETALS) : turn(0)));
    figure = addShapes(figure, id, [
      named(`${id}-petal`, 'Petal', petalBetween(from, to, width), filled(colour)),
    ]);
    figure = setMerge(figure, id, 'union');
  }
  figure = addRound(figure, emptyRound('veins', 'Veins', PETALS));
  figure = addShapes(figure, 'veins', [
    named('vein', 'Vein', petalBetween(60, 78, 3.2), filled(TIDE.kelp)),
    named('drop', 'Drop', circleAt(51.5, 1.5), filled(TIDE.deep)),
  ]);
  figure = addRound(figure, emptyRound('eye', 'Eye', PETALS / 2));
  return addShapes(figure, 'eye', [
    named('eye-petal', 'Petal', petalBetween(4, 15, 4.6), filled(TIDE.brass)),
    named('eye-ring', 'Ring', circleAt(18.6, 1.2), lined(TIDE.deep, 0.6)),
  ]);
}
