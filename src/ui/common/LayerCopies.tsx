import { memo, useLayoutEffect, useMemo, type CSSProperties } from 'react';

import { mapPath, matrixOf } from '@/core/curve';
import { degreesOf } from '@/core/number';
import { isGradient } from '@/core/paint';
import { remembered } from '@/core/remembered';
import { placedItems, type SceneCopy, type SceneItem, type SceneLayer } from '@/core/scene';
import { useOutline } from './drawnItems';
import { GradientDefs, gradientIds, Items, ItemShape, itemLook, type GradientIds } from './sceneShapes';
import { MarkedPath, TurnedMark } from './TurnedMark';
import { areTurnedAlone, markedRuns } from './turned';

function placeOf({ turn, transform }: SceneCopy): string {
  const rotated = `rotate(${degreesOf(turn)})`;
  return transform ? `${rotated} ${matrixOf(transform)}` : rotated;
}

function styleOf(blend: SceneLayer['blend'], delay: number | null): CSSProperties | undefined {
  if (delay === null && (!blend || blend === 'normal')) return undefined;
  return {
    ...(blend && blend !== 'normal' && { mixBlendMode: blend }),
    ...(delay !== null && { animationDelay: `${delay}s` }),
  };
}

interface CopiesProps {
  readonly id: string;
  readonly copies: readonly SceneCopy[];
  readonly blend: SceneLayer['blend'];
  readonly reveal: number;
}

/** Copies with items of their own use the motif made of those: numbered in the order in which they first come. */
function ownMotifs(copies: readonly SceneCopy[]): (readonly SceneItem[])[] {
  return [...new Set(copies.flatMap(({ items }) => (items ? [items] : [])))];
}

const Places = memo(function Places({
  copies,
  mirrored,
  blend,
}: {
  readonly copies: readonly SceneCopy[];
  readonly mirrored: boolean;
  readonly blend: SceneLayer['blend'];
}) {
  return copies.map((copy, k) => (
    <path
      key={k}
      data-copy={k}
      transform={mirrored ? `${placeOf(copy)} scale(-1 1)` : placeOf(copy)}
      opacity={copy.opacity}
      style={styleOf(blend, null)}
    />
  ));
});

function writeOutlines(group: SVGGElement, d: string): void {
  for (const path of group.children) path.setAttribute('d', d);
}

/**
 * The copies of a motif of one item, each drawn by itself: a browser shows an edit to them a third faster than one to what
 * many refer to, because what refers is built anew. Their common outline is set on all at once, past React, which would
 * compare hundreds of elements for it with every move of a drag.
 */
const Single = memo(function Single({
  item,
  copies,
  blend,
  outline,
  gradients,
}: {
  readonly gradients: GradientIds;
  readonly item: SceneItem;
  readonly copies: readonly SceneCopy[];
  readonly blend: SceneLayer['blend'];
  readonly outline: boolean;
}) {
  const group = useOutline(item, writeOutlines);
  const { d, vectorEffect, ...look } = itemLook({ item, outline, gradients });
  useLayoutEffect(() => {
    if (group.current && d) writeOutlines(group.current, d);
    for (const path of group.current?.children ?? []) {
      if (vectorEffect) path.setAttribute('vector-effect', 'non-scaling-stroke');
      else path.removeAttribute('vector-effect');
    }
  }, [group, d, vectorEffect, copies]);
  return (
    <g ref={group} {...look}>
      <Places copies={copies} mirrored={item.mirrored} blend={blend} />
    </g>
  );
});

/** The copies of a motif. They refer to it, so that an edit to it leaves them as they are. */
const Copies = memo(function Copies({ id, copies, blend, reveal }: CopiesProps) {
  const own = new Map(ownMotifs(copies).map((items, k) => [items, `${id}-${k}`]));
  return copies.map((copy, k) => (
    <use
      key={k}
      data-copy={k}
      href={`#${(copy.items && own.get(copy.items)) ?? id}`}
      transform={placeOf(copy)}
      opacity={copy.opacity}
      className={reveal > 0 ? 'revealed' : undefined}
      style={styleOf(blend, reveal > 0 ? (reveal * k) / copies.length : null)}
    />
  ));
});

const Motif = memo(function Motif({
  id,
  items,
  outline,
  gradients,
}: {
  readonly id: string;
  readonly items: readonly SceneItem[];
  readonly outline: boolean;
  readonly gradients: GradientIds;
}) {
  return (
    <g id={id}>
      <Items items={items} outline={outline} gradients={gradients} />
    </g>
  );
});

interface TurnedProps {
  readonly id: string;
  readonly copies: readonly SceneCopy[];
  readonly items: readonly SceneItem[];
  readonly gradients: GradientIds;
}

/** The vertices of the paths whose markers are a motif; they stay as they are when it changes. */
const Marked = memo(function Marked({ id, copies }: Pick<TurnedProps, 'id' | 'copies'>) {
  return markedRuns(copies).map(({ d, count }, k) => <MarkedPath key={k} id={id} d={d} count={count} />);
});

/** A motif turned about the centre, and nothing else. */
const TurnedCopies = memo(function TurnedCopies({ id, copies, items, gradients }: TurnedProps) {
  return (
    <>
      <defs>
        {gradients.size > 0 && <GradientDefs gradients={gradients} />}
        <TurnedMark id={id}>
          <Items items={items} outline={false} gradients={gradients} />
        </TurnedMark>
      </defs>
      <Marked id={id} copies={copies} />
    </>
  );
});

/** As many copies of a small thing as this are drawn as one path: a browser takes as long for each path as for what is in it. */
const MANY = 100;
const SMALL = 24;

/** All copies of a layer as one, where these are many, small, flat and do not overlap, as cells; null for others. */
const joined = remembered((layer: SceneLayer): SceneItem | null => {
  const { copies, items, blend = 'normal' } = layer;
  const [item, another] = items;
  if (
    !item ||
    another ||
    item.laid ||
    item.origin.of === 'shape' ||
    copies.length < MANY ||
    blend !== 'normal'
  )
    return null;
  const { paint, paths } = item;
  if (isGradient(paint.fill) || isGradient(paint.stroke?.colour)) return null;
  if (copies.some((copy) => copy.items ?? copy.opacity !== undefined)) return null;
  if (paths.reduce((sum, { segments }) => sum + segments.length, 0) > SMALL) return null;
  const all = placedItems(layer).flatMap(({ map }) => paths.map((path) => mapPath(path, map)));
  return { ...item, paths: all, mirrored: false };
});

interface Props {
  readonly layer: SceneLayer;
  readonly id: string;
  readonly outline: boolean;
  /** The copies come one after the other, over so many seconds; 0 shows them at once. */
  readonly reveal?: number;
}

/** A layer of the scene: its items once, and a use for each of its copies. */
export const LayerCopies = memo(function LayerCopies({ layer, id, outline, reveal = 0 }: Props) {
  const own = ownMotifs(layer.copies);
  const [item] = layer.items;
  const gradients = useMemo(
    () => gradientIds(id, [...layer.items, ...ownMotifs(layer.copies).flat()]),
    [id, layer],
  );
  const all = reveal === 0 ? joined(layer) : null;
  if (all) return <ItemShape item={all} outline={outline} gradients={gradients} />;
  // Lines as wide at every zoom are not the same in a marker in every browser.
  if (reveal === 0 && !outline && areTurnedAlone(layer))
    return <TurnedCopies id={id} copies={layer.copies} items={layer.items} gradients={gradients} />;
  const defs = gradients.size > 0 && !outline && <GradientDefs gradients={gradients} />;
  if (item && !item.laid && layer.items.length === 1 && own.length === 0 && reveal === 0) {
    const { copies, blend } = layer;
    return (
      <>
        {defs && <defs>{defs}</defs>}
        <Single
          item={item}
          copies={copies}
          blend={outline ? undefined : blend}
          outline={outline}
          gradients={gradients}
        />
      </>
    );
  }
  return (
    <>
      <defs>
        {defs}
        <Motif id={id} items={layer.items} outline={outline} gradients={gradients} />
        {own.map((items, k) => (
          <Motif key={k} id={`${id}-${k}`} items={items} outline={outline} gradients={gradients} />
        ))}
      </defs>
      <Copies id={id} copies={layer.copies} blend={outline ? undefined : layer.blend} reveal={reveal} />
    </>
  );
});
