'use client';

import { makeRoundPlain, setMerge } from '@/core/figure/commands';
import { factsOfCells, type Round, ROUND_MERGES, type RoundMerge } from '@/core/figure';
import { printNumber } from '@/core/format';
import { type MergeFacts, totalFacts } from '@/core/merge';
import {
  actOnRound,
  cellsOfRound,
  chooseKinds,
  hasNothingToMerge,
  mergesOfRound,
  newId,
  sceneOf,
  shownFigure,
  WHOLE,
} from '@/state';
import { layersOf } from '@/core/scene';
import { Button, Choices, CountField, Fact, ProgressBar, Section } from '@/ui/common';
import { plural, useEditor, useEditorState, usePanelState, useWorkshop } from '@/ui/desk';
import { LowerActionPanel } from './LowerActionPanel';
import { CellsPanel } from './CellsPanel';
import { ColourByPanel } from './ColourByPanel';
import { WeavePanel } from './WeavePanel';

type Op = RoundMerge['op'] | 'separate';

const NAMES: Record<Op, string> = {
  separate: 'Separate',
  union: 'Union',
  intersection: 'Intersection',
  exclusion: 'Exclusion',
  once: 'Covered once',
  atLeast: 'Overlaps',
  divide: 'Cells',
  weave: 'Weave',
};

const WORDS: Record<Op, string> = {
  separate: 'Every copy stands for itself.',
  union: 'All filled shapes and their copies are one outline, made anew when the motif changes.',
  intersection: 'Only what all copies cover is kept.',
  exclusion: 'What an odd number of copies covers is kept.',
  once: 'What one copy alone covers is kept: each without its neighbours.',
  atLeast: 'What several copies cover is kept.',
  divide: 'All lines part the round into cells, which can be fused, removed and painted by kind.',
  weave: 'Lines become bands that pass over and under one another by turns.',
};

const OPS: readonly Op[] = ['separate', ...ROUND_MERGES];

/** Why a merge gives nothing at all. */
const NOTHING: Partial<Record<Op, string>> = {
  divide: 'There is no line in this round yet that could bound cells.',
  weave: 'There is nothing to weave yet: give a shape a stroke and no fill, or make it a band.',
};
const NO_AREA =
  'There is no filled, closed shape in this round. An open path covers nothing: close it, or fill it.';

const Told = ({ children }: { readonly children: string }) => (
  <p className="text-[12px] leading-4 text-coral-text">{children}</p>
);

/** What becomes of the round's copies, and what came of it. */
export function MergePanel({ round }: { readonly round: Round }) {
  const editor = useEditor();
  const { stopMerge, mergeAgain } = useWorkshop();
  const state = usePanelState();
  const merges = mergesOfRound(state, round.id);
  // Not of what is only cut beside the merge, as lines over cells.
  const own = merges.filter(({ job }) => !round.merge || job.shapeId === null);
  const made = totalFacts(own.flatMap(({ result }) => (result ? [result.facts] : [])));
  const cells = cellsOfRound(state, round);
  // Of cells only those that are left.
  const facts = made && cells && round.merge ? { ...made, ...factsOfCells(cells, round.merge) } : made;
  const running = merges.map(({ progress }) => progress).find((progress) => progress !== null) ?? null;
  const problem = merges.find((merge) => merge.problem)?.problem;
  const nothing = hasNothingToMerge(state, round);
  const empty = facts !== null && facts.loops === 0 && !nothing && running === null;
  const op: Op = round.merge?.op ?? 'separate';
  const choose = (value: Op, times?: number): void => {
    actOnRound(editor, value === 'separate' ? 'Separate copies' : NAMES[value], (each, id) =>
      setMerge(each, id, value === 'separate' ? null : value, times),
    );
    // What came of it is what is coloured next.
    const isOne = value !== 'separate' && value !== 'divide';
    if (isOne && state.selection.shapeIds.size === 0) chooseKinds(editor, [WHOLE]);
  };
  return (
    <>
      <Section title="Copies of this round">
        <div data-guide-at="merge">
          <Choices
            label="Copies are"
            value={op}
            disabled={round.locked}
            choices={OPS.map((value) => ({ value, label: NAMES[value] }))}
            onChange={(value) => choose(value)}
          />
        </div>
        {op === 'atLeast' && (
          <CountField
            label="Copies that cover"
            caption="Covered by"
            value={round.merge?.times ?? 2}
            least={1}
            most={720}
            onChange={(times) => choose('atLeast', times)}
          />
        )}
        <p className="text-[12px] leading-4 text-muted">{WORDS[op]}</p>
        {running !== null && (
          <div className="flex items-center gap-2 pt-1">
            <ProgressBar label="Merging" share={running} />
            <Button onClick={() => stopMerge(round.id)}>Stop</Button>
          </div>
        )}
        {nothing && <Told>{NOTHING[op] ?? NO_AREA}</Told>}
        {empty && <Told>Nothing is left: no place is covered as is asked.</Told>}
        {problem && (
          <div role="alert" className="flex flex-col gap-2">
            <p className="text-[12px] leading-4 text-coral-text">{problem}</p>
            <Button onClick={() => mergeAgain(round.id)}>Try again</Button>
          </div>
        )}
      </Section>
      {op === 'divide' && <CellsPanel round={round} />}
      {op === 'weave' && <WeavePanel round={round} />}
      <LowerActionPanel round={round} />
      {op === 'divide' && <ColourByPanel round={round} />}
      {facts && <OutlineFacts round={round} facts={facts} isBusy={running !== null} />}
    </>
  );
}

interface FactsProps {
  readonly round: Round;
  readonly facts: MergeFacts;
  /** A merge is under way. */
  readonly isBusy: boolean;
}

/** Numbers of what came of a merge, and making it paths. */
function OutlineFacts({ round, facts, isBusy }: FactsProps) {
  const editor = useEditor();
  const { unit } = useEditorState((state) => shownFigure(state).page);
  const isCells = round.merge?.op === 'divide';
  const { line, arc, cubic } = facts.segments;
  const kinds = [line && 'lines', arc && 'arcs', cubic && 'curves'];
  const makePlain = (): void => {
    const layers = layersOf(sceneOf(editor.getState()), 'abut').filter(({ roundId }) => roundId === round.id);
    actOnRound(editor, 'Make the round plain', (each, id) => makeRoundPlain(each, id, layers, newId));
  };
  return (
    <Section title={isCells ? 'What is left' : 'The outline'}>
      <Fact caption="Loops">{facts.loops}</Fact>
      <Fact caption="Nodes">{facts.nodes}</Fact>
      <Fact caption="Made of">{kinds.filter(Boolean).join(', ')}</Fact>
      <Fact caption="Area">
        {printNumber(facts.area, 3)} {unit}²
      </Fact>
      <Fact caption={isCells ? 'Cells' : 'Cells behind it'}>
        {facts.cells === null
          ? 'when it rests'
          : `${facts.cells} of ${plural(facts.kinds ?? 0, 'kind', 'kinds')}`}
      </Fact>
      {facts.slivers > 0 && <Fact caption="Slivers of rounding">{facts.slivers}</Fact>}
      <Fact caption="Worked out in">
        {printNumber(facts.milliseconds, facts.milliseconds < 10 ? 1 : 0)} ms
      </Fact>
      <Button
        disabled={round.locked || isBusy}
        title="Paths that edit like any other, in rounds of the folds that they have"
        onClick={makePlain}
      >
        Make the round plain
      </Button>
    </Section>
  );
}
