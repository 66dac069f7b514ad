'use client';

import { Listbox, ListboxButton, ListboxOption, ListboxOptions } from '@headlessui/react';
import { ArrowDownUp, Trash2, X } from 'lucide-react';

import type { ShelfFacts, ShelfQuery, Sort } from '@/protocol';
import { SORTS } from '@/protocol';
import { Button } from '@/ui/common';

const SORT_NAMES: Readonly<Record<Sort, string>> = {
  changed: 'Last changed',
  made: 'Newest',
  name: 'Name',
  fold: 'Fold',
};

interface Props {
  readonly query: ShelfQuery;
  readonly facts: ShelfFacts;
  readonly total: number;
  readonly onQuery: (change: Partial<ShelfQuery>) => void;
  readonly onEmptyBin: () => void;
}

const LISTED =
  'flex h-[30px] items-center gap-2 rounded-ui border border-line-strong bg-field px-2.5 font-medium hover:border-edge';

/** In a narrow window the places stand in a list instead of at the side. */
function Places({ query, facts, onQuery }: Props) {
  const value = query.binned
    ? 'bin'
    : query.collection !== undefined
      ? `in:${query.collection}`
      : query.label !== undefined
        ? `as:${query.label}`
        : 'all';
  return (
    <select
      aria-label="Shown"
      value={value}
      onChange={({ target }) => {
        const [kind, ...rest] = target.value.split(':');
        const word = rest.join(':');
        if (kind === 'bin') onQuery({ binned: true });
        else if (kind === 'in') onQuery({ collection: word });
        else if (kind === 'as') onQuery({ label: word });
        else onQuery({});
      }}
      className="h-[30px] max-w-[180px] rounded-ui border border-line-strong bg-field px-2 lg:hidden"
    >
      <option value="all">All figures</option>
      <option value="bin">Bin</option>
      {facts.collections.map(({ id, name }) => (
        <option key={id} value={`in:${id}`}>
          {name}
        </option>
      ))}
      {facts.labels.map(({ label }) => (
        <option key={label} value={`as:${label}`}>
          Label {label}
        </option>
      ))}
    </select>
  );
}

/** What is shown of the Shelf, how many, and in which order. */
export function ShelfBar(props: Props) {
  const { query, facts, total, onQuery, onEmptyBin } = props;
  const { binned, collection, label } = query;
  const name = binned
    ? 'Bin'
    : (facts.collections.find(({ id }) => id === collection)?.name ?? label ?? 'All figures');
  const isNarrowed = binned || collection !== undefined || label !== undefined;
  return (
    <div className="mb-4 flex min-h-[30px] flex-wrap items-center gap-3">
      <h2 className="font-title text-[18px] leading-6 font-semibold max-lg:sr-only">{name}</h2>
      <Places {...props} />
      <span className="text-muted" role="status">
        {total === 1 ? '1 figure' : `${total} figures`}
        {binned && total > 0 && ', each for thirty days'}
      </span>
      {isNarrowed && (
        <Button tone="quiet" onClick={() => onQuery({})}>
          <X size={14} strokeWidth={1.8} aria-hidden /> Show all
        </Button>
      )}
      <span className="flex-1" />
      {binned ? (
        <Button tone="danger" disabled={facts.binned === 0} onClick={onEmptyBin}>
          <Trash2 size={15} strokeWidth={1.7} aria-hidden /> Empty the Bin …
        </Button>
      ) : (
        <Listbox value={query.sort} onChange={(sort: Sort) => onQuery({ ...query, sort })}>
          <ListboxButton aria-label={`In order of: ${SORT_NAMES[query.sort]}`} className={LISTED}>
            <ArrowDownUp size={14} strokeWidth={1.7} aria-hidden className="text-muted" />
            {SORT_NAMES[query.sort]}
          </ListboxButton>
          <ListboxOptions
            anchor={{ to: 'bottom end', gap: 4 }}
            className="z-40 w-[170px] rounded-[10px] border border-line-strong bg-shell p-1 shadow-ui"
          >
            {SORTS.map((sort) => (
              <ListboxOption
                key={sort}
                value={sort}
                className="cursor-pointer rounded-[6px] px-2.5 py-1.5 data-[focus]:bg-kelp-soft data-[selected]:font-semibold"
              >
                {SORT_NAMES[sort]}
              </ListboxOption>
            ))}
          </ListboxOptions>
        </Listbox>
      )}
    </div>
  );
}
