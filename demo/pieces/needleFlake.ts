import { STRAIGHT } from '@/core/derive';
import {
  addRound,
  addShapes,
  removeShapes,
  roundOf,
  slitShapes,
  transformShapes,
} from '@/core/figure/commands';
import { boundsOfPaths } from '@/core/curve';
import { pathsOfForm } from '@/core/maker';
import type { Figure } from '@/core/figure';
import { NO_TURN, turn } from '@/core/number';
import { built, emptyPiece, emptyRound, filled, named, TIDE } from './piece';

/** Piece 19: pointed bars at 48 degrees, evenly spaced, cut on the axis, what is left of it reflected, six times. */
export function needleFlake(): Figure {
  let made = 0;
  const newId = (): string => `needle-${(made += 1)}`;
  let figure = emptyPiece('Needle flake', 180, TIDE.coral);
  figure = addRound(figure, emptyRound('needles', 'Needles', 6, true));
  const needle = {
    ...built('ray', { reach: 34, by: 'width', width: 4.6, rim: 'pointed', point: 9 }, { x: -6, y: -20 }),
    rotation: turn(48, 360),
  };
  figure = addShapes(figure, 'needles', [named('needle', 'Needle', needle, filled(TIDE.sand))]);
  const up = { kind: 'move' as const, by: { x: 0, y: -10 } };
  const spread = transformShapes(
    figure,
    'needles',
    new Set(['needle']),
    up,
    { copy: true, times: 4, newId },
    STRAIGHT,
  );
  const all = new Set(['needle', ...spread.ids]);
  const cut = slitShapes(spread.figure, 'needles', all, { x: 0, y: 0 }, { x: 0, y: -1 }, newId, STRAIGHT);
  // What lies left of the axis goes; the mirror brings the other half back.
  const left = roundOf(cut.figure, 'needles').shapes.filter(
    ({ form }) => boundsOfPaths(pathsOfForm(form, STRAIGHT)).right < 1e-6,
  );
  figure = removeShapes(cut.figure, 'needles', new Set(left.map(({ id }) => id)));
  figure = addRound(figure, emptyRound('spine', 'Spine', 6));
  return addShapes(figure, 'spine', [
    named(
      'spine',
      'Spine',
      built('ray', { reach: 86, by: 'width', width: 3, rim: 'pointed', point: 8 }),
      filled(TIDE.sand),
    ),
    named(
      'hub',
      'Hub',
      {
        kind: 'polygon',
        at: { x: 0, y: 0 },
        rotation: NO_TURN,
        params: { sides: 6, radius: 9, diagonals: 'none' },
      },
      filled(TIDE.deep),
    ),
  ]);
}
