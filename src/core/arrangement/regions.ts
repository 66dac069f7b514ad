import { gcd } from '@/core/number';
import { valueAt } from './lists';
import type { Subdivision } from './subdivision';
import { NEAR } from './vertices';

/**
 * Faces of the sector joined to regions of the plane. A region is an orbit: its copies under the group are as
 * many as the group's order over that of its stabilizer (orbit-stabilizer theorem).
 */
export interface Regions {
  readonly count: number;
  /** The region of each face. */
  readonly of: Int32Array;
  /** In C_n: the turn, in steps, by which a face stands in the copy of its region that the first face is in. */
  readonly offset: Int32Array;
  /** The order of each region's stabilizer. */
  readonly stabilizer: Int32Array;
  /** In D_n: 1 where a region crosses the near wall, 2 the far wall, 3 both. */
  readonly crossed: Uint8Array;
}

/** Joins faces across every half-edge for which `joins` is true, walls included. */
export function regionsOf(
  subdivision: Subdivision,
  joins: (half: number, left: number, right: number) => boolean,
): Regions {
  const { group, faceCount, face } = subdivision;
  const n = group.fold;
  const parent = Int32Array.from({ length: faceCount }, (_, f) => f);
  // Offset of each face against its parent; of roots, the greatest common divisor of what leads back to it.
  const against = new Int32Array(faceCount);
  const returns = new Int32Array(faceCount).fill(n);
  const crossed = new Uint8Array(faceCount);
  let rootOffset = 0;
  const rootOf = (f: number): number => {
    let root = f;
    let sum = 0;
    while (valueAt(parent, root) !== root) {
      sum += valueAt(against, root);
      root = valueAt(parent, root);
    }
    // Everything on the way is tied to the root directly.
    let left = sum;
    for (let at = f; at !== root;) {
      const next = valueAt(parent, at);
      const own = valueAt(against, at);
      parent[at] = root;
      against[at] = ((left % n) + n) % n;
      left -= own;
      at = next;
    }
    rootOffset = ((sum % n) + n) % n;
    return root;
  };
  for (let h = 0; h < subdivision.halfEdgeCount; h += 1) {
    const left = valueAt(face, h);
    if (left < 0) continue;
    const right = subdivision.across(h);
    if (right < 0) continue;
    const wall = subdivision.wallOf(h);
    if (wall === 0 && (h % 2 === 1 || left === right)) continue;
    if (!joins(h, left, right)) continue;
    if (wall !== 0 && group.mirror) {
      const root = rootOf(left);
      crossed[root] = valueAt(crossed, root) | (wall === NEAR ? 1 : 2);
      continue;
    }
    const step = wall === 0 ? 0 : wall === NEAR ? n - 1 : 1;
    const a = rootOf(left);
    const atLeft = rootOffset;
    const b = rootOf(right);
    const atRight = rootOffset;
    // right stands `step` steps on from left: offset(right) = offset(left) + step.
    const shift = (((atLeft + step - atRight) % n) + n) % n;
    if (a === b) {
      if (shift !== 0) returns[a] = gcd(valueAt(returns, a), shift);
    } else {
      parent[b] = a;
      against[b] = shift;
      returns[a] = gcd(valueAt(returns, a), valueAt(returns, b));
      crossed[a] = valueAt(crossed, a) | valueAt(crossed, b);
    }
  }
  const of = new Int32Array(faceCount);
  const offset = new Int32Array(faceCount);
  const labels = new Int32Array(faceCount).fill(-1);
  const stabilizers: number[] = [];
  const crossings: number[] = [];
  for (let f = 0; f < faceCount; f += 1) {
    const root = rootOf(f);
    offset[f] = rootOffset;
    if (valueAt(labels, root) < 0) {
      labels[root] = stabilizers.length;
      const walls = valueAt(crossed, root);
      crossings.push(walls);
      stabilizers.push(
        group.mirror ? (walls === 0 ? 1 : walls === 3 ? 2 * n : 2) : n / valueAt(returns, root),
      );
    }
    of[f] = valueAt(labels, root);
  }
  return {
    count: stabilizers.length,
    of,
    offset,
    stabilizer: Int32Array.from(stabilizers),
    crossed: Uint8Array.from(crossings),
  };
}
