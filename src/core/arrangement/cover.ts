import { Inconsistent } from './errors';
import { valueAt } from './lists';
import { Shells, type ShellList } from './shells';
import type { Subdivision } from './subdivision';
import { Windings, type CoverPath } from './windings';

export interface Cover {
  /** For each face and member, how many of the member's copies cover the face (row by face). */
  readonly depths: Int32Array;
  readonly members: number;
  /** A number for each face that is equal where the same copies of the same paths cover, in the sector. */
  readonly signatures: Int32Array;
}

/** Half-edges by face, so that a face finds its border again. */
class Borders {
  /** The first half-edge of each face in `halves`; those of the next face follow. */
  readonly firstOf: Int32Array;
  readonly halves: Int32Array;

  constructor({ face, faceCount, halfEdgeCount }: Subdivision) {
    this.firstOf = new Int32Array(faceCount + 1);
    const { firstOf } = this;
    for (let h = 0; h < halfEdgeCount; h += 1) {
      const f = valueAt(face, h);
      if (f >= 0) firstOf[f + 1] = valueAt(firstOf, f + 1) + 1;
    }
    for (let f = 1; f <= faceCount; f += 1) firstOf[f] = valueAt(firstOf, f) + valueAt(firstOf, f - 1);
    const fill = firstOf.slice();
    this.halves = new Int32Array(valueAt(firstOf, faceCount));
    for (let h = 0; h < halfEdgeCount; h += 1) {
      const f = valueAt(face, h);
      if (f < 0) continue;
      this.halves[valueAt(fill, f)] = h;
      fill[f] = valueAt(fill, f) + 1;
    }
  }
}

/**
 * Winding numbers of every path's every copy in every face, face by face across edges, in the sector alone:
 * walls need not be crossed, since a sector is connected. A face that is reached twice must agree.
 *
 * Where annuli were left out as covered, their rims are not crossed: what is between two rims counts as covered
 * once by the first member, and the numbers beyond are found by `Shells`.
 * @param entered told of each face with the winding numbers there, by path and element
 * @throws Inconsistent where it does not
 */
export function coverOf(
  subdivision: Subdivision,
  paths: readonly CoverPath[],
  members: number,
  list: ShellList = { shells: [], path: -1 },
  entered?: (face: number, winding: Int32Array) => void,
): Cover {
  const { faceCount, face } = subdivision;
  const windings = new Windings(subdivision, paths, members);
  const shells = new Shells(subdivision, list, windings);
  const { firstOf, halves } = new Borders(subdivision);
  const depths = new Int32Array(faceCount * members);
  const signatures = new Int32Array(faceCount);
  const reached = new Uint8Array(faceCount);

  const enter = (f: number): void => {
    reached[f] = 1;
    signatures[f] = windings.signature;
    shells.enter(f);
    entered?.(f, windings.numbers);
    for (let m = 0; m < members; m += 1) depths[f * members + m] = valueAt(windings.depth, m);
  };
  /** The face behind a half-edge that may be crossed; −1 where there is none. */
  const behind = (half: number): number =>
    subdivision.wallOf(half) !== 0 || shells.isRim(half) ? -1 : valueAt(face, half ^ 1);

  // Depth first without recursion: the half-edge by which each face was entered leads back.
  const entry = new Int32Array(faceCount).fill(-1);
  const cursor = firstOf.slice(0, faceCount);
  const spread = (start: number): void => {
    let f = start;
    enter(f);
    for (;;) {
      const at = valueAt(cursor, f);
      if (at < valueAt(firstOf, f + 1)) {
        cursor[f] = at + 1;
        const half = valueAt(halves, at);
        const other = behind(half);
        if (other < 0 || other === f) continue;
        windings.step(half, 1);
        if (valueAt(reached, other) === 0) {
          entry[other] = half;
          enter(other);
          f = other;
        } else {
          if (valueAt(signatures, other) !== windings.signature)
            throw new Inconsistent('Two ways into one cell give different covers.');
          windings.step(half, -1);
        }
      } else {
        const half = valueAt(entry, f);
        if (half < 0) return;
        windings.step(half, -1);
        f = valueAt(face, half);
      }
    }
  };
  const fill = (start: number): void => {
    const open = [start];
    for (let f = open.pop(); f !== undefined; f = open.pop()) {
      if (valueAt(reached, f) === 1) continue;
      reached[f] = 1;
      depths[f * members] = 1;
      for (let at = valueAt(firstOf, f); at < valueAt(firstOf, f + 1); at += 1) {
        const other = behind(valueAt(halves, at));
        if (other >= 0) open.push(other);
      }
    }
  };

  spread(subdivision.unbounded);
  list.shells.forEach((shell, k) => {
    fill(shells.faceBetween(shell));
    shells.pass(k);
    spread(shells.faceInside(shell));
    shells.check(k);
  });
  if (reached.includes(0)) throw new Inconsistent('A cell was not reached.');
  shells.checkCovered((f) => {
    for (let m = 0; m < members; m += 1) if (valueAt(depths, f * members + m) > 0) return true;
    return false;
  });
  return { depths, members, signatures };
}
