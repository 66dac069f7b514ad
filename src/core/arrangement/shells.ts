import { Inconsistent } from './errors';
import type { Crossings } from './fold';
import { valueAt } from './lists';
import type { Subdivision } from './subdivision';
import { NEAR } from './vertices';
import type { Windings } from './windings';

/** A covered annulus that was left out of an arrangement. */
export interface Shell {
  /** Vertices of its rims on the near wall. */
  readonly outer: number;
  readonly inner: number;
  /** What was left out of it. */
  readonly omitted: Crossings;
}

/** Annuli that were left out, from the outermost inward, and the path that their rims were drawn as. */
export interface ShellList {
  readonly shells: readonly Shell[];
  readonly path: number;
}

/**
 * Finds the winding numbers behind annuli that were left out. Their rims part the sector, and each part is worked out
 * by itself. On the way inward along the near wall, just inside the sector, one passes exactly what begins or ends at
 * that wall, left out or not; so the numbers inside an annulus follow from those outside it. The numbers found
 * have to have the symmetry of the whole, which a wrong one would break.
 */
export class Shells {
  private readonly rims: Uint8Array;
  /** Winding numbers in the faces that an annulus is entered from or left to, once they are known. */
  private readonly watched = new Map<number, Int32Array | null>();

  constructor(
    private readonly subdivision: Subdivision,
    private readonly list: ShellList,
    private readonly windings: Windings,
  ) {
    const { edges, live } = subdivision;
    this.rims = new Uint8Array(list.shells.length === 0 ? 0 : live.length);
    for (let k = 0; k < this.rims.length; k += 1) {
      const use = edges.firstUses.at(live.at(k));
      if (use >= 0 && edges.sources.path(edges.useSources.at(use)) === list.path) this.rims[k] = 1;
    }
    for (const shell of list.shells) {
      for (const face of [this.faceOutside(shell), this.faceInside(shell), this.mateInside(shell)])
        this.watched.set(face, null);
      this.faceBetween(shell);
    }
  }

  /** True for half-edges along a rim. */
  isRim(half: number): boolean {
    return this.rims.length > 0 && valueAt(this.rims, half >> 1) === 1;
  }

  /** Takes note of the winding numbers in a face. */
  enter(face: number): void {
    if (this.watched.has(face)) this.watched.set(face, this.windings.numbers.slice());
  }

  /** Faces beside the near wall: outside the outer rim, between the rims, inside the inner one. */
  faceOutside({ outer }: Shell): number {
    return valueAt(this.subdivision.face, this.wallHalf(outer, 1));
  }

  faceBetween({ outer, inner }: Shell): number {
    const face = valueAt(this.subdivision.face, this.wallHalf(outer, -1));
    this.wallHalf(inner, 1);
    return face;
  }

  faceInside({ inner }: Shell): number {
    return valueAt(this.subdivision.face, this.wallHalf(inner, -1));
  }

  /** The face beside the far wall inside the inner rim; with a mirror that beside the near wall again. */
  private mateInside(shell: Shell): number {
    const { subdivision } = this;
    if (subdivision.group.mirror) return this.faceInside(shell);
    return valueAt(subdivision.face, subdivision.mateOf(this.wallHalf(shell.inner, -1)) ^ 1);
  }

  /**
   * The half-edge along the near wall, with the sector to its left, that touches a rim's vertex on its outer (1) or
   * inner (−1) side. Nothing but the wall and the rim may meet there.
   */
  private wallHalf(vertex: number, side: number): number {
    const { subdivision } = this;
    const { radii } = subdivision.vertices;
    let found = -1;
    let drawn = 0;
    for (const half of subdivision.around(vertex)) {
      if (subdivision.wallOf(half) === 0) drawn += 1;
      else if (Math.sign(radii.at(subdivision.origin(half ^ 1)) - radii.at(vertex)) === side)
        found = valueAt(subdivision.face, half) >= 0 ? half : half ^ 1;
    }
    if (drawn !== 1 || found < 0 || !subdivision.isArtificial(found))
      throw new Inconsistent('Something is in the way of a rim.');
    return found;
  }

  /** Puts the winding numbers to those inside an annulus. */
  pass(index: number): void {
    const { subdivision, windings } = this;
    const shell = this.list.shells[index] as Shell;
    const known = this.watched.get(this.faceOutside(shell));
    if (!known) throw new Inconsistent('An annulus was not reached.');
    windings.moveTo(known);
    windings.add(shell.omitted.changes);
    const { places, radii } = subdivision.vertices;
    const [low, high] = [radii.at(shell.inner), radii.at(shell.outer)];
    for (let half = 0; half < subdivision.halfEdgeCount; half += 1) {
      const v = subdivision.origin(half);
      if (places.at(v) !== NEAR || subdivision.wallOf(half) !== 0 || this.isRim(half)) continue;
      // From the right to the left of what leaves the wall.
      if (radii.at(v) > low && radii.at(v) < high) windings.step(half, -1);
    }
  }

  /** @throws Inconsistent where the numbers inside an annulus do not have the symmetry of the whole */
  check(index: number): void {
    const { group } = this.subdivision;
    const shell = this.list.shells[index] as Shell;
    const near = this.watched.get(this.faceInside(shell));
    const mate = this.watched.get(this.mateInside(shell));
    if (!near || !mate) throw new Inconsistent('A wall was not reached.');
    const back = group.mirror ? group.nearReflection : group.inverse(1 % group.fold);
    const sign = group.mirror ? -1 : 1;
    for (let slot = 0; slot < near.length; slot += 1) {
      const element = slot % group.order;
      const image = slot - element + group.times(back, element);
      if (valueAt(mate, slot) !== sign * valueAt(near, image))
        throw new Inconsistent('The cover behind an annulus is not symmetric.');
    }
  }

  /** @throws Inconsistent where what touches a rim is not covered, as all of it has to be */
  checkCovered(isCovered: (face: number) => boolean): void {
    for (let half = 0; half < 2 * this.rims.length; half += 1)
      if (this.isRim(half) && !isCovered(valueAt(this.subdivision.face, half)))
        throw new Inconsistent('A rim touches what is not covered.');
  }
}
