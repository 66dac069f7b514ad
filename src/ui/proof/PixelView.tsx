'use client';

import { useEffect, useRef } from 'react';

interface Props {
  readonly pixels: ImageData;
  /** Each pixel is shown so many times as large, as a square. */
  readonly times?: number;
  readonly label: string;
  readonly className?: string;
}

/** Pixels as they are, or magnified as squares. */
export function PixelView({ pixels, times, label, className = '' }: Props) {
  const canvas = useRef<HTMLCanvasElement>(null);
  useEffect(() => {
    const context = canvas.current?.getContext('2d');
    context?.putImageData(pixels, 0, 0);
  }, [pixels]);
  return (
    <canvas
      ref={canvas}
      role="img"
      aria-label={label}
      width={pixels.width}
      height={pixels.height}
      className={className}
      style={
        times === undefined
          ? undefined
          : { width: pixels.width * times, height: pixels.height * times, imageRendering: 'pixelated' }
      }
    />
  );
}
