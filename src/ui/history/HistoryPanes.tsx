'use client';

import { useQuery, useQueryClient } from '@tanstack/react-query';
import { Flag, X } from 'lucide-react';
import { useRouter } from 'next/navigation';
import { useEffect, useState } from 'react';
import { toast } from 'sonner';

import { commit, server, shownFigure } from '@/state';
import type { FigureHistory } from '@/protocol';
import { Button, IconButton, keysElsewhere, say } from '@/ui/common';
import { CompareView, type Side, stateAddress } from '@/ui/compare';
import { useEditor, useEditorState, useWorkshop } from '@/ui/desk';
import { HistoryList, type RowActions } from './HistoryList';
import { nameOfRow, stateOfRow, type Row } from './rows';
import { ThinningRow } from './ThinningRow';

/** The history of the figure that is open, once all of it is saved. */
function useHistory(): { readonly history: FigureHistory | null; readonly problem: string | null } {
  const { saver } = useWorkshop();
  const id = useEditorState((state) => state.id);
  const revision = useEditorState((state) => state.revision);
  const { data, error } = useQuery({
    queryKey: ['history', id, revision],
    queryFn: async () => {
      await saver()?.flush();
      return server.history(id);
    },
    placeholderData: (before) => before,
  });
  return { history: data ?? null, problem: error ? error.message : null };
}

/** What can be done with a state of the history. */
function useRowActions(look: (row: Row) => void, beside: (row: Row) => void): RowActions {
  const editor = useEditor();
  const router = useRouter();
  const client = useQueryClient();
  const { id } = editor.getState();
  const done = (work: Promise<unknown>): void =>
    void work.then(() => client.invalidateQueries({ queryKey: ['history', id] })).catch(say);
  return {
    look,
    beside,
    takeBack: (row) => {
      const state = stateOfRow(row);
      if (!state) return;
      server
        .state(id, state)
        .then((figure) => {
          commit(editor, `Take back “${nameOfRow(row)}”`.slice(0, 200), figure);
          editor.setState({ past: false });
          toast(`“${nameOfRow(row)}” is back, as a step of its own: nothing after it is lost.`);
        })
        .catch(say);
    },
    keep: (row) => done(server.keepVersion(id, { name: nameOfRow(row), ...stateOfRow(row) })),
    openAsOwn: (row) => {
      const name = `${shownFigure(editor.getState()).name}: ${nameOfRow(row)}`.slice(0, 120);
      server
        .duplicate(id, { name, ...stateOfRow(row) })
        .then((made) => router.push(`/figures/${made.id}`))
        .catch(say);
    },
    rename: (version, name) => done(server.renameVersion(id, version, name)),
    drop: (version) => done(server.dropVersion(id, version)),
  };
}

/** A state of the history as one side of what is compared; null where none is named. */
function useStateSide(row: Row | null, key: string): Side | null {
  const id = useEditorState((state) => state.id);
  const revision = useEditorState((state) => state.revision);
  const state = row && stateOfRow(row);
  const { data } = useQuery({
    queryKey: ['state', id, state?.step ?? null, state?.version ?? null, revision],
    queryFn: () => server.state(id, state ?? {}),
    enabled: state !== null,
  });
  if (!row || !state) return null;
  return {
    key,
    title: nameOfRow(row),
    note: row.kind === 'step' && row.is === 'now' ? 'the step that is shown' : 'as it was',
    address: stateAddress({ id, ...state }),
    figure: data ?? null,
  };
}

/** What is compared: the state that is looked at, and the figure as it is or another state. */
function useSides(row: Row | null, other: Row | null): readonly Side[] {
  const id = useEditorState((state) => state.id);
  const revision = useEditorState((state) => state.revision);
  const figure = useEditorState(shownFigure);
  const then = useStateSide(row, 'then');
  const beside = useStateSide(other, 'beside');
  const now: Side = {
    key: 'now',
    title: 'Now',
    note: figure.name,
    address: `${stateAddress({ id })}&revision=${revision}`,
    figure,
  };
  return [...(then ? [then] : []), beside ?? now];
}

/** The history in place of the panes: its list, and the state that is looked at beside the figure as it is. */
export function HistoryPanes({ onKeep }: { readonly onKeep: () => void }) {
  const editor = useEditor();
  const id = useEditorState((state) => state.id);
  const [row, setRow] = useState<Row | null>(null);
  const [other, setOther] = useState<Row | null>(null);
  const { history, problem } = useHistory();
  const actions = useRowActions(
    (next) => {
      setRow(next);
      setOther(null);
    },
    (next) => setOther(next.key === other?.key ? null : next),
  );
  const sides = useSides(row, other);
  useEffect(() => {
    const down = (event: KeyboardEvent): void => {
      if (event.key === 'Escape' && !keysElsewhere(event.target)) editor.setState({ past: false });
    };
    window.addEventListener('keydown', down);
    return () => window.removeEventListener('keydown', down);
  }, [editor]);
  return (
    <main className="grid min-h-0 grid-cols-[minmax(260px,330px)_minmax(0,1fr)] grid-rows-[minmax(0,1fr)]">
      <aside
        aria-label="History"
        className="flex min-h-0 flex-col border-r border-line bg-shell"
        aria-busy={history === null}
      >
        <div className="flex h-[46px] items-center gap-1.5 border-b border-line pr-2 pl-4">
          <h2 className="flex-1 font-title text-[15px] font-semibold">History</h2>
          <Button onClick={onKeep} title="Keep the figure as it is under a name (K)">
            <Flag size={14} strokeWidth={1.8} aria-hidden /> Keep a version
          </Button>
          <IconButton label="Back to the work (Esc)" onClick={() => editor.setState({ past: false })}>
            <X size={16} strokeWidth={1.8} />
          </IconButton>
        </div>
        {problem && (
          <p role="alert" className="px-4 py-3 text-coral-text">
            {problem}
          </p>
        )}
        {history ? (
          <HistoryList
            id={id}
            history={history}
            seen={row?.key ?? null}
            other={other?.key ?? null}
            actions={actions}
          />
        ) : (
          <p className="flex-1 px-4 py-3 text-muted">Reading …</p>
        )}
        <ThinningRow />
      </aside>
      <CompareView sides={sides} />
    </main>
  );
}
