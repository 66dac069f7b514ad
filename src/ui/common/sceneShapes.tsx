import { memo, type SVGProps } from 'react';

import type { SceneItem } from '@/core/scene/scene';
import { screenData } from './screenData';

interface ItemProps {
  readonly item: SceneItem;
  /** Lines only, without paint. */
  readonly outline: boolean;
}

/** The outline and the paint of an item as SVG has them, upright and not reflected. */
export function itemLook(item: SceneItem, outline: boolean): SVGProps<SVGPathElement> {
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
  return { d: screenData(item.paths), ...look };
}

/** One item of a scene, upright in its wedge. */
export const ItemShape = memo(function ItemShape({ item, outline }: ItemProps) {
  return <path {...itemLook(item, outline)} transform={item.mirrored ? 'scale(-1 1)' : undefined} />;
});
