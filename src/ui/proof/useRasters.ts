'use client';

import { useEffect, useState } from 'react';

import type { Scene } from '@/core/scene';
import type { Rasters } from './LookView';
import { addressOf, rasterOf } from './raster';

/** The sizes at which icons are shown, in pixels. */
export const SIZES = [16, 24, 32, 48, 64, 128, 256] as const;

export interface Drawn {
  readonly rasters: Rasters;
  /** At each of `SIZES`, with the page's background. */
  readonly small: readonly ImageData[];
}

/** How long a figure rests before it is drawn anew, in milliseconds. */
const REST = 120;

/** A scene as pixels at many sizes; what was there before until the new ones are. */
export function useRasters(
  scene: Scene,
  side: number,
): { readonly drawn: Drawn | null; readonly problem: string | null } {
  const [drawn, setDrawn] = useState<Drawn | null>(null);
  const [problem, setProblem] = useState<string | null>(null);
  useEffect(() => {
    let isGone = false;
    const draw = async (): Promise<void> => {
      const [whole, bare] = [addressOf(scene, true), addressOf(scene, false)];
      try {
        const withGround = await rasterOf(whole, scene, side);
        const plain = await rasterOf(bare, scene, side);
        const small = await Promise.all(SIZES.map((size) => rasterOf(whole, scene, size)));
        if (isGone) return;
        setDrawn({ rasters: { scene, withGround, bare: plain }, small });
        setProblem(null);
      } catch (error) {
        if (!isGone) setProblem(error instanceof Error ? error.message : 'The figure could not be drawn.');
      } finally {
        URL.revokeObjectURL(whole);
        URL.revokeObjectURL(bare);
      }
    };
    const timer = setTimeout(() => void draw(), REST);
    return () => {
      isGone = true;
      clearTimeout(timer);
    };
  }, [scene, side]);
  return { drawn, problem };
}
