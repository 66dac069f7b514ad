import { converter, formatHex, formatHex8 } from 'culori';

import { applyTo, middleOf, ORIGIN, type Point } from '@/core/curve';
import { degreesOf, type Turn } from '@/core/number';
import type { Colour, SceneCopy, SceneItem, SceneLayer } from '@/core/scene';
import { placementMap } from '@/core/symmetry';
import { mapPaint } from './fills';

/** Light on the facets of a round. */
export interface Light {
  /** Where it comes from, clockwise from straight up. */
  readonly from: Turn;
  /** How steep facets are: degrees from lying flat. */
  readonly depth: number;
  /**
   * What way a facet faces. out: away from the centre, as the sides of a dome · across: away from the axis of its copy, as the two
   * halves of a fold
   */
  readonly faces: 'out' | 'across';
}

const toLinear = converter('lrgb');

/** How high the light stands, in degrees from flat. */
const ELEVATION = 45;

/**
 * How bright a facet is against a flat one, by Lambert's cosine law (J. H. Lambert, Photometria, 1760): the cosine of the angle between
 * its normal and the light, over that of a flat one.
 * @param away degrees between the way that it faces and where the light comes from, both seen from above
 * @param depth degrees from lying flat
 */
export function brightnessOf(away: number, depth: number): number {
  const rad = Math.PI / 180;
  const lit =
    Math.cos(depth * rad) + (Math.sin(depth * rad) * Math.cos(away * rad)) / Math.tan(ELEVATION * rad);
  return Math.max(0, lit);
}

/** A colour in so many times the light; what is brighter than white is white. */
export function litColour(colour: Colour, brightness: number): Colour {
  const { r, g, b, alpha } = toLinear(colour) ?? { r: 0, g: 0, b: 0, alpha: 1 };
  const times = (x: number): number => Math.min(1, x * brightness);
  const lit = { mode: 'lrgb' as const, r: times(r), g: times(g), b: times(b), alpha: alpha ?? 1 };
  return (alpha ?? 1) < 1 ? formatHex8(lit) : formatHex(lit);
}

/** Less than this many degrees from an axis is on it. */
const ON_AXIS = 1e-3;

/** The way that something faces whose middle is at a point of the figure: degrees clockwise from straight up. */
export function facingOf(at: Point, fold: number, start: Turn, faces: Light['faces']): number {
  const direction = (Math.atan2(at.x, -at.y) * 180) / Math.PI;
  if (faces === 'out') return direction;
  const step = 360 / fold;
  const axis = Math.round((direction - degreesOf(start)) / step) * step + degreesOf(start);
  const off = direction - axis;
  return Math.abs(off) < ON_AXIS ? direction : axis + 90 * Math.sign(off);
}

/** A layer with each item of each copy as bright as the way that it faces makes it. */
export function withLight(layer: SceneLayer, light: Light, fold: number, start: Turn): SceneLayer {
  const made = new Map<string, readonly SceneItem[]>();
  const litItems = (copy: SceneCopy): readonly SceneItem[] => {
    const items = copy.items ?? layer.items;
    const tones = items.map(({ paths, mirrored }) => {
      const place = placementMap({ turn: copy.turn, transform: copy.transform ?? null, mirrored });
      const at = applyTo(place, middleOf(paths));
      const flat = at.x === ORIGIN.x && at.y === ORIGIN.y;
      const away = facingOf(at, fold, start, light.faces) - degreesOf(light.from);
      return flat ? 1 : Math.round(brightnessOf(away, light.depth) * 500) / 500;
    });
    // Copies that are lit alike share their items, so that they stay copies of one motif.
    const name = copy.items ? null : tones.join(' ');
    const known = name === null ? undefined : made.get(name);
    if (known) return known;
    const lit = items.map((item, k) => ({
      ...item,
      paint: mapPaint(item.paint, (colour) => litColour(colour, tones[k] ?? 1)),
    }));
    if (name !== null) made.set(name, lit);
    return lit;
  };
  return { ...layer, copies: layer.copies.map((copy) => ({ ...copy, items: litItems(copy) })) };
}
