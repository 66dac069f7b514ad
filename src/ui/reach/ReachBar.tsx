'use client';

import { wcagContrast } from 'culori';
import { type KeyboardEvent, memo } from 'react';

import type { Round } from '@/core/figure';
import { moveRound, moveRoundOut } from '@/core/figure/commands';
import { printNumber } from '@/core/format';
import { firstColour } from '@/core/paint';
import type { Reach } from '@/core/symmetry';
import { act, activeRound, selectRound, type View } from '@/state';
import { useEditor, useEditorState } from '@/ui/desk';
import { RoundMenu } from './RoundMenu';
import { useReachDrag } from './useReachDrag';

const SHORTEST = 16;

interface Props {
  readonly round: Round;
  /** Its place in the layer order, 0 at the back. */
  readonly index: number;
  /** Its reach; null where it is empty. */
  readonly inner: number | null;
  readonly outer: number | null;
  readonly view: View;
  readonly left: number;
  readonly pitch: number;
  readonly top: number;
  readonly bottom: number;
}

/** The colour that stands for a round: that of its merge, or of its first painted shape. */
function barColour(round: Round): string {
  const { merge } = round;
  const isOwn = merge !== null && merge.op !== 'weave' && !merge.cells?.fromShapes;
  const paints = isOwn ? [merge.paint] : round.shapes.map(({ paint }) => paint);
  const fill =
    paints.find((paint) => paint.fill)?.fill ?? paints.find((paint) => paint.stroke)?.stroke?.colour;
  return firstColour(fill ?? null)?.slice(0, 7) ?? 'var(--line-strong)';
}

/** Ink or paper, whichever reads better on a colour (WCAG 2.2 contrast). */
function readableOn(colour: string): string {
  if (!colour.startsWith('#')) return 'var(--ink)';
  return wcagContrast(colour, '#172a33') >= wcagContrast(colour, '#fffefb') ? '#172a33' : '#fffefb';
}

/** One round as a bar: drag it to move the round in or out, an end to scale it, sideways to reorder. */
export const ReachBar = memo(function ReachBar({
  round,
  index,
  inner,
  outer,
  view,
  left,
  pitch,
  top,
  bottom,
}: Props) {
  const editor = useEditor();
  const active = useEditorState((state) => activeRound(state)?.id === round.id);
  const isOther = useEditorState((state) => state.selection.others.has(round.id));
  const reach: Reach | null = inner === null || outer === null ? null : { inner, outer };
  const { numbers, press, move, release, cancel } = useReachDrag(round, reach, view, pitch);
  const colour = barColour(round);
  const shown = reach ?? { inner: 0, outer: 0 };
  const y = (r: number): number => view.y - r * view.scale;
  const [high, low] = [Math.max(top, y(shown.outer)), Math.min(bottom, y(shown.inner))];
  const height = Math.max(SHORTEST, low - high);
  const width = Math.min(14, pitch - 3);

  const onKeyDown = (event: KeyboardEvent): void => {
    const size = event.shiftKey ? 10 : event.altKey ? 0.1 : 1;
    const out = { ArrowUp: size, ArrowDown: -size }[event.key];
    const sideways = { ArrowRight: 1, ArrowLeft: -1 }[event.key];
    if (round.locked || (!out && !sideways)) return;
    event.preventDefault();
    event.stopPropagation();
    if (out) act(editor, 'Move round', (figure) => moveRoundOut(figure, round.id, out), `reach:${round.id}`);
    else if (sideways)
      act(editor, 'Reorder rounds', (figure) => moveRound(figure, round.id, index + sideways));
  };

  const words = reach ? `${printNumber(shown.inner, 2)} to ${printNumber(shown.outer, 2)}` : 'empty';
  return (
    <>
      <RoundMenu id={round.id} name={round.name}>
        <div
          role="button"
          tabIndex={0}
          aria-pressed={active}
          aria-label={`${round.name}, fold ${round.rule.fold}, reach ${words}`}
          title={`${round.name} · ${words}`}
          style={{ left, top: high + (low - high - height) / 2, width, height, background: colour }}
          className={`absolute touch-none rounded-[7px] ${active ? 'outline-2 outline-offset-1 outline-coral' : isOther ? 'outline-1 outline-offset-1 outline-coral' : 'hover:outline-1 hover:outline-offset-1 hover:outline-edge'} ${round.visible ? '' : 'opacity-30'} ${round.locked ? 'cursor-default' : 'cursor-ns-resize'}`}
          onPointerDown={(event) => press(event, 'bar')}
          onPointerMove={move}
          onPointerUp={release}
          onPointerCancel={cancel}
          onFocus={() => {
            if (!active) selectRound(editor, round.id);
          }}
          onKeyDown={onKeyDown}
        >
          {height > 56 && (
            <span
              className="pointer-events-none absolute top-1/2 left-1/2 max-w-[var(--long)] -translate-x-1/2 -translate-y-1/2 -rotate-90 truncate text-[11px] leading-[13px] font-semibold whitespace-nowrap"
              style={{ ['--long' as string]: `${height - 22}px`, color: readableOn(colour) }}
            >
              {round.name}
            </span>
          )}
          {reach && !round.locked && (
            <>
              <span
                className="absolute inset-x-0 -top-1 h-2.5 cursor-row-resize touch-none"
                data-grip="outer"
                onPointerDown={(event) => press(event, 'outer')}
              />
              <span
                className="absolute inset-x-0 -bottom-1 h-2.5 cursor-row-resize touch-none"
                data-grip="inner"
                onPointerDown={(event) => press(event, 'inner')}
              />
            </>
          )}
        </div>
      </RoundMenu>
      <button
        type="button"
        tabIndex={-1}
        aria-hidden="true"
        onClick={() => selectRound(editor, round.id)}
        className={`absolute h-[18px] text-center font-mono text-[11px] ${active ? 'font-bold text-coral-text' : 'text-muted'}`}
        style={{
          left: left + width / 2 - 10,
          width: 20,
          top: bottom + 8 + (pitch < 18 && index % 2 === 1 ? 13 : 0),
        }}
      >
        {round.rule.fold}
      </button>
      {numbers && (
        <output
          className="pointer-events-none absolute z-20 rounded-[6px] border border-line-strong bg-shell px-1.5 py-0.5 font-mono text-[11px] whitespace-nowrap shadow-ui"
          style={{ left: Math.max(0, Math.min(left - 20, 20)), top: Math.max(top, y(numbers.outer) - 26) }}
        >
          {printNumber(numbers.inner, 1)}–{printNumber(numbers.outer, 1)}
          {numbers.touches && <span className="text-brass-text"> touching</span>}
        </output>
      )}
    </>
  );
});
