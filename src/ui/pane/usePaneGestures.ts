'use client';

import { useGesture } from '@use-gesture/react';
import { memo, useCallback, useEffect, useRef, type PointerEvent, type RefObject } from 'react';

import { distance, type Point } from '@/core/curve';
import { type Editor, type PaneId, panned, zoomed } from '@/state';
import { useEditor } from '@/ui/desk';
import {
  catchPoint,
  type Gesture,
  hoverCells,
  MotifPointer,
  panePoint,
  type PanePoint,
  placementIn,
  TOOLS,
  viewOf,
  worksOnCells,
} from '@/ui/tools';

/** In milliseconds, and in pixels. */
const DOUBLE_CLICK = 350;
const SAME_PLACE = 5;

/** Shows what a pointer that is not pressed would catch, and what the tool would make of it. */
function hover(editor: Editor, point: PanePoint): void {
  const state = editor.getState();
  if (worksOnCells(state)) hoverCells(editor, point);
  const show = state.picking ? catchPoint : (TOOLS[state.tool].hover ?? catchPoint);
  show(editor, point);
}

const zoom = (editor: Editor, pane: PaneId, factor: number, at: Point): void =>
  editor.setState((state) => ({
    views: { ...state.views, [pane]: zoomed(viewOf(state, pane), factor, at) },
  }));

const pan = (editor: Editor, pane: PaneId, by: Point): void =>
  editor.setState((state) => ({
    views: { ...state.views, [pane]: panned(viewOf(state, pane), by.x, by.y) },
  }));

/** Takes the view along with the pointer. */
function panGesture(editor: Editor, { pane, screen }: PanePoint): Gesture {
  let last = screen;
  return {
    move: (to) => {
      pan(editor, pane, { x: to.screen.x - last.x, y: to.screen.y - last.y });
      last = to.screen;
    },
    up: () => undefined,
    cancel: () => undefined,
  };
}

/** What a press begins: the view moved, a point picked, or what the tool at hand does. Null where that is nothing more. */
function beginGesture(editor: Editor, point: PanePoint, isPan: boolean, isDouble: boolean): Gesture | null {
  if (isPan) return panGesture(editor, point);
  const { pane } = point;
  editor.setState({ laid: pane === 'lane' });
  const { picking, tool } = editor.getState();
  if (!picking) return TOOLS[tool].press(editor, point, isDouble);
  const pointer = new MotifPointer(editor, pane, placementIn(editor.getState(), pane));
  editor.setState({ picking: null });
  picking.take(picking.free ? pointer.raw(point) : pointer.at(point));
  return null;
}

/** Tells the editor how large a pane is. */
export function usePaneSize(element: RefObject<HTMLDivElement | null>, pane: PaneId): void {
  const editor = useEditor();
  useEffect(() => {
    const target = element.current;
    if (!target) return;
    const observer = new ResizeObserver(() => {
      const size = { width: target.clientWidth, height: target.clientHeight };
      if (size.width > 0) editor.setState(({ sizes }) => ({ sizes: { ...sizes, [pane]: size } }));
    });
    observer.observe(target);
    return () => observer.disconnect();
  }, [editor, element, pane]);
}

/**
 * Zooms and pans a pane about the pointer, by wheel and by two fingers, which end what one of them had begun. Shows nothing. It is
 * a component so that it is not made anew with the pane: its listeners would be, and for those that may hold up scrolling a browser
 * paints all that is in the pane again.
 */
export const ViewGestures = memo(function ViewGestures({
  element,
  pane,
  cancel,
}: {
  readonly element: RefObject<HTMLDivElement | null>;
  readonly pane: PaneId;
  readonly cancel: () => void;
}) {
  const editor = useEditor();
  const inPane = (x: number, y: number): Point => {
    const box = element.current?.getBoundingClientRect();
    return { x: x - (box?.left ?? 0), y: y - (box?.top ?? 0) };
  };
  useGesture(
    {
      onWheel: ({ event, delta: [dx, dy], ctrlKey }) => {
        event.preventDefault();
        if (ctrlKey) return;
        if (event.shiftKey) pan(editor, pane, { x: -dx || -dy, y: 0 });
        else zoom(editor, pane, Math.exp(-dy / 400), inPane(event.clientX, event.clientY));
      },
      onPinch: ({ event, origin: [x, y], delta: [change], offset: [now] }) => {
        event.preventDefault();
        cancel();
        if (now > 0 && now - change > 0) zoom(editor, pane, now / (now - change), inPane(x, y));
      },
    },
    { target: element, eventOptions: { passive: false }, pinch: { scaleBounds: { min: 0.01, max: 1000 } } },
  );
  return null;
});

/** Pointer and keys in a pane: tool at hand, what would be caught. @returns handlers of its element, and what ends a gesture */
export function usePaneGestures(element: RefObject<HTMLDivElement | null>, pane: PaneId) {
  const editor = useEditor();
  const gesture = useRef<Gesture | null>(null);
  const lastPoint = useRef<PanePoint | null>(null);
  const lastPress = useRef({ at: 0, x: 0, y: 0 });
  const cancel = useCallback((): void => {
    gesture.current?.cancel();
    gesture.current = null;
  }, []);
  const follow = useCallback(
    (point: PanePoint): void => {
      lastPoint.current = point;
      if (gesture.current) gesture.current.move(point);
      else hover(editor, point);
    },
    [editor],
  );

  useEffect(() => {
    const onKey = (event: KeyboardEvent): void => {
      const { pointer } = editor.getState();
      if (event.key === 'Tab' && pointer?.pane === pane && pointer.of > 1 && lastPoint.current) {
        editor.setState(({ snapTurn }) => ({ snapTurn: snapTurn + (event.shiftKey ? pointer.of - 1 : 1) }));
        follow(lastPoint.current);
        event.preventDefault();
        event.stopImmediatePropagation();
      }
      if (event.key !== 'Escape' || !gesture.current) return;
      cancel();
      event.stopImmediatePropagation();
    };
    window.addEventListener('keydown', onKey, true);
    return () => window.removeEventListener('keydown', onKey, true);
  }, [editor, pane, follow, cancel]);

  const isDouble = ({ clientX, clientY, timeStamp }: PointerEvent): boolean => {
    const { at, x, y } = lastPress.current;
    lastPress.current = { at: timeStamp, x: clientX, y: clientY };
    return Math.hypot(clientX - x, clientY - y) < SAME_PLACE && timeStamp - at < DOUBLE_CLICK;
  };

  const handlers = {
    onPointerDown: (event: PointerEvent<HTMLDivElement>): void => {
      const target = element.current;
      if (!target || gesture.current) return;
      const isPan = event.button === 1 || (event.button === 0 && editor.getState().panning);
      if (!isPan && event.button !== 0) return;
      target.setPointerCapture(event.pointerId);
      if (isPan) event.preventDefault();
      const point = panePoint(editor, pane, target, event);
      gesture.current = beginGesture(editor, point, isPan, !isPan && isDouble(event));
    },
    onPointerMove: (event: PointerEvent<HTMLDivElement>): void => {
      const target = element.current;
      if (!target) return;
      const point = panePoint(editor, pane, target, event);
      const before = lastPoint.current;
      // Away from where another candidate was asked for, the first is taken again.
      const isTurned = before !== null && editor.getState().snapTurn > 0;
      const isAway = isTurned && distance(before.screen, point.screen) > SAME_PLACE;
      if (isAway) editor.setState({ snapTurn: 0 });
      follow(isTurned && !isAway ? { ...point, screen: before.screen } : point);
    },
    onPointerUp: (event: PointerEvent<HTMLDivElement>): void => {
      const target = element.current;
      if (!gesture.current || !target) return;
      gesture.current.up(panePoint(editor, pane, target, event));
      gesture.current = null;
      // What was caught by the drag is no mark any more.
      if (!editor.getState().draft) editor.setState({ pointer: null });
    },
    onPointerCancel: cancel,
    onPointerLeave: (): void => {
      if (!gesture.current) editor.setState({ pointer: null, lit: null });
    },
  };
  return { handlers, cancel };
}
