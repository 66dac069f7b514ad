'use client';

import { formatDistanceToNow } from 'date-fns';
import { Copy, Pencil, Trash2 } from 'lucide-react';
import Link from 'next/link';
import { useState } from 'react';

import { exportAddress } from '@/state/server';
import type { FigureSummary } from '@/wire';
import { DotsMenu } from '../common/Menu';
import { TextField } from '../common/TextField';

interface Props {
  readonly figure: FigureSummary;
  readonly onRename: (name: string) => void;
  readonly onDuplicate: () => void;
  readonly onDelete: () => void;
}

/** A figure on the Shelf: its picture, its name, and what can be done with it. */
export function FigureCard({ figure, onRename, onDuplicate, onDelete }: Props) {
  const [renaming, setRenaming] = useState(false);
  const picture = exportAddress(figure.id, { to: 'svg', decimals: '2', revision: String(figure.revision) });
  const address = `/figures/${figure.id}`;
  return (
    <li className="group flex flex-col overflow-hidden rounded-[12px] border border-line bg-shell transition-shadow duration-100 hover:border-line-strong hover:shadow-ui">
      <Link href={address} tabIndex={-1} aria-hidden className="block aspect-square bg-sand p-3">
        {/* The picture is made by our own route as SVG: there is nothing for an image optimiser to do. */}
        {/* eslint-disable-next-line @next/next/no-img-element */}
        <img src={picture} alt="" loading="lazy" draggable={false} className="size-full object-contain" />
      </Link>
      <div className="flex items-center gap-1 border-t border-line py-2 pr-1.5 pl-3.5">
        <div className="min-w-0 flex-1">
          {renaming ? (
            <TextField
              label="Name of the figure"
              value={figure.name}
              autoFocus
              className="-ml-1.5 h-[22px] w-full font-semibold"
              onChange={onRename}
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
            { label: 'Duplicate', icon: Copy, onClick: onDuplicate },
            { label: 'Delete', icon: Trash2, onClick: onDelete, danger: true, apart: true },
          ]}
        />
      </div>
    </li>
  );
}
