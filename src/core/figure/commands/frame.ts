import { polygonOf } from '../../maker/construction';
import { cornersOf, frameLines, type Frame, type FrameLine, type Guide } from '../../symmetry/frame';
import { formOfPaths } from '../../maker/form';
import type { Paint } from '../../scene/scene';
import type { Figure } from '../model';
import { newShape } from '../start';
import { addShapes } from './shapes';
import { roundOf, withRound } from './rounds';

/** Changes parts of a round's frame. */
export const setFrame = (figure: Figure, roundId: string, part: Partial<Frame>): Figure =>
  withRound(figure, roundId, (round) => ({ ...round, frame: { ...round.frame, ...part } }));

/** Lays a guide. */
export const addGuide = (figure: Figure, roundId: string, guide: Guide): Figure =>
  setFrame(figure, roundId, { guides: [...roundOf(figure, roundId).frame.guides, guide] });

export const removeGuide = (figure: Figure, roundId: string, index: number): Figure =>
  setFrame(figure, roundId, {
    guides: roundOf(figure, roundId).frame.guides.filter((_, k) => k !== index),
  });

const NAMES: Record<FrameLine['name'], string> = {
  side: 'Side',
  diagonal: 'Diagonal',
  'frame ring': 'Ring',
  guide: 'Guide',
};

/**
 * Draws what a frame shows as paths at the front of the motif. The sides of its polygon become one closed path.
 * @param reach how far lines without ends are drawn from their points, in the figure's unit
 */
export function drawFrame(
  figure: Figure,
  roundId: string,
  paint: Paint,
  reach: number,
  newId: () => string,
): { figure: Figure; ids: string[] } {
  const { frame } = roundOf(figure, roundId);
  const polygon = frame.polygon
    ? [{ name: 'Polygon', path: polygonOf(cornersOf(frame.polygon, frame.phase)) }]
    : [];
  const others = frameLines(frame, reach)
    .filter(({ name }) => name !== 'side')
    .map(({ name, path }, k) => ({ name: `${NAMES[name]} ${k + 1}`, path }));
  const shapes = [...polygon, ...others].map(({ name, path }) =>
    newShape(newId(), name, formOfPaths([path]), paint),
  );
  return { figure: addShapes(figure, roundId, shapes), ids: shapes.map(({ id }) => id) };
}
