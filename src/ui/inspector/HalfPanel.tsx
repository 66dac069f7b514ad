'use client';

import { endHalf, startHalf } from '@/core/figure/commands';
import type { Round } from '@/core/figure';
import { actOnRound, newId } from '@/state';
import { Button, Section } from '@/ui/common';
import { useEditor } from '@/ui/desk';
import { CATCH, viewOf } from '@/ui/tools';

/** Draws one side of the axis, the other being its live reflection, and joins them. */
export function HalfPanel({ round }: { readonly round: Round }) {
  const editor = useEditor();
  const { half } = round;
  /** Ends as near to the axis as a pointer catches it, on the Bench as it is seen, are on it. */
  const join = (): void => {
    const near = CATCH / viewOf(editor.getState(), 'bench').scale;
    actOnRound(editor, 'Join the halves', (figure, id, work) => endHalf(figure, id, near, newId, work));
  };
  return (
    <Section title="Half a motif" note={half ? 'on' : undefined}>
      <p className="text-[12px] leading-4 text-muted">
        {half
          ? 'What you draw on one side is reflected on the other. Open paths that end on the axis are joined to their reflections.'
          : 'Draw one side of the axis; the other follows.'}
      </p>
      <Button
        tone={half ? 'main' : 'plain'}
        disabled={round.locked}
        onClick={half ? join : () => actOnRound(editor, 'Draw half', startHalf)}
      >
        {half ? 'Join the halves' : 'Draw half'}
      </Button>
    </Section>
  );
}
