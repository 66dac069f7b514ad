import { memo } from 'react';

import type { Path } from '@/core/curve/path';
import { pathData } from '@/core/format/pathData';
import type { SceneItem } from '@/core/scene/scene';

const printed = new WeakMap<readonly Path[], string>();

/** Path data for the screen, printed once for each list of paths. */
function screenData(paths: readonly Path[]): string {
  const known = printed.get(paths);
  if (known !== undefined) return known;
  const data = pathData(paths, 5);
  printed.set(paths, data);
  return data;
}

interface ItemProps {
  readonly item: SceneItem;
  /** Lines only, without paint. */
  readonly outline: boolean;
}

/** One item of a scene, upright in its wedge. */
export const ItemShape = memo(function ItemShape({ item, outline }: ItemProps) {
  const { fill, stroke } = item.paint;
  const look = outline
    ? { fill: 'none', stroke: 'var(--ink)', strokeWidth: 1, vectorEffect: 'non-scaling-stroke' as const }
    : {
        fill: fill ?? 'none',
        fillRule: item.rule,
        ...(stroke && {
          stroke: stroke.colour,
          strokeWidth: stroke.width,
          strokeLinecap: stroke.cap,
          strokeLinejoin: stroke.join,
        }),
      };
  return <path d={screenData(item.paths)} transform={item.mirrored ? 'scale(-1 1)' : undefined} {...look} />;
});
