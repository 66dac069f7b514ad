'use client';

import { aboveZero, finding } from '@/core/finding';
import { useWork } from '@/ui/editor/useWork';
import { addBacking, addToPalette, BACKINGS, setBehind } from '@/core/figure/commands';
import type { Round } from '@/core/figure/model';
import { endsOfSpread, respread } from '@/core/figure/spread';
import type { Point } from '@/core/curve/point';
import { firstColour } from '@/core/paint/fills';
import {
  STROKE_CAPS,
  STROKE_JOINS,
  type Colour,
  type Gradient,
  type Spread,
  type Stroke,
} from '@/core/scene/scene';
import { act, selectedShapes, shownFigure } from '@/state/editor';
import { newId } from '@/state/ids';
import { Button } from '../common/Button';
import { LengthField, ListField, ShareField } from '../common/NumberField';
import { Row, Section } from '../common/Panel';
import { Segmented } from '../common/Choices';
import { useEditor, useRestState } from '../editor/EditorContext';
import { paintInUse } from '../editor/paintInUse';
import { AdjustPanel } from './AdjustPanel';
import { ColourByPanel } from './ColourByPanel';
import { ContrastRow } from './ContrastRow';
import { PalettePanel } from './PalettePanel';
import { PlacedColours } from './PlacedColours';
import { TrialsPanel } from './TrialsPanel';
import { BackgroundField } from './BackgroundField';
import { DrawnPanel } from './DrawnPanel';
import { FillField } from './FillField';
import { LightPanel } from './LightPanel';
import { KindsPanel } from './KindsPanel';
import { ReachChoice } from './ReachChoice';
import { common } from './words';

const CAP_NAMES: Record<Stroke['cap'], string> = { butt: 'Butt', round: 'Round', square: 'Square' };
const JOIN_NAMES: Record<Stroke['join'], string> = { miter: 'Miter', round: 'Round', bevel: 'Bevel' };
const MOST_DASHES = 20;

/** Fill and stroke of what is chosen, cells by kinds, all cells by one command, and the page. */
export function ColourPanel({ round }: { readonly round: Round }) {
  const work = useWork();
  const editor = useEditor();
  const state = useRestState();
  const figure = shownFigure(state);
  const { page, palette } = figure;
  const inUse = paintInUse(editor, state, round);
  const { target, paints, what, first, isLines, isPlaced, fillWith, strokeWith, apply } = inUse;
  const fills = new Set(paints.map(({ fill }) => JSON.stringify(fill)));
  const { stroke } = first;
  const strokes = paints.flatMap((paint) => paint.stroke ?? []);
  const divides = round.merge?.op === 'divide';

  const keep = (colour: Colour): void => act(editor, 'Keep colour', (each) => addToPalette(each, colour));
  const endsOf = (kind: Gradient['kind'], spread: Spread): [Point, Point] =>
    endsOfSpread(figure, round, state.selection.shapeIds, kind, spread, work);
  const spreadOver = (gradient: Gradient, spread: Spread): Gradient =>
    respread(figure, round, state.selection.shapeIds, gradient, spread, work);

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
            endsOf={endsOf}
            respread={spreadOver}
            onChange={fillWith}
            onKeep={keep}
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
            <>
              <FillField
                label="Stroke"
                value={stroke.colour}
                mixed={false}
                palette={palette}
                unit={page.unit}
                endsOf={endsOf}
                respread={spreadOver}
                onChange={(colour, key) => strokeWith(colour === null ? null : { colour }, key)}
                onKeep={keep}
              />
              <LengthField
                label="Stroke width"
                caption="Width"
                value={common(strokes.length > 0 ? strokes : [stroke], ({ width }) => width)}
                in={page.unit}
                step={0.25}
                refuse={aboveZero('The width of a stroke')}
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
              {stroke.join === 'miter' && (
                <ShareField
                  label="Miter limit"
                  caption="Miter limit"
                  value={stroke.limit ?? 4}
                  least={1}
                  most={100}
                  step={1}
                  onChange={(limit) => strokeWith({ limit }, 'miter-limit')}
                />
              )}
              <ListField
                label="Dashes"
                caption="Dashes"
                value={stroke.dashes ?? []}
                in={page.unit}
                most={MOST_DASHES}
                refuse={(dashes) =>
                  dashes.length > 0 && !dashes.some((dash) => dash > 0) ? finding('dashes.none') : null
                }
                onChange={(dashes) => strokeWith({ dashes })}
              />
              {first.fill !== null && (
                <Row caption="Lies">
                  <Segmented
                    label="The stroke lies"
                    value={first.behind ? 'behind' : 'over'}
                    choices={[
                      { value: 'over', label: 'Over the fill' },
                      { value: 'behind', label: 'Behind it' },
                    ]}
                    onChange={(value) =>
                      apply(
                        'Paint order',
                        (each) => setBehind(each, target, value === 'behind'),
                        { ...first, behind: value === 'behind' },
                        null,
                      )
                    }
                  />
                </Row>
              )}
            </>
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
    </>
  );
}
