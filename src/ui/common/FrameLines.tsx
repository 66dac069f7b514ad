import { memo } from 'react';

import { pathData } from '@/core/format';
import { type Frame, frameLines } from '@/core/symmetry';

/** A round's frame in motif coordinates, as thin lines that keep their width at every zoom. */
export const FrameLines = memo(function FrameLines({
  frame,
  reach,
}: {
  readonly frame: Frame;
  readonly reach: number;
}) {
  const lines = frameLines(frame, reach);
  if (lines.length === 0 || frame.hidden) return null;
  const drawn = (wanted: (name: string) => boolean): string =>
    pathData(
      lines.filter(({ name }) => wanted(name)).map(({ path }) => path),
      4,
    );
  return (
    <g fill="none" stroke="var(--brass)" pointerEvents="none" data-testid="frame">
      <path d={drawn((name) => name !== 'guide')} strokeOpacity={0.75} vectorEffect="non-scaling-stroke" />
      <path
        d={drawn((name) => name === 'guide')}
        strokeDasharray="7 4"
        strokeOpacity={0.9}
        vectorEffect="non-scaling-stroke"
      />
    </g>
  );
});
