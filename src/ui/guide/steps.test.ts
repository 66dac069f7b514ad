import { describe, expect, it } from 'vitest';

import { newFigure } from '@/core/figure';
import type { GuideStart } from '@/state';
import { STEPS } from './steps';

const figure = newFigure('Any', 'r');
const begun: GuideStart = { figure, shapes: 0, fold: 8, isMerged: false, stage: 'draw', handedOut: 0 };
const done = (at: string, now: Partial<GuideStart>, from: Partial<GuideStart> = {}): boolean =>
  STEPS.find((step) => step.at === at)!.isDone({ ...begun, ...now }, { ...begun, ...from });

describe('the steps to a first figure', () => {
  it('are done by what is done in the editor, and not before', () => {
    for (const { isDone } of STEPS) expect(isDone(begun, begun)).toBe(false);
    expect(done('petal', { shapes: 1 })).toBe(true);
    expect(done('fold', { fold: 14 })).toBe(true);
    expect(done('merge', { isMerged: true })).toBe(true);
    expect(done('merge', { isMerged: true }, { isMerged: true })).toBe(false);
    expect(done('palette', { figure: { ...figure }, stage: 'draw' })).toBe(false);
    expect(done('palette', { figure: { ...figure }, stage: 'colour' })).toBe(true);
    expect(done('export', { handedOut: 1 })).toBe(true);
  });
});
