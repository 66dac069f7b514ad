import { addRound, addShapes } from '@/core/figure/commands';
import type { Figure } from '@/core/figure';
import { built, circleAt, emptyPiece, emptyRound, filled, lined, named, TIDE } from './piece';

/** Piece 8 as far as it goes: equal circles at 60 degrees through each other's centres, clipped to one of their ring. */
export function bubbleLattice(): Figure {
  let figure = emptyPiece('Bubble lattice', 180, TIDE.foam);
  figure = addRound(figure, emptyRound('ground', 'Ground', 1));
  figure = addShapes(figure, 'ground', [named('disc', 'Disc', circleAt(0, 80), filled(TIDE.deep))]);
  const lattice = built('lattice', { rings: 4, radius: 20, spacing: 20, clip: 'circle', within: 76 });
  figure = addRound(figure, emptyRound('bubbles', 'Bubbles', 1));
  figure = addShapes(figure, 'bubbles', [
    { ...named('fill', 'Bubbles', lattice, filled(TIDE.kelp)), rule: 'evenodd' },
    named('lines', 'Lines', lattice, lined(TIDE.sand, 0.8)),
  ]);
  return figure;
}
