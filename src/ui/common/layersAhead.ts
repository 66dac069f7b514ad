import { isGradient, isOpaque } from '@/core/paint';
import { type SceneLayer, weightOf } from '@/core/scene';

/** More segments, in all copies, take the page too long: the worker's picture is waited for. */
const MOST = 6000;

/** A layer in one colour that hides what is below it, as it then may be laid over the former one. */
function isCover({ items, copies, blend = 'normal' }: SceneLayer): boolean {
  return (
    blend === 'normal' &&
    copies.every(({ opacity }) => opacity === undefined) &&
    items.every(({ paint: { fill, stroke } }) => fill && !isGradient(fill) && isOpaque(fill) && !stroke)
  );
}

/**
 * What of cells can be laid over a picture of former ones until a worker has drawn theirs: those that are new among them, where they are few
 * and hide what they were.
 * @returns nothing where that would not show what is to be seen
 */
export function layersAhead(
  wanted: readonly SceneLayer[],
  drawn: readonly SceneLayer[] | null,
): readonly SceneLayer[] {
  if (!drawn || wanted === drawn) return [];
  const had = new Set(drawn);
  const ahead = wanted.filter((layer) => !had.has(layer));
  return weightOf(ahead) <= MOST && ahead.every(isCover) ? ahead : [];
}
