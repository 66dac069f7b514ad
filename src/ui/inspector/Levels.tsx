'use client';

import { Tab, TabGroup, TabList } from '@headlessui/react';

import type { Level } from '@/state';
import { steady } from '@/ui/common';

const LEVELS: readonly Level[] = ['page', 'round', 'shapes'];

interface Props {
  readonly level: Level;
  /** What stands on the tab of each; null where there is nothing of it. */
  readonly names: Readonly<Record<Level, string | null>>;
  readonly note: Readonly<Record<Level, string>>;
  readonly onLevel: (level: Level) => void;
}

/** The page, the round and what is selected: three levels, each a click away whatever is selected. */
export const Levels = steady(function Levels({ level, names, note, onLevel }: Props) {
  return (
    <TabGroup
      selectedIndex={LEVELS.indexOf(level)}
      onChange={(index) => onLevel(LEVELS[index] ?? 'round')}
      className="contents"
    >
      <TabList
        aria-label="What the panel is about"
        className="flex h-[42px] shrink-0 border-b border-line px-2"
      >
        {LEVELS.map((each) => (
          <Tab
            key={each}
            disabled={names[each] === null}
            title={note[each]}
            className={`relative min-w-0 px-2.5 text-[13px] text-muted outline-offset-[-3px] hover:text-ink data-[disabled]:opacity-40 data-[disabled]:hover:text-muted data-[selected]:font-semibold data-[selected]:text-ink data-[selected]:after:absolute data-[selected]:after:inset-x-2 data-[selected]:after:bottom-0 data-[selected]:after:h-[2px] data-[selected]:after:bg-coral ${each === 'page' ? 'shrink-0' : 'max-w-[45%]'}`}
          >
            <span className="block truncate">{names[each] ?? 'Shape'}</span>
          </Tab>
        ))}
      </TabList>
    </TabGroup>
  );
});
