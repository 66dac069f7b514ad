/**
 * What of a scene stands still while some shapes are in hand, so that a pane can keep a picture of it and draw the rest alone.
 *
 * @example
 * partsInHand(layers, { roundId: 'r', shapeIds: new Set(['petal']) });
 * // [{ still: true, layers: [rounds behind, shapes that it never meets] }, { still: false, layers: [the petal's copies] }, …]
 */
import { remembered } from '../remembered';
import { type Reach, reachOf } from '@/core/symmetry';
import type { SceneItem, SceneLayer } from './scene';

/** Layers that lie together, back to front. */
export interface ScenePart {
  readonly still: boolean;
  readonly layers: readonly SceneLayer[];
}

export interface InHand {
  readonly roundId: string;
  readonly shapeIds: ReadonlySet<string>;
}

/** Of fewer segments, all copies counted, no picture is kept: they are drawn at once as soon. */
const MANY = 3000;

const NOWHERE: Reach = { inner: 0, outer: Infinity };

interface ReachedItem extends Reach {
  readonly item: SceneItem;
}

/** An item, and between which distances from the centre it lies with its stroke, wherever it is turned. */
const reached = remembered((item: SceneItem): ReachedItem => ({ item, ...reachOfItem(item) }));

function reachOfItem({ paths, paint }: SceneItem): Reach {
  const reach = reachOf(paths);
  if (!reach) return NOWHERE;
  const { stroke } = paint;
  const miter = stroke?.join === 'miter' ? (stroke.limit ?? 4) : 1;
  const half = stroke ? (stroke.width / 2) * Math.max(miter, Math.SQRT2) : 0;
  return { inner: reach.inner - half, outer: reach.outer + half };
}

const isInHand = ({ origin }: SceneItem, { shapeIds }: InHand): boolean =>
  origin.of === 'shape' && shapeIds.has(origin.shapeId);

/**
 * The items that no copy of anything in hand lies over or under, nor of what lies over or under that: their reaches, joined where they
 * overlap, are apart from its own. So it does not matter which of both are drawn first.
 */
function apartFrom(items: readonly SceneItem[], hand: InHand): ReadonlySet<SceneItem> {
  const reaches = items.map(reached).sort((a, b) => a.inner - b.inner);
  const apart = new Set<SceneItem>();
  let together: SceneItem[] = [];
  let [outer, held] = [-Infinity, false];
  const close = (): void => {
    if (!held) for (const item of together) apart.add(item);
    [together, outer, held] = [[], -Infinity, false];
  };
  for (const each of reaches) {
    if (each.inner > outer) close();
    together.push(each.item);
    outer = Math.max(outer, each.outer);
    held ||= isInHand(each.item, hand);
  }
  close();
  return apart;
}

/** True where all copies are the same items, turned: what is between two distances in one is so in all. */
const isPlain = ({ copies, items, relief }: SceneLayer): boolean =>
  !relief &&
  copies.every((copy) => !copy.transform && !copy.items) &&
  items.every(({ laid }) => laid === undefined);

const sameItems = (a: readonly SceneItem[], b: readonly SceneItem[]): boolean =>
  a.length === b.length && a.every((item, k) => item === b[k]);

const lastStill = new WeakMap<SceneLayer['copies'], SceneLayer>();

/** A layer of some items of another; the same object as the last one with the same items and copies. */
function stillLayer(layer: SceneLayer, items: readonly SceneItem[]): SceneLayer {
  const before = lastStill.get(layer.copies);
  if (before?.roundId === layer.roundId && before.blend === layer.blend && sameItems(before.items, items))
    return before;
  const made = { ...layer, items };
  lastStill.set(layer.copies, made);
  return made;
}

const lastSplits = new WeakMap<SceneLayer, { readonly hand: InHand; readonly parts: readonly ScenePart[] }>();

/** A layer in what stands still and what does not, either of which may be missing; found once for all panes that show both. */
function split(layer: SceneLayer, hand: InHand): readonly ScenePart[] {
  const known = lastSplits.get(layer);
  if (known?.hand === hand) return known.parts;
  const parts = splitNow(layer, hand);
  lastSplits.set(layer, { hand, parts });
  return parts;
}

function splitNow(layer: SceneLayer, hand: InHand): ScenePart[] {
  if (layer.roundId !== hand.roundId || !layer.items.some((item) => isInHand(item, hand)))
    return [{ still: layer.roundId !== hand.roundId || isOfShapes(layer), layers: [layer] }];
  if (!isPlain(layer) || layer.items.every((item) => isInHand(item, hand)))
    return [{ still: false, layers: [layer] }];
  const apart = apartFrom(layer.items, hand);
  const still = layer.items.filter((item) => apart.has(item));
  if (still.length === 0) return [{ still: false, layers: [layer] }];
  const live = layer.items.filter((item) => !apart.has(item));
  return [
    { still: true, layers: [stillLayer(layer, still)] },
    { still: false, layers: [{ ...layer, items: live }] },
  ];
}

/** Outlines and cells change with the shapes that they were made from. */
const isOfShapes = ({ items }: SceneLayer): boolean => items.every(({ origin }) => origin.of === 'shape');

/** Pictures of their own would not be laid on one another as one is. */
const isBlended = ({ blend = 'normal', items }: SceneLayer): boolean =>
  blend !== 'normal' || items.some(({ laid }) => laid?.blend !== undefined);

const segmentsOf = remembered((items: readonly SceneItem[]): number =>
  items.reduce((sum, { paths }) => paths.reduce((all, { segments }) => all + segments.length, sum), 0),
);

/** How many segments layers have, all copies counted: what drawing them takes grows with it. */
const weightOf = (layers: readonly SceneLayer[]): number =>
  layers.reduce((sum, { copies, items }) => sum + copies.length * segmentsOf(items), 0);

/** True for what takes so long to draw that a picture of it is worth its memory. */
export const isMuch = (layers: readonly SceneLayer[]): boolean => weightOf(layers) >= MANY / 2;

/** Parts with those in one that lie together and are alike. */
function joined(parts: readonly ScenePart[]): ScenePart[] {
  const runs: { still: boolean; layers: SceneLayer[] }[] = [];
  for (const { still, layers } of parts) {
    const last = runs[runs.length - 1];
    if (last?.still === still) last.layers.push(...layers);
    else runs.push({ still, layers: [...layers] });
  }
  return runs;
}

/**
 * Layers in parts, back to front, that are drawn one by one: together they are the same picture. What stands still and is not much is
 * part of the rest.
 */
export function partsInHand(layers: readonly SceneLayer[], hand: InHand | null): readonly ScenePart[] {
  if (!hand || hand.shapeIds.size === 0 || weightOf(layers) < MANY || layers.some(isBlended))
    return [{ still: false, layers }];
  const parts = joined(layers.flatMap((layer) => split(layer, hand)));
  return joined(parts.map(({ still, layers: own }) => ({ still: still && isMuch(own), layers: own })));
}
