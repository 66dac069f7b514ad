import { made } from '../../../tests/help/made';
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';

import { circle, polygon } from '../../../tests/help/motifs';
import {
  applyTo,
  arcFromBulge,
  centroidOf,
  distance,
  flatten,
  lengthOf,
  line,
  mapPath,
  MIRROR,
  type Path,
  type Point,
  scaleMap,
  turnMap,
} from '@/core/curve';
import { NO_TURN } from '@/core/number';
import { STRAIGHT } from '@/core/derive';
import { cellsOf } from './cells';
import { groupsOf } from './fused';
import { insideOf } from './inside';
import type { Cells } from './merge';

const cells = (fold: number, mirror: boolean, ...paths: Path[]): readonly Cells[] =>
  made(
    cellsOf([
      { fold, mirror, start: NO_TURN, shapes: paths.map((path) => ({ paths: [path], rule: 'nonzero' })) },
    ]),
  );

function isInside(loops: readonly Path[], { x, y }: Point): boolean {
  let inside = false;
  for (const loop of loops) {
    const points = flatten(loop, 1e-4);
    points.forEach((a, k) => {
      const b = points[(k + 1) % points.length]!;
      if (a.y <= y === b.y <= y) return;
      if (a.x + ((b.x - a.x) * (y - a.y)) / (b.y - a.y) > x) inside = !inside;
    });
  }
  return inside;
}

describe('cells', () => {
  it('are told with their copies, a point inside each, and their neighbours', () => {
    for (const mirror of [false, true]) {
      const kinds = cells(5, mirror, circle(3, -40, 30));
      for (const { size, turns, mirrored, loops, inside, area, key, neighbours } of kinds) {
        expect(turns.length + mirrored.length).toBe(size);
        expect(isInside(loops, inside)).toBe(true);
        expect(area).toBeGreaterThan(0);
        expect(neighbours).not.toContain(key);
        for (const other of neighbours)
          expect(kinds.find((each) => each.key === other)?.neighbours).toContain(key);
      }
      expect(new Set(kinds.map(({ key }) => key)).size).toBe(kinds.length);
    }
  });

  it('keep their keys while a shape is moved a little, so that paint stays', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 3, max: 24 }),
        fc.boolean(),
        fc.double({ min: -1e-4, max: 1e-4, noNaN: true }),
        (fold, mirror, by) => {
          const before = cells(fold, mirror, circle(2.3, -40, 21.7), circle(0.7, -61, 9.1));
          const after = cells(fold, mirror, circle(2.3 + by, -40 + by, 21.7), circle(0.7, -61, 9.1));
          fc.pre(before.length === after.length);
          const moved = new Map(after.map((each) => [each.key, each]));
          for (const each of before) {
            const same = moved.get(each.key);
            expect(same?.size).toBe(each.size);
            // The same cell, not another one with its key: it is nearly as large and as far out.
            expect(Math.abs((same?.area ?? 0) - each.area)).toBeLessThan(0.05);
            expect(Math.abs((same?.outer ?? 0) - each.outer)).toBeLessThan(0.05);
          }
        },
      ),
      { numRuns: 40 },
    );
  });
});

/** Where each cell's middle is, by its reference. */
function middles(fold: number, mirror: boolean, kinds: readonly Cells[]): Map<string, Point> {
  const { groups } = groupsOf({ fold, mirror, cells: kinds }, [], STRAIGHT);
  return new Map(
    groups.flatMap(({ copies, keys }) => {
      const middle = kinds.find(({ key }) => key === keys[0])!.centroid;
      return copies.map(({ refs, turn, mirrored }): [string, Point] => [
        refs[0]!,
        applyTo(turnMap(turn), mirrored ? applyTo(MIRROR, middle) : middle),
      ]);
    }),
  );
}

describe('the inside of a cell', () => {
  it('is in it, whichever of its borders comes first', () => {
    const [border, hole] = [circle(0, 0, 40), circle(0, 0, 10)];
    for (const loops of [
      [border, hole],
      [hole, border],
    ]) {
      const r = lengthOf(insideOf(loops, Math.PI * (1600 - 100)));
      // Half way between both.
      expect(Math.abs(r - 25)).toBeLessThan(0.5);
    }
  });
});

describe('references to cells', () => {
  it('mean the same cells at every size, also where several lie equally far out', () => {
    const motifs: readonly (readonly Path[])[] = [
      // A fold down the middle: its halves have one cover.
      [circle(0, -40, 21), { closed: false, segments: [line({ x: 0, y: -80 }, { x: 0, y: -5 })] }],
      // Two lobes left and right of the axis, and a square on it.
      [
        polygon([
          { x: -9, y: -30 },
          { x: 9, y: -44 },
          { x: 9, y: -30 },
          { x: -9, y: -44 },
        ]),
      ],
      [
        circle(0, -40, 21),
        circle(0, -40, 13),
        polygon([
          { x: -30, y: -50 },
          { x: 30, y: -50 },
          { x: 0, y: -21 },
        ]),
      ],
    ];
    fc.assert(
      fc.property(
        fc.integer({ min: 1, max: 14 }),
        fc.boolean(),
        fc.constantFrom(...motifs),
        fc.double({ min: 0.01, max: 100, noNaN: true }),
        (fold, mirror, motif, factor) => {
          const grown = motif.map((path) => mapPath(path, scaleMap(factor, { x: 0, y: 0 })));
          const before = middles(fold, mirror, cells(fold, mirror, ...motif));
          const after = middles(fold, mirror, cells(fold, mirror, ...grown));
          expect([...after.keys()].sort()).toEqual([...before.keys()].sort());
          for (const [ref, { x, y }] of before)
            expect(distance(after.get(ref)!, { x: x * factor, y: y * factor })).toBeLessThan(1e-4 * factor);
        },
      ),
      { numRuns: 150 },
    );
  });
});

describe('kinds of cells', () => {
  it('that are not fused are the same objects as before, those that are fused are one, and split kinds keep what is left', () => {
    const fold = 7;
    const kinds = cells(fold, false, circle(0, -30, 25));
    const division = { fold, mirror: false, cells: kinds };
    const before = groupsOf(division, [], STRAIGHT).groups;
    const [a, b, ...others] = before.filter(({ copies }) => copies.length === fold);
    const ref = (group: typeof a, k: number): string => group?.copies[k]?.refs[0] ?? '';
    const all = groupsOf(division, [{ cells: [ref(a, 0), ref(b, 0)] }], STRAIGHT).groups;
    for (const other of others) expect(all).toContain(other);
    expect(all).not.toContain(a);
    expect(all.filter(({ fused }) => fused).map(({ copies }) => copies.length)).toEqual([fold]);
    const one = groupsOf(division, [{ cells: [ref(a, 0), ref(b, 0)], alone: true }], STRAIGHT).groups;
    expect(one.find(({ fused }) => fused)?.copies).toHaveLength(1);
    expect(one.filter(({ copies }) => copies.length === fold - 1)).toHaveLength(2);
    // And as they were where nothing is fused any more.
    expect(groupsOf(division, [], STRAIGHT).groups).toEqual(before);
  });
});

describe('keys of cells', () => {
  // Files keep what was done to cells by these: they may not change.
  it.each([
    [6, false, [circle(0, -30, 30)], 'rupan21eudiqm-0 163jsxg5gr8dq-0 py5esr1yt90ho-0'],
    [
      5,
      true,
      [circle(3, -40, 30)],
      'ztntfpbd4yv-0 py5esr1yt90ho-0 14zle5k6kpk9e-0 15tk78h7eobhn-0 13s1gfy3zmghf-0 1yhaonh2a1klw-0 15tk78h7eobhn-1 py5esr1yt90ho-1',
    ],
    [
      8,
      false,
      [circle(2, -40, 21), circle(0, -61, 9)],
      'ztntfpbd4yv-0 py5esr1yt90ho-0 163jsxg5gr8dq-0 75xygsm5nyv1-0 1pxvwm89o7yln-0',
    ],
  ] as const)('at fold %i are what they were', (fold, mirror, paths, keys) => {
    expect(
      cells(fold, mirror, ...paths)
        .map(({ key }) => key)
        .join(' '),
    ).toBe(keys);
  });
});

describe('centroids', () => {
  it('of a half disc lies 4r/3π from its middle, of a triangle at the mean of its corners', () => {
    // Plane geometry (the centroid of a half disc: any table of mechanics).
    const half: Path = {
      closed: true,
      segments: [arcFromBulge({ x: -6, y: 0 }, { x: 6, y: 0 }, 1), line({ x: 6, y: 0 }, { x: -6, y: 0 })],
    };
    expect(lengthOf(centroidOf([half])!)).toBeCloseTo(24 / (3 * Math.PI), 9);
    const corners = [
      { x: 0, y: 0 },
      { x: 9, y: 0 },
      { x: 0, y: 6 },
    ];
    expect(distance(centroidOf([polygon(corners)])!, { x: 3, y: 2 })).toBeLessThan(1e-12);
    expect(centroidOf([])).toBeNull();
  });
});
