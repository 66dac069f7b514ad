'use client';

import { X } from 'lucide-react';
import { useState } from 'react';

import type { FigureSummary, ShelfFacts } from '@/protocol';
import { Button, Sheet } from '@/ui/common';

interface Props {
  /** Whose labels these are; none while it is closed. */
  readonly figures: readonly FigureSummary[];
  readonly facts: ShelfFacts;
  readonly onClose: () => void;
  readonly onLabel: (label: string, on: boolean) => void;
}

const MOST_SUGGESTED = 12;

/** Labels of one figure or of several: what all of them have, and what some have, taken away or given. */
export function LabelSheet({ figures, facts, onClose, onLabel }: Props) {
  const [text, setText] = useState('');
  const count = (label: string): number => figures.filter(({ labels }) => labels?.includes(label)).length;
  const theirs = [...new Set(figures.flatMap(({ labels = [] }) => labels))].sort((a, b) =>
    a.localeCompare(b),
  );
  const typed = text.trim();
  const suggested = facts.labels
    .map(({ label }) => label)
    .filter((label) => count(label) < figures.length)
    .filter((label) => label.toLocaleLowerCase().includes(typed.toLocaleLowerCase()))
    .slice(0, MOST_SUGGESTED);
  const give = (label: string): void => {
    onLabel(label, true);
    setText('');
  };
  return (
    <Sheet
      title={figures.length === 1 ? `Labels of ${figures[0]?.name}` : `Labels of ${figures.length} figures`}
      open={figures.length > 0}
      onClose={onClose}
    >
      {theirs.length > 0 && (
        <ul aria-label="Its labels" className="mb-3 flex flex-wrap gap-1.5">
          {theirs.map((label) => (
            <li
              key={label}
              className="flex h-[28px] items-center gap-1 rounded-full border border-kelp bg-kelp-soft pr-1 pl-3 text-[13px] text-kelp"
            >
              {label}
              {count(label) < figures.length && (
                <span className="text-[12px]">
                  ({count(label)} of {figures.length})
                </span>
              )}
              <button
                type="button"
                aria-label={`Take “${label}” away`}
                title={`Take “${label}” away`}
                onClick={() => onLabel(label, false)}
                className="grid size-[24px] place-items-center rounded-full hover:bg-line/60"
              >
                <X size={13} strokeWidth={2} aria-hidden />
              </button>
            </li>
          ))}
        </ul>
      )}
      <form
        className="flex gap-2"
        onSubmit={(event) => {
          event.preventDefault();
          if (typed !== '') give(typed);
        }}
      >
        <input
          autoFocus
          aria-label="New label"
          placeholder="A word, as “client” or “second round”"
          value={text}
          maxLength={60}
          onChange={(event) => setText(event.target.value)}
          className="h-[30px] min-w-0 flex-1 rounded-ui border border-line-strong bg-field px-2.5 placeholder:text-muted"
        />
        <Button type="submit" disabled={typed === ''}>
          Give
        </Button>
      </form>
      {suggested.length > 0 && (
        <div className="mt-3 flex flex-wrap items-center gap-1.5">
          <span className="text-[12px] text-muted">In use:</span>
          {suggested.map((label) => (
            <button
              key={label}
              type="button"
              onClick={() => give(label)}
              className="h-[26px] rounded-full border border-line-strong bg-field px-2.5 text-[12px] hover:border-edge"
            >
              {label}
            </button>
          ))}
        </div>
      )}
      <div className="mt-4 flex justify-end">
        <Button tone="main" onClick={onClose}>
          Done
        </Button>
      </div>
    </Sheet>
  );
}
