import { addRound, addShapes, setMerge } from '@/core/figure/commands';
import type { Figure } from '@/core/figure';
import { NO_TURN, turn } from '@/core/number';
import { built, emptyPiece, emptyRound, filled, named, TIDE } from './piece';

/** Piece 6, which Frost field places at many sizes: side arms in a growing row, a hexagon hub, all of it united. */
export function frostFlake(): Figure {
  let figure = emptyPiece('Frost flake', 180, TIDE.kelp);
  figure = addRound(figure, emptyRound('flake', 'Flake', 6));
  figure = addShapes(figure, 'flake', [
    named(
      'arm',
      'Arm',
      built('branch', {
        length: 82,
        pairs: 5,
        angle: turn(1, 6),
        first: 26,
        last: 70,
        growth: 0.8,
        arm: 30,
        law: 'falling',
        width: 4.4,
        tip: 'pointed',
      }),
      filled(TIDE.sand),
    ),
    named(
      'hub',
      'Hub',
      {
        kind: 'polygon',
        at: { x: 0, y: 0 },
        rotation: NO_TURN,
        params: { sides: 6, radius: 14, diagonals: 'none' },
      },
      filled(TIDE.sand),
    ),
  ]);
  figure = setMerge(figure, 'flake', 'union');
  figure = addRound(figure, emptyRound('eye', 'Eye', 6, false, turn(1, 12)));
  return addShapes(figure, 'eye', [
    named('kite', 'Kite', built('kite', { length: 14, width: 6, widest: 9 }), filled(TIDE.deep)),
  ]);
}
