/**
 * What is told of a figure in numbers: how much of each colour, where it is, and how wide its details are.
 *
 * @example
 * const facts = factsOf(subject);
 * facts.shares[0];            // { colour: '#1f8a76', share: 0.34 }, of the page
 */
import { coloursOfFigure } from '@/core/figure';
import { coloursApart } from '@/core/paint';
import { arcLength, type Point } from '@/core/curve';
import type { Colour } from '@/core/scene';
import { cutsOf } from './checks/cutting';
import { narrowPlaces, narrowRuns } from './widths';
import type { Subject } from './subject';

interface ColourShare {
  readonly colour: Colour;
  /** Of the page, or of a ring. */
  readonly share: number;
}

/** What there is at a distance from the centre. */
interface Ring {
  /** To the middle of the ring, in the figure's unit. */
  readonly radius: number;
  readonly shares: readonly ColourShare[];
}

/** What of a figure has a colour: some points of it. */
interface ColourSpots {
  readonly colour: Colour;
  readonly at: readonly Point[];
}

interface WidthCount {
  /** Up to this width, in the figure's unit. */
  readonly to: number;
  /** How long edges are of what is so wide, all copies counted, in the figure's unit. */
  readonly line: number;
  readonly gap: number;
  /** Some places of them. */
  readonly where: readonly Point[];
}

export interface ProofFacts {
  /** Of what is not the page, the most first. */
  readonly shares: readonly ColourShare[];
  /** Of the page; what of it nothing is drawn on. */
  readonly bare: number;
  readonly spots: readonly ColourSpots[];
  /** From the centre outward. */
  readonly rings: readonly Ring[];
  /** How much is drawn in each direction, clockwise from straight up, as a share of the most. */
  readonly directions: readonly number[];
  /** How far the middle of what is drawn is from the centre, in the figure's unit. */
  readonly off: number;
  readonly widths: readonly WidthCount[];
  /** The thinnest line, the narrowest gap and the smallest cell; null where there is none, or all are large. */
  readonly thinnest: number | null;
  readonly narrowest: number | null;
  readonly smallest: number | null;
  /** The fold of the picture. */
  readonly fold: number;
  /** Along all lines that a tool follows, and how often it goes down; in the figure's unit. Where it is asked for. */
  readonly cut: { readonly length: number; readonly pierces: number } | null;
}

const RINGS = 48;
const DIRECTIONS = 72;
/** Of a ring so many points are looked at, all round. */
const SPOTS = 360;
/** Of these every so many are kept, to be shown where a colour is. */
const SPOT_EACH = 4;

/** The colour of a list that looks most like another. */
function nearestOf(list: readonly Colour[]): (colour: Colour) => Colour {
  const known = new Map<Colour, Colour>();
  return (colour) => {
    const before = known.get(colour);
    if (before !== undefined) return before;
    const near = list.includes(colour)
      ? colour
      : list.reduce(
          (best, next) => (coloursApart(next, colour) < coloursApart(best, colour) ? next : best),
          list[0] ?? colour,
        );
    known.set(colour, near);
    return near;
  };
}

interface Spread {
  readonly spots: readonly ColourSpots[];
  readonly rings: readonly Ring[];
  readonly areas: ReadonlyMap<Colour, number>;
  readonly directions: readonly number[];
  readonly off: number;
}

/** What is drawn, point by point on rings about the centre, as far as the page goes. */
function spreadOf(subject: Subject): Spread {
  const { picture, figure } = subject;
  const { width, height, centre } = figure.page;
  const colours = [...new Set(coloursOfFigure(figure).map(({ colour }) => colour.slice(0, 7)))];
  const nameOf = nearestOf(colours);
  const reach = Math.hypot(width / 2 + Math.abs(centre.x), height / 2 + Math.abs(centre.y));
  const outer = Math.min(reach, furthest(subject)) || 1;
  const areas = new Map<Colour, number>();
  const spots = new Map<Colour, Point[]>();
  const directions = new Array<number>(DIRECTIONS).fill(0);
  let [middleX, middleY, inked] = [0, 0, 0];
  const rings = Array.from({ length: RINGS }, (_, ring): Ring => {
    const radius = ((ring + 0.5) * outer) / RINGS;
    const area = (2 * Math.PI * radius * (outer / RINGS)) / SPOTS;
    const counts = new Map<Colour, number>();
    for (let spot = 0; spot < SPOTS; spot += 1) {
      const angle = (2 * Math.PI * (spot + 0.5)) / SPOTS;
      const [x, y] = [radius * Math.sin(angle), -radius * Math.cos(angle)];
      const isOut = Math.abs(x + centre.x) > width / 2 || Math.abs(y + centre.y) > height / 2;
      const { tone } = picture.at(x, y);
      if (isOut || tone === picture.page) continue;
      const colour = nameOf(picture.isFlat[tone] ? (picture.colours[tone] ?? '') : picture.colourAt(x, y));
      counts.set(colour, (counts.get(colour) ?? 0) + 1 / SPOTS);
      areas.set(colour, (areas.get(colour) ?? 0) + area);
      if (ring % SPOT_EACH === 0 && spot % SPOT_EACH === 0)
        spots.set(colour, [...(spots.get(colour) ?? []), { x, y }]);
      const place = Math.floor((spot * DIRECTIONS) / SPOTS);
      directions[place] = (directions[place] ?? 0) + area;
      [middleX, middleY, inked] = [middleX + x * area, middleY + y * area, inked + area];
    }
    return { radius, shares: sorted(counts) };
  });
  const most = Math.max(...directions, Number.MIN_VALUE);
  return {
    rings,
    areas,
    spots: [...spots].map(([colour, at]) => ({ colour, at })),
    directions: directions.map((each) => each / most),
    off: inked > 0 ? Math.hypot(middleX, middleY) / inked : 0,
  };
}

/** How far edges are from the centre. */
function furthest(subject: Subject): number {
  const { x, y, count } = subject.seams(subject.figure.page.width / 100);
  let most = 0;
  for (let k = 0; k < count; k += 1) most = Math.max(most, Math.hypot(x[k] ?? 0, y[k] ?? 0));
  return most;
}

const sorted = (counts: ReadonlyMap<Colour, number>): ColourShare[] =>
  [...counts].map(([colour, share]) => ({ colour, share })).sort((a, b) => b.share - a.share);

/** Widths are told up to this share of the page, and up to so many times the mean of all, in so many steps. */
const [WIDEST, MEANS] = [1 / 18, 12];
const STEPS = 20;
/** Of a width so many places are told, with their copies. */
const MOST_OF_STEP = 120;

/** How wide what is drawn is, and what lies between. */
function widthsOf(subject: Subject): Pick<ProofFacts, 'widths' | 'thinnest' | 'narrowest'> {
  const { picture } = subject;
  const far = furthest(subject);
  const mean = (2 * Math.PI * far * far) / Math.max(1e-9, picture.length * picture.fold);
  const widest = Math.min(subject.figure.page.width * WIDEST, MEANS * mean || Infinity);
  const places = narrowPlaces(picture, subject.seams(widest / 4), widest);
  const widths = Array.from({ length: STEPS }, (_, k) => ({
    to: (widest * (k + 1)) / STEPS,
    line: 0,
    gap: 0,
    where: [] as Point[],
  }));
  for (const { width, tone, long, x, y } of places) {
    const step = widths[Math.min(STEPS - 1, Math.floor((STEPS * width) / widest))];
    if (!step) continue;
    if (step.where.length < MOST_OF_STEP) step.where.push(...subject.copies({ x, y }));
    if (tone === picture.page) step.gap += long * picture.fold;
    else step.line += long * picture.fold;
  }
  const runs = narrowRuns(places, widest, picture);
  const least = (isGap: boolean): number | null =>
    runs.find(({ tone }) => (tone === picture.page) === isGap)?.width ?? null;
  return { widths, thinnest: least(false), narrowest: least(true) };
}

/** Along all that a tool follows. */
function cutOf({ scene }: Subject): NonNullable<ProofFacts['cut']> {
  const cuts = cutsOf(scene);
  const length = cuts.reduce(
    (sum, { path }) => path.segments.reduce((own, segment) => own + arcLength(segment), sum),
    0,
  );
  return { length, pierces: cuts.length };
}

/** All that is told of a figure in numbers. @param isCut where it is for a tool that follows lines */
export function factsOf(subject: Subject, isCut = false): ProofFacts {
  const { width, height } = subject.figure.page;
  const { rings, areas, spots, directions, off } = spreadOf(subject);
  const page = width * height;
  const shares = sorted(areas).map(({ colour, share }) => ({ colour, share: share / page }));
  const drawn = shares.reduce((sum, { share }) => sum + share, 0);
  const cells = subject.cells.flatMap(({ groups }) => groups.map(({ area }) => area));
  return {
    shares,
    bare: Math.max(0, 1 - drawn),
    spots,
    rings,
    directions,
    off,
    ...widthsOf(subject),
    smallest: cells.length > 0 ? cells.reduce((least, area) => Math.min(least, area), Infinity) : null,
    fold: subject.picture.fold,
    cut: isCut ? cutOf(subject) : null,
  };
}
