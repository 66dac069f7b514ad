/**
 * Drawing by keys alone: with the Bench in focus Enter shows a cross-hair, arrows move it, and Enter presses and lets go there, as a pointer
 * would. Each tool draws so.
 *
 * @example
 * const keys = crosshairKeys(editor);
 * if (keys.down(event)) event.preventDefault();
 */
import type { Point } from '@/core/curve';
import { benchRadius, benchView, type Editor, shownFigure, toScreen, workOf } from '@/state';
import type { Gesture } from './gesture';
import type { PanePoint } from './pointer';
import { TOOLS } from './registry';

const STEPS: Readonly<Record<string, Point>> = {
  ArrowLeft: { x: -1, y: 0 },
  ArrowRight: { x: 1, y: 0 },
  ArrowUp: { x: 0, y: -1 },
  ArrowDown: { x: 0, y: 1 },
};

/** Two presses at one place within this time, in milliseconds, are a double one. */
const DOUBLE = 500;

interface CrosshairKeys {
  /** @returns true where the key was meant for the cross-hair */
  readonly down: (event: KeyboardEvent) => boolean;
}

const isOnBench = (): boolean => document.activeElement?.matches('[data-pane=bench]') ?? false;

/** A pointer on the Bench where the cross-hair is. */
function pointOf(editor: Editor, at: Point, event: KeyboardEvent): PanePoint {
  return {
    pane: 'bench',
    screen: toScreen(benchView(editor.getState()), at),
    figure: at,
    shift: event.shiftKey,
    alt: event.altKey,
    pressure: 0.5,
    free: event.ctrlKey || event.metaKey,
  };
}

/** The keys of the cross-hair of an editor. */
export function crosshairKeys(editor: Editor): CrosshairKeys {
  let gesture: Gesture | null = null;
  let last = { at: 0, x: NaN, y: NaN };

  const leave = (): void => {
    gesture?.cancel();
    gesture = null;
    editor.setState({ cross: null });
  };
  /** Half way up the wedge. */
  const begin = (): void => {
    const state = editor.getState();
    const radius = benchRadius(shownFigure(state), workOf(state));
    editor.setState({ cross: { x: 0, y: -radius / 2 } });
  };
  const move = (cross: Point, step: Point, event: KeyboardEvent): void => {
    const size = editor.getState().nudge * (event.shiftKey ? 10 : event.altKey ? 0.1 : 1);
    const at = { x: cross.x + step.x * size, y: cross.y + step.y * size };
    editor.setState({ cross: at });
    gesture?.move({ ...pointOf(editor, at, event), shift: false, alt: false });
  };
  const place = (cross: Point, event: KeyboardEvent): void => {
    const point = pointOf(editor, cross, event);
    if (gesture) {
      gesture.move(point);
      gesture.up(point);
      gesture = null;
      editor.setState({ pointer: null });
      return;
    }
    const isDouble = event.timeStamp - last.at < DOUBLE && last.x === cross.x && last.y === cross.y;
    last = { at: event.timeStamp, ...cross };
    // The cross-hair is on the Bench, not in its lane.
    editor.setState({ laid: false });
    gesture = TOOLS[editor.getState().tool].press(editor, point, isDouble);
  };

  return {
    down: (event) => {
      const { cross } = editor.getState();
      if (!isOnBench()) {
        if (cross) leave();
        return false;
      }
      if (!cross) {
        if (event.key !== 'Enter' || editor.getState().draft) return false;
        begin();
        return true;
      }
      const step = STEPS[event.key];
      if (step) move(cross, step, event);
      else if (event.key === 'Enter') place(cross, event);
      else if (event.key === 'Escape' && !editor.getState().draft) leave();
      else return false;
      return true;
    },
  };
}
