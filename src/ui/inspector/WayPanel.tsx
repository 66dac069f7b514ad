'use client';

import { setWay, START_WAY } from '@/core/figure/commands';
import { EASES, type Ease, type Round, type Way } from '@/core/figure/model';
import { actOnRound, shownFigure } from '@/state/editor';
import { AngleField, LengthField, ShareField } from '../common/NumberField';
import { Row, Section } from '../common/Panel';
import { Segmented } from '../common/Choices';
import { useEditor, useEditorState } from '../editor/EditorContext';
import { TintField } from './TintField';

const EASE_NAMES: Record<Ease, string> = { even: 'Even', in: 'Late', out: 'Early', both: 'Soft' };

/** How copies change from the first to the last; over several turns this makes a spiral. */
export function WayPanel({ round }: { readonly round: Round }) {
  const editor = useEditor();
  const unit = useEditorState((state) => shownFigure(state).page.unit);
  const { way, locked } = round;
  const set = (next: Way | null, key: string | null = null): void =>
    actOnRound(editor, 'Way', (figure, id) => setWay(figure, id, next), key);
  const change = (part: Partial<Way>): void => way && set({ ...way, ...part }, 'way');
  return (
    <Section title="Way" note={way ? 'first to last copy' : undefined}>
      <Segmented
        label="Way"
        value={way ? 'on' : 'off'}
        disabled={locked}
        choices={[
          { value: 'off', label: 'No change' },
          { value: 'on', label: 'Changes on the way' },
        ]}
        onChange={(value) => set(value === 'on' ? START_WAY : null)}
      />
      {way && (
        <>
          <ShareField
            label="Last copy’s size"
            caption="Grow to"
            unit="×"
            step={0.05}
            value={way.size}
            least={0.01}
            most={100}
            disabled={locked}
            onChange={(size) => change({ size })}
          />
          <AngleField
            label="Last copy’s twist"
            caption="Twist by"
            value={way.twist}
            disabled={locked}
            onChange={(twist) => change({ twist })}
          />
          <LengthField
            label="Last copy farther out by"
            caption="Out by"
            value={way.out}
            in={unit}
            disabled={locked}
            onChange={(out) => change({ out })}
          />
          <ShareField
            label="Last copy’s opacity"
            caption="Fade to"
            value={way.fade}
            least={0}
            most={1}
            disabled={locked}
            onChange={(fade) => change({ fade })}
          />
          <TintField
            label="Last copy’s tint"
            value={way.tint}
            disabled={locked}
            onChange={(tint) => change({ tint })}
          />
          <Row caption="Goes">
            <Segmented
              label="Way goes"
              value={way.ease}
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
