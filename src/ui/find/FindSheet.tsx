'use client';

import {
  Combobox,
  ComboboxInput,
  ComboboxOption,
  ComboboxOptions,
  Dialog,
  DialogBackdrop,
  DialogPanel,
} from '@headlessui/react';
import { useQuery } from '@tanstack/react-query';
import { Search } from 'lucide-react';
import { useRouter } from 'next/navigation';
import { useMemo, useState } from 'react';

import { server } from '@/state';
import { ALL_FIGURES } from '@/protocol';
import { useWorkshop } from '@/ui/desk';
import type { Sheet } from '@/ui/keys';
import { entriesOf, type FindEntry } from './entries';
import { ranked } from './rank';

/** How many are shown of what is found. */
const MOST = 12;
const MOST_FIGURES = 5;

interface Props {
  readonly open: boolean;
  readonly onClose: () => void;
  readonly openSheet: (sheet: Sheet) => void;
}

/** Figures of the Shelf by name; none before something is typed. */
function useFigures(text: string): FindEntry[] {
  const router = useRouter();
  const words = text.trim();
  const { data } = useQuery({
    queryKey: ['find', words],
    queryFn: () => server.list({ ...ALL_FIGURES, search: words }, 0, MOST_FIGURES),
    enabled: words.length > 1,
    staleTime: 10_000,
  });
  return (words.length > 1 ? (data?.figures ?? []) : []).map(({ id, name }) => ({
    id: `figure ${id}`,
    name,
    words: '',
    where: 'figure on the Shelf',
    run: () => router.push(`/figures/${encodeURIComponent(id)}`),
  }));
}

/** One field over every tool, section, command and figure: typed as a person would call it. */
export function FindSheet({ open, onClose, openSheet }: Props) {
  return (
    <Dialog open={open} onClose={onClose} className="relative z-50">
      <DialogBackdrop className="fixed inset-0 bg-veil" />
      <div className="fixed inset-0 flex justify-center p-4 pt-[12vh]">
        <DialogPanel className="h-fit w-full max-w-[520px] overflow-hidden rounded-[12px] border border-line-strong bg-shell text-ink shadow-ui">
          <Finder onClose={onClose} openSheet={openSheet} />
        </DialogPanel>
      </div>
    </Dialog>
  );
}

function Finder({ onClose, openSheet }: Omit<Props, 'open'>) {
  const { editor, saver, proofing } = useWorkshop();
  const [text, setText] = useState('');
  // What can be done is that of the moment in which Find was opened.
  const entries = useMemo(
    () => entriesOf({ editor, saver, openSheet, proof: proofing.store }),
    [editor, saver, openSheet, proofing],
  );
  const figures = useFigures(text);
  const found = [...ranked(entries, text).slice(0, MOST), ...figures];
  const take = (entry: FindEntry | null): void => {
    if (!entry || entry.off) return;
    onClose();
    // The dialog gives the focus back first, which what was found may take.
    requestAnimationFrame(entry.run);
  };
  return (
    <Combobox<FindEntry | null> immediate value={null} onChange={take}>
      <div className="flex h-[48px] items-center gap-2.5 border-b border-line px-4">
        <Search size={17} strokeWidth={1.7} aria-hidden className="text-muted" />
        <ComboboxInput
          autoFocus
          aria-label="Find"
          placeholder="A tool, a setting, a command, a figure"
          className="h-full min-w-0 flex-1 bg-transparent text-[15px] outline-none"
          autoComplete="off"
          spellCheck={false}
          onChange={(event) => setText(event.target.value)}
          onKeyDown={(event) => {
            if (event.key === 'Escape') onClose();
          }}
        />
        <kbd className="font-mono text-[11px] text-muted">Esc</kbd>
      </div>
      <ComboboxOptions static modal={false} className="max-h-[52vh] overflow-y-auto p-1.5">
        {found.map((entry) => (
          <ComboboxOption
            key={entry.id}
            value={entry}
            disabled={entry.off !== undefined}
            className="flex min-h-[34px] cursor-pointer items-center gap-3 rounded-[7px] px-2.5 data-[disabled]:cursor-default data-[disabled]:opacity-50 data-[focus]:bg-kelp-soft"
          >
            <span className="min-w-0 flex-1 truncate font-medium">{entry.name}</span>
            <span className="truncate text-[12px] text-muted">{entry.off ?? entry.where}</span>
            {entry.shortcut && (
              <kbd className="min-w-[22px] rounded-[5px] border border-line-strong bg-field px-1.5 text-center font-mono text-[11px] leading-[18px] text-muted">
                {entry.shortcut}
              </kbd>
            )}
          </ComboboxOption>
        ))}
      </ComboboxOptions>
      {found.length === 0 && (
        <p role="status" className="px-4 py-3 text-[13px] text-muted">
          Nothing is called so. Try another word for it, or fewer letters.
        </p>
      )}
    </Combobox>
  );
}
