import { describe, expect, it } from 'vitest';

import { withReflection } from './nodeOps';
import { pathOfNodes } from './nodes';
import { signedArea } from './path';
import { farthestFrom, onHalfCircle, plainStroke, strokeWithEnds } from './plainStroke';

/** Points of an arc about the centre, in degrees clockwise from straight up, with a hand's tremble. */
const arc = (from: number, to: number, r: number, tremble = 0) =>
  Array.from({ length: 61 }, (_, k) => {
    const share = k / 60;
    const off = share === 0 || share === 1 ? 0 : tremble * Math.sin(9 * k);
    const angle = ((from + (to - from) * share) * Math.PI) / 180;
    return {
      x: share === 0 && from === 0 ? 0 : (r + off) * Math.sin(angle),
      y: -(r + off) * Math.cos(angle),
    };
  });

describe('a stroke by hand', () => {
  it('from axis to axis, nearly half a circle, is one, and a circle with its reflection', () => {
    for (const direction of [1, -1]) {
      const points = strokeWithEnds(arc(0, direction * 180, 20, 0.4), { x: 0, y: -20 }, { x: 0, y: 20 }, 0.5);
      const nodes = plainStroke(points, 0.8);
      expect(nodes?.map(({ bulge }) => bulge)).toEqual([direction, undefined]);
      const whole = withReflection({ closed: false, nodes: nodes ?? [] }, 1e-9);
      if (!whole.ok) throw new Error(whole.finding.sentence);
      expect(whole.value.closed).toBe(true);
      const circle = pathOfNodes(whole.value.nodes, true);
      expect(circle.segments.every((segment) => segment.kind === 'arc' && segment.radius === 20)).toBe(true);
      expect(Math.abs(signedArea([circle]))).toBeCloseTo(Math.PI * 400, 9);
    }
  });

  it('of a brush from axis to axis lies on that circle at each of its points, with the pressure it has', () => {
    const points = strokeWithEnds(arc(0, 180, 20, 0.4), { x: 0, y: -20 }, { x: 0, y: 20 }, 0.5).map(
      (p, k) => ({
        ...p,
        pressure: k / 60,
      }),
    );
    const on = onHalfCircle(points, 0.8);
    expect(on.map(({ pressure }) => pressure)).toEqual(points.map(({ pressure }) => pressure));
    for (const { x, y } of on) expect(Math.hypot(x, y)).toBeCloseTo(20, 12);
    const bow = arc(10, 70, 30, 0.1);
    expect(onHalfCircle(bow, 0.5)).toBe(bow);
  });

  it('along an arc is that arc, along a line that line, and along anything else neither', () => {
    const shallow = plainStroke(arc(10, 70, 30, 0.1), 0.5);
    expect(shallow).toHaveLength(2);
    expect(shallow?.[0]?.bulge).toBeCloseTo(Math.tan((15 * Math.PI) / 180), 2);
    const line = Array.from({ length: 20 }, (_, k) => ({ x: k, y: 0.1 * Math.sin(k) }));
    expect(plainStroke(line, 0.3)?.map(({ bulge }) => bulge)).toEqual([undefined, undefined]);
    const wave = Array.from({ length: 60 }, (_, k) => ({ x: k, y: 8 * Math.sin(k / 8) }));
    expect(plainStroke(wave, 0.5)).toBeNull();
    expect(plainStroke(arc(0, 350, 20), 0.5)).toBeNull();
  });

  it('is no farther from what it is taken for than the tolerance', () => {
    const points = arc(-40, 60, 25, 0.3);
    const nodes = plainStroke(points, 0.5);
    expect(farthestFrom(nodes ?? [], points)).toBeLessThanOrEqual(0.5);
  });

  it('has its ends where they are caught, and no point beyond', () => {
    const points = [0, 1, 2, 3, 4, 5].map((x) => ({ x, y: 0, pressure: x / 5 }));
    expect(strokeWithEnds(points, { x: 0.4, y: 0 }, { x: 5.2, y: 0 }, 1.5)).toEqual([
      { x: 0.4, y: 0, pressure: 0 },
      points[2],
      points[3],
      { x: 5.2, y: 0, pressure: 1 },
    ]);
  });
});
