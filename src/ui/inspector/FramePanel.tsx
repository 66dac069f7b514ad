'use client';

import { aboveZero, finding } from '@/core/finding';
import { useWork } from '@/ui/editor/useWork';
import { drawFrame, drawFrameCells, removeGuide, setFrame, showFrame } from '@/core/figure/commands';
import type { Round } from '@/core/figure/model';
import { startLine } from '@/core/figure/start';
import { MOST_SIDES } from '@/core/maker/polygon';
import { degreesOf } from '@/core/number/turn';
import {
  cornerRadius,
  DIAGONALS,
  framePolygonProblem,
  MOST_RINGS,
  type Frame,
  type FramePolygon,
} from '@/core/symmetry/frame';
import { printNumber } from '@/core/format/pathData';
import { act, actAndSelect, actOnRound, select, shownFigure } from '@/state/editor';
import { newId } from '@/state/ids';
import { benchRadius } from '@/state/view';
import { Eye, EyeOff, Trash2 } from 'lucide-react';
import { toast } from 'sonner';
import { Button, IconButton } from '../common/Button';
import { CountField, LengthField, ListField } from '../common/NumberField';
import { Fact, Row, Section } from '../common/Panel';
import { Segmented } from '../common/Choices';
import { useEditor, useEditorState } from '../editor/EditorContext';

const DIAGONAL_NAMES: Record<FramePolygon['diagonals'], string> = { none: 'None', long: 'Long', all: 'All' };

/** What a round is set out by: a polygon with its diagonals, rings, free guides; and what can be made of them. */
export function FramePanel({ round }: { readonly round: Round }) {
  const work = useWork();
  const editor = useEditor();
  const figure = useEditorState(shownFigure);
  const { unit } = figure.page;
  const { frame } = round;
  const { polygon } = frame;
  const outer = benchRadius(figure, work);
  const set = (part: Partial<Frame>): void =>
    actOnRound(editor, 'Set out', (f, id) => setFrame(f, id, part), 'frame');
  const setPolygon = (part: Partial<FramePolygon>): void => {
    if (polygon) set({ polygon: { ...polygon, ...part } });
  };
  const isEmpty = !polygon && frame.rings.length === 0 && frame.guides.length === 0;
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
      <Row caption="Polygon">
        <Segmented
          label="Polygon of the frame"
          value={polygon?.fit ?? 'none'}
          disabled={round.locked}
          choices={[
            { value: 'none', label: 'None' },
            { value: 'in', label: 'Inside' },
            { value: 'about', label: 'Around' },
          ]}
          onChange={(fit) => {
            if (fit === 'none') set({ polygon: null });
            else if (polygon) setPolygon({ fit });
            else
              set({
                polygon: {
                  sides: Math.max(3, round.rule.fold),
                  radius: Math.min(figure.page.width, figure.page.height) / 2,
                  fit,
                  diagonals: 'none',
                },
              });
          }}
        />
      </Row>
      {polygon && (
        <>
          <CountField
            label="Corners of the frame"
            caption="Corners"
            value={polygon.sides}
            least={3}
            most={MOST_SIDES}
            disabled={round.locked}
            refuse={(sides) => framePolygonProblem({ ...polygon, sides })}
            onChange={(sides) => setPolygon({ sides })}
          />
          <LengthField
            label="Radius of the frame"
            caption="Circle"
            value={polygon.radius}
            in={unit}
            disabled={round.locked}
            refuse={aboveZero('A radius')}
            onChange={(radius) => setPolygon({ radius })}
          />
          <Row caption="Diagonals">
            <Segmented
              label="Diagonals of the frame"
              value={polygon.diagonals}
              disabled={round.locked}
              choices={DIAGONALS.map((value) => ({ value, label: DIAGONAL_NAMES[value] }))}
              onChange={(diagonals) =>
                framePolygonProblem({ ...polygon, diagonals }) === null && setPolygon({ diagonals })
              }
            />
          </Row>
          <Row caption="Stands on">
            <Segmented
              label="Polygon stands"
              value={frame.phase ? 'half' : 'corner'}
              disabled={round.locked}
              choices={[
                { value: 'corner', label: 'Corner up' },
                { value: 'half', label: 'Half a step' },
              ]}
              onChange={(phase) => set({ phase: phase === 'half' })}
            />
          </Row>
          <Fact caption="Side">
            {printNumber(2 * cornerRadius(polygon) * Math.sin(Math.PI / polygon.sides), 4)} {unit}
          </Fact>
        </>
      )}
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
      {frame.guides.map((guide, k) => (
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
      ))}
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
