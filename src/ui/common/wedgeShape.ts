import { alongTurn, halfWedge, type Wedge } from '@/core/symmetry';
import { negateTurn } from '@/core/number';
import { printNumber } from '@/core/format';

/** Path data of an upright wedge out to a radius. */
export function wedgeData(wedge: Wedge, radius: number): string {
  const n = (value: number) => printNumber(value, 4);
  const r = n(radius);
  const half = halfWedge(wedge);
  if (2 * half.num >= half.den) return `M0 -${r}A${r} ${r} 0 0 1 0 ${r}A${r} ${r} 0 0 1 0 -${r}Z`;
  const [left, right] = [alongTurn(negateTurn(half), radius), alongTurn(half, radius)];
  return `M0 0L${n(left.x)} ${n(left.y)}A${r} ${r} 0 0 1 ${n(right.x)} ${n(right.y)}Z`;
}
