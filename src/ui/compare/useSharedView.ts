'use client';

import { useEffect, useRef, useState } from 'react';

/** How pictures are looked at: how many times as large as they fit, and how far moved, in pixels. */
export interface SharedView {
  readonly zoom: number;
  readonly x: number;
  readonly y: number;
}

export const FITTING: SharedView = { zoom: 1, x: 0, y: 0 };
const [LEAST, MOST] = [0.5, 60];

/** A view closer or farther by a factor, what is at a point of the pane (from its middle) staying there. */
export function zoomedAt(view: SharedView, factor: number, at: { x: number; y: number }): SharedView {
  const zoom = Math.min(MOST, Math.max(LEAST, view.zoom * factor));
  const by = zoom / view.zoom;
  return { zoom, x: at.x - (at.x - view.x) * by, y: at.y - (at.y - view.y) * by };
}

/** One view for several panes: the wheel zooms about the pointer, a drag moves, a double click fits. */
export function useSharedView(): {
  readonly view: SharedView;
  readonly setView: (change: (view: SharedView) => SharedView) => void;
  /** For each pane. */
  readonly pane: {
    readonly ref: (element: HTMLElement | null) => (() => void) | undefined;
    readonly onPointerDown: (event: React.PointerEvent) => void;
    readonly onPointerMove: (event: React.PointerEvent) => void;
    readonly onDoubleClick: () => void;
  };
} {
  const [view, setView] = useState(FITTING);
  const from = useRef<{ x: number; y: number } | null>(null);
  // A wheel that zooms must not scroll the page: React's own listener could not keep it from that.
  const [ref] = useState(() => (element: HTMLElement | null) => {
    if (!element) return undefined;
    const wheel = (event: WheelEvent): void => {
      event.preventDefault();
      const box = element.getBoundingClientRect();
      const at = {
        x: event.clientX - box.left - box.width / 2,
        y: event.clientY - box.top - box.height / 2,
      };
      setView((before) => zoomedAt(before, Math.exp(-event.deltaY / 400), at));
    };
    element.addEventListener('wheel', wheel, { passive: false });
    return () => element.removeEventListener('wheel', wheel);
  });
  useEffect(() => {
    const up = (): void => void (from.current = null);
    window.addEventListener('pointerup', up);
    return () => window.removeEventListener('pointerup', up);
  }, []);
  return {
    view,
    setView,
    pane: {
      ref,
      onPointerDown: (event) => {
        if (event.button === 0) from.current = { x: event.clientX, y: event.clientY };
      },
      onPointerMove: (event) => {
        if (!from.current || event.buttons === 0) return;
        const { x, y } = from.current;
        from.current = { x: event.clientX, y: event.clientY };
        setView((before) => ({
          ...before,
          x: before.x + event.clientX - x,
          y: before.y + event.clientY - y,
        }));
      },
      onDoubleClick: () => setView(FITTING),
    },
  };
}
