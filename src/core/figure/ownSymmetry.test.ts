import { describe, expect, it } from 'vitest';

import { counter, disc, withForms, START_LINE } from '../../../tests/help/figures';
import { STRAIGHT } from '@/core/derive';
import { type Form, MAKERS, pathsOfForm } from '@/core/maker';
import { type Division, mergedFully } from '@/core/merge';
import { NO_TURN, turn } from '@/core/number';
import { isKeptByTurn } from '@/core/symmetry';
import { boundByFrame, drawFrame, roundOf, setFold, setFrame, setMerge, setSweep } from './commands';
import { seenFold } from './copies';
import { evaluate } from './evaluate';
import { mergeJobsOf, requestOf } from './jobs';
import type { Figure } from './model';

const placed = { at: { x: 0, y: 0 }, rotation: NO_TURN };
const lattice: Form = { kind: 'lattice', ...placed, params: MAKERS.lattice.start };
const dial: Form = {
  kind: 'dial',
  ...placed,
  params: { ...MAKERS.dial.start, sectors: 40, marks: [20, 40, 60, 80, 100] },
};

async function divided(figure: Figure): Promise<Division> {
  const request = requestOf(mergeJobsOf(figure, STRAIGHT)[0]!, {}, STRAIGHT);
  return (await mergedFully(request!, {})).division!;
}

const countOf = ({ cells }: Division): number => cells.reduce((sum, { size }) => sum + size, 0);

describe('what is symmetric about the centre', () => {
  it('is divided into kinds by its own symmetry, in a round that has none', async () => {
    const once = await divided(setMerge(setFold(withForms(lattice), 'r', 1), 'r', 'divide'));
    expect([once.fold, once.mirror]).toEqual([6, true]);
    expect(once.cells.length).toBeLessThan(countOf(once) / 5);
    // And has the same cells, counted once, where copies of it lie on one another.
    const six = await divided(setMerge(setFold(withForms(lattice), 'r', 6), 'r', 'divide'));
    expect(countOf(six)).toBe(countOf(once));
    expect(Math.max(...six.cells.map(({ depth }) => depth))).toBe(
      Math.max(...once.cells.map(({ depth }) => depth)),
    );
  });

  it('counts once beside what its round turns', async () => {
    const both = await divided(
      setMerge(setFold(withForms(lattice, disc(0, -70, 12)), 'r', 6), 'r', 'divide'),
    );
    const alone = await divided(setMerge(setFold(withForms(lattice), 'r', 6), 'r', 'divide'));
    expect(Math.max(...both.cells.map(({ depth }) => depth))).toBe(
      Math.max(...alone.cells.map(({ depth }) => depth)),
    );
  });

  it('is drawn once, however many paths it has', () => {
    const scene = evaluate(setFold(withForms(dial), 'r', 20), new Map(), STRAIGHT);
    expect(scene.layers.map(({ copies }) => copies.length)).toEqual([1]);
    // A dial that the fold does not divide is turned.
    const other = evaluate(setFold(withForms(dial), 'r', 7), new Map(), STRAIGHT);
    expect(other.layers.map(({ copies }) => copies.length)).toEqual([7]);
  });

  it('and so is a frame that is made paths', () => {
    let figure = setFold(withForms(), 'r', 8);
    figure = setFrame(figure, 'r', {
      polygon: { sides: 8, fit: 'in', radius: 60, diagonals: 'none' },
      rings: [30],
    });
    const drawn = drawFrame(figure, 'r', START_LINE, 200, counter()).figure;
    const scene = evaluate(drawn, new Map(), STRAIGHT);
    expect(scene.layers.map(({ items, copies }) => [items.length, copies.length])).toEqual([[2, 1]]);
  });

  it('and a dial or a frame of bars drawn there takes the fold, so that it is so', () => {
    for (const fold of [5, 7, 18, 100]) {
      const sectors = MAKERS.dial.inFold!(MAKERS.dial.start, fold);
      const form: Form = { kind: 'dial', ...placed, params: sectors };
      expect(isKeptByTurn(pathsOfForm(form, STRAIGHT), turn(1, fold))).toBe(true);
    }
    for (const fold of [3, 8, 72]) {
      const form: Form = {
        kind: 'barFrame',
        ...placed,
        params: MAKERS.barFrame.inFold!(MAKERS.barFrame.start, fold),
      };
      expect(isKeptByTurn(pathsOfForm(form, STRAIGHT), turn(1, fold))).toBe(true);
    }
    // No frame has two bars.
    expect(MAKERS.barFrame.inFold!(MAKERS.barFrame.start, 2)).toEqual(MAKERS.barFrame.start);
  });

  it('keeps the cells of files in which they were told apart by where they were found', async () => {
    const figure = boundByFrame(setMerge(setFold(withForms(lattice), 'r', 1), 'r', 'divide'), 'r', false);
    const old: Figure = {
      ...figure,
      rounds: figure.rounds.map((round) => ({
        ...round,
        merge: round.merge && { ...round.merge, cells: { ...round.merge.cells!, order: 'found' as const } },
      })),
    };
    expect((await divided(old)).fold).toBe(1);
  });
});

it('a sweep is as symmetric as what is seen of it: where its copies stand in all of so many even directions', () => {
  const swept = (fold: number, degrees: number, ends: boolean) =>
    seenFold(
      roundOf(
        setSweep(setFold(withForms(disc(0, -40, 5)), 'r', fold), 'r', { turn: turn(degrees, 360), ends }),
        'r',
      ),
    );
  expect(swept(24, 345, true)).toBe(24);
  expect(swept(72, 360 * 5, false)).toBe(72);
  expect(swept(6, 180, false)).toBe(1);
  // Once more than round: one lies on another, and all is not even.
  expect(swept(25, 360, true)).toBe(1);
});
