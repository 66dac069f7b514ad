'use client';

import { formatDistanceToNow, formatDistanceToNowStrict } from 'date-fns';
import { Check, Copy, Flame, Pencil, Tag, Trash2, Undo2 } from 'lucide-react';
import Link from 'next/link';
import { memo, useState } from 'react';

import { BIN_DAYS, type FigureSummary } from '@/protocol';
import { DotsMenu, FigurePicture, type MenuEntry, TextField } from '@/ui/common';

export interface CardActions {
  readonly rename: (figure: FigureSummary, name: string) => void;
  readonly duplicate: (figure: FigureSummary) => void;
  readonly label: (figure: FigureSummary) => void;
  readonly remove: (figure: FigureSummary) => void;
  readonly putBack: (figure: FigureSummary) => void;
  readonly destroy: (figure: FigureSummary) => void;
  /** Chooses it or not; with `through` all from the one chosen before. */
  readonly pick: (figure: FigureSummary, place: number, through: boolean) => void;
}

export interface CardState {
  readonly isPicked: boolean;
  /** Some are chosen: a click on any chooses too. */
  readonly isPicking: boolean;
  /** In how many windows it is open. */
  readonly windows: number;
}

/** Where a card stands. */
interface CardPlace {
  /** Among all, from 1. */
  readonly place: number;
  /** How many there are, where not all are in the page, and where it is, in pixels. */
  readonly of?: number;
  readonly x?: number;
  readonly y?: number;
  readonly width?: number;
}

interface Props extends CardPlace, CardState {
  readonly figure: FigureSummary;
  readonly actions: CardActions;
}

const ago = (time: string): string => formatDistanceToNow(new Date(time), { addSuffix: true });

/** How long a figure in the Bin is still there. */
function leaves(binnedAt: string): string {
  const end = new Date(new Date(binnedAt).getTime() + BIN_DAYS * 86_400_000);
  return end.getTime() <= Date.now() ? 'goes tonight' : `goes in ${formatDistanceToNowStrict(end)}`;
}

/** The box with which a card is chosen; seen while one points at it, and while any is chosen. */
function PickBox({
  name,
  isPicked,
  isPicking,
  onPick,
}: Pick<CardState, 'isPicked' | 'isPicking'> & {
  readonly name: string;
  readonly onPick: (through: boolean) => void;
}) {
  const look = isPicked
    ? 'border-kelp bg-kelp text-on-kelp'
    : `border-edge bg-field text-transparent hover:border-kelp ${isPicking ? '' : 'opacity-0 group-focus-within:opacity-100 group-hover:opacity-100'}`;
  return (
    <button
      type="button"
      role="checkbox"
      aria-checked={isPicked}
      aria-label={`Choose ${name}`}
      title="Choose (with Shift all up to here)"
      onClick={(event) => onPick(event.shiftKey)}
      className="absolute top-0 left-0 z-[1] grid size-10 place-items-center"
    >
      <span className={`grid size-[20px] place-items-center rounded-[6px] border ${look}`}>
        <Check size={14} strokeWidth={2.6} aria-hidden />
      </span>
    </button>
  );
}

/** A figure on the Shelf or in the Bin: its picture, its name, and what can be done with it. */
export const FigureCard = memo(function FigureCard({
  figure,
  actions,
  isPicked,
  isPicking,
  windows,
  ...where
}: Props) {
  const { place, of, x, y, width } = where;
  const [renaming, setRenaming] = useState(false);
  const isBinned = figure.binnedAt !== undefined;
  const pick = (through: boolean): void => actions.pick(figure, place - 1, through);
  const address = `/figures/${figure.id}`;
  return (
    <li
      {...(of !== undefined && { 'aria-posinset': place, 'aria-setsize': of })}
      style={x === undefined ? undefined : { position: 'absolute', left: x, top: y, width }}
      className={`group relative flex flex-col overflow-hidden rounded-[12px] border bg-shell transition-shadow duration-100 hover:shadow-ui ${isPicked ? 'border-kelp outline outline-kelp' : 'border-line hover:border-line-strong'}`}
      // While some are chosen, or with Ctrl, a click chooses and opens nothing.
      onClickCapture={(event) => {
        const isOnPicture = event.target instanceof Element && event.target.closest('[data-picture]');
        if (!isOnPicture || !(isPicking || event.ctrlKey || event.metaKey || event.shiftKey)) return;
        event.preventDefault();
        event.stopPropagation();
        pick(event.shiftKey);
      }}
    >
      <PickBox name={figure.name} isPicked={isPicked} isPicking={isPicking} onPick={pick} />
      {isBinned ? (
        <div data-picture className="aspect-square bg-sand p-3 opacity-75">
          <FigurePicture figure={figure} />
        </div>
      ) : (
        <Link
          href={address}
          data-picture
          tabIndex={-1}
          aria-hidden
          className="block aspect-square bg-sand p-3"
        >
          <FigurePicture figure={figure} />
        </Link>
      )}
      {windows > 0 && (
        <span className="absolute top-2.5 right-2.5 rounded-full bg-kelp-soft px-2 py-0.5 text-[11px] font-medium text-kelp">
          {windows === 1 ? 'open in a window' : `open in ${windows} windows`}
        </span>
      )}
      <div className="flex items-center gap-1 border-t border-line py-2 pr-1.5 pl-3.5">
        <div className="min-w-0 flex-1">
          {renaming ? (
            <TextField
              label="Name of the figure"
              value={figure.name}
              autoFocus
              className="-ml-1.5 h-[22px] w-full font-semibold"
              onChange={(name) => actions.rename(figure, name)}
              onDone={() => setRenaming(false)}
            />
          ) : isBinned ? (
            <p className="truncate font-semibold" title={figure.name}>
              {figure.name}
            </p>
          ) : (
            <Link href={address} className="block truncate rounded-[4px] font-semibold" title={figure.name}>
              {figure.name}
            </Link>
          )}
          <p className="truncate text-[12px] text-muted" suppressHydrationWarning>
            {figure.binnedAt === undefined ? ago(figure.updatedAt) : leaves(figure.binnedAt)}
            {figure.labels && ` · ${figure.labels.join(', ')}`}
          </p>
        </div>
        <DotsMenu
          label={`More for ${figure.name}`}
          entries={
            isBinned ? binEntries(figure, actions) : entriesOf(figure, actions, () => setRenaming(true))
          }
        />
      </div>
    </li>
  );
});

const entriesOf = (figure: FigureSummary, actions: CardActions, rename: () => void): MenuEntry[] => [
  { label: 'Rename', icon: Pencil, onClick: rename },
  { label: 'Labels …', icon: Tag, onClick: () => actions.label(figure) },
  { label: 'Duplicate', icon: Copy, onClick: () => actions.duplicate(figure) },
  { label: 'To the Bin', icon: Trash2, onClick: () => actions.remove(figure), danger: true, apart: true },
];

const binEntries = (figure: FigureSummary, actions: CardActions): MenuEntry[] => [
  { label: 'Put back', icon: Undo2, onClick: () => actions.putBack(figure) },
  {
    label: 'Take away for good …',
    icon: Flame,
    onClick: () => actions.destroy(figure),
    danger: true,
    apart: true,
  },
];
