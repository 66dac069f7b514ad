import { describe, expect, it } from 'vitest';

import { anyFigure, Chance } from '../../../tests/help/anyFigure';
import { counter, disc, withForms } from '../../../tests/help/figures';
import { STRAIGHT } from '@/core/derive';
import { addRound, roundOf, setFold, setRoundWhirl, START_WHIRL } from '@/core/figure/commands';
import { evaluateWhole, figureSchema, newRound, seenPaths } from '@/core/figure';
import { MAKERS, neighbourGap } from '@/core/maker';
import { NO_TURN } from '@/core/number';
import { leversOf } from './levers';
import { afterPicks, WALL, wallOf, type WallPlan } from './wall';

const petal = { kind: 'petal' as const, at: { x: 0, y: 0 }, rotation: NO_TURN, params: MAKERS.petal.start };
const FIGURE = setFold(withForms(petal, disc(0, -70, 6)), 'r', 8);
const plan = (part: Partial<WallPlan>): WallPlan => ({
  levers: ['r fold'],
  how: 'even',
  bold: 'near',
  seed: 1,
  ...part,
});
const titles = (part: Partial<WallPlan>): string[] =>
  wallOf(FIGURE, plan(part), STRAIGHT).map(({ title }) => title);
const leverOf = (key: string) => leversOf(FIGURE, STRAIGHT).find((lever) => lever.key === key)!;

describe('levers', () => {
  it('read back what they set, each in a figure that is valid, and leave the figure that they are of', () => {
    const chance = new Chance(7);
    let tried = 0;
    for (let k = 0; k < 5; k += 1) {
      const figure = anyFigure(chance, counter());
      const before = JSON.stringify(figure);
      for (const lever of leversOf(figure, STRAIGHT)) {
        // What reaches somewhere is found by a search, and has a number where that succeeds.
        if (/ (outer|inner|gap|start)$/.test(lever.key)) continue;
        const value =
          lever.type === 'choice'
            ? chance.of(lever.choices)[0]
            : lever.type === 'count'
              ? Math.min(lever.most, lever.value + 1)
              : lever.value * 0.9;
        const made = lever.set(figure, value, STRAIGHT);
        expect(figureSchema.validate(made, { convert: false }).error, lever.key).toBeUndefined();
        const again = leversOf(made, STRAIGHT).find(({ key }) => key === lever.key);
        if (made === figure || !again) continue;
        tried += 1;
        if (typeof value === 'number') expect(again.value, lever.key).toBeCloseTo(value, 5);
        else expect(again.value, lever.key).toBe(value);
      }
      expect(JSON.stringify(figure)).toBe(before);
    }
    expect(tried).toBeGreaterThan(50);
  });

  it('of a gap keep it, and of a reach reach there', () => {
    const discs = setFold(withForms(disc(0, -70, 6)), 'r', 8);
    const lever = leversOf(discs, STRAIGHT).find(({ key }) => key === 'r gap')!;
    const gap = lever.set(discs, 1.5, STRAIGHT);
    const round = roundOf(gap, 'r');
    expect(neighbourGap(seenPaths(round, STRAIGHT), round.rule)).toBeCloseTo(1.5, 6);
    const far = leverOf('r outer').set(FIGURE, 120, STRAIGHT);
    expect(leversOf(far, STRAIGHT).find(({ key }) => key === 'r outer')?.value).toBeCloseTo(120, 6);
  });

  it('are of whirls, places among rounds and choices too', () => {
    const two = addRound(setRoundWhirl(FIGURE, 'r', START_WHIRL), newRound('s', 'Other', 5));
    const keys = leversOf(two, STRAIGHT).map(({ key }) => key);
    expect(keys).toEqual(expect.arrayContaining(['r whirl angle', 'r order', 'r merge', 'r mirror']));
    const moved = leversOf(two, STRAIGHT)
      .find(({ key }) => key === 'r order')!
      .set(two, 2, STRAIGHT);
    expect(moved.rounds.map(({ id }) => id)).toEqual(['s', 'r']);
  });
});

describe('a wall', () => {
  it('of one number goes evenly about what it is, that left out; far is bolder', () => {
    expect(titles({})).toEqual([2, 3, 4, 5, 6, 7, 9, 10, 11, 12, 13, 14].map((fold) => `Fold ${fold}`));
    const far = titles({ bold: 'far' }).map((title) => Number(title.split(' ')[1]));
    expect(Math.max(...far)).toBe(32);
    expect(far.toSorted((a, b) => a - b)).toEqual(far);
  });

  it('of two is a table, of choices all of them', () => {
    expect(titles({ levers: ['r mirror', 'r merge'] })).toHaveLength(3 * WALL.rows - 1);
    expect(titles({ levers: ['r merge'] })).toEqual([
      'Union',
      'Intersection',
      'Exclusion',
      'Once',
      'Twice or more',
      'Cells',
      'Weave',
    ]);
  });

  it('by chance is the same for one seed and another for another', () => {
    const by = (seed: number) => titles({ levers: ['r fold', 'r outer'], how: 'chance', bold: 'far', seed });
    expect(by(3)).toEqual(by(3));
    expect(by(3)).not.toEqual(by(4));
    expect(by(3).length).toBeGreaterThan(WALL.columns * (WALL.rows - 1));
  });

  it('hangs only what can be drawn, and what is picked is what hung', async () => {
    const chance = new Chance(11);
    for (let k = 0; k < 4; k += 1) {
      const figure = anyFigure(chance, counter());
      const levers = leversOf(figure, STRAIGHT);
      const each: WallPlan = {
        levers: [chance.of(levers).key, chance.of(levers).key],
        how: 'chance',
        bold: 'far',
        seed: k,
      };
      for (const { title, figure: made } of wallOf(figure, each, STRAIGHT).slice(0, 6)) {
        expect(figureSchema.validate(made, { convert: false }).error).toBeUndefined();
        expect(afterPicks(figure, [{ plan: each, title }], STRAIGHT)).toEqual(made);
        await evaluateWhole(made);
      }
    }
  });

  it('grows from what was picked before', () => {
    const first = { plan: plan({}), title: 'Fold 12' };
    const grown = afterPicks(
      FIGURE,
      [first, { plan: plan({ levers: ['r mirror'] }), title: 'Mirrored' }],
      STRAIGHT,
    );
    expect(grown && roundOf(grown, 'r').rule).toMatchObject({ fold: 12, mirror: true });
    expect(afterPicks(FIGURE, [{ ...first, title: 'Fold 99' }], STRAIGHT)).toBeNull();
  });

  it('is empty for a lever that is not there any more', () => {
    expect(titles({ levers: ['gone width'] })).toEqual([]);
    expect(titles({ levers: [] })).toEqual([]);
  });
});
