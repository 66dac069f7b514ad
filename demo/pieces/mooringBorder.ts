import { STRAIGHT } from '../../src/core/derive';
import {
  addRound,
  addShapes,
  setProgression,
  stampAlong,
  START_PROGRESSION,
} from '../../src/core/figure/commands';
import type { Figure } from '../../src/core/figure/model';
import { contoursAbout } from '../../src/core/maker/stock';
import { turn } from '../../src/core/number/turn';
import { alongTurn } from '../../src/core/symmetry/wedge';
import { circleAt, emptyPiece, emptyRound, filled, lined, named, petalBetween, TIDE } from './piece';

const RADIUS = 68;
/** Each rope goes a little over a fifth of the ring, so that it lies on the next. */
const HALF = turn(23, 200);

/**
 * Piece 16 as far as Turn takes it: a rope along a little more than a fifth of a ring, its strands set along the arc, in five
 * copies that overlap.
 */
export function mooringBorder(): Figure {
  let made = 0;
  const newId = (): string => `rope-${(made += 1)}`;
  let figure = emptyPiece('Mooring border', 180, TIDE.foam);
  figure = addRound(figure, emptyRound('rope', 'Rope', 5));
  const [from, to] = [alongTurn(turn(-HALF.num, HALF.den), RADIUS), alongTurn(HALF, RADIUS)];
  // The arc of a bulge has the tangent of a quarter of its angle.
  const bulge = Math.tan((2 * Math.PI * HALF.num) / HALF.den / 2);
  const along = {
    closed: false,
    nodes: [
      { x: from.x, y: from.y, kind: 'corner' as const, bulge },
      { x: to.x, y: to.y, kind: 'corner' as const },
    ],
  };
  const strand = { ...petalBetween(0, 15, 7.4), rotation: turn(1, 6) };
  const [contours = []] = contoursAbout([strand], null, STRAIGHT);
  const options = {
    spacing: 4.6,
    spread: 'even' as const,
    facing: 'path' as const,
    sizes: 0,
    colours: 0,
    seed: 1,
  };
  const parts = [
    {
      name: 'Strand',
      contours,
      rule: 'nonzero' as const,
      paint: { ...filled(TIDE.sand), stroke: lined(TIDE.deep, 0.7).stroke },
    },
  ];
  figure = stampAlong(figure, 'rope', along, parts, options, newId).figure;
  figure = addRound(figure, emptyRound('wake', 'Wake', 24));
  figure = addShapes(figure, 'wake', [named('drop', 'Drop', circleAt(48, 3.4), filled(TIDE.kelp))]);
  figure = setProgression(figure, 'wake', { ...START_PROGRESSION, size: 0.25, out: -30, tint: TIDE.coral });
  figure = addRound(figure, emptyRound('post', 'Post', 1));
  return addShapes(figure, 'post', [
    named('ring', 'Ring', circleAt(0, 11), filled(TIDE.deep)),
    named('cap', 'Cap', circleAt(0, 5), filled(TIDE.brass)),
  ]);
}
