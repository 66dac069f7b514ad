/**
 * B-splines as segments.
 *
 * @example
 * const segments = segmentsOfSpline({ degree: 3, knots: [0, 0, 0, 0, 1, 1, 1, 1], points, weights: null }, 1e-6);
 */
import { fittedNodes } from './freehand';
import { pathOfNodes } from './nodes';
import { distance, type Point } from './point';
import { cubic, line, type Segment } from './segment';

export interface Spline {
  readonly degree: number;
  /** Not falling; as many as points, and one more than the degree. */
  readonly knots: readonly number[];
  readonly points: readonly Point[];
  /** Of rational splines: how much each point draws. */
  readonly weights: readonly number[] | null;
}

interface Weighted {
  readonly x: number;
  readonly y: number;
  readonly w: number;
}

const mixed = (a: Weighted, b: Weighted, t: number): Weighted => ({
  x: a.x + (b.x - a.x) * t,
  y: a.y + (b.y - a.y) * t,
  w: a.w + (b.w - a.w) * t,
});

/**
 * The blossom of a spline on one of its spans: with one argument throughout the point there, with ends of the span mixed the control points
 * of a Bézier curve (L. Ramshaw, "Blossoms are polar forms", 1989; the recursion is de Boor's).
 */
function blossom(
  { degree, knots }: Spline,
  points: readonly Weighted[],
  span: number,
  at: readonly number[],
): Point {
  let row = points.slice(span - degree, span + 1);
  for (let r = 1; r <= degree; r += 1) {
    const t = at[r - 1] ?? 0;
    row = row.slice(1).map((point, k) => {
      const j = span - degree + r + k;
      const [low, high] = [knots[j] ?? 0, knots[j + degree - r + 1] ?? 0];
      return mixed(row[k] ?? point, point, high > low ? (t - low) / (high - low) : 0);
    });
  }
  const { x, y, w } = row[0] ?? { x: 0, y: 0, w: 1 };
  return { x: x / w, y: y / w };
}

/** Points of a span that are taken for what no cubic is. */
const SAMPLES = 32;

/** True where there is a spline of the numbers at all. */
export const isSpline = ({ degree, knots, points, weights }: Spline): boolean =>
  degree >= 1 &&
  points.length > degree &&
  knots.length === points.length + degree + 1 &&
  knots.every((knot, k) => knot >= (knots[k - 1] ?? -Infinity)) &&
  (weights === null || (weights.length === points.length && weights.every((each) => each > 0)));

/**
 * A spline as lines and cubics: up to the third degree exactly, else, and where it is rational, fitted.
 * @param tolerance of what is fitted, in the unit of its points
 */
export function segmentsOfSpline(spline: Spline, tolerance: number): Segment[] {
  const { degree, knots, points, weights } = spline;
  const weighted = points.map(({ x, y }, k): Weighted => {
    const w = weights?.[k] ?? 1;
    return { x: x * w, y: y * w, w };
  });
  const isEven = weights === null || weights.every((each) => each === weights[0]);
  const spans = points.flatMap((_, k) => (k >= degree && (knots[k + 1] ?? 0) > (knots[k] ?? 0) ? [k] : []));
  const at = (span: number, ...shares: readonly number[]): Point => {
    const [low, high] = [knots[span] ?? 0, knots[span + 1] ?? 0];
    return blossom(
      spline,
      weighted,
      span,
      shares.map((share) => low + (high - low) * share),
    );
  };
  if (!isEven || degree > 3) {
    const all = spans.flatMap((span, k) =>
      Array.from({ length: SAMPLES + (k === 0 ? 1 : 0) }, (_, j) => {
        const share = (j + (k === 0 ? 0 : 1)) / SAMPLES;
        return at(span, ...Array.from({ length: degree }, () => share));
      }),
    );
    return [...pathOfNodes(fittedNodes(all, tolerance / 2), false).segments];
  }
  return spans
    .flatMap((span): Segment[] => {
      if (degree === 1) return [line(at(span, 0), at(span, 1))];
      if (degree === 3)
        return [cubic(at(span, 0, 0, 0), at(span, 0, 0, 1), at(span, 0, 1, 1), at(span, 1, 1, 1))];
      const [from, control, to] = [at(span, 0, 0), at(span, 0, 1), at(span, 1, 1)];
      const raised = (end: Point): Point => ({
        x: end.x + (2 / 3) * (control.x - end.x),
        y: end.y + (2 / 3) * (control.y - end.y),
      });
      return [cubic(from, raised(from), raised(to), to)];
    })
    .filter((segment) => segment.kind === 'cubic' || distance(segment.from, segment.to) > 0);
}
