'use client';

import { useMutation } from '@tanstack/react-query';
import { useRouter } from 'next/navigation';
import { useCallback, useEffect, useRef, useState } from 'react';
import { toast } from 'sonner';

import { server } from '@/state';
import {
  ALL_FIGURES,
  type FigurePage,
  type FigureSummary,
  type ShelfChange,
  type ShelfFacts,
  type ShelfQuery,
} from '@/protocol';
import { say } from '@/ui/common';
import { GUIDE_MARK } from '@/ui/guide';
import { OpenSheet } from '@/ui/import';
import type { CardActions, CardState } from './FigureCard';
import { Nothing } from './Nothing';
import { SelectionBar } from './SelectionBar';
import { ShelfBar } from './ShelfBar';
import { ShelfGrid } from './ShelfGrid';
import { ShelfHeader } from './ShelfHeader';
import { ShelfSheets, type ShelfSheet } from './ShelfSheets';
import { ShelfSide } from './ShelfSide';
import { useFiles } from './useFiles';
import { usePicked } from './usePicked';
import { useDone, useShelf } from './useShelf';

/** How long typing rests before it is looked for, in milliseconds. */
const TYPING_REST = 120;

/** A text once it has been the same for a moment. */
function useSettled(text: string): string {
  const [settled, setSettled] = useState(text);
  useEffect(() => {
    const timer = setTimeout(() => setSettled(text.trim()), TYPING_REST);
    return () => clearTimeout(timer);
  }, [text]);
  return settled;
}

interface Props {
  readonly first: FigurePage;
  readonly facts: ShelfFacts;
}

/** Makes a figure and opens it; the first one with the steps of the guide. */
function useCreate() {
  const router = useRouter();
  return useMutation({
    mutationFn: async (isFirst: boolean) => ({
      ...(await server.create({ name: 'Untitled figure' })),
      isFirst,
    }),
    onSuccess: ({ id, isFirst }) => router.push(`/figures/${id}${isFirst ? `?${GUIDE_MARK}` : ''}`),
    onError: (error) => say(error),
  });
}

/** Which figures are asked for, in the order in which they were. */
function narrowedTo(
  { collection, label, binned = false, sort }: Partial<ShelfQuery>,
  before: ShelfQuery['sort'],
): ShelfQuery {
  return {
    search: '',
    sort: sort ?? before,
    binned,
    ...(collection !== undefined && { collection }),
    ...(label !== undefined && { label }),
  };
}

/** What is done with figures: each is seen at once. @param clear has nothing selected any more */
function useChanges(refresh: () => Promise<unknown>, clear: () => void) {
  const change = useDone(server.change, refresh);
  const rename = useDone(({ id, name }: { id: string; name: string }) => server.rename(id, name), refresh);
  const empty = useDone<null>(server.emptyBin, refresh);
  const bin = (figures: readonly FigureSummary[]): void => {
    const ids = figures.map(({ id }) => id);
    change({ do: 'bin', ids });
    clear();
    const [only, another] = figures;
    toast(another ? `${figures.length} figures are in the Bin.` : `“${only?.name}” is in the Bin.`, {
      duration: 12_000,
      action: { label: 'Undo', onClick: () => change({ do: 'putBack', ids }) },
    });
  };
  return { change, rename, empty, bin };
}

/** What cards ask the Shelf to do, as it does it now. */
interface Does {
  readonly bin: (figures: readonly FigureSummary[]) => void;
  readonly pick: CardActions['pick'];
  readonly change: (change: ShelfChange) => void;
  readonly rename: (named: { id: string; name: string }) => void;
  readonly ask: (sheet: ShelfSheet) => void;
}

/** The same actions for as long as the Shelf is open, so that no card is drawn anew for them. */
function useCardActions(does: Does): CardActions {
  const latest = useRef(does);
  useEffect(() => {
    latest.current = does;
  });
  const [actions] = useState<CardActions>(() => ({
    rename: ({ id }, name) => latest.current.rename({ id, name }),
    duplicate: ({ id }) => latest.current.change({ do: 'duplicate', ids: [id] }),
    label: ({ id }) => latest.current.ask({ kind: 'label', ids: [id] }),
    remove: (figure) => latest.current.bin([figure]),
    putBack: ({ id }) => latest.current.change({ do: 'putBack', ids: [id] }),
    destroy: (figure) => latest.current.ask({ kind: 'destroy', figures: [figure] }),
    pick: (figure, place, through) => latest.current.pick(figure, place, through),
  }));
  return actions;
}

/** The home screen: all figures, and what a new one can start from. */
export function Shelf({ first, facts: firstFacts }: Props) {
  const [search, setSearch] = useState('');
  const [narrowed, setNarrowed] = useState<ShelfQuery>(ALL_FIGURES);
  const words = useSettled(search);
  const query = { ...narrowed, search: words };
  const { found, facts, problem, refresh } = useShelf(query, { page: first, facts: firstFacts });
  const { picked, pick, clear } = usePicked(query);
  const [sheet, setSheet] = useState<ShelfSheet | null>(null);
  const { drawing, setDrawing, open, openFile } = useFiles();

  const create = useCreate();
  const { change, rename, empty, bin } = useChanges(refresh, clear);
  const narrow = (next: Partial<ShelfQuery>): void => {
    clear();
    setNarrowed(narrowedTo(next, narrowed.sort));
  };

  const actions = useCardActions({ bin, pick, change, rename, ask: setSheet });
  const stateOf = useCallback(
    ({ id }: FigureSummary): CardState => ({
      isPicked: picked.has(id),
      isPicking: picked.size > 0,
      windows: facts.open[id] ?? 0,
    }),
    [picked, facts.open],
  );
  const chosen = [...picked.values()];
  const known = new Map([...found.figures, ...chosen].map((figure) => [figure.id, figure]));
  const figuresOf = (of: readonly string[]): readonly FigureSummary[] =>
    of.flatMap((id) => found.figures.find((each) => each.id === id) ?? known.get(id) ?? []);

  return (
    <div
      className="min-h-full"
      onDragOver={(event) => {
        if (event.dataTransfer.types.includes('Files')) event.preventDefault();
      }}
      onDrop={(event) => {
        const [file] = event.dataTransfer.files;
        if (!file) return;
        event.preventDefault();
        void openFile(file);
      }}
    >
      <ShelfHeader
        search={search}
        onSearch={setSearch}
        onFile={(file) => void openFile(file)}
        onNew={() => create.mutate(false)}
        onStart={() => setSheet({ kind: 'start' })}
        isBusy={open.isPending || create.isPending}
      />
      <div className="mx-auto grid max-w-[1480px] grid-cols-[216px_minmax(0,1fr)] gap-6 px-5 py-5 max-lg:grid-cols-1">
        <ShelfSide query={query} facts={facts} onQuery={narrow} onChanged={refresh} />
        <main className="min-w-0 pb-16">
          {problem && (
            <p role="alert" className="mb-4 text-coral-text">
              {problem}
            </p>
          )}
          <ShelfBar
            query={query}
            facts={facts}
            total={found.total}
            onQuery={narrow}
            onEmptyBin={() => setSheet({ kind: 'empty' })}
          />
          {found.total > 0 ? (
            <ShelfGrid
              key={JSON.stringify(query)}
              query={query}
              first={found}
              actions={actions}
              stateOf={stateOf}
            />
          ) : (
            <Nothing
              query={query}
              onMake={() => create.mutate(true)}
              onStart={() => setSheet({ kind: 'start' })}
              isBusy={create.isPending}
            />
          )}
        </main>
      </div>
      {picked.size > 0 && (
        <PickedBar
          figures={chosen}
          isBin={query.binned}
          facts={facts}
          change={change}
          onBin={bin}
          onAsk={setSheet}
          onClear={clear}
        />
      )}
      <ShelfSheets
        sheet={sheet}
        facts={facts}
        figuresOf={figuresOf}
        onClose={() => setSheet(null)}
        onLabel={(of, label, on) => change({ do: on ? 'label' : 'unlabel', ids: of, label })}
        onDestroy={(of) => {
          change({ do: 'destroy', ids: of });
          clear();
        }}
        onEmpty={() => empty(null)}
        onMake={(figure) => open.mutate(figure)}
      />
      <OpenSheet
        file={drawing}
        onClose={() => setDrawing(null)}
        onTake={(figure) => {
          setDrawing(null);
          open.mutate(figure);
        }}
      />
      <footer className="mx-auto max-w-[1480px] px-5 pb-6 text-[12px] text-muted">
        <a href="/notices.txt" className="underline-offset-2 hover:underline">
          Third-party notices
        </a>
      </footer>
    </div>
  );
}

interface PickedProps {
  readonly figures: readonly FigureSummary[];
  readonly isBin: boolean;
  readonly facts: ShelfFacts;
  readonly change: (change: ShelfChange) => void;
  readonly onBin: (figures: readonly FigureSummary[]) => void;
  readonly onAsk: (sheet: ShelfSheet) => void;
  readonly onClear: () => void;
}

/** What can be done with all figures that are picked. */
function PickedBar({ figures, isBin, facts, change, onBin, onAsk, onClear }: PickedProps) {
  const router = useRouter();
  const ids = figures.map(({ id }) => id);
  return (
    <SelectionBar
      count={figures.length}
      isBin={isBin}
      collections={facts.collections}
      onCompare={() => router.push(`/compare?with=${ids.join(',')}`)}
      onExport={() => onAsk({ kind: 'export', figures: figures })}
      onLabel={() => onAsk({ kind: 'label', ids })}
      onCollect={(collection) => change({ do: 'collect', ids, collection })}
      onDuplicate={() => {
        change({ do: 'duplicate', ids });
        onClear();
      }}
      onBin={() => onBin(figures)}
      onPutBack={() => {
        change({ do: 'putBack', ids });
        onClear();
      }}
      onDestroy={() => onAsk({ kind: 'destroy', figures: figures })}
      onClear={onClear}
    />
  );
}
