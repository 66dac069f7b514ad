import { memo, type CSSProperties } from 'react';

import { degreesOf } from '@/core/number/turn';
import type { SceneCopy, SceneItem, SceneLayer } from '@/core/scene/scene';
import { ItemShape } from './sceneShapes';

function placeOf({ turn, shift }: SceneCopy): string {
  const rotated = `rotate(${degreesOf(turn)})`;
  return shift
    ? `${rotated} matrix(${shift.a} ${shift.b} ${shift.c} ${shift.d} ${shift.e} ${shift.f})`
    : rotated;
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

/** The copies of a motif. They refer to it, so that an edit to it leaves them as they are. */
const Copies = memo(function Copies({ id, copies, blend, reveal }: CopiesProps) {
  const own = new Map(ownMotifs(copies).map((items, k) => [items, `${id}-${k}`]));
  return copies.map((copy, k) => (
    <use
      key={k}
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
}: {
  readonly id: string;
  readonly items: readonly SceneItem[];
  readonly outline: boolean;
}) {
  return (
    <g id={id}>
      {items.map((item, k) => (
        <ItemShape key={k} item={item} outline={outline} />
      ))}
    </g>
  );
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
  return (
    <>
      <defs>
        <Motif id={id} items={layer.items} outline={outline} />
        {ownMotifs(layer.copies).map((items, k) => (
          <Motif key={k} id={`${id}-${k}`} items={items} outline={outline} />
        ))}
      </defs>
      <Copies id={id} copies={layer.copies} blend={outline ? undefined : layer.blend} reveal={reveal} />
    </>
  );
});
