/**
 * Bending: where the points of a straight strip go when it is wrapped on a ring or bowed along an arc. The map of the plain wrap is
 * (x, y) → (ρ + y, x/ρ) in distance and angle from the centre; swell, taper, wave and twist come before it.
 *
 * @example
 * const bend = { ...plainBend({ left: 0, right: 40, top: -10, bottom: 0 }, turn(1, 5)), radius: 50 };
 * const bent = bentPaths(drawing, bend, 0.001);      // core/bend/bentPaths
 */
import type { Point } from '@/core/curve';
import { finding, type Finding } from '@/core/finding';
import {
  addTurns,
  cosSin,
  degreesOf,
  divideTurn,
  negateTurn,
  NO_TURN,
  radiansOf,
  type Turn,
} from '@/core/number';

/** Which part of a straight drawing is one unit of a strip: y runs down, as in a motif. What is outside reaches over its neighbours. */
export interface Strip {
  readonly left: number;
  readonly right: number;
  readonly top: number;
  readonly bottom: number;
}

/** Wrapped: what runs across points to the centre. Bowed: only the height follows the arc, and what is upright stays upright. */
export const BEND_WAYS = ['wrap', 'bow'] as const;

/** Lengths in the figure's unit. */
export interface Bend {
  readonly how: (typeof BEND_WAYS)[number];
  readonly strip: Strip;
  /** How often the strip stands side by side. */
  readonly units: number;
  /** From the centre to the middle line. */
  readonly radius: number;
  /** From the strip's lower edge to its upper, where it is bent. */
  readonly height: number;
  /** How much of a full turn it takes, from end to end. */
  readonly span: Turn;
  /** Where its middle is, clockwise from straight up. */
  readonly middle: Turn;
  /** By how much it is longer than that along its middle line, half of it at each end. */
  readonly overlap: number;
  /** Which way the strip's upper edge looks; inward the strip is turned by half a turn, not reflected. */
  readonly up: 'out' | 'in';
  /** True where it runs the other way round, as its mirror image. */
  readonly mirrored: boolean;
  /** By how much it is higher in the middle than at the ends, as a share; below 0 narrower. */
  readonly swell: number;
  /** By how much it is lower at its end than where it begins, as a share. */
  readonly taper: number;
  /** How far its middle line goes out and in, and how often. */
  readonly wave: number;
  readonly waves: number;
  /** How far the outer edge is turned against the inner one, in degrees clockwise. */
  readonly twist: number;
}

export const MOST_UNITS = 720;
export const MOST_WAVES = 720;
/** Largest share of swell and taper, and largest twist, in degrees. */
export const MOST_SWELL = 10;
export const MOST_TWIST = 360;

export const stripLength = ({ left, right }: Strip): number => right - left;
const stripHeight = ({ top, bottom }: Strip): number => bottom - top;

/** A bend without swell, taper, wave or twist: as high as the strip, and as long along its middle line. */
export function plainBend(strip: Strip, span: Turn): Bend {
  return {
    how: 'wrap',
    strip,
    units: 1,
    radius: stripLength(strip) / radiansOf(span),
    height: stripHeight(strip),
    span,
    middle: NO_TURN,
    overlap: 0,
    up: 'out',
    mirrored: false,
    swell: 0,
    taper: 0,
    wave: 0,
    waves: 3,
    twist: 0,
  };
}

/** True where lines along the strip become arcs about the centre. */
export const isPlainBend = ({ swell, taper, wave, twist }: Bend): boolean =>
  swell === 0 && taper === 0 && wave === 0 && twist === 0;

/** How long the bent strip is along its middle line. */
export const bentLength = ({ radius, span, overlap }: Bend): number => radius * radiansOf(span) + overlap;

/** How many times as long each unit is when it is bent, along the middle line. */
export const stretchOf = (bend: Bend): number => bentLength(bend) / (bend.units * stripLength(bend.strip));

/** How many units come nearest to their own proportions at a bend's radius and height. */
export const fittingUnits = (bend: Bend): number =>
  Math.min(
    MOST_UNITS,
    Math.max(
      1,
      Math.round(bentLength(bend) / (stripLength(bend.strip) * (bend.height / stripHeight(bend.strip)))),
    ),
  );

/** The radius at which units keep their own proportions at a bend's count and height. */
export const fittingRadius = (bend: Bend): number =>
  (bend.units * stripLength(bend.strip) * (bend.height / stripHeight(bend.strip)) - bend.overlap) /
  radiansOf(bend.span);

/** A bow goes less far round than this, in degrees: at half a turn its ends would stand upright for ever. */
const WIDEST_BOW = 170;

/** Why there is no such bend; null where there is. */
export function bendProblem(bend: Bend): Finding | null {
  const { how, strip, radius, height, span, swell, taper, wave, twist } = bend;
  if (!(stripLength(strip) > 0) || !(stripHeight(strip) > 0)) return finding('bend.strip');
  if (!(span.num > 0) || span.num > span.den) return finding('bend.span');
  if (how === 'bow' && degreesOf(span) > WIDEST_BOW) return finding('bend.bow', WIDEST_BOW);
  if (!(radius > 0) || !(height > 0)) return finding('bend.size');
  if (Math.abs(twist) > MOST_TWIST) return finding('bend.twist', MOST_TWIST);
  if (!(bentLength(bend) > 0)) return finding('bend.overlap');
  const highest = (height / 2) * Math.max(1, 1 + swell) * Math.max(1, 1 - taper) + Math.abs(wave);
  if (how === 'wrap' && highest >= radius) return finding('bend.centre', radius);
  return null;
}

/** 1 where the strip runs clockwise, −1 where it runs the other way: mirrored, or turned by half a turn. */
export const runOf = ({ mirrored, up }: Pick<Bend, 'mirrored' | 'up'>): 1 | -1 =>
  mirrored === (up === 'in') ? 1 : -1;

/** A bend whose inner edge is at a radius, its outer one where it was; radii in the figure's unit. */
export function withInner({ radius, height }: Bend, inner: number): Pick<Bend, 'radius' | 'height'> {
  const outer = radius + height / 2;
  return { radius: (inner + outer) / 2, height: outer - inner };
}

/** A bend whose outer edge is at a radius, its inner one where it was. */
export function withOuter({ radius, height }: Bend, outer: number): Pick<Bend, 'radius' | 'height'> {
  const inner = radius - height / 2;
  return { radius: (inner + outer) / 2, height: outer - inner };
}

/** A place on a strip, and how it changes: `u` runs along all units from 0 to 1, `v` up from the middle line. */
interface OnStrip {
  readonly u: number;
  readonly v: number;
}

/** The map of a bend. */
export interface BendMap {
  /** Where a point of the straight drawing goes, in one of the units. */
  readonly at: (p: Point, unit: number) => Point;
  /** Where a direction at a point goes: the map's derivative along it. */
  readonly along: (p: Point, direction: Point, unit: number) => Point;
}

/** Cosine and sine of an angle that is a share from one end of a bend to the other: exact at its ends. */
function anglesOf({
  span,
  middle,
  radius,
  overlap,
  twist,
}: Bend): (s: number, lean: number) => [number, number] {
  const [from, to] = [
    addTurns(middle, negateTurn(divideTurn(span, 2))),
    addTurns(middle, divideTurn(span, 2)),
  ];
  const all = radiansOf(span) + overlap / radius;
  return (s, lean) => {
    const isExact = overlap === 0 && (twist === 0 || lean === 0) && (s === 0 || s === 1);
    if (isExact) {
      const { cos, sin } = cosSin(s === 0 ? from : to);
      return [cos, sin];
    }
    const angle = radiansOf(middle) + (s - 0.5) * all + lean;
    return [Math.cos(angle), Math.sin(angle)];
  };
}

/**
 * Where the points of a strip go. Source of the derivatives: the chain rule on (u, v) → (s, h) → the plane.
 * @param bend one that has no problem
 */
export function bendMap(bend: Bend): BendMap {
  const { how, strip, units, radius, height, span, middle, overlap, up, swell, taper, wave, waves } = bend;
  const [long, high] = [stripLength(strip), stripHeight(strip)];
  const line = (strip.top + strip.bottom) / 2;
  const grown = height / high;
  const twist = (bend.twist * Math.PI) / 180;
  const all = radiansOf(span) + overlap / radius;
  const turned = up === 'in' ? -1 : 1;
  const runs = runOf(bend);
  const angle = anglesOf(bend);
  const chord = 2 * radius * Math.sin(all / 2);
  const { cos, sin } = cosSin(middle);
  const round = 2 * Math.PI * waves;

  const onStrip = (p: Point, unit: number): OnStrip => ({
    u: (unit + (p.x - strip.left) / long) / units,
    v: (line - p.y) * grown,
  });
  const fullness = (u: number): number => (1 + swell * 4 * u * (1 - u)) * (1 - taper * u);
  const fuller = (u: number): number =>
    swell * 4 * (1 - 2 * u) * (1 - taper * u) - taper * (1 + swell * 4 * u * (1 - u));
  /** How far out from the middle line, and how far along from one end to the other, in the way that it runs. */
  const placed = ({ u, v }: OnStrip): { s: number; h: number } => ({
    s: runs === 1 ? u : 1 - u,
    h: turned * (v * fullness(u) + wave * Math.sin(round * u)),
  });

  const onRing = ({ u, v }: OnStrip): Point => {
    const { s, h } = placed({ u, v });
    if (how === 'wrap') {
      const [c, d] = angle(s, (twist * h) / height);
      return { x: (radius + h) * d, y: -(radius + h) * c };
    }
    const x = (s - 0.5) * chord;
    const y = Math.sqrt(Math.max(0, radius * radius - x * x)) + h;
    const leaning = x + (radius * twist * h) / height;
    return { x: leaning * cos + y * sin, y: leaning * sin - y * cos };
  };

  return {
    at: (p, unit) => onRing(onStrip(p, unit)),
    along: (p, direction, unit) => {
      const { u, v } = onStrip(p, unit);
      const { s, h } = placed({ u, v });
      const du = direction.x / long / units;
      const dv = -direction.y * grown;
      const ds = runs * du;
      const dh = turned * (dv * fullness(u) + (v * fuller(u) + wave * round * Math.cos(round * u)) * du);
      if (how === 'wrap') {
        const [c, d] = angle(s, (twist * h) / height);
        const da = all * ds + (twist * dh) / height;
        const r = radius + h;
        return { x: dh * d + r * c * da, y: -dh * c + r * d * da };
      }
      const x = (s - 0.5) * chord;
      const dx = chord * ds;
      const dy = (-x / Math.sqrt(Math.max(1e-18 * radius * radius, radius * radius - x * x))) * dx + dh;
      const leaning = dx + (radius * twist * dh) / height;
      return { x: leaning * cos + dy * sin, y: leaning * sin - dy * cos };
    },
  };
}
