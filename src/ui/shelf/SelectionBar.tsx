'use client';

import { Menu, MenuButton, MenuItems } from '@headlessui/react';
import {
  ArrowLeftRight,
  Copy,
  Download,
  Flame,
  FolderInput,
  FolderX,
  Folder,
  Tag,
  Trash2,
  Undo2,
  X,
} from 'lucide-react';

import type { Collection } from '@/protocol';
import { Button, IconButton, MENU_LOOK, MenuList } from '@/ui/common';

/** Figures that are compared at once. */
const MOST_COMPARED = 4;

interface Props {
  readonly count: number;
  readonly isBin: boolean;
  readonly collections: readonly Collection[];
  readonly onCompare: () => void;
  readonly onExport: () => void;
  readonly onLabel: () => void;
  readonly onCollect: (collection: string | null) => void;
  readonly onDuplicate: () => void;
  readonly onBin: () => void;
  readonly onPutBack: () => void;
  readonly onDestroy: () => void;
  readonly onClear: () => void;
}

/** What can be done with the figures that are chosen; at the foot of the window while some are. */
export function SelectionBar(props: Props) {
  const { count, isBin, onClear } = props;
  return (
    <div className="pointer-events-none fixed inset-x-0 bottom-4 z-20 flex justify-center px-4">
      <div
        role="toolbar"
        aria-label="Chosen figures"
        className="pointer-events-auto flex flex-wrap items-center justify-center gap-1.5 rounded-[12px] border border-line-strong bg-shell p-2 shadow-ui"
      >
        <span className="px-2 font-semibold whitespace-nowrap">
          {count} {count === 1 ? 'figure' : 'figures'}
        </span>
        {isBin ? <BinActions {...props} /> : <ShelfActions {...props} />}
        <IconButton label="Choose none (Esc)" onClick={onClear}>
          <X size={16} strokeWidth={1.8} />
        </IconButton>
      </div>
    </div>
  );
}

const BinActions = ({ onPutBack, onDestroy }: Props) => (
  <>
    <Button onClick={onPutBack}>
      <Undo2 size={15} strokeWidth={1.7} aria-hidden /> Put back
    </Button>
    <Button tone="danger" onClick={onDestroy}>
      <Flame size={15} strokeWidth={1.7} aria-hidden /> Take away for good …
    </Button>
  </>
);

function ShelfActions({ count, collections, onCollect, ...does }: Props) {
  const canCompare = count >= 2 && count <= MOST_COMPARED;
  return (
    <>
      <Button
        disabled={!canCompare}
        title={canCompare ? undefined : `Choose 2 to ${MOST_COMPARED} to compare`}
        onClick={does.onCompare}
      >
        <ArrowLeftRight size={15} strokeWidth={1.7} aria-hidden /> Compare
      </Button>
      <Button onClick={does.onExport}>
        <Download size={15} strokeWidth={1.7} aria-hidden /> Export …
      </Button>
      <Button onClick={does.onLabel}>
        <Tag size={15} strokeWidth={1.7} aria-hidden /> Label …
      </Button>
      <Menu>
        <MenuButton className="inline-flex h-[30px] items-center gap-1.5 rounded-ui border border-line-strong bg-field px-3 font-medium whitespace-nowrap hover:border-edge">
          <FolderInput size={15} strokeWidth={1.7} aria-hidden /> Collection
        </MenuButton>
        <MenuItems anchor="top" className={`${MENU_LOOK} max-h-[320px] overflow-y-auto`}>
          <MenuList
            entries={[
              ...collections.map(({ id, name }) => ({
                label: name,
                icon: Folder,
                onClick: () => onCollect(id),
              })),
              {
                label: 'In none',
                icon: FolderX,
                onClick: () => onCollect(null),
                apart: collections.length > 0,
              },
            ]}
          />
        </MenuItems>
      </Menu>
      <Button onClick={does.onDuplicate}>
        <Copy size={15} strokeWidth={1.7} aria-hidden /> Duplicate
      </Button>
      <Button tone="danger" onClick={does.onBin}>
        <Trash2 size={15} strokeWidth={1.7} aria-hidden /> To the Bin
      </Button>
    </>
  );
}
