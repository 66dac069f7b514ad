import { memo } from 'react';

import { degreesOf, type Turn } from '@/core/number/turn';
import type { SceneLayer } from '@/core/scene/scene';
import { ItemShape } from './sceneShapes';

interface CopiesProps {
  readonly href: string;
  readonly turns: readonly Turn[];
}

/** The copies of one motif. They refer to it, so that an edit to it leaves them as they are. */
const Copies = memo(function Copies({ href, turns }: CopiesProps) {
  return turns.map((t) => (
    <use key={`${t.num}/${t.den}`} href={href} transform={`rotate(${degreesOf(t)})`} />
  ));
});

interface Props {
  readonly layer: SceneLayer;
  readonly id: string;
  readonly outline: boolean;
}

/** A layer of the scene: its items once, and a use at each of its turns. */
export const LayerCopies = memo(function LayerCopies({ layer, id, outline }: Props) {
  return (
    <>
      <defs>
        <g id={id}>
          {layer.items.map((item, k) => (
            <ItemShape key={k} item={item} outline={outline} />
          ))}
        </g>
      </defs>
      <Copies href={`#${id}`} turns={layer.turns} />
    </>
  );
});
