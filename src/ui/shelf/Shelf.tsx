'use client';

import { keepPreviousData, useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { FolderOpen, Plus, Search } from 'lucide-react';
import { useRouter } from 'next/navigation';
import { useEffect, useRef, useState } from 'react';
import { toast } from 'sonner';

import { LIMITS } from '@/core/figure/model';
import { createWithPictures, server } from '@/state/server';
import { PAGE_SIZE, type FigurePage, type FigureSummary } from '@/wire';
import { Button } from '../common/Button';
import { GUIDE_MARK } from '../guide/mark';
import { Mark } from '../common/Mark';
import { ThemeButton } from '../common/ThemeButton';
import { OpenSheet, type FileText } from '../import/OpenSheet';
import { isArtwork } from '../import/takeFile';
import type { CardActions } from './FigureCard';
import { ShelfGrid } from './ShelfGrid';

const say = (error: unknown): void => {
  toast.error(error instanceof Error ? error.message : 'This did not work.');
};

/** The text of a chosen file as JSON; errors are sentences for the person. */
async function jsonOf(file: File): Promise<unknown> {
  if (file.size > LIMITS.bytes)
    throw new Error(`“${file.name}” is larger than ${LIMITS.bytes / 1e6} MB, too large for a figure.`);
  try {
    return JSON.parse((await file.text()).replace(/^\uFEFF/, ''));
  } catch (error) {
    throw new Error(`“${file.name}” is not JSON: ${error instanceof Error ? error.message : 'unreadable'}.`, {
      cause: error,
    });
  }
}

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

/** The home screen: all figures, and what a new one can start from. */
export function Shelf({ first }: { readonly first: FigurePage }) {
  const router = useRouter();
  const client = useQueryClient();
  const chooser = useRef<HTMLInputElement>(null);
  const [search, setSearch] = useState('');
  const words = useSettled(search);
  const { data: found = first, error } = useQuery({
    queryKey: ['figures', words, 0],
    queryFn: () => server.list(words, 0, PAGE_SIZE),
    ...(words === '' && { initialData: first }),
    placeholderData: keepPreviousData,
  });
  const refresh = () => client.invalidateQueries({ queryKey: ['figures'] });

  const create = useMutation({
    mutationFn: async (isFirst: boolean) => ({
      ...(await server.create({ name: 'Untitled figure' })),
      isFirst,
    }),
    onSuccess: ({ id, isFirst }) => router.push(`/figures/${id}${isFirst ? `?${GUIDE_MARK}` : ''}`),
    onError: say,
  });
  const open = useMutation({
    mutationFn: createWithPictures,
    onSuccess: ({ id }) => router.push(`/figures/${id}`),
    onError: say,
  });
  const [drawing, setDrawing] = useState<FileText | null>(null);
  const openFile = async (file: File): Promise<void> => {
    try {
      if (isArtwork(file)) setDrawing({ name: file.name, text: await file.text() });
      else open.mutate(await jsonOf(file));
    } catch (error) {
      say(error);
    }
  };
  const rename = useMutation({
    mutationFn: ({ id, name }: { id: string; name: string }) => server.rename(id, name),
    onSuccess: refresh,
    onError: say,
  });
  const duplicate = useMutation({ mutationFn: server.duplicate, onSuccess: refresh, onError: say });
  const restore = useMutation({ mutationFn: server.restore, onSuccess: refresh, onError: say });
  const remove = useMutation({
    mutationFn: ({ id }: FigureSummary) => server.remove(id),
    onSuccess: (_, { id, name }) => {
      toast(`“${name}” is off the Shelf.`, {
        duration: 12_000,
        action: { label: 'Undo', onClick: () => restore.mutate(id) },
      });
      return refresh();
    },
    onError: say,
  });

  const [actions] = useState<CardActions>(() => ({
    rename: ({ id }, name) => rename.mutate({ id, name }),
    duplicate: ({ id }) => duplicate.mutate(id),
    remove: (figure) => remove.mutate(figure),
  }));

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
      <header className="sticky top-0 z-10 flex h-[52px] items-center gap-3 border-b border-line bg-field px-4">
        <Mark />
        <h1 className="font-title text-[17px] font-bold">Cyclogon</h1>
        <span className="text-muted max-sm:hidden">Shelf</span>
        <label className="relative ml-auto w-[240px] min-w-0">
          <Search
            size={15}
            strokeWidth={1.7}
            className="absolute top-[7px] left-2.5 text-muted"
            aria-hidden
          />
          <input
            type="search"
            aria-label="Search figures by name"
            placeholder="Search by name"
            className="h-[30px] w-full rounded-ui border border-line-strong bg-field pr-2 pl-8 placeholder:text-muted"
            value={search}
            onChange={(event) => setSearch(event.target.value)}
          />
        </label>
        <ThemeButton />
        <Button onClick={() => chooser.current?.click()} disabled={open.isPending}>
          <FolderOpen size={15} strokeWidth={1.7} aria-hidden />{' '}
          <span className="max-md:sr-only">Open file</span>
        </Button>
        <input
          ref={chooser}
          type="file"
          accept=".json,application/json,.svg,image/svg+xml,.dxf"
          aria-label="Figure file"
          className="hidden"
          onChange={(event) => {
            const [file] = event.target.files ?? [];
            event.target.value = '';
            if (file) void openFile(file);
          }}
        />
        <Button tone="main" onClick={() => create.mutate(false)} disabled={create.isPending}>
          <Plus size={16} strokeWidth={1.9} aria-hidden /> New figure
        </Button>
      </header>
      <main className="mx-auto max-w-[1240px] px-5 py-6">
        {error && (
          <p role="alert" className="mb-4 text-coral-text">
            {error.message}
          </p>
        )}
        {found.total > 0 ? (
          <ShelfGrid key={words} search={words} first={found} actions={actions} />
        ) : words !== '' ? (
          <p className="py-20 text-center text-muted">No figure is named like “{words}”.</p>
        ) : (
          <div className="flex flex-col items-center gap-3 py-24 text-center">
            <Mark size={64} />
            <h2 className="font-title text-[20px] leading-7 font-semibold">The Shelf is empty</h2>
            <p className="max-w-[360px] text-muted">
              A figure starts with one wedge: draw a motif in it, say how often it is turned, and the whole is
              there.
            </p>
            <Button tone="main" onClick={() => create.mutate(true)} disabled={create.isPending}>
              Make the first figure
            </Button>
          </div>
        )}
      </main>
      <OpenSheet
        file={drawing}
        onClose={() => setDrawing(null)}
        onTake={(figure) => {
          setDrawing(null);
          open.mutate(figure);
        }}
      />
      <footer className="mx-auto max-w-[1240px] px-5 pb-6 text-[12px] text-muted">
        <a href="/notices.txt" className="underline-offset-2 hover:underline">
          Third-party notices
        </a>
      </footer>
    </div>
  );
}
