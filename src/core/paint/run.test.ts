import fc from 'fast-check';
import { describe, expect, it } from 'vitest';

import { pixelsOf } from '../../../tests/help/pictures';
import { type Affine, applyTo, determinant, distance, inverse, type Point } from '@/core/curve';
import { svgOf } from '@/core/format/svg';
import type { Gradient, Scene } from '@/core/scene';
import { turn } from '@/core/number';
import { isGradient } from './fills';
import { turnedPaint, withSettledGradients } from './gradient';
import { hasCircles, mappedRun, rimMap } from './run';

/** How far a point is on the way of a gradient, by the definitions of SVG 2, section 14.2: 0 at its start, 1 at its end. */
function shareAt(gradient: Gradient, p: Point): number {
  const { from, to, kind } = gradient;
  if (kind === 'radial') {
    const { x, y } = applyTo(inverse(rimMap(gradient)), p);
    return Math.hypot(x, y);
  }
  return ((p.x - from.x) * (to.x - from.x) + (p.y - from.y) * (to.y - from.y)) / distance(from, to) ** 2;
}

const coordinate = fc.double({ min: -5, max: 5, noNaN: true });
const point = fc.record({ x: coordinate, y: coordinate });
const map: fc.Arbitrary<Affine> = fc
  .record({ a: coordinate, b: coordinate, c: coordinate, d: coordinate, e: coordinate, f: coordinate })
  .filter((m) => Math.abs(determinant(m)) > 0.5);

const rings: Gradient = {
  kind: 'radial',
  spread: 'cell',
  from: { x: 0.5, y: 0.5 },
  to: { x: 1, y: 0.5 },
  stops: [
    { at: 0, colour: '#000000' },
    { at: 1, colour: '#ffffff' },
  ],
};

describe('the run of a gradient', () => {
  it('has on what is mapped the colour that it had before, at each point', () => {
    fc.assert(
      fc.property(
        fc.constantFrom('linear' as const, 'radial' as const),
        point,
        point,
        map,
        map,
        point,
        (kind, from, to, m, more, p) => {
          fc.pre(distance(from, to) > 0.1);
          const gradient: Gradient = { ...rings, kind, spread: 'copy', from, to };
          const once = mappedRun(gradient, m);
          expect(shareAt(once, applyTo(m, p))).toBeCloseTo(shareAt(gradient, p), 6);
          // Twice in a row too: an ellipse is mapped as a circle is.
          expect(shareAt(mappedRun(once, more), applyTo(more, applyTo(m, p)))).toBeCloseTo(
            shareAt(gradient, p),
            4,
          );
        },
      ),
    );
  });

  it('stays round where what it paints keeps its form', () => {
    const turned = mappedRun(rings, { a: 0, b: 3, c: -3, d: 0, e: 1, f: 2 });
    expect(turned.across).toBeUndefined();
    expect(hasCircles(mappedRun(rings, { a: 2, b: 0, c: 0, d: 1, e: 0, f: 0 }))).toBe(false);
  });

  it('is stretched with a shape whose box it is in, as another renderer draws it', () => {
    // A square of 20, twice as wide, about its own middle.
    const wide: Affine = { a: 2, b: 0, c: 0, d: 1, e: 0, f: 0 };
    const box = { left: -10, right: 10, top: -10, bottom: 10 };
    const paint = turnedPaint({ fill: rings, stroke: null }, wide, () => box);
    expect(isGradient(paint.fill) && paint.fill.spread).toBe('cell');
    const corner = (x: number, y: number) => ({ x, y });
    const path = {
      closed: true,
      segments: [corner(-20, -10), corner(20, -10), corner(20, 10), corner(-20, 10)].map((from, k, all) => ({
        kind: 'line' as const,
        from,
        to: all[(k + 1) % 4] as Point,
      })),
    };
    const layer = withSettledGradients({
      roundId: 'r',
      copies: [{ turn: turn(0, 1) }],
      items: [
        { origin: { of: 'shape', shapeId: 's' }, paths: [path], paint, rule: 'nonzero', mirrored: false },
      ],
    });
    const scene: Scene = {
      page: { width: 40, height: 40, unit: 'mm', background: null, bleed: 0, centre: { x: 0, y: 0 } },
      layers: [layer],
    };
    const pixels = pixelsOf(
      svgOf(scene, { title: 't', form: 'compact', decimals: 4, background: true }),
      400,
    );
    const level = (x: number, y: number): number => pixels[4 * (400 * (200 + 10 * y) + 200 + 10 * x)] ?? -1;
    for (const [x, y] of [
      [0, 0],
      [10, 0],
      [0, 5],
      [12, 4],
      [-8, 7],
      [15, -2],
    ] as const) {
      const share = Math.min(1, Math.hypot(x / 20, y / 10));
      expect(Math.abs(level(x, y) - 255 * share)).toBeLessThan(4);
    }
  });
});
