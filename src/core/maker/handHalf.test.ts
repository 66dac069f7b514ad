import { describe, expect, it } from 'vitest';

import { nodesOfContours } from '@/core/curve';
import { turn } from '@/core/number';
import { handParams } from './hand';
import { withReflectedHand } from './handHalf';

const brush = { width: 3, thinning: 0, taper: 0, smoothing: 0.05 };
const halfRing = (x: number) =>
  Array.from({ length: 41 }, (_, k) => ({
    x: x + 20 * Math.sin((k * Math.PI) / 40),
    y: -20 * Math.cos((k * Math.PI) / 40),
    pressure: k / 40,
  }));
const stroke = (x: number) =>
  ({ kind: 'hand', at: { x: 0, y: 0 }, rotation: turn(0), params: handParams(halfRing(x), brush) }) as const;

describe('a stroke by hand with its reflection', () => {
  it('is a ring where both of its ends are near the axis, its pressure mirrored', () => {
    const whole = withReflectedHand(stroke(0.3), 0.5);
    const nodes = nodesOfContours(whole?.params.spine ?? []);
    expect(nodes[0]).toMatchObject({ x: 0, y: 0 });
    expect(nodes.at(-1)).toMatchObject({ x: 0, y: 0 });
    expect(whole?.params.pressures).toEqual([...(whole?.params.pressures ?? [])].reverse());
    expect(whole?.params).toMatchObject({ width: 3, smoothing: 0.05 });
    nodes.forEach(({ x, y }, k) => {
      const other = nodes[nodes.length - 1 - k];
      expect([-x, y]).toEqual([expect.closeTo(other?.x ?? NaN, 9), expect.closeTo(other?.y ?? NaN, 9)]);
    });
  });

  it('stays half a stroke where neither end is near the axis', () => {
    expect(withReflectedHand(stroke(2), 0.5)).toBeNull();
  });
});
