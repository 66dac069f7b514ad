'use client';

import { setVariation, START_VARIATION } from '@/core/figure/commands';
import type { NthVariation, Round } from '@/core/figure';
import { MOST_FOLD } from '@/core/symmetry';
import { actOnRound, shownFigure } from '@/state';
import { CountField, LengthField, Row, Section, Segmented, ShareField } from '@/ui/common';
import { useEditor, useEditorState } from '@/ui/desk';
import { TintField } from './TintField';

/** Every second (third, …) copy different from the others. */
export function VariationPanel({ round }: { readonly round: Round }) {
  const editor = useEditor();
  const unit = useEditorState((state) => shownFigure(state).page.unit);
  const { variation, locked } = round;
  const set = (next: NthVariation | null, key: string | null = null): void =>
    actOnRound(editor, 'Every second copy', (figure, id) => setVariation(figure, id, next), key);
  const change = (part: Partial<NthVariation>): void => variation && set({ ...variation, ...part }, 'every');
  return (
    <Section title="Some copies different">
      <Segmented
        label="Some copies different"
        value={variation ? 'on' : 'off'}
        disabled={locked}
        choices={[
          { value: 'off', label: 'All alike' },
          { value: 'on', label: variation ? `Every ${ordinal(variation.nth)}` : 'Every second' },
        ]}
        onChange={(value) => set(value === 'on' ? START_VARIATION : null)}
      />
      {variation && (
        <>
          <CountField
            label="Every how many"
            caption="Every"
            value={variation.nth}
            least={2}
            most={MOST_FOLD}
            disabled={locked}
            onChange={(nth) => change({ nth })}
          />
          <ShareField
            label="Size of those"
            caption="Size"
            unit="×"
            step={0.05}
            value={variation.size}
            least={0.01}
            most={100}
            disabled={locked}
            onChange={(size) => change({ size })}
          />
          <LengthField
            label="Those farther out by"
            caption="Out by"
            value={variation.out}
            in={unit}
            disabled={locked}
            onChange={(out) => change({ out })}
          />
          <Row caption="Stand">
            <Segmented
              label="Those stand"
              value={variation.halfStep ? 'half' : 'own'}
              disabled={locked}
              choices={[
                { value: 'own', label: 'In place' },
                { value: 'half', label: 'Half on' },
              ]}
              onChange={(value) => change({ halfStep: value === 'half' })}
            />
          </Row>
          <TintField
            label="Tint of those"
            value={variation.tint}
            disabled={locked}
            onChange={(tint) => change({ tint })}
          />
        </>
      )}
    </Section>
  );
}

const WORDS: Readonly<Record<number, string>> = { 2: 'second', 3: 'third', 4: 'fourth', 5: 'fifth' };
const ordinal = (n: number): string => WORDS[n] ?? `${n}th`;
