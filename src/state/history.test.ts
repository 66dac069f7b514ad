import fc from 'fast-check';
import { describe, expect, it } from 'vitest';

import { newFigure } from '@/core/figure';
import {
  atPosition,
  figureBefore,
  figureOf,
  firstHere,
  historyOf,
  positionAfter,
  record,
  redoLabel,
  undoLabel,
  type History,
  unsavedSteps,
  withEarlier,
  withoutLongAgo,
} from './history';

const named = (name: string) => newFigure(name, 'a');
const start = named('Start');
const undo = (history: History): History => atPosition(history, history.at - 1);
const redo = (history: History): History => atPosition(history, positionAfter(history));
const fresh = () => historyOf([{ position: 0, label: 'Start', figure: named('0') }], 0);

describe('history', () => {
  it('goes back and forth over everything that was done', () => {
    fc.assert(
      fc.property(fc.array(fc.constantFrom('do', 'undo', 'redo'), { maxLength: 60 }), (actions) => {
        let history = fresh();
        let model = ['0'];
        let at = 0;
        actions.forEach((action, k) => {
          if (action === 'do') {
            history = record(history, `Step ${k}`, named(`n${k}`));
            model = [...model.slice(0, at + 1), `n${k}`];
            at += 1;
          } else if (action === 'undo') {
            history = undo(history);
            at = Math.max(0, at - 1);
          } else {
            history = redo(history);
            at = Math.min(model.length - 1, at + 1);
          }
          expect(figureOf(history).name).toBe(model[at]);
          expect(redoLabel(history) === null).toBe(at === model.length - 1);
          expect(undoLabel(history) === null).toBe(at === 0);
        });
      }),
    );
  });

  it('makes no step of no change, and one of a run with one key', () => {
    let history = fresh();
    expect(record(history, 'Nothing', figureOf(history))).toBe(history);
    for (const name of ['a', 'b', 'c']) history = record(history, 'Nudge', named(name), 'nudge');
    expect(history.at).toBe(1);
    expect(figureOf(undo(history)).name).toBe('0');
    expect(record(undo(redo(history)), 'Nudge', named('d'), 'nudge').steps).toHaveLength(2);
  });

  it('knows what the server has not got, a replaced future included', () => {
    let history = { ...fresh(), unsavedFrom: Infinity };
    for (const name of ['a', 'b', 'c']) history = record(history, name, named(name));
    expect(unsavedSteps(history).map(({ position }) => position)).toEqual([1, 2, 3]);
    history = { ...history, unsavedFrom: Infinity };
    history = record(undo(undo(history)), 'd', named('d'));
    expect(unsavedSteps(history).map(({ label }) => label)).toEqual(['d']);
    expect(history.steps.map(({ label }) => label)).toEqual(['Start', 'a', 'd']);
  });

  it('goes over gaps, where steps of long ago were thinned', () => {
    const steps = [0, 7, 30, 31].map((position) => ({
      position,
      label: `Step ${position}`,
      figure: named(String(position)),
    }));
    let history = historyOf(steps, 31);
    const shown = (): [number, string] => [history.at, figureOf(history).name];
    const seen = [0, 0, 0, 0].map(() => {
      history = undo(history);
      return shown();
    });
    expect(seen).toEqual([
      [30, '30'],
      [7, '7'],
      [0, '0'],
      [0, '0'],
    ]);
    expect(redoLabel(history)).toBe('Step 7');
    history = redo(redo(history));
    expect(shown()).toEqual([30, '30']);
    expect(figureBefore(history, 30)?.name).toBe('7');
    // Something new after an old step takes the place of what could be redone.
    history = record(undo(history), 'New', named('new'));
    expect(history.steps.map(({ position }) => position)).toEqual([0, 7, 8]);
  });

  it('leaves steps of long ago to the server, but none that is shown or that goes there yet', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 1, max: 900 }),
        fc.nat(),
        fc.option(fc.nat(), { nil: null }),
        (count, shown, unsaved) => {
          const steps = Array.from({ length: count }, (_, position) => ({
            position,
            label: `Step ${position}`,
            figure: start,
          }));
          const unsavedFrom = unsaved === null ? Infinity : 1 + (unsaved % count);
          const history = { ...historyOf(steps, shown % count), unsavedFrom };
          const left = withoutLongAgo(history);
          expect(left.steps.at(-1)).toBe(steps.at(-1));
          expect(firstHere(left)).toBeLessThanOrEqual(Math.min(history.at, unsavedFrom - 1));
          expect(left.steps.length).toBeGreaterThanOrEqual(Math.min(count, 200));
          const isAllSaved = unsavedFrom === Infinity && history.at === count - 1;
          if (isAllSaved) expect(left.steps.length).toBeLessThanOrEqual(300);
          expect([left.at, left.unsavedFrom]).toEqual([history.at, unsavedFrom]);
        },
      ),
    );
  });

  it('asks for earlier steps and takes them up', () => {
    const late = historyOf([{ position: 5, label: 'Fifth', figure: named('5') }], 5);
    expect(undo(late)).toBe(late);
    const earlier = [3, 4].map((position) => ({
      position,
      label: `Step ${position}`,
      figure: named(String(position)),
    }));
    const whole = withEarlier(late, earlier);
    expect(firstHere(whole)).toBe(3);
    expect(figureOf(undo(whole)).name).toBe('4');
    expect(() => figureOf(historyOf([], 0))).toThrow(RangeError);
  });
});
