'use client';

import { setFold, setMirror, setStart, toggleHalfStep, reachOfRound } from '@/core/figure/commands';
import type { Round } from '@/core/figure/model';
import { printNumber } from '@/core/format/pathData';
import { copyCount, MOST_FOLD } from '@/core/symmetry/rule';
import { actOnRound, shownFigure } from '@/state/editor';
import { Button } from '../common/Button';
import { CountField, TurnField } from '../common/NumberField';
import { Fact, Row, Section } from '../common/Panel';
import { Segmented } from '../common/Segmented';
import { useEditor, useEditorState } from '../editor/EditorContext';

/** How the round is turned, and what follows from it. */
export function TurnPanel({ round }: { readonly round: Round }) {
  const editor = useEditor();
  const unit = useEditorState((state) => shownFigure(state).page.unit);
  const { fold, mirror, start } = round.rule;
  const reach = reachOfRound(round);
  const degrees = 360 / fold;
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
          disabled={round.locked}
          onChange={(value) =>
            actOnRound(editor, 'Set fold', (figure, id) => setFold(figure, id, value), 'fold')
          }
        />
        <Row caption="Mirror">
          <Segmented
            label="Mirror"
            value={mirror ? 'on' : 'off'}
            disabled={round.locked}
            choices={[
              { value: 'off', label: 'Turned only' },
              { value: 'on', label: 'Mirrored' },
            ]}
            onChange={(value) =>
              actOnRound(editor, value === 'on' ? 'Mirror on' : 'Mirror off', (figure, id) =>
                setMirror(figure, id, value === 'on'),
              )
            }
          />
        </Row>
        <TurnField
          label="Start angle"
          caption="Start angle"
          value={start}
          disabled={round.locked}
          onChange={(value) =>
            actOnRound(editor, 'Set start angle', (figure, id) => setStart(figure, id, value), 'start')
          }
        />
        <Button disabled={round.locked} onClick={() => actOnRound(editor, 'Half a step', toggleHalfStep)}>
          Half a step ({printNumber(180 / fold, 3)}°)
        </Button>
      </Section>
      <Section title="What follows">
        <Fact caption="Step">
          {Number.isInteger(degrees) ? `${degrees}°` : `360°/${fold} = ${printNumber(degrees, 5)}°`}
        </Fact>
        <Fact caption="Copies">
          {mirror ? `${fold} × 2 = ${copyCount(round.rule)}` : copyCount(round.rule)}
        </Fact>
        <Fact caption="Closes">after {fold === 1 ? '1 copy' : `${fold} copies`}, exactly</Fact>
        <Fact caption="Symmetry">{mirror ? `D${fold}` : `C${fold}`}</Fact>
        {reach && (
          <Fact caption="Reach">
            {printNumber(reach.inner, 2)} to {printNumber(reach.outer, 2)} {unit}
          </Fact>
        )}
      </Section>
    </>
  );
}
