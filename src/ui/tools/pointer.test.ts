import { beforeEach, describe, expect, it } from 'vitest';

import { editorOf, stepBack } from '../../../tests/help/editor';
import { addShapes } from '@/core/figure/commands';
import { type Figure, newFigure, newShape, START_PAINT } from '@/core/figure';
import type { Point } from '@/core/curve';
import { NO_TURN } from '@/core/number';
import { act, type Editor } from '@/state';
import { MotifPointer, type PanePoint } from './pointer';

const rectangle = (id: string, at: Point) =>
  newShape(
    id,
    id,
    {
      kind: 'rectangle',
      at,
      rotation: NO_TURN,
      params: { width: 6, height: 4, topLeft: 0, topRight: 0, bottomRight: 0, bottomLeft: 0 },
    },
    START_PAINT,
  );
const withShape = (figure: Figure, id: string, at: Point): Figure =>
  addShapes(figure, 'r', [rectangle(id, at)]);

let editor: Editor;
const caughtBy = (pointer: MotifPointer, at: Point): Point => {
  const p: PanePoint = {
    pane: 'bench',
    screen: at,
    figure: at,
    shift: false,
    alt: false,
    pressure: 0.5,
    free: false,
  };
  return pointer.caught(at, p);
};

beforeEach(() => {
  editor = editorOf(
    withShape(withShape(newFigure('Test', 'r'), 'a', { x: 13, y: -41 }), 'b', { x: 33, y: -61 }),
  );
  editor.setState({
    snapOn: new Set(['node']),
    sizes: { ...editor.getState().sizes, bench: { width: 700, height: 700 } },
  });
});

describe('what a pointer catches', () => {
  const beside = { x: 16.1, y: -43.1 };
  const corner = { x: 16, y: -43 };

  it('is nodes of shapes that stand still, not of those in hand', () => {
    const upright = { turn: NO_TURN, mirrored: false };
    expect(caughtBy(new MotifPointer(editor, 'bench', upright), beside)).toEqual(corner);
    expect(caughtBy(new MotifPointer(editor, 'bench', upright, new Set(['a'])), beside)).toEqual(beside);
  });

  it('is what the figure has now, however long the pointer is at work', () => {
    const pointer = new MotifPointer(editor, 'bench', { turn: NO_TURN, mirrored: false });
    const far = { x: 53.1, y: -83.1 };
    expect(caughtBy(pointer, far)).toEqual(far);
    act(editor, 'Add', (figure) => withShape(figure, 'c', { x: 50, y: -81 }));
    expect(caughtBy(pointer, far)).toEqual({ x: 53, y: -83 });
    stepBack(editor);
    expect(caughtBy(pointer, far)).toEqual(far);
  });
});
