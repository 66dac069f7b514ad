'use client';

import { aboveZero, type Result } from '@/core/finding';
import { useEditor, useEditorState, useWork } from '@/ui/desk';
import { useState } from 'react';
import { toast } from 'sonner';

import {
  combinedOf,
  combineShapes,
  divideShapes,
  makeBands,
  makeCombinedPlain,
  makePlain,
  offsetShapes,
  spreadOutward,
  takeApart,
  tidyShapes,
  trimToShape,
} from '@/core/figure/commands';
import {
  COMBINE_OPS,
  type CombineOp,
  type Figure,
  resolvedMotif,
  type Round,
  type Shape,
} from '@/core/figure';
import { printNumber } from '@/core/format';
import { pathsOfForm } from '@/core/maker';
import { signedArea, type TidyReport } from '@/core/curve';
import type { Work } from '@/core/derive';
import { act, actAndSelect, commit, type Made, newId, shownFigure } from '@/state';
import { Button, Choices, Fact, LengthField, Row, Section, Segmented } from '@/ui/common';
import { usePageLength } from './usePageLength';

const NAMES: Record<CombineOp, string> = {
  union: 'Union',
  subtract: 'Subtract',
  intersection: 'Intersection',
  exclusion: 'Exclusion',
  clip: 'Clip',
};

const WORDS: Record<CombineOp, string> = {
  union: 'One outline in the paint of the backmost.',
  subtract: 'The backmost less all that lie in front of it.',
  intersection: 'Only what all of them cover.',
  exclusion: 'What an odd number of them covers.',
  clip: 'Of each only what is inside the frontmost, in its own paint.',
};

const plural = (count: number, one: string, many: string): string => `${count} ${count === 1 ? one : many}`;

/** What tidying did, in words. */
function wordsOf({ before, after, doubled, needless, closed, slivers, lines }: TidyReport): string {
  const parts = [
    lines > 0 && plural(lines, 'doubled line', 'doubled lines'),
    doubled > 0 && plural(doubled, 'doubled node', 'doubled nodes'),
    needless > 0 && plural(needless, 'needless node', 'needless nodes'),
    slivers > 0 && plural(slivers, 'sliver', 'slivers'),
  ].filter(Boolean);
  const gone = parts.length > 0 ? `Took away ${parts.join(', ')}` : '';
  const gaps = closed > 0 ? `closed ${plural(closed, 'gap', 'gaps')}` : '';
  const done = [gone, gaps].filter(Boolean).join(', ');
  return done === ''
    ? 'Nothing to tidy: no line or node is doubled or needless.'
    : `${done}: ${before} nodes before, ${after} after.`;
}

/** What is made of selected shapes together: live combinations, bands, offsets, and plain paths. */
export function CombinePanel({
  round,
  shapes,
}: {
  readonly round: Round;
  readonly shapes: readonly Shape[];
}) {
  const work = useWork();
  const editor = useEditor();
  const { page } = useEditorState(shownFigure);
  const [away, setAway] = usePageLength(1);
  const [width, setWidth] = usePageLength(0.025);
  const [plain, setPlain] = useState(false);
  const [report, setReport] = useState<string | null>(null);
  const { unit } = page;
  const combined = combinedOf(round, shapes);
  const ids = new Set(shapes.map(({ id }) => id));
  const off = round.locked || shapes.length === 0;
  if (shapes.length === 0) {
    return (
      <Section title="Combine" note="none">
        <p className="text-[12px] leading-4 text-muted">
          Select shapes on the Bench to combine them, or to make bands and offsets of them.
        </p>
      </Section>
    );
  }
  const result = combined
    ? resolvedMotif(round, work).filter((each) => each.ids.some((id) => ids.has(id)))
    : [];
  const nothing = combined !== null && result.length === 0;

  /** Takes a step that gives new shapes, which are selected; says why where it gives none. */
  const step = (
    label: string,
    make: (figure: Figure, work: Work) => Made | Result<Made>,
    none: string,
  ): void =>
    actAndSelect(editor, label, round.id, make, (made) => {
      if (made.ids.length === 0) toast(none);
    });
  const change = (label: string, make: (figure: Figure, work: Work) => Figure): void =>
    act(editor, label, make);

  return (
    <Section title="Combine" note={shapes.length === 1 ? 'bands, offsets' : 'live'}>
      {shapes.length > 1 && (
        <>
          <Choices
            label="Combine"
            value={combined?.op ?? null}
            disabled={off}
            choices={COMBINE_OPS.map((value) => ({ value, label: NAMES[value] }))}
            onChange={(op) => change(NAMES[op], (figure) => combineShapes(figure, round.id, ids, op, newId))}
          />
          {combined && (
            <p className="text-[12px] leading-4 text-muted">
              {WORDS[combined.op]} They stay shapes: move or edit any of them.
            </p>
          )}
          {nothing && (
            <p role="alert" className="text-[12px] leading-4 text-coral-text">
              Nothing is left of them so. Move them together, or combine them otherwise.
            </p>
          )}
          {combined && !nothing && (
            <Fact caption="Area">
              {printNumber(
                result.reduce((sum, { shape }) => sum + signedArea(pathsOfForm(shape.form, work)), 0),
                3,
              )}{' '}
              {unit}²
            </Fact>
          )}
        </>
      )}
      <div className="grid grid-cols-2 gap-1.5">
        {combined ? (
          <>
            <Button disabled={off} onClick={() => change('Take apart', (f) => takeApart(f, round.id, ids))}>
              Take apart
            </Button>
            <Button
              disabled={off || nothing}
              onClick={() =>
                step(
                  'Make plain',
                  (f, work) => makeCombinedPlain(f, round.id, ids, work),
                  'Nothing is left of them so.',
                )
              }
            >
              Make plain
            </Button>
          </>
        ) : (
          <>
            <Button
              disabled={off}
              title="A shape for each cell that the outlines make"
              onClick={() =>
                step(
                  'Divide',
                  (f, work) => divideShapes(f, round.id, ids, newId, work),
                  'Open lines cover nothing to divide.',
                )
              }
            >
              Divide
            </Button>
            <Button
              disabled={off || shapes.length < 2}
              title="What reaches past the frontmost shape goes, and that shape with it"
              onClick={() =>
                step(
                  'Trim',
                  (f, work) => trimToShape(f, round.id, ids, newId, work),
                  'Nothing of them is inside the frontmost.',
                )
              }
            >
              Trim to front
            </Button>
            <Button
              disabled={off}
              title="Lines become closed shapes of a width"
              onClick={() =>
                step(
                  'Band',
                  (f, work) => makeBands(f, round.id, ids, newId, work),
                  'These are bands already, or too short for one.',
                )
              }
            >
              Band
            </Button>
            <Button
              disabled={off || shapes.every(({ form }) => form.kind === 'path')}
              onClick={() => change('Make plain', (f, work) => makePlain(f, round.id, ids, newId, work))}
            >
              Make plain
            </Button>
          </>
        )}
      </div>
      <LengthField label="Offset distance" caption="Distance" value={away} in={unit} onChange={setAway} />
      <div className="grid grid-cols-2 gap-1.5">
        <Button
          disabled={off || away === 0}
          title="An outline that runs beside each closed shape, inward below 0"
          onClick={() =>
            step(
              'Offset',
              (f, work) => offsetShapes(f, round.id, ids, away, newId, work),
              away < 0 ? 'Nothing of the shape is left that far inward.' : 'An offset needs a closed shape.',
            )
          }
        >
          Offset
        </Button>
        <Button
          disabled={off || away === 0}
          title="Each shape is moved outward along its own direction"
          onClick={() => change('Spread', (f, work) => spreadOutward(f, round.id, ids, away, work))}
        >
          Spread outward
        </Button>
      </div>
      <LengthField
        label="Tidy below"
        caption="Tidy below"
        value={width}
        in={unit}
        refuse={aboveZero('What is tidied', 10)}
        onChange={setWidth}
      />
      {shapes.some(({ form }) => form.kind !== 'path') && (
        <Row caption="Live ones">
          <Segmented
            label="Constructions with doubled lines"
            value={plain ? 'plain' : 'live'}
            choices={[
              { value: 'live', label: 'Stay live' },
              { value: 'plain', label: 'Tidy too' },
            ]}
            onChange={(next) => setPlain(next === 'plain')}
          />
        </Row>
      )}
      <Button
        disabled={off || (!plain && shapes.every(({ form }) => form.kind !== 'path'))}
        title="Takes away doubled lines, doubled and needless nodes and slivers, closes hairline gaps"
        onClick={() => {
          const tidy = tidyShapes(shownFigure(editor.getState()), round.id, ids, width, plain, work);
          const said = wordsOf(tidy.report);
          setReport(said);
          const { before, after, closed, lines } = tidy.report;
          if (before !== after || closed > 0 || lines > 0) commit(editor, 'Tidy', tidy.figure);
        }}
      >
        Tidy
      </Button>
      {report && (
        <p role="status" className="text-[12px] leading-4 text-muted">
          {report}
        </p>
      )}
    </Section>
  );
}
