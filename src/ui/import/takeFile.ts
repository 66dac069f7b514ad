import type { Editor } from '@/state/editor';
import type { DragEvent } from 'react';

import { layPicture } from '../editor/underlay';

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

/** What a pane does with files that are dropped on it. */
export const dropsOf = (editor: Editor) => ({
  onDragOver: (event: DragEvent): void => {
    if (event.dataTransfer.types.includes('Files')) event.preventDefault();
  },
  onDrop: (event: DragEvent): void => {
    const [file] = event.dataTransfer.files;
    if (!file) return;
    event.preventDefault();
    void takeFile(editor, file, 'drop');
  },
});
