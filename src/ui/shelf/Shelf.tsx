'use client';

import { useMutation } from '@tanstack/react-query';
import dynamic from 'next/dynamic';
import { useRouter } from 'next/navigation';
import { useCallback, useEffect, useRef, useState } from 'react';
import { toast } from 'sonner';

import { server } from '@/state/server';
import { ALL_FIGURES, type FigurePage, type FigureSummary, type ShelfFacts, type ShelfQuery } from '@/wire';
import { say } from '../common/say';
import { Ask } from '../common/Ask';
import { GUIDE_MARK } from '../guide/mark';
import { OpenSheet } from '../import/OpenSheet';
import type { CardActions, CardState } from './FigureCard';
import { LabelSheet } from './LabelSheet';
import { Nothing } from './Nothing';
import { SelectionBar } from './SelectionBar';
import { ShelfBar } from './ShelfBar';
import { ShelfGrid } from './ShelfGrid';
import { ShelfHeader } from './ShelfHeader';
import { ShelfSide } from './ShelfSide';
import { useFiles } from './useFiles';
import { usePicked } from './usePicked';
import { useDone, useShelf } from './useShelf';

/** With the formats, and the engine, in them: read when they are first opened. */
const ExportManySheet = dynamic(() => import('./ExportManySheet').then((each) => each.ExportManySheet), {
  ssr: false,
});
const StartSheet = dynamic(() => import('./StartSheet').then((each) => each.StartSheet), { ssr: false });

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

/** The home screen: all figures, and what a new one can start from. */
export function Shelf({ first, facts: firstFacts }: Props) {
  const router = useRouter();
  const [search, setSearch] = useState('');
  const [narrowed, setNarrowed] = useState<ShelfQuery>(ALL_FIGURES);
  const words = useSettled(search);
  const query = { ...narrowed, search: words };
  const { found, facts, problem, refresh } = useShelf(query, { page: first, facts: firstFacts });
  const { picked, pick, clear } = usePicked(query);
  const [labelled, setLabelled] = useState<readonly string[]>([]);
  const [leaving, setLeaving] = useState<readonly FigureSummary[]>([]);
  const [destroying, setDestroying] = useState<readonly FigureSummary[]>([]);
  const [emptying, setEmptying] = useState(false);
  const [starting, setStarting] = useState(false);
  const { drawing, setDrawing, open, openFile } = useFiles();

  const create = useMutation({
    mutationFn: async (isFirst: boolean) => ({
      ...(await server.create({ name: 'Untitled figure' })),
      isFirst,
    }),
    onSuccess: ({ id, isFirst }) => router.push(`/figures/${id}${isFirst ? `?${GUIDE_MARK}` : ''}`),
    onError: (error) => say(error),
  });
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
  const narrow = (next: Partial<ShelfQuery>): void => {
    clear();
    const { collection, label, binned = false, sort = narrowed.sort } = next;
    setNarrowed({
      search: '',
      sort,
      binned,
      ...(collection !== undefined && { collection }),
      ...(label !== undefined && { label }),
    });
  };

  const does = { bin, pick, change, rename };
  const latest = useRef(does);
  useEffect(() => {
    latest.current = does;
  });
  const [actions] = useState<CardActions>(() => ({
    rename: ({ id }, name) => latest.current.rename({ id, name }),
    duplicate: ({ id }) => latest.current.change({ do: 'duplicate', ids: [id] }),
    label: ({ id }) => setLabelled([id]),
    remove: (figure) => latest.current.bin([figure]),
    putBack: ({ id }) => latest.current.change({ do: 'putBack', ids: [id] }),
    destroy: (figure) => setDestroying([figure]),
    pick: (figure, place, through) => latest.current.pick(figure, place, through),
  }));
  const stateOf = useCallback(
    ({ id }: FigureSummary): CardState => ({
      isPicked: picked.has(id),
      isPicking: picked.size > 0,
      windows: facts.open[id] ?? 0,
    }),
    [picked, facts.open],
  );
  const chosen = [...picked.values()];
  const ids = [...picked.keys()];
  const known = new Map([...found.figures, ...chosen].map((figure) => [figure.id, figure]));
  const ofLabels = labelled.flatMap(
    (id) => found.figures.find((each) => each.id === id) ?? known.get(id) ?? [],
  );

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
        onStart={() => setStarting(true)}
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
            onEmptyBin={() => setEmptying(true)}
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
              onStart={() => setStarting(true)}
              isBusy={create.isPending}
            />
          )}
        </main>
      </div>
      {picked.size > 0 && (
        <SelectionBar
          count={picked.size}
          isBin={query.binned}
          collections={facts.collections}
          onCompare={() => router.push(`/compare?with=${ids.join(',')}`)}
          onExport={() => setLeaving(chosen)}
          onLabel={() => setLabelled(ids)}
          onCollect={(collection) => change({ do: 'collect', ids, collection })}
          onDuplicate={() => {
            change({ do: 'duplicate', ids });
            clear();
          }}
          onBin={() => bin(chosen)}
          onPutBack={() => {
            change({ do: 'putBack', ids });
            clear();
          }}
          onDestroy={() => setDestroying(chosen)}
          onClear={clear}
        />
      )}
      <LabelSheet
        figures={ofLabels}
        facts={facts}
        onClose={() => setLabelled([])}
        onLabel={(label, on) => change({ do: on ? 'label' : 'unlabel', ids: labelled, label })}
      />
      {leaving.length > 0 && <ExportManySheet figures={leaving} onClose={() => setLeaving([])} />}
      <Ask
        title="Take away for good?"
        about={
          destroying.length > 0
            ? `${destroying.length === 1 ? `“${destroying[0]?.name}”` : `${destroying.length} figures`} and all of the history will be gone.`
            : null
        }
        does="Take away for good"
        onDo={() => {
          change({ do: 'destroy', ids: destroying.map(({ id }) => id) });
          clear();
        }}
        onClose={() => setDestroying([])}
      />
      <Ask
        title="Empty the Bin?"
        about={
          emptying
            ? `${facts.binned === 1 ? 'One figure' : `${facts.binned} figures`} and all of the history will be gone.`
            : null
        }
        does="Empty the Bin"
        onDo={() => empty(null)}
        onClose={() => setEmptying(false)}
      />
      {starting && (
        <StartSheet open onClose={() => setStarting(false)} onMake={(figure) => open.mutate(figure)} />
      )}
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
