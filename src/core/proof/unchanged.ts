/**
 * Where a picture is as an earlier one was: what was found there need not be looked for again.
 *
 * @example
 * const unchanged = unchangedIn(before, now);
 * unchanged?.isAt(3, -40, 0.5); // true: nothing within 0.5 of it is drawn otherwise than it was
 */
import type { DrawnPicture } from './picture';

export interface Unchanged {
  /** True where nothing within reach of a place changed. */
  isAt(x: number, y: number, reach: number): boolean;
  /** The number that a piece of the earlier picture has now. */
  pieceOf(before: number): number | undefined;
}

type Layers = DrawnPicture['pieces'][number]['layer'];

const layersOf = ({ pieces }: DrawnPicture): Set<Layers> => new Set(pieces.map(({ layer }) => layer));

/** True where what both pictures have lies in the same order in them. */
function sameOrder(a: ReadonlySet<unknown>, b: ReadonlySet<unknown>): boolean {
  const common = [...a].filter((each) => b.has(each));
  const others = [...b].filter((each) => a.has(each));
  return common.every((each, k) => each === others[k]);
}

/** How near to the centre and how far from it pieces are, as bands that do not touch. */
function bandsOf(pieces: DrawnPicture['pieces'], others: ReadonlySet<Layers>): [number, number][] {
  const own = pieces
    .filter(({ layer }) => !others.has(layer))
    .map(({ flat, map }): [number, number] => {
      const { x, y } = flat.middle;
      const far = Math.hypot(map.a * x + map.c * y + map.e, map.b * x + map.d * y + map.f);
      const reach = flat.radius * Math.hypot(map.a, map.b, map.c, map.d);
      return [far - reach, far + reach];
    });
  return merged(own);
}

function merged(bands: readonly [number, number][]): [number, number][] {
  const made: [number, number][] = [];
  for (const [inner, outer] of [...bands].sort(([a], [b]) => a - b)) {
    const last = made[made.length - 1];
    if (last && inner <= last[1]) last[1] = Math.max(last[1], outer);
    else made.push([inner, outer]);
  }
  return made;
}

/** Where two pictures are alike; null where they cannot be compared place by place. */
export function unchangedIn(before: DrawnPicture, now: DrawnPicture): Unchanged | null {
  if (before.fold !== now.fold || before.blur !== now.blur) return null;
  if (before.colours[before.page] !== now.colours[now.page]) return null;
  const [layersBefore, layersNow] = [layersOf(before), layersOf(now)];
  if (!sameOrder(layersBefore, layersNow)) return null;
  const bands = merged([...bandsOf(before.pieces, layersNow), ...bandsOf(now.pieces, layersBefore)]);
  const places = new Map(now.pieces.map((piece, k) => [piece.copy, new Map([[piece.item, k]])]));
  now.pieces.forEach(({ copy, item }, k) => places.get(copy)?.set(item, k));
  return {
    isAt: (x, y, reach) => {
      const far = Math.hypot(x, y);
      return bands.every(([inner, outer]) => far + reach < inner || far - reach > outer);
    },
    pieceOf: (piece) => {
      const known = before.pieces[piece];
      return known && places.get(known.copy)?.get(known.item);
    },
  };
}
