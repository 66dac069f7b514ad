import { Fragment, memo, type SVGProps } from 'react';

import { matrixOf } from '@/core/curve';
import { cssColour, type GradientInk, type Ink, inksOfPaint, runsLaid, styleOf } from '@/core/paint';
import type { SceneItem } from '@/core/scene';
import { screenData } from '@/core/format';
import { useOutline } from './drawnItems';

interface ItemProps {
  readonly item: SceneItem;
  /** Lines only, without paint. */
  readonly outline: boolean;
  readonly gradients: GradientIds;
}

/** Ids of gradients in a document, by the gradients; one with the same content has the same. */
export type GradientIds = ReadonlyMap<string, { readonly id: string; readonly ink: GradientInk }>;

const nameOf = (ink: GradientInk): string => JSON.stringify(ink);

const NO_GRADIENTS: GradientIds = new Map();

/** An id for each gradient of some items. */
export function gradientIds(prefix: string, items: readonly SceneItem[]): GradientIds {
  const inks = items.flatMap(({ paint }) => inksOfPaint(paint)).filter((ink) => ink.kind !== 'flat');
  if (inks.length === 0) return NO_GRADIENTS;
  const byName = new Map(inks.map((ink) => [nameOf(ink), ink]));
  return new Map([...byName].map(([name, ink], k) => [name, { id: `${prefix}-paint-${k}`, ink }]));
}

const cssPaint = (ink: Ink, gradients: GradientIds): string => {
  if (ink.kind === 'flat') return cssColour(ink);
  const known = gradients.get(nameOf(ink));
  return known ? `url(#${known.id})` : 'none';
};

/** The gradients of items, to be referred to by their ids; in the coordinates of what they paint. */
export const GradientDefs = memo(function GradientDefs({ gradients }: { readonly gradients: GradientIds }) {
  return [...gradients.values()].map(({ id, ink }) => {
    const inner = ink.stops.map(({ at, colour, opacity }, k) => (
      <stop key={k} offset={at} stopColor={colour} stopOpacity={opacity} />
    ));
    return ink.kind === 'linear' ? (
      <linearGradient
        key={id}
        id={id}
        gradientUnits="userSpaceOnUse"
        x1={ink.from.x}
        y1={ink.from.y}
        x2={ink.to.x}
        y2={ink.to.y}
      >
        {inner}
      </linearGradient>
    ) : (
      <radialGradient
        key={id}
        id={id}
        gradientUnits="userSpaceOnUse"
        cx={ink.centre.x}
        cy={ink.centre.y}
        r={ink.radius}
        gradientTransform={ink.map && matrixOf(ink.map)}
      >
        {inner}
      </radialGradient>
    );
  });
});

const OUTLINE: SVGProps<SVGPathElement> = {
  fill: 'none',
  stroke: 'var(--ink)',
  strokeWidth: 1,
  vectorEffect: 'non-scaling-stroke',
};

function paintedLook({ paint, rule }: SceneItem, gradients: GradientIds): SVGProps<SVGPathElement> {
  const { fill, stroke, isStrokeFirst } = styleOf(paint, rule);
  return {
    fill: fill ? cssPaint(fill.ink, gradients) : 'none',
    fillRule: rule,
    ...(stroke && {
      stroke: cssPaint(stroke.ink, gradients),
      strokeWidth: stroke.width,
      strokeLinecap: stroke.cap,
      strokeLinejoin: stroke.join,
      strokeMiterlimit: stroke.limit,
      strokeDasharray: stroke.dashes.length > 0 ? stroke.dashes.join(' ') : undefined,
      paintOrder: isStrokeFirst ? 'stroke' : undefined,
    }),
  };
}

/** The outline and the paint of an item as SVG has them, upright and not reflected. */
export const itemLook = ({ item, outline, gradients }: ItemProps): SVGProps<SVGPathElement> => ({
  d: screenData(item.paths),
  ...(outline ? OUTLINE : paintedLook(item, gradients)),
});

/** Items back to front, those that are laid as one in a group of their own. @param dimmed how much is seen of reflected ones */
export function Items({
  items,
  outline,
  gradients,
  dimmed = 1,
}: Omit<ItemProps, 'item'> & { readonly items: readonly SceneItem[]; readonly dimmed?: number }) {
  const shapeOf = (item: SceneItem, k: number) => {
    const shape = <ItemShape key={k} item={item} outline={outline} gradients={gradients} />;
    if (dimmed === 1 || !item.mirrored) return shape;
    return (
      <g key={k} opacity={dimmed}>
        {shape}
      </g>
    );
  };
  return runsLaid(items, ({ laid }) => laid).map(({ laid, of }, run) =>
    laid && !outline ? (
      <g key={run} opacity={laid.opacity} style={laid.blend && { mixBlendMode: laid.blend }}>
        {of.map(shapeOf)}
      </g>
    ) : (
      <Fragment key={run}>{of.map(shapeOf)}</Fragment>
    ),
  );
}

const writeOutline = (path: SVGPathElement, d: string): void => path.setAttribute('d', d);

/** One item of a scene, upright in its wedge. */
export const ItemShape = memo(function ItemShape(props: ItemProps) {
  const path = useOutline(props.item, writeOutline);
  return <path ref={path} {...itemLook(props)} transform={props.item.mirrored ? 'scale(-1 1)' : undefined} />;
});
