'use client';

import { useQuery } from '@tanstack/react-query';
import { useState } from 'react';

import { server } from '@/state/server';
import type { Round } from '@/core/figure/model';
import { Button } from '../common/Button';
import { Section, Sheet } from '../common/Panel';
import { useEditor } from '../editor/EditorContext';
import { nestWhole, placeFigure } from '../editor/placeFigure';

/** Places a figure of the Shelf in this one, or makes all of this one a motif. */
export function PlacePanel({ round }: { readonly round: Round }) {
  const editor = useEditor();
  const [open, setOpen] = useState(false);
  return (
    <Section title="Rosette in a rosette">
      <Button disabled={round.locked} onClick={() => setOpen(true)}>
        Place a figure of the Shelf …
      </Button>
      <Button
        title="All rounds as they are now become one motif, to be turned again"
        onClick={() => nestWhole(editor)}
      >
        Make all of it one motif
      </Button>
      <Sheet title="Place a figure" open={open} onClose={() => setOpen(false)}>
        <Choice
          onChoose={(id) => {
            setOpen(false);
            void placeFigure(editor, id);
          }}
        />
      </Sheet>
    </Section>
  );
}

function Choice({ onChoose }: { readonly onChoose: (id: string) => void }) {
  const { data, isPending, error } = useQuery({
    queryKey: ['figures', ''],
    queryFn: () => server.list(''),
  });
  if (isPending) return <p className="text-muted">Looking on the Shelf …</p>;
  if (error) return <p role="alert">{error.message}</p>;
  return (
    <ul className="grid max-h-[420px] grid-cols-3 gap-2 overflow-y-auto">
      {data.map(({ id, name, revision }) => (
        <li key={id}>
          <button
            type="button"
            onClick={() => onChoose(id)}
            className="flex w-full flex-col items-center gap-1 rounded-ui border border-line p-2 hover:border-edge"
          >
            {/* eslint-disable-next-line @next/next/no-img-element -- drawn by our own server, of any size */}
            <img
              src={`/api/figures/${id}/export?to=svg&revision=${revision}`}
              alt=""
              className="aspect-square w-full object-contain"
            />
            <span className="w-full truncate text-[12px]">{name}</span>
          </button>
        </li>
      ))}
    </ul>
  );
}
