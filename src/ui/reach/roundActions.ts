import {
  BringToFront,
  Copy,
  Eye,
  EyeOff,
  Lock,
  LockOpen,
  MoveDown,
  MoveUp,
  SendToBack,
  Trash2,
} from 'lucide-react';

import { duplicateRound, lockRound, moveRound, showRound } from '@/core/figure/commands';
import type { Round } from '@/core/figure';
import { act, commit, dropRound, type Editor, newId, selectRound, shownFigure } from '@/state';
import type { MenuEntry } from '@/ui/common';

/** What can be done with a round, for its menus. */
export function roundActions(editor: Editor, round: Round): MenuEntry[] {
  const { rounds } = shownFigure(editor.getState());
  const index = rounds.findIndex(({ id }) => id === round.id);
  const last = rounds.length - 1;
  const order = (to: number): void => act(editor, 'Reorder rounds', (f) => moveRound(f, round.id, to));
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
      onClick: () => {
        const copied = duplicateRound(shownFigure(editor.getState()), round.id, newId);
        commit(editor, 'Duplicate round', copied);
        const copy = copied.rounds[index + 1];
        if (copy) selectRound(editor, copy.id);
      },
      apart: true,
    },
    {
      label: 'To the front',
      icon: BringToFront,
      disabled: index === last,
      onClick: () => order(last),
    },
    { label: 'A step forward', icon: MoveUp, disabled: index === last, onClick: () => order(index + 1) },
    { label: 'A step backward', icon: MoveDown, disabled: index === 0, onClick: () => order(index - 1) },
    { label: 'To the back', icon: SendToBack, disabled: index === 0, onClick: () => order(0) },
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
