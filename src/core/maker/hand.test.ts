import fc from 'fast-check';
import { describe, expect, it } from 'vitest';

import { STRAIGHT } from '@/core/derive';
import { type HandPoint, nearestOnPath, signedArea } from '@/core/curve';
import { NO_TURN } from '@/core/number';
import { formProblem, pathsOfForm, plainForms, scaledForm, widenedForm } from './form';
import { hand, handParams } from './hand';
import type { BuiltForm } from './makers';

const brush = { width: 4, thinning: 0, taper: 0, smoothing: 0.05 };
const line = (pressure: (share: number) => number): HandPoint[] =>
  Array.from({ length: 41 }, (_, k) => ({ x: 0, y: -k, pressure: pressure(k / 40) }));
const formOf = (params: BuiltForm['params']): BuiltForm =>
  ({ kind: 'hand', at: { x: 3, y: -5 }, rotation: NO_TURN, params }) as BuiltForm;
const areaOf = (form: BuiltForm): number => Math.abs(signedArea(pathsOfForm(form, STRAIGHT)));

describe('A stroke by hand', () => {
  it('is as wide as its brush all along, and has round ends, where pressure does not count', () => {
    const form = formOf(
      handParams(
        line(() => 0.5),
        brush,
      ),
    );
    const [path] = pathsOfForm(form, STRAIGHT);
    // A band of the brush’s width with half discs at its ends, but for what the hand’s smoothing shortens.
    const whole = 40 * 4 + Math.PI * 4;
    expect(areaOf(form)).toBeGreaterThan(0.9 * whole);
    expect(areaOf(form)).toBeLessThan(1.1 * whole);
    for (const y of [-12, -20, -30])
      expect(nearestOnPath(path!, { x: 3, y: y - 5 })!.distance).toBeCloseTo(2, 0);
  });

  it('keeps its points and pressures, so that the brush can be changed afterwards', () => {
    const params = handParams(
      line((share) => share),
      { ...brush, thinning: 0.8 },
    );
    const form = formOf(params);
    const wide = widenedForm(form, 2) as BuiltForm;
    expect(wide.params).toMatchObject({ width: 8, spine: params.spine, pressures: params.pressures });
    expect(areaOf(wide)).toBeGreaterThan(1.7 * areaOf(form));
    expect(areaOf(formOf({ ...params, taper: 15 }))).toBeLessThan(areaOf(form));
    const grips = hand.grips!(params, undefined);
    const grip = grips.find(({ id }) => id === 'width');
    // Its end runs out over as much of the line as its handle is dragged along it.
    const taper = grips.find(({ id }) => id === 'taper');
    expect(taper!.drag({ x: 1, y: -28 }).taper).toBeCloseTo(12, 6);
    expect(grip!.drag({ x: grip!.at.x * 2, y: grip!.at.y }).width).toBeCloseTo(2 * params.width, 6);
  });

  it('scales as a whole, and is an outline of few nodes once it is made plain', () => {
    const form = formOf(
      handParams(
        line(() => 0.5),
        brush,
      ),
    );
    const larger = scaledForm(form, 3, { x: 0, y: 0 }) as BuiltForm;
    expect(areaOf(larger) / areaOf(form)).toBeCloseTo(9, 1);
    const [plain] = plainForms(form, STRAIGHT);
    expect(plain!.contours[0]!.nodes.length).toBeLessThan(20);
  });

  it('is made of any stroke, with no more points than it may have, and says what cannot be one', () => {
    const point = fc.record({
      x: fc.double({ min: -90, max: 90, noNaN: true }),
      y: fc.double({ min: -90, max: 90, noNaN: true }),
      pressure: fc.double({ min: 0, max: 1, noNaN: true }),
    });
    fc.assert(
      fc.property(fc.array(point, { minLength: 1, maxLength: 60 }), (points) => {
        const params = handParams(points, brush);
        expect(params.pressures).toHaveLength(params.spine[0]!.nodes.length);
        const form = formOf(params);
        if (formProblem(form) === null)
          for (const path of pathsOfForm(form, STRAIGHT)) expect(path.closed).toBe(true);
        else expect(params.pressures.length).toBeLessThan(2);
      }),
      { numRuns: 60 },
    );
    const long = Array.from({ length: 20_000 }, (_, k) => ({ x: k, y: 0, pressure: 0.5 }));
    expect(handParams(long, brush).pressures.length).toBeLessThanOrEqual(4000);
    expect(hand.problem({ ...hand.start, pressures: [1] })?.code).toBe('hand.pressures');
    expect(hand.problem({ ...hand.start, width: 0 })?.code).toBe('hand.width');
  });
});
