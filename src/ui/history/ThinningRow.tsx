'use client';

import { useQuery, useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';

import { server } from '@/state';
import type { ThinningRules } from '@/protocol';
import { Button, say, Sheet } from '@/ui/common';

const days = (count: number): string => (count === 1 ? 'one day' : `${count} days`);

/** The rules in a sentence. */
const said = ({ all, hourly }: ThinningRules): string =>
  all === null
    ? 'Every step is kept for ever.'
    : `Every step is kept for ${days(all)}${hourly > 0 ? `, then the last of each hour for ${days(hourly)}` : ''}, then the last of each day. Versions stay.`;

const MOST_DAYS = 3650;

interface NumberProps {
  readonly label: string;
  readonly value: number;
  readonly least: number;
  readonly onChange: (value: number) => void;
}

const DaysField = ({ label, value, least, onChange }: NumberProps) => (
  <label className="flex items-center gap-2">
    <span className="flex-1">{label}</span>
    <input
      type="number"
      aria-label={label}
      min={least}
      max={MOST_DAYS}
      value={value}
      onChange={({ target }) => {
        const next = Math.round(Number(target.value));
        if (next >= least && next <= MOST_DAYS) onChange(next);
      }}
      className="h-[30px] w-[84px] rounded-ui border border-line-strong bg-field px-2 font-mono"
    />
    <span className="w-[34px] text-muted">days</span>
  </label>
);

/** How long steps are kept, on this Shelf, and where that is changed. */
export function ThinningRow() {
  const client = useQueryClient();
  const [draft, setDraft] = useState<ThinningRules | null>(null);
  const { data } = useQuery({ queryKey: ['thinning'], queryFn: server.thinning });
  const keep = async (rules: ThinningRules): Promise<void> => {
    try {
      await server.setThinning(rules);
      await client.invalidateQueries({ queryKey: ['thinning'] });
      setDraft(null);
    } catch (error) {
      say(error, 'This could not be set.');
    }
  };
  if (!data) return null;
  return (
    <div className="border-t border-line px-4 py-2.5 text-[12px] leading-4 text-muted">
      {said(data)}{' '}
      <button
        type="button"
        onClick={() => setDraft(data)}
        className="min-h-6 text-kelp underline-offset-2 hover:underline"
      >
        Change …
      </button>
      <Sheet title="How long steps are kept" open={draft !== null} onClose={() => setDraft(null)}>
        {draft && (
          <div className="flex flex-col gap-2.5">
            <label className="flex items-center gap-2">
              <input
                type="checkbox"
                className="size-4 accent-kelp"
                checked={draft.all === null}
                onChange={({ target }) => setDraft({ ...draft, all: target.checked ? null : 1 })}
              />
              Every step for ever
            </label>
            {draft.all !== null && (
              <>
                <DaysField
                  label="Every step for"
                  value={draft.all}
                  least={1}
                  onChange={(all) => setDraft({ ...draft, all })}
                />
                <DaysField
                  label="Then the last of each hour for"
                  value={draft.hourly}
                  least={0}
                  onChange={(hourly) => setDraft({ ...draft, hourly })}
                />
                <p className="text-muted">
                  After that the last of each day stays. It is done at night, after the backup, for all
                  figures.
                </p>
              </>
            )}
            <div className="mt-2 flex justify-end gap-2">
              <Button onClick={() => setDraft(null)}>Cancel</Button>
              <Button tone="main" onClick={() => void keep(draft)}>
                Set
              </Button>
            </div>
          </div>
        )}
      </Sheet>
    </div>
  );
}
