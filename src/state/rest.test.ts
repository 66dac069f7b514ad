import { describe, expect, it } from 'vitest';

import { newFigure } from '@/core/figure/start';
import { shownFigure } from '@/state/editor';
import { editorOf } from '../../tests/help/editor';
import { atRest } from './rest';

describe('the state at rest', () => {
  const editor = editorOf(newFigure('Rest', 'r'));
  const now = () => atRest(editor.getState());

  it('is the same object while only the pointer moves', () => {
    const before = now();
    editor.setState({
      pointer: {
        pane: 'bench',
        snapped: { point: { x: 1, y: 2 }, caught: [], ring: null },
        which: 0,
        of: 0,
      },
    });
    editor.setState({ lit: { refs: ['a@0'], kind: null, own: [] } });
    expect(now()).toBe(before);
  });

  it('follows all else, and what the pointer did until then', () => {
    const before = now();
    editor.setState({ outlines: true });
    expect(now()).not.toBe(before);
    expect(now().outlines).toBe(true);
    expect(now().lit?.refs).toEqual(['a@0']);
  });

  it('is another for another editor', () => {
    const other = editorOf(newFigure('Other', 'r'));
    expect(atRest(other.getState())).not.toBe(now());
    expect(shownFigure(atRest(other.getState())).name).toBe('Other');
  });
});
