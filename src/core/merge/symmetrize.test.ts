import fc from 'fast-check';
import { describe, expect, it } from 'vitest';

import { turnMap } from '../curve/affine';
import { mapPath, reversedPath, signedArea, type Path } from '../curve/path';
import { lengthOf, polarOf } from '../curve/point';
import { pathOfForm } from '../maker/form';
import { NO_TURN, turn } from '../number/turn';
import { MergeFailed } from './merge';
import { symmetrize } from './symmetrize';

const circle = (distance: number, rx: number): Path =>
  pathOfForm({ kind: 'ellipse', at: { x: 0, y: -distance }, rotation: NO_TURN, rx, ry: rx });

const polygon = (sides: number, radius: number): Path =>
  pathOfForm({ kind: 'polygon', at: { x: 0, y: 0 }, rotation: NO_TURN, sides, radius });

const turnedAll = (path: Path, fold: number): Path[] =>
  Array.from({ length: fold }, (_, k) => mapPath(path, turnMap(turn(k, fold))));

/** The path with every point moved a little, as rounding in a library does. */
const shaken = (path: Path, by: number): Path =>
  mapPath(path, { a: 1 + by, b: by / 2, c: -by / 2, d: 1 + by, e: by, f: -by });

describe('taking a result apart into orbits', () => {
  it('keeps one of the loops that turn into one another, with all its turns', () => {
    for (const fold of [2, 3, 7, 24]) {
      const parts = symmetrize(turnedAll(circle(50, 3), fold), fold, 53);
      expect(parts).toHaveLength(1);
      expect(parts[0]!.turns).toEqual(Array.from({ length: fold }, (_, k) => turn(k, fold)));
      expect(signedArea(parts[0]!.loops)).toBeCloseTo(9 * Math.PI, 9);
    }
  });

  it('keeps holes with the outline that they are in', () => {
    const fold = 6;
    const rings = turnedAll(circle(50, 8), fold).flatMap((outer, k) => [
      outer,
      reversedPath(mapPath(circle(50, 4), turnMap(turn(k, fold)))),
    ]);
    const [part, ...others] = symmetrize(rings, fold, 60);
    expect(others).toEqual([]);
    expect([part!.turns.length, part!.loops.length]).toEqual([6, 2]);
    expect(signedArea(part!.loops)).toBeCloseTo(Math.PI * (64 - 16), 8);

    const plate = [polygon(12, 60), ...turnedAll(reversedPath(circle(40, 5)), 12)];
    const [whole] = symmetrize(plate, 12, 60);
    expect([whole!.turns.length, whole!.loops.length]).toEqual([1, 13]);
  });

  it('tells an island in a hole from the plate round it', () => {
    const nested = [
      polygon(8, 60),
      reversedPath(polygon(8, 40)),
      polygon(8, 20),
      reversedPath(polygon(8, 10)),
    ];
    const parts = symmetrize(nested, 8, 60);
    expect(parts.map(({ loops }) => loops.length)).toEqual([2, 2]);
    const areas = parts.map(({ loops }) => signedArea(loops)).sort((a, b) => a - b);
    expect(areas[0]! / areas[1]!).toBeCloseTo((400 - 100) / (3600 - 1600), 12);
  });

  it('rebuilds a loop that turns into itself by exact turns, either way round', () => {
    fc.assert(
      fc.property(fc.integer({ min: 3, max: 40 }), fc.boolean(), (fold, back) => {
        const loop = shaken(polygon(2 * fold, 50), 1e-8);
        const outer = polygon(fold, 90);
        const paths = back ? [outer, reversedPath(loop)] : [loop];
        const loops = symmetrize(paths, fold, 90).flatMap((part) => part.loops);
        const exact = loops.find(({ segments }) => segments.length === 2 * fold)!;
        for (const { from } of exact.segments) {
          const turned = mapPath({ closed: false, segments: exact.segments }, turnMap(turn(1, fold)));
          const away = turned.segments.map((s) => Math.hypot(s.from.x - from.x, s.from.y - from.y));
          expect(Math.min(...away)).toBeLessThan(1e-12 * 50);
        }
        exact.segments.forEach((segment, k) => {
          const next = exact.segments[(k + 1) % exact.segments.length]!;
          expect(lengthOf({ x: segment.to.x - next.from.x, y: segment.to.y - next.from.y })).toBeLessThan(
            1e-12 * 50,
          );
        });
        expect(polarOf(exact.segments[0]!.from).r).toBeCloseTo(50, 5);
      }),
      { numRuns: 30 },
    );
  });

  it('refuses loops that are not symmetric', () => {
    const uneven = turnedAll(circle(50, 3), 5).slice(1);
    expect(() => symmetrize(uneven, 5, 53)).toThrow(MergeFailed);
    expect(() => symmetrize([circle(50, 3)], 4, 53)).toThrow(/uneven/);
    expect(symmetrize([], 4, 53)).toEqual([]);
  });
});
