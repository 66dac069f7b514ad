import { layersOf } from '@/core/scene';
import { STRAIGHT } from '@/core/derive';
import {
  addRound,
  addShapes,
  fuseCells,
  makeRoundPlain,
  removeCells,
  roundOf,
  setFill,
  setFrame,
  setMerge,
  spreadOutward,
} from '@/core/figure/commands';
import { evaluate, type Figure } from '@/core/figure';
import { turn } from '@/core/number';
import { divisionOf, kindAt, refsAt } from './cells';
import { built, circleAt, emptyPiece, emptyRound, filled, named, TIDE } from './piece';

/**
 * Piece 18: eight bars on the corners of an octagon. What hangs over past the next bar is trimmed, the regions that are left are
 * made plain and spread apart.
 */
export function hatchIris(): Figure {
  let made = 0;
  const newId = (): string => `blade-${(made += 1)}`;
  let figure = emptyPiece('Hatch iris', 180, TIDE.deep);
  const octagon = { sides: 8, radius: 66, fit: 'in' as const, diagonals: 'none' as const };
  figure = addRound(figure, emptyRound('blades', 'Blades', 8));
  figure = setFrame(figure, 'blades', { polygon: octagon });
  const bar = built('blade', { sides: 8, radius: 66, width: 30, length: 100, side: 'inside' });
  figure = addShapes(figure, 'blades', [named('bar', 'Bar', bar, filled(TIDE.brass))]);
  figure = setMerge(figure, 'blades', 'divide');
  const division = divisionOf(figure, 'blades');
  const overhang = kindAt(figure, 'blades', division, { x: 38, y: -65.9 });
  figure = removeCells(figure, 'blades', division, overhang);
  const blade = [
    { x: 13.9, y: -33.5 },
    { x: 6.7, y: -49.7 },
  ].flatMap((at) => refsAt(figure, 'blades', division, at));
  figure = fuseCells(figure, 'blades', blade, false);
  const merges = new Map([['blades', { parts: [], facts: NO_FACTS, division }]]);
  figure = makeRoundPlain(figure, 'blades', layersOf(evaluate(figure, merges, STRAIGHT), 'abut'), newId);
  const ids = new Set(roundOf(figure, 'blades').shapes.map(({ id }) => id));
  figure = spreadOutward(figure, 'blades', ids, 8, STRAIGHT);
  figure = setFill(figure, { of: 'shapes', roundId: 'blades', shapeIds: ids }, TIDE.sand);
  figure = addRound(figure, emptyRound('studs', 'Studs', 8, false, turn(1, 16)));
  return addShapes(figure, 'studs', [
    named('stud', 'Stud', circleAt(80, 2.4), filled(TIDE.coral)),
    named('leaf', 'Kite', built('kite', { length: 22, width: 8, widest: 14 }), filled(TIDE.kelp)),
  ]);
}

const NO_FACTS = {
  loops: 0,
  nodes: 0,
  area: 0,
  segments: { line: 0, arc: 0, cubic: 0 },
  cells: null,
  kinds: null,
  slivers: 0,
  milliseconds: 0,
};
