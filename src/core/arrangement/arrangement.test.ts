import { describe, expect, it } from 'vitest';

import { circle, polygon } from '../../../tests/help/motifs';
import { arcFromBulge, cubic, fromPolar, line, type Path } from '@/core/curve';
import { arrange, FULL_TOLERANCE, type Arrangement, type ArrangementRequest } from './arrange';
import type { CoverRule } from './windings';
import { TooMuchWork } from './errors';
import { USUAL_LIMIT } from './node';

function arranged(
  fold: number,
  mirror: boolean,
  paths: readonly Path[],
  rule: CoverRule = 'nonzero',
  limit = USUAL_LIMIT,
): Arrangement {
  const request: ArrangementRequest = {
    fold,
    mirror,
    tolerance: FULL_TOLERANCE,
    members: 1,
    paths: [{ contours: paths, rule, member: 0 }],
    limit,
  };
  const steps = arrange(request);
  for (;;) {
    const step = steps.next();
    if (step.done) return step.value;
  }
}

const open = (...segments: Path['segments']): Path => ({ closed: false, segments });

/** All diagonals and sides of a regular n-gon that begin at its top corner; their turns are all there are. */
function diagonals(n: number, mirror: boolean): Path[] {
  const corner = (k: number) => fromPolar(100, (360 * k) / n);
  const last = mirror ? Math.floor(n / 2) : n - 1;
  return Array.from({ length: last }, (_, k) => open(line(corner(0), corner(k + 1))));
}

// Poonen and Rubinstein, "The number of intersection points made by the diagonals of a regular polygon", SIAM J.
// Discrete Math. 11 (1998); OEIS A007678 (regions) and A006561 (inner crossings), n = 3 … 30, 42, 60.
const REGIONS = [
  1, 4, 11, 24, 50, 80, 154, 220, 375, 444, 781, 952, 1456, 1696, 2500, 2466, 4029, 4500, 6175, 6820, 9086,
  9024, 12926, 13988, 17875, 19180, 24129, 21480,
];
const CROSSINGS = [
  0, 1, 5, 13, 35, 49, 126, 161, 330, 301, 715, 757, 1365, 1377, 2380, 1837, 3876, 3841, 5985, 5941, 8855,
  7297, 12650, 12481, 17550, 17249, 23751, 16801,
];
const TABLE = new Map([...REGIONS.map((regions, k) => [k + 3, regions] as const), [42, 97734], [60, 443460]]);

/** Points of the plane through which more than one straight line goes, each as often as the group shows it. */
function crossingCount({ subdivision }: Arrangement): number {
  const { group, vertices } = subdivision;
  const lines = new Map<number, Set<number>>();
  const direction = (dx: number, dy: number): number => {
    const angle = Math.atan2(dy, dx);
    return Math.round(((((angle % Math.PI) + Math.PI) % Math.PI) / Math.PI) * 1e6) % 1e6;
  };
  const walls = [0, -Math.PI / 2, -Math.PI / 2 + group.angle, 0];
  for (let h = 0; h < subdivision.halfEdgeCount; h += 1) {
    if (subdivision.isArtificial(h)) continue;
    const [u, v] = [subdivision.origin(h), subdivision.origin(h ^ 1)];
    const [dx, dy] = [vertices.xs.at(v) - vertices.xs.at(u), vertices.ys.at(v) - vertices.ys.at(u)];
    const known = lines.get(u) ?? new Set();
    known.add(direction(dx, dy));
    const place = vertices.places.at(u);
    // On a mirror every line has its image.
    const [c, s] = [Math.cos(2 * walls[place]!), Math.sin(2 * walls[place]!)];
    if (place === 1 || place === 2) known.add(direction(c * dx + s * dy, s * dx - c * dy));
    if (place === 3) known.add(-1).add(-2);
    lines.set(u, known);
  }
  let count = 0;
  for (const [v, directions] of lines) {
    if (directions.size < 2) continue;
    const place = vertices.places.at(v);
    count += place === 3 ? 1 : place === 0 ? group.order : group.fold;
  }
  return count;
}

describe('all diagonals of a regular polygon', () => {
  it.each([...TABLE])('of %i corners make %i regions, with and without mirror', (n, regions) => {
    for (const mirror of [false, true]) {
      const arrangement = arranged(n, mirror, diagonals(n, mirror), 'line');
      expect(arrangement.cellCount).toBe(regions);
      const kinds = arrangement.cellKinds();
      for (const { size } of kinds) expect((2 * n) % size).toBe(0);
      // Together they are the polygon: n triangles of two radii.
      const area = kinds.reduce((sum, kind) => sum + kind.size * kind.area, 0);
      expect(area / ((n / 2) * 1e4 * Math.sin((2 * Math.PI) / n))).toBeCloseTo(1, 9);
      expect(Math.max(...kinds.map(({ outer }) => outer))).toBeCloseTo(100, 9);
    }
  });

  it('cross as often inside as the published table says', () => {
    CROSSINGS.forEach((crossings, k) => {
      const n = k + 3;
      const arrangement = arranged(n, true, diagonals(n, true), 'line');
      expect(crossingCount(arrangement) - n).toBe(crossings);
    });
  });
});

describe('n equal circles through the centre', () => {
  // V: the centre, and each of the n(n−1)/2 pairs of circles meets in one more point, where opposite circles touch
  // only in the centre (n/2 pairs for even n). Each circle is cut at the centre and at its crossings into as many edges.
  // Euler's V − E + F = 2 then gives n²/2 bounded cells for even n, n(n+1)/2 for odd n.
  it.each([2, 3, 4, 5, 6, 7, 8, 12, 15, 24, 60, 61, 359, 360, 720])('for n = %i', (n) => {
    for (const mirror of [false, true]) {
      const arrangement = arranged(n, mirror, [circle(0, -50, 50)]);
      expect(arrangement.cellCount).toBe(n % 2 === 0 ? (n * n) / 2 : (n * (n + 1)) / 2);
      // Every copy's area is counted where it covers; a mirrored circle on the axis is its own image.
      const order = mirror ? 2 * n : n;
      const sum = arrangement
        .cellKinds()
        .reduce((s, kind) => s + kind.size * kind.area * (kind.depths[0] ?? 0), 0);
      expect(sum / (order * Math.PI * 2500)).toBeCloseTo(1, 9);
    }
  });
});

describe('what symmetry makes degenerate', () => {
  // Weisstein, "Circle-Circle Intersection" and "Vesica Piscis", MathWorld.
  it('two circles through each other’s centres: the lens r² (2π/3 − √3/2)', () => {
    const kinds = arranged(2, false, [circle(0, -25, 50)]).cellKinds();
    expect(kinds.map(({ size, depths }) => [size, depths[0]])).toEqual([
      [1, 2],
      [2, 1],
    ]);
    expect(kinds[0]!.area / (2500 * ((2 * Math.PI) / 3 - Math.sqrt(3) / 2))).toBeCloseTo(1, 11);
    expect(kinds[0]!.inner).toBe(0);
  });

  // n equal circles on a ring of radius R touch where r = R sin(π/n): plane trigonometry.
  it('circles on a ring that touch: n discs and what they enclose', () => {
    for (const n of [3, 4, 5, 8, 12, 17, 60, 180]) {
      const touching = arranged(n, false, [circle(0, -50, 50 * Math.sin(Math.PI / n))]).cellKinds();
      expect(touching.map(({ size, depths }) => [size, depths[0]])).toEqual([
        [1, 0],
        [n, 1],
      ]);
      expect(arranged(n, false, [circle(0, -50, 49.9 * Math.sin(Math.PI / n))]).cellCount).toBe(n);
    }
  });

  it('circles that touch inside a wedge, from outside and from inside', () => {
    const outside = arranged(5, true, [circle(0, -60, 5), circle(0, -48, 7)], 'line');
    expect(outside.cellCount).toBe(10);
    const inside = arranged(5, true, [circle(0, -60, 8), circle(0, -65, 3)], 'line');
    expect(inside.cellCount).toBe(10);
    const cells = inside.cellKinds().map(({ area }) => area / Math.PI);
    expect(cells.sort((a, b) => a - b)).toEqual([expect.closeTo(9, 9), expect.closeTo(55, 9)]);
  });

  it('wedges that share their edges with their copies fill the polygon', () => {
    for (const n of [3, 4, 7, 12, 360, 720]) {
      const slice = polygon([{ x: 0, y: 0 }, fromPolar(10, 0), fromPolar(10, 360 / n)]);
      const arrangement = arranged(n, false, [slice]);
      expect(arrangement.cellCount).toBe(n);
      expect(arrangement.kindCount).toBe(2);
      const half = polygon([{ x: 0, y: 0 }, fromPolar(10, 0), fromPolar(10, 180 / n)]);
      expect(arranged(n, true, [half]).cellCount).toBe(2 * n);
    }
  });

  it('bars through the centre', () => {
    // Lines through one point: 2n rays, no bounded cell; closed by a circle they make 2n sectors.
    const bar = open(line({ x: 0, y: -30 }, { x: 0, y: 30 }));
    for (const n of [1, 2, 3, 5, 12, 90, 720]) {
      expect(arranged(n, false, [bar], 'line').cellCount).toBe(0);
      const lines = n % 2 === 0 ? n : 2 * n;
      expect(arranged(n, false, [bar, circle(0, 0, 30)], 'line').cellCount).toBe(n === 1 ? 2 : lines);
    }
  });

  it('islands in holes in islands', () => {
    const rings = [20, 15, 10].map((r) => circle(0, -60, r));
    const kinds = arranged(6, false, rings, 'evenodd').cellKinds();
    expect(kinds.map(({ size, depths }) => [size, depths[0]])).toEqual(
      expect.arrayContaining([
        [6, 1],
        [6, 0],
        [6, 1],
      ]),
    );
    expect(kinds.map(({ area }) => Math.round(area / Math.PI)).sort((a, b) => a - b)).toEqual([
      100, 125, 175,
    ]);
  });

  it('a circle about the centre is one, whatever the fold', () => {
    for (const n of [1, 2, 3, 7, 360, 720])
      for (const mirror of [false, true]) {
        const kinds = arranged(n, mirror, [circle(0, 0, 40)]).cellKinds();
        expect(kinds).toHaveLength(1);
        expect(kinds[0]!.size).toBe(1);
        expect(kinds[0]!.area / (Math.PI * 1600)).toBeCloseTo(1, 10);
        expect([kinds[0]!.inner, kinds[0]!.outer]).toEqual([0, expect.closeTo(40, 9)]);
      }
  });

  it('a cubic that follows an edge of its copy exactly is that edge', () => {
    const straight = cubic({ x: 0, y: 0 }, { x: 0, y: -3 }, { x: 0, y: -7 }, { x: 0, y: -10 });
    const slice: Path = {
      closed: true,
      segments: [
        straight,
        arcFromBulge({ x: 0, y: -10 }, { x: 10, y: 0 }, Math.tan(Math.PI / 8)),
        line({ x: 10, y: 0 }, { x: 0, y: 0 }),
      ],
    };
    const kinds = arranged(4, false, [slice]).cellKinds();
    expect(kinds.map(({ size, area }) => [size, area])).toEqual([[4, expect.closeTo(25 * Math.PI, 9)]]);
  });
});

describe('the work limit', () => {
  it('ends what would go on for too long with a sentence', () => {
    const tangle = Array.from({ length: 40 }, (_, k) =>
      open(line(fromPolar(50, 7 * k), fromPolar(50, 200 + 11 * k))),
    );
    expect(() => arranged(60, false, tangle, 'line', { edges: 20_000, tests: 1e9 })).toThrow(TooMuchWork);
    expect(() => arranged(60, false, tangle, 'line', { edges: 1e9, tests: 20_000 })).toThrow(
      /were left as they are/,
    );
  });
});
