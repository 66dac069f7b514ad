import { useEffect, useState } from 'react';

import type { Figure } from '@/core/figure';
import type { Picked, WallPlan } from '@/core/trial';
import { WallDrawer } from '@/worker';

/** A variant that hangs. */
export interface Picture {
  readonly at: number;
  readonly title: string;
  /** The address of its picture; null where it cannot be drawn. */
  readonly url: string | null;
}

export interface Wall {
  readonly pictures: readonly Picture[];
  readonly isDone: boolean;
  readonly hasFailed: boolean;
}

const urlOf = (svg: string): string => URL.createObjectURL(new Blob([svg], { type: 'image/svg+xml' }));

interface Hanging {
  readonly of: Figure;
  readonly picks: readonly Picked[];
  readonly plan: WallPlan;
  readonly pictures: readonly Picture[];
  readonly end: 'done' | 'failed' | null;
}

const NOTHING: Wall = { pictures: [], isDone: false, hasFailed: false };

/**
 * Variants of a figure as they are drawn in other threads; another figure, pick or plan ends that and begins anew.
 * @param picks what the wall grows from
 */
export function useWall(figure: Figure, picks: readonly Picked[], plan: WallPlan): Wall {
  const [hanging, setHanging] = useState<Hanging | null>(null);
  const [drawer] = useState(() => new WallDrawer());
  useEffect(() => {
    const urls: string[] = [];
    const next = (change: (now: Hanging) => Hanging): void =>
      setHanging((now) =>
        change(
          now?.of === figure && now.picks === picks && now.plan === plan
            ? now
            : { of: figure, picks, plan, pictures: [], end: null },
        ),
      );
    const stop = drawer.draw(
      figure,
      picks,
      plan,
      ({ at, title, svg }) => {
        const url = svg === null ? null : urlOf(svg);
        if (url) urls.push(url);
        next((now) => ({
          ...now,
          pictures: [...now.pictures, { at, title, url }].sort((a, b) => a.at - b.at),
        }));
      },
      (count) => next((now) => ({ ...now, end: count === null ? 'failed' : 'done' })),
    );
    return () => {
      stop();
      urls.forEach((url) => URL.revokeObjectURL(url));
    };
  }, [drawer, figure, picks, plan]);
  // After the wall was stopped, which keeps threads for the next one.
  useEffect(() => () => drawer.end(), [drawer]);
  if (hanging?.of !== figure || hanging.picks !== picks || hanging.plan !== plan) return NOTHING;
  return { pictures: hanging.pictures, isDone: hanging.end === 'done', hasFailed: hanging.end === 'failed' };
}
