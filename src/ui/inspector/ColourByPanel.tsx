'use client';

import { useState } from 'react';
import { X } from 'lucide-react';

import { colourCells, colourShapes } from '@/core/figure/commands';
import type { Round } from '@/core/figure';
import { COLOUR_BY, type ColourPlan } from '@/core/paint';
import type { Colour } from '@/core/scene';
import { actOnRound, divisionOf, selectedShapes, shownFigure } from '@/state';
import { Button, Choices, CountField, Row, Section } from '@/ui/common';
import { useEditor, usePanelState } from '@/ui/desk';

const NAMES: Record<ColourPlan['by'], string> = {
  ring: 'Rings',
  sector: 'Sectors',
  overlap: 'Overlap',
  distance: 'Distance',
  direction: 'Direction',
};

const WORDS: Record<ColourPlan['by'], string> = {
  ring: 'Ring after ring, centre to rim, from the first colour through all to the last.',
  sector: 'In turn clockwise from the top: A B A C repeats. A shift makes dials and chessboards.',
  overlap: 'By how many copies cover a cell, least first.',
  distance: 'Mixed by how far out the middle is.',
  direction: 'Mixed by direction, once round and back to the first.',
};

const MOST_COLOURS = 24;

/** Colours all cells of a round, or its shapes, in one command. */
export function ColourByPanel({ round }: { readonly round: Round }) {
  const editor = useEditor();
  const state = usePanelState();
  const { palette } = shownFigure(state);
  const [by, setBy] = useState<ColourPlan['by']>('ring');
  const [own, setOwn] = useState<readonly Colour[]>([]);
  const [shift, setShift] = useState(0);
  const divided = round.merge?.op === 'divide';
  const division = divided ? divisionOf(state, round) : null;
  const chosen = selectedShapes(state);
  const shapes = chosen.length > 1 ? chosen : round.shapes;
  // Without a choice of one's own it is the palette, all through.
  const colours = own.length > 0 ? own : palette;
  const off =
    round.locked || colours.length === 0 || (divided ? !division : round.merge !== null || shapes.length < 2);
  const colour = (): void => {
    const plan: ColourPlan = { by, colours, shift };
    actOnRound(editor, `Colour by ${NAMES[by].toLowerCase()}`, (figure, id, work) =>
      division
        ? colourCells(figure, id, division, plan, work)
        : colourShapes(figure, id, new Set(shapes.map((shape) => shape.id)), plan, work),
    );
  };
  return (
    <Section
      title="Colour by"
      note={divided ? 'all cells' : shapes.length === 1 ? '1 shape' : `${shapes.length} shapes`}
    >
      <Choices
        label="Colour by"
        value={by}
        choices={COLOUR_BY.map((value) => ({ value, label: NAMES[value] }))}
        onChange={setBy}
      />
      <p className="text-[12px] leading-4 text-muted">{WORDS[by]}</p>
      <div role="group" aria-label="Colours to use" className="flex flex-col gap-2">
        <div className="grid grid-cols-8 gap-[7px]">
          {palette.map((each) => (
            <button
              key={each}
              type="button"
              title={`Use ${each} next`}
              aria-label={`Use ${each} next`}
              disabled={own.length >= MOST_COLOURS}
              className="aspect-square w-full rounded-[7px] border border-line-strong hover:border-edge"
              style={{ background: each }}
              onClick={() => setOwn([...own, each])}
            />
          ))}
        </div>
        {own.length === 0 && (
          <p className="text-[12px] leading-[30px] text-muted">
            The palette in its order; or click colours above.
          </p>
        )}
        <ol className="flex flex-wrap items-center gap-1" aria-label="Order of colours">
          {own.map((each, k) => (
            <li key={k}>
              <button
                type="button"
                title="Take out"
                aria-label={`Take out colour ${k + 1}, ${each}`}
                className="group inline-flex h-[22px] w-[26px] items-center justify-center rounded-[6px] border border-line-strong"
                style={{ background: each }}
                onClick={() => setOwn(own.filter((_, j) => j !== k))}
              >
                <X
                  size={12}
                  aria-hidden
                  className="rounded-full bg-field text-ink opacity-0 group-hover:opacity-100 group-focus-visible:opacity-100"
                />
              </button>
            </li>
          ))}
        </ol>
      </div>
      {by === 'sector' && (
        <Row caption="Each ring">
          <CountField label="Shift of each ring" value={shift} least={0} most={24} onChange={setShift} />
          <span className="text-[12px] text-muted">on</span>
        </Row>
      )}
      <Button tone="main" disabled={off} onClick={colour}>
        Colour {divided ? 'cells' : 'shapes'}
      </Button>
      {off && !divided && (
        <p className="text-[12px] leading-4 text-muted">
          {round.merge
            ? 'The copies are one outline here: choose Cells in Merge to colour its cells.'
            : 'Draw more shapes, or choose Cells in Merge to colour cells.'}
        </p>
      )}
    </Section>
  );
}
