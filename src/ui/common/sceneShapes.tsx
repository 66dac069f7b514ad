import { memo } from 'react';

import type { SceneItem } from '@/core/scene/scene';
import { screenData } from './screenData';

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
