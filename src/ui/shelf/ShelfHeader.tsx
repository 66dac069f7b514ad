'use client';

import { ChevronDown, FolderOpen, Plus, Search } from 'lucide-react';
import { useRef } from 'react';

import { Button, Mark, ThemeButton } from '@/ui/common';

interface HeaderProps {
  readonly search: string;
  readonly onSearch: (text: string) => void;
  readonly onFile: (file: File) => void;
  readonly onNew: () => void;
  readonly onStart: () => void;
  readonly isBusy: boolean;
}

/** The bar over the Shelf: search, files, and new figures. */
export function ShelfHeader({ search, onSearch, onFile, onNew, onStart, isBusy }: HeaderProps) {
  const chooser = useRef<HTMLInputElement>(null);
  return (
    <header className="sticky top-0 z-10 flex h-[52px] items-center gap-3 border-b border-line bg-field px-4">
      <Mark />
      <h1 className="font-title text-[17px] font-bold">Cyclogon</h1>
      <span className="text-muted max-sm:hidden">Shelf</span>
      <label className="relative ml-auto w-[300px] min-w-0">
        <Search size={15} strokeWidth={1.7} className="absolute top-[7px] left-2.5 text-muted" aria-hidden />
        <input
          type="search"
          aria-label="Search figures"
          title="By name, label, collection, fold, colour, or what is in a figure"
          placeholder="Name, label, colour, 12 fold …"
          className="h-[30px] w-full rounded-ui border border-line-strong bg-field pr-2 pl-8 placeholder:text-muted"
          value={search}
          onChange={(event) => onSearch(event.target.value)}
        />
      </label>
      <ThemeButton />
      <Button onClick={() => chooser.current?.click()} disabled={isBusy}>
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
          if (file) onFile(file);
        }}
      />
      <div className="flex">
        <Button tone="main" className="rounded-r-none" onClick={onNew} disabled={isBusy}>
          <Plus size={16} strokeWidth={1.9} aria-hidden /> New figure
        </Button>
        <Button
          tone="main"
          className="ml-px rounded-l-none px-2"
          aria-label="Begin from a construction or another page"
          title="Begin from a construction or another page"
          onClick={onStart}
          disabled={isBusy}
        >
          <ChevronDown size={16} strokeWidth={1.9} aria-hidden />
        </Button>
      </div>
    </header>
  );
}
