import fc from 'fast-check';
import { describe, expect, it } from 'vitest';

import { DAY, keptPositions, START_RULES, type TimedStep } from './thinning';

const HOUR = DAY / 24;
const NOW = Date.parse('2026-11-30T12:00:00Z');
const ago = (time: number): string => new Date(NOW - time).toISOString();
const kept = (steps: readonly TimedStep[], shown = 0, rules = START_RULES): number[] => [
  ...keptPositions(steps, { shown, now: NOW, rules }),
];
const sorted = (list: readonly number[]): number[] => [...list].sort((a, b) => a - b);

describe('which steps stay', () => {
  it('all of the last day, then the last of each hour, then of each day', () => {
    const minutes = (from: number, count: number, first: number): TimedStep[] =>
      Array.from({ length: count }, (_, k) => ({ position: first + k, at: ago(from - k * (HOUR / 60)) }));
    const old = minutes(40 * DAY - HOUR, 30, 0);
    const recent = minutes(3 * DAY - 0.5 * HOUR, 60, 30);
    const today = minutes(5 * HOUR, 20, 90);
    const stays = sorted(kept([...old, ...recent, ...today]));
    expect(stays.filter((each) => each >= 90)).toHaveLength(20);
    // An hour of minutes that begins in the middle of one is in two hours.
    expect(stays.filter((each) => each >= 30 && each < 90)).toHaveLength(2);
    expect(stays.filter((each) => each < 30)).toEqual([0, 29]);
  });

  it('keeps everything where that is said', () => {
    const steps = [900, 500, 1].map((days, position) => ({ position, at: ago(days * DAY) }));
    expect(kept(steps, 0, { all: null, hourly: 0 })).toEqual([0, 1, 2]);
  });

  const history = fc
    .array(fc.integer({ min: 0, max: 90 * 24 * 60 }), { minLength: 1, maxLength: 80 })
    .map((minutes) =>
      [...minutes].sort((a, b) => b - a).map((each, position) => ({ position, at: ago(each * 60_000) })),
    );
  const anyRules = fc.record({
    all: fc.option(fc.integer({ min: 1, max: 40 })),
    hourly: fc.integer({ min: 0, max: 60 }),
  });

  it('never loses the first, the last, the one that is shown, or one that is young enough; an hour and a day keep one', () => {
    fc.assert(
      fc.property(history, anyRules, fc.nat(), (steps, rules, some) => {
        const shown = some % steps.length;
        const stays = new Set(kept(steps, shown, rules));
        for (const position of [0, steps.length - 1, shown]) expect(stays.has(position)).toBe(true);
        for (const { position, at } of steps) {
          const age = (NOW - Date.parse(at)) / DAY;
          if (rules.all === null || age <= rules.all) expect(stays.has(position)).toBe(true);
          const coarse = age <= (rules.all ?? 0) + rules.hourly ? HOUR : DAY;
          const near = steps.filter(
            (other) => stays.has(other.position) && Math.abs(Date.parse(other.at) - Date.parse(at)) < coarse,
          );
          expect(near.length).toBeGreaterThan(0);
        }
      }),
      { numRuns: 200 },
    );
  });

  it('what stayed stays when it is done again at once', () => {
    fc.assert(
      fc.property(history, anyRules, (steps, rules) => {
        const once = new Set(kept(steps, 0, rules));
        const left = steps.filter(({ position }) => once.has(position));
        expect(sorted(kept(left, 0, rules))).toEqual(sorted([...once]));
      }),
    );
  });
});
