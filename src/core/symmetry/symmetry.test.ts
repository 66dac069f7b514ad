import fc from 'fast-check';
import { describe, expect, it } from 'vitest';

import { anyPoint } from '../../../tests/help/arbitraries';
import {
  applyTo,
  arcFromBulge,
  distance,
  fromPolar,
  lengthOf,
  line,
  mapPath,
  type Path,
  polarOf,
} from '@/core/curve';
import { addTurns, degreesOf, turn, wrapTurn } from '@/core/number';
import { reachOf } from './reach';
import { copyCount, isFold, placementMap, stepOf, turnsOf } from './rule';
import { curveOf, snapCandidates, spacedPlaces, ringStepFor, snap, SNAP_KINDS, type SnapKind } from './snap';
import { alongTurn, copyAt, halfWedge, isWide, pastRays } from './wedge';

const anyFold = fc.integer({ min: 1, max: 720 });

/** A circle as two half arcs. */
const circle = (x: number, y: number, r: number): Path => {
  const [a, b] = [
    { x, y: y - r },
    { x, y: y + r },
  ];
  return { closed: true, segments: [arcFromBulge(a, b, 1), arcFromBulge(b, a, 1)] };
};

describe('the turn rule', () => {
  it('closes exactly: the copy after the last is the first', () => {
    fc.assert(
      fc.property(anyFold, (fold) => {
        const rule = { fold, mirror: false, start: turn(1, 2 * fold) };
        const turns = turnsOf(rule);
        expect(turns).toHaveLength(fold);
        const next = wrapTurn(addTurns(turns[fold - 1]!, stepOf(rule)));
        expect(next).toEqual(wrapTurn(turns[0]!));
      }),
      { numRuns: 60 },
    );
  });

  it('refuses folds that are none', () => {
    for (const fold of [0, 721, 2.5, -3, NaN]) {
      expect(isFold(fold)).toBe(false);
      expect(() => turnsOf({ fold, mirror: false, start: turn(0) })).toThrow(RangeError);
    }
  });

  it('counts mirrored copies and reflects about the copy’s own axis', () => {
    expect(copyCount({ fold: 7, mirror: true, start: turn(0) })).toBe(14);
    fc.assert(
      fc.property(anyPoint, fc.integer({ min: 0, max: 23 }), (p, k) => {
        const plain = applyTo(placementMap({ turn: turn(k, 24), mirrored: false }), p);
        const other = applyTo(placementMap({ turn: turn(k, 24), mirrored: true }), p);
        expect(lengthOf(other)).toBeCloseTo(lengthOf(plain), 9);
        fc.pre(lengthOf(p) > 1e-3);
        const sum = polarOf(plain).degrees + polarOf(other).degrees - 2 * degreesOf(turn(k, 24));
        expect(Math.abs(Math.sin((sum * Math.PI) / 180))).toBeLessThan(1e-9);
      }),
    );
  });
});

describe('the wedge', () => {
  it('finds the copy whose wedge holds a point', () => {
    fc.assert(
      fc.property(
        anyFold,
        fc.nat(719),
        fc.double({ min: -0.49, max: 0.49, noNaN: true }),
        (fold, k, share) => {
          const rule = { fold, mirror: false, start: turn(1, 7) };
          const copy = wrapTurn(addTurns(rule.start, turn(k % fold, fold)));
          const p = fromPolar(10, degreesOf(copy) + (share * 360) / fold);
          expect(copyAt(rule, p)).toEqual(copy);
        },
      ),
    );
  });

  // n equal circles on a ring of radius R touch where r = R sin(π/n): plane trigonometry.
  it('is left exactly where circles on a ring begin to touch', () => {
    for (let n = 3; n <= 60; n += 1) {
      const touch = 50 * Math.sin(Math.PI / n);
      expect(pastRays([circle(0, -50, touch)], { fold: n }).right).toBeLessThan(1e-12 * 50);
      const { left, right } = pastRays([circle(0, -50, touch + 0.25)], { fold: n });
      expect(right).toBeCloseTo(0.25, 11);
      expect(left).toBeCloseTo(0.25, 11);
    }
  });

  it('has no inside to leave at folds 1 and 2', () => {
    expect(pastRays([circle(0, -5, 50)], { fold: 2 })).toEqual({ left: 0, right: 0 });
    expect(pastRays([], { fold: 6 })).toEqual({ left: 0, right: 0 });
  });

  it('has rays that meet the n-gon’s apothem: R cos(π/n)', () => {
    for (let n = 3; n <= 30; n += 1) {
      const corner = alongTurn(halfWedge({ fold: n }), 10);
      expect(-corner.y).toBeCloseTo(10 * Math.cos(Math.PI / n), 12);
      expect(2 * corner.x).toBeCloseTo(2 * 10 * Math.sin(Math.PI / n), 12);
    }
  });
});

describe('reach', () => {
  it('is exact for circles on and off the centre', () => {
    fc.assert(
      fc.property(anyPoint, fc.double({ min: 0.5, max: 30, noNaN: true }), (p, r) => {
        const reach = reachOf([circle(p.x, p.y, r)])!;
        expect(reach.outer).toBeCloseTo(lengthOf(p) + r, 9);
        const gap = lengthOf(p) - r;
        if (Math.abs(gap) > 0.01) expect(reach.inner).toBeCloseTo(Math.max(0, gap), 9);
      }),
    );
  });

  it('is nothing without paths and reads lines by their nearest point', () => {
    expect(reachOf([])).toBeNull();
    const reach = reachOf([{ closed: false, segments: [line({ x: -3, y: -4 }, { x: 3, y: -4 })] }])!;
    expect(reach).toEqual({ inner: 4, outer: 5 });
  });
});

describe('snapping', () => {
  const all = new Set<SnapKind>(SNAP_KINDS);
  const targets = { fold: 12, ringStep: 10, nodes: [{ x: 7, y: -33 }], on: all };

  it('prefers the centre and nodes to lines, and crossings to single lines', () => {
    expect(snap({ x: 0.3, y: 0.4 }, targets, 1)).toMatchObject({ point: { x: 0, y: 0 }, caught: ['centre'] });
    expect(snap({ x: 7.5, y: -33 }, targets, 1)).toMatchObject({ point: { x: 7, y: -33 }, caught: ['node'] });
    expect(snap({ x: 0.5, y: -40.4 }, targets, 1)).toMatchObject({
      point: { y: -40 },
      caught: ['axis', 'ring'],
      ring: 40,
    });
    expect(snap({ x: 0.5, y: -45 }, targets, 1)).toMatchObject({ point: { y: -45 }, caught: ['axis'] });
    expect(snap({ x: 6, y: -44 }, targets, 1).caught).toEqual([]);
    // A node beside the axis does not pull away what is right on the axis, but takes what is close to itself.
    const beside = { ...targets, nodes: [{ x: 0.6, y: -45 }] };
    expect(snap({ x: 0.02, y: -45 }, beside, 1)).toMatchObject({ point: { x: 0 }, caught: ['axis'] });
    expect(snap({ x: 0.4, y: -45 }, beside, 1)).toMatchObject({ caught: ['node'] });
  });

  it('puts what it catches exactly there', () => {
    fc.assert(
      fc.property(anyPoint, (p) => {
        const { point, caught, ring } = snap(p, targets, 1.5);
        expect(distance(point, p)).toBeLessThanOrEqual(2.2);
        if (caught.includes('axis')) expect(Math.abs(point.x)).toBe(0);
        if (caught.includes('ray')) expect(Math.abs(polarOf(point).degrees)).toBeCloseTo(15, 9);
        if (ring !== null) expect(lengthOf(point)).toBeCloseTo(ring, 9);
        if (caught.length === 0) expect(point).toEqual(p);
      }),
    );
  });

  it('catches only what is switched on', () => {
    const off = snap({ x: 0.3, y: -40.2 }, { ...targets, on: new Set() }, 1);
    expect(off).toEqual({ point: { x: 0.3, y: -40.2 }, caught: [], ring: null });
  });

  it('has ring lines at round steps', () => {
    expect(ringStepFor(90)).toBe(10);
    expect(ringStepFor(100)).toBe(10);
    expect(ringStepFor(101)).toBe(20);
    expect(ringStepFor(0.9)).toBeCloseTo(0.1, 12);
    expect(ringStepFor(450)).toBe(50);
  });
});

it('leaves a path as it is under a full turn', () => {
  const path = circle(3, -20, 4);
  expect(mapPath(path, placementMap({ turn: turn(12, 12), mirrored: false }))).toEqual(path);
});

describe('snapping to curves', () => {
  const on = new Set<SnapKind>(SNAP_KINDS);
  const arc = { kind: 'arc', centre: { x: 10, y: 0 }, radius: 5, sweep: Math.PI } as const;
  const half = { ...arc, from: { x: 5, y: 0 }, to: { x: 15, y: 0 } };
  const targets = {
    fold: 1,
    ringStep: 1000,
    nodes: [],
    on,
    curves: [
      curveOf('curve', 'Bow', half),
      curveOf('curve', 'Bar', line({ x: 0, y: -3 }, { x: 30, y: -3 })),
      curveOf('frame', 'a side', line({ x: 40, y: -20 }, { x: 40, y: 20 })),
    ],
  };

  it('catches crossings, quadrants, middles, tangent and square points, and says of what', () => {
    const crossing = snap({ x: 6.1, y: -3.1 }, targets, 1);
    expect(crossing).toMatchObject({ caught: ['crossing'], what: 'Bow and Bar' });
    expect(crossing.point.x).toBeCloseTo(6, 9);
    expect(snap({ x: 10.2, y: -5.3 }, targets, 1)).toMatchObject({ what: 'Bow' });
    expect(snap({ x: 40.3, y: 0.4 }, { ...targets, on: new Set<SnapKind>(['midpoint']) }, 1)).toMatchObject({
      caught: [],
    });
    expect(snap({ x: 40.3, y: 0.4 }, targets, 1)).toMatchObject({
      point: { x: 40, y: 0 },
      caught: ['midpoint'],
    });
    // From 0, 0 the tangent touches the circle about 10, 0 where cos a = 1/2.
    const touch = snap({ x: 7.6, y: -4.2 }, { ...targets, origin: { x: 0, y: 0 } }, 0.5);
    expect(touch).toMatchObject({ caught: ['touch'], what: 'tangent to Bow' });
    expect(touch.point.x).toBeCloseTo(7.5, 9);
    const square = snap({ x: 20.2, y: -3.1 }, { ...targets, origin: { x: 20, y: 9 } }, 0.5);
    expect(square).toMatchObject({ caught: ['touch'], what: 'square to Bar' });
  });

  it('catches the curves themselves last, and only what is on', () => {
    expect(snap({ x: 40.4, y: 7 }, targets, 1)).toMatchObject({ point: { x: 40 }, caught: ['frame'] });
    expect(snap({ x: 22, y: -3.3 }, targets, 1)).toMatchObject({ caught: ['curve'], what: 'Bar' });
    const off = { ...targets, on: new Set<SnapKind>(['axis']) };
    expect(snap({ x: 22, y: -3.3 }, off, 1).caught).toEqual([]);
  });

  it('offers all that is near, what it catches by itself first, each once', () => {
    const all = snapCandidates({ x: 6.1, y: -3.1 }, targets, 1);
    expect(all.map(({ caught }) => caught[0])).toEqual(['crossing', 'curve', 'curve']);
    expect(
      all
        .slice(1)
        .map(({ what }) => what)
        .sort(),
    ).toEqual(['Bar', 'Bow']);
    const many = snapCandidates(
      { x: 0.1, y: -20.1 },
      {
        fold: 1,
        ringStep: 10,
        nodes: [
          { x: 0.4, y: -20.3 },
          { x: 0.2, y: -19.9 },
        ],
        on,
      },
      1,
    );
    expect(many.map(({ caught }) => caught.join(' '))).toEqual(['node', 'node', 'axis ring', 'axis', 'ring']);
    expect(snapCandidates({ x: 500, y: 3 }, { ...targets, on: new Set<SnapKind>() }, 1)).toEqual([
      { point: { x: 500, y: 3 }, caught: [], ring: null },
    ]);
  });

  it('catches places evenly spaced with two others: between them and beyond', () => {
    const anchors = [
      { name: 'A', point: { x: 0, y: -10 } },
      { name: 'B', point: { x: 6, y: -14 } },
    ];
    for (const [x, y] of [
      [3, -12],
      [12, -18],
      [-6, -6],
    ] as const) {
      const p = { x: x + 0.3, y: y - 0.2 };
      const spaced = spacedPlaces(p, anchors);
      expect(snap(p, { ...targets, curves: [], spaced }, 1)).toMatchObject({
        point: { x, y },
        caught: ['spacing'],
        what: expect.stringMatching(/^(A and B|B and A)$/) as string,
      });
    }
    expect(spacedPlaces({ x: 0, y: 0 }, [anchors[0]!, { ...anchors[0]!, name: 'C' }])).toEqual([]);
  });
});

describe('the wedge of copies that fill a part of a turn', () => {
  const sweep = (degrees: number, ends: boolean) => ({ turn: turn(degrees, 360), ends });

  it('is as wide as their step, whichever way they go', () => {
    expect(degreesOf(halfWedge({ fold: 6, sweep: sweep(180, false) }))).toBe(15);
    expect(degreesOf(halfWedge({ fold: 7, sweep: sweep(180, true) }))).toBe(15);
    expect(degreesOf(halfWedge({ fold: 6, sweep: sweep(-180, false) }))).toBe(15);
    expect(degreesOf(halfWedge({ fold: 6 }))).toBe(30);
    // Never wider than all.
    expect(degreesOf(halfWedge({ fold: 2, sweep: sweep(720, true) }))).toBe(180);
    expect([isWide({ fold: 2 }), isWide({ fold: 3 }), isWide({ fold: 6, sweep: sweep(180, false) })]).toEqual(
      [true, false, false],
    );
  });

  it('and what reaches past its rays is measured there', () => {
    const motif = [circle(0, -20, 6)];
    expect(pastRays(motif, { fold: 6 }).right).toBe(0);
    const { right } = pastRays(motif, { fold: 6, sweep: sweep(180, false) });
    // From the ray at 15°, 20 sin 15° from the middle.
    expect(right).toBeCloseTo(6 - 20 * Math.sin(Math.PI / 12), 9);
  });
});
