import type { Edges } from './edges';
import type { Group } from './group';
import { valueAt } from './lists';
import { rootBetween } from '../number/roots';
import { cutsOf, isEmptySource } from './pieces';
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

/** Puts pieces of segments into sector 0: cut at the rays between sectors and turned or reflected back. */
export class Folder {
  constructor(
    private readonly group: Group,
    private readonly sources: Sources,
    private readonly vertices: Vertices,
    private readonly edges: Edges,
  ) {}

  /** Folds a whole segment. */
  fold(source: number): void {
    const { tolerance, apexRadius } = this.vertices;
    if (isEmptySource(this.sources, source, tolerance)) return;
    const cuts = cutsOf(this.sources, source, apexRadius);
    for (let k = 1; k < cuts.length; k += 1) {
      const t0 = cuts[k - 1] as number;
      const t1 = cuts[k] as number;
      if (this.group.hasWalls) this.foldPiece(source, t0, t1);
      else this.put(source, 0, t0, t1, this.vertexAt(source, 0, t0), this.vertexAt(source, 0, t1));
    }
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

  /** The angle at a parameter; near the centre that of the tangent, towards `ahead` of it. */
  private angleAt(source: number, t: number, ahead: number): { angle: number; radius: number } {
    const s = this.sources;
    s.evaluateTangent(source, 0, t, ahead);
    const radius = Math.hypot(s.x, s.y);
    const [x, y] = radius > 1e-4 * this.vertices.apexRadius ? [s.x, s.y] : [s.dx * ahead, s.dy * ahead];
    const angle = Math.atan2(x, -y);
    return { angle: angle < 0 ? angle + FULL : angle, radius };
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
    const start = this.angleAt(source, t0, 1);
    const end = this.angleAt(source, t1, -1);
    let turn = end.angle - start.angle;
    if (turn > Math.PI) turn -= FULL;
    if (turn <= -Math.PI) turn += FULL;
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
    const ahead = stop.ray !== sector;
    const reflected = this.group.mirror && sector % 2 === 1;
    // With order 2 both rays bound both sectors from one side each; the first is always the near one.
    return this.vertices.onWall(ahead === reflected ? NEAR : FAR, stop.radius);
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
