'use client';

import type { Point } from '@/core/curve';
import { addToPalette, setPage } from '@/core/figure/commands';
import { endsOver } from '@/core/paint';
import { Pipette } from 'lucide-react';

import type { Gradient } from '@/core/scene';
import { act, shownFigure } from '@/state';
import { useEditor, useEditorState, usePanelState } from '@/ui/desk';
import { Button } from '@/ui/common';
import { takeTool } from '@/ui/tools';
import { FillField } from '@/ui/colour';

/** The page's background: none, a colour, or a gradient over the page. */
export function BackgroundField() {
  const editor = useEditor();
  const { page, palette } = shownFigure(usePanelState());
  const { width, height, centre } = page;
  const [left, top] = [-width / 2 - centre.x, -height / 2 - centre.y];
  const endsOf = (kind: Gradient['kind']): [Point, Point] =>
    endsOver(kind, { left, top, right: left + width, bottom: top + height });
  const isPicking = useEditorState(({ tool }) => tool === 'eyedropper');
  return (
    <>
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
      <Button
        aria-pressed={isPicking}
        title="Click a colour in either pane: it becomes the background"
        onClick={() => takeTool(editor, isPicking ? 'select' : 'eyedropper')}
      >
        <Pipette size={15} strokeWidth={1.7} aria-hidden />
        {isPicking ? 'Click a colour in a pane' : 'Take it from the picture'}
      </Button>
    </>
  );
}
