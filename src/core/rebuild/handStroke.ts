/**
 * Strokes by a hand about the centre, and what is asked of them: directions, sizes, how they go round.
 *
 * @example
 * goesRound({ id: 's', points: circle, closed: true }); // true
 */
import { cross, distance, dot, type Point } from '@/core/curve';

/** What a hand drew, as points at even distances along it, from the centre. */
export interface HandStroke {
  readonly id: string;
  readonly points: readonly Point[];
  readonly closed: boolean;
}

/** A stroke that is kept, as it is in the upright wedge. */
export interface KeptStroke extends HandStroke {
  /** By how much it was turned into the wedge, in radians, where it is so but for its mean with others. */
  readonly by?: number;
  /** True for what goes once round the centre, of which one step is kept, from ray to ray. */
  readonly isRound?: true;
}

export interface StrokeSymmetry {
  readonly fold: number;
  readonly mirror: boolean;
  /** Where the upright wedge stands, clockwise from straight up, in radians. */
  readonly axis: number;
  /** What says so. */
  readonly from: 'copies' | 'sides' | 'round' | 'ends' | 'width';
  /** One of those that are alike, their mean; what goes round, one step of it. */
  readonly kept: readonly KeptStroke[];
  /** Strokes that nothing is like, and by how much each is turned into the wedge, in radians. */
  readonly alone: readonly { readonly id: string; readonly by: number }[];
  /** Strokes that go round the centre, and stay as they are. */
  readonly stay: readonly string[];
}

/** What one way of looking found. */
export type Found = Omit<StrokeSymmetry, 'stay'>;

export const FULL = 2 * Math.PI;
/** The highest fold that is offered: nobody draws finer ones by hand. */
export const MOST_FOLD = 36;

export const turned = ({ x, y }: Point, by: number): Point => ({
  x: x * Math.cos(by) - y * Math.sin(by),
  y: x * Math.sin(by) + y * Math.cos(by),
});

export const reflected = ({ x, y }: Point): Point => ({ x: -x, y });

/** Clockwise from straight up, from −π to π. */
export const directionOf = ({ x, y }: Point): number => Math.atan2(x, -y);

/** An angle as the nearest to 0 of those that differ by steps. */
export const within = (angle: number, step: number): number => angle - Math.round(angle / step) * step;

export const meanOf = (points: readonly Point[]): Point => ({
  x: points.reduce((sum, { x }) => sum + x, 0) / points.length,
  y: points.reduce((sum, { y }) => sum + y, 0) / points.length,
});

/** Root of the mean square. */
export const spread = (lengths: readonly number[]): number =>
  Math.sqrt(lengths.reduce((sum, each) => sum + each * each, 0) / Math.max(1, lengths.length));

export const sizeOf = (points: readonly Point[]): number => {
  const middle = meanOf(points);
  return spread(points.map((p) => distance(p, middle)));
};

/** A direction is put straight where it is so near to one that is half a step from straight up, in radians. */
const NEARLY = (4 * Math.PI) / 180;

export function evenAxis(axis: number, fold: number): number {
  const half = Math.PI / fold;
  const degree = Math.PI / 180;
  return Math.abs(within(axis, half)) < NEARLY
    ? axis - within(axis, half)
    : Math.round(axis / degree) * degree;
}

/** How often a stroke goes round the centre, its ends joined. */
function timesRound({ points }: HandStroke): number {
  let sum = 0;
  points.forEach((p, k) => {
    const q = points[(k + 1) % points.length] ?? p;
    sum += Math.atan2(cross(p, q), dot(p, q));
  });
  return sum / FULL;
}

/** True for a line that goes once round the centre, its ends joined. */
export const goesRound = (stroke: HandStroke): boolean => Math.abs(Math.abs(timesRound(stroke)) - 1) < 0.05;
