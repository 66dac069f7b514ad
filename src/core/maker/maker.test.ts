import { STRAIGHT } from '../derive';
import type { Path } from '../curve/path';
import { pathsOfForm } from './form';
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';

import { anyPoint, anyClosedPath } from '../../../tests/help/arbitraries';
import { boundsOfPaths } from '../curve/bounds';
import { pathLength } from '../curve/length';
import { nodesOfPath } from '../curve/nodes';
import { areOwnMirror, samePath, signedArea } from '../curve/path';
import { distance } from '../curve/point';
import { NO_TURN, turn } from '../number/turn';
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
import { petalCircles, petalExtent, petalPath, type PetalForm } from './petal';

/** The first path of a form. */
const pathOfForm = (form: Form): Path => pathsOfForm(form, STRAIGHT)[0]!;

const size = fc.double({ min: 0.5, max: 80, noNaN: true });
const at = anyPoint;
const rotation = fc
  .tuple(fc.integer({ min: 0, max: 359 }), fc.constantFrom(360, 7, 48))
  .map(([n, d]) => turn(n, d));

const anyMaker: fc.Arbitrary<Exclude<Form, { kind: 'path' }>> = fc.oneof(
  fc.record({
    kind: fc.constant('petal' as const),
    at,
    rotation,
    size: fc.record({ by: fc.constant('size' as const), length: size, width: size }),
  }),
  fc.record({
    kind: fc.constant('polygon' as const),
    at,
    rotation,
    sides: fc.integer({ min: 3, max: 40 }),
    radius: size,
  }),
  fc.record({ kind: fc.constant('ellipse' as const), at, rotation, rx: size, ry: size }),
);

const petal = (length: number, width: number): PetalForm => ({
  kind: 'petal',
  at: { x: 0, y: -10 },
  rotation: NO_TURN,
  size: { by: 'size', length, width },
});

describe('the petal', () => {
  // Weisstein, "Circle-Circle Intersection", MathWorld: 2 r² acos(d/2r) − (d/2) √(4r² − d²).
  it('has the area of a lens of two circles', () => {
    fc.assert(
      fc.property(size, fc.double({ min: 0.05, max: 1.95, noNaN: true }), (r, share) => {
        const d = r * share;
        const form: PetalForm = { ...petal(1, 1), size: { by: 'circles', radius: r, apart: d } };
        const lens = 2 * r * r * Math.acos(d / (2 * r)) - (d / 2) * Math.sqrt(4 * r * r - d * d);
        expect(Math.abs(signedArea([petalPath(form)]) / lens - 1)).toBeLessThan(1e-9);
      }),
    );
  });

  // Weisstein, "Vesica Piscis", MathWorld: d = r, area r² (2π/3 − √3/2).
  it('is a vesica piscis where the circles go through each other’s centres', () => {
    const form: PetalForm = { ...petal(1, 1), size: { by: 'circles', radius: 7, apart: 7 } };
    expect(signedArea([petalPath(form)])).toBeCloseTo(49 * ((2 * Math.PI) / 3 - Math.sqrt(3) / 2), 11);
    expect(petalExtent(form.size)).toEqual({ length: Math.sqrt(147), width: 7 });
  });

  it('is exactly as long and as wide as asked, and its own mirror on the axis', () => {
    fc.assert(
      fc.property(size, size, (length, width) => {
        const path = petalPath(petal(length, width));
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
        const circles = petalCircles({ by: 'size', length, width: length * share });
        const back = petalExtent({ by: 'circles', ...circles });
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
        sides: n,
        radius: 40,
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
    const path = pathOfForm({ kind: 'ellipse', at: { x: 1, y: 2 }, rotation: NO_TURN, rx: 9, ry: 9 });
    expect(path.segments.map(({ kind }) => kind)).toEqual(['arc', 'arc', 'arc', 'arc']);
    expect(signedArea([path])).toBeCloseTo(Math.PI * 81, 11);
  });

  it('is within 1e-6 of its size otherwise', () => {
    const path = pathOfForm({ kind: 'ellipse', at: { x: 0, y: 0 }, rotation: NO_TURN, rx: 30, ry: 8 });
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
        if (id === 'base' || id === 'middle')
          expect(distance(handlesOfForm(dragged, STRAIGHT)[0]!.point, to)).toBeLessThan(1e-6);
        if ((id === 'tip' || id === 'corner') && distance(form.at, to) > 0.01) {
          const found = handlesOfForm(dragged, STRAIGHT).find((handle) => handle.id === id)!;
          expect(distance(found.point, to)).toBeLessThan(1e-5);
        }
      }),
    );
  });

  it('moves and scales as its path does, and is the same path when plain', () => {
    fc.assert(
      fc.property(anyMaker, anyPoint, fc.double({ min: 0.2, max: 5, noNaN: true }), (form, by, factor) => {
        const area = signedArea([pathOfForm(form)]);
        const moved = pathOfForm(movedForm(form, by));
        const [a, b] = [boundsOfPaths([pathOfForm(form)]), boundsOfPaths([moved])];
        expect(b.left - a.left).toBeCloseTo(by.x, 6);
        expect(b.top - a.top).toBeCloseTo(by.y, 6);
        const scaled = signedArea([pathOfForm(scaledForm(form, factor, by))]);
        expect(Math.abs(scaled / (area * factor * factor) - 1)).toBeLessThan(1e-9);
        expect(samePath(pathOfForm(plainForms(form, STRAIGHT)[0]!), pathOfForm(form), 1e-6)).toBe(true);
      }),
    );
  });

  it('refuses impossible numbers with a sentence', () => {
    const base = { at: { x: 0, y: 0 }, rotation: NO_TURN };
    expect(
      formProblem({ kind: 'petal', ...base, size: { by: 'size', length: 0, width: 3 } })?.sentence,
    ).toContain('above 0');
    expect(
      formProblem({ kind: 'petal', ...base, size: { by: 'circles', radius: 5, apart: 10 } })?.sentence,
    ).toContain('between 0 and 10');
    expect(
      formProblem({ kind: 'petal', ...base, size: { by: 'circles', radius: -5, apart: 1 } })?.sentence,
    ).toContain('radius');
    expect(formProblem({ kind: 'polygon', ...base, sides: 2, radius: 3 })?.sentence).toContain('3 to 720');
    expect(formProblem({ kind: 'polygon', ...base, sides: 5, radius: NaN })?.sentence).toContain('above 0');
    expect(formProblem({ kind: 'ellipse', ...base, rx: 1, ry: -1 })?.sentence).toContain('above 0');
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
