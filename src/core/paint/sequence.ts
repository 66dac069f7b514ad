import { formatHex, formatHex8, interpolate } from 'culori';

import { remembered } from '../remembered';
import { lengthOf, type Point } from '@/core/curve';
import type { Colour } from '@/core/scene';

/** Something that gets a colour by where it lies: a cell, or a shape. Lengths in the figure's unit, from the centre. */
export interface PlacedRegion {
  /** Its middle. */
  readonly at: Point;
  readonly inner: number;
  readonly outer: number;
  /** How many copies cover it. */
  readonly depth: number;
}

/**
 * What decides a colour. ring: from the centre to the rim · sector: in turn around, clockwise from straight up · overlap: how
 * often covered · distance and direction: of the middle, in even steps or none.
 */
export const COLOUR_BY = ['ring', 'sector', 'overlap', 'distance', 'direction'] as const;

export interface ColourPlan {
  readonly by: (typeof COLOUR_BY)[number];
  /** One at least. In sectors they repeat; otherwise they are the stops of a ramp. */
  readonly colours: readonly Colour[];
  /** By how many sectors each ring goes on from the one inside it. */
  readonly shift: number;
}

/** The colours of a ramp of evenly spaced ones, by the share of the way through; mixed in OKLab (CSS Color 4, section 12). */
function rampOf(colours: readonly Colour[]): (share: number) => Colour {
  const [only = '#000000'] = colours;
  if (colours.length < 2) return () => only;
  const mix = interpolate([...colours], 'oklab');
  const made = new Map<number, Colour>();
  return (share) => {
    const at = Math.min(1, Math.max(0, share)) * (colours.length - 1);
    const k = Math.round(at);
    // On a stop it is that colour to the bit.
    if (Math.abs(at - k) < 1e-9) return colours[k] ?? only;
    const known = made.get(at);
    if (known) return known;
    const mixed = mix(at / (colours.length - 1));
    const colour = (mixed.alpha ?? 1) < 1 ? formatHex8(mixed) : formatHex(mixed);
    made.set(at, colour);
    return colour;
  };
}

/** The colour at a share of the way through evenly spaced ones. */
export const rampColour = (colours: readonly Colour[], share: number): Colour => rampOf(colours)(share);

/** Less than this apart, as a share of the greatest distance, is the same distance. */
const SAME = 0.005;

/** The clockwise direction of a point from straight up, in turns from 0 to 1; 0 for the centre. */
export function directionOf({ x, y }: Point): number {
  const turns = Math.atan2(x, -y) / (2 * Math.PI);
  return turns < -1e-9 ? turns + 1 : Math.max(0, turns);
}

function findRings(places: readonly PlacedRegion[]): readonly number[] {
  const far = places.reduce((most, { outer }) => Math.max(most, outer), 1e-9);
  const same = (a: number, b: number): boolean => Math.abs(a - b) <= SAME * far;
  const rings: { readonly place: PlacedRegion; readonly r: number }[] = [];
  const order = places
    .map((place, k) => ({ place, k, r: lengthOf(place.at) }))
    .sort((a, b) => a.r - b.r || a.place.inner - b.place.inner);
  const found = new Array<number>(places.length).fill(0);
  for (const { place, k, r } of order) {
    // Those that lie as far out are the latest.
    let ring = rings.length - 1;
    for (; ring >= 0; ring -= 1) {
      const each = rings[ring];
      if (!each || !same(each.r, r)) ring = 0;
      else if (same(each.place.inner, place.inner) && same(each.place.outer, place.outer)) break;
    }
    if (ring < 0) ring = rings.push({ place, r }) - 1;
    found[k] = ring;
  }
  return found;
}

/**
 * The ring that each place is in, from 0 at the centre: those that begin and end at the same distances, and lie as far out, are one.
 * Found once for the same list.
 */
export const ringsOfPlaces = remembered(findRings);

const spread = (values: readonly number[]): ((value: number) => number) => {
  let [least, most] = [Infinity, -Infinity];
  for (const value of values) {
    least = Math.min(least, value);
    most = Math.max(most, value);
  }
  return (value) => (most > least ? (value - least) / (most - least) : 0);
};

/** The colour of each place by a plan. @throws RangeError for a plan without colours */
export function coloursOfPlaces(places: readonly PlacedRegion[], plan: ColourPlan): Colour[] {
  const { colours } = plan;
  const [first] = colours;
  if (first === undefined) throw new RangeError('Choose one colour at least.');
  const ramp = rampOf(colours);
  switch (plan.by) {
    case 'ring': {
      const rings = ringsOfPlaces(places);
      const share = spread(rings);
      return rings.map((ring) => ramp(share(ring)));
    }
    case 'overlap': {
      const depths = [...new Set(places.map(({ depth }) => depth))].sort((a, b) => a - b);
      const share = spread(depths.map((_, k) => k));
      return places.map(({ depth }) => ramp(share(depths.indexOf(depth))));
    }
    case 'distance': {
      const distances = places.map(({ at }) => lengthOf(at));
      const share = spread(distances);
      return distances.map((distance) => ramp(share(distance)));
    }
    case 'direction': {
      // Once round the ramp comes back to where it began.
      const around = rampOf([...colours, first]);
      return places.map(({ at }) => around(directionOf(at)));
    }
    case 'sector':
      return sectorColours(places, plan);
  }
}

function sectorColours(places: readonly PlacedRegion[], { colours, shift }: ColourPlan): Colour[] {
  const rings = ringsOfPlaces(places);
  const made = new Array<Colour>(places.length);
  const rank = new Map<number, { k: number; direction: number }[]>();
  places.forEach(({ at }, k) => {
    const ring = rings[k] ?? 0;
    const row = rank.get(ring) ?? [];
    rank.set(ring, row);
    row.push({ k, direction: directionOf(at) });
  });
  const n = colours.length;
  for (const [ring, members] of rank) {
    members
      .sort((a, b) => a.direction - b.direction)
      .forEach(({ k }, place) => {
        const turn = (((place + shift * ring) % n) + n) % n;
        made[k] = colours[Math.floor(turn)] ?? (colours[0] as Colour);
      });
  }
  return made;
}
