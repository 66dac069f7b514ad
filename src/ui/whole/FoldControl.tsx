'use client';

import { FlipHorizontal2, Minus, Plus } from 'lucide-react';
import { memo } from 'react';

import { setFold, setMirror } from '@/core/figure/commands';
import { printNumber } from '@/core/format';
import { degreesOf } from '@/core/number';
import { MOST_FOLD, stepOf, type TurnRule } from '@/core/symmetry';
import { actOnRound } from '@/state';
import { CountField, IconButton } from '@/ui/common';
import { useEditor } from '@/ui/desk';

interface Props {
  readonly name: string;
  readonly rule: TurnRule;
  readonly locked: boolean;
  /** Where it is in its pane. */
  readonly place: string;
}

/** How many copies fill the turn, and whether they are mirrored, at the foot of Whole. */
export const FoldControl = memo(function FoldControl({ name, rule, locked, place }: Props) {
  const editor = useEditor();
  const { fold, mirror } = rule;
  const set = (value: number): void =>
    actOnRound(editor, 'Set fold', (figure, id) => setFold(figure, id, value), 'fold');
  return (
    <div
      data-guide-at="fold"
      role="group"
      aria-label={`Fold of ${name}`}
      className={`absolute flex items-center gap-1 rounded-[22px] border border-line-strong bg-shell px-2 py-1 shadow-ui ${place}`}
    >
      <IconButton label="One copy fewer ([)" disabled={fold <= 1 || locked} onClick={() => set(fold - 1)}>
        <Minus size={16} strokeWidth={1.9} />
      </IconButton>
      <div className="w-[56px]">
        <CountField label="Fold" value={fold} least={1} most={MOST_FOLD} disabled={locked} onChange={set} />
      </div>
      <span className="text-muted">fold</span>
      <IconButton
        label="One copy more (])"
        disabled={fold >= MOST_FOLD || locked}
        onClick={() => set(fold + 1)}
      >
        <Plus size={16} strokeWidth={1.9} />
      </IconButton>
      <span className="mx-1 h-5 w-px bg-line-strong" />
      <IconButton
        label="Mirror (\)"
        on={mirror}
        disabled={locked}
        onClick={() =>
          actOnRound(editor, mirror ? 'Mirror off' : 'Mirror on', (figure, id) =>
            setMirror(figure, id, !mirror),
          )
        }
      >
        <FlipHorizontal2 size={17} strokeWidth={1.7} />
      </IconButton>
      <span className="pr-2 font-mono text-[12px] whitespace-nowrap">
        {printNumber(degreesOf(stepOf(rule)), 3)}° each
      </span>
    </div>
  );
});
