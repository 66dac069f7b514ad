import fc from 'fast-check';
import { describe, expect, it } from 'vitest';

import { arcFromBulge, cubic, line, pointAt, type Segment } from '@/core/curve';
import { Grid, Raster } from './grid';
import { Group } from './group';
import { Ints, valueAt } from './lists';
import { cutsOf } from './pieces';
import { Sources } from './sources';
import { APEX, FAR, INNER, NEAR, Vertices } from './vertices';

const point = fc.record({ x: fc.integer({ min: -20, max: 20 }), y: fc.integer({ min: -20, max: 20 }) });
const curve: fc.Arbitrary<Segment> = fc
  .tuple(
    point,
    point,
    point,
    point,
    fc.constantFrom('line', 'arc', 'cubic'),
    fc.constantFrom(-1, -0.4, 0.3, 1),
  )
  .filter(([a, , , d]) => a.x !== d.x || a.y !== d.y)
  .map(([a, b, c, d, kind, bulge]) =>
    kind === 'line' ? line(a, d) : kind === 'arc' ? arcFromBulge(a, d, bulge) : cubic(a, b, c, d),
  );
const symmetry = fc.record({ fold: fc.integer({ min: 1, max: 60 }), mirror: fc.boolean() });

const imageOf = (group: Group, e: number, { x, y }: { x: number; y: number }) => ({
  x: valueAt(group.xx, e) * x + valueAt(group.xy, e) * y,
  y: valueAt(group.yx, e) * x + valueAt(group.yy, e) * y,
});

describe('the group', () => {
  it('multiplies as its matrices do, and inverts', () => {
    fc.assert(
      fc.property(symmetry, fc.nat(), fc.nat(), point, (sym, i, j, p) => {
        const group = new Group(sym);
        const [a, b] = [i % group.order, j % group.order];
        const there = imageOf(group, a, imageOf(group, b, p));
        const once = imageOf(group, group.times(a, b), p);
        expect(Math.hypot(there.x - once.x, there.y - once.y)).toBeLessThan(1e-12 * 30);
        expect(group.times(a, group.inverse(a))).toBe(0);
        expect(group.times(group.inverse(a), a)).toBe(0);
      }),
    );
  });

  it('carries the first sector to every other', () => {
    fc.assert(
      fc.property(symmetry, fc.nat(), fc.double({ min: 0.01, max: 0.99, noNaN: true }), (sym, j, share) => {
        const group = new Group(sym);
        const sector = j % group.order;
        const angle = share * group.angle;
        const image = imageOf(group, group.ofSector(sector), { x: Math.sin(angle), y: -Math.cos(angle) });
        const turned = (Math.atan2(image.x, -image.y) + 2 * Math.PI) % (2 * Math.PI);
        expect(Math.floor(turned / group.angle)).toBe(sector);
      }),
    );
  });

  it('has reflections that leave their walls alone', () => {
    for (const fold of [1, 2, 3, 12, 720]) {
      const group = new Group({ fold, mirror: true });
      const near = imageOf(group, group.nearReflection, { x: 0, y: -5 });
      const far = imageOf(group, group.farReflection, { x: 5 * group.farX, y: 5 * group.farY });
      expect(near).toEqual({ x: expect.closeTo(0, 15) as number, y: -5 });
      expect(Math.hypot(far.x - 5 * group.farX, far.y - 5 * group.farY)).toBeLessThan(1e-14);
    }
  });
});

describe('sources', () => {
  it('are evaluated as the segments they come from, in any copy', () => {
    fc.assert(
      fc.property(symmetry, curve, fc.nat(), fc.nat(100), (sym, segment, i, k) => {
        const group = new Group(sym);
        const sources = new Sources(group);
        const source = sources.add(segment, 0);
        const element = i % group.order;
        sources.evaluate(source, element, k / 100);
        const image = imageOf(group, element, pointAt(segment, k / 100));
        expect(Math.hypot(sources.x - image.x, sources.y - image.y)).toBeLessThan(1e-11);
        // The derivative by small differences.
        const [x, y, dx, dy] = [sources.x, sources.y, sources.dx, sources.dy];
        sources.evaluate(source, element, k / 100 + 1e-7);
        const scale = 1 + Math.hypot(dx, dy, sources.ddx, sources.ddy);
        expect(Math.hypot((sources.x - x) / 1e-7 - dx, (sources.y - y) / 1e-7 - dy)).toBeLessThan(
          1e-4 * scale,
        );
      }),
    );
  });

  it('know the area between a part and its chord: parts add up to the whole', () => {
    fc.assert(
      fc.property(curve, fc.integer({ min: 1, max: 99 }), (segment, k) => {
        const sources = new Sources(new Group({ fold: 1, mirror: false }));
        const source = sources.add(segment, 0);
        const t = k / 100;
        const m = pointAt(segment, t);
        const [a, b] = [segment.from, segment.to];
        const triangle = (m.x - a.x) * (b.y - a.y) - (m.y - a.y) * (b.x - a.x);
        const whole = sources.doubleBulge(source, 0, 0, 1);
        const parts = sources.doubleBulge(source, 0, 0, t) + sources.doubleBulge(source, 0, t, 1);
        expect(Math.abs(parts + triangle - whole)).toBeLessThan(1e-9 * 400);
        expect(sources.doubleBulge(source, 0, 1, 0)).toBeCloseTo(-whole, 9);
      }),
    );
  });
});

describe('pieces', () => {
  it('turn by 30 degrees at most and run round the centre one way by less than half a turn', () => {
    fc.assert(
      fc.property(curve, (segment) => {
        const sources = new Sources(new Group({ fold: 1, mirror: false }));
        const source = sources.add(segment, 0);
        const cuts = cutsOf(sources, source, 1e-6);
        expect([cuts[0], cuts.at(-1)]).toEqual([0, 1]);
        for (let k = 1; k < cuts.length; k += 1) {
          const [from, to] = [cuts[k - 1]!, cuts[k]!];
          expect(to).toBeGreaterThan(from);
          let [turned, way] = [0, 0];
          let before: { x: number; y: number; dx: number; dy: number } | null = null;
          for (let i = 1; i < 12; i += 1) {
            sources.evaluate(source, 0, from + ((to - from) * i) / 12);
            const { x, y, dx, dy } = sources;
            if (Math.hypot(dx, dy) < 1e-3 || Math.hypot(x, y) < 1e-3) {
              before = null;
              continue;
            }
            if (before) {
              turned += Math.abs(
                Math.atan2(before.dx * dy - before.dy * dx, before.dx * dx + before.dy * dy),
              );
              const moment = x * dy - y * dx;
              if (Math.abs(moment) > 1e-6 * Math.hypot(x, y) * Math.hypot(dx, dy)) {
                expect(way * moment).toBeGreaterThanOrEqual(0);
                way = Math.sign(moment);
              }
            }
            before = { x, y, dx, dy };
          }
          // Next to a cusp a piece that is too small to see may turn by more.
          if (to - from > 1e-4) expect(turned).toBeLessThan(Math.PI / 6 + 0.02);
        }
      }),
      { numRuns: 300 },
    );
  });
});

describe('vertices', () => {
  it('are found again within the tolerance and only there', () => {
    fc.assert(
      fc.property(fc.array(point, { maxLength: 300 }), (points) => {
        const vertices = new Vertices(new Group({ fold: 1, mirror: false }), 1e-3);
        const ids = points.map(({ x, y }) => vertices.at(x, y));
        points.forEach(({ x, y }, k) => {
          expect(vertices.at(x + 6e-4, y - 6e-4)).toBe(ids[k]);
          expect([vertices.xs.at(ids[k]!), vertices.ys.at(ids[k]!)]).toEqual([x, y]);
        });
        expect(vertices.count).toBe(new Set(points.map(({ x, y }) => `${x} ${y}`)).size);
      }),
    );
  });

  it('near a wall are on it, in C_n on both, and near the centre are the centre', () => {
    for (const fold of [2, 3, 12, 720]) {
      const group = new Group({ fold, mirror: false });
      const vertices = new Vertices(group, 1e-7);
      expect(vertices.at(1e-9, -1e-9)).toBe(0);
      expect(vertices.places.at(0)).toBe(APEX);
      const near = vertices.at(5e-8, -7);
      expect(vertices.places.at(near)).toBe(NEAR);
      const far = vertices.mates.at(near);
      expect(vertices.places.at(far)).toBe(FAR);
      expect(vertices.at(7 * group.farX, 7 * group.farY)).toBe(far);
      expect(vertices.radii.at(far)).toBe(vertices.radii.at(near));
      const inner = vertices.at(Math.sin(group.angle / 2), -Math.cos(group.angle / 2));
      expect(vertices.places.at(inner)).toBe(INNER);
    }
  });
});

it('the grid finds everything that a chord passes close to', () => {
  fc.assert(
    fc.property(
      fc.array(fc.tuple(point, point), { minLength: 1, maxLength: 40 }),
      fc.tuple(point, point),
      (chords, [a, b]) => {
        const raster = new Raster(-20, -20, 20, 20, 60);
        const grid = new Grid(raster);
        chords.forEach(([p, q], k) => {
          raster.gather(p.x, p.y, q.x, q.y, 0.1);
          grid.insert(k);
        });
        const found = new Ints();
        raster.gather(a.x, a.y, b.x, b.y, 0.1);
        grid.query(found);
        const listed = new Set(Array.from({ length: found.length }, (_, k) => found.at(k)));
        chords.forEach(([p, q], k) => {
          for (let s = 0; s <= 8; s += 1)
            for (let t = 0; t <= 8; t += 1) {
              const [x, y] = [a.x + ((b.x - a.x) * s) / 8, a.y + ((b.y - a.y) * s) / 8];
              const [u, v] = [p.x + ((q.x - p.x) * t) / 8, p.y + ((q.y - p.y) * t) / 8];
              if (Math.hypot(x - u, y - v) <= 0.1) expect(listed.has(k)).toBe(true);
            }
        });
      },
    ),
  );
});
