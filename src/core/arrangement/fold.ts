import type { Edges } from './edges';
import type { Group } from './group';
import { valueAt } from './lists';
import { rootBetween } from '@/core/number';
import type { Annulus, Piece } from './covered';
import { cutsOf, isEmptySource } from './pieces';
import { angleBetween, polarAt, rangeOfPart } from './polar';
import type { Sources } from './sources';
import { FAR, NEAR, type Vertices } from './vertices';

const FULL = 2 * Math.PI;

const CENTRE = -2;
const INSIDE = -1;

/** A place where a piece is cut: at the centre, on a ray (its number), or inside a sector. */
interface Stop {
  readonly t: number;
  readonly ray: number;
  /** Angle from the first ray, clockwise on the screen, counted on without a jump along the piece. */
  readonly angle: number;
  readonly radius: number;
}

/** A part of a piece is not halved more often to tell what of it lies in an annulus. */
const DEEPEST_PART = 6;

/** A part of a piece by where it begins, and the annulus that it lies in, or −1. */
interface Part {
  readonly from: number;
  readonly annulus: number;
}

/** How the winding numbers, by path and element, change on the way inward along the near wall. */
export class Crossings {
  readonly changes: Int32Array;

  constructor(
    paths: number,
    private readonly order: number,
  ) {
    this.changes = new Int32Array(paths * order);
  }

  /** A curve that runs from the near wall into the sector adds one, one that ends there takes one away. */
  add(path: number, element: number, change: number): void {
    const slot = path * this.order + element;
    this.changes[slot] = valueAt(this.changes, slot) + change;
  }
}

/** Puts pieces of segments into sector 0: cut at the rays between sectors and turned or reflected back. */
export class Folder {
  constructor(
    private readonly group: Group,
    private readonly sources: Sources,
    private readonly vertices: Vertices,
    private readonly edges: Edges,
  ) {}

  /** The pieces of a segment that can be folded one by one; none of one without length. */
  piecesOf(source: number): Piece[] {
    const { tolerance, apexRadius } = this.vertices;
    if (isEmptySource(this.sources, source, tolerance)) return [];
    const cuts = cutsOf(this.sources, source, apexRadius);
    return cuts.slice(1).map((to, k) => ({ source, from: cuts[k] as number, to }));
  }

  fold({ source, from, to }: Piece): void {
    if (this.group.hasWalls) this.foldPiece(source, from, to);
    else this.put(source, 0, from, to, this.vertexAt(source, 0, from), this.vertexAt(source, 0, to));
  }

  /**
   * Folds what of a piece reaches out of annuli that are covered altogether. What lies in one of them is left out; it
   * only tells `omitted` where the curve would have crossed the near wall there.
   */
  foldOutside(piece: Piece, annuli: readonly Annulus[], omitted: readonly Crossings[]): void {
    const parts: Part[] = [];
    this.split(piece.source, piece.from, piece.to, annuli, 0, parts);
    parts.forEach(({ from, annulus }, k) => {
      // Parts that follow each other and go the same way are taken together again.
      if (k > 0 && parts[k - 1]?.annulus === annulus) return;
      const next = parts.findIndex((part, other) => other > k && part.annulus !== annulus);
      const part = { source: piece.source, from, to: parts[next]?.from ?? piece.to };
      const crossings = omitted[annulus];
      if (crossings) this.omit(part, crossings);
      else this.fold(part);
    });
  }

  /** Halves a piece until each part is inside one annulus or as good as outside all of them. */
  private split(
    source: number,
    from: number,
    to: number,
    annuli: readonly Annulus[],
    depth: number,
    into: Part[],
  ): void {
    const { low, high } = rangeOfPart(this.sources, source, from, to);
    const met = annuli.findIndex(({ inner, outer }) => high > inner && low < outer);
    const annulus = annuli[met];
    const within = annulus !== undefined && low >= annulus.inner && high <= annulus.outer;
    if (annulus && !within && depth < DEEPEST_PART) {
      const middle = (from + to) / 2;
      this.split(source, from, middle, annuli, depth + 1, into);
      this.split(source, middle, to, annuli, depth + 1, into);
    } else into.push({ from, annulus: within ? met : -1 });
  }

  /** Where an omitted part would begin or end at the near wall of sector 0. */
  private omit({ source, from, to }: Piece, crossings: Crossings): void {
    const { group } = this;
    const start = polarAt(this.sources, source, from, 1, this.vertices.apexRadius);
    const finish = polarAt(this.sources, source, to, -1, this.vertices.apexRadius);
    const turn = angleBetween(start.angle, finish.angle);
    const last = start.angle + turn;
    const step = turn > 0 ? 1 : -1;
    const rays: number[] = [];
    const rayOf = (angle: number, radius: number): number | null =>
      this.stopAt(0, angle, radius).ray >= 0 ? Math.round(angle / group.angle) : null;
    const first = rayOf(start.angle, start.radius);
    const final = rayOf(last, finish.radius);
    if (first !== null) rays.push(first);
    const low = turn > 0 ? Math.ceil(start.angle / group.angle) : Math.floor(start.angle / group.angle);
    const high = turn > 0 ? Math.floor(last / group.angle) : Math.ceil(last / group.angle);
    for (let ray = low; step > 0 ? ray <= high : ray >= high; ray += step)
      if (ray !== first && ray !== final) rays.push(ray);
    if (final !== null && final !== first) rays.push(final);
    rays.forEach((ray, k) => {
      // Each ray ends a part behind it and begins one before it, but for the first and last where the piece does.
      if (k > 0 || first === null) this.meetNear(source, ray, step > 0 ? ray - 1 : ray, -1, crossings);
      if (k < rays.length - 1 || final === null)
        this.meetNear(source, ray, step > 0 ? ray : ray - 1, 1, crossings);
    });
  }

  private meetNear(source: number, ray: number, sector: number, change: number, crossings: Crossings): void {
    const index = this.wrapped(sector);
    if (!this.isNear(this.wrapped(ray), index)) return;
    crossings.add(this.sources.path(source), this.group.inverse(this.group.ofSector(index)), change);
  }

  private vertexAt(source: number, element: number, t: number): number {
    this.sources.evaluate(source, element, t);
    return this.vertices.at(this.sources.x, this.sources.y);
  }

  private put(source: number, element: number, t0: number, t1: number, start: number, end: number): void {
    if (start === end) return;
    const edge = this.edges.add(start, end);
    this.edges.addUse(edge, source, element, t0, t1);
  }

  private stopAt(t: number, angle: number, radius: number): Stop {
    if (radius <= this.vertices.apexRadius) return { t, ray: CENTRE, angle, radius };
    const ray = Math.round(angle / this.group.angle);
    const away = radius * Math.abs(Math.sin(angle - ray * this.group.angle));
    return { t, ray: away <= this.vertices.tolerance ? this.wrapped(ray) : INSIDE, angle, radius };
  }

  private wrapped(ray: number): number {
    const n = this.group.order;
    return ((ray % n) + n) % n;
  }

  private foldPiece(source: number, t0: number, t1: number): void {
    const { group, sources } = this;
    const start = polarAt(sources, source, t0, 1, this.vertices.apexRadius);
    const end = polarAt(sources, source, t1, -1, this.vertices.apexRadius);
    const turn = angleBetween(start.angle, end.angle);
    const last = start.angle + turn;
    const first = this.stopAt(t0, start.angle, start.radius);
    const final = this.stopAt(t1, last, end.radius);
    const stops: Stop[] = [first];
    const step = turn > 0 ? 1 : -1;
    const from = turn > 0 ? Math.ceil(start.angle / group.angle) : Math.floor(start.angle / group.angle);
    const to = turn > 0 ? Math.floor(last / group.angle) : Math.ceil(last / group.angle);
    // What happens within the apex is the centre: crossings count from where a piece leaves it.
    let low = first.ray === CENTRE ? this.leavesCentre(source, t0, t1) : t0;
    const high = final.ray === CENTRE ? this.leavesCentre(source, t1, t0) : t1;
    for (let ray = from; step > 0 ? ray <= to : ray >= to; ray += step) {
      const index = this.wrapped(ray);
      const nearFirst = first.ray === index && Math.abs(ray * group.angle - first.angle) < 1;
      const nearFinal = final.ray === index && Math.abs(ray * group.angle - final.angle) < 1;
      if (nearFirst || nearFinal) continue;
      const rx = valueAt(group.rayX, index);
      const ry = valueAt(group.rayY, index);
      const aside = (t: number): number => {
        sources.evaluate(source, 0, t);
        return rx * sources.y - ry * sources.x;
      };
      const [f0, f1] = [aside(low), aside(high)];
      if (f0 > 0 === f1 > 0) continue;
      const t = rootBetween(aside, low, high, f0, f1);
      sources.evaluate(source, 0, t);
      const radius = Math.hypot(sources.x, sources.y);
      const onRay = radius > this.vertices.apexRadius ? index : CENTRE;
      stops.push({ t, ray: onRay, angle: ray * group.angle, radius });
      low = t;
    }
    stops.push(final);
    for (let k = 1; k < stops.length; k += 1) this.putBetween(source, stops[k - 1] as Stop, stops[k] as Stop);
  }

  /** Where a piece that begins in the apex has come out of it. */
  private leavesCentre(source: number, inside: number, outside: number): number {
    const past = (t: number): number => {
      this.sources.evaluate(source, 0, t);
      return Math.hypot(this.sources.x, this.sources.y) - this.vertices.apexRadius;
    };
    const [f0, f1] = [past(inside), past(outside)];
    return f0 > 0 === f1 > 0 ? inside : rootBetween(past, inside, outside, f0, f1);
  }

  private putBetween(source: number, a: Stop, b: Stop): void {
    const { group, sources } = this;
    if (a.ray === CENTRE && b.ray === CENTRE) return;
    const middle = (a.t + b.t) / 2;
    sources.evaluate(source, 0, middle);
    const { x, y } = sources;
    const ray = a.ray >= 0 ? a.ray : b.ray;
    const other = b.ray >= 0 ? b.ray : a.ray;
    if (ray >= 0 && ray === other && a.ray !== INSIDE && b.ray !== INSIDE) {
      const aside = Math.abs(valueAt(group.rayX, ray) * y - valueAt(group.rayY, ray) * x);
      if (aside <= this.vertices.tolerance) {
        this.putOnRay(source, ray, a, b);
        return;
      }
    }
    const angle = Math.atan2(x, -y);
    let sector = this.wrapped(Math.floor((angle < 0 ? angle + FULL : angle) / group.angle));
    // A stop on a ray leaves two sectors to choose from; rounding must not choose a third.
    if (a.ray >= 0 && sector !== a.ray && sector !== this.wrapped(a.ray - 1))
      sector = b.angle > a.angle ? a.ray : this.wrapped(a.ray - 1);
    const element = group.inverse(group.ofSector(sector));
    const from = this.vertexOf(source, element, sector, a);
    const to = this.vertexOf(source, element, sector, b);
    this.put(source, element, a.t, b.t, from, to);
  }

  private vertexOf(source: number, element: number, sector: number, stop: Stop): number {
    if (stop.ray === CENTRE) return 0;
    if (stop.ray === INSIDE) return this.vertexAt(source, element, stop.t);
    return this.vertices.onWall(this.isNear(stop.ray, sector) ? NEAR : FAR, stop.radius);
  }

  /** Whether a ray beside a sector becomes the near wall when the sector is turned or reflected into the first. */
  private isNear(ray: number, sector: number): boolean {
    const reflected = this.group.mirror && sector % 2 === 1;
    // With order 2 both rays bound both sectors from one side each; the first is always the near one.
    return (ray !== sector) === reflected;
  }

  /** A piece along a ray lies on the wall, in C_n on both walls, in D_n once as it is and once reflected. */
  private putOnRay(source: number, ray: number, a: Stop, b: Stop): void {
    const { group, vertices } = this;
    const ends = (place: number): [number, number] => [
      a.ray === CENTRE ? 0 : vertices.onWall(place, a.radius),
      b.ray === CENTRE ? 0 : vertices.onWall(place, b.radius),
    ];
    const element = group.inverse(group.ofSector(ray));
    if (!group.mirror) {
      this.put(source, element, a.t, b.t, ...ends(NEAR));
      this.put(source, group.times(1 % group.fold, element), a.t, b.t, ...ends(FAR));
      return;
    }
    const place = ray % 2 === 0 ? NEAR : FAR;
    const reflection = place === NEAR ? group.nearReflection : group.farReflection;
    const [start, end] = ends(place);
    if (start === end) return;
    const edge = this.edges.add(start, end);
    this.edges.addUse(edge, source, element, a.t, b.t);
    this.edges.addUse(edge, source, group.times(reflection, element), a.t, b.t);
  }
}
