'use client';

import { addBacking, BACKINGS } from '@/core/figure/commands';
import type { Round } from '@/core/figure';
import { firstColour } from '@/core/paint';
import { act, newId, selectedShapes, shownFigure } from '@/state';
import { Button, Row, Section } from '@/ui/common';
import { paintInUse, useEditor, usePanelState } from '@/ui/desk';
import { AdjustPanel } from './AdjustPanel';
import { ColourByPanel } from './ColourByPanel';
import { ContrastRow } from './ContrastRow';
import { PalettePanel } from './PalettePanel';
import { PlacedColours } from './PlacedColours';
import { TrialsPanel } from './TrialsPanel';
import { BackgroundField } from './BackgroundField';
import { DrawnPanel } from './DrawnPanel';
import { FillField } from '@/ui/colour';
import { LightPanel } from './LightPanel';
import { KindsPanel } from './KindsPanel';
import { ReachChoice } from './ReachChoice';
import { StrokeFields } from './StrokeFields';
import { useSpreading } from './useSpreading';

/** Fill and stroke of what is chosen, cells by kinds, all cells by one command, and the page. */
export function ColourPanel({ round }: { readonly round: Round }) {
  const editor = useEditor();
  const state = usePanelState();
  const spreading = useSpreading(round);
  const figure = shownFigure(state);
  const { page, palette } = figure;
  const inUse = paintInUse(editor, state, round);
  const { paints, what, first, isLines, isPlaced, fillWith, strokeWith } = inUse;
  const fills = new Set(paints.map(({ fill }) => JSON.stringify(fill)));
  const { stroke } = first;
  const divides = round.merge?.op === 'divide';

  return (
    <>
      {divides && (
        <Section title="Paint reaches">
          <ReachChoice />
        </Section>
      )}
      {divides ? <KindsPanel round={round} /> : round.merge && <DrawnPanel round={round} />}
      {isPlaced && <PlacedColours round={round} shapes={selectedShapes(state)} />}
      {!isLines && !isPlaced && (
        <Section title="Fill" note={what}>
          <FillField
            label="Fill"
            value={first.fill}
            mixed={fills.size > 1}
            palette={palette}
            unit={page.unit}
            {...spreading}
            onChange={fillWith}
          />
          <ContrastRow
            of={firstColour(first.fill)}
            on={firstColour(page.background)}
            words="Contrast to the page"
          />
          <ContrastRow
            of={firstColour(first.fill)}
            on={firstColour(stroke?.colour ?? null)}
            words="Contrast to the stroke"
          />
        </Section>
      )}
      {!isPlaced && (
        <Section title="Stroke" note={isLines ? what : stroke ? undefined : 'none'}>
          {stroke ? (
            <StrokeFields inUse={inUse} stroke={stroke} spreading={spreading} />
          ) : (
            <Button disabled={round.locked} onClick={() => strokeWith({})}>
              Add a stroke
            </Button>
          )}
        </Section>
      )}
      <LightPanel round={round} />
      <ColourByPanel round={round} />
      <PalettePanel base={isPlaced ? null : firstColour(first.fill)} />
      <AdjustPanel round={round} />
      <TrialsPanel />
      <PageColours />
    </>
  );
}

/** The background of the page, and a shape behind all of the figure. */
function PageColours() {
  const editor = useEditor();
  return (
    <Section title="Page" note="background">
      <BackgroundField />
      <Row caption="Backing">
        {BACKINGS.map((backing) => (
          <Button
            key={backing}
            className="flex-1"
            title="A shape behind the whole figure, in a round of its own"
            onClick={() =>
              act(editor, 'Lay a backing', (each, work) => addBacking(each, backing, newId, work))
            }
          >
            {backing === 'circle' ? 'Circle' : 'Square'}
          </Button>
        ))}
      </Row>
    </Section>
  );
}
