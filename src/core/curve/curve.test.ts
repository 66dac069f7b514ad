import fc from 'fast-check';
import { describe, expect, it } from 'vitest';

import {
  anyBulge,
  anyClosedPath,
  anyPoint,
  anySegment,
  anySimilarity,
} from '../../../tests/help/arbitraries';
import { turn } from '@/core/number';
import { applyTo, compose, determinant, IDENTITY, inverse, MIRROR, similarityScale, turnMap } from './affine';
import { boundsOfPaths, boundsOfSegment } from './bounds';
import { flatten } from './flatten';
import { arcLength, pathLength } from './length';
import { nearestOnPath } from './nearest';
import { areOwnMirror, mapPath, reversedPath, samePath, signedArea, type Path } from './path';
import { distance, fromPolar, polarOf, type Point } from './point';
import {
  arcFromBulge,
  bulgeOf,
  cubic,
  cubicsOfArc,
  derivativeAt,
  line,
  mapSegment,
  pointAt,
  reversed,
  splitAt,
} from './segment';
import { windingNumber } from './winding';

const samples = Array.from({ length: 65 }, (_, k) => k / 64);
const close = (a: Point, b: Point, within = 1e-9): void => expect(distance(a, b)).toBeLessThanOrEqual(within);

/** The area of a polygon through many points of a path: the shoelace formula. */
function shoelace(points: readonly Point[]): number {
  return points.reduce((sum, p, k) => {
    const q = points[(k + 1) % points.length]!;
    return sum + (p.x * q.y - p.y * q.x) / 2;
  }, 0);
}

describe('affine maps', () => {
  it('undo each other', () => {
    fc.assert(
      fc.property(anySimilarity, anyPoint, (m, p) => {
        close(applyTo(inverse(m), applyTo(m, p)), p, 1e-7);
        expect(similarityScale(m)).toBeCloseTo(Math.sqrt(Math.abs(determinant(m))), 9);
      }),
    );
  });

  it('turn and mirror to equal bits', () => {
    fc.assert(
      fc.property(anyPoint, fc.integer({ min: 0, max: 719 }), fc.integer({ min: 1, max: 720 }), (p, k, n) => {
        const mirrored = applyTo(compose(MIRROR, turnMap(turn(k, n))), p);
        const other = applyTo(turnMap(turn(-k, n)), applyTo(MIRROR, p));
        expect(mirrored).toEqual(other);
      }),
    );
    expect(turnMap(turn(0))).toEqual(IDENTITY);
    expect(applyTo(turnMap(turn(1, 4)), { x: 0, y: -10 })).toEqual({ x: 10, y: 0 });
  });

  it('refuse to be undone where they flatten', () => {
    expect(() => inverse({ ...IDENTITY, a: 0 })).toThrow(RangeError);
  });

  it('are no similarity with a shear or two scales', () => {
    expect(similarityScale({ ...IDENTITY, a: 2 })).toBeNull();
    expect(similarityScale({ ...IDENTITY, c: 0.3 })).toBeNull();
  });
});

describe('polar coordinates', () => {
  it('count clockwise from straight up', () => {
    expect(polarOf({ x: 5, y: 0 })).toEqual({ r: 5, degrees: 90 });
    expect(polarOf({ x: 0, y: 0 })).toEqual({ r: 0, degrees: 0 });
    expect(fromPolar(3, 0)).toEqual({ x: 0, y: -3 });
    expect(fromPolar(3, 180)).toEqual({ x: 0, y: 3 });
    fc.assert(
      fc.property(anyPoint, (p) => {
        const { r, degrees } = polarOf(p);
        close(fromPolar(r, degrees), p);
      }),
    );
  });
});

describe('segments', () => {
  it('split into two that run over the same points', () => {
    fc.assert(
      fc.property(anySegment, fc.double({ min: 0.05, max: 0.95, noNaN: true }), (segment, t) => {
        const [a, b] = splitAt(segment, t);
        expect(a.to).toEqual(b.from);
        for (const s of samples) {
          close(pointAt(a, s), pointAt(segment, s * t), 1e-8);
          close(pointAt(b, s), pointAt(segment, t + s * (1 - t)), 1e-8);
        }
        expect(arcLength(a) + arcLength(b)).toBeCloseTo(arcLength(segment), 6);
      }),
    );
  });

  it('run the same way back', () => {
    fc.assert(
      fc.property(anySegment, (segment) => {
        const back = reversed(segment);
        for (const t of samples) close(pointAt(back, t), pointAt(segment, 1 - t), 1e-8);
        expect(reversed(back)).toEqual(segment);
      }),
    );
  });

  it('have the derivative that their points show', () => {
    fc.assert(
      fc.property(anySegment, fc.double({ min: 0.01, max: 0.99, noNaN: true }), (segment, t) => {
        const h = 1e-6;
        const [a, b] = [pointAt(segment, t - h), pointAt(segment, t + h)];
        const derivative = derivativeAt(segment, t);
        const size = 1 + Math.hypot(derivative.x, derivative.y);
        close(
          { x: (b.x - a.x) / (2 * h) / size, y: (b.y - a.y) / (2 * h) / size },
          { x: derivative.x / size, y: derivative.y / size },
          1e-3,
        );
      }),
    );
  });

  it('stay the curve that they are under a similarity; arcs stay arcs', () => {
    fc.assert(
      fc.property(anySegment, anySimilarity, (segment, m) => {
        const mapped = mapSegment(segment, m);
        expect(mapped.map(({ kind }) => kind)).toEqual([segment.kind]);
        for (const t of samples) close(pointAt(mapped[0]!, t), applyTo(m, pointAt(segment, t)), 1e-6);
      }),
    );
  });

  it('become cubics from arcs under other maps, within 1e-6 of the size', () => {
    const arc = arcFromBulge({ x: 0, y: -10 }, { x: 10, y: 0 }, Math.tan(Math.PI / 8));
    const squeeze = { ...IDENTITY, a: 3, d: 0.5 };
    for (const piece of mapSegment(arc, squeeze)) {
      for (const t of samples) {
        const p = pointAt(piece, t);
        expect(Math.abs(Math.hypot(p.x / 30, p.y / 5) - 1)).toBeLessThan(1e-6);
      }
    }
  });

  it('keep their bulge', () => {
    fc.assert(
      fc.property(anyPoint, anyPoint, anyBulge, (a, b, bulge) => {
        fc.pre(distance(a, b) > 0.01);
        const arc = arcFromBulge(a, b, bulge);
        expect(arc.kind).toBe('arc');
        if (arc.kind !== 'arc') return;
        expect(bulgeOf(arc)).toBeCloseTo(bulge, 9);
        close(pointAt(arc, 1 - 1e-12), b, 1e-6);
        // DXF reference, group code 42: twice the sagitta over the chord.
        const chord = distance(a, b);
        const sagitta = distance(pointAt(arc, 0.5), { x: (a.x + b.x) / 2, y: (a.y + b.y) / 2 });
        expect((2 * sagitta) / chord).toBeCloseTo(Math.abs(bulge), 8);
      }),
    );
  });

  it('are a line where an arc has no bulge or no chord', () => {
    expect(arcFromBulge({ x: 0, y: 0 }, { x: 1, y: 0 }, 0).kind).toBe('line');
    expect(arcFromBulge({ x: 1, y: 1 }, { x: 1, y: 1 }, 1).kind).toBe('line');
  });
});

describe('circles as cubics', () => {
  const radialError = (quarter: number): number => {
    const arc = cubic({ x: 0, y: -1 }, { x: quarter, y: -1 }, { x: 1, y: -quarter }, { x: 1, y: 0 });
    return Math.max(
      ...Array.from({ length: 2001 }, (_, k) =>
        Math.abs(Math.hypot(pointAt(arc, k / 2000).x, pointAt(arc, k / 2000).y) - 1),
      ),
    );
  };

  // Goldapp, "Approximation of circular arcs by cubic polynomials", CAGD 8, 1991.
  it('have the published radial errors with one cubic to a quarter', () => {
    expect(radialError(0.5522847498)).toBeCloseTo(2.73e-4, 6);
    expect(radialError(0.551915)).toBeCloseTo(1.96e-4, 6);
  });

  it('are within 4e-7 of the radius here, where they have to be cubics', () => {
    fc.assert(
      fc.property(anyBulge, (bulge) => {
        const arc = arcFromBulge({ x: -3, y: 1 }, { x: 4, y: 2 }, bulge);
        if (arc.kind !== 'arc') return;
        for (const piece of cubicsOfArc(arc)) {
          for (const t of samples) {
            expect(Math.abs(distance(pointAt(piece, t), arc.centre) / arc.radius - 1)).toBeLessThan(4e-7);
          }
        }
      }),
    );
  });
});

describe('areas, lengths and boxes', () => {
  it('have the area of a fine polygon through their points', () => {
    fc.assert(
      fc.property(anyClosedPath, (path) => {
        const fine = path.segments.flatMap((segment) =>
          Array.from({ length: 400 }, (_, k) => pointAt(segment, k / 400)),
        );
        const box = boundsOfPaths([path]);
        const scale = (box.right - box.left) * (box.bottom - box.top);
        expect(Math.abs(signedArea([path]) - shoelace(fine))).toBeLessThan(1e-3 * scale + 1e-6);
        expect(signedArea([reversedPath(path)])).toBeCloseTo(-signedArea([path]), 6);
      }),
    );
  });

  it('scale with the determinant of a map', () => {
    fc.assert(
      fc.property(anyClosedPath, anySimilarity, (path, m) => {
        const expected = signedArea([path]) * determinant(m);
        expect(Math.abs(signedArea([mapPath(path, m)]) - expected)).toBeLessThan(
          1e-6 * (1 + Math.abs(expected)),
        );
      }),
    );
  });

  it('have a cubic’s length between its chord and its polygon, and as its chords add up', () => {
    fc.assert(
      fc.property(anySegment, (segment) => {
        const fine = Array.from({ length: 2001 }, (_, k) => pointAt(segment, k / 2000));
        const chords = fine.slice(1).reduce((sum, p, k) => sum + distance(p, fine[k]!), 0);
        expect(arcLength(segment)).toBeGreaterThan(chords * (1 - 1e-9));
        expect(arcLength(segment)).toBeLessThan(chords * (1 + 1e-4));
      }),
    );
    expect(pathLength({ closed: false, segments: [line({ x: 0, y: 0 }, { x: 3, y: 4 })] })).toBe(5);
  });

  it('have a box that their points fill to its edges', () => {
    fc.assert(
      fc.property(anySegment, (segment) => {
        const box = boundsOfSegment(segment);
        const fine = Array.from({ length: 4001 }, (_, k) => pointAt(segment, k / 4000));
        const size = 1e-9 + box.right - box.left + box.bottom - box.top;
        const [left, right] = [Math.min(...fine.map(({ x }) => x)), Math.max(...fine.map(({ x }) => x))];
        const [top, bottom] = [Math.min(...fine.map(({ y }) => y)), Math.max(...fine.map(({ y }) => y))];
        for (const [edge, extreme] of [
          [box.left, left],
          [-box.right, -right],
          [box.top, top],
          [-box.bottom, -bottom],
        ] as const) {
          expect(edge).toBeLessThanOrEqual(extreme + 1e-9 * size);
          expect(extreme - edge).toBeLessThan(1e-5 * size);
        }
      }),
    );
  });

  it('are exact for a circle', () => {
    const quarter = Math.tan(Math.PI / 8);
    const ring = [fromPolar(7, 0), fromPolar(7, 90), fromPolar(7, 180), fromPolar(7, 270)];
    const circle: Path = {
      closed: true,
      segments: ring.map((p, k) => arcFromBulge(p, ring[(k + 1) % 4]!, quarter)),
    };
    expect(Math.abs(signedArea([circle]) / (Math.PI * 49) - 1)).toBeLessThan(1e-14);
    expect(Math.abs(pathLength(circle) / (14 * Math.PI) - 1)).toBeLessThan(1e-14);
    const turned = boundsOfPaths([mapPath(circle, turnMap(turn(1, 7)))]);
    for (const edge of [turned.right, turned.bottom, -turned.left, -turned.top])
      expect(edge).toBeCloseTo(7, 13);
  });
});

describe('paths', () => {
  it('are the same from wherever and whichever way they are walked', () => {
    fc.assert(
      fc.property(anyClosedPath, fc.nat(6), (path, shift) => {
        const k = shift % path.segments.length;
        const moved = { closed: true, segments: [...path.segments.slice(k), ...path.segments.slice(0, k)] };
        expect(samePath(path, moved, 1e-9)).toBe(true);
        expect(samePath(path, reversedPath(moved), 1e-9)).toBe(true);
        expect(samePath(path, mapPath(path, { ...IDENTITY, e: 1 }), 1e-9)).toBe(false);
      }),
    );
  });

  it('know their own mirror', () => {
    const drop: Path = {
      closed: true,
      segments: [
        cubic({ x: 0, y: 0 }, { x: 8, y: -4 }, { x: 6, y: -9 }, { x: 0, y: -20 }),
        cubic({ x: 0, y: -20 }, { x: -6, y: -9 }, { x: -8, y: -4 }, { x: 0, y: 0 }),
      ],
    };
    expect(areOwnMirror([drop], 1e-12)).toBe(true);
    expect(areOwnMirror([mapPath(drop, { ...IDENTITY, e: 0.01 })], 1e-4)).toBe(false);
  });

  it('are flattened within the tolerance', () => {
    fc.assert(
      fc.property(anySegment, fc.constantFrom(0.5, 0.05, 0.005), (segment, tolerance) => {
        const points = flatten({ closed: false, segments: [segment] }, tolerance);
        const chords: Path = { closed: false, segments: points.slice(1).map((p, k) => line(points[k]!, p)) };
        if (points.length > 512) return;
        for (const t of samples) {
          expect(nearestOnPath(chords, pointAt(segment, t))!.distance).toBeLessThanOrEqual(
            tolerance * 1.0001,
          );
        }
      }),
    );
  });

  it('find their nearest point', () => {
    fc.assert(
      fc.property(anySegment, anyPoint, (segment, p) => {
        const found = nearestOnPath({ closed: false, segments: [segment] }, p)!;
        const best = Math.min(
          ...Array.from({ length: 1001 }, (_, k) => distance(pointAt(segment, k / 1000), p)),
        );
        expect(found.distance).toBeLessThanOrEqual(best + 1e-6);
        close(pointAt(segment, found.t), found.point);
      }),
    );
  });

  it('wind round what they enclose', () => {
    const square = (x: number, size: number): Path => {
      const corners = [
        { x: x - size, y: -size },
        { x: x + size, y: -size },
        { x: x + size, y: size },
        { x: x - size, y: size },
      ];
      return { closed: true, segments: corners.map((p, k) => line(p, corners[(k + 1) % 4]!)) };
    };
    expect(windingNumber(square(0, 5), { x: 1, y: 1 }, 0.1)).toBe(1);
    expect(windingNumber(reversedPath(square(0, 5)), { x: 1, y: 1 }, 0.1)).toBe(-1);
    expect(windingNumber(square(0, 5), { x: 6, y: 5 }, 0.1)).toBe(0);
  });
});

it('the nearest point of a cubic is as near as any of many on it, cusps and loops included', () => {
  fc.assert(
    fc.property(anyPoint, anyPoint, anyPoint, anyPoint, anyPoint, (a, b, c, d, p) => {
      const segment = cubic(a, b, c, d);
      const found = nearestOnPath({ closed: false, segments: [segment] }, p)!;
      const least = Array.from({ length: 401 }, (_, k) => distance(pointAt(segment, k / 400), p)).reduce(
        (best, away) => Math.min(best, away),
        Infinity,
      );
      expect(found.distance).toBeLessThanOrEqual(least + 1e-9);
      expect(distance(found.point, p)).toBeCloseTo(found.distance, 12);
    }),
  );
});
