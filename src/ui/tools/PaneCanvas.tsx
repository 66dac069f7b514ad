'use client';

import { useGesture } from '@use-gesture/react';
import { useCallback, useEffect, useRef, type PointerEvent, type ReactNode } from 'react';

import { distance } from '@/core/curve/point';
import type { Editor, PaneId } from '@/state/editor';
import type { ToolId } from '@/state/tools';
import { panned, zoomed } from '@/state/viewport';
import { Slabs, type Slab } from '../common/Slabs';
import { useEditor, useEditorState } from '../editor/EditorContext';
import { hoverCells, worksOnCells } from './cells';
import type { Gesture } from './gesture';
import { Overlay } from './Overlay';
import { hoverPath } from './path';
import { MotifPointer, panePoint, placementIn, toMotif, viewOf, type PanePoint } from './pointer';
import { PRESSES } from './presses';
import { hoverSpots } from './spots';

interface Props {
  readonly pane: PaneId;
  readonly label: string;
  /** The artwork, back to front. */
  readonly slabs: readonly Slab[];
  /** What is shown over the artwork and changes without it. */
  readonly over?: ReactNode;
}

/** Tools whose pointer catches nothing while it only moves. */
const UNCAUGHT: ReadonlySet<ToolId> = new Set([
  'select',
  'nodes',
  'paint',
  'eyedropper',
  'freehand',
  'fuse',
  'take',
  'swap',
]);

const DOUBLE_CLICK = 350;
const SAME_PLACE = 5;

/** Shows what a pointer that is not pressed would catch, and what the tool would make of it. */
function hover(editor: Editor, point: PanePoint): void {
  const state = editor.getState();
  const { pane } = point;
  if (worksOnCells(state)) hoverCells(editor, point);
  if (state.tool === 'path') hoverPath(editor, point);
  else if (state.tool === 'line' && state.ways.line === 'arc') hoverSpots(editor, point, 'arc');
  else if (state.tool === 'ellipse' && state.ways.ellipse === 'points') hoverSpots(editor, point, 'circle');
  else if (!UNCAUGHT.has(state.tool) || state.picking) {
    new MotifPointer(editor, pane, placementIn(state, pane)).at(point);
  } else {
    const at = toMotif(placementIn(state, pane), point.figure);
    editor.setState({ pointer: { pane, snapped: { point: at, caught: [], ring: null }, which: 0, of: 0 } });
  }
}

/** A pane that shows the figure: zoom and pan about the pointer, and the tool at hand. */
export function PaneCanvas({ pane, label, slabs, over }: Props) {
  const editor = useEditor();
  const element = useRef<HTMLDivElement>(null);
  const gesture = useRef<Gesture | null>(null);
  const lastPoint = useRef<PanePoint | null>(null);
  const lastPress = useRef({ at: 0, x: 0, y: 0 });
  const panning = useEditorState((state) => state.panning);
  const tool = useEditorState((state) => state.tool);

  useEffect(() => {
    const target = element.current;
    if (!target) return;
    const observer = new ResizeObserver(() => {
      const size = { width: target.clientWidth, height: target.clientHeight };
      if (size.width > 0) editor.setState(({ sizes }) => ({ sizes: { ...sizes, [pane]: size } }));
    });
    observer.observe(target);
    return () => observer.disconnect();
  }, [editor, pane]);

  const follow = useCallback(
    (point: PanePoint): void => {
      lastPoint.current = point;
      if (gesture.current) gesture.current.move(point);
      else hover(editor, point);
    },
    [editor],
  );

  useEffect(() => {
    const leave = (event: KeyboardEvent): void => {
      const { pointer } = editor.getState();
      if (event.key === 'Tab' && pointer?.pane === pane && pointer.of > 1 && lastPoint.current) {
        editor.setState(({ snapTurn }) => ({ snapTurn: snapTurn + (event.shiftKey ? pointer.of - 1 : 1) }));
        follow(lastPoint.current);
        event.preventDefault();
        event.stopImmediatePropagation();
      }
      if (event.key !== 'Escape' || !gesture.current) return;
      gesture.current.cancel();
      gesture.current = null;
      event.stopImmediatePropagation();
    };
    window.addEventListener('keydown', leave, true);
    return () => window.removeEventListener('keydown', leave, true);
  }, [editor, pane, follow]);

  const about = (x: number, y: number) => {
    const box = element.current?.getBoundingClientRect();
    return { x: x - (box?.left ?? 0), y: y - (box?.top ?? 0) };
  };
  const zoom = (factor: number, at: { x: number; y: number }): void =>
    editor.setState((state) => ({
      views: { ...state.views, [pane]: zoomed(viewOf(state, pane), factor, at) },
    }));
  const pan = (dx: number, dy: number): void =>
    editor.setState((state) => ({ views: { ...state.views, [pane]: panned(viewOf(state, pane), dx, dy) } }));

  useGesture(
    {
      onWheel: ({ event, delta: [dx, dy], ctrlKey }) => {
        event.preventDefault();
        if (ctrlKey) return;
        if (event.shiftKey) pan(-dx || -dy, 0);
        else zoom(Math.exp(-dy / 400), about(event.clientX, event.clientY));
      },
      onPinch: ({ event, origin: [x, y], delta: [change], offset: [now] }) => {
        event.preventDefault();
        gesture.current?.cancel();
        gesture.current = null;
        if (now > 0 && now - change > 0) zoom(now / (now - change), about(x, y));
      },
    },
    { target: element, eventOptions: { passive: false }, pinch: { scaleBounds: { min: 0.01, max: 1000 } } },
  );

  const press = (event: PointerEvent<HTMLDivElement>): void => {
    const target = element.current;
    if (!target || gesture.current) return;
    if (event.button === 1 || (event.button === 0 && panning)) {
      target.setPointerCapture(event.pointerId);
      let [x, y] = [event.clientX, event.clientY];
      gesture.current = {
        move: () => undefined,
        up: () => undefined,
        cancel: () => undefined,
      };
      const shift = (moved: globalThis.PointerEvent): void => {
        pan(moved.clientX - x, moved.clientY - y);
        [x, y] = [moved.clientX, moved.clientY];
      };
      target.addEventListener('pointermove', shift);
      target.addEventListener(
        'pointerup',
        () => {
          target.removeEventListener('pointermove', shift);
          gesture.current = null;
        },
        { once: true },
      );
      event.preventDefault();
      return;
    }
    if (event.button !== 0) return;
    target.setPointerCapture(event.pointerId);
    const { at, x, y } = lastPress.current;
    const near = Math.hypot(event.clientX - x, event.clientY - y) < SAME_PLACE;
    const double = near && event.timeStamp - at < DOUBLE_CLICK;
    lastPress.current = { at: event.timeStamp, x: event.clientX, y: event.clientY };
    const point = panePoint(editor, pane, target, event);
    editor.setState({ laid: pane === 'lane' });
    const { picking } = editor.getState();
    if (picking) {
      const pointer = new MotifPointer(editor, pane, placementIn(editor.getState(), pane));
      editor.setState({ picking: null });
      picking.take(picking.free ? pointer.raw(point) : pointer.at(point));
      return;
    }
    gesture.current = PRESSES[editor.getState().tool](editor, point, double);
  };

  const move = (event: PointerEvent<HTMLDivElement>): void => {
    const target = element.current;
    if (!target) return;
    const point = panePoint(editor, pane, target, event);
    const before = lastPoint.current;
    // Away from where another candidate was asked for, the first is taken again.
    if (before && editor.getState().snapTurn > 0 && distance(before.screen, point.screen) > SAME_PLACE)
      editor.setState({ snapTurn: 0 });
    else if (before && editor.getState().snapTurn > 0) {
      follow({ ...point, screen: before.screen });
      return;
    }
    follow(point);
  };

  const release = (event: PointerEvent<HTMLDivElement>): void => {
    const target = element.current;
    if (!gesture.current || !target) return;
    gesture.current.up(panePoint(editor, pane, target, event));
    gesture.current = null;
    // What was caught by the drag is no mark any more.
    if (!editor.getState().draft) editor.setState({ pointer: null });
  };

  const cursor = panning
    ? 'cursor-grab'
    : tool === 'select' || tool === 'nodes'
      ? 'cursor-default'
      : 'cursor-crosshair';

  return (
    <div
      ref={element}
      role="application"
      aria-label={label}
      tabIndex={0}
      data-pane={pane}
      className={`absolute inset-0 touch-none overflow-hidden select-none outline-none focus-visible:outline-2 focus-visible:-outline-offset-2 ${cursor}`}
      onPointerDown={press}
      onPointerMove={move}
      onPointerUp={release}
      onPointerCancel={() => {
        gesture.current?.cancel();
        gesture.current = null;
      }}
      onPointerLeave={() => {
        if (!gesture.current) editor.setState({ pointer: null, lit: null });
      }}
    >
      {/* The artwork is a layer of its own, so that what lights up over it does not have it painted again. */}
      <div className="pointer-events-none absolute inset-0 will-change-transform">
        <Slabs slabs={slabs} />
      </div>
      <svg className="pointer-events-none absolute inset-0 size-full" aria-hidden="true">
        {over}
        <Overlay pane={pane} />
      </svg>
    </div>
  );
}
