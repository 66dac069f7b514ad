import { STRAIGHT } from '@/core/derive';
import { addRound, addShapes, bendShapes, setBend } from '@/core/figure/commands';
import type { Figure } from '@/core/figure';
import { contoursOfPaths, cubic, type Path } from '@/core/curve';
import { type Form, petalOfSize } from '@/core/maker';
import { turn } from '@/core/number';
import { circleAt, emptyPiece, emptyRound, filled, lined, named, TIDE } from './piece';
import { valueOf } from './valueOf';

/** One wave of the scroll, as long as the unit, so that the next goes on from it without a corner. */
const LONG = 22;
const wave = (half: number): Form => {
  const [left, right] = [-LONG / 2, LONG / 2];
  const y = -60;
  const path: Path = {
    segments: [
      cubic({ x: left, y }, { x: left + 4, y: y - half }, { x: -4, y: y - half }, { x: 0, y }),
      cubic({ x: 0, y }, { x: 4, y: y + half }, { x: right - 4, y: y + half }, { x: right, y }),
    ],
    closed: false,
  };
  return { kind: 'path', contours: contoursOfPaths([path]) };
};

const leaf = (x: number, up: boolean): Form => ({
  kind: 'petal',
  at: { x, y: up ? -59 : -61 },
  rotation: turn(up ? 1 : 5, 12),
  params: petalOfSize(7, 3.4),
});

const berry = (x: number, y: number): Form => ({
  kind: 'ellipse',
  at: { x, y },
  rotation: turn(0),
  params: { width: 3.4, height: 3.4 },
});

/** Piece 20: a unit repeated to a strip, bent to a third of a ring, three times, so that the ends meet. */
export function scrollRing(): Figure {
  let made = 0;
  const newId = (): string => `scroll-${(made += 1)}`;
  let figure = emptyPiece('Scroll ring', 180, TIDE.deep);
  figure = addRound(figure, emptyRound('edges', 'Edges', 1));
  figure = addShapes(figure, 'edges', [
    named('outer', 'Outer', circleAt(0, 74), lined(TIDE.brass, 0.9)),
    named('inner', 'Inner', circleAt(0, 52), lined(TIDE.brass, 0.9)),
  ]);
  figure = addRound(figure, emptyRound('scroll', 'Scroll', 3));
  const parts = [
    named('stem', 'Stem', wave(14), lined(TIDE.foam, 1.6)),
    named('leaf-up', 'Leaf up', leaf(-1, true), filled(TIDE.kelp)),
    named('leaf-down', 'Leaf down', leaf(LONG / 2 - 1, false), filled(TIDE.kelp)),
    named('berry-up', 'Berry up', berry(-LONG / 4, -63.5), filled(TIDE.coral)),
    named('berry-down', 'Berry down', berry(LONG / 4, -56.5), filled(TIDE.coral)),
  ];
  figure = addShapes(figure, 'scroll', parts);
  const strip = valueOf(bendShapes(figure, 'scroll', new Set(parts.map(({ id }) => id)), newId, STRAIGHT));
  const unit = { left: -LONG / 2, right: LONG / 2, top: -69, bottom: -51 };
  return setBend(strip.figure, 'scroll', strip.groupId, {
    strip: unit,
    units: 6,
    radius: 63,
    height: 18,
    span: turn(1, 3),
  });
}
