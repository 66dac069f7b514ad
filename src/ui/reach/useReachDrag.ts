import { type PointerEvent, useRef, useState } from 'react';

import type { Work } from '@/core/derive';
import { type Figure, type Round, touchingMoves, type RoundId } from '@/core/figure';
import { moveRound, moveRoundOut, reachOfRound, roundOf, scaleRoundReach } from '@/core/figure/commands';
import { type Reach, ringStepFor } from '@/core/symmetry';
import {
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
import { useEditor, useWork } from '@/ui/desk';
import { seeRound } from '@/ui/tools';

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

const otherEnds = (figure: Figure, roundId: RoundId, work: Work): number[] => [
  ...figure.rounds
    .filter(({ id }) => id !== roundId)
    .map((round) => reachOfRound(round, work))
    .flatMap((reach) => (reach ? [reach.inner, reach.outer] : [])),
  ...figure.rounds.flatMap(({ frame }) => frame.rings),
];

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

/** What a bar shows while it is dragged. */
type Numbers = Reach & { readonly touches?: boolean };

interface ReachDrag {
  readonly numbers: Numbers | null;
  readonly press: (event: PointerEvent<HTMLElement>, grip: Grip) => void;
  readonly move: (event: PointerEvent<HTMLElement>) => void;
  readonly release: () => void;
  readonly cancel: () => void;
}

/** A round moved outward by a drag of its bar: its ends fall on what is there, unless they are free. */
function movedOut(
  drag: Drag,
  round: Round,
  by: number,
  view: View,
  free: boolean,
  work: Work,
): { readonly figure: Figure; readonly numbers: Numbers } {
  const { figure, reach } = drag;
  drag.touches ??= touchingMoves(figure, roundOf(figure, round.id), work);
  const touch = free ? null : nearestOf(by, drag.touches, view);
  const others = otherEnds(figure, round.id, work);
  // Either end falls on what is there; what is nearer wins, and touching before both.
  const ends = ([reach.outer, reach.inner] as const)
    .map((end) => caughtRadius(end + by, figure, view, others) - end)
    .filter((moved) => moved !== by)
    .sort((a, b) => Math.abs(a - by) - Math.abs(b - by));
  const step = touch ?? (free ? by : (ends[0] ?? by));
  return {
    figure: moveRoundOut(figure, round.id, step),
    numbers: { inner: reach.inner + step, outer: reach.outer + step, touches: touch !== null },
  };
}

/** A round scaled by a drag of one end of its bar. */
function scaledTo(
  { figure, reach }: Drag,
  grip: 'inner' | 'outer',
  round: Round,
  by: number,
  view: View,
  free: boolean,
  work: Work,
): { readonly figure: Figure; readonly numbers: Numbers } {
  const wanted = reach[grip] + by;
  const to = free ? wanted : caughtRadius(wanted, figure, view, otherEnds(figure, round.id, work));
  return {
    figure: scaleRoundReach(figure, round.id, grip, to, work),
    numbers: { ...reach, [grip]: to },
  };
}

/** Dragging a round's bar: up and down it moves, an end scales it, sideways it is put in another order. */
export function useReachDrag(round: Round, reach: Reach | null, view: View, pitch: number): ReachDrag {
  const work = useWork();
  const editor = useEditor();
  const drag = useRef<Drag | null>(null);
  const [numbers, setNumbers] = useState<Numbers | null>(null);

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
    const by = -dy / view.scale;
    const next =
      now.grip === 'bar'
        ? movedOut(now, round, by, view, event.altKey, work)
        : scaledTo(now, now.grip, round, by, view, event.altKey, work);
    preview(editor, next.figure);
    setNumbers(next.numbers);
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

  const cancel = (): void => {
    drag.current = null;
    setNumbers(null);
    preview(editor, null);
  };

  return { numbers, press, move, release, cancel };
}
