'use client';

import { Tab, TabList } from '@headlessui/react';

import type { Level } from '@/state';

export const LEVELS: readonly Level[] = ['page', 'round', 'shapes'];

interface Props {
  /** What stands on the tab of each; null where there is nothing of it. */
  readonly names: Readonly<Record<Level, string | null>>;
  readonly note: Readonly<Record<Level, string>>;
}

/** The page, the round and what is selected: three levels, each a click away whatever is selected. */
export function Levels({ names, note }: Props) {
  return (
    <TabList
      aria-label="What the panel is about"
      className="flex h-[42px] shrink-0 border-b border-line px-2"
    >
      {LEVELS.map((level) => (
        <Tab
          key={level}
          disabled={names[level] === null}
          title={note[level]}
          className={`relative min-w-0 px-2.5 text-[13px] text-muted outline-offset-[-3px] hover:text-ink data-[disabled]:opacity-40 data-[disabled]:hover:text-muted data-[selected]:font-semibold data-[selected]:text-ink data-[selected]:after:absolute data-[selected]:after:inset-x-2 data-[selected]:after:bottom-0 data-[selected]:after:h-[2px] data-[selected]:after:bg-coral ${level === 'page' ? 'shrink-0' : 'max-w-[45%]'}`}
        >
          <span className="block truncate">{names[level] ?? 'Shape'}</span>
        </Tab>
      ))}
    </TabList>
  );
}
