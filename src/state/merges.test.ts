import { expect, it } from 'vitest';

import { editorOf } from '../../tests/help/editor';
import { disc, withForms } from '../../tests/help/figures';
import { roundOf, setMerge } from '@/core/figure/commands';
import { pathForm } from '@/core/maker';
import { hasNothingToMerge } from './merges';
import { shownFigure } from './editorState';

it('a round has nothing to merge where there is no area, or no line, that its merge asks for', () => {
  const filled = withForms(disc(0, -40, 22));
  const open = withForms(
    pathForm(
      [-50, -30].map((y) => ({ x: 0, y, kind: 'corner' })),
      false,
    ),
  );
  const has = (figure: typeof filled, op: 'union' | 'divide' | 'weave' | null): boolean => {
    const state = editorOf(setMerge(figure, 'r', op)).getState();
    return !hasNothingToMerge(state, roundOf(shownFigure(state), 'r'));
  };
  expect(has(filled, 'union')).toBe(true);
  expect(has(filled, 'divide')).toBe(true);
  expect(has(filled, 'weave')).toBe(false);
  expect(has(filled, null)).toBe(true);
  expect(has(open, 'union')).toBe(false);
});
