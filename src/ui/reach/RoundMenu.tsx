'use client';

import { useCallback, type ReactNode } from 'react';

import { shownFigure } from '@/state';
import { ContextMenu, type MenuEntry } from '@/ui/common';
import { useEditor } from '@/ui/desk';
import { roundActions } from './roundActions';

interface Props {
  readonly id: string;
  readonly name: string;
  readonly children: ReactNode;
}

/** The menu of a round's bar. */
export function RoundMenu({ id, name, children }: Props) {
  const editor = useEditor();
  const entries = useCallback((): readonly MenuEntry[] => {
    const round = shownFigure(editor.getState()).rounds.find((each) => each.id === id);
    return round ? roundActions(editor, round) : [];
  }, [editor, id]);
  return (
    <ContextMenu label={`More for ${name}`} entries={entries}>
      {children}
    </ContextMenu>
  );
}
