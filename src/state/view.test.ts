import { describe, expect, it } from 'vitest';

import { addRound, addShapes, moveShapes } from '@/core/figure/commands';
import { newRound, newShape, START_PAINT } from '@/core/figure';
import { disc, withForms } from '../../tests/help/figures';
import { editorOf } from '../../tests/help/editor';
import { commit } from './editor';
import { select } from './selecting';
import { preview } from './settle';
import { shownFigure, type Editor } from './editorState';
import { keepView } from './keepView';
import { benchView, viewForRound } from './view';

/** Round `r` reaches 45, round `s` 6. */
function opened(): Editor {
  const outer = withForms(disc(0, -40, 5));
  const both = addShapes(addRound(outer, newRound('s', 'Inner', 8)), 's', [
    newShape('t', 'Dot', disc(0, -4, 2), START_PAINT),
  ]);
  const editor = editorOf(both);
  editor.setState(({ sizes }) => ({
    sizes: { ...sizes, bench: { width: 480, height: 740 }, whole: { width: 400, height: 740 } },
  }));
  return editor;
}

describe('the view of the Bench', () => {
  it('comes closer to a round that would be a speck, goes back for one that is seen, and else stays', () => {
    const editor = opened();
    select(editor, 'r');
    expect(viewForRound(editor.getState())).toBeNull();
    select(editor, 's');
    const close = viewForRound(editor.getState());
    expect(close!.scale).toBeGreaterThan(3 * benchView(editor.getState()).scale);
    editor.setState(({ views }) => ({ views: { ...views, bench: close } }));
    expect(viewForRound(editor.getState())).toBe(close);
    select(editor, 'r');
    expect(viewForRound(editor.getState())).toBeNull();
    // Where a person put it, it stays as long as the round is seen.
    const own = { scale: 6, x: 200, y: 500 };
    editor.setState(({ views }) => ({ views: { ...views, bench: own } }));
    expect(viewForRound(editor.getState())).toBe(own);
  });

  it('stays where it is when what is dragged out of the page is let go', () => {
    const editor = opened();
    const end = keepView(editor);
    const before = benchView(editor.getState());
    const far = moveShapes(shownFigure(editor.getState()), 'r', new Set(['s0']), { x: 0, y: -200 });
    preview(editor, far);
    commit(editor, 'Move', shownFigure(editor.getState()));
    expect(shownFigure(editor.getState())).toBe(far);
    expect(benchView(editor.getState())).toEqual(before);
    end();
    editor.setState(({ views }) => ({ views: { ...views, bench: null } }));
    expect(benchView(editor.getState()).scale).toBeLessThan(before.scale);
  });
});
