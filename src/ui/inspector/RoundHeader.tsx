'use client';

import { Eye, EyeOff, Lock, LockOpen } from 'lucide-react';

import { lockRound, renameRound, showRound } from '@/core/figure/commands';
import type { Round } from '@/core/figure';
import { act, shownFigure } from '@/state';
import { DotsMenu, IconButton, TextField } from '@/ui/common';
import { useEditor, useEditorState } from '@/ui/desk';
import { roundActions } from '@/ui/reach';

/** A round's name and what can be done with the round as a whole. */
export function RoundHeader({ round }: { readonly round: Round }) {
  const editor = useEditor();
  const rounds = useEditorState((state) => shownFigure(state).rounds);
  const seen = round.visible ? 'Hide round' : 'Show round';
  const held = round.locked ? 'Unlock round' : 'Lock round';
  return (
    <div className="border-b border-line px-4 pt-2 pb-2.5">
      <div className="flex items-center gap-0.5">
        <TextField
          label="Name of the round"
          value={round.name}
          className="-ml-1.5 h-[30px] flex-1 font-title text-[17px] font-semibold"
          onChange={(name) => act(editor, 'Rename round', (figure) => renameRound(figure, round.id, name))}
        />
        <IconButton
          label={seen}
          onClick={() => act(editor, seen, (f) => showRound(f, round.id, !round.visible))}
        >
          {round.visible ? <Eye size={16} strokeWidth={1.7} /> : <EyeOff size={16} strokeWidth={1.7} />}
        </IconButton>
        <IconButton
          label={held}
          onClick={() => act(editor, held, (f) => lockRound(f, round.id, !round.locked))}
        >
          {round.locked ? <Lock size={16} strokeWidth={1.7} /> : <LockOpen size={16} strokeWidth={1.7} />}
        </IconButton>
        <DotsMenu label={`More for ${round.name}`} entries={roundActions(editor, round)} />
      </div>
      <p className="text-[12px] text-muted">
        round {rounds.indexOf(round) + 1} of {rounds.length}
      </p>
    </div>
  );
}
