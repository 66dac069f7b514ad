/**
 * A stroke by hand that ends on the axis and its reflection as one stroke.
 *
 * @example
 * const leaf = withReflectedHand(form, 0.5); // null where neither end is within half a millimetre of the axis
 */
import { applyTo, type HandPoint, nodesOfContours } from '@/core/curve';
import { NO_TURN } from '@/core/number';
import { handParams, type HandParams } from './hand';
import { mapOf, type Placed } from './placed';

type HandForm = { readonly kind: 'hand'; readonly params: HandParams } & Placed;

/** The stroke's points where they are in the motif. */
function pointsOf({ params, ...placed }: HandForm): HandPoint[] {
  const map = mapOf(placed);
  return nodesOfContours(params.spine).map((node, k) => ({
    ...applyTo(map, node),
    pressure: params.pressures[k] ?? 0.5,
  }));
}

/**
 * The stroke led on by its reflection in the axis, which presses as it does; a ring where both ends are on the axis.
 * @param near an end that is nearer to the axis than this, in the figure's unit, is put on it
 * @returns null where no end is
 */
export function withReflectedHand(form: HandForm, near: number): HandForm | null {
  const points = pointsOf(form);
  const onAxis = ({ x }: HandPoint): boolean => Math.abs(x) <= near;
  const [first, last] = [points[0], points[points.length - 1]];
  if (!first || !last || !(onAxis(first) || onAxis(last))) return null;
  const put = points.map((p, k) => ((k === 0 || k === points.length - 1) && onAxis(p) ? { ...p, x: 0 } : p));
  const half = onAxis(last) ? put : [...put].reverse();
  const image = [...half].reverse().map((p) => ({ ...p, x: -p.x || 0 }));
  const [at] = half;
  if (!at) return null;
  const whole = [...half, ...image].map(({ x, y, pressure }) => ({ x: x - at.x, y: y - at.y, pressure }));
  const { width, thinning, taper, smoothing } = form.params;
  return {
    kind: 'hand',
    at: { x: at.x, y: at.y },
    rotation: NO_TURN,
    params: handParams(whole, { width, thinning, taper, smoothing }),
  };
}
