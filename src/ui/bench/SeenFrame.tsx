'use client';

import { memo } from 'react';

import { matrixOf } from '@/core/curve';
import { type Underlay, underlayMap } from '@/core/figure';
import { axisOf, frameSeen, type FrameSeenLine } from '@/core/picture';
import type { SeenPicture } from '@/state';

interface Look {
  readonly stroke: string;
  readonly width: number;
  readonly dashes?: string;
}

const LOOKS: Record<FrameSeenLine['kind'], Look> = {
  rim: { stroke: 'var(--kelp)', width: 2 },
  ray: { stroke: 'var(--kelp)', width: 1.4 },
  axis: { stroke: 'var(--coral)', width: 2, dashes: '6 4' },
};

/** The frame that was read of the underlay, over it: rim, rays and the axis of the first copy. */
export const SeenFrame = memo(function SeenFrame({
  underlay,
  seen,
}: {
  readonly underlay: Underlay;
  readonly seen: SeenPicture;
}) {
  const { read, chosen, pixels } = seen;
  if (!read) return null;
  const lines = frameSeen(read.seat, read.reach, { fold: chosen.fold, axis: axisOf(read, chosen) });
  return (
    <g
      data-testid="seen-frame"
      transform={matrixOf(underlayMap(underlay, pixels))}
      fill="none"
      strokeLinecap="round"
    >
      {lines.map(({ kind, points }, k) => (
        <polyline
          key={k}
          points={points.map(({ x, y }) => `${x},${y}`).join(' ')}
          stroke={LOOKS[kind].stroke}
          strokeWidth={LOOKS[kind].width}
          strokeDasharray={LOOKS[kind].dashes}
          vectorEffect="non-scaling-stroke"
        />
      ))}
    </g>
  );
});
