import { describe, expect, it } from 'vitest';

import { disc, withForms } from '../../../tests/help/figures';
import { addShapes, moveShapes, setFold, setPaint } from './commands';
import { newShape, START_PAINT } from './index';
import { isReshaped } from './reshaped';

describe('isReshaped', () => {
  const figure = withForms(disc(0, -20, 3), disc(0, -40, 3));
  const [round] = figure.rounds;
  const ids = new Set(round!.shapes.slice(0, 1).map(({ id }) => id));

  it('is true where shapes were moved, and where nothing was', () => {
    expect(isReshaped(figure, figure)).toBe(true);
    expect(isReshaped(figure, moveShapes(figure, round!.id, ids, { x: 1, y: 2 }))).toBe(true);
  });

  it('is false where anything else is another', () => {
    const others = [
      setFold(figure, round!.id, 9),
      setPaint(
        figure,
        { of: 'shapes', roundId: round!.id, shapeIds: ids },
        { ...START_PAINT, fill: '#112233' },
      ),
      addShapes(figure, round!.id, [newShape('new', 'New', disc(0, -10, 1), START_PAINT)]),
      { ...figure, name: 'Another' },
      { ...figure, rounds: [...figure.rounds, ...figure.rounds] },
    ];
    for (const other of others) {
      expect(isReshaped(figure, other)).toBe(false);
      expect(isReshaped(other, figure)).toBe(false);
    }
  });
});
