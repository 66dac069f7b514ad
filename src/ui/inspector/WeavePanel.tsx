'use client';

import { finding } from '@/core/finding';
import { setWeaveAreas, setWeaveGap, swapCrossing } from '@/core/figure/commands';
import { type Round, START_WEAVE } from '@/core/figure';
import type { WeaveFacts } from '@/core/merge';
import { actOnRound, shownFigure, weaveOfRound } from '@/state';
import { Button, Fact, LengthField, Row, Section, Segmented } from '@/ui/common';

import { notYet, plural, useEditor, usePanelState } from '@/ui/desk';
import { SwapReach } from './ReachChoice';

/** How bands pass over and under, in words: nothing is said of what there is none of, or of places that are not woven. */
function alternating({ crossings, crowded }: WeaveFacts): string {
  if (crossings.some(({ alternates }) => !alternates)) return 'do not alternate';
  if (crossings.length === 0) return 'nothing is woven';
  return crowded.length === 0 ? 'alternate everywhere' : 'alternate where they are woven';
}

/** How the round's lines are woven, and where that cannot hold. */
export function WeavePanel({ round }: { readonly round: Round }) {
  const editor = useEditor();
  const state = usePanelState();
  const weave = round.merge?.weave ?? START_WEAVE;
  const facts = weaveOfRound(state, round);
  const { unit } = shownFigure(state).page;
  const wrong = facts?.crossings.filter(({ alternates }) => !alternates) ?? [];
  const shallow = facts?.crossings.filter(({ isShallow }) => isShallow).length ?? 0;
  const kinds = new Set(facts?.crossings.map(({ ref }) => ref.split('@')[0])).size;
  return (
    <Section
      title="Weave"
      note={facts ? plural(facts.crossings.length, 'crossing', 'crossings') : notYet(state, round)}
    >
      <LengthField
        label="Gap of the weave"
        caption="Gap"
        value={weave.gap}
        in={unit}
        step={0.1}
        disabled={round.locked}
        refuse={(gap) => (gap > 0 ? null : finding('weave.gap'))}
        onChange={(gap) =>
          actOnRound(editor, 'Gap of the weave', (figure, id) => setWeaveGap(figure, id, gap), 'weave-gap')
        }
      />
      <Row caption="Woven">
        <Segmented
          label="What is woven"
          value={weave.areas ? 'bands' : 'lines'}
          choices={[
            { value: 'lines', label: 'Lines' },
            { value: 'bands', label: 'Bands too' },
          ]}
          onChange={(value) =>
            actOnRound(editor, 'What is woven', (figure, id) => setWeaveAreas(figure, id, value === 'bands'))
          }
        />
      </Row>
      <SwapReach />
      <p className="text-[12px] leading-4 text-muted">Swap turns a crossing the other way round.</p>
      {facts && (
        <>
          <Fact caption="Kinds of crossings">{kinds}</Fact>
          <Fact caption="Symmetry of the weave">C{facts.fold}</Fact>
          <Fact caption="Over and under">{alternating(facts)}</Fact>
          {shallow > 0 && (
            <p className="text-[12px] leading-4 text-muted">
              {shallow === 1 ? 'At one of them' : `At ${shallow} of them`} bands overlap from one side, as at
              a tip: one lies over the other as a whole, and takes no turn.
            </p>
          )}
        </>
      )}
      {(wrong.length > 0 || (facts?.crowded.length ?? 0) > 0) && facts && (
        <div
          role="status"
          className="flex flex-col gap-1.5 rounded-ui bg-brass-soft px-2 py-1.5 text-[12px] leading-4"
        >
          {wrong.length > 0 && (
            <span>
              At {wrong.length} crossings, marked in the panes, a band passes over or under twice running.
            </span>
          )}
          {facts.crowded.length > 0 && (
            <span>
              In {facts.crowded.length === 1 ? 'one place' : `${facts.crowded.length} places`}, marked in the
              panes, three bands or more overlap and no order of them alternates: look there, or move a line a
              little.
            </span>
          )}
          {weave.swapped.length > 0 && (
            <Button
              onClick={() =>
                actOnRound(editor, 'Undo all swaps', (figure, id) =>
                  weave.swapped.reduce((each, ref) => swapCrossing(each, id, ref), figure),
                )
              }
            >
              Undo all swaps
            </Button>
          )}
        </div>
      )}
    </Section>
  );
}
