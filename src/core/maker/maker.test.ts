import { petalOfSize, petalOfCircles, type PetalParams } from './petal';
import { STRAIGHT } from '@/core/derive';
import {
  areOwnMirror,
  boundsOfPaths,
  distance,
  nodesOfPath,
  type Path,
  pathLength,
  samePath,
  signedArea,
} from '@/core/curve';
import { pathsOfForm } from './form';
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';

import { anyPoint, anyClosedPath } from '../../../tests/help/arbitraries';
import { NO_TURN, turn } from '@/core/number';
import {
  dragFormHandle,
  formProblem,
  handlesOfForm,
  movedForm,
  pathForm,
  plainForms,
  scaledForm,
  type Form,
} from './form';
import { BUILT_KINDS, makerOf, withParams, type BuiltForm } from './makers';

/** The first path of a form. */
const pathOfForm = (form: Form): Path => pathsOfForm(form, STRAIGHT)[0]!;

const size = fc.double({ min: 0.5, max: 80, noNaN: true });
const at = anyPoint;
const rotation = fc
  .tuple(fc.integer({ min: 0, max: 359 }), fc.constantFrom(360, 7, 48))
  .map(([n, d]) => turn(n, d));

const placed = fc.record({ at, rotation });

/** Every construction as it begins, and those that most is made of in any size. */
const anyMaker: fc.Arbitrary<BuiltForm> = fc.oneof(
  fc
    .tuple(placed, fc.constantFrom(...BUILT_KINDS))
    .map(([place, kind]) => withParams({ kind, ...place } as BuiltForm, makerOf(kind).start)),
  fc.tuple(placed, size, size).map(([place, length, width]): BuiltForm => ({
    kind: 'petal',
    ...place,
    params: petalOfSize(length, width),
  })),
  fc.tuple(placed, fc.integer({ min: 3, max: 40 }), size).map(([place, sides, radius]): BuiltForm => ({
    kind: 'polygon',
    ...place,
    params: { sides, radius, diagonals: 'none' },
  })),
  fc
    .tuple(placed, size, size)
    .map(([place, width, height]): BuiltForm => ({ kind: 'ellipse', ...place, params: { width, height } })),
);

const petalForm = (params: PetalParams): Form => ({
  kind: 'petal',
  at: { x: 0, y: -10 },
  rotation: NO_TURN,
  params,
});
const petal = (length: number, width: number): Form => petalForm(petalOfSize(length, width));

describe('the petal', () => {
  // Weisstein, "Circle-Circle Intersection", MathWorld: 2 r² acos(d/2r) − (d/2) √(4r² − d²).
  it('has the area of a lens of two circles', () => {
    fc.assert(
      fc.property(size, fc.double({ min: 0.05, max: 1.95, noNaN: true }), (r, share) => {
        const d = r * share;
        const form = petalForm(petalOfCircles(r, d));
        const lens = 2 * r * r * Math.acos(d / (2 * r)) - (d / 2) * Math.sqrt(4 * r * r - d * d);
        expect(Math.abs(signedArea([pathOfForm(form)]) / lens - 1)).toBeLessThan(1e-9);
      }),
    );
  });

  // Weisstein, "Vesica Piscis", MathWorld: d = r, area r² (2π/3 − √3/2).
  it('is a vesica piscis where the circles go through each other’s centres', () => {
    const params = petalOfCircles(7, 7);
    const form = petalForm(params);
    expect(signedArea([pathOfForm(form)])).toBeCloseTo(49 * ((2 * Math.PI) / 3 - Math.sqrt(3) / 2), 11);
    expect(params).toMatchObject({ length: Math.sqrt(147), width: 7 });
  });

  it('is exactly as long and as wide as asked, and its own mirror on the axis', () => {
    fc.assert(
      fc.property(size, size, (length, width) => {
        const path = pathOfForm(petal(length, width));
        const box = boundsOfPaths([path]);
        expect(box.right - box.left).toBeCloseTo(width, 9);
        if (width <= length) expect(box.bottom - box.top).toBeCloseTo(length, 9);
        expect(areOwnMirror([path], 1e-12)).toBe(true);
      }),
    );
  });

  it('says the same by its size and by its circles', () => {
    fc.assert(
      fc.property(size, fc.double({ min: 0.05, max: 1, noNaN: true }), (length, share) => {
        const { radius, apart } = petalOfSize(length, length * share);
        const back = petalOfCircles(radius, apart);
        expect(back.length).toBeCloseTo(length, 7);
        expect(back.width).toBeCloseTo(length * share, 7);
      }),
    );
  });
});

describe('the polygon', () => {
  it('has sides of 2R sin(π/n), apothem R cos(π/n) and area n/2 R² sin(2π/n)', () => {
    for (let n = 3; n <= 60; n += 1) {
      const path = pathOfForm({
        kind: 'polygon',
        at: { x: 0, y: 0 },
        rotation: NO_TURN,
        params: { sides: n, radius: 40, diagonals: 'none' },
      });
      expect(pathLength(path)).toBeCloseTo(n * 80 * Math.sin(Math.PI / n), 10);
      expect(Math.abs(signedArea([path]) / ((n / 2) * 1600 * Math.sin((2 * Math.PI) / n)) - 1)).toBeLessThan(
        1e-13,
      );
      const first = path.segments[0]!;
      const apothem = Math.hypot((first.from.x + first.to.x) / 2, (first.from.y + first.to.y) / 2);
      expect(apothem).toBeCloseTo(40 * Math.cos(Math.PI / n), 11);
    }
  });
});

describe('the ellipse', () => {
  it('has four exact arcs as a circle', () => {
    const path = pathOfForm({
      kind: 'ellipse',
      at: { x: 1, y: 2 },
      rotation: NO_TURN,
      params: { width: 18, height: 18 },
    });
    expect(path.segments.map(({ kind }) => kind)).toEqual(['arc', 'arc', 'arc', 'arc']);
    expect(signedArea([path])).toBeCloseTo(Math.PI * 81, 11);
  });

  it('is within 1e-6 of its size otherwise', () => {
    const path = pathOfForm({
      kind: 'ellipse',
      at: { x: 0, y: 0 },
      rotation: NO_TURN,
      params: { width: 60, height: 16 },
    });
    expect(Math.abs(signedArea([path]) / (Math.PI * 240) - 1)).toBeLessThan(1e-6);
  });
});

describe('every maker', () => {
  it('has the handle that was dragged where it was dragged to, along what it can change', () => {
    fc.assert(
      fc.property(anyMaker, fc.nat(3), anyPoint, (form, k, to) => {
        const handles = handlesOfForm(form, STRAIGHT);
        const { id } = handles[k % handles.length]!;
        const dragged = dragFormHandle(form, id, to, STRAIGHT);
        expect(dragged.kind).toBe(form.kind);
        expect(formProblem(dragged)).toBeNull();
        // The origin and the far end go wherever they are dragged, unless that would make nothing.
        if ((id === 'origin' || id === 'far end') && dragged !== form && distance(form.at, to) > 0.01) {
          const found = handlesOfForm(dragged, STRAIGHT).find((handle) => handle.id === id)!;
          expect(distance(found.point, to)).toBeLessThan(1e-5);
        }
      }),
    );
  });

  it('moves and scales as its path does, and is the same path when plain', () => {
    fc.assert(
      fc.property(anyMaker, anyPoint, fc.double({ min: 0.2, max: 5, noNaN: true }), (form, by, factor) => {
        const own = pathsOfForm(form, STRAIGHT);
        const moved = pathsOfForm(movedForm(form, by), STRAIGHT);
        const [a, b] = [boundsOfPaths(own), boundsOfPaths(moved)];
        expect(b.left - a.left).toBeCloseTo(by.x, 6);
        expect(b.top - a.top).toBeCloseTo(by.y, 6);
        // What is worked out is within its tolerance, which is a share of its size.
        const scaled = pathsOfForm(scaledForm(form, factor, by), STRAIGHT);
        const length = own.reduce((sum, path) => sum + pathLength(path), 0);
        expect(scaled.reduce((sum, path) => sum + pathLength(path), 0) / (length * factor)).toBeCloseTo(1, 4);
        const plain = plainForms(form, STRAIGHT).flatMap((each) => pathsOfForm(each, STRAIGHT));
        expect(plain).toHaveLength(own.length);
        plain.forEach((path, k) => expect(samePath(path, own[k]!, 1e-6)).toBe(true));
      }),
    );
  });

  it('refuses impossible params with a sentence', () => {
    const base = { at: { x: 0, y: 0 }, rotation: NO_TURN };
    expect(formProblem({ kind: 'petal', ...base, params: petalOfSize(0, 3) })?.sentence).toContain('above 0');
    expect(formProblem({ kind: 'petal', ...base, params: petalOfCircles(5, 10) })?.sentence).toContain(
      'between 0 and 10',
    );
    expect(formProblem({ kind: 'petal', ...base, params: petalOfCircles(-5, 1) })?.sentence).toContain(
      'radius',
    );
    expect(
      formProblem({ kind: 'polygon', ...base, params: { sides: 2, radius: 3, diagonals: 'none' } })?.sentence,
    ).toContain('3 to 720');
    expect(
      formProblem({ kind: 'polygon', ...base, params: { sides: 5, radius: NaN, diagonals: 'none' } })
        ?.sentence,
    ).toContain('above 0');
    expect(formProblem({ kind: 'ellipse', ...base, params: { width: 2, height: -2 } })?.sentence).toContain(
      'above 0',
    );
    expect(formProblem(pathForm([], true))?.sentence).toContain('two nodes');
  });

  it('scales drawn paths, handles and all', () => {
    fc.assert(
      fc.property(anyClosedPath, (path) => {
        const form = pathForm(nodesOfPath(path), true);
        const twice = pathOfForm(scaledForm(form, 2, { x: 0, y: 0 }));
        expect(signedArea([twice])).toBeCloseTo(4 * signedArea([pathOfForm(form)]), 4);
      }),
    );
  });
});
