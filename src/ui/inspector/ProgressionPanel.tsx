'use client';

import { setProgression, START_PROGRESSION } from '@/core/figure/commands';
import { type Ease, EASES, type Progression, type Round } from '@/core/figure';
import { actOnRound, shownFigure } from '@/state';
import { AngleField, LengthField, Row, Section, Segmented, ShareField } from '@/ui/common';
import { useEditor, useEditorState } from '@/ui/desk';
import { TintField } from './TintField';

const EASE_NAMES: Record<Ease, string> = { even: 'Even', in: 'Late', out: 'Early', both: 'Soft' };

/** How copies change from the first to the last; over several turns this makes a spiral. */
export function ProgressionPanel({ round }: { readonly round: Round }) {
  const editor = useEditor();
  const unit = useEditorState((state) => shownFigure(state).page.unit);
  const { progression, locked } = round;
  const set = (next: Progression | null, key: string | null = null): void =>
    actOnRound(editor, 'Way', (figure, id) => setProgression(figure, id, next), key);
  const change = (part: Partial<Progression>): void => progression && set({ ...progression, ...part }, 'way');
  return (
    <Section title="Way" note={progression ? 'first to last copy' : undefined}>
      <Segmented
        label="Way"
        value={progression ? 'on' : 'off'}
        disabled={locked}
        choices={[
          { value: 'off', label: 'No change' },
          { value: 'on', label: 'Along the way' },
        ]}
        onChange={(value) => set(value === 'on' ? START_PROGRESSION : null)}
      />
      {progression && (
        <>
          <ShareField
            label="Last copy’s size"
            caption="Grow to"
            unit="×"
            step={0.05}
            value={progression.size}
            least={0.01}
            most={100}
            disabled={locked}
            onChange={(size) => change({ size })}
          />
          <AngleField
            label="Last copy’s twist"
            caption="Twist by"
            value={progression.twist}
            disabled={locked}
            onChange={(twist) => change({ twist })}
          />
          <LengthField
            label="Last copy farther out by"
            caption="Out by"
            value={progression.out}
            in={unit}
            disabled={locked}
            onChange={(out) => change({ out })}
          />
          <ShareField
            label="Last copy’s opacity"
            caption="Fade to"
            value={progression.fade}
            least={0}
            most={1}
            disabled={locked}
            onChange={(fade) => change({ fade })}
          />
          <TintField
            label="Last copy’s tint"
            value={progression.tint}
            disabled={locked}
            onChange={(tint) => change({ tint })}
          />
          <Row caption="Goes">
            <Segmented
              label="Way goes"
              value={progression.ease}
              disabled={locked}
              choices={EASES.map((value) => ({ value, label: EASE_NAMES[value] }))}
              onChange={(ease) => change({ ease })}
            />
          </Row>
        </>
      )}
    </Section>
  );
}
