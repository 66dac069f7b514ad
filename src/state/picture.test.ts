import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';

import { editorOf } from '../../tests/help/editor';
import { disc } from '../../tests/help/figures';
import { screenData } from '@/core/format';
import { addShapes, moveShapes, setFold } from '@/core/figure/commands';
import { type Figure, newFigure, newRound, newShape } from '@/core/figure';
import { NO_TURN } from '@/core/number';
import type { SceneItem } from '@/core/scene';
import { type Editor, type EditorState, shownFigure } from './editorState';
import { pictureOf } from './picture';
import { sceneOf } from './scene';
import { select } from './selecting';
import { preview } from './settle';

const circle = (id: string, y: number) => newShape(id, id, disc(2, y, 3), { fill: '#336699', stroke: null });

const itemOf = (state: EditorState, id: string): SceneItem => {
  const items = sceneOf(state).layers.flatMap((layer) => layer.items);
  return items.find(({ origin }) => origin.of === 'shape' && origin.shapeId === id)!;
};

/** An editor with a shape in hand, and what is drawn of it as a pane would. */
function held(): {
  editor: Editor;
  drag: (by: number) => Figure;
  drawnAnew: () => number;
  outline: () => string;
  right: () => string;
} {
  const figure = setFold(
    addShapes(newFigure('Picture', 'r'), 'r', [circle('a', -20), circle('b', -40)]),
    'r',
    7,
  );
  const editor = editorOf(figure);
  select(editor, 'r', ['a']);
  const picture = pictureOf(editor);
  let [count, outline] = [0, ''];
  let end = () => {};
  const draw = (): void => {
    end();
    const item = itemOf(picture.snapshot(), 'a');
    outline = screenData(item.paths);
    end = picture.draws(item, (d) => (outline = d));
  };
  picture.subscribe(() => {
    count += 1;
    draw();
  });
  draw();
  return {
    editor,
    drag: (by) => {
      editor.setState({
        pointer: {
          pane: 'bench',
          snapped: { point: { x: by, y: 0 }, caught: [], ring: null },
          which: 0,
          of: 0,
        },
      });
      const next = moveShapes(figure, 'r', new Set(['a']), { x: by, y: 0 });
      preview(editor, next);
      return next;
    },
    drawnAnew: () => count,
    outline: () => outline,
    right: () => screenData(itemOf(editor.getState(), 'a').paths),
  };
}

describe('The picture while something is dragged', () => {
  beforeEach(() => void vi.useFakeTimers());
  afterEach(() => void vi.useRealTimers());

  it('is drawn anew once, and then gets new outlines at once; all of it follows after a while', () => {
    const { editor, drag, drawnAnew, outline, right } = held();
    drag(1);
    expect(drawnAnew()).toBe(1);
    for (let by = 2; by < 9; by += 1) {
      drag(by);
      expect(outline()).toBe(right());
    }
    expect(drawnAnew()).toBe(1);
    vi.advanceTimersByTime(500);
    expect(drawnAnew()).toBe(2);
    expect(shownFigure(pictureOf(editor).snapshot())).toBe(editor.getState().live);
    expect(outline()).toBe(right());
    // Nothing follows when nothing goes on.
    vi.advanceTimersByTime(5000);
    expect(drawnAnew()).toBe(2);
  });

  it('is what it was where the drag is given up, and where it comes back to where it was', () => {
    const { editor, drag, drawnAnew, outline, right } = held();
    const before = right();
    drag(1);
    drag(4);
    drag(1);
    expect(drawnAnew()).toBe(1);
    expect(outline()).toBe(right());
    drag(5);
    preview(editor, null);
    expect(right()).toBe(before);
    expect(outline()).toBe(before);
  });

  it('is drawn anew where anything else changes: the fold, the view, what is selected', () => {
    const { editor, drag, drawnAnew, outline, right } = held();
    drag(1);
    preview(editor, setFold(drag(2), 'r', 9));
    expect(drawnAnew()).toBe(2);
    drag(3);
    expect(drawnAnew()).toBe(3);
    drag(4);
    editor.setState({ outlines: true });
    expect(drawnAnew()).toBe(4);
    select(editor, 'r', ['b']);
    expect(drawnAnew()).toBe(5);
    expect(outline()).toBe(right());
  });

  it('is drawn anew with each move where the Bench shows lines of it, as of a round that cuts another', () => {
    const under = { ...newRound('under', 'Under', 5), shapes: [circle('u', -30)] };
    const over = {
      ...newRound('over', 'Over', 5),
      shapes: [circle('o', -30)],
      lowerAction: { how: 'cut' as const },
    };
    const figure = { ...newFigure('Cut', 'under'), rounds: [under, over] };
    const editor = editorOf(figure);
    select(editor, 'over', ['o']);
    editor.setState(({ selection }) => ({
      selection: {
        ...selection,
        others: new Map([['under', { ids: new Set(['u']), placement: { turn: NO_TURN, mirrored: false } }]]),
      },
    }));
    let count = 0;
    pictureOf(editor).subscribe(() => (count += 1));
    editor.setState({
      pointer: { pane: 'bench', snapped: { point: { x: 0, y: 0 }, caught: [], ring: null }, which: 0, of: 0 },
    });
    for (let by = 1; by <= 4; by += 1) {
      const moved = moveShapes(figure, 'over', new Set(['o']), { x: by, y: 0 });
      preview(editor, moveShapes(moved, 'under', new Set(['u']), { x: by, y: 0 }));
    }
    expect(count).toBe(4);
  });

  it('is drawn anew where no hand is on a pane, as for a slider', () => {
    const { editor, drag, drawnAnew } = held();
    const next = drag(1);
    editor.setState({ pointer: null });
    preview(editor, moveShapes(next, 'r', new Set(['a']), { x: 1, y: 0 }));
    preview(editor, moveShapes(next, 'r', new Set(['a']), { x: 2, y: 0 }));
    expect(drawnAnew()).toBe(3);
  });
});
