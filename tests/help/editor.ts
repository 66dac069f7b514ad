import type { Figure } from '@/core/figure/model';
import { createEditor, type Editor } from '@/state/editor';

/** An editor of a figure as it is opened from the server. */
export const editorOf = (figure: Figure): Editor =>
  createEditor({
    id: 'x',
    name: figure.name,
    revision: 1,
    updatedAt: '',
    figure,
    step: 0,
    steps: [{ position: 0, label: 'Start', figure }],
  });
