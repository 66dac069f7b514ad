import { addRound, addShapes, setFrame } from '../../src/core/figure/commands';
import type { Figure } from '../../src/core/figure/model';
import { turn } from '../../src/core/number/turn';
import { built, circleAt, emptyPiece, emptyRound, filled, named, TIDE } from './piece';

/** Piece 1 as far as it goes: rays from an exact apex every 12 degrees, and shorter ones half a step on. */
export function lampBurst(): Figure {
  let figure = emptyPiece('Lamp burst', 180, TIDE.deep);
  figure = addRound(figure, emptyRound('beams', 'Beams', 30));
  figure = setFrame(figure, 'beams', { rings: [22, 52, 84] });
  figure = addShapes(figure, 'beams', [
    named('beam', 'Beam', built('ray', { reach: 84, angle: turn(1, 60), rim: 'round' }), filled(TIDE.brass)),
  ]);
  figure = addRound(figure, emptyRound('sparks', 'Sparks', 30, false, turn(1, 60)));
  figure = addShapes(figure, 'sparks', [
    named(
      'spark',
      'Spark',
      built('ray', { reach: 62, angle: turn(1, 90), rim: 'pointed', point: 10 }),
      filled(TIDE.coral),
    ),
    named('drop', 'Drop', built('drop', { length: 9, width: 4 }, { x: 0, y: -66 }), filled(TIDE.shell)),
  ]);
  figure = addRound(figure, emptyRound('lamp', 'Lamp', 1));
  return addShapes(figure, 'lamp', [
    named('glass', 'Glass', circleAt(0, 22), filled(TIDE.sand)),
    named('star', 'Star', built('star', { points: 15, skip: 4, radius: 19 }), filled(TIDE.coral)),
  ]);
}
