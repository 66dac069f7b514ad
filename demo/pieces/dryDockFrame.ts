import { STRAIGHT } from '@/core/derive';
import { addRound, addShapes, makePlain, setLight } from '@/core/figure/commands';
import type { Figure } from '@/core/figure';
import { turn, turnFromDegrees } from '@/core/number';
import { built, circleAt, emptyPiece, emptyRound, filled, named, TIDE } from './piece';

/** Piece 14: the four-sided frame that could not be built, each bar a shape of its own, lit by its direction. */
export function dryDockFrame(): Figure {
  let figure = emptyPiece('Dry-dock frame', 180, TIDE.shell);
  figure = addRound(figure, emptyRound('frame', 'Frame', 1, false, turn(1, 8)));
  figure = addShapes(figure, 'frame', [
    named('bar', 'Bar', built('barFrame', { sides: 4, radius: 100, bar: 19 }), filled('#5b9fae')),
  ]);
  let made = 0;
  figure = makePlain(figure, 'frame', new Set(['bar']), () => `bar-${(made += 1)}`, STRAIGHT);
  // Each bar has the tone of the way that it faces.
  figure = setLight(figure, 'frame', { from: turnFromDegrees(-5), depth: 38, faces: 'out' });
  figure = addRound(figure, emptyRound('knot', 'Knot', 1));
  return addShapes(figure, 'knot', [
    named('plate', 'Plate', circleAt(0, 22), filled(TIDE.sand)),
    named(
      'knot',
      'Knot',
      { ...built('knot', { lobes: 4, skip: 1, radius: 17, arc: turn(2, 5) }) },
      filled(TIDE.deep),
    ),
  ]);
}
