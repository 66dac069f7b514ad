'use client';

import type { Work } from '@/core/derive';
import { useEditor, useEditorState, useWork } from '@/ui/desk';
import { wcagContrast } from 'culori';
import { memo, useRef, useState, type KeyboardEvent, type PointerEvent } from 'react';

import { firstColour } from '@/core/paint';
import { moveRound, moveRoundOut, reachOfRound, roundOf, scaleRoundReach } from '@/core/figure/commands';
import { type Figure, type Round, touchingMoves } from '@/core/figure';
import { printNumber } from '@/core/format';
import { type Reach, ringStepFor } from '@/core/symmetry';
import {
  act,
  activeRound,
  commit,
  type Editor,
  preview,
  select,
  selectRound,
  shownFigure,
  toggleOther,
  type View,
} from '@/state';
import { seeRound } from '@/ui/tools';
import { RoundMenu } from './RoundMenu';

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

type Grip = 'bar' | 'inner' | 'outer';

interface Drag {
  readonly grip: Grip;
  readonly figure: Figure;
  readonly reach: Reach;
  readonly x: number;
  readonly y: number;
  turnedInto: 'reorder' | 'move' | null;
  /** Where it touches other rounds; solved when the drag begins. */
  touches?: readonly number[];
}

const CATCH = 5;
const SHORTEST = 16;

/** The other rounds' ends, rings that were set out, and the ruler's steps, which a dragged end falls on when near. */
function caughtRadius(r: number, figure: Figure, view: View, others: readonly number[]): number {
  const step = ringStepFor(Math.min(figure.page.width, figure.page.height) / 2);
  return nearestOf(r, [...others, Math.round(r / step) * step], view) ?? r;
}

/** The nearest of values that is near enough to be caught. */
const nearestOf = (value: number, values: readonly number[], view: View): number | null =>
  values
    .filter((each) => Math.abs(each - value) * view.scale <= CATCH)
    .sort((a, b) => Math.abs(a - value) - Math.abs(b - value))[0] ?? null;

const otherEnds = (figure: Figure, roundId: string, work: Work): number[] => [
  ...figure.rounds
    .filter(({ id }) => id !== roundId)
    .map((round) => reachOfRound(round, work))
    .flatMap((reach) => (reach ? [reach.inner, reach.outer] : [])),
  ...figure.rounds.flatMap(({ frame }) => frame.rings),
];

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

/** All shapes of a round go with what is selected, or no longer; of the round that is worked on they are what is selected. */
function toggleWhole(editor: Editor, round: Round): void {
  if (round.locked) return;
  const ids = new Set(round.shapes.filter(({ locked, visible }) => !locked && visible).map(({ id }) => id));
  const { selection } = editor.getState();
  if (ids.size === 0) return;
  if (selection.roundId === round.id || selection.shapeIds.size === 0) {
    const before = activeRound(editor.getState());
    select(editor, round.id, ids);
    // From a round without anything selected all of both is.
    if (before && before.id !== round.id && !before.locked && before.shapes.length > 0)
      toggleWhole(editor, before);
  } else
    toggleOther(editor, { roundId: round.id, ids, placement: { turn: round.rule.start, mirrored: false } });
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
  const work = useWork();
  const editor = useEditor();
  const active = useEditorState((state) => activeRound(state)?.id === round.id);
  const isOther = useEditorState((state) => state.selection.others.has(round.id));
  const drag = useRef<Drag | null>(null);
  const [numbers, setNumbers] = useState<(Reach & { readonly touches?: boolean }) | null>(null);
  const reach: Reach | null = inner === null || outer === null ? null : { inner, outer };
  const colour = barColour(round);
  const shown = reach ?? { inner: 0, outer: 0 };
  const y = (r: number): number => view.y - r * view.scale;
  const [high, low] = [Math.max(top, y(shown.outer)), Math.min(bottom, y(shown.inner))];
  const height = Math.max(SHORTEST, low - high);
  const width = Math.min(14, pitch - 3);

  const press = (event: PointerEvent<HTMLElement>, grip: Grip): void => {
    if (event.button !== 0) return;
    event.stopPropagation();
    if (event.shiftKey) {
      // The round that is worked on keeps the focus, and stays so.
      event.preventDefault();
      toggleWhole(editor, round);
      return;
    }
    selectRound(editor, round.id);
    if (round.locked || !reach) return;
    event.currentTarget.setPointerCapture(event.pointerId);
    drag.current = {
      grip,
      figure: shownFigure(editor.getState()),
      reach,
      x: event.clientX,
      y: event.clientY,
      turnedInto: null,
    };
  };

  const move = (event: PointerEvent<HTMLElement>): void => {
    const now = drag.current;
    if (!now) return;
    const [dx, dy] = [event.clientX - now.x, event.clientY - now.y];
    if (!now.turnedInto) {
      if (Math.hypot(dx, dy) < 4) return;
      now.turnedInto = now.grip === 'bar' && Math.abs(dx) > Math.abs(dy) ? 'reorder' : 'move';
    }
    if (now.turnedInto === 'reorder') {
      const from = now.figure.rounds.findIndex(({ id }) => id === round.id);
      preview(editor, moveRound(now.figure, round.id, from + Math.round(dx / pitch)));
      return;
    }
    const others = otherEnds(now.figure, round.id, work);
    const by = -dy / view.scale;
    if (now.grip === 'bar') {
      now.touches ??= touchingMoves(now.figure, roundOf(now.figure, round.id), work);
      const touch = event.altKey ? null : nearestOf(by, now.touches, view);
      // Either end falls on what is there; what is nearer wins, and touching before both.
      const ends = ([now.reach.outer, now.reach.inner] as const)
        .map((end) => caughtRadius(end + by, now.figure, view, others) - end)
        .filter((moved) => moved !== by)
        .sort((a, b) => Math.abs(a - by) - Math.abs(b - by));
      const step = touch ?? (event.altKey ? by : (ends[0] ?? by));
      preview(editor, moveRoundOut(now.figure, round.id, step));
      setNumbers({ inner: now.reach.inner + step, outer: now.reach.outer + step, touches: touch !== null });
    } else {
      const wanted = now.reach[now.grip] + by;
      const to = event.altKey ? wanted : caughtRadius(wanted, now.figure, view, others);
      preview(editor, scaleRoundReach(now.figure, round.id, now.grip, to, work));
      setNumbers({ ...now.reach, [now.grip]: to });
    }
  };

  const release = (): void => {
    const now = drag.current;
    drag.current = null;
    setNumbers(null);
    if (!now?.turnedInto) {
      seeRound(editor);
      return;
    }
    const label =
      now.turnedInto === 'reorder' ? 'Reorder rounds' : now.grip === 'bar' ? 'Move round' : 'Scale round';
    commit(editor, label, shownFigure(editor.getState()));
  };

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
          onPointerCancel={() => {
            drag.current = null;
            setNumbers(null);
            preview(editor, null);
          }}
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
