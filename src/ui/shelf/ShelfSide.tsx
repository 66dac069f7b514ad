'use client';

import { Archive, FolderPlus, Layers, Pencil, Trash2, X } from 'lucide-react';
import { useRef, useState } from 'react';
import { toast } from 'sonner';

import { server } from '@/state';
import type { Collection, ShelfFacts, ShelfQuery } from '@/protocol';
import { DotsMenu, say, TextField } from '@/ui/common';

interface Props {
  readonly query: ShelfQuery;
  readonly facts: ShelfFacts;
  readonly onQuery: (change: Partial<Pick<ShelfQuery, 'binned' | 'collection' | 'label'>>) => void;
  readonly onChanged: () => Promise<void>;
}

/** One place that figures are in, and how many. */
function PlaceRow({
  name,
  count,
  isOn,
  icon,
  onClick,
  children,
}: {
  readonly name: string;
  readonly count: number;
  readonly isOn: boolean;
  readonly icon?: React.ReactNode;
  readonly onClick: () => void;
  readonly children?: React.ReactNode;
}) {
  return (
    <div
      className={`group/row relative flex h-[32px] items-center rounded-ui ${isOn ? 'bg-kelp-soft' : 'hover:bg-line/50'}`}
    >
      <button
        type="button"
        aria-current={isOn ? 'page' : undefined}
        onClick={onClick}
        className={`flex h-full min-w-0 flex-1 items-center gap-2 rounded-ui pl-2.5 text-left ${isOn ? 'font-semibold text-kelp' : ''}`}
      >
        {icon}
        <span className="min-w-0 flex-1 truncate" title={name}>
          {name}
        </span>
        <span
          className={`pr-2.5 font-mono text-[12px] font-normal ${isOn ? 'text-kelp' : 'text-muted'} ${children ? 'group-focus-within/row:invisible group-hover/row:invisible' : ''}`}
        >
          {count}
        </span>
      </button>
      {children}
    </div>
  );
}

const Heading = ({ children }: { readonly children: React.ReactNode }) => (
  <h2 className="flex h-[30px] items-center justify-between pl-2.5 text-[12px] font-medium text-muted">
    {children}
  </h2>
);

/** Collections, labels, the Bin, and backups: what narrows the Shelf down and what belongs to all of it. */
export function ShelfSide({ query, facts, onQuery, onChanged }: Props) {
  const isAll = !query.binned && query.collection === undefined && query.label === undefined;
  return (
    <nav
      aria-label="Shelf"
      className="sticky top-[72px] flex max-h-[calc(100dvh-84px)] flex-col gap-4 self-start overflow-y-auto max-lg:hidden"
    >
      <div>
        <PlaceRow
          name="All figures"
          count={facts.total}
          isOn={isAll}
          icon={<Layers size={15} strokeWidth={1.7} aria-hidden />}
          onClick={() => onQuery({ binned: false })}
        />
        <PlaceRow
          name="Bin"
          count={facts.binned}
          isOn={query.binned}
          icon={<Trash2 size={15} strokeWidth={1.7} aria-hidden />}
          onClick={() => onQuery({ binned: true })}
        />
      </div>
      <Collections query={query} facts={facts} onQuery={onQuery} onChanged={onChanged} />
      {facts.labels.length > 0 && (
        <div>
          <Heading>Labels</Heading>
          <ul className="flex flex-wrap gap-1.5 px-2.5">
            {facts.labels.map(({ label, count }) => {
              const isOn = query.label === label;
              return (
                <li key={label} className="min-w-0">
                  <button
                    type="button"
                    aria-pressed={isOn}
                    onClick={() => onQuery(isOn ? {} : { label })}
                    className={`flex h-[26px] max-w-[180px] items-center gap-1.5 rounded-full border px-2.5 text-[12px] ${isOn ? 'border-kelp bg-kelp-soft font-semibold text-kelp' : 'border-line-strong bg-field hover:border-edge'}`}
                  >
                    <span className="truncate">{label}</span>
                    <span className="font-mono text-[11px] text-muted">{count}</span>
                  </button>
                </li>
              );
            })}
          </ul>
        </div>
      )}
      <Backups onChanged={onChanged} />
    </nav>
  );
}

function Collections({ query, facts, onQuery, onChanged }: Props) {
  const [naming, setNaming] = useState<string | null>(null);
  const done = (work: Promise<unknown>): void => void work.then(onChanged).catch(say);
  const take = ({ id, name }: Collection): void => {
    done(server.dropCollection(id));
    if (query.collection === id) onQuery({});
    toast(`“${name}” is no collection any more; its figures are on the Shelf.`);
  };
  return (
    <div>
      <Heading>
        Collections
        <button
          type="button"
          aria-label="New collection"
          title="New collection"
          onClick={() => setNaming('')}
          className="grid size-[28px] place-items-center rounded-ui hover:bg-line/60 hover:text-ink"
        >
          <FolderPlus size={15} strokeWidth={1.7} aria-hidden />
        </button>
      </Heading>
      {facts.collections.map((each) =>
        naming === each.id ? (
          <TextField
            key={each.id}
            label="Name of the collection"
            value={each.name}
            autoFocus
            className="h-[32px] w-full"
            onChange={(name) => done(server.renameCollection(each.id, name))}
            onDone={() => setNaming(null)}
          />
        ) : (
          <PlaceRow
            key={each.id}
            name={each.name}
            count={each.count}
            isOn={query.collection === each.id}
            onClick={() => onQuery({ collection: each.id })}
          >
            <span className="absolute top-px right-0.5 opacity-0 group-focus-within/row:opacity-100 group-hover/row:opacity-100">
              <DotsMenu
                label={`More for ${each.name}`}
                entries={[
                  { label: 'Rename', icon: Pencil, onClick: () => setNaming(each.id) },
                  { label: 'Take away, keep figures', icon: X, onClick: () => take(each), apart: true },
                ]}
              />
            </span>
          </PlaceRow>
        ),
      )}
      {naming === '' && (
        <TextField
          label="Name of the collection"
          value=""
          autoFocus
          className="h-[32px] w-full"
          onChange={(name) => done(server.makeCollection(name))}
          onDone={() => setNaming(null)}
        />
      )}
      {facts.collections.length === 0 && naming === null && (
        <p className="px-2.5 text-[12px] leading-4 text-muted">
          Figures that belong together, as those of one client.
        </p>
      )}
    </div>
  );
}

/** The whole Shelf as a file, and back. */
function Backups({ onChanged }: Pick<Props, 'onChanged'>) {
  const chooser = useRef<HTMLInputElement>(null);
  const [busy, setBusy] = useState(false);
  const take = async (file: File): Promise<void> => {
    setBusy(true);
    try {
      const { added, same } = await server.takeBackup(file);
      await onChanged();
      toast(`From the backup on the Shelf: ${added}. There already, as they are: ${same}.`, {
        duration: 10_000,
      });
    } catch (error) {
      say(error);
    }
    setBusy(false);
  };
  return (
    <div>
      <Heading>Backup</Heading>
      <p className="px-2.5 pb-1.5 text-[12px] leading-4 text-muted">
        Made every night, seven are kept. All figures with their histories in one file:
      </p>
      <div className="flex flex-wrap gap-1.5 px-2.5">
        <a
          href="/api/shelf/backup"
          download
          className="inline-flex h-[30px] items-center gap-1.5 rounded-ui border border-line-strong bg-field px-2.5 font-medium hover:border-edge"
        >
          <Archive size={14} strokeWidth={1.7} aria-hidden /> Save
        </a>
        <button
          type="button"
          disabled={busy}
          onClick={() => chooser.current?.click()}
          className="inline-flex h-[30px] items-center rounded-ui border border-line-strong bg-field px-2.5 font-medium hover:border-edge disabled:opacity-40"
        >
          {busy ? 'Reading …' : 'Take one in'}
        </button>
        <input
          ref={chooser}
          type="file"
          accept=".sqlite,application/vnd.sqlite3"
          aria-label="Backup file"
          className="hidden"
          onChange={(event) => {
            const [file] = event.target.files ?? [];
            event.target.value = '';
            if (file) void take(file);
          }}
        />
      </div>
    </div>
  );
}
