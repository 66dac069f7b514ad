'use client';

import { formatDistanceToNow } from 'date-fns';
import { Copy, Pencil, Trash2 } from 'lucide-react';
import Link from 'next/link';
import { memo, useState } from 'react';

import type { FigureSummary } from '@/wire';
import { DotsMenu } from '../common/Menu';
import { FigurePicture } from '../common/FigurePicture';
import { TextField } from '../common/TextField';

export interface CardActions {
  readonly rename: (figure: FigureSummary, name: string) => void;
  readonly duplicate: (figure: FigureSummary) => void;
  readonly remove: (figure: FigureSummary) => void;
}

interface Props {
  readonly figure: FigureSummary;
  readonly actions: CardActions;
  /** Where not all are in the page: its place among all, from 1, how many there are, and where it stands, in pixels. */
  readonly place?: number;
  readonly of?: number;
  readonly x?: number;
  readonly y?: number;
  readonly width?: number;
}

/** A figure on the Shelf: its picture, its name, and what can be done with it. */
export const FigureCard = memo(function FigureCard({ figure, actions, place, of, x, y, width }: Props) {
  const [renaming, setRenaming] = useState(false);
  const address = `/figures/${figure.id}`;
  return (
    <li
      aria-posinset={place}
      aria-setsize={of}
      style={x === undefined ? undefined : { position: 'absolute', left: x, top: y, width }}
      className="group flex flex-col overflow-hidden rounded-[12px] border border-line bg-shell transition-shadow duration-100 hover:border-line-strong hover:shadow-ui"
    >
      <Link href={address} tabIndex={-1} aria-hidden className="block aspect-square bg-sand p-3">
        <FigurePicture figure={figure} />
      </Link>
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
          ) : (
            <Link href={address} className="block truncate rounded-[4px] font-semibold" title={figure.name}>
              {figure.name}
            </Link>
          )}
          <p className="truncate text-[12px] text-muted" suppressHydrationWarning>
            {formatDistanceToNow(new Date(figure.updatedAt), { addSuffix: true })}
          </p>
        </div>
        <DotsMenu
          label={`More for ${figure.name}`}
          entries={[
            { label: 'Rename', icon: Pencil, onClick: () => setRenaming(true) },
            { label: 'Duplicate', icon: Copy, onClick: () => actions.duplicate(figure) },
            {
              label: 'Delete',
              icon: Trash2,
              onClick: () => actions.remove(figure),
              danger: true,
              apart: true,
            },
          ]}
        />
      </div>
    </li>
  );
});
