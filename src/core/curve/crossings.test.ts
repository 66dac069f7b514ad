import fc from 'fast-check';
import { describe, expect, it } from 'vitest';

import { crossingsOf, monotoneParts, tangentParameters } from './crossings';
import { partOf } from './part';
import { add, cross, distance, lengthOf, scaleBy, subtract, type Point } from './point';
import { arcFromBulge, cubic, cubicsOfArc, derivativeAt, line, pointAt, type Segment } from './segment';

const point = fc.record({ x: fc.integer({ min: -20, max: 20 }), y: fc.integer({ min: -20, max: 20 }) });
const segment: fc.Arbitrary<Segment> = fc
  .tuple(
    point,
    point,
    point,
    point,
    fc.constantFrom('line', 'arc', 'cubic'),
    fc.constantFrom(-1, -0.3, 0.4, 1),
  )
  .filter(([a, , , b]) => distance(a, b) > 0.5)
  .map(([a, b, c, d, kind, bulge]) =>
    kind === 'line' ? line(a, d) : kind === 'arc' ? arcFromBulge(a, d, bulge) : cubic(a, b, c, d),
  );

/** A line that ends a thousandth short of an arc, inside of it, where chords of both cross. */
const NEAR_MISS: [Segment, Segment] = [
  line({ x: -16, y: -19 }, { x: 0, y: 0 }),
  arcFromBulge({ x: 18, y: 18 }, { x: -20, y: -20 }, -0.3),
];

describe('crossings', () => {
  it('lie on both segments, whatever their kinds, and are all that a fine walk finds', () => {
    fc.assert(
      fc.property(segment, segment, (a, b) => {
        const found = crossingsOf(a, b);
        for (const { point: p, s, t } of found) {
          expect(distance(p, pointAt(a, s))).toBeLessThan(1e-7);
          expect(distance(p, pointAt(b, t))).toBeLessThan(1e-7);
        }
        // Every chord of one that clearly crosses a chord of the other has a crossing beside it.
        const walk = (each: Segment) => Array.from({ length: 65 }, (_, k) => pointAt(each, k / 64));
        const [p, q] = [walk(a), walk(b)];
        const side = (u: Point, v: Point, w: Point) => cross(subtract(v, u), subtract(w, u)) / distance(u, v);
        // How far a chord is from what it stands for: nearer than that it may cross where the curves do not.
        const off = (each: Segment, ends: readonly Point[], k: number) =>
          distance(pointAt(each, (k + 0.5) / 64), scaleBy(add(ends[k]!, ends[k + 1]!), 0.5));
        for (let i = 0; i < 64; i += 1)
          for (let j = 0; j < 64; j += 1) {
            const [u, v, w, z] = [p[i]!, p[i + 1]!, q[j]!, q[j + 1]!];
            const turned = Math.abs(cross(subtract(v, u), subtract(z, w)));
            if (turned <= 0.3 * distance(u, v) * distance(w, z)) continue;
            const beside = 2 * (off(a, p, i) + off(b, q, j));
            const sides = [side(u, v, w), side(u, v, z), side(w, z, u), side(w, z, v)] as const;
            if (sides[0] * sides[1] >= 0 || sides[2] * sides[3] >= 0) continue;
            if (sides.some((each) => Math.abs(each) <= beside)) continue;
            expect(
              found.some((each) => distance(each.point, u) < 4 * (distance(u, v) + distance(w, z))),
            ).toBe(true);
          }
      }),
      { numRuns: 150, examples: [NEAR_MISS] },
    );
  });

  it('tell touching from crossing, exactly for lines and circles', () => {
    const circle = arcFromBulge({ x: -5, y: 0 }, { x: 5, y: 0 }, 1);
    const [top] = crossingsOf(circle, line({ x: -9, y: -5 }, { x: 9, y: -5 }));
    expect(top).toMatchObject({ s: 0.5, touching: true });
    expect(
      crossingsOf(circle, line({ x: -9, y: -3 }, { x: 9, y: -3 })).map(({ point: p }) => Math.abs(p.x)),
    ).toEqual([4, 4]);
    const outside = arcFromBulge({ x: 0, y: -5 }, { x: 0, y: -11 }, 1);
    expect(crossingsOf(circle, outside)).toMatchObject([{ point: { y: -5 }, touching: true }]);
    const follows = cubicsOfArc(arcFromBulge({ x: -5, y: 0 }, { x: 5, y: 0 }, 1) as never)[2]!;
    expect(crossingsOf(follows, line({ x: 0, y: 0 }, { x: -1, y: -9 }))).toHaveLength(1);
  });
});

it('a segment’s monotone parts are the whole and never turn back', () => {
  fc.assert(
    fc.property(segment, (each) => {
      const parts = monotoneParts(each);
      expect(parts[0]!.from).toEqual(each.from);
      expect(parts.at(-1)!.to).toEqual(each.to);
      for (const part of parts)
        for (let k = 1; k < 20; k += 1) {
          const [u, v] = [derivativeAt(part, k / 20), derivativeAt(part, (k + 0.5) / 20)];
          expect(u.x * v.x).toBeGreaterThan(-1e-9);
          expect(u.y * v.y).toBeGreaterThan(-1e-9);
        }
    }),
  );
});

it('an arc that turns back a hair after its start begins where it does', () => {
  const arc: Segment = {
    kind: 'arc',
    from: { x: -11, y: 0 },
    to: { x: 10, y: 20 },
    centre: { x: -10.999999999999998, y: 21.025 },
    radius: 21.025,
    sweep: 1.5220255084494596,
  };
  const parts = monotoneParts(arc);
  expect(parts[0]!.from).toEqual(arc.from);
  expect(parts.at(-1)!.to).toEqual(arc.to);
});

it('tangents through a point touch the curve in its direction', () => {
  const circle = arcFromBulge({ x: -3, y: 0 }, { x: 3, y: 0 }, 1);
  // From 5 away a tangent of a circle of radius 3 is 4 long.
  const far = { x: 0, y: -5 };
  expect(tangentParameters(circle, far).map((t) => distance(pointAt(circle, t), far))).toEqual([
    expect.closeTo(4, 12),
    expect.closeTo(4, 12),
  ]);
  fc.assert(
    fc.property(segment, point, (each, p) => {
      for (const t of tangentParameters(each, p)) {
        const [away, along] = [subtract(pointAt(each, t), p), derivativeAt(each, t)];
        expect(Math.abs(cross(away, along))).toBeLessThan(
          1e-6 * (1 + lengthOf(away)) * (1 + lengthOf(along)),
        );
      }
    }),
  );
});

it('a part of a segment is where the segment is', () => {
  fc.assert(
    fc.property(segment, fc.nat(100), fc.nat(100), fc.nat(100), (each, i, j, k) => {
      fc.pre(i !== j);
      const part = partOf(each, i / 100, j / 100);
      const t = k / 100;
      expect(distance(pointAt(part, t), pointAt(each, (i + (j - i) * t) / 100))).toBeLessThan(1e-9);
    }),
  );
});
