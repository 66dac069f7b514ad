'use client';

import { addToPalette, setPage } from '@/core/figure/commands';
import { endsOver } from '@/core/paint/gradient';
import type { Gradient } from '@/core/scene/scene';
import { act, shownFigure } from '@/state/editor';
import { useEditor, useEditorState } from '../editor/EditorContext';
import { FillField } from './FillField';

/** The page's background: none, a colour, or a gradient over the page. */
export function BackgroundField() {
  const editor = useEditor();
  const { page, palette } = useEditorState(shownFigure);
  const { width, height, centre } = page;
  const endsOf = (kind: Gradient['kind']): Pick<Gradient, 'from' | 'to'> => {
    const [left, top] = [-width / 2 - centre.x, -height / 2 - centre.y];
    const [from, to] = endsOver(kind, { left, top, right: left + width, bottom: top + height });
    return { from, to };
  };
  return (
    <FillField
      label="Background"
      value={page.background}
      mixed={false}
      palette={palette}
      unit={page.unit}
      endsOf={endsOf}
      only="page"
      onChange={(background, key) =>
        act(editor, 'Background', (figure) => setPage(figure, { background }), key)
      }
      onKeep={(colour) => act(editor, 'Keep colour', (figure) => addToPalette(figure, colour))}
    />
  );
}
