import type { Group } from './group';
import { Floats, Ints, valueAt } from './lists';

/** Where a vertex lies in the sector. */
export const INNER = 0;
export const NEAR = 1;
export const FAR = 2;
export const APEX = 3;

/**
 * The vertices of one sector, no two within the tolerance of each other but for those of opposite walls.
 * In C_n every vertex on a wall has a mate on the other wall, at the same distance from the centre.
 */
export class Vertices {
  readonly xs = new Floats();
  readonly ys = new Floats();
  readonly places = new Ints();
  /** Distance from the centre, of vertices on a wall. */
  readonly radii = new Floats();
  readonly mates = new Ints();
  /** All within this distance of the centre is the centre: there the walls are closer than 1.5 tolerances. */
  readonly apexRadius: number;
  private heads = new Int32Array(1024).fill(-1);
  private readonly following = new Ints();
  private readonly cell: number;

  constructor(
    private readonly group: Group,
    readonly tolerance: number,
  ) {
    this.cell = 2 * tolerance;
    this.apexRadius = group.hasWalls
      ? (1.5 * tolerance) / Math.min(1, Math.sin(Math.min(group.angle, Math.PI / 2)))
      : 0;
    if (group.hasWalls) this.create(0, 0, APEX, 0);
  }

  get count(): number {
    return this.xs.length;
  }

  private key(cellX: number, cellY: number): number {
    const mixed = Math.imul(cellX | 0, 73856093) ^ Math.imul(cellY | 0, 19349663);
    return (mixed ^ (mixed >>> 15)) & (this.heads.length - 1);
  }

  private keyOf(x: number, y: number): number {
    return this.key(Math.floor(x / this.cell), Math.floor(y / this.cell));
  }

  private create(x: number, y: number, place: number, radius: number): number {
    const vertex = this.xs.push(x + 0);
    this.ys.push(y + 0);
    this.places.push(place);
    this.radii.push(radius);
    this.mates.push(-1);
    if (this.xs.length > this.heads.length) this.rehash();
    else {
      const slot = this.keyOf(x, y);
      this.following.push(valueAt(this.heads, slot));
      this.heads[slot] = vertex;
    }
    return vertex;
  }

  private rehash(): void {
    this.heads = new Int32Array(4 * this.heads.length).fill(-1);
    this.following.clear();
    for (let vertex = 0; vertex < this.xs.length; vertex += 1) {
      const slot = this.keyOf(this.xs.at(vertex), this.ys.at(vertex));
      this.following.push(valueAt(this.heads, slot));
      this.heads[slot] = vertex;
    }
  }

  /** The nearest vertex within the tolerance, of one place on a wall or of any (−1); −1 where there is none. */
  private find(x: number, y: number, place: number): number {
    const cellX = Math.floor(x / this.cell);
    const cellY = Math.floor(y / this.cell);
    // The cell is two tolerances wide: only the neighbours on the nearer sides can hold something in reach.
    const besideX = x / this.cell - cellX < 0.5 ? cellX - 1 : cellX + 1;
    const besideY = y / this.cell - cellY < 0.5 ? cellY - 1 : cellY + 1;
    let found = -1;
    let least = this.tolerance;
    for (let k = 0; k < 4; k += 1) {
      const slot = this.key(k % 2 === 0 ? cellX : besideX, k < 2 ? cellY : besideY);
      for (let v = valueAt(this.heads, slot); v >= 0; v = this.following.at(v)) {
        if (place >= 0 && this.places.at(v) !== place) continue;
        const dx = this.xs.at(v) - x;
        const dy = this.ys.at(v) - y;
        if (Math.abs(dx) > least || Math.abs(dy) > least) continue;
        const away = Math.sqrt(dx * dx + dy * dy);
        if (away <= least) {
          least = away;
          found = v;
        }
      }
    }
    return found;
  }

  /** The vertex on a wall at a distance from the centre, found or made. */
  onWall(place: number, radius: number): number {
    if (radius <= this.apexRadius) return 0;
    const { farX, farY } = this.group;
    const known = place === NEAR ? this.find(0, -radius, NEAR) : this.find(farX * radius, farY * radius, FAR);
    if (known >= 0) return known;
    if (this.group.mirror)
      return place === NEAR
        ? this.create(0, -radius, NEAR, radius)
        : this.create(farX * radius, farY * radius, FAR, radius);
    const near = this.create(0, -radius, NEAR, radius);
    const far = this.create(farX * radius, farY * radius, FAR, radius);
    this.mates.set(near, far);
    this.mates.set(far, near);
    return place === NEAR ? near : far;
  }

  /** The vertex at a point of the sector, found or made; within the tolerance of a wall it is on it. */
  at(x: number, y: number): number {
    if (this.group.hasWalls) {
      const square = x * x + y * y;
      if (square <= this.apexRadius * this.apexRadius) return 0;
      const { farX, farY } = this.group;
      const fromNear = Math.abs(x);
      const fromFar = Math.abs(farX * y - farY * x);
      const besideNear = fromNear <= this.tolerance && y < 0;
      const besideFar = fromFar <= this.tolerance && farX * x + farY * y > 0;
      if (besideNear && !(besideFar && fromFar < fromNear)) return this.onWall(NEAR, Math.sqrt(square));
      if (besideFar) return this.onWall(FAR, Math.sqrt(square));
    }
    const known = this.find(x, y, -1);
    return known >= 0 ? known : this.create(x, y, INNER, 0);
  }
}
