'use client';

import { useEditor, useEditorState, usePanelState, useWork } from '@/ui/desk';
import { freeCopy, linkedRounds, linkRound, takeCopyBack, unlinkRound } from '@/core/figure/commands';
import { copiesOf, type Round } from '@/core/figure';
import { degreesOf, equalTurns, wrapTurn } from '@/core/number';
import { printNumber } from '@/core/format';
import { act, actOnRound, newId, select, shownFigure } from '@/state';
import { Button, Row, Section } from '@/ui/common';

/** Whose motif the round has, and which of its copies are free. */
export function LinkPanel({ round }: { readonly round: Round }) {
  const work = useWork();
  const editor = useEditor();
  const figure = shownFigure(usePanelState());
  const active = useEditorState((state) => state.active);
  const linked = linkedRounds(figure, round);
  const others = figure.rounds.filter(({ id }) => id !== round.id);
  const copies = copiesOf(round, work);
  const copy = copies
    .slice(0, round.rule.fold)
    .find(({ turn }) => equalTurns(wrapTurn(turn), wrapTurn(active.turn)));
  const home = round.detachedFrom && figure.rounds.find(({ id }) => id === round.detachedFrom?.roundId);
  const free = figure.rounds.filter(({ detachedFrom }) => detachedFrom?.roundId === round.id);
  return (
    <Section title="Motif" note={linked.length > 0 ? 'shared' : 'its own'}>
      {linked.length > 0 ? (
        <>
          <p className="text-[12px] leading-4 text-muted">
            Shared with {linked.map(({ name }) => name).join(', ')}: a change to one is a change to all.
          </p>
          <Button
            disabled={round.locked}
            onClick={() => actOnRound(editor, 'Own motif', (f, id) => unlinkRound(f, id))}
          >
            Make it its own
          </Button>
        </>
      ) : (
        others.length > 0 && (
          <Row caption="Share that of">
            <select
              aria-label="Share the motif of"
              className="h-[30px] min-w-0 flex-1 rounded-ui border border-line-strong bg-field px-2"
              value=""
              disabled={round.locked}
              onChange={(event) => {
                const other = event.target.value;
                actOnRound(editor, 'Share a motif', (f, id) => linkRound(f, id, other, newId()));
              }}
            >
              <option value="">a round …</option>
              {others.map(({ id, name }) => (
                <option key={id} value={id}>
                  {name}
                </option>
              ))}
            </select>
          </Row>
        )
      )}
      {home && (
        <Button
          disabled={round.locked}
          onClick={() => {
            act(editor, 'Take the copy back', (f) => takeCopyBack(f, round.id));
            select(editor, home.id);
          }}
        >
          Take it back into {home.name}
        </Button>
      )}
      {copy && copies.length > 1 && (
        <Button
          disabled={round.locked}
          title="It becomes a round of its own, and can be taken back"
          onClick={() =>
            actOnRound(editor, 'Set a copy free', (f, id, work) => freeCopy(f, id, copy.index, newId, work))
          }
        >
          Set copy {copy.index + 1} free ({printNumber(degreesOf(wrapTurn(copy.turn)), 2)}°)
        </Button>
      )}
      {free.length > 0 && (
        <p className="text-[12px] leading-4 text-muted">
          {free.length === 1 ? 'One copy is free.' : `${free.length} copies are free.`}
        </p>
      )}
    </Section>
  );
}
