'use client';

import { FileInput } from 'lucide-react';

import { IconButton } from '@/ui/common';
import { useEditor } from '@/ui/desk';
import { takeFile } from './takeFile';

const CHOOSER = 'artwork-file';

/** Lets a person choose a file whose artwork is taken into the motif. */
export const chooseArtwork = (): void => document.getElementById(CHOOSER)?.click();

export function ImportButton({ disabled }: { readonly disabled: boolean }) {
  return (
    <IconButton
      label="Take artwork from a file"
      disabled={disabled}
      className="-mr-1.5"
      onClick={chooseArtwork}
    >
      <FileInput size={16} strokeWidth={1.7} />
    </IconButton>
  );
}

/** Where files are chosen, wherever that was asked for. */
export function ArtworkChooser() {
  const editor = useEditor();
  return (
    <input
      id={CHOOSER}
      type="file"
      accept=".svg,image/svg+xml,.dxf"
      aria-label="Artwork file"
      className="hidden"
      onChange={(event) => {
        const [file] = event.target.files ?? [];
        event.target.value = '';
        if (file) void takeFile(editor, file, 'choose');
      }}
    />
  );
}
