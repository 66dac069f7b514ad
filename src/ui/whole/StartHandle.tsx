'use client';

import { memo, useRef, type KeyboardEvent, type PointerEvent } from 'react';

import { polarOf } from '@/core/curve';
import { setStart } from '@/core/figure/commands';
import type { Figure, Round } from '@/core/figure';
import { printNumber } from '@/core/format';
import { addTurns, degreesOf, turn, type Turn, turnFromDegrees } from '@/core/number';
import { actOnRound, commit, preview, shownFigure, type View } from '@/state';
import { useEditor } from '@/ui/desk';
import { startHandleAt } from './Rim';

interface Props extends Pick<Round, 'id' | 'rule' | 'locked'> {
  readonly view: View;
  readonly radius: number;
}

/** Within this many degrees the handle falls into no turn and half a step. */
const CATCH_DEGREES = 1.2;

/** The start angle for a pointer: whole degrees, 15 with Shift, tenths with Alt, half a step where near. */
function startFor(degrees: number, fold: number, shift: boolean, alt: boolean): Turn {
  if (shift) return turnFromDegrees(Math.round(degrees / 15) * 15);
  if (alt) return turnFromDegrees(Math.round(degrees * 10) / 10);
  for (const caught of [turn(0), turn(1, 2 * fold), turn(-1, 2 * fold)]) {
    if (Math.abs(degrees - degreesOf(caught)) < CATCH_DEGREES) return caught;
  }
  return turnFromDegrees(Math.round(degrees));
}

/** The handle on the rim that turns the round. */
export const StartHandle = memo(function StartHandle({ id, rule, locked, view, radius }: Props) {
  const editor = useEditor();
  const before = useRef<Figure | null>(null);
  const at = startHandleAt(rule, view, radius);
  const degrees = printNumber(degreesOf(rule.start), 3);

  const move = (event: PointerEvent<HTMLButtonElement>): void => {
    const pane = event.currentTarget.parentElement?.getBoundingClientRect();
    if (!before.current || !pane) return;
    const from = { x: event.clientX - pane.left - view.x, y: event.clientY - pane.top - view.y };
    const start = startFor(polarOf(from).degrees, rule.fold, event.shiftKey, event.altKey);
    preview(editor, setStart(before.current, id, start));
  };
  const step = (event: KeyboardEvent): void => {
    const by = { ArrowRight: 1, ArrowUp: 1, ArrowLeft: -1, ArrowDown: -1 }[event.key];
    if (!by) return;
    event.preventDefault();
    event.stopPropagation();
    const size = event.shiftKey ? 10 : event.altKey ? 0.1 : 1;
    const start = addTurns(rule.start, turnFromDegrees(by * size));
    actOnRound(editor, 'Set start angle', (figure) => setStart(figure, id, start), 'start');
  };

  return (
    <button
      type="button"
      role="slider"
      aria-label="Start angle"
      aria-valuemin={0}
      aria-valuemax={360}
      aria-valuenow={Number(degrees)}
      aria-valuetext={`${degrees} degrees`}
      title={`Start angle ${degrees}°: drag to turn the round`}
      disabled={locked}
      style={{ left: at.x - 12, top: at.y - 12 }}
      className="absolute flex size-6 cursor-grab touch-none items-center justify-center rounded-full active:cursor-grabbing"
      onPointerDown={(event) => {
        event.currentTarget.setPointerCapture(event.pointerId);
        before.current = shownFigure(editor.getState());
      }}
      onPointerMove={move}
      onPointerUp={() => {
        if (before.current) commit(editor, 'Set start angle', shownFigure(editor.getState()));
        before.current = null;
      }}
      onPointerCancel={() => {
        before.current = null;
        preview(editor, null);
      }}
      onKeyDown={step}
    >
      <span className="size-3.5 rounded-full border-[2.5px] border-coral bg-field" />
    </button>
  );
});
