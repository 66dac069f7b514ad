import { type Editor, type PaneId, select } from '@/state';
import { panePoint } from './pointer';
import { hitAt } from './select';

const isPane = (name: string | undefined): name is PaneId => name === 'bench' || name === 'whole';

/** Selects what is under the pointer in a pane, unless it is selected already with others. */
export function selectUnder(editor: Editor, event: MouseEvent): void {
  const pane = event.target instanceof Element ? event.target.closest('[data-pane]') : null;
  const name = pane instanceof HTMLElement ? pane.dataset['pane'] : undefined;
  if (!pane || !isPane(name)) return;
  const hit = hitAt(editor, panePoint(editor, name, pane, event));
  if (!hit || editor.getState().selection.shapeIds.has(hit.shapeId)) return;
  select(editor, hit.roundId, [hit.shapeId], name === 'whole' ? hit.placement : undefined);
}
