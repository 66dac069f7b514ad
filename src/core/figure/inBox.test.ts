import { describe, expect, it } from 'vitest';

import { disc, withForms } from '../../../tests/help/figures';
import { STRAIGHT } from '@/core/derive';
import { degreesOf, NO_TURN, turn } from '@/core/number';
import { addRound, addShapes, lockRound, setFold } from './commands';
import { shapesInBox } from './inBox';
import { newRound, newShape, START_PAINT } from './start';

const upright = { turn: NO_TURN, mirrored: false };

/** A disc at 40 in round r, fourfold, and one at 60 in round q, sixfold. */
const figure = addShapes(
  addRound(setFold(withForms(disc(0, -40, 5)), 'r', 4), newRound('q', 'Other', 6)),
  'q',
  [newShape('q0', 'Disc', disc(0, -60, 5), START_PAINT)],
);
const found = (box: [number, number, number, number], of = figure) =>
  shapesInBox(of, { left: box[0], top: box[1], right: box[2], bottom: box[3] }, upright, STRAIGHT);

describe('a box over a figure', () => {
  it('holds shapes of every round that lie whole in it, in any copy', () => {
    expect(found([-20, -80, 20, -20]).map(({ roundId, ids }) => [roundId, [...ids]])).toEqual([
      ['r', ['s0']],
      ['q', ['q0']],
    ]);
    const [right, ...more] = found([30, -10, 60, 10]);
    expect(more).toEqual([]);
    expect(right?.roundId).toBe('r');
    expect(degreesOf(right!.placement.turn)).toBe(90);
  });

  it('holds nothing that stands out of it, or is locked', () => {
    expect(found([-20, -44, 20, -20])).toEqual([]);
    expect(found([-20, -80, 20, -20], lockRound(figure, 'q', true)).map(({ roundId }) => roundId)).toEqual([
      'r',
    ]);
  });

  it('is told in a frame that has another direction upright', () => {
    const turned = (up: number) =>
      shapesInBox(
        figure,
        { left: -10, right: 10, top: -70, bottom: -30 },
        upright,
        STRAIGHT,
        turn(up, 12),
      ).map(({ roundId, placement }) => [roundId, degreesOf(placement.turn)]);
    expect(turned(2)).toEqual([['q', 60]]);
    expect(turned(3)).toEqual([['r', 90]]);
    expect(turned(6)).toEqual([
      ['r', 180],
      ['q', 180],
    ]);
  });

  it('is of the copy that is edited where all are in it', () => {
    const all = found([-90, -90, 90, 90]);
    expect(all).toHaveLength(2);
    expect(all.every(({ placement }) => degreesOf(placement.turn) === 0)).toBe(true);
  });
});
