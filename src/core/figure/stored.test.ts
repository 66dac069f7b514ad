import fc from 'fast-check';
import { describe, expect, it } from 'vitest';

import { anyFigure, Chance } from '../../../tests/help/anyFigure';
import { counter } from '../../../tests/help/figures';
import { addRound, linkRound, unlinkRound } from './commands';
import type { Figure } from './model';
import { newRound } from './start';
import { figureOfStored, storedFigure } from './stored';

const any = (seed: number): Figure => anyFigure(new Chance(seed), counter());

const back = (figure: Figure): unknown =>
  figureOfStored(JSON.parse(JSON.stringify(storedFigure(figure))) as Record<string, unknown>);

describe('a stored figure', () => {
  it('comes back as it was, whatever is in it, with each motif once', () => {
    fc.assert(
      fc.property(fc.integer({ min: 0, max: 1e6 }), (seed) => {
        const figure = any(seed);
        expect(back(figure)).toEqual(JSON.parse(JSON.stringify(figure)));
        const { motifs, rounds } = storedFigure(figure);
        expect(new Set(motifs.map(({ id }) => id)).size).toBe(motifs.length);
        expect(rounds.every(({ motif }) => motifs.some(({ id }) => id === motif))).toBe(true);
      }),
      { numRuns: 200 },
    );
  });

  it('keeps apart a motif of a round of its own that is called as others share theirs', () => {
    const base = ['b', 'c'].reduce((figure, id) => addRound(figure, newRound(id, id)), any(3));
    const [first] = base.rounds;
    const shared = linkRound(base, 'b', 'c', first?.id ?? '');
    expect(back(shared)).toEqual(JSON.parse(JSON.stringify(shared)));
    const names = storedFigure(shared).rounds.map(({ motif }) => motif);
    expect(names.filter((name) => name === first?.id)).toHaveLength(2);
    const alone = unlinkRound(shared, 'b');
    expect(back(alone)).toEqual(JSON.parse(JSON.stringify(alone)));
  });

  it('is the same objects for the same rounds, both ways', () => {
    const figure = any(7);
    const renamed = { ...figure, name: 'Another' };
    expect(storedFigure(renamed).rounds[0]).toBe(storedFigure(figure).rounds[0]);
    const stored = storedFigure(figure) as unknown as Record<string, unknown>;
    const [one, other] = [stored, { ...stored, name: 'Another' }].map(figureOfStored) as unknown as Figure[];
    expect(other?.rounds[0]).toBe(one?.rounds[0]);
  });

  it('leaves what is broken for the check to name', () => {
    const stored = storedFigure(any(1)) as unknown as Record<string, unknown>;
    const without = figureOfStored({ ...stored, motifs: [] }) as unknown as Figure;
    expect(without.rounds[0]).not.toHaveProperty('shapes');
    for (const broken of [
      { motifs: [], rounds: 3 },
      { motifs: [7, null], rounds: [null, 'x', {}] },
      { rounds: [] },
    ])
      expect(() => figureOfStored(broken)).not.toThrow();
  });
});
