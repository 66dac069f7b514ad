'use client';

import { setMerge } from '@/core/figure/commands';
import { mergeRequestOf } from '@/core/figure/evaluate';
import type { Round } from '@/core/figure/model';
import { printNumber } from '@/core/format/pathData';
import { actOnRound, shownFigure } from '@/state/editor';
import { Button } from '../common/Button';
import { Fact, Row, Section } from '../common/Panel';
import { Segmented } from '../common/Segmented';
import { useEditor, useEditorState, useWorkshop } from '../editor/EditorContext';

/** What becomes of the round's copies, and what came of it. */
export function MergePanel({ round }: { readonly round: Round }) {
  const editor = useEditor();
  const { stopMerge, mergeAgain } = useWorkshop();
  const unit = useEditorState((state) => shownFigure(state).page.unit);
  const merge = useEditorState((state) => state.merges.get(round.id));
  const facts = merge?.result?.facts;
  const running = merge?.progress ?? null;
  const nothing = round.merge !== null && mergeRequestOf(round) === null;
  const kinds = facts
    ? [facts.segments.line && 'lines', facts.segments.arc && 'arcs', facts.segments.cubic && 'curves']
    : [];
  return (
    <>
      <Section title="Copies of this round">
        <Row caption="They are">
          <Segmented
            label="Copies are"
            value={round.merge ? 'union' : 'separate'}
            disabled={round.locked}
            choices={[
              { value: 'separate', label: 'Separate' },
              { value: 'union', label: 'United' },
            ]}
            onChange={(value) =>
              actOnRound(editor, value === 'union' ? 'Unite copies' : 'Separate copies', (figure, id) =>
                setMerge(figure, id, value === 'union' ? 'union' : null),
              )
            }
          />
        </Row>
        <p className="text-[12px] leading-4 text-muted">
          {round.merge
            ? 'All filled shapes and their copies are one outline, made anew when the motif changes. Open lines stay as they are.'
            : 'Every copy stands for itself; united, they become one outline.'}
        </p>
        {running !== null && (
          <div className="flex items-center gap-2 pt-1">
            <div
              role="progressbar"
              aria-label="Uniting"
              aria-valuenow={Math.round(running * 100)}
              aria-valuemin={0}
              aria-valuemax={100}
              className="h-[6px] flex-1 overflow-hidden rounded-full bg-line"
            >
              <div className="h-full bg-kelp" style={{ width: `${Math.max(3, running * 100)}%` }} />
            </div>
            <Button onClick={() => stopMerge(round.id)}>Stop</Button>
          </div>
        )}
        {nothing && (
          <p className="text-[12px] leading-4 text-coral-text">
            There is no filled, closed shape in this round to unite.
          </p>
        )}
        {merge?.problem && (
          <div role="alert" className="flex flex-col gap-2">
            <p className="text-[12px] leading-4 text-coral-text">{merge.problem}</p>
            <Button onClick={() => mergeAgain(round.id)}>Try again</Button>
          </div>
        )}
      </Section>
      {facts && (
        <Section title="The outline">
          <Fact caption="Loops">{facts.loops}</Fact>
          <Fact caption="Nodes">{facts.nodes}</Fact>
          <Fact caption="Made of">{kinds.filter(Boolean).join(', ')}</Fact>
          <Fact caption="Area">
            {printNumber(facts.area, 3)} {unit}²
          </Fact>
          <Fact caption="Cells behind it">
            {facts.cells === null
              ? 'when it rests'
              : `${facts.cells} of ${facts.kinds} ${facts.kinds === 1 ? 'kind' : 'kinds'}`}
          </Fact>
          {facts.slivers > 0 && <Fact caption="Slivers of rounding">{facts.slivers}</Fact>}
          <Fact caption="Worked out in">
            {printNumber(facts.milliseconds, facts.milliseconds < 10 ? 1 : 0)} ms
          </Fact>
        </Section>
      )}
    </>
  );
}
