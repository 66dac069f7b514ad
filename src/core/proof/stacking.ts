/**
 * Whether it shows that each copy of a layer lies over the one before it: where copies overlap in more than one colour, the last lies over
 * the first as none lies over the one after it, and the picture is not the same all round.
 */
import { type Affine, applyTo, inverse, type Point, similarityScale } from '@/core/curve';
import { isGradient } from '@/core/paint';
import { remembered } from '../remembered';
import { placedAt, type SceneCopy, type SceneItem, type SceneLayer } from '@/core/scene';
import { edgesOf, flatItem, isFilled, isStroked, type FlatItem } from './flat';

/** Polygons differ from curves by this share of an item's size, about: overlaps that are smaller do not show. */
const FLATNESS = 1e-3;

/** Edges are looked at in so many stretches across an item's size. */
const STRETCHES = 40;

/** All inks of a layer, one where it does not show what lies over what. */
function inksOf({ items }: SceneLayer): Set<unknown> {
  const inks = new Set<unknown>();
  for (const { paint } of items)
    for (const ink of [paint.fill, paint.stroke?.colour])
      // A run of colours differs from place to place.
      if (isGradient(ink)) inks.add(ink).add({});
      else if (ink) inks.add(ink);
  return inks;
}

const flatOf = (item: SceneItem): FlatItem => {
  const rough = flatItem(item, 1e-3);
  return flatItem(item, Math.max(1e-9, FLATNESS * rough.radius));
};

interface Placed {
  readonly item: SceneItem;
  readonly map: Affine;
  readonly flat: FlatItem;
}

/** The ink of a copy that is seen at a point of the figure where nothing lies over it; null beside it. */
function inkAt(copy: readonly Placed[], p: Point): unknown {
  for (let k = copy.length - 1; k >= 0; k -= 1) {
    const placed = copy[k];
    if (!placed) continue;
    const { item, flat } = placed;
    const { x, y } = applyTo(inverse(placed.map), p);
    if (Math.hypot(x - flat.middle.x, y - flat.middle.y) > flat.radius) continue;
    const { fill, stroke, behind } = item.paint;
    const inFill = fill !== null && isFilled(flat, item.rule, x, y);
    const inStroke = stroke !== null && isStroked(flat, x, y);
    if (inFill && (behind === true || !inStroke)) return isGradient(fill) ? {} : fill;
    if (inStroke) return isGradient(stroke.colour) ? {} : stroke.colour;
  }
  return null;
}

const reachesTo = (a: Placed, b: Placed): boolean => {
  const [own, other] = [applyTo(a.map, a.flat.middle), applyTo(b.map, b.flat.middle)];
  const scale = ({ map }: Placed): number => similarityScale(map) ?? Math.hypot(map.a, map.b, map.c, map.d);
  return Math.hypot(own.x - other.x, own.y - other.y) < a.flat.radius * scale(a) + b.flat.radius * scale(b);
};

/** True where a copy of a layer covers another one and that is seen. */
export const isStacked = remembered((layer: SceneLayer): boolean => {
  const [first, ...others] = layer.copies;
  if (!first || others.length === 0 || inksOf(layer).size < 2) return false;
  const flats = new Map<SceneItem, FlatItem>();
  const placed = (copy: SceneCopy): Placed[] =>
    placedAt(layer, copy).map(({ item, map }) => {
      const flat = flats.get(item) ?? flatOf(item);
      flats.set(item, flat);
      return { item, map, flat };
    });
  const own = placed(first);
  // Of a ring of copies those of half of it are over the first as the others are under it.
  return others.slice(0, Math.ceil(others.length / 2)).some((copy) => {
    const over = placed(copy);
    return over.some((each) => own.some((other) => reachesTo(each, other)) && isSeenOver(each, over, own));
  });
});

/** True where along the edges of an item another ink is seen than that of what lies under it. */
function isSeenOver({ item, flat, map }: Placed, over: readonly Placed[], under: readonly Placed[]): boolean {
  let isSeen = false;
  edgesOf(flat, item.paint.fill !== null, flat.radius / STRETCHES, (x, y, halfX, halfY) => {
    if (isSeen) return;
    // A little inward: what only touches covers nothing.
    const inward = (2 * FLATNESS * flat.radius) / (Math.hypot(halfX, halfY) || 1);
    for (const side of [1, -1]) {
      const p = applyTo(map, { x: x - side * halfY * inward, y: y + side * halfX * inward });
      const [above, below] = [inkAt(over, p), inkAt(under, p)];
      if (above !== null && below !== null && above !== below) isSeen = true;
    }
  });
  return isSeen;
}
