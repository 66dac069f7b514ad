import { memo, type SVGProps } from 'react';

import { distance } from '@/core/curve/point';
import { opacityOf } from '@/core/paint/colour';
import { isGradient } from '@/core/paint/fills';
import { plainStops } from '@/core/paint/gradient';
import type { Fill, Gradient, SceneItem } from '@/core/scene/scene';
import { screenData } from '@/core/format/screenData';

interface ItemProps {
  readonly item: SceneItem;
  /** Lines only, without paint. */
  readonly outline: boolean;
  readonly gradients: GradientIds;
}

/** Ids of gradients in a document; one with the same content has the same. */
export type GradientIds = ReadonlyMap<string, string>;

const nameOf = (gradient: Gradient): string => JSON.stringify(gradient);

const gradientsIn = (items: readonly SceneItem[]): Gradient[] =>
  items.flatMap(({ paint: { fill, stroke } }) => [fill, stroke?.colour ?? null].filter(isGradient));

const NO_GRADIENTS: GradientIds = new Map();

/** An id for each gradient of some items. */
export function gradientIds(prefix: string, items: readonly SceneItem[]): GradientIds {
  const names = [...new Set(gradientsIn(items).map(nameOf))];
  if (names.length === 0) return NO_GRADIENTS;
  return new Map(names.map((name, k) => [name, `${prefix}-paint-${k}`]));
}

const paintOf = (fill: Fill | null, gradients: GradientIds): string => {
  if (!isGradient(fill)) return fill ?? 'none';
  const id = gradients.get(nameOf(fill));
  return id === undefined ? 'none' : `url(#${id})`;
};

/** The gradients of items, to be referred to by their ids; in the coordinates of what they paint. */
export const GradientDefs = memo(function GradientDefs({ gradients }: { readonly gradients: GradientIds }) {
  return [...gradients].map(([name, id]) => {
    const { kind, from, to, stops } = JSON.parse(name) as Gradient;
    const inner = plainStops(stops).map(({ at, colour }, k) => (
      <stop key={k} offset={at} stopColor={colour.slice(0, 7)} stopOpacity={opacityOf(colour)} />
    ));
    return kind === 'linear' ? (
      <linearGradient
        key={id}
        id={id}
        gradientUnits="userSpaceOnUse"
        x1={from.x}
        y1={from.y}
        x2={to.x}
        y2={to.y}
      >
        {inner}
      </linearGradient>
    ) : (
      <radialGradient
        key={id}
        id={id}
        gradientUnits="userSpaceOnUse"
        cx={from.x}
        cy={from.y}
        r={distance(from, to)}
      >
        {inner}
      </radialGradient>
    );
  });
});

/** The outline and the paint of an item as SVG has them, upright and not reflected. */
export function itemLook({ item, outline, gradients }: ItemProps): SVGProps<SVGPathElement> {
  const { fill, stroke, behind } = item.paint;
  const look = outline
    ? { fill: 'none', stroke: 'var(--ink)', strokeWidth: 1, vectorEffect: 'non-scaling-stroke' as const }
    : {
        fill: paintOf(fill, gradients),
        fillRule: item.rule,
        ...(stroke && {
          stroke: paintOf(stroke.colour, gradients),
          strokeWidth: stroke.width,
          strokeLinecap: stroke.cap,
          strokeLinejoin: stroke.join,
          strokeMiterlimit: stroke.limit,
          strokeDasharray: stroke.dashes && stroke.dashes.length > 0 ? stroke.dashes.join(' ') : undefined,
          paintOrder: behind ? 'stroke' : undefined,
        }),
      };
  return { d: screenData(item.paths), ...look };
}

/** One item of a scene, upright in its wedge. */
export const ItemShape = memo(function ItemShape(props: ItemProps) {
  return <path {...itemLook(props)} transform={props.item.mirrored ? 'scale(-1 1)' : undefined} />;
});
