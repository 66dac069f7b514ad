/**
 * Copies that are a motif turned about the centre, as SVG markers: one path whose vertices all lie in the centre, each with the
 * direction of a copy, and the motif as its marker, which a browser turns to the direction of each vertex. It lays out and styles
 * the motif once instead of once a copy, so that a change to it is seen two to three times as soon.
 *
 * @example
 * const [front] = markedRuns(layer.copies); // d: 'M0 0C1 0 0 -1 0 0C0 1 0 -1 0 0' for two, a quarter turn apart
 * // <TurnedMark id="m">motif</TurnedMark> <MarkedPath id="m" d={front.d} />
 */
import { cosSin, type Turn } from '@/core/number';
import { remembered } from '@/core/remembered';
import type { SceneCopy, SceneLayer } from '@/core/scene';

/** True where all copies are the same items, turned and nothing else, and lie on what is below as they are. */
export const areTurnedAlone = remembered(
  ({ copies, items, blend = 'normal' }: SceneLayer): boolean =>
    blend === 'normal' &&
    items.every(({ laid }) => !laid) &&
    copies.every((copy) => !copy.items && !copy.transform && copy.opacity === undefined),
);

/**
 * The path of a marker for each of some turns, in their order: a cubic from the centre to the centre leaves it in one direction
 * and comes back in the next. Only its start and the vertices between are to be marked, not its end.
 */
export function markedPath(turns: readonly Turn[]): string {
  const ways = turns.map(cosSin);
  return ways
    .map((way, k) => {
      const next = ways[k + 1] ?? way;
      return `${k === 0 ? 'M0 0' : ''}C${way.cos} ${way.sin} ${-next.cos} ${-next.sin} 0 0`;
    })
    .join('');
}

/** So many copies at most are one path: a browser passes over a path beside what it paints, and not over a part of one. */
const AT_ONCE = 24;

/** The paths of markers for the copies of a layer, back to front, with how many of them each has. */
export const markedRuns = remembered(
  (copies: readonly SceneCopy[]): readonly { readonly d: string; readonly count: number }[] =>
    Array.from({ length: Math.ceil(copies.length / AT_ONCE) }, (_, run) => {
      const own = copies.slice(run * AT_ONCE, (run + 1) * AT_ONCE);
      return { d: markedPath(own.map(({ turn }) => turn)), count: own.length };
    }),
);
