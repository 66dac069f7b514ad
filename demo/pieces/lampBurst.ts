import { addRound, addShapes, setFrame, setLowerAction } from '@/core/figure/commands';
import type { Figure } from '@/core/figure';
import { turn } from '@/core/number';
import type { Gradient } from '@/core/scene';
import { built, circleAt, emptyPiece, emptyRound, filled, named, rectangleAt, TIDE } from './piece';

const glow = (reach: number, colours: readonly string[]): Gradient => ({
  kind: 'radial',
  spread: 'round',
  from: { x: 0, y: 0 },
  to: { x: 0, y: -reach },
  stops: colours.map((colour, k) => ({ at: k / (colours.length - 1), colour })),
});

/**
 * Piece 1: rays from an exact apex every 12 degrees, and shorter ones half a step on, one gradient over all of them from the lamp outward,
 * clipped to a sheet.
 */
export function lampBurst(): Figure {
  let figure = emptyPiece('Lamp burst', 180, TIDE.deep);
  figure = addRound(figure, emptyRound('beams', 'Beams', 30));
  figure = setFrame(figure, 'beams', { rings: [22, 52, 84] });
  figure = addShapes(figure, 'beams', [
    named('beam', 'Beam', built('ray', { reach: 124, angle: turn(1, 60), rim: 'round' }), {
      fill: glow(100, ['#fff3cf', TIDE.brass, TIDE.coral, '#7b2a4a']),
      stroke: null,
    }),
  ]);
  figure = addRound(figure, emptyRound('sparks', 'Sparks', 30, false, turn(1, 60)));
  figure = addShapes(figure, 'sparks', [
    named('spark', 'Spark', built('ray', { reach: 62, angle: turn(1, 90), rim: 'pointed', point: 10 }), {
      fill: glow(62, ['#ffffff', TIDE.shell, `${TIDE.coral}90`]),
      stroke: null,
    }),
    named('drop', 'Drop', built('drop', { length: 9, width: 4 }, { x: 0, y: -66 }), filled(TIDE.shell)),
  ]);
  figure = addRound(figure, emptyRound('sheet', 'Sheet', 1));
  figure = addShapes(figure, 'sheet', [
    named('sheet', 'Sheet', rectangleAt(164, 164, 14), filled(TIDE.sand)),
  ]);
  figure = setLowerAction(figure, 'sheet', { how: 'inside', rounds: ['beams'] });
  figure = addRound(figure, emptyRound('lamp', 'Lamp', 1));
  return addShapes(figure, 'lamp', [
    named('glass', 'Glass', circleAt(0, 22), filled(TIDE.sand)),
    named('star', 'Star', built('star', { points: 15, skip: 4, radius: 19 }), filled(TIDE.coral)),
  ]);
}
