import { useEffect, useState } from 'react';

import type { View } from '@/state';

/** A view that has not changed for this long, in milliseconds, is one to be drawn clean. */
const REST = 120;

/** A picture this many times larger or smaller than it was drawn, or moved by this share of a pane, is no longer enough to look at. */
const MOST_SCALED = 2.5;
const MOST_MOVED = 0.5;

interface Size {
  readonly width: number;
  readonly height: number;
}

/** How a picture that was drawn for one view is moved so that it lies where another has it, in CSS. */
export function placeBetween(drawn: View, now: View): string {
  const scale = now.scale / drawn.scale;
  return `translate(${now.x - drawn.x * scale}px, ${now.y - drawn.y * scale}px) scale(${scale})`;
}

/** True where a picture for one view shows too little of what another one shows: by its scale, or as the pane's middle is elsewhere. */
function isFar(drawn: View, now: View, { width, height }: Size): boolean {
  const scale = now.scale / drawn.scale;
  if (scale > MOST_SCALED || scale < 1 / MOST_SCALED) return true;
  const dx = now.x - width / 2 - (drawn.x - width / 2) * scale;
  const dy = now.y - height / 2 - (drawn.y - height / 2) * scale;
  return Math.abs(dx) > MOST_MOVED * width || Math.abs(dy) > MOST_MOVED * height;
}

/**
 * The view that artwork is drawn for: the one at hand, or, where drawing takes long, the one before, as long as it goes on changing. Its
 * picture is moved along meanwhile (`placeBetween`).
 */
export function useSettledView(view: View, isSlow: boolean, size: Size): View {
  const [settled, setSettled] = useState(view);
  useEffect(() => {
    const timer = window.setTimeout(() => setSettled(view), REST);
    return () => window.clearTimeout(timer);
  }, [view]);
  if (!isSlow || settled === view) return view;
  if (!isFar(settled, view, size)) return settled;
  setSettled(view);
  return view;
}
