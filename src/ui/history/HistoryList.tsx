'use client';

import { useVirtualizer } from '@tanstack/react-virtual';
import { format } from 'date-fns';
import { ArrowLeftRight, ChevronDown, ExternalLink, Flag, Pencil, X } from 'lucide-react';
import { useEffect, useRef, useState } from 'react';

import { exportAddress } from '@/state';
import type { FigureHistory } from '@/protocol';
import { CARD, DotsMenu, type MenuEntry, ServerPicture, TextField } from '@/ui/common';
import { foldedAtFirst, nameOfRow, rowsOf, type Row } from './rows';

export interface RowActions {
  readonly look: (row: Row) => void;
  /** Puts it in the place of the figure as it is, beside the one that is looked at. */
  readonly beside: (row: Row) => void;
  readonly takeBack: (row: Row) => void;
  readonly keep: (row: Row) => void;
  readonly openAsOwn: (row: Row) => void;
  readonly rename: (version: string, name: string) => void;
  readonly drop: (version: string) => void;
}

interface Props {
  readonly id: string;
  readonly history: FigureHistory;
  /** The key of the row that is looked at, and of the one beside it where that is not the figure as it is. */
  readonly seen: string | null;
  readonly other: string | null;
  readonly actions: RowActions;
}

const DAY_HEIGHT = 36;
const ROW_HEIGHT = 60;

/** The picture of a row's state. */
function pictureOf(id: string, row: Row): string {
  if (row.kind === 'version') return exportAddress(id, { ...CARD, version: row.version.id });
  if (row.kind === 'day') return '';
  const { position, at } = row.step;
  return exportAddress(id, { ...CARD, step: String(position), made: at });
}

const timeOf = (row: Row): string => {
  if (row.kind === 'step') return format(new Date(row.step.at), 'HH:mm');
  if (row.kind === 'version') return format(new Date(row.version.at), 'd MMM, HH:mm');
  return '';
};

const marks = (row: Row): string => {
  if (row.kind === 'step') return row.is === 'now' ? ' · now' : row.is === 'undone' ? ' · taken back' : '';
  return row.kind === 'version' && row.version.kind === 'left' ? ' · thirty days' : '';
};

function entriesOf(row: Row, actions: RowActions, rename: () => void): MenuEntry[] {
  const own: MenuEntry = {
    label: 'Open as a figure',
    icon: ExternalLink,
    onClick: () => actions.openAsOwn(row),
  };
  const beside: MenuEntry = {
    label: 'Compare with this',
    icon: ArrowLeftRight,
    onClick: () => actions.beside(row),
  };
  if (row.kind === 'step')
    return [{ label: 'Keep as a version', icon: Flag, onClick: () => actions.keep(row) }, beside, own];
  if (row.kind !== 'version') return [];
  const { id } = row.version;
  return [
    { label: 'Rename', icon: Pencil, onClick: rename },
    beside,
    own,
    { label: 'Take away', icon: X, onClick: () => actions.drop(id), danger: true, apart: true },
  ];
}

/** One state: its picture, what was done and when. A click looks at it, another takes it back. */
function StateRow({
  id,
  row,
  isSeen,
  isOther,
  actions,
}: {
  readonly id: string;
  readonly row: Row;
  readonly isSeen: boolean;
  readonly isOther: boolean;
  readonly actions: RowActions;
}) {
  const [renaming, setRenaming] = useState(false);
  const isNow = row.kind === 'step' && row.is === 'now';
  return (
    <div
      className={`flex h-full items-center gap-1 rounded-ui pr-1 ${isSeen ? 'bg-coral-soft' : isOther ? 'bg-kelp-soft' : 'hover:bg-line/40'}`}
    >
      {renaming && row.kind === 'version' ? (
        <TextField
          label="Name of the version"
          value={row.version.name}
          autoFocus
          className="mx-2 h-[30px] flex-1"
          onChange={(name) => actions.rename(row.version.id, name)}
          onDone={() => setRenaming(false)}
        />
      ) : (
        <button
          type="button"
          data-state={row.key}
          aria-current={isSeen ? 'true' : undefined}
          title={isSeen && !isNow ? 'Take it back' : 'Look at it; with Shift compare with it'}
          onClick={({ shiftKey }) => {
            if (shiftKey) actions.beside(row);
            else if (isSeen && !isNow) actions.takeBack(row);
            else actions.look(row);
          }}
          className="flex h-full min-w-0 flex-1 items-center gap-3 rounded-ui px-2 text-left"
        >
          <span className="size-[46px] shrink-0 overflow-hidden rounded-[6px] border border-line bg-field">
            <ServerPicture address={pictureOf(id, row)} />
          </span>
          <span className="min-w-0 flex-1">
            <span className={`block truncate ${isNow ? 'font-semibold text-kelp' : 'font-medium'}`}>
              {nameOfRow(row)}
            </span>
            <span className="block truncate text-[12px] text-muted">
              {timeOf(row)}
              {marks(row)}
            </span>
          </span>
          {isSeen && !isNow && (
            <span className="shrink-0 rounded-full bg-kelp px-2.5 py-1 text-[12px] font-semibold text-on-kelp">
              Take back
            </span>
          )}
        </button>
      )}
      <DotsMenu
        label={`More for ${nameOfRow(row)}`}
        entries={entriesOf(row, actions, () => setRenaming(true))}
      />
    </div>
  );
}

/** The steps and versions of a figure; of many rows only those about what is seen are in the page. */
export function HistoryList({ id, history, seen, other, actions }: Props) {
  const [folded, setFolded] = useState(() => foldedAtFirst(history));
  const scroller = useRef<HTMLDivElement>(null);
  const rows = rowsOf(history, { today: new Date(), folded });
  // What it returns changes by itself and is not kept: that is how it is meant to be used.
  // eslint-disable-next-line react-hooks/incompatible-library
  const list = useVirtualizer({
    count: rows.length,
    getScrollElement: () => scroller.current,
    estimateSize: (k) => (rows[k]?.kind === 'day' ? DAY_HEIGHT : ROW_HEIGHT),
    getItemKey: (k) => rows[k]?.key ?? k,
    overscan: 6,
  });
  useEffect(() => list.measure(), [list, rows.length]);
  const toggle = (key: string): void => {
    const next = new Set(folded);
    if (!next.delete(key)) next.add(key);
    setFolded(next);
  };
  /** Looks at the next state up or down the list. */
  const go = (by: 1 | -1): void => {
    const at = rows.findIndex(({ key }) => key === seen);
    for (let k = at < 0 ? 0 : at + by; k >= 0 && k < rows.length; k += by) {
      const row = rows[k];
      if (!row || row.kind === 'day') continue;
      actions.look(row);
      list.scrollToIndex(k);
      requestAnimationFrame(() =>
        scroller.current
          ?.querySelector<HTMLElement>(`[data-state="${row.key}"]`)
          ?.focus({ preventScroll: true }),
      );
      return;
    }
  };
  return (
    <div
      ref={scroller}
      className="min-h-0 flex-1 overflow-y-auto px-2 py-1"
      onKeyDown={(event) => {
        if (event.key !== 'ArrowDown' && event.key !== 'ArrowUp') return;
        event.preventDefault();
        go(event.key === 'ArrowDown' ? 1 : -1);
      }}
    >
      <ol className="relative" style={{ height: list.getTotalSize() }} aria-label="Steps and versions">
        {list.getVirtualItems().map(({ index, start, size, key }) => {
          const row = rows[index];
          if (!row) return null;
          return (
            <li
              key={key}
              className="absolute inset-x-0 py-px"
              style={{ top: start, height: size }}
              aria-posinset={index + 1}
              aria-setsize={rows.length}
            >
              {row.kind === 'day' ? (
                <button
                  type="button"
                  aria-expanded={!row.isFolded}
                  onClick={() => toggle(row.key)}
                  className="flex h-full w-full items-center gap-1.5 rounded-ui px-1 text-left font-semibold hover:bg-line/40"
                >
                  <ChevronDown
                    size={14}
                    strokeWidth={1.9}
                    aria-hidden
                    className={row.isFolded ? '-rotate-90' : undefined}
                  />
                  {row.title}
                  <span className="font-mono text-[12px] font-normal text-muted">{row.count}</span>
                </button>
              ) : (
                <StateRow
                  id={id}
                  row={row}
                  isSeen={row.key === seen}
                  isOther={row.key === other}
                  actions={actions}
                />
              )}
            </li>
          );
        })}
      </ol>
    </div>
  );
}
