import { describe, expect, it } from 'vitest';

import { newFigure } from '@/core/figure';
import { act } from '@/state/editor';
import { shownFigure } from '@/state/editorState';
import { editorOf } from '../../tests/help/editor';
import { drawnOf, restOf } from './rest';

describe('the state at rest', () => {
  const editor = editorOf(newFigure('Rest', 'r'));
  const now = () => restOf(editor)(editor.getState());

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
    expect(restOf(other)(other.getState())).not.toBe(now());
    expect(shownFigure(restOf(other)(other.getState())).name).toBe('Other');
  });
});

describe('what is drawn over the panes', () => {
  it('stays the same object through a save, and follows what is done and pointed at', () => {
    const editor = editorOf(newFigure('Drawn', 'r'));
    const now = () => drawnOf(editor)(editor.getState());
    const before = now();
    editor.setState(({ history }) => ({
      save: { kind: 'waiting' },
      revision: 7,
      history: { ...history, unsavedFrom: 0 },
    }));
    expect(now()).toBe(before);
    editor.setState({ lit: { refs: ['a@0'], kind: null, own: [] } });
    expect(now().lit?.refs).toEqual(['a@0']);
    act(editor, 'Rename', (figure) => ({ ...figure, name: 'Another' }));
    expect(shownFigure(now()).name).toBe('Another');
  });
});
