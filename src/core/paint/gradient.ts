/**
 * Gradients: their stops, and where they run.
 *
 * @example
 * const { stops, index } = withStop(gradient.stops, 0.5);   // one more, of the colour that is there
 */
import { remembered } from '../remembered';
import { finding, type Finding } from '@/core/finding';
import { formatHex, formatHex8, interpolate } from 'culori';

import {
  type Affine,
  applyTo,
  type Bounds,
  boundsOfPaths,
  determinant,
  distance,
  inverse,
  lengthOf,
  MIRROR,
  type Point,
  similarityScale,
} from '@/core/curve';
import type { Fill, Gradient, GradientStop, Paint, SceneCopy, SceneItem, SceneLayer } from '@/core/scene';
import { placementMap } from '@/core/symmetry';
import { isGradient, mapFills } from './fills';
import { hasCircles, mappedRun, movedRun } from './run';

/** Why stops make no gradient: a sentence; null where they do. */
export function stopsProblem(stops: readonly GradientStop[]): Finding | null {
  if (stops.length < 2) return finding('gradient.stops');
  if (stops.some(({ at }) => !(at >= 0 && at <= 1))) return finding('gradient.range');
  if (stops.some(({ at }, k) => at < (stops[k - 1]?.at ?? 0))) return finding('gradient.order');
  return null;
}

/** Half way between two colours as SVG mixes them: in sRGB, opacity apart. */
const halfWay = (a: string, b: string): string => formatHex8(interpolate([a, b], 'rgb')(0.5));

/** Stops as SVG knows them: a middle that is not in the middle becomes a stop of its own there. */
export function plainStops(stops: readonly GradientStop[]): GradientStop[] {
  return stops.flatMap(({ at, colour, middle = 0.5 }, k) => {
    const next = stops[k + 1];
    const own = { at, colour };
    if (!next || middle === 0.5) return [own];
    return [own, { at: at + (next.at - at) * middle, colour: halfWay(colour, next.colour) }];
  });
}

/** One more stop, at a share of the way from start to end, in the colour that is there: what the gradient looks like stays the same. */
export function withStop(
  stops: readonly GradientStop[],
  share: number,
): { stops: GradientStop[]; index: number } {
  const after = stops.findIndex(({ at }) => at > share);
  const [a, b] = [stops[after - 1], stops[after]];
  // A middle that is aside is none of the two stretches that are made of one: it becomes a stop of its own.
  const stretch = a && b ? plainStops([a, b]).slice(0, -1) : [];
  const all = a && b ? [...stops.slice(0, after - 1), ...stretch, ...stops.slice(after)] : [...stops];
  const next = all.findIndex(({ at }) => at > share);
  const index = next < 0 ? all.length : next;
  const [before, beyond] = [all[index - 1] ?? all[0], all[index] ?? all[all.length - 1]];
  if (!before || !beyond) return { stops: all, index: 0 };
  const span = beyond.at - before.at;
  const mixed = interpolate([before.colour, beyond.colour], 'rgb')(span > 0 ? (share - before.at) / span : 0);
  const colour = (mixed.alpha ?? 1) < 1 ? formatHex8(mixed) : formatHex(mixed);
  return { stops: [...all.slice(0, index), { at: share, colour }, ...all.slice(index)], index };
}

/** The stops from the end to the start. */
export const reversedStops = (stops: readonly GradientStop[]): GradientStop[] =>
  stops
    .map(({ at, colour }, k) => {
      const middle = stops[k - 1]?.middle;
      return { at: 1 - at, colour, ...(middle !== undefined && { middle: 1 - middle }) };
    })
    .reverse();

/** Start and end that run over a box from top to bottom, or from its middle to its farthest corner. */
export function endsOver(kind: Gradient['kind'], { left, right, top, bottom }: Bounds): [Point, Point] {
  const middle = { x: (left + right) / 2, y: (top + bottom) / 2 };
  if (kind === 'radial') return [middle, { x: right, y: middle.y }];
  return [
    { x: middle.x, y: top },
    { x: middle.x, y: bottom },
  ];
}

const inBox = ({ x, y }: Point, { left, right, top, bottom }: Bounds): Point => ({
  x: left + x * (right - left),
  y: top + y * (bottom - top),
});

const moved = (gradient: Gradient, change: (p: Point) => Point): Gradient => ({
  ...movedRun(gradient, change),
  spread: 'copy',
});

/** A gradient turned, moved, scaled and sheared with what it paints. */
const mappedGradient = (gradient: Gradient, m: Affine): Gradient => ({
  ...mappedRun(gradient, m),
  spread: 'copy',
});

/** True where every copy sees the same: rings about the centre. */
export const isRound = (gradient: Gradient): boolean =>
  gradient.kind === 'radial' &&
  lengthOf(gradient.from) <= 1e-9 * distance(gradient.from, gradient.to) &&
  hasCircles(gradient);

/** True where copies see different parts of a gradient. */
const isAcross = (fill: Fill | null | undefined): fill is Gradient =>
  isGradient(fill) && (fill.spread === 'round' || fill.spread === 'page');

/** A gradient in the coordinates of an item. @param place where the item's copy stands, for one across copies */
function settled(gradient: Gradient, item: SceneItem, box: () => Bounds, place: Affine | null): Gradient {
  switch (gradient.spread) {
    case 'round':
    case 'page':
      return place ? mappedGradient(gradient, inverse(place)) : moved(gradient, (p) => p);
    case 'cell': {
      const flip = gradient.straight && item.mirrored;
      return moved(gradient, (p) => inBox(flip ? { x: 1 - p.x, y: p.y } : p, box()));
    }
    default:
      return moved(gradient, (p) => (gradient.straight && item.mirrored ? applyTo(MIRROR, p) : p));
  }
}

function settledItem(item: SceneItem, copy: SceneCopy | null): SceneItem {
  const { fill, stroke } = item.paint;
  if (!isGradient(fill) && !isGradient(stroke?.colour)) return item;
  let known: Bounds | null = null;
  const box = (): Bounds => (known ??= boundsOfPaths(item.paths));
  const place =
    copy && placementMap({ turn: copy.turn, transform: copy.transform ?? null, mirrored: item.mirrored });
  const settle = (each: Fill): Fill => (isGradient(each) ? settled(each, item, box, place) : each);
  return { ...item, paint: mapFills(item.paint, settle) };
}

/** True where an item looks another on each copy. */
const differs = ({ paint: { fill, stroke } }: SceneItem, copies: readonly SceneCopy[]): boolean =>
  [fill, stroke?.colour].some(
    (each) => isAcross(each) && (!isRound(each) || copies.some(({ transform }) => transform)),
  );

/**
 * A layer whose gradients all stand in the coordinates of their items, as SVG's `userSpaceOnUse`: those across copies are given to each
 * copy as it sees them. The same object for the same layer, so that what is drawn of it stays.
 */
export const withSettledGradients = remembered((layer: SceneLayer): SceneLayer => {
  const { items, copies } = layer;
  const all = [...items, ...copies.flatMap((copy) => copy.items ?? [])];
  if (!all.some(({ paint: { fill, stroke } }) => isGradient(fill) || isGradient(stroke?.colour)))
    return layer;
  const settledOnce = new Map<readonly SceneItem[], readonly SceneItem[]>();
  const settleAll = (list: readonly SceneItem[]): readonly SceneItem[] => {
    const known = settledOnce.get(list) ?? list.map((item) => settledItem(item, null));
    settledOnce.set(list, known);
    return known;
  };
  if (!all.some((item) => differs(item, copies)))
    return {
      ...layer,
      items: settleAll(items),
      copies: copies.map((copy) => (copy.items ? { ...copy, items: settleAll(copy.items) } : copy)),
    };
  const each = copies.map((copy) => ({
    ...copy,
    items: (copy.items ?? items).map((item) => settledItem(item, copy)),
  }));
  return { ...layer, items: each[0]?.items ?? settleAll(items), copies: each };
});

/** A paint as it is on what is moved, turned or scaled; its gradients stand in the same coordinates. */
export function placedPaint(paint: Paint, m: Affine): Paint {
  const scale = Math.sqrt(Math.abs(determinant(m)));
  const sized = (length: number): number => (Math.abs(scale - 1) < 1e-9 ? length : length * scale);
  const { stroke, ...rest } = mapFills(paint, (fill) => (isGradient(fill) ? mappedGradient(fill, m) : fill));
  return {
    ...rest,
    stroke: stroke && {
      ...stroke,
      width: sized(stroke.width),
      ...(stroke.dashes && { dashes: stroke.dashes.map(sized) }),
    },
  };
}

/** A gradient in shares of a box that is stretched to other sides: turned rings become ellipses, slanted runs keep their lines. */
function stretchedInBox(gradient: Gradient, m: Affine, box: Bounds): Gradient {
  const [wide, high] = [box.right - box.left, box.bottom - box.top];
  if (!(wide > 0 && high > 0) || similarityScale(m) !== null) return gradient;
  const real = movedRun(gradient, (p) => inBox(p, box));
  const corner = applyTo(m, { x: box.left, y: box.top });
  return movedRun(mappedRun(real, m), ({ x, y }) => ({
    x: (x - corner.x) / (m.a * wide),
    y: (y - corner.y) / (m.d * high),
  }));
}

/** True for a map that leaves what is upright so: a box stays a box, its upper left corner the same one. */
const keepsUpright = ({ a, b, c, d }: Affine): boolean => {
  const small = 1e-12 * (Math.abs(a) + Math.abs(d));
  return a > 0 && d > 0 && Math.abs(b) <= small && Math.abs(c) <= small;
};

/**
 * The paint of a shape that is mapped: a gradient over each cell, which is in shares of its upright box, is turned, reflected and
 * sheared with it, where the map does that, and stands in motif coordinates from then on.
 * @param box the shape's, before
 */
export const turnedPaint = (paint: Paint, m: Affine, box: () => Bounds): Paint =>
  mapFills(paint, (fill) => {
    if (!isGradient(fill) || fill.spread !== 'cell') return fill;
    return keepsUpright(m)
      ? stretchedInBox(fill, m, box())
      : { ...moved(fill, (p) => inBox(p, box())), spread: 'selection' };
  });

/**
 * The paint of a shape that changes its place in the motif: a gradient over a selection goes with each shape of it, one over the copy
 * where the whole motif goes. Lengths of the stroke stay.
 */
export const carriedPaint = (paint: Paint, m: Affine, whole: boolean): Paint =>
  mapFills(paint, (fill) =>
    isGradient(fill) && (fill.spread === 'selection' || (whole && fill.spread === 'copy'))
      ? { ...mappedGradient(fill, m), spread: fill.spread }
      : fill,
  );
