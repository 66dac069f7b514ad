import type { Edges } from './edges';
import { Inconsistent } from './errors';
import type { Group } from './group';
import { Ints, valueAt } from './lists';
import { FAR, NEAR, type Vertices } from './vertices';

/** Monotone with the angle of a direction from −π to π, without trigonometry. */
function pseudoAngle(dx: number, dy: number): number {
  const share = dy / (Math.abs(dx) + Math.abs(dy));
  if (dx >= 0) return share;
  return dy >= 0 ? 2 - share : -2 - share;
}

function findRoot(parents: Int32Array, item: number): number {
  let root = item;
  while (valueAt(parents, root) !== root) root = valueAt(parents, root);
  for (let at = item; at !== root;) {
    const next = valueAt(parents, at);
    parents[at] = root;
    at = next;
  }
  return root;
}

/** A number for two vertices in any order. */
const pairKey = (a: number, b: number): number => Math.min(a, b) * 2 ** 26 + Math.max(a, b);

/** The walls of a sector as chains of edges, from the apex outward, each near one with its partner. */
interface Walls {
  /** Live edges of the near wall and of the far wall; in C_n those at the same place are the same edge. */
  readonly near: readonly number[];
  readonly far: readonly number[];
}

function chain(edges: Edges, vertices: readonly number[], known: ReadonlyMap<number, number>): number[] {
  return vertices.slice(1).map((vertex, k) => {
    const before = vertices[k] as number;
    return known.get(pairKey(before, vertex)) ?? edges.add(before, vertex);
  });
}

/** Closes the sector: walls where no edge runs along them, and an outer border. Edges so made have no uses. */
function buildWalls(group: Group, vertices: Vertices, edges: Edges): Walls & { readonly border: number } {
  const known = new Map<number, number>();
  const { places } = vertices;
  for (let e = 0; e < edges.count; e += 1) {
    const a = edges.starts.at(e);
    const b = edges.ends.at(e);
    if (edges.alive.at(e) === 1 && places.at(a) !== 0 && places.at(b) !== 0) known.set(pairKey(a, b), e);
  }
  let size = 1e-9;
  for (let v = 0; v < vertices.count; v += 1)
    size = Math.max(size, Math.hypot(vertices.xs.at(v), vertices.ys.at(v)));
  const outer = 3 * size;
  const outerNear = vertices.onWall(NEAR, outer);
  const outerFar = group.mirror ? vertices.onWall(FAR, outer) : vertices.mates.at(outerNear);
  const on = (place: number): number[] => {
    const found: number[] = [];
    for (let v = 0; v < vertices.count; v += 1) if (places.at(v) === place) found.push(v);
    return found.sort((a, b) => vertices.radii.at(a) - vertices.radii.at(b));
  };
  const nearVertices = [0, ...on(NEAR)];
  const farVertices = group.mirror
    ? [0, ...on(FAR)]
    : nearVertices.map((v, k) => (k === 0 ? 0 : vertices.mates.at(v)));
  const near = chain(edges, nearVertices, known);
  const far = chain(edges, farVertices, known);
  if (!group.mirror) shareUses(group, edges, near, far);
  // Half a plane needs a corner in its border to have an inside.
  let border: number;
  if (group.angle > Math.PI / 2) {
    const half = group.angle / 2;
    const corner = vertices.at(outer * Math.sin(half), -outer * Math.cos(half));
    border = edges.add(outerNear, corner);
    edges.add(corner, outerFar);
  } else border = edges.add(outerNear, outerFar);
  return { near, far, border };
}

/** In C_n an edge along one wall is there on the other as well, whatever rounding made of it. */
function shareUses(group: Group, edges: Edges, near: readonly number[], far: readonly number[]): void {
  const step = 1 % group.fold;
  const copyUses = (from: number, into: number, by: number): void => {
    for (let use = edges.firstUses.at(from); use >= 0; use = edges.useNext.at(use)) {
      const element = group.times(by, edges.useElements.at(use));
      // Both chains run outward, but a drawn edge may not.
      const turned = outward(edges, from) !== outward(edges, into) && edges.firstUses.at(into) >= 0;
      const [a, b] = [edges.useFrom.at(use), edges.useTo.at(use)];
      const flip = turned || (edges.firstUses.at(into) < 0 && !outward(edges, from));
      edges.addUse(into, edges.useSources.at(use), element, flip ? b : a, flip ? a : b);
    }
  };
  near.forEach((edge, k) => {
    const other = far[k] as number;
    if (edges.firstUses.at(edge) >= 0 && edges.firstUses.at(other) < 0) copyUses(edge, other, step);
    else if (edges.firstUses.at(other) >= 0 && edges.firstUses.at(edge) < 0)
      copyUses(other, edge, group.inverse(step));
  });
}

/** True where an edge on a wall runs away from the centre. */
const outward = (edges: Edges, edge: number): boolean =>
  edges.vertices.radii.at(edges.starts.at(edge)) < edges.vertices.radii.at(edges.ends.at(edge));

/**
 * The faces of a sector's plane straight-line graph by half-edges (de Berg and others, "Computational
 * Geometry", chapter 2). Half-edge 2k runs along live edge k from its start, 2k + 1 back; the face of a
 * half-edge lies to its left in raw coordinates, which is clockwise round a face on the screen.
 */
export class Subdivision {
  readonly live = new Ints();
  /** The half-edge after each one round its face. */
  next = new Int32Array(0);
  /** Face of each half-edge; −1 outside the sector. */
  face = new Int32Array(0);
  faceCount = 0;
  /** A half-edge of each cycle, and the face that each cycle bounds. */
  readonly cycles = new Ints();
  readonly cycleFaces = new Ints();
  /** The face that reaches to infinity. */
  unbounded = 0;
  components = 0;
  /** Live edges of the walls, by number in `live`; in C_n the partners on both walls, in D_n alone. */
  private nearWall = new Int32Array(0);
  private farWall = new Int32Array(0);
  private readonly wallSide: Uint8Array;
  private readonly wallIndex: Int32Array;

  constructor(
    readonly group: Group,
    readonly vertices: Vertices,
    readonly edges: Edges,
  ) {
    const walls = group.hasWalls ? buildWalls(group, vertices, edges) : null;
    const liveOf = new Int32Array(edges.count).fill(-1);
    for (let e = 0; e < edges.count; e += 1) if (edges.alive.at(e) === 1) liveOf[e] = this.live.push(e);
    this.wallSide = new Uint8Array(this.live.length);
    this.wallIndex = new Int32Array(this.live.length);
    if (walls) {
      this.nearWall = Int32Array.from(walls.near, (e) => valueAt(liveOf, e));
      this.farWall = Int32Array.from(walls.far, (e) => valueAt(liveOf, e));
      for (const [side, wall] of [
        [NEAR, this.nearWall],
        [FAR, this.farWall],
      ] as const)
        wall.forEach((k, index) => {
          this.wallSide[k] = side;
          this.wallIndex[k] = index;
        });
    }
    this.link();
    this.bound(walls ? valueAt(liveOf, walls.border) : -1);
  }

  get halfEdgeCount(): number {
    return 2 * this.live.length;
  }

  edgeOf(half: number): number {
    return this.live.at(half >> 1);
  }

  origin(half: number): number {
    const edge = this.live.at(half >> 1);
    return half % 2 === 0 ? this.edges.starts.at(edge) : this.edges.ends.at(edge);
  }

  /** The half-edges that leave a vertex. */
  around(vertex: number): Int32Array {
    return this.sorted.subarray(valueAt(this.firstAt, vertex), valueAt(this.firstAt, vertex + 1));
  }

  /** True for walls and the border, which nobody drew. */
  isArtificial(half: number): boolean {
    return this.edges.firstUses.at(this.live.at(half >> 1)) < 0;
  }

  /** Sorts the half-edges round each vertex and links them to faces. */
  private link(): void {
    const count = this.halfEdgeCount;
    const { xs, ys } = this.vertices;
    const starts = new Int32Array(this.vertices.count + 1);
    for (let h = 0; h < count; h += 1) starts[this.origin(h) + 1] = valueAt(starts, this.origin(h) + 1) + 1;
    for (let v = 1; v < starts.length; v += 1) starts[v] = valueAt(starts, v) + valueAt(starts, v - 1);
    const fill = starts.slice();
    const sorted = new Int32Array(count);
    const angles = new Float64Array(count);
    for (let h = 0; h < count; h += 1) {
      const u = this.origin(h);
      const v = this.origin(h ^ 1);
      const angle = pseudoAngle(xs.at(v) - xs.at(u), ys.at(v) - ys.at(u));
      angles[h] = angle;
      let slot = valueAt(fill, u);
      fill[u] = slot + 1;
      const first = valueAt(starts, u);
      while (slot > first && valueAt(angles, valueAt(sorted, slot - 1)) > angle) {
        sorted[slot] = valueAt(sorted, slot - 1);
        slot -= 1;
      }
      sorted[slot] = h;
    }
    this.next = new Int32Array(count);
    for (let v = 0; v + 1 < starts.length; v += 1) {
      const first = valueAt(starts, v);
      const end = valueAt(starts, v + 1);
      for (let slot = first; slot < end; slot += 1) {
        const h = valueAt(sorted, slot);
        const before = valueAt(sorted, slot === first ? end - 1 : slot - 1);
        this.next[h ^ 1] = before;
      }
    }
    this.firstAt = starts;
    this.sorted = sorted;
  }

  private firstAt = new Int32Array(0);
  private sorted = new Int32Array(0);

  /** Finds cycles, tells outer ones from inner ones, nests components and numbers the faces. */
  private bound(border: number): void {
    const count = this.halfEdgeCount;
    const { xs, ys } = this.vertices;
    const cycleOf = new Int32Array(count).fill(-1);
    for (let h = 0; h < count; h += 1) {
      if (valueAt(cycleOf, h) >= 0) continue;
      const cycle = this.cycles.push(h);
      for (let at = h; valueAt(cycleOf, at) < 0; at = valueAt(this.next, at)) cycleOf[at] = cycle;
    }
    const parents = Int32Array.from({ length: this.vertices.count }, (_, v) => v);
    for (let k = 0; k < this.live.length; k += 1)
      parents[findRoot(parents, this.origin(2 * k))] = findRoot(parents, this.origin(2 * k + 1));

    // The leftmost vertex of each component; the cycle that passes it on the left is the component's outside.
    const leftmostOf = new Int32Array(this.vertices.count).fill(-1);
    for (let v = 0; v < this.vertices.count; v += 1) {
      if (valueAt(this.firstAt, v) === valueAt(this.firstAt, v + 1)) continue;
      const root = findRoot(parents, v);
      const best = valueAt(leftmostOf, root);
      if (best < 0 || xs.at(v) < xs.at(best) || (xs.at(v) === xs.at(best) && ys.at(v) < ys.at(best)))
        leftmostOf[root] = v;
    }
    const leftmost: [number, number][] = [];
    leftmostOf.forEach((v, root) => {
      if (v >= 0) leftmost.push([root, v]);
    });
    this.components = leftmost.length;
    const outsideCycles = new Map<number, number>();
    for (const [root, v] of leftmost)
      outsideCycles.set(root, valueAt(cycleOf, valueAt(this.sorted, valueAt(this.firstAt, v + 1) - 1)));

    const isOutside = new Uint8Array(this.cycles.length);
    for (const cycle of outsideCycles.values()) isOutside[cycle] = 1;
    if (border < 0) this.faceCount = 1;
    for (let cycle = 0; cycle < this.cycles.length; cycle += 1) {
      if (valueAt(isOutside, cycle) === 1) this.cycleFaces.push(-1);
      else {
        this.cycleFaces.push(this.faceCount);
        this.faceCount += 1;
      }
    }
    const wallRoot = border < 0 ? -1 : findRoot(parents, 0);
    const byLeft = leftmost.sort(([, a], [, b]) => xs.at(a) - xs.at(b) || ys.at(a) - ys.at(b));
    for (const [root, v] of byLeft) {
      if (root === wallRoot) continue;
      const beside = this.edgeLeftOf(v, root, parents);
      const face = beside < 0 ? 0 : this.cycleFaces.at(valueAt(cycleOf, beside));
      this.cycleFaces.set(outsideCycles.get(root) as number, face);
    }
    this.face = new Int32Array(count);
    for (let h = 0; h < count; h += 1) this.face[h] = this.cycleFaces.at(valueAt(cycleOf, h));
    // The border runs from the near to the far wall, so the sector lies to the left of its second half.
    if (border >= 0) {
      this.unbounded = Math.max(valueAt(this.face, 2 * border), valueAt(this.face, 2 * border + 1));
      if (this.unbounded < 0) throw new Inconsistent('The sector is not closed.');
    }
  }

  /** The half-edge whose left side is first met from a vertex towards −x, of another component; −1 for none. */
  private edgeLeftOf(vertex: number, root: number, parents: Int32Array): number {
    const { xs, ys } = this.vertices;
    const x = xs.at(vertex);
    const y = ys.at(vertex);
    const { tolerance } = this.vertices;
    let best = -Infinity;
    let found = -1;
    for (let k = 0; k < this.live.length; k += 1) {
      const y0 = ys.at(this.origin(2 * k));
      const y1 = ys.at(this.origin(2 * k + 1));
      if (y0 <= y === y1 <= y) continue;
      const at = this.crossingOf(k, y);
      if (at >= x || at < best - tolerance) continue;
      // Edges that are as near as this meet close by: where they are farther apart tells which is to the right.
      if (at <= best + tolerance && !this.isRightOf(k, found >> 1, y)) continue;
      if (findRoot(parents, this.origin(2 * k)) === root) continue;
      best = at;
      found = y1 < y0 ? 2 * k : 2 * k + 1;
    }
    return found;
  }

  /** Where an edge's chord is at a height. */
  private crossingOf(k: number, y: number): number {
    const { xs, ys } = this.vertices;
    const u = this.origin(2 * k);
    const v = this.origin(2 * k + 1);
    const y0 = ys.at(u);
    const y1 = ys.at(v);
    if (y === y0) return xs.at(u);
    return y === y1 ? xs.at(v) : xs.at(u) + ((xs.at(v) - xs.at(u)) * (y - y0)) / (y1 - y0);
  }

  private isRightOf(k: number, other: number, y: number): boolean {
    const { ys } = this.vertices;
    const range = (edge: number): [number, number] => {
      const [a, b] = [ys.at(this.origin(2 * edge)), ys.at(this.origin(2 * edge + 1))];
      return a < b ? [a, b] : [b, a];
    };
    const [a, b] = [range(k), range(other)];
    const low = Math.max(a[0], b[0]);
    const high = Math.min(a[1], b[1]);
    const far = high - y > y - low ? high : low;
    return this.crossingOf(k, far) > this.crossingOf(other, far);
  }

  /** 0 inside the sector, else on which wall a half-edge lies: NEAR or FAR. */
  wallOf(half: number): number {
    return valueAt(this.wallSide, half >> 1);
  }

  /** In C_n, the half-edge at the same place on the other wall that runs the same way from the centre. */
  mateOf(half: number): number {
    const k = half >> 1;
    const index = valueAt(this.wallIndex, k);
    const mate = valueAt(valueAt(this.wallSide, k) === NEAR ? this.farWall : this.nearWall, index);
    return 2 * mate + (this.isOutward(half) === this.isOutward(2 * mate) ? 0 : 1);
  }

  private isOutward(half: number): boolean {
    const { radii } = this.vertices;
    return radii.at(this.origin(half)) < radii.at(this.origin(half ^ 1));
  }

  /** The face to the right of a half-edge that has a face of the sector to its left, across walls too; −1 for none. */
  across(half: number): number {
    if (this.wallOf(half) === 0) return valueAt(this.face, half ^ 1);
    if (this.group.mirror) return valueAt(this.face, half);
    return valueAt(this.face, this.mateOf(half) ^ 1);
  }
}
