import { Inconsistent } from './errors';
import { valueAt } from './lists';
import type { Subdivision } from './subdivision';

/** How a path covers: by its winding number not being zero, or being odd; a line covers nothing. */
export type CoverRule = 'nonzero' | 'evenodd' | 'line';

/** A path of the arrangement, as the cover needs it. */
export interface CoverPath {
  readonly rule: CoverRule;
  /** The copy set that it belongs to: a member covers where any of its paths does. */
  readonly member: number;
}

export interface Cover {
  /** For each face and member, how many of the member's copies cover it (row by face). */
  readonly depths: Int32Array;
  readonly members: number;
  /** A number for each face that is equal where the same copies of the same paths cover, in the sector. */
  readonly signatures: Int32Array;
}

/** A fixed scrambling of integers (the finisher of a multiplicative hash). */
function scrambled(value: number): number {
  let x = Math.imul(value + 0x7f4a7c15, 0x2c1b3c6d);
  x = Math.imul(x ^ (x >>> 15), 0x297a2d39);
  return x ^ (x >>> 15);
}

/**
 * Winding numbers of every path's every copy in every face, face by face across edges, in the sector alone:
 * walls need not be crossed, since a sector is connected. A face that is reached twice must agree.
 * @param entered told of each face with the winding numbers there, by path and element
 * @throws Inconsistent where it does not
 */
export function coverOf(
  subdivision: Subdivision,
  paths: readonly CoverPath[],
  members: number,
  entered?: (face: number, winding: Int32Array) => void,
): Cover {
  const { edges, group, faceCount } = subdivision;
  const { sources } = edges;
  const order = group.order;
  const winding = new Int32Array(paths.length * order);
  const covering = new Int32Array(members * order);
  const depth = new Int32Array(members);
  const depths = new Int32Array(faceCount * members);
  const signatures = new Int32Array(faceCount);
  const reached = new Uint8Array(faceCount);
  const rules = Uint8Array.from(paths, ({ rule }) => (rule === 'line' ? 0 : rule === 'nonzero' ? 1 : 2));
  const memberOf = Int32Array.from(paths, ({ member }) => member);
  let signature = 0;

  const count = subdivision.halfEdgeCount;
  // Half-edges by face, so that a face finds its border again.
  const firstOf = new Int32Array(faceCount + 1);
  for (let h = 0; h < count; h += 1) {
    const f = valueAt(subdivision.face, h);
    if (f >= 0) firstOf[f + 1] = valueAt(firstOf, f + 1) + 1;
  }
  for (let f = 1; f <= faceCount; f += 1) firstOf[f] = valueAt(firstOf, f) + valueAt(firstOf, f - 1);
  const fill = firstOf.slice();
  const halves = new Int32Array(valueAt(firstOf, faceCount));
  for (let h = 0; h < count; h += 1) {
    const f = valueAt(subdivision.face, h);
    if (f < 0) continue;
    halves[valueAt(fill, f)] = h;
    fill[f] = valueAt(fill, f) + 1;
  }

  const covers = (rule: number, w: number): number =>
    rule === 1 ? (w === 0 ? 0 : 1) : rule === 2 ? w & 1 : 0;
  /** Steps across a half-edge from its left to its right (way 1) or back (way −1). */
  const step = (half: number, way: number): void => {
    const edge = subdivision.edgeOf(half);
    for (let use = edges.firstUses.at(edge); use >= 0; use = edges.useNext.at(use)) {
      const path = sources.path(edges.useSources.at(use));
      const rule = valueAt(rules, path);
      if (rule === 0) continue;
      const element = edges.useElements.at(use);
      // To the left of a curve, along it, its winding number is larger by one than to the right.
      let change = edges.useTo.at(use) > edges.useFrom.at(use) ? -1 : 1;
      if (half % 2 === 1) change = -change;
      if (way < 0) change = -change;
      const slot = path * order + element;
      const before = valueAt(winding, slot);
      winding[slot] = before + change;
      signature = (signature + change * scrambled(slot)) | 0;
      const gained = covers(rule, before + change) - covers(rule, before);
      if (gained === 0) continue;
      const member = valueAt(memberOf, path);
      const held = valueAt(covering, member * order + element);
      covering[member * order + element] = held + gained;
      if (held === 0) depth[member] = valueAt(depth, member) + 1;
      else if (held + gained === 0) depth[member] = valueAt(depth, member) - 1;
    }
  };
  const enter = (f: number): void => {
    reached[f] = 1;
    signatures[f] = signature;
    entered?.(f, winding);
    for (let m = 0; m < members; m += 1) depths[f * members + m] = valueAt(depth, m);
  };

  // Depth first without recursion: the half-edge by which each face was entered leads back.
  const entry = new Int32Array(faceCount).fill(-1);
  const cursor = firstOf.slice(0, faceCount);
  let f = subdivision.unbounded;
  enter(f);
  for (;;) {
    const at = valueAt(cursor, f);
    if (at < valueAt(firstOf, f + 1)) {
      cursor[f] = at + 1;
      const half = valueAt(halves, at);
      const other = valueAt(subdivision.face, half ^ 1);
      if (other < 0 || other === f || subdivision.wallOf(half) !== 0) continue;
      step(half, 1);
      if (valueAt(reached, other) === 0) {
        entry[other] = half;
        enter(other);
        f = other;
      } else {
        if (valueAt(signatures, other) !== signature)
          throw new Inconsistent('Two ways into one cell give different covers.');
        step(half, -1);
      }
    } else {
      const half = valueAt(entry, f);
      if (half < 0) break;
      step(half, -1);
      f = valueAt(subdivision.face, half);
    }
  }
  if (reached.includes(0)) throw new Inconsistent('A cell was not reached.');
  return { depths, members, signatures };
}
