'use client';

import { useQuery, useQueryClient } from '@tanstack/react-query';
import { Archive, Download, Pencil, Search, Tag, Upload, X } from 'lucide-react';
import { useRef, useState } from 'react';
import { toast } from 'sonner';

import { activeRound, motifPicture, selectedShapes, server } from '@/state';
import type { MotifEntry } from '@/protocol';
import {
  Button,
  DotsMenu,
  download,
  IconButton,
  say,
  Segmented,
  ServerPicture,
  TextField,
} from '@/ui/common';
import { DRAGGED, keepInDrawer, takeMotif, useEditor, useEditorState } from '@/ui/desk';
import { nameOfSelected } from '@/ui/inspector';
import { found } from './found';

type Shown = 'all' | 'own' | 'stock';

/** Motifs that were kept and those that come with the application: dragged onto Bench or Whole, or taken by a click. */
export function DrawerPanel() {
  const editor = useEditor();
  const client = useQueryClient();
  const [search, setSearch] = useState('');
  const [shown, setShown] = useState<Shown>('all');
  const [linked, setLinked] = useState(true);
  const { data: all, error } = useQuery({ queryKey: ['drawer'], queryFn: server.motifs });
  const refresh = async (): Promise<void> => {
    await client.invalidateQueries({ queryKey: ['drawer'] });
    await client.invalidateQueries({ queryKey: ['drawer out'] });
  };
  const list = found(all ?? [], search).filter(
    ({ stock }) => shown === 'all' || stock === (shown === 'stock'),
  );
  return (
    <aside
      aria-label="Drawer"
      className="isolate flex min-h-0 min-w-0 flex-col border-l border-line bg-shell"
      onKeyDown={(event) => {
        if (event.key === 'Escape') editor.setState({ drawer: false });
      }}
    >
      <div className="flex h-[38px] shrink-0 items-center justify-between border-b border-line pr-1.5 pl-4">
        <h2 className="font-title text-[15px] font-semibold">Drawer</h2>
        <IconButton label="Close the drawer (O)" onClick={() => editor.setState({ drawer: false })}>
          <X size={16} strokeWidth={1.8} />
        </IconButton>
      </div>
      <div className="flex flex-col gap-2 px-3 py-2.5">
        <label className="relative">
          <Search
            size={15}
            strokeWidth={1.7}
            className="absolute top-[7px] left-2.5 text-muted"
            aria-hidden
          />
          <input
            type="search"
            aria-label="Search motifs"
            placeholder="Name or label: leaf, border, knot …"
            value={search}
            onChange={(event) => setSearch(event.target.value)}
            className="h-[30px] w-full rounded-ui border border-line-strong bg-field pr-2 pl-8 placeholder:text-muted"
          />
        </label>
        <Segmented
          label="Which motifs"
          value={shown}
          choices={[
            { value: 'all', label: 'All' },
            { value: 'own', label: 'Kept' },
            { value: 'stock', label: 'Stock' },
          ]}
          onChange={setShown}
        />
      </div>
      <div className="min-h-0 flex-1 overflow-y-auto px-3 pb-3">
        {error && (
          <p role="alert" className="text-coral-text">
            {error.message}
          </p>
        )}
        {all && list.length === 0 && (
          <p className="py-8 text-center text-muted">
            {search !== ''
              ? `No motif is found by “${search}”.`
              : 'Nothing is kept yet: select something, and keep it below.'}
          </p>
        )}
        <ul aria-label="Motifs" className="grid grid-cols-3 gap-1.5">
          {list.map((entry) => (
            <MotifCard key={entry.id} entry={entry} linked={linked} onChanged={refresh} />
          ))}
        </ul>
        {shown === 'own' && <TakenOut onChanged={refresh} />}
      </div>
      <Foot linked={linked} onLinked={setLinked} onChanged={refresh} />
    </aside>
  );
}

/** Motifs that were taken out; they can be put in again for thirty days. */
function TakenOut({ onChanged }: Pick<CardProps, 'onChanged'>) {
  const { data } = useQuery({ queryKey: ['drawer out'], queryFn: server.motifsOut });
  if (!data || data.length === 0) return null;
  return (
    <section aria-label="Taken out" className="mt-4">
      <h3 className="mb-1 text-[12px] text-muted">Taken out, each for thirty days</h3>
      <ul className="flex flex-col gap-1">
        {data.map((entry) => (
          <li key={entry.id} className="flex items-center gap-2">
            <span className="size-9 shrink-0 rounded-[6px] bg-[#f7f3ea] p-1">
              <ServerPicture address={motifPicture(entry)} />
            </span>
            <span className="min-w-0 flex-1 truncate" title={entry.name}>
              {entry.name}
            </span>
            <Button onClick={() => void server.restoreMotif(entry.id).then(onChanged).catch(say)}>
              Put back
            </Button>
          </li>
        ))}
      </ul>
    </section>
  );
}

interface CardProps {
  readonly entry: MotifEntry;
  readonly linked: boolean;
  readonly onChanged: () => Promise<void>;
}

function MotifCard({ entry, linked, onChanged }: CardProps) {
  const editor = useEditor();
  const [naming, setNaming] = useState<'name' | 'labels' | null>(null);
  const { id, name, labels, stock } = entry;
  const done = (work: Promise<unknown>): void => void work.then(onChanged).catch(say);
  const drop = (): void => {
    done(server.dropMotif(id));
    toast(`“${name}” is out of the drawer; its uses stay as they are.`, {
      duration: 12_000,
      action: { label: 'Undo', onClick: () => done(server.restoreMotif(id)) },
    });
  };
  return (
    <li className="group relative min-w-0 rounded-ui border border-line bg-field hover:border-line-strong">
      <button
        type="button"
        draggable
        title={`${name}${labels.length > 0 ? ` (${labels.join(', ')})` : ''}: drag it onto Bench or Whole, or click`}
        onDragStart={(event) => {
          event.dataTransfer.setData(DRAGGED, JSON.stringify({ id, linked }));
          event.dataTransfer.effectAllowed = 'copy';
        }}
        onClick={() => void takeMotif(editor, id, { linked, asRound: true })}
        className="block w-full rounded-ui p-1"
      >
        {/* Artwork is seen on its own ground in both themes, as dark lines would not be seen on the dark. */}
        <span className="block aspect-square rounded-[6px] bg-[#f7f3ea] p-1.5">
          <ServerPicture address={motifPicture(entry)} />
        </span>
        <span className="block truncate px-0.5 pt-0.5 text-[11px] leading-4">{name}</span>
      </button>
      {naming && (
        <TextField
          label={naming === 'name' ? 'Name of the motif' : 'Labels, parted by commas'}
          value={naming === 'name' ? name : labels.join(', ')}
          autoFocus
          className="absolute inset-x-0 bottom-0 h-[24px] w-full bg-field text-[11px]"
          onChange={(text) =>
            done(
              server.changeMotif(
                id,
                naming === 'name'
                  ? { name: text }
                  : {
                      labels: text
                        .split(',')
                        .map((each) => each.trim())
                        .filter(Boolean),
                    },
              ),
            )
          }
          onDone={() => setNaming(null)}
        />
      )}
      {!stock && (
        <span className="absolute top-0 right-0 rounded-ui bg-field/90 opacity-0 group-focus-within:opacity-100 group-hover:opacity-100">
          <DotsMenu
            label={`More for ${name}`}
            entries={[
              { label: 'Rename', icon: Pencil, onClick: () => setNaming('name') },
              { label: 'Labels', icon: Tag, onClick: () => setNaming('labels') },
              {
                label: 'As a file',
                icon: Download,
                onClick: () => download(`/api/drawer/set?ids=${encodeURIComponent(id)}`),
              },
              { label: 'Out of the drawer', icon: X, onClick: drop, danger: true, apart: true },
            ]}
          />
        </span>
      )}
    </li>
  );
}

interface FootProps {
  readonly linked: boolean;
  readonly onLinked: (linked: boolean) => void;
  readonly onChanged: () => Promise<void>;
}

/** Keeping what is selected, how motifs are taken, and motifs as files. */
function Foot({ linked, onLinked, onChanged }: FootProps) {
  const editor = useEditor();
  const chooser = useRef<HTMLInputElement>(null);
  const round = useEditorState(activeRound);
  const count = useEditorState((state) => selectedShapes(state).length);
  const [naming, setNaming] = useState(false);
  const what = count > 0 ? (count === 1 ? 'the shape' : `${count} shapes`) : 'the round';
  const suggested =
    round && count > 0
      ? nameOfSelected(round, selectedShapes(editor.getState())).replace(/ \d+$/, '')
      : (round?.name ?? 'Motif');
  const keep = async (name: string): Promise<void> => {
    const entry = await keepInDrawer(editor, name, linked);
    if (!entry) return;
    await onChanged();
    toast(`“${entry.name}” is in the drawer.`);
  };
  const takeFile = async (file: File): Promise<void> => {
    try {
      const { added } = await server.takeMotifs(JSON.parse(await file.text()));
      await onChanged();
      toast(added === 1 ? 'One motif is in the drawer.' : `${added} motifs are in the drawer.`);
    } catch (error) {
      say(error instanceof SyntaxError ? new Error(`“${file.name}” is no file of motifs.`) : error);
    }
  };
  return (
    <div className="flex flex-col gap-2 border-t border-line-strong px-3 py-2.5">
      <label className="flex min-h-6 items-center gap-2 text-[12px]">
        <input
          type="checkbox"
          className="size-4 accent-kelp"
          checked={linked}
          onChange={({ target }) => onLinked(target.checked)}
        />
        Kept motifs stay linked: uses follow their motif
      </label>
      {naming ? (
        <TextField
          label="Name in the drawer"
          value=""
          autoFocus
          className="h-[30px] w-full border-line-strong bg-field"
          onChange={(name) => void keep(name)}
          onDone={() => setNaming(false)}
        />
      ) : (
        <div className="flex gap-1.5">
          <Button
            className="min-w-0 flex-1"
            disabled={!round || round.shapes.length === 0}
            title={`Keep ${what} as “${suggested}”`}
            onClick={() => void keep(suggested)}
          >
            <Archive size={15} strokeWidth={1.7} aria-hidden /> Keep {what}
          </Button>
          <IconButton label="Keep under another name" onClick={() => setNaming(true)}>
            <Pencil size={15} strokeWidth={1.7} />
          </IconButton>
          <IconButton label="Kept motifs as a file" onClick={() => download('/api/drawer/set')}>
            <Download size={15} strokeWidth={1.7} />
          </IconButton>
          <IconButton label="Motifs from a file" onClick={() => chooser.current?.click()}>
            <Upload size={15} strokeWidth={1.7} />
          </IconButton>
        </div>
      )}
      <input
        ref={chooser}
        type="file"
        accept=".json,application/json"
        aria-label="File of motifs"
        className="hidden"
        onChange={(event) => {
          const [file] = event.target.files ?? [];
          event.target.value = '';
          if (file) void takeFile(file);
        }}
      />
    </div>
  );
}
