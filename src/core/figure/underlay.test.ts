import fc from 'fast-check';
import { describe, expect, it } from 'vitest';

import { add, applyTo, distance, type Point, turnMap } from '@/core/curve';
import { turn } from '@/core/number';
import type { Underlay } from './model';
import { underlayMap, underlayRound, underlayThrough } from './underlay';

const underlay: Underlay = {
  picture: 'p',
  name: 'Shell',
  width: 90,
  height: 60,
  at: { x: 7, y: -20 },
  rotation: turn(1, 9),
  strength: 0.5,
  visible: true,
  locked: false,
};

/** Where a point of the picture, in shares of its width and height from its middle, lies. */
const placeOf = ({ at, rotation, width, height }: Underlay, share: Point): Point =>
  add(at, applyTo(turnMap(rotation), { x: share.x * width, y: share.y * height }));

describe('an underlay laid by two points', () => {
  it('has both of them where they are wanted, and its proportions', () => {
    const share = fc.record({ x: fc.integer({ min: -5, max: 5 }), y: fc.integer({ min: -5, max: 5 }) });
    const place = fc.record({ x: fc.integer({ min: -80, max: 80 }), y: fc.integer({ min: -80, max: 80 }) });
    fc.assert(
      fc.property(share, share, place, place, (s, t, to, other) => {
        const [p, q] = [s, t].map(({ x, y }) => ({ x: x / 10, y: y / 10 })) as [Point, Point];
        fc.pre(distance(p, q) > 0 && distance(to, other) > 0);
        const laid = underlayThrough(underlay, [
          [placeOf(underlay, p), to],
          [placeOf(underlay, q), other],
        ])!;
        expect(distance(placeOf(laid, p), to)).toBeLessThan(1e-9);
        expect(distance(placeOf(laid, q), other)).toBeLessThan(1e-3);
        expect(laid.width / laid.height).toBeCloseTo(1.5, 12);
      }),
    );
  });

  it('is none where two of the points are one', () => {
    const at = { x: 1, y: 2 };
    expect(
      underlayThrough(underlay, [
        [at, { x: 0, y: 0 }],
        [at, { x: 5, y: 5 }],
      ]),
    ).toBeNull();
  });
});

describe('an underlay that shows a rosette', () => {
  it('has its centre on the centre, its axis straight up and its reach where it is wanted', () => {
    const pixel = fc.record({ x: fc.integer({ min: 1, max: 449 }), y: fc.integer({ min: 1, max: 299 }) });
    fc.assert(
      fc.property(
        pixel,
        fc.integer({ min: 10, max: 200 }),
        fc.integer({ min: -180, max: 180 }),
        fc.integer({ min: 1, max: 90 }),
        (centre, reach, axis, radius) => {
          const pixels = { width: 450, height: 300 };
          const laid = underlayRound(underlay, { ...pixels, centre, reach, axis }, radius);
          const map = underlayMap(laid, pixels);
          const angle = (axis * Math.PI) / 180;
          const tip = { x: centre.x + reach * Math.sin(angle), y: centre.y - reach * Math.cos(angle) };
          expect(distance(applyTo(map, centre), { x: 0, y: 0 })).toBeLessThan(1e-6);
          expect(distance(applyTo(map, tip), { x: 0, y: -radius })).toBeLessThan(1e-6);
        },
      ),
    );
  });
});
