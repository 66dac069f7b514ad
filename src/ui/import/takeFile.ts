import { type Editor, fromScreen, type PaneId } from '@/state';
import type { DragEvent } from 'react';

import { DRAGGED, layPicture, takeMotif } from '@/ui/desk';
import { placementIn, toMotif, viewOf } from '@/ui/tools';

export const isArtwork = ({ type, name }: File): boolean =>
  type === 'image/svg+xml' || /\.(svg|dxf)$/i.test(name);

/** What can lie under the Bench as well. */
const isPicture = ({ name }: File): boolean => !/\.dxf$/i.test(name);

/** What a file is called without its ending. */
export const nameOfFile = (name: string): string => name.replace(/\.[^.]*$/, '') || 'Drawing';

/** Asks how a file of artwork is to be taken; another picture is laid under the Bench. */
export async function takeFile(editor: Editor, file: File, from: 'drop' | 'choose'): Promise<void> {
  if (!isArtwork(file)) {
    await layPicture(editor, file);
    return;
  }
  const text = await file.text();
  editor.setState({
    importing: { name: nameOfFile(file.name), text, file: isPicture(file) ? file : null, from },
  });
}

/** Puts a motif that is dragged out of the drawer where it is dropped. */
function dropMotif(editor: Editor, pane: PaneId, event: DragEvent): void {
  const { id, linked } = JSON.parse(event.dataTransfer.getData(DRAGGED)) as { id: string; linked: boolean };
  const box = event.currentTarget.getBoundingClientRect();
  const state = editor.getState();
  const at = fromScreen(viewOf(state, pane), { x: event.clientX - box.left, y: event.clientY - box.top });
  void takeMotif(editor, id, {
    at: toMotif(placementIn(state, pane), at),
    linked,
    asRound: pane === 'whole',
  });
}

/** What a pane does with files, and with motifs of the drawer, that are dropped on it. */
export const dropsOf = (editor: Editor, pane: PaneId) => ({
  onDragOver: (event: DragEvent): void => {
    const { types } = event.dataTransfer;
    if (types.includes('Files') || types.includes(DRAGGED)) event.preventDefault();
  },
  onDrop: (event: DragEvent): void => {
    if (event.dataTransfer.types.includes(DRAGGED)) {
      event.preventDefault();
      dropMotif(editor, pane, event);
      return;
    }
    const [file] = event.dataTransfer.files;
    if (!file) return;
    event.preventDefault();
    void takeFile(editor, file, 'drop');
  },
});
