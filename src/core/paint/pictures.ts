/**
 * Items that belong together: those that are laid as one, and those that are one picture shown at a place.
 *
 * @example
 * for (const { shown, items } of picturesIn(motif)) if (shown) use(shown.of, shown.map); else draw(items);
 */
import isEqual from 'fast-deep-equal';

import type { Laid, SceneItem, Shown } from '@/core/scene';
import { placedPaint } from './gradient';

/** Things in runs that are laid as one; those that just cover, one by one or together, have none. */
export function runsLaid<T>(
  list: readonly T[],
  laidOf: (each: T) => Laid | undefined,
): { readonly laid: Laid | undefined; readonly of: T[] }[] {
  const runs: { laid: Laid | undefined; of: T[] }[] = [];
  for (const each of list) {
    const last = runs[runs.length - 1];
    if (last && last.laid === laidOf(each)) last.of.push(each);
    else runs.push({ laid: laidOf(each), of: [each] });
  }
  return runs;
}

interface Run {
  /** The picture that the items are; null where they are drawn as they are. */
  readonly shown: Shown | null;
  readonly items: readonly SceneItem[];
}

/** Items of a motif as pictures that are shown more than once in it, and runs of others that are laid as one. */
export function picturesIn(items: readonly SceneItem[]): Run[] {
  const places = new Map<readonly SceneItem[], Set<Shown>>();
  for (const { shown } of items)
    if (shown) places.set(shown.of, (places.get(shown.of) ?? new Set()).add(shown));
  const runs: Run[] = [];
  let plain: SceneItem[] = [];
  const close = (): void => {
    for (const { of } of runsLaid(plain, ({ laid }) => laid)) runs.push({ shown: null, items: of });
    plain = [];
  };
  for (let k = 0; k < items.length;) {
    const item = items[k] as SceneItem;
    const { shown } = item;
    const own = shown ? items.slice(k, k + shown.of.length) : [];
    if (shown && (places.get(shown.of)?.size ?? 0) > 1 && isPictureOf(shown, own)) {
      close();
      runs.push({ shown, items: own });
      k += own.length;
    } else {
      plain.push(item);
      k += 1;
    }
  }
  close();
  return runs;
}

/** True where items are a picture as it is, moved, turned and scaled: nothing of it was painted anew since. */
const isPictureOf = ({ of, map }: Shown, items: readonly SceneItem[]): boolean =>
  items.length === of.length &&
  items.every(({ shown, paint, mirrored }, k) => {
    const [first] = items;
    return (
      shown === first?.shown &&
      mirrored === first?.mirrored &&
      of[k] !== undefined &&
      isEqual(paint, placedPaint(of[k].paint, map))
    );
  });
