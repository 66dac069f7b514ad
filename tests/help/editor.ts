import type { Figure } from '@/core/figure';
import { createEditor, type Editor } from '@/state';
import { stepTo } from '@/state/editor';

/** An editor of a figure as it is opened from the server. */
export const editorOf = (figure: Figure): Editor =>
  createEditor({
    id: 'x',
    name: figure.name,
    revision: 1,
    updatedAt: '',
    figure,
    step: 0,
    savedBy: null,
    steps: [{ position: 0, label: 'Start', figure }],
  });

/** Undo and redo of steps that are here. */
export const stepBack = (editor: Editor): void => stepTo(editor, editor.getState().history.at - 1);
export const stepForward = (editor: Editor): void => stepTo(editor, editor.getState().history.at + 1);
