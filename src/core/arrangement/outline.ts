import { gcd } from '@/core/number';
import type { Arrangement } from './arrange';
import { Inconsistent } from './errors';
import { valueAt } from './lists';
import { regionsOf, type Regions } from './regions';
import { FAR, NEAR } from './vertices';

/** A step of an outline: a half-edge of the sector, seen in the copy of a group element. */
export interface OutlineStep {
  readonly half: number;
  readonly element: number;
}

/** A closed outline with what is inside to its left in raw coordinates: clockwise on the screen round an area. */
export interface Outline {
  /** One period: the whole is these steps, then the same in the copy of `period`, and so on `repeats` times. */
  readonly steps: readonly OutlineStep[];
  readonly period: number;
  readonly repeats: number;
  /**
   * Where the steps lead from mirror to mirror: the reflections in both. A period then is the steps and their image in
   * the mirror at their end, walked back.
   */
  readonly mirrors: { readonly start: number; readonly end: number } | null;
  /** The elements that take it to all of the region's outlines that are its images, the first of them 0, itself. */
  readonly images: readonly number[];
}

/** A connected region without its copies, its outlines in one copy, images of one another once. */
export interface OutlinedRegion {
  readonly region: number;
  readonly outlines: readonly Outline[];
  /** The elements that take the region to its copies in the plane, each once. */
  readonly copies: readonly number[];
}

/** What leads on from the end of a half-edge round a region. */
interface Onward {
  /** The half-edge that follows, or −1 where the outline meets a mirror and goes back reflected. */
  readonly half: number;
  /** Steps of turn on the way (C_n), or the wall that was met (D_n). */
  readonly change: number;
}

class Tracer {
  readonly regions: Regions;
  private readonly isBorder: Uint8Array;
  private readonly copyLists = new Map<number, number[]>();

  constructor(
    private readonly arrangement: Arrangement,
    classes: Int32Array,
    cellByCell: boolean,
  ) {
    const { subdivision, kinds } = arrangement;
    const classOf = (face: number): number => valueAt(classes, valueAt(kinds.of, face));
    const joins = (half: number, left: number, right: number): boolean =>
      classOf(left) >= 0 && classOf(left) === classOf(right) && (!cellByCell || arrangement.isOpen(half));
    this.regions = regionsOf(subdivision, joins);
    this.isBorder = new Uint8Array(subdivision.halfEdgeCount);
    for (let h = 0; h < subdivision.halfEdgeCount; h += 1) {
      const left = valueAt(subdivision.face, h);
      if (left < 0 || classOf(left) < 0) continue;
      const right = subdivision.across(h);
      if (right < 0 || (!joins(h, left, right) && !this.isSameCopy(h, left, right))) this.isBorder[h] = 1;
    }
  }

  /** True for a line that ends inside a region: the same copy of it lies on both sides. */
  private isSameCopy(half: number, left: number, right: number): boolean {
    const { regions } = this;
    const { subdivision } = this.arrangement;
    const region = valueAt(regions.of, left);
    if (valueAt(regions.of, right) !== region) return false;
    const wall = subdivision.wallOf(half);
    const stabilizer = valueAt(regions.stabilizer, region);
    if (subdivision.group.mirror)
      return wall === 0 || (valueAt(regions.crossed, region) & (wall === NEAR ? 1 : 2)) !== 0;
    const step = wall === 0 ? 0 : wall === NEAR ? -1 : 1;
    const shift = valueAt(regions.offset, left) + step - valueAt(regions.offset, right);
    return shift % (subdivision.group.fold / stabilizer) === 0;
  }

  /** Turns about the end of a half-edge, through the region, to the next of its outline. */
  private onward(half: number): Onward {
    const { subdivision } = this.arrangement;
    const { group } = subdivision;
    let at = valueAt(subdivision.next, half);
    let change = 0;
    for (let guard = 0; guard <= 2 * subdivision.halfEdgeCount; guard += 1) {
      if (valueAt(this.isBorder, at) === 1) return { half: at, change };
      const wall = subdivision.wallOf(at);
      if (wall === 0) at = valueAt(subdivision.next, at ^ 1);
      else if (group.mirror) return { half: -1, change: wall };
      else {
        change += wall === NEAR ? -1 : 1;
        at = valueAt(subdivision.next, subdivision.mateOf(at) ^ 1);
      }
    }
    throw new Inconsistent('An outline does not go on.');
  }

  /** All outlines, by region. */
  run(): OutlinedRegion[] {
    const outlines: Outline[][] = Array.from({ length: this.regions.count }, () => []);
    const { subdivision } = this.arrangement;
    if (subdivision.group.mirror) this.chains(outlines);
    else this.loops(outlines);
    return outlines.flatMap((list, region) =>
      list.length === 0 ? [] : [{ region, outlines: list, copies: this.copiesOf(region) }],
    );
  }

  private copiesOf(region: number): number[] {
    const { group } = this.arrangement.subdivision;
    const order = valueAt(this.regions.stabilizer, region);
    const count = group.order / order;
    // In D_n a region that crosses a wall is its own reflection, so turns alone make its copies.
    const known = this.copyLists.get(count) ?? Array.from({ length: count }, (_, k) => k);
    this.copyLists.set(count, known);
    return known;
  }

  private regionAt(half: number): number {
    return valueAt(this.regions.of, valueAt(this.arrangement.subdivision.face, half));
  }

  private loops(into: Outline[][]): void {
    const { subdivision } = this.arrangement;
    const n = subdivision.group.fold;
    const done = new Uint8Array(subdivision.halfEdgeCount);
    for (let h = 0; h < subdivision.halfEdgeCount; h += 1) {
      if (valueAt(this.isBorder, h) === 0 || valueAt(done, h) === 1) continue;
      const region = this.regionAt(h);
      const offset = valueAt(this.regions.offset, valueAt(subdivision.face, h));
      const steps: OutlineStep[] = [];
      let turned = offset;
      let at = h;
      do {
        done[at] = 1;
        steps.push({ half: at, element: ((turned % n) + n) % n });
        const { half, change } = this.onward(at);
        at = half;
        turned += change;
        if (at !== h && valueAt(done, at) === 1) throw new Inconsistent('An outline runs into itself.');
      } while (at !== h);
      const period = (((turned - offset) % n) + n) % n;
      const repeats = period === 0 ? 1 : n / gcd(period, n);
      const stabilizer = valueAt(this.regions.stabilizer, region);
      const images = Array.from({ length: stabilizer / repeats }, (_, k) => (k * n) / stabilizer);
      into[region]?.push({ steps, period, repeats, mirrors: null, images });
    }
  }

  private chains(into: Outline[][]): void {
    const { subdivision } = this.arrangement;
    const { group, vertices } = subdivision;
    const count = subdivision.halfEdgeCount;
    const follows = new Int32Array(count).fill(-1);
    const meets = new Uint8Array(count);
    const isFollowed = new Uint8Array(count);
    for (let h = 0; h < count; h += 1) {
      if (valueAt(this.isBorder, h) === 0) continue;
      const { half, change } = this.onward(h);
      follows[h] = half;
      if (half < 0) meets[h] = change;
      else isFollowed[half] = 1;
    }
    const done = new Uint8Array(count);
    const collect = (first: number): number[] => {
      const found: number[] = [];
      for (let at = first; at >= 0 && valueAt(done, at) === 0; at = valueAt(follows, at)) {
        done[at] = 1;
        found.push(at);
      }
      return found;
    };
    const reflectionOf = (wall: number): number =>
      wall === NEAR ? group.nearReflection : group.farReflection;
    for (let h = 0; h < count; h += 1) {
      if (valueAt(this.isBorder, h) === 0 || valueAt(isFollowed, h) === 1) continue;
      // With the region to its left, a chain that leaves the centre leaves it along the far wall.
      const place = vertices.places.at(subdivision.origin(h));
      const startWall = place === NEAR ? NEAR : FAR;
      const chain = collect(h);
      const endWall = valueAt(meets, chain[chain.length - 1] as number);
      const region = this.regionAt(h);
      const back = reflectionOf(endWall);
      const forth = reflectionOf(startWall);
      const steps = chain.map((half) => ({ half, element: 0 }));
      if (startWall !== endWall) {
        const mirrors = { start: forth, end: back };
        const period = group.times(back, forth);
        into[region]?.push({ steps, period, repeats: group.fold, mirrors, images: [0] });
        continue;
      }
      const images = Array.from({ length: valueAt(this.regions.stabilizer, region) / 2 }, (_, k) => k);
      into[region]?.push({ steps, period: 0, repeats: 1, mirrors: { start: back, end: back }, images });
    }
    for (let h = 0; h < count; h += 1) {
      if (valueAt(this.isBorder, h) === 0 || valueAt(done, h) === 1) continue;
      const region = this.regionAt(h);
      const steps = collect(h).map((half) => ({ half, element: 0 }));
      const images = this.stabilizerOf(region);
      into[region]?.push({ steps, period: 0, repeats: 1, mirrors: null, images });
    }
  }

  /** With a mirror: the elements that map a region to itself. */
  private stabilizerOf(region: number): number[] {
    const { group } = this.arrangement.subdivision;
    switch (valueAt(this.regions.crossed, region)) {
      case 0:
        return [0];
      case 1:
        return [0, group.nearReflection];
      case 2:
        return [0, group.farReflection];
      default:
        return Array.from({ length: group.order }, (_, e) => e);
    }
  }
}

/**
 * The outlines of the regions that kinds of one class make together. Edges between kinds of one class are
 * not outlines; where regions touch in a vertex only they stay apart.
 * @param classes for each kind a class, or −1 for what is not wanted
 * @param cellByCell true where every drawn edge parts two cells, of one class or not
 */
export const outlinesOf = (
  arrangement: Arrangement,
  classes: Int32Array,
  cellByCell: boolean,
): OutlinedRegion[] => new Tracer(arrangement, classes, cellByCell).run();
