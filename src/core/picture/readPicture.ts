/**
 * The symmetry of a picture: where its centre is, how often it repeats round it, and whether it is its own mirror image.
 *
 * @example
 * const read = readPicture(picture); // { folds: [{ fold: 12, mirror: true, share: 0.96, … }], seat: { x: 311.2, y: 240.8, … }, … }
 */
import {
  bestAxis,
  foldPower,
  foldShare,
  harmonicsOf,
  mostRepeated,
  totalPower,
  type Harmonics,
} from './correlation';
import { calmAxis, fullAxis, paintRound } from './middle';
import { polarOf, seatAt, UPRIGHT, type PolarSize, type Seat } from './polar';
import { evened, halved, toneOf, type ColourPicture, type Tone } from './tone';

/** A fold, and how well the picture repeats with it. */
export interface FoldShare {
  readonly fold: number;
  /** Mean correlation of the picture with itself over the turns of the fold: 1 for what repeats, about 0 by chance. */
  readonly share: number;
}

export interface FoldSeen extends FoldShare {
  readonly mirror: boolean;
  /** Correlation of what repeats with its mirror image. */
  readonly mirrorShare: number;
  /** The middle of a copy, clockwise from straight up, in radians: as a mirror's axis, and where it is to be none. */
  readonly axes: { readonly mirror: number; readonly plain: number };
}

export interface ReadPicture {
  /** In pixels of the picture. */
  readonly seat: Seat;
  /** Radius of what repeats, in pixels of the picture at its centre. */
  readonly reach: number;
  /** What it is, and what it may be, the likeliest first. */
  readonly folds: readonly FoldSeen[];
}

/** A fold and a mirror that are taken for those of a picture. */
export interface ChosenFold {
  readonly fold: number;
  readonly mirror: boolean;
}

/** The middle of a copy with a fold that was seen, clockwise from straight up, in radians; 0 for a fold that was not. */
export function axisOf({ folds }: ReadPicture, { fold, mirror }: ChosenFold): number {
  const seen = folds.find((each) => each.fold === fold);
  return (mirror ? seen?.axes.mirror : seen?.axes.plain) ?? 0;
}

const MOST_FOLD_SEEN = 120;
/** What repeats as well as this is sure. */
export const SURE_SHARE = 0.8;
/** A mirror image correlates as well as this at least. */
const LEAST_MIRROR = 0.95;
/** Of the folds that it repeats with nearly as well as with the best, the highest is meant: what repeats 12 times does so 6 times. */
const AS_WELL = 0.88;

/** Longest side at which it is looked at last; the centre is looked for at an eighth of it, then at a quarter, then at half. */
const FINEST = 768;
/** Places of which it is gone on with, at each size. */
const KEPT = [8, 3, 1];

/** How large a circle about a centre is looked at: a little beyond the nearest edge. */
function sizeAt(tone: Tone, seat: Seat, perPixel: number, spokes: number): PolarSize {
  const edge = Math.min(seat.x, seat.y, tone.width - seat.x, tone.height - seat.y);
  const reach = Math.max(4, 1.1 * edge);
  return { reach, rings: Math.max(4, Math.round(reach * perPixel)), spokes };
}

const power = (tone: Tone): number => tone.values.reduce((sum, value) => sum + value * value, 0);

/** Rings a pixel. */
const RINGS = 0.5;

/** How much of the whole picture's power repeats round a seat with its best fold. */
function scoreOf(tone: Tone, whole: number, seat: Seat, spokes: number): number {
  const size = sizeAt(tone, seat, RINGS, spokes);
  const harmonics = harmonicsOf(polarOf(tone, seat, size));
  return (2 * Math.PI * (size.reach / size.rings) ** 2 * mostRepeated(harmonics, spokes / 8)) / whole;
}

interface Place {
  readonly seat: Seat;
  readonly score: number;
}

type Part = keyof Seat;

/** The best seat near one: each part of it is changed by a step either way while that helps, then by half as much. */
function climbed(
  start: Place,
  score: (seat: Seat) => number,
  steps: Readonly<Partial<Record<Part, number>>>,
  halvings: number,
): Place {
  let best = start;
  for (let halving = 0; halving < halvings; halving += 1) {
    const by = 1 / 2 ** halving;
    for (let helps = true, tries = 0; helps && tries < 12; tries += 1) {
      helps = false;
      for (const [part, step] of Object.entries(steps) as [Part, number][])
        for (const way of [by, -by]) {
          const seat = { ...best.seat, [part]: best.seat[part] + way * step };
          const own = score(seat);
          if (own <= best.score) continue;
          best = { seat, score: own };
          helps = true;
          break;
        }
    }
  }
  return best;
}

/** Centres are looked for so far from the edges, as a share of a side. */
const MARGIN = 0.12;
const COARSE_STEP = 2;

/** All places over a grid that are better than those around. */
function likelyPlaces(tone: Tone): Place[] {
  const whole = power(tone);
  const [left, top] = [MARGIN * tone.width, MARGIN * tone.height];
  const columns = Math.max(1, Math.floor((tone.width - 2 * left) / COARSE_STEP) + 1);
  const rows = Math.max(1, Math.floor((tone.height - 2 * top) / COARSE_STEP) + 1);
  const places = Array.from({ length: columns * rows }, (_, k): Place => {
    const seat = {
      ...UPRIGHT,
      x: left + (k % columns) * COARSE_STEP,
      y: top + Math.floor(k / columns) * COARSE_STEP,
    };
    return { seat, score: scoreOf(tone, whole, seat, 128) };
  });
  return places
    .filter(({ score }, k) => {
      const near = [-1, 0, 1].flatMap((down) =>
        [-1, 0, 1].map((across) => {
          const x = (k % columns) + across;
          return x < 0 || x >= columns ? undefined : places[k + down * columns + across];
        }),
      );
      return near.every((other) => !other || other.score <= score);
    })
    .sort((a, b) => b.score - a.score);
}

/** The best places of one size, refined in the next. */
function refined(places: readonly Place[], tone: Tone, spokes: number, kept: number): Place[] {
  const whole = power(tone);
  const score = (seat: Seat): number => scoreOf(tone, whole, seat, spokes);
  return places
    .map(({ seat }) => {
      const own = { ...seat, x: 2 * seat.x, y: 2 * seat.y };
      return climbed({ seat: own, score: score(own) }, score, { x: 1.5, y: 1.5 }, 4);
    })
    .sort((a, b) => b.score - a.score)
    .slice(0, kept);
}

/** A rosette's edge moves by so much of its radius at the first step of its tilt. */
const TILT_STEP = 0.024;

/** The folds by how well the picture repeats with them, the best first. */
const foldShares = (harmonics: Harmonics, most: number): FoldShare[] =>
  Array.from({ length: most - 1 }, (_, k) => ({ fold: k + 2, share: foldShare(harmonics, k + 2) })).sort(
    (a, b) => b.share - a.share,
  );

/** How much a share may be there by chance where it is that of one turn; it is a mean over all turns of the fold. */
const CHANCE = 0.1;

/** What repeats less well than this has no fold: much of what has corners is nearly twofold. */
const leastShare = (fold: number): number => 0.45 + 0.25 / Math.sqrt(fold - 1);

const beyondChance = ({ fold, share }: FoldShare): number => share - CHANCE / Math.sqrt(fold - 1);

/** The fold that is meant: the highest of those that are nearly as good as the best. */
export function meantFold(seen: readonly FoldShare[]): FoldShare | null {
  const best = Math.max(...seen.map(beyondChance));
  const asGood = seen.filter((each) => beyondChance(each) >= AS_WELL * best);
  return asGood.reduce<FoldShare | null>((high, each) => (high && high.fold > each.fold ? high : each), null);
}

/** A rosette seen from farther aside than this is not straightened: its edge moves by so much of its radius. */
const MOST_TILT = 0.15;
/** A tilt by all of the radius has to make what repeats better by so much. */
const TILT_COST = 0.05;

/**
 * A seat with the perspective in which the picture repeats best with a fold: of its rings' own power, as a tilt changes their size. Twofold
 * pictures stay as they are: such a one is twofold however it is stretched.
 */
function tilted(seat: Seat, tone: Tone, spokes: number): Seat {
  const size = sizeAt(tone, seat, RINGS, spokes);
  const fold = meantFold(
    foldShares(harmonicsOf(polarOf(tone, seat, size)), spokes / 8).filter((each) => each.fold > 2),
  );
  if (!fold) return seat;
  const score = (each: Seat): number => {
    const aside = Math.hypot(each.stretch, each.skew) + size.reach * Math.hypot(each.tiltX, each.tiltY);
    if (aside > MOST_TILT) return -Infinity;
    const harmonics = harmonicsOf(polarOf(tone, each, size));
    const all = totalPower(harmonics, true);
    return all > 0 ? foldPower(harmonics, fold.fold, true) / all - TILT_COST * aside : -Infinity;
  };
  const steps = {
    stretch: TILT_STEP,
    skew: TILT_STEP,
    tiltX: TILT_STEP / size.reach,
    tiltY: TILT_STEP / size.reach,
    x: 1,
    y: 1,
  };
  return climbed({ seat, score: score(seat) }, score, steps, 5).seat;
}

/** Rings up to the one up to which most of the power repeats. */
function ringsThatRepeat({ parts, spokes }: Harmonics, fold: number): number {
  let [sum, best, kept] = [0, 0, 0];
  for (const [ring, own] of parts.entries()) {
    let [total, repeated] = [0, 0];
    for (let k = 1; k < spokes / 2; k += 1) {
      const value = (own[2 * k] ?? 0) ** 2 + (own[2 * k + 1] ?? 0) ** 2;
      total += value;
      if (k % fold === 0) repeated += value;
    }
    sum += repeated - total / 2;
    if (sum > best) [best, kept] = [sum, ring + 1];
  }
  return kept;
}

/** Harmonics of the inner rings. */
function innerRings(harmonics: Harmonics, rings: number): Harmonics {
  const parts = harmonics.parts.slice(0, rings);
  const power = new Float64Array(harmonics.power.length);
  for (const own of parts)
    for (let k = 0; k < power.length; k += 1)
      power[k] = (power[k] ?? 0) + (k === 0 ? 1 : 2) * ((own[2 * k] ?? 0) ** 2 + (own[2 * k + 1] ?? 0) ** 2);
  return { ...harmonics, rings, parts, power };
}

/** What is not round itself is so much of all that is there at least. */
const LEAST_DIFFERENT = 0.02;
/** So many folds are told, the one that is meant and others. */
const TOLD = 4;
/** Others that repeat by less than this share are not told. */
const LEAST_TOLD = 0.3;

/**
 * Reads the symmetry of a picture, by the angular correlation of its polar form: over centres coarsely, then finer, then with the
 * perspective it was seen in.
 * @param progress is told a share from 0 to 1
 * @returns null where nothing in the picture repeats round a point
 */
export function readPicture(
  picture: ColourPicture,
  progress: (share: number) => void = () => undefined,
): ReadPicture | null {
  const tone = toneOf(picture, FINEST);
  const finest = evened(tone);
  const fine = halved(finest);
  const middle = halved(fine);
  const coarse = halved(middle);
  if (Math.min(coarse.width, coarse.height) < 8) return null;
  progress(0.1);
  const places = likelyPlaces(coarse).slice(0, KEPT[0]);
  progress(0.3);
  const nearer = refined(places, middle, 256, KEPT[1] ?? 1);
  progress(0.5);
  const [nearest] = refined(nearer, fine, 512, KEPT[2] ?? 1);
  progress(0.7);
  if (!nearest) return null;
  const seat = seatAt(tilted(seatAt(nearest.seat, 2), middle, 512), 1 / 4);
  progress(0.9);
  return foundAt(tone, finest, seat);
}

/** What repeats round a seat, given in the tone's pixels. */
function foundAt(tone: Tone, even: Tone, seat: Seat): ReadPicture | null {
  const size = sizeAt(even, seat, RINGS, 2048);
  const all = harmonicsOf(polarOf(even, seat, size));
  const first = meantFold(foldShares(all, MOST_FOLD_SEEN));
  if (!first) return null;
  const rings = ringsThatRepeat(all, first.fold);
  const inner = innerRings(all, rings);
  if (totalPower(inner, false) <= LEAST_DIFFERENT * totalPower(inner, true)) return null;
  const shares = foldShares(inner, MOST_FOLD_SEEN);
  const meant = meantFold(shares);
  if (!meant || meant.share < leastShare(meant.fold)) return null;
  const others = shares.filter(({ fold, share }) => fold !== meant.fold && share >= LEAST_TOLD);
  const raw = polarOf(tone, seat, size);
  return {
    seat: seatAt(seat, 1 / tone.scale),
    reach: ((rings * size.reach) / size.rings) * tone.scale,
    folds: [meant, ...others.slice(0, TOLD - 1)].map((each) => {
      const { axis, share } = bestAxis(inner, each.fold);
      const paint = paintRound(raw, each.fold, rings);
      return {
        ...each,
        mirror: share >= LEAST_MIRROR,
        mirrorShare: share,
        axes: { mirror: fullAxis(paint, axis), plain: calmAxis(paint) },
      };
    }),
  };
}
