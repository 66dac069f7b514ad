import { describe, expect, it } from 'vitest';

import { PIECES } from '../../../demo/pieces';
import { made, refusal } from '../../../tests/help/made';
import { STRAIGHT } from '@/core/derive';
import { roundOf } from '@/core/figure/commands';
import { leversOf } from './levers';
import { nameOf, withSettings, type Setting } from './named';

const RING = PIECES['scallop-ring']!();
const set = (...settings: Setting[]) => withSettings(RING, settings, STRAIGHT);
const round = (name: string, figure = RING) =>
  roundOf(figure, figure.rounds.find((each) => each.name === name)!.id);

describe('numbers by their names', () => {
  it('are set in the order in which they are said, with units, fractions and words', () => {
    const figure = made(
      set(
        ['hub.fold', '12'],
        ['hub.petal.width', '0.5in'],
        ['hub.start', '360/24'],
        ['hub.mirror', 'Mirrored'],
        ['spoke.width', '3 + 1'],
      ),
    );
    expect(round('Hub', figure).rule).toEqual({ fold: 12, mirror: true, start: { num: 1, den: 24 } });
    const petal = round('Hub', figure).shapes.find(({ name }) => name === 'Petal');
    expect(petal?.form).toMatchObject({ params: { width: 12.7 } });
  });

  it('are every lever’s own, whole or by an end that no other has', () => {
    const levers = leversOf(RING, STRAIGHT);
    const names = levers.map(nameOf);
    expect(names.every((name) => /^[a-z0-9-]+(\.[a-z0-9-]+)+$/.test(name))).toBe(true);
    for (const lever of levers) {
      if (names.filter((name) => name === nameOf(lever)).length > 1) continue;
      // As it is already: found, understood, and nothing changed.
      const text = lever.type === 'degrees' ? `${lever.value}deg` : String(lever.value);
      expect(made(set([nameOf(lever), text])), nameOf(lever)).toBe(RING);
    }
  });

  it('say what they are called, what they may be, and what cannot be drawn', () => {
    expect(refusal(set(['hbu.fold', '9']))).toMatch(/“hbu\.fold”\. There are rim\.fold/);
    expect(refusal(set(['fold', '9']))).toMatch(/may be rim\.fold, .*hub\.fold: say which/);
    expect(refusal(set(['hub.fold', 'nine']))).toMatch(/“hub\.fold” cannot be “nine”/);
    expect(refusal(set(['hub.fold', '9.5']))).toMatch(/whole number/);
    expect(refusal(set(['hub.merge', 'melt']))).toMatch(/one of none, union/);
    expect(refusal(set(['hub.petal.width', '-3']))).toMatch(/cannot be drawn|above/);
  });
});
