import { STRAIGHT } from '@/core/derive';
import {
  addRound,
  addShapes,
  boundByFrame,
  colourCells,
  keepCellsInside,
  outlineOfRound,
  setFrame,
  setMerge,
  setRelief,
} from '@/core/figure/commands';
import type { Figure } from '@/core/figure';
import { fromPolar } from '@/core/curve';
import { pathForm } from '@/core/maker';
import { turn } from '@/core/number';
import { divisionOf } from './cells';
import { circleAt, emptyPiece, emptyRound, filled, lined, named, TIDE } from './piece';

const SECTORS = 24;
const REACH = 82;
/** Where the rings lie, in per cent of the reach. */
const RINGS = [30, 50, 75, 100];

const at = (r: number, degrees: number) => ({ ...fromPolar(r, degrees), kind: 'corner' as const });

/**
 * Piece 15: a dial of 24 sectors, half a step round, with rings at percentages; its colours go on by one from ring to ring, and raised wire
 * lies on its edges.
 */
export function tideDial(): Figure {
  let figure = emptyPiece('Tide dial', 180, TIDE.deep);
  figure = addRound(figure, emptyRound('rim', 'Rim', 1));
  figure = addShapes(figure, 'rim', [named('rim', 'Rim', circleAt(0, REACH), filled(TIDE.deep))]);
  figure = addRound(figure, emptyRound('dial', 'Dial', SECTORS, false, turn(1, 2 * SECTORS)));
  figure = setFrame(figure, 'dial', { rings: RINGS.map((percent) => (REACH * percent) / 100) });
  const edge = pathForm([at(0, 180 / SECTORS), at(REACH + 4, 180 / SECTORS)], false);
  figure = addShapes(figure, 'dial', [named('edge', 'Edge', edge, { fill: null, stroke: null })]);
  figure = boundByFrame(setMerge(figure, 'dial', 'divide'), 'dial', true);
  const division = divisionOf(figure, 'dial');
  figure = keepCellsInside(
    figure,
    'dial',
    division,
    outlineOfRound(figure, 'rim', 'dial', STRAIGHT),
    STRAIGHT,
  );
  figure = colourCells(
    figure,
    'dial',
    division,
    {
      by: 'sector',
      colours: [TIDE.foam, TIDE.kelp, TIDE.foam, TIDE.sand],
      shift: 1,
    },
    STRAIGHT,
  );
  figure = addRound(figure, emptyRound('wire', 'Wire', SECTORS, false, turn(1, 2 * SECTORS)));
  figure = addShapes(figure, 'wire', [
    named(
      'spoke',
      'Spoke',
      pathForm([at((REACH * 30) / 100, 180 / SECTORS), at(REACH, 180 / SECTORS)], false),
      lined(TIDE.brass, 1.3),
    ),
  ]);
  figure = setRelief(figure, 'wire', { how: 'raised', edge: 0.7 });
  figure = addRound(figure, emptyRound('rings', 'Ring wire', 1));
  figure = addShapes(
    figure,
    'rings',
    RINGS.map((percent) =>
      named(
        `ring-${percent}`,
        `Ring ${percent} %`,
        circleAt(0, (REACH * percent) / 100),
        lined(TIDE.brass, 1.9),
      ),
    ),
  );
  figure = setRelief(figure, 'rings', { how: 'raised', edge: 0.9 });
  figure = addRound(figure, emptyRound('hand', 'Hand', 1, false, turn(5, 24)));
  figure = addShapes(figure, 'hand', [
    named('hand', 'Hand', pathForm([at(3, 270), at(58, 0), at(3, 90)], true), filled(TIDE.coral)),
    named('pin', 'Pin', circleAt(0, 6), filled(TIDE.coral)),
  ]);
  return setRelief(figure, 'hand', { how: 'raised', edge: 1.2 });
}
