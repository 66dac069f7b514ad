import { cosSin, turn } from '@/core/number';
import { valueAt } from './lists';

/** The symmetry of an arrangement: C_n, or D_n with a mirror whose axis points straight up. */
export interface Symmetry {
  readonly fold: number;
  readonly mirror: boolean;
}

/**
 * The cyclic group C_n or the dihedral group D_n in the plane (any text on group theory; the point groups of
 * the International Tables for Crystallography). Element e is the map p → R^k M^m p with k = e mod n and
 * m = 1 for e ≥ n, where R turns by 1/n clockwise on the screen and M reflects about the axis.
 *
 * A sector of the plane that its elements carry over the whole lies between two walls: the near wall, which
 * points straight up, and the far wall, `angle` clockwise from it. C_1 needs no sector: the plane is one.
 */
export class Group {
  readonly fold: number;
  readonly mirror: boolean;
  /** How many elements: n, or 2n with a mirror; as many sectors make the plane. */
  readonly order: number;
  /** False for C_1, whose sector is the plane. */
  readonly hasWalls: boolean;
  /** The angle of a sector in radians. */
  readonly angle: number;
  /** The matrix of each element, (x, y) → (xx x + xy y, yx x + yy y). */
  readonly xx: Float64Array;
  readonly xy: Float64Array;
  readonly yx: Float64Array;
  readonly yy: Float64Array;
  /** Directions of the rays between sectors, the first straight up. */
  readonly rayX: Float64Array;
  readonly rayY: Float64Array;

  constructor({ fold, mirror }: Symmetry) {
    this.fold = fold;
    this.mirror = mirror;
    this.order = mirror ? 2 * fold : fold;
    this.hasWalls = this.order > 1;
    this.angle = (2 * Math.PI) / this.order;
    this.xx = new Float64Array(this.order);
    this.xy = new Float64Array(this.order);
    this.yx = new Float64Array(this.order);
    this.yy = new Float64Array(this.order);
    this.rayX = new Float64Array(this.order);
    this.rayY = new Float64Array(this.order);
    for (let e = 0; e < this.order; e += 1) {
      const { cos, sin } = cosSin(turn(e % fold, fold));
      const side = e < fold ? 1 : -1;
      this.xx[e] = side * cos;
      this.yx[e] = side * sin;
      this.xy[e] = -sin;
      this.yy[e] = cos;
      const ray = cosSin(turn(e, this.order));
      this.rayX[e] = ray.sin;
      this.rayY[e] = -ray.cos;
    }
  }

  /** The element that first does b and then a. */
  times(a: number, b: number): number {
    const n = this.fold;
    const [ka, kb] = [a % n, b % n];
    const [ma, mb] = [a >= n, b >= n];
    const k = (ka + (ma ? n - kb : kb)) % n;
    return ma === mb ? k : k + n;
  }

  inverse(a: number): number {
    return a >= this.fold ? a : (this.fold - a) % this.fold;
  }

  /** The element that takes sector 0 to sector j; every second one is a reflection where there is a mirror. */
  ofSector(j: number): number {
    if (!this.mirror) return j;
    return j % 2 === 0 ? j / 2 : (((j + 1) / 2) % this.fold) + this.fold;
  }

  /** With a mirror, the reflection about the near or far wall; else the step from the near to the far wall. */
  get nearReflection(): number {
    return this.fold;
  }

  get farReflection(): number {
    return (1 % this.fold) + this.fold;
  }

  get farX(): number {
    return valueAt(this.rayX, 1 % this.order);
  }

  get farY(): number {
    return valueAt(this.rayY, 1 % this.order);
  }
}

const known = new Map<string, Group>();

/** The group of a symmetry; the last few are kept, as their matrices take longer than a small merge. */
export function groupOf({ fold, mirror }: Symmetry): Group {
  const key = `${fold}${mirror ? 'm' : ''}`;
  const group = known.get(key) ?? new Group({ fold, mirror });
  known.delete(key);
  known.set(key, group);
  const [oldest] = known.keys();
  if (known.size > 8 && oldest !== undefined) known.delete(oldest);
  return group;
}
