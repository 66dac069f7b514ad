'use client';

import { keepPreviousData, useQuery } from '@tanstack/react-query';
import { useState } from 'react';

import { server } from '@/state';
import { ALL_FIGURES } from '@/protocol';
import type { Round } from '@/core/figure';
import { Button, FigurePicture, Row, Section, Segmented, Sheet } from '@/ui/common';
import { nestWhole, placeFigure, useEditor } from '@/ui/desk';

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
          onCancel={() => setOpen(false)}
          onChoose={(id, ground) => {
            setOpen(false);
            void placeFigure(editor, id, ground);
          }}
        />
      </Sheet>
    </Section>
  );
}

/** So many are offered; others are found by their names. */
const MOST_SHOWN = 60;

function Choice({
  onChoose,
  onCancel,
}: {
  readonly onChoose: (id: string, ground: boolean) => void;
  readonly onCancel: () => void;
}) {
  const own = useEditor().getState().id;
  const [search, setSearch] = useState('');
  const [ground, setGround] = useState(false);
  const { data, isPending, error } = useQuery({
    queryKey: ['figures', search, 'placed'],
    queryFn: () => server.list({ ...ALL_FIGURES, search }, 0, MOST_SHOWN),
    placeholderData: keepPreviousData,
  });
  if (isPending) return <p className="text-muted">Looking on the Shelf …</p>;
  if (error) return <p role="alert">{error.message}</p>;
  const others = data.figures.filter(({ id }) => id !== own);
  const more = data.total - data.figures.length;
  return (
    <div className="flex flex-col gap-2">
      <input
        type="search"
        aria-label="Search figures to place by name"
        placeholder="Search by name"
        className="h-[30px] rounded-ui border border-line-strong bg-field px-2 placeholder:text-muted"
        value={search}
        onChange={(event) => setSearch(event.target.value)}
      />
      <Row caption="Its ground">
        <Segmented
          label="Its ground"
          value={ground ? 'with' : 'without'}
          choices={[
            { value: 'without', label: 'Left out' },
            { value: 'with', label: 'Placed too' },
          ]}
          onChange={(value) => setGround(value === 'with')}
        />
      </Row>
      {others.length === 0 && <p className="text-muted">No other figure is named like this.</p>}
      <ul className="grid max-h-[420px] grid-cols-3 gap-2 overflow-y-auto">
        {others.map((figure) => (
          <li key={figure.id}>
            <button
              type="button"
              onClick={() => onChoose(figure.id, ground)}
              className="flex w-full flex-col items-center gap-1 rounded-ui border border-line p-2 hover:border-edge"
            >
              <span className="aspect-square w-full">
                <FigurePicture figure={figure} />
              </span>
              <span className="w-full truncate text-[12px]" title={figure.name}>
                {figure.name}
              </span>
            </button>
          </li>
        ))}
      </ul>
      {more > 0 && <p className="text-[12px] text-muted">{more} more: search for their names.</p>}
      <div className="flex justify-end">
        <Button onClick={onCancel}>Cancel</Button>
      </div>
    </div>
  );
}
