'use client';

import { finding, zeroOrMore } from '@/core/finding';
import { useEditor, useEditorState, usePanelState, useWork } from '@/ui/desk';
import {
  type Mirroring,
  mirroringOf,
  moveRoundOut,
  reachOfRound,
  scaleRoundReach,
  setFold,
  setMirroring,
  setStart,
  setSweep,
  type StepChoice,
  stepChoices,
  takeStep,
  toggleHalfStep,
} from '@/core/figure/commands';
import {
  copiesOf,
  type Figure,
  gapOfRound,
  gapOfRounds,
  holdsCentre,
  nextOutward,
  type Round,
  seenFold,
  sizeOfRound,
} from '@/core/figure';
import { printNumber } from '@/core/format';
import { degreesOf, turn, type Turn } from '@/core/number';
import { MOST_FOLD, stepOf, sweepProblem, timesRound } from '@/core/symmetry';
import { actOnRound, shownFigure } from '@/state';
import { useMemo, useState } from 'react';
import { Button, CountField, Fact, LengthField, Row, Section, Segmented, TurnField } from '@/ui/common';
import { FormTrialsPanel } from '@/ui/trial';
import { VariationPanel } from './VariationPanel';
import { LinkPanel } from './LinkPanel';
import { LookPanel } from './LookPanel';
import { PlacePanel } from './PlacePanel';
import { ProgressionPanel } from './ProgressionPanel';
import { WhirlPanel } from './WhirlPanel';

const MIRRORINGS: readonly { value: Mirroring; label: string }[] = [
  { value: 'none', label: 'None' },
  { value: 'halves', label: 'Halves' },
  { value: 'alternate', label: 'In turn' },
];

/** How the round is turned, how its copies differ, and what follows from it. */
export function TurnPanel({ round }: { readonly round: Round }) {
  const editor = useEditor();
  const [choices, setChoices] = useState<readonly StepChoice[]>([]);
  const [typed, setTyped] = useState<Turn | null>(null);
  const { rule } = round;
  const { fold, start } = rule;
  const { locked } = round;
  const change = (label: string, command: (figure: Figure, id: string) => Figure, key?: string): void => {
    setChoices([]);
    actOnRound(editor, label, command, key ?? null);
  };
  const takeTyped = (step: Turn): void => {
    setTyped(step);
    const found = stepChoices(step);
    const [exact] = found;
    if (found.length === 1 && exact) change('Set step', (f, id) => takeStep(f, id, exact));
    else setChoices(found);
  };
  return (
    <>
      <Section title="Turn">
        <CountField
          label="Fold of the round"
          caption="Fold"
          unit="copies"
          value={fold}
          least={1}
          most={MOST_FOLD}
          disabled={locked}
          onChange={(value) => change('Set fold', (f, id) => setFold(f, id, value), 'fold')}
        />
        <TurnField
          label="Step angle"
          caption="Step"
          value={choices.length > 0 && typed ? typed : stepOf(rule)}
          disabled={locked}
          refuse={(step) => (stepChoices(step).length === 0 ? finding('step.closes', MOST_FOLD) : null)}
          onChange={takeTyped}
        />
        {choices.length > 0 && (
          <div role="group" aria-label="Ways to keep the step" className="flex flex-col gap-1.5">
            <p className="text-[12px] leading-4 text-muted">This step does not close in one turn:</p>
            {choices.map((choice) => (
              <Button
                key={choice.label}
                onClick={() => change('Set step', (f, id) => takeStep(f, id, choice))}
              >
                {choice.label}
              </Button>
            ))}
          </div>
        )}
        <Row caption="Mirror">
          <Segmented
            label="Mirror"
            value={mirroringOf(rule)}
            disabled={locked}
            choices={MIRRORINGS}
            onChange={(how) => change('Mirror', (f, id) => setMirroring(f, id, how))}
          />
        </Row>
        <TurnField
          label="Start angle"
          caption="Start angle"
          value={start}
          disabled={locked}
          onChange={(value) => change('Set start angle', (f, id) => setStart(f, id, value), 'start')}
        />
        <Button disabled={locked} onClick={() => change('Half a step', toggleHalfStep)}>
          Half a step ({printNumber(degreesOf(stepOf(rule)) / 2, 3)}°)
        </Button>
        <SweepFields round={round} change={change} />
        <ReachFields round={round} change={change} />
      </Section>
      <VariationPanel round={round} />
      <ProgressionPanel round={round} />
      <WhirlPanel round={round} />
      <LookPanel round={round} />
      <LinkPanel round={round} />
      <PlacePanel round={round} />
      <FormTrialsPanel first={`${round.id} fold`} />
      <TurnFacts round={round} />
    </>
  );
}

interface Changing {
  readonly round: Round;
  /** Records a step; those with one key become one step of undo. */
  readonly change: (label: string, command: (figure: Figure, id: string) => Figure, key?: string) => void;
}

/** Whether copies go once round, or by an angle, and where the last one stands. */
function SweepFields({ round, change }: Changing) {
  const { locked } = round;
  const { sweep } = round.rule;
  return (
    <>
      <Row caption="Goes round">
        <Segmented
          label="Goes round"
          value={sweep ? 'part' : 'whole'}
          disabled={locked}
          choices={[
            { value: 'whole', label: 'Once' },
            { value: 'part', label: 'By an angle' },
          ]}
          onChange={(value) =>
            change('Set sweep', (f, id) =>
              setSweep(f, id, value === 'part' ? { turn: turn(1, 2), ends: true } : null),
            )
          }
        />
      </Row>
      {sweep && (
        <>
          <TurnField
            label="Sweep"
            caption="Sweep"
            value={sweep.turn}
            disabled={locked}
            refuse={sweepProblem}
            onChange={(value) =>
              change('Set sweep', (f, id) => setSweep(f, id, { ...sweep, turn: value }), 'sweep')
            }
          />
          <Row caption="Last copy">
            <Segmented
              label="Last copy"
              value={sweep.ends ? 'at' : 'before'}
              disabled={locked}
              choices={[
                { value: 'at', label: 'At the end' },
                { value: 'before', label: 'A step before' },
              ]}
              onChange={(value) =>
                change('Set sweep', (f, id) => setSweep(f, id, { ...sweep, ends: value === 'at' }))
              }
            />
          </Row>
        </>
      )}
    </>
  );
}

/** How far the motif is from the centre, and how far it reaches. */
function ReachFields({ round, change }: Changing) {
  const work = useWork();
  const { unit } = shownFigure(usePanelState()).page;
  const reach = reachOfRound(round, work);
  const { locked } = round;
  if (!reach) return null;
  return (
    <>
      <LengthField
        label="Distance from the centre"
        caption="Distance"
        value={reach.inner}
        in={unit}
        disabled={locked}
        refuse={zeroOrMore('A distance')}
        onChange={(value) =>
          change('Set distance', (f, id) => moveRoundOut(f, id, value - reach.inner), 'distance')
        }
      />
      <LengthField
        label="Reaches out to"
        caption="Reaches to"
        value={reach.outer}
        in={unit}
        disabled={locked}
        refuse={(value) => (value > reach.inner ? null : finding('reach.farther', reach.inner))}
        onChange={(value) =>
          change('Set size', (f, id) => scaleRoundReach(f, id, 'outer', value, work), 'reach')
        }
      />
    </>
  );
}

const asDegrees = (t: Turn): string => {
  const degrees = degreesOf(t);
  return Number.isInteger(degrees * 1000) ? `${degrees}°` : `${printNumber(degrees, 5)}°`;
};

/** What follows from how a round is turned: exact, and measured on the true curves once nothing moves. */
function TurnFacts({ round }: { readonly round: Round }) {
  const work = useWork();
  const figure = shownFigure(usePanelState());
  const live = useEditorState((state) => state.live !== null);
  const { unit } = figure.page;
  const { rule } = round;
  const { sweep } = rule;
  const next = nextOutward(figure, round, work);
  const gap = useMemo(() => (live ? null : gapOfRound(round, work)), [live, round, work]);
  const toNext = useMemo(
    () => (live || !next ? null : gapOfRounds(round, next, work)),
    [live, round, next, work],
  );
  const size = useMemo(() => (live ? null : sizeOfRound(round, work)), [live, round, work]);
  const count = copiesOf(round, work).length;
  const mirroring = mirroringOf(rule);
  // Reflections stay where nothing gives the copies a direction round the centre.
  const turns = round.progression ?? round.whirl ?? sweep ?? round.omitted;
  const hasMirrors = !turns && (mirroring === 'halves' || (mirroring === 'alternate' && !round.variation));
  const words = (value: number): string => {
    if (value === -Infinity || (value < 0 && holdsCentre(round, work))) return 'overlap';
    if (Math.abs(value) < 1e-7) return 'touch';
    return value < 0 ? `overlap ${printNumber(-value, 4)} ${unit}` : `${printNumber(value, 4)} ${unit} apart`;
  };
  const times = timesRound(rule);
  return (
    <Section title="What follows">
      <Fact caption="Step">{asDegrees(stepOf(rule))}</Fact>
      <Fact caption="Copies">{mirroring === 'halves' ? `${count} × 2 = ${2 * count}` : count}</Fact>
      <Fact caption="Closes">
        {Number.isInteger(times) ? `${times > 1 ? `after ${times} turns` : 'in one turn'}, exactly` : 'open'}
      </Fact>
      <Fact caption="Symmetry">{`${hasMirrors ? 'D' : 'C'}${seenFold(round)}`}</Fact>
      {gap !== null && gap !== Infinity && <Fact caption="Neighbours">{words(gap)}</Fact>}
      {next && toNext !== null && <Fact caption={`To ${next.name}`}>{words(toNext)}</Fact>}
      {size && (
        <Fact caption="Box">
          {printNumber(size.width, 3)} × {printNumber(size.height, 3)} {unit}
        </Fact>
      )}
    </Section>
  );
}
