import { describe, expect, it } from 'vitest';

import { disc, withForms } from '../../../tests/help/figures';
import { turn } from '@/core/number';
import { addRound, addShapes, setFold, setLowerAction, setMerge, setStart } from './commands';
import { evaluateWhole } from './evaluateWhole';
import type { Figure } from './model';
import { partOfFigure, partOfWord, wordOfPart, type FigurePart } from './part';
import { newRound, newShape, START_PAINT } from './start';

/** Two discs five times and merged, a round over it, and one that cuts both. */
const figure = setLowerAction(
  addShapes(
    addRound(
      addShapes(
        addRound(
          setMerge(
            setStart(setFold(withForms(disc(0, -40, 6), disc(0, -60, 4)), 'r', 5), 'r', turn(1, 10)),
            'r',
            'union',
          ),
          newRound('over', 'Over', 3),
        ),
        'over',
        [newShape('o', 'Disc', disc(0, -20, 3), START_PAINT)],
      ),
      newRound('cut', 'Cut', 1),
    ),
    'cut',
    [newShape('c', 'Disc', disc(0, 0, 10), START_PAINT)],
  ),
  'cut',
  { how: 'cut' },
);

const drawn = async (part: FigurePart, of: Figure = figure) =>
  (await evaluateWhole(partOfFigure(of, part))).layers.map(({ roundId, copies, items }) => [
    roundId,
    copies.length,
    items.length,
  ]);

describe('a part of a figure', () => {
  it('is a round as it is seen, its motif once, or shapes of it once', async () => {
    expect(new Set((await drawn({ of: 'round', roundId: 'over' })).map(([id]) => id))).toEqual(
      new Set(['over']),
    );
    expect((await drawn({ of: 'round', roundId: 'r' })).map(([id, copies]) => [id, copies])).toEqual(
      (await drawn({ of: 'all' })).filter(([id]) => id === 'r').map(([id, copies]) => [id, copies]),
    );
    expect(await drawn({ of: 'motif', roundId: 'r' })).toEqual([['r', 1, 2]]);
    expect(await drawn({ of: 'shapes', roundId: 'r', shapeIds: ['s1'] })).toEqual([['r', 1, 1]]);
    const [layer] = (await evaluateWhole(partOfFigure(figure, { of: 'motif', roundId: 'r' }))).layers;
    // It stands as its first copy does, on a page as large as it is: from 34 to 64 out, 12 wide, turned by 36 degrees.
    expect(layer!.copies[0]!.turn).toEqual(turn(1, 10));
    const { page } = partOfFigure(figure, { of: 'motif', roundId: 'r' });
    const across = 20 * Math.sin(Math.PI / 5);
    expect(page.width).toBeCloseTo(6 + across + 4, 6);
    expect(page.height).toBeCloseTo(6 + 20 * Math.cos(Math.PI / 5) + 4, 6);
    expect(partOfFigure(figure, { of: 'round', roundId: 'r' }).page).toBe(figure.page);
  });

  it('is the same by its word', () => {
    for (const part of [
      { of: 'all' },
      { of: 'round', roundId: 'r' },
      { of: 'motif', roundId: 'r' },
      { of: 'shapes', roundId: 'r', shapeIds: ['a', 'b'] },
    ] as const)
      expect(partOfWord(wordOfPart(part))).toEqual(part);
    for (const word of ['', 'round', 'shapes:r', 'half:r']) expect(partOfWord(word)).toBeNull();
  });

  it('that is not there is all of it', () => {
    expect(partOfFigure(figure, { of: 'round', roundId: 'gone' })).toBe(figure);
  });
});
