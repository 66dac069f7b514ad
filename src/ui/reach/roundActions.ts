import { ArrowLeftToLine, ArrowRightToLine, Copy, Eye, EyeOff, Lock, LockOpen, Trash2 } from 'lucide-react';

import { duplicateRound, lockRound, moveRound, showRound } from '@/core/figure/commands';
import type { Round } from '@/core/figure/model';
import { act, dropRound, shownFigure, type Editor } from '@/state/editor';
import { newId } from '@/state/ids';
import type { MenuEntry } from '../common/Menu';

/** What can be done with a round, for its menus. */
export function roundActions(editor: Editor, round: Round): MenuEntry[] {
  const { rounds } = shownFigure(editor.getState());
  const index = rounds.findIndex(({ id }) => id === round.id);
  return [
    {
      label: round.visible ? 'Hide' : 'Show',
      icon: round.visible ? EyeOff : Eye,
      onClick: () =>
        act(editor, round.visible ? 'Hide round' : 'Show round', (f) =>
          showRound(f, round.id, !round.visible),
        ),
    },
    {
      label: round.locked ? 'Unlock' : 'Lock',
      icon: round.locked ? LockOpen : Lock,
      onClick: () =>
        act(editor, round.locked ? 'Unlock round' : 'Lock round', (f) =>
          lockRound(f, round.id, !round.locked),
        ),
    },
    {
      label: 'Duplicate',
      icon: Copy,
      onClick: () => act(editor, 'Duplicate round', (f) => duplicateRound(f, round.id, newId)),
      apart: true,
    },
    {
      label: 'Move back',
      icon: ArrowLeftToLine,
      disabled: index === 0,
      onClick: () => act(editor, 'Reorder rounds', (f) => moveRound(f, round.id, index - 1)),
    },
    {
      label: 'Move forward',
      icon: ArrowRightToLine,
      disabled: index === rounds.length - 1,
      onClick: () => act(editor, 'Reorder rounds', (f) => moveRound(f, round.id, index + 1)),
    },
    {
      label: 'Remove',
      icon: Trash2,
      danger: true,
      apart: true,
      disabled: rounds.length < 2,
      onClick: () => dropRound(editor, round.id),
    },
  ];
}
