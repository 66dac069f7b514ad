'use client';

import { signedArea } from '@/core/curve';
import { COMBINE_OPS, type CombineOp, resolvedMotif, type Round, type Shape } from '@/core/figure';
import { combinedOf, combineShapes, offsetShapes, spreadOutward } from '@/core/figure/commands';
import { printNumber } from '@/core/format';
import { pathsOfForm } from '@/core/maker';
import { act, newId, shownFigure } from '@/state';
import { Button, Choices, Fact, LengthField, Section } from '@/ui/common';
import { useEditor, useEditorState, useWork } from '@/ui/desk';
import { MadeOfShapes } from './MadeOfShapes';
import { TidyFields } from './TidyFields';
import { useMaking } from './useMaking';
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

interface Props {
  readonly round: Round;
  readonly shapes: readonly Shape[];
}

/** What is made of selected shapes together: live combinations, bands, offsets, and plain paths. */
export function CombinePanel({ round, shapes }: Props) {
  const work = useWork();
  if (shapes.length === 0) {
    return (
      <Section title="Combine" note="none">
        <p className="text-[12px] leading-4 text-muted">
          Select shapes on the Bench to combine them, or to make bands and offsets of them.
        </p>
      </Section>
    );
  }
  const ids = new Set(shapes.map(({ id }) => id));
  const op = combinedOf(round, shapes)?.op ?? null;
  const result = op ? resolvedMotif(round, work).filter((each) => each.ids.some((id) => ids.has(id))) : [];
  const areas = result.map(({ shape }) => signedArea(pathsOfForm(shape.form, work)));
  return (
    <Section title="Combine" note={shapes.length === 1 ? 'bands, offsets' : 'live'}>
      {shapes.length > 1 && <LiveCombination round={round} ids={ids} op={op} areas={areas} />}
      <MadeOfShapes round={round} shapes={shapes} op={op} isNothing={op !== null && result.length === 0} />
      <OffsetFields round={round} ids={ids} />
      <TidyFields round={round} shapes={shapes} />
    </Section>
  );
}

interface LiveProps {
  readonly round: Round;
  readonly ids: ReadonlySet<string>;
  /** How the shapes are combined now. */
  readonly op: CombineOp | null;
  /** Of what comes of it, in the square of the figure's unit. */
  readonly areas: readonly number[];
}

function LiveCombination({ round, ids, op, areas }: LiveProps) {
  const editor = useEditor();
  const { unit } = useEditorState((state) => shownFigure(state).page);
  return (
    <>
      <Choices
        label="Combine"
        value={op}
        disabled={round.locked}
        choices={COMBINE_OPS.map((value) => ({ value, label: NAMES[value] }))}
        onChange={(next) =>
          act(editor, NAMES[next], (figure) => combineShapes(figure, round.id, ids, next, newId))
        }
      />
      {op && (
        <p className="text-[12px] leading-4 text-muted">
          {WORDS[op]} They stay shapes: move or edit any of them.
        </p>
      )}
      {op && areas.length === 0 && (
        <p role="alert" className="text-[12px] leading-4 text-coral-text">
          Nothing is left of them so. Move them together, or combine them otherwise.
        </p>
      )}
      {op && areas.length > 0 && (
        <Fact caption="Area">
          {printNumber(
            areas.reduce((sum, each) => sum + each, 0),
            3,
          )}{' '}
          {unit}²
        </Fact>
      )}
    </>
  );
}

function OffsetFields({ round, ids }: { readonly round: Round; readonly ids: ReadonlySet<string> }) {
  const editor = useEditor();
  const { unit } = useEditorState((state) => shownFigure(state).page);
  const [away, setAway] = usePageLength(1);
  const make = useMaking(round);
  const isOff = round.locked || away === 0;
  return (
    <>
      <LengthField label="Offset distance" caption="Distance" value={away} in={unit} onChange={setAway} />
      <div className="grid grid-cols-2 gap-1.5">
        <Button
          disabled={isOff}
          title="An outline that runs beside each closed shape, inward below 0"
          onClick={() =>
            make(
              'Offset',
              (f, work) => offsetShapes(f, round.id, ids, away, newId, work),
              away < 0 ? 'Nothing of the shape is left that far inward.' : 'An offset needs a closed shape.',
            )
          }
        >
          Offset
        </Button>
        <Button
          disabled={isOff}
          title="Each shape is moved outward along its own direction"
          onClick={() => act(editor, 'Spread', (f, work) => spreadOutward(f, round.id, ids, away, work))}
        >
          Spread outward
        </Button>
      </div>
    </>
  );
}
