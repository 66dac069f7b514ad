'use client';

import type { ReactNode } from 'react';

import type { Round } from '@/core/figure/model';
import { ContextMenu } from '../common/ContextMenu';
import { useEditor } from '../editor/EditorContext';
import { roundActions } from './roundActions';

/** The menu of a round's bar. */
export function RoundMenu({ round, children }: { readonly round: Round; readonly children: ReactNode }) {
  const editor = useEditor();
  return (
    <ContextMenu label={`More for ${round.name}`} entries={() => roundActions(editor, round)}>
      {children}
    </ContextMenu>
  );
}
