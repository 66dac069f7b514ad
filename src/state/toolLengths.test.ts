import { describe, expect, it } from 'vitest';

import { editorOf, stepBack } from '../../tests/help/editor';
import { inUnit, setPage } from '@/core/figure/commands';
import { handLength, newFigure } from '@/core/figure';
import { commit } from './editor';
import { shownFigure } from './editorState';
import { followPage } from './toolLengths';

describe('what tools begin with', () => {
  it('is a round number near a hundredth of the page’s shorter side', () => {
    const lengths = [
      [180, 180, 2],
      [297, 210, 2],
      [50, 50, 0.5],
      [24, 24, 0.2],
      [512, 512, 5],
      [1080, 1920, 10],
      [7.087, 7.087, 0.1],
      [90_000, 90_000, 1000],
    ] as const;
    for (const [width, height, length] of lengths) expect(handLength({ width, height })).toBe(length);
  });

  it('follows the page and its unit, but for what was set by hand, which keeps its size', () => {
    const editor = editorOf(newFigure('A', 'r'));
    const end = followPage(editor);
    const { nudge, hand, stamp } = editor.getState();
    expect([nudge, hand.width, hand.taper, stamp.size, stamp.spacing]).toEqual([1, 4, 8, 4, 6]);
    editor.setState({ hand: { ...hand, width: 3 } });
    commit(editor, 'Icon', setPage(shownFigure(editor.getState()), { width: 24, height: 24, unit: 'px' }));
    expect(editor.getState().nudge).toBeCloseTo(0.1, 12);
    expect(editor.getState().stamp.spacing).toBeCloseTo(0.6, 12);
    // The numbers were kept with the new unit, and so is what was set.
    expect(editor.getState().hand).toMatchObject({ width: 3, taper: 0.8 });
    stepBack(editor);
    expect(editor.getState().nudge).toBe(1);
    // As large as before in inches: round there, and what was set as large as it was.
    commit(editor, 'Inches', inUnit(shownFigure(editor.getState()), 'in'));
    expect(editor.getState().nudge).toBeCloseTo(0.05, 12);
    expect(editor.getState().hand.width).toBeCloseTo(3 / 25.4, 12);
    stepBack(editor);
    expect(editor.getState().nudge).toBe(1);
    expect(editor.getState().hand.width).toBeCloseTo(3, 12);
    end();
  });
});
