'use client';

import type { ReactNode } from 'react';
import { Eye, EyeOff } from 'lucide-react';

import { showLines } from '@/core/figure/commands';
import { isLine, type Round, wovenShapes } from '@/core/figure';
import type { Paint } from '@/core/scene';
import { actOnRound, chooseKinds, LINES, WHOLE, workOf } from '@/state';
import { IconButton, PaintChip, Section } from '@/ui/common';
import { useEditor, useEditorState, usePanelState } from '@/ui/desk';

/** A part of what is drawn of a merged round; chosen, Fill and Stroke are its. */
export function DrawnRow({
  name,
  paints,
  count,
  children,
}: {
  readonly name: string;
  readonly paints: readonly Paint[];
  readonly count: number;
  readonly children: ReactNode;
}) {
  const editor = useEditor();
  const isOn = useEditorState((state) => state.selection.kinds.has(name));
  return (
    <li className="flex-1">
      <button
        type="button"
        aria-pressed={isOn}
        className={`grid h-[28px] w-full grid-cols-[20px_minmax(0,1fr)_auto] items-center gap-2.5 rounded-ui px-2 text-left ${isOn ? 'bg-coral-soft' : 'hover:bg-line/50'}`}
        onClick={() => chooseKinds(editor, isOn ? [] : [name])}
      >
        <PaintChip paints={paints} />
        <span className={`truncate ${isOn ? 'font-semibold' : ''}`}>{children}</span>
        <span className="font-mono text-[12px] text-muted">×{count}</span>
      </button>
    </li>
  );
}

/** The lines of a motif that lie over its cells or its outline: to be chosen, and to be shown or hidden. */
export function LinesRow({ round }: { readonly round: Round }) {
  const editor = useEditor();
  const lines = round.shapes.filter(isLine);
  if (lines.length === 0) return null;
  const isShown = round.merge?.lines !== 'hidden';
  return (
    <ul className="-mx-2 flex items-center border-t border-line pt-1" aria-label="Lines over them">
      <DrawnRow name={LINES} paints={lines.map(({ paint }) => paint)} count={lines.length}>
        Lines of the motif
      </DrawnRow>
      <li>
        <IconButton
          label={isShown ? 'Hide the lines' : 'Show the lines'}
          disabled={round.locked}
          onClick={() =>
            actOnRound(editor, isShown ? 'Hide lines' : 'Show lines', (figure, id) =>
              showLines(figure, id, !isShown),
            )
          }
        >
          {isShown ? <Eye size={16} strokeWidth={1.7} /> : <EyeOff size={16} strokeWidth={1.7} />}
        </IconButton>
      </li>
    </ul>
  );
}

/** What is drawn of a round that is merged to an outline or woven. */
export function DrawnPanel({ round }: { readonly round: Round }) {
  const { merge } = round;
  const isWoven = merge?.op === 'weave';
  const bands = wovenShapes(round, workOf(usePanelState()));
  if (!merge) return null;
  return (
    <Section title="Drawn">
      <ul className="-mx-2 flex flex-col" aria-label="What is drawn">
        <DrawnRow
          name={WHOLE}
          paints={isWoven ? bands.map(({ paint }) => paint) : [merge.paint]}
          count={isWoven ? bands.length : 1}
        >
          {isWoven ? 'All bands' : 'The outline'}
        </DrawnRow>
      </ul>
      {!isWoven && <LinesRow round={round} />}
    </Section>
  );
}
