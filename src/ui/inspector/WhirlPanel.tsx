'use client';

import { useEditor, useWork } from '@/ui/desk';
import { toast } from 'sonner';

import { setRoundWhirl, START_WHIRL } from '@/core/figure/commands';
import { LIMITS, type Round, type RoundWhirl, touchingWhirl } from '@/core/figure';
import { actOnRound } from '@/state';
import { Button, CountField, Section, Segmented, ShareField, TurnField } from '@/ui/common';

/** The whole round turned and shrunk inward again and again. */
export function WhirlPanel({ round }: { readonly round: Round }) {
  const work = useWork();
  const editor = useEditor();
  const { whirl, locked } = round;
  const set = (next: RoundWhirl | null, key: string | null = null): void =>
    actOnRound(editor, 'Whirl inward', (figure, id) => setRoundWhirl(figure, id, next), key);
  const change = (part: Partial<RoundWhirl>): void => whirl && set({ ...whirl, ...part }, 'whirl');
  const touch = (): void => {
    const factor = whirl ? touchingWhirl(round, whirl.angle, work) : null;
    if (factor === null)
      toast.error('No size of the next ones just touches these, or there is too much to compare.');
    else change({ factor });
  };
  return (
    <Section title="Whirl inward">
      <Segmented
        label="Whirl inward"
        value={whirl ? 'on' : 'off'}
        disabled={locked}
        choices={[
          { value: 'off', label: 'Once' },
          { value: 'on', label: 'Again and again' },
        ]}
        onChange={(value) => set(value === 'on' ? START_WHIRL : null)}
      />
      {whirl && (
        <>
          <CountField
            label="How many times"
            caption="Times"
            value={whirl.count}
            least={2}
            most={LIMITS.whirls}
            disabled={locked}
            onChange={(count) => change({ count })}
          />
          <TurnField
            label="Each turned by"
            caption="Turned by"
            value={whirl.angle}
            disabled={locked}
            onChange={(angle) => change({ angle })}
          />
          <ShareField
            label="Each times as large"
            caption="Each is"
            unit="×"
            step={0.01}
            value={whirl.factor}
            least={0.02}
            most={0.999}
            disabled={locked}
            onChange={(factor) => change({ factor })}
          />
          <Button disabled={locked} onClick={touch}>
            Make each touch the one outside
          </Button>
        </>
      )}
    </Section>
  );
}
