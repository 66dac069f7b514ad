import type { Editor } from '@/state';
import { MotifPointer, placementIn, toMotif, type PanePoint } from './pointer';

/** Shows the point that a press would catch. */
export const catchPoint = (editor: Editor, p: PanePoint): void => {
  new MotifPointer(editor, p.pane, placementIn(editor.getState(), p.pane)).at(p);
};

/** Shows where the pointer is, and nothing caught there. */
export function followPointer(editor: Editor, { pane, figure }: PanePoint): void {
  const at = toMotif(placementIn(editor.getState(), pane), figure);
  editor.setState({ pointer: { pane, snapped: { point: at, caught: [], ring: null }, which: 0, of: 0 } });
}
