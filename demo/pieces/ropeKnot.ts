import { addRound, addShapes, setMerge, setWeaveGap } from '@/core/figure/commands';
import type { Figure } from '@/core/figure';
import { turn } from '@/core/number';
import { circleAt, emptyPiece, emptyRound, filled, lined, named, petalBetween, TIDE } from './piece';

/** Piece 11: four lenses from circles with four rings behind them, ropes that pass over and under. */
export function ropeKnot(): Figure {
  let figure = emptyPiece('Rope knot', 180, TIDE.deep);
  figure = addRound(figure, emptyRound('ground', 'Ground', 4));
  figure = addShapes(figure, 'ground', [
    named('leaf', 'Leaf', petalBetween(30, 60, 15), filled(TIDE.kelp)),
    named('dot', 'Dot', circleAt(81, 3), filled(TIDE.coral)),
  ]);
  figure = addRound(figure, emptyRound('ropes', 'Ropes', 4));
  const ring = {
    kind: 'ellipse' as const,
    at: { x: 34, y: -34 },
    rotation: turn(0),
    params: { width: 48, height: 48 },
  };
  figure = addShapes(figure, 'ropes', [
    named('ring', 'Ring', ring, lined(TIDE.foam, 4)),
    named('lens', 'Lens', petalBetween(-24, 74, 42), lined(TIDE.brass, 4)),
  ]);
  return setWeaveGap(setMerge(figure, 'ropes', 'weave'), 'ropes', 0.9);
}
