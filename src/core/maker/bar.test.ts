import fc from 'fast-check';
import { describe, expect, it } from 'vitest';

import { boundsOfPaths, signedArea } from '@/core/curve';
import { turn } from '@/core/number';
import { bar, tipReach, type BarParams } from './bar';
import { branch } from './branch';

const areaOf = (params: BarParams): number => Math.abs(signedArea(bar.paths(params)));
const fields = {
  length: fc.double({ min: 10, max: 90, noNaN: true }),
  width: fc.double({ min: 1, max: 9, noNaN: true }),
};

describe('a bar', () => {
  it('has the area of a rectangle and its tips', () => {
    fc.assert(
      fc.property(fc.record(fields), fc.constantFrom('one' as const, 'both' as const), (size, ends) => {
        const tips = ends === 'both' ? 2 : 1;
        const { length, width } = size;
        const pointed: BarParams = { ...size, tip: 'pointed', tipBy: 'length', tipLength: length / 4, ends };
        // A triangle is half the rectangle that it stands in.
        expect(areaOf(pointed)).toBeCloseTo(width * (length - (tips * length) / 8), 9);
        fc.pre(tips * width <= 2 * length);
        const round: BarParams = { ...size, tip: 'round', ends };
        const straight = length - (tips * width) / 2;
        expect(areaOf(round)).toBeCloseTo(width * straight + (tips * Math.PI * width ** 2) / 8, 9);
        expect(areaOf({ ...size, tip: 'flat' })).toBeCloseTo(length * width, 9);
      }),
    );
  });

  it('reaches from its origin to its length, as wide as it says', () => {
    fc.assert(
      fc.property(fc.record(fields), fc.integer({ min: 20, max: 150 }), (size, degrees) => {
        const params: BarParams = {
          ...size,
          tip: 'pointed',
          tipBy: 'angle',
          tipAngle: turn(degrees, 360),
          ends: 'one',
        };
        fc.pre(bar.problem(params) === null);
        const box = boundsOfPaths(bar.paths(params));
        expect(box.bottom).toBeCloseTo(0, 9);
        expect(box.top).toBeCloseTo(-size.length, 9);
        expect(box.right - box.left).toBeCloseTo(size.width, 9);
      }),
    );
  });

  it('has a point of the angle that is asked for: 60° is as long as the height of the triangle on its width', () => {
    const sixty: BarParams = { length: 40, width: 8, tip: 'pointed', tipBy: 'angle', tipAngle: turn(1, 6) };
    expect(tipReach(8, sixty)).toBeCloseTo((8 * Math.sqrt(3)) / 2, 12);
    expect(tipReach(8, { tip: 'pointed', tipBy: 'angle', tipAngle: turn(1, 4) })).toBeCloseTo(4, 12);
  });

  it('says what is wrong', () => {
    const start = bar.start;
    expect(bar.problem(start)).toBeNull();
    expect(bar.problem({ ...start, ends: 'both', tipLength: 21 })?.sentence).toContain('40');
    expect(bar.problem({ ...start, tipBy: 'angle', tipAngle: turn(1, 2) })).not.toBeNull();
  });
});

describe('a branch', () => {
  it('has the arms of older files where it does not say how they end', () => {
    const { tipBy: _, tipLength: __, tipAngle: ___, ends: ____, ...old } = branch.start;
    expect(old).toMatchObject({ width: 3, tip: 'pointed' });
    expect(branch.problem(old)).toBeNull();
    expect(branch.paths(old)).toEqual(branch.paths({ ...old, tipBy: 'length', tipLength: 3, ends: 'one' }));
  });

  it('has bars that are pointed at both ends', () => {
    const [stem] = branch.paths({ ...branch.start, tipBy: 'length', tipLength: 9, ends: 'both' });
    expect(stem?.segments).toHaveLength(6);
  });
});
