'use client';

import { finding } from '@/core/finding';
import { useEditor, usePanelState, useWork } from '@/ui/desk';
import { drawFrame, drawFrameCells, removeGuide, setFrame, showFrame } from '@/core/figure/commands';
import { type Round, startLine } from '@/core/figure';
import { degreesOf, type LengthUnit } from '@/core/number';
import { type Frame, MOST_RINGS } from '@/core/symmetry';
import { printNumber } from '@/core/format';
import { act, actAndSelect, actOnRound, benchRadius, newId, select, shownFigure } from '@/state';
import { Eye, EyeOff, Trash2 } from 'lucide-react';
import { toast } from 'sonner';
import { Button, IconButton, ListField, Row, Section } from '@/ui/common';
import { FramePolygonChoice } from './FramePolygonFields';

/** What a round is set out by: a polygon with its diagonals, rings, free guides; and what can be made of them. */
export function FramePanel({ round }: { readonly round: Round }) {
  const work = useWork();
  const editor = useEditor();
  const figure = shownFigure(usePanelState());
  const { unit } = figure.page;
  const { frame } = round;
  const outer = benchRadius(figure, work);
  const set = (part: Partial<Frame>): void =>
    actOnRound(editor, 'Set out', (f, id) => setFrame(f, id, part), 'frame');
  const isEmpty = !frame.polygon && frame.rings.length === 0 && frame.guides.length === 0;
  const draw = (): void => {
    const drawn = drawFrame(figure, round.id, startLine(figure.page), outer * 2, newId);
    act(editor, 'Draw the frame', () => drawn.figure);
    select(editor, round.id, drawn.ids);
  };
  const drawCells = (): void =>
    actAndSelect(
      editor,
      'Make cells shapes',
      round.id,
      (f) => drawFrameCells(f, round.id, outer * 2, newId),
      ({ ids }) => {
        if (ids.length === 0) toast('These lines enclose nothing.');
      },
    );

  return (
    <Section
      title="Frame"
      note={
        <span className="-my-2 inline-flex items-center gap-1">
          {frame.hidden ? 'hidden' : 'never exported'}
          <IconButton
            label={frame.hidden ? 'Show the frame' : 'Hide the frame'}
            disabled={round.locked || isEmpty}
            onClick={() =>
              actOnRound(editor, frame.hidden ? 'Show the frame' : 'Hide the frame', (f, id) =>
                showFrame(f, id, frame.hidden === true),
              )
            }
          >
            {frame.hidden ? <EyeOff size={15} strokeWidth={1.7} /> : <Eye size={15} strokeWidth={1.7} />}
          </IconButton>
        </span>
      }
    >
      <FramePolygonChoice round={round} />
      <ListField
        label="Rings"
        caption="Rings"
        value={frame.rings}
        in={unit}
        most={MOST_RINGS}
        share={Math.min(figure.page.width, figure.page.height) / 2}
        disabled={round.locked}
        refuse={(rings) => (rings.every((r) => r > 0) ? null : finding('rings.radius'))}
        onChange={(rings) => set({ rings: [...new Set(rings)].sort((a, b) => a - b) })}
      />
      <p className="text-[12px] leading-4 text-muted">
        A list of radii, as “20, 35, 1in”; per cent of the page; “10 to 50 by 10”; “5 × 12” for equal steps.
      </p>
      <FrameGuides round={round} unit={unit} />
      <Button disabled={round.locked || isEmpty} onClick={draw}>
        Draw all of it as paths
      </Button>
      <Button
        disabled={round.locked || isEmpty}
        title="One of each kind of area that the lines and their copies enclose"
        onClick={drawCells}
      >
        Make its cells shapes
      </Button>
    </Section>
  );
}

/** Guides that were drawn, each to be taken away. */
function FrameGuides({ round, unit }: { readonly round: Round; readonly unit: LengthUnit }) {
  const editor = useEditor();
  return round.frame.guides.map((guide, k) => (
    <Row key={k} caption={guide.kind === 'line' ? 'Line' : 'Circle'}>
      <span className="min-w-0 flex-1 truncate font-mono text-[12px]">
        {guide.kind === 'line'
          ? `at ${printNumber(degreesOf(guide.direction), 3)}°`
          : `r ${printNumber(guide.radius, 3)} ${unit}`}
      </span>
      <IconButton
        label={`Remove guide ${k + 1}`}
        disabled={round.locked}
        onClick={() => actOnRound(editor, 'Remove guide', (f, id) => removeGuide(f, id, k))}
      >
        <Trash2 size={15} strokeWidth={1.7} />
      </IconButton>
    </Row>
  ));
}
