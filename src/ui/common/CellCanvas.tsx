'use client';

import { useEffect, useRef, useState } from 'react';
import { toast } from 'sonner';

import { readColour } from '@/core/paint';
import type { SceneLayer } from '@/core/scene';
import type { View } from '@/state';
import { type CanvasFrame, type CellPainter, createCellPainter } from '@/worker';
import { ProgressBar } from './ProgressBar';
import { useTheme } from './theme';
import { placeBetween } from './useSettledView';

interface Props {
  /** All of one round. */
  readonly layers: readonly SceneLayer[];
  readonly view: View;
  readonly size: { readonly width: number; readonly height: number };
  /** In degrees. */
  readonly rotation?: number;
  readonly outline: boolean;
  readonly strength?: number;
  readonly full?: string | null;
  /** One of many small pictures. */
  readonly small?: boolean;
  /** The copies come one after the other, over so many seconds; 0 shows them at once. */
  readonly reveal?: number;
}

/** How long a picture is drawn before its progress is shown, in milliseconds. */
const QUIET_TIME = 150;
/** A bar that would be gone at once is not begun, nor moved any more. */
const NEARLY_DONE = 0.7;

/**
 * Very many cells as a picture that a worker draws, in place of as many SVG paths, which would hold up the page for seconds. While a new
 * one is drawn the former one is moved along with the view.
 */
export function CellCanvas({
  layers,
  view,
  size,
  rotation = 0,
  outline,
  strength = 1,
  full = null,
  small = false,
  reveal = 0,
}: Props) {
  const element = useRef<HTMLCanvasElement>(null);
  const painter = useRef<CellPainter | null>(null);
  const [drawn, setDrawn] = useState<View>(view);
  const [progress, setProgress] = useState<number | null>(null);
  const theme = useTheme();

  useEffect(() => {
    const made = createCellPainter(small);
    painter.current = made;
    return () => made.close();
  }, [small]);

  // The same list as long as the same layers are in it.
  const [kept, setKept] = useState(layers);
  if (kept.length !== layers.length || kept.some((layer, k) => layer !== layers[k])) setKept(layers);

  const { scale, x, y } = view;
  const { width, height } = size;
  useEffect(() => {
    const canvas = element.current;
    const { current } = painter;
    if (!canvas || !current || width === 0 || height === 0) return undefined;
    const ratio = window.devicePixelRatio;
    const frame: CanvasFrame = {
      width: Math.round(width * ratio),
      height: Math.round(height * ratio),
      scale: scale * ratio,
      x: x * ratio,
      y: y * ratio,
      rotation: (rotation * Math.PI) / 180,
      outline: outline ? readColour(getComputedStyle(canvas).color) : null,
      strength,
      full,
    };
    const began = performance.now();
    let mine = true;
    const follow = (share: number): void => {
      if (mine && share < NEARLY_DONE && performance.now() - began > QUIET_TIME) setProgress(share);
    };
    const show = (bitmap: ImageBitmap): void => {
      if (canvas.width !== frame.width) canvas.width = frame.width;
      if (canvas.height !== frame.height) canvas.height = frame.height;
      canvas.getContext('bitmaprenderer')?.transferFromImageBitmap(bitmap);
      setDrawn((was) => (was.scale === scale && was.x === x && was.y === y ? was : { scale, x, y }));
    };
    const seconds = window.matchMedia('(prefers-reduced-motion: reduce)').matches ? 0 : reveal;
    const draw = async (): Promise<void> => {
      for (let share = 0; mine && share < 1;) {
        share = seconds > 0 ? Math.min(1, (performance.now() - began) / (1000 * seconds)) : 1;
        await current.draw(kept, frame, share, show, seconds > 0 ? () => undefined : follow);
      }
      if (mine) setProgress(null);
    };
    draw().catch(() => toast.error('The cells of this round could not be drawn.', { id: 'cells' }));
    return () => {
      mine = false;
    };
  }, [kept, scale, x, y, width, height, rotation, outline, strength, full, theme, small, reveal]);

  return (
    <>
      <canvas
        ref={element}
        data-testid="many-cells"
        className="pointer-events-none absolute top-0 left-0 origin-top-left text-ink"
        style={{
          width,
          height,
          transform: placeBetween(drawn, view),
          mixBlendMode: kept[0]?.blend ?? 'normal',
        }}
      />
      {progress !== null && (
        <div className="pointer-events-none absolute inset-x-4 top-[42px] flex">
          <ProgressBar label="Drawing cells" share={progress} />
        </div>
      )}
    </>
  );
}
