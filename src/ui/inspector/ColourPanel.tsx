'use client';

import { setFill, setPage, setStroke, type PaintTarget } from '@/core/figure/commands';
import { addToPalette } from '@/core/figure/commands';
import type { Figure, Round } from '@/core/figure/model';
import { START_PAINT } from '@/core/figure/start';
import { STROKE_CAPS, STROKE_JOINS, type Colour, type Paint, type Stroke } from '@/core/scene/scene';
import { act, selectedShapes, shownFigure } from '@/state/editor';
import { Button } from '../common/Button';
import { LengthField } from '../common/NumberField';
import { Row, Section } from '../common/Panel';
import { Segmented } from '../common/Segmented';
import { useEditor, useEditorState } from '../editor/EditorContext';
import { ColourField } from './ColourField';
import { ReachChoice } from './ReachChoice';

const CAP_NAMES: Record<Stroke['cap'], string> = { butt: 'Butt', round: 'Round', square: 'Square' };
const JOIN_NAMES: Record<Stroke['join'], string> = { miter: 'Miter', round: 'Round', bevel: 'Bevel' };

/** Fill and stroke of what is selected, of a merged outline, or of the whole motif; the page's background. */
export function ColourPanel({ round }: { readonly round: Round }) {
  const editor = useEditor();
  const state = useEditorState((whole) => whole);
  const { page, palette } = shownFigure(state);
  const chosen = selectedShapes(state);
  const shapes = chosen.length > 0 ? chosen : round.shapes;
  const target: PaintTarget = round.merge
    ? { of: 'merge', roundId: round.id }
    : { of: 'shapes', roundId: round.id, shapeIds: new Set(shapes.map(({ id }) => id)) };
  // With the Paint tool on cells the paint at hand is chosen, and given by a stroke over them.
  const onCells = round.merge?.op === 'divide' && state.tool === 'paint';
  const paints = onCells ? [] : round.merge ? [round.merge.paint] : shapes.map(({ paint }) => paint);
  const first = (onCells ? state.paint : null) ?? paints[0] ?? state.paint ?? START_PAINT;
  const fills = new Set(paints.map(({ fill }) => fill));
  const stroke = first.stroke;
  const reaches = round.merge
    ? round.merge.op === 'divide'
      ? 'cells without their own'
      : 'the outline'
    : shapes.length === 1
      ? (shapes[0]?.name ?? '')
      : `${shapes.length} shapes`;

  const apply = (
    label: string,
    command: (figure: Figure) => Figure,
    paint: Paint,
    key: string | null,
  ): void => {
    editor.setState({ paint });
    if (!round.locked && paints.length > 0) act(editor, label, command, key && `${key}:${round.id}`);
  };
  const fillWith = (fill: Colour | null, key: string | null = null): void =>
    apply('Fill', (figure) => setFill(figure, target, fill), { ...first, fill }, key);
  const strokeWith = (part: Partial<Stroke> | null, key: string | null = null): void => {
    const full: Stroke | null =
      part === null ? null : { colour: '#113d4c', width: 1, cap: 'round', join: 'round', ...stroke, ...part };
    apply('Stroke', (figure) => setStroke(figure, target, part), { ...first, stroke: full }, key);
  };
  const keep = (colour: Colour): void => act(editor, 'Keep colour', (figure) => addToPalette(figure, colour));

  return (
    <>
      {round.merge?.op === 'divide' && (
        <Section title="Cells">
          <ReachChoice caption="A stroke" label="A stroke reaches" />
          <p className="text-[12px] leading-4 text-muted">
            Paint: click or drag over cells. They keep their paint when the motif is edited.
          </p>
        </Section>
      )}
      <Section
        title="Fill"
        note={paints.length > 0 ? reaches : onCells ? 'of the next stroke' : 'of the next shape'}
      >
        <ColourField
          label="Fill"
          value={first.fill}
          mixed={fills.size > 1}
          palette={palette}
          onChange={fillWith}
          onKeep={keep}
        />
      </Section>
      <Section title="Stroke" note={stroke ? undefined : 'none'}>
        <ColourField
          label="Stroke"
          value={stroke?.colour ?? null}
          mixed={false}
          palette={palette}
          onChange={(colour, key) => strokeWith(colour === null ? null : { colour }, key)}
          onKeep={keep}
        />
        {stroke ? (
          <>
            <LengthField
              label="Stroke width"
              caption="Width"
              value={stroke.width}
              in={page.unit}
              step={0.25}
              refuse={(width) =>
                width > 0 ? null : 'A stroke needs a width above 0. Take it away with None.'
              }
              onChange={(width) => strokeWith({ width }, 'stroke-width')}
            />
            <Row caption="Cap">
              <Segmented
                label="Cap"
                value={stroke.cap}
                choices={STROKE_CAPS.map((cap) => ({ value: cap, label: CAP_NAMES[cap] }))}
                onChange={(cap) => strokeWith({ cap })}
              />
            </Row>
            <Row caption="Join">
              <Segmented
                label="Join"
                value={stroke.join}
                choices={STROKE_JOINS.map((join) => ({ value: join, label: JOIN_NAMES[join] }))}
                onChange={(join) => strokeWith({ join })}
              />
            </Row>
          </>
        ) : (
          <Button disabled={round.locked || (paints.length === 0 && !onCells)} onClick={() => strokeWith({})}>
            Add a stroke
          </Button>
        )}
      </Section>
      <Section title="Page" note="background">
        <ColourField
          label="Background"
          value={page.background}
          mixed={false}
          palette={palette}
          onChange={(background, key) =>
            act(editor, 'Background', (figure) => setPage(figure, { background }), key)
          }
          onKeep={keep}
        />
      </Section>
    </>
  );
}
