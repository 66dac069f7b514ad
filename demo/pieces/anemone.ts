import { addRound, addShapes } from '../../src/core/figure/commands';
import type { Figure } from '../../src/core/figure/model';
import { NO_TURN, turn } from '../../src/core/number/turn';
import { built, circleAt, emptyPiece, emptyRound, filled, named, TIDE } from './piece';

/** Piece 13 without its gradient: a petal from two equal circles, 14-fold, and a hub. */
export function anemone(): Figure {
  let figure = emptyPiece('Anemone', 180, TIDE.sand);
  const petal = (apart: number, radius: number, from: number) => ({
    kind: 'petal' as const,
    at: { x: 0, y: 0 - from },
    rotation: NO_TURN,
    size: { by: 'circles' as const, radius, apart },
  });
  figure = addRound(figure, emptyRound('back', 'Back', 14, false, turn(1, 28)));
  figure = addShapes(figure, 'back', [named('back', 'Petal', petal(62, 46, 12), filled(TIDE.foam))]);
  figure = addRound(figure, emptyRound('front', 'Front', 14));
  figure = addShapes(figure, 'front', [
    named('front', 'Petal', petal(56, 40, 10), filled(TIDE.coral)),
    named('vein', 'Vein', petal(50, 29, 16), filled(TIDE.shell)),
  ]);
  figure = addRound(figure, emptyRound('hub', 'Hub', 1));
  return addShapes(figure, 'hub', [
    named('disc', 'Disc', circleAt(0, 17), filled(TIDE.deep)),
    named(
      'beads',
      'Beads',
      built('touchingRing', { solve: 'size', count: 14, ring: 13, gap: 0.6 }),
      filled(TIDE.brass),
    ),
    named('scallops', 'Heart', circleAt(0, 7), filled(TIDE.coral)),
  ]);
}
