import fc from 'fast-check';
import { describe, expect, it } from 'vitest';

import { circle } from '../../../tests/help/motifs';
import { signedArea } from '../curve/path';
import { line } from '../curve/segment';
import { weaveOf, type WeaveRequest, type Woven } from './weave';

const rings = (
  fold: number,
  away: number,
  r: number,
  swapped: string[] = [],
  mirror = false,
): WeaveRequest => ({
  fold,
  mirror,
  lines: [{ paths: [circle(0, -away, r)], width: 2, cap: 'butt', join: 'miter' }],
  gap: 0.5,
  swapped,
});

const areaOf = ({ parts }: Woven): number =>
  parts.flat().reduce((sum, { loops, turns }) => sum + signedArea(loops) * turns.length, 0);

describe('weaving', () => {
  it('alternates on every figure of equal rings, is symmetric, and cuts each crossing once', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 2, max: 16 }),
        fc.double({ min: 1.15, max: 1.9, noNaN: true }),
        fc.boolean(),
        (fold, apart, mirror) => {
          // Rings whose neighbours overlap, and so do others where they reach; two cross in two places each.
          const away = 30;
          const step = 2 * away * Math.sin(Math.PI / fold);
          const r = (step / 2) * apart;
          const woven = weaveOf(rings(fold, away, r, [], mirror));
          let pairs = 0;
          for (let k = 1; k <= fold / 2; k += 1) {
            const d = 2 * away * Math.sin((Math.PI * k) / fold);
            if (d < 2 * r) pairs += 2 * k === fold ? fold / 2 : fold;
          }
          fc.pre(woven.crowded.length === 0);
          expect(woven.crossings).toHaveLength(2 * pairs);
          expect(woven.crossings.every(({ alternates }) => alternates)).toBe(true);
          // Two rings of a pair or more crossing: the turns that keep it are all, or every second one.
          expect([fold, fold / 2]).toContain(woven.fold);
          const full = fold * Math.PI * ((r + 1) ** 2 - (r - 1) ** 2);
          expect(areaOf(woven)).toBeLessThan(full);
          expect(areaOf(woven)).toBeGreaterThan(full * 0.3);
        },
      ),
      { numRuns: 20 },
    );
  });

  it('takes from each band that passes under just what the other and the gaps cover', () => {
    // Two lines at a right angle: of the lower one a piece as wide as the upper and two gaps goes.
    const cross: WeaveRequest = {
      fold: 1,
      mirror: false,
      lines: [
        {
          paths: [{ closed: false, segments: [line({ x: -20, y: 0 }, { x: 20, y: 0 })] }],
          width: 4,
          cap: 'butt',
          join: 'miter',
        },
        {
          paths: [{ closed: false, segments: [line({ x: 0, y: -20 }, { x: 0, y: 20 })] }],
          width: 2,
          cap: 'butt',
          join: 'miter',
        },
      ],
      gap: 0.5,
      swapped: [],
    };
    const [over, under] = weaveOf(cross).parts;
    const area = (parts: typeof over): number =>
      (parts ?? []).reduce((sum, { loops, turns }) => sum + signedArea(loops) * turns.length, 0);
    expect(area(over)).toBeCloseTo(160, 7);
    expect(area(under)).toBeCloseTo(80 - 2 * 5, 7);
    const { crossings } = weaveOf(cross);
    const [first] = crossings;
    const [lower, upper] = weaveOf({ ...cross, swapped: [first!.ref] }).parts;
    expect(area(lower)).toBeCloseTo(160 - 4 * 3, 7);
    expect(area(upper)).toBeCloseTo(80, 7);
  });

  it('weaves a knot of four lenses and the rings behind it', () => {
    // Two circles of a lens in each of four turns, and a ring in each behind them.
    const woven = weaveOf({
      fold: 4,
      mirror: false,
      lines: [
        { paths: [circle(-9, -20, 22), circle(9, -20, 22)], width: 2, cap: 'butt', join: 'miter' },
        { paths: [circle(0, -34, 12)], width: 1.5, cap: 'butt', join: 'miter' },
      ],
      gap: 0.4,
      swapped: [],
    });
    expect(woven.crossings.length).toBeGreaterThan(20);
    expect(woven.crossings.every(({ alternates }) => alternates)).toBe(true);
    expect(woven.parts.every((parts) => parts.length > 0)).toBe(true);
  });

  it('names the crossings that a swap leaves without their turn, and a swap of all undoes itself', () => {
    const plain = weaveOf(rings(6, 30, 18));
    const [first] = plain.crossings;
    const kind = first!.ref.split('@')[0]!;
    const one = weaveOf(rings(6, 30, 18, [first!.ref]));
    expect(one.crossings.filter(({ alternates }) => !alternates).map(({ ref }) => ref)).toContain(first!.ref);
    expect(one.fold).toBe(1);
    const whole = weaveOf(rings(6, 30, 18, [kind]));
    expect([6, 3]).toContain(whole.fold);
    expect(areaOf(whole)).toBeCloseTo(areaOf(plain), 1);
    const kinds = [...new Set(plain.crossings.map(({ ref }) => ref.split('@')[0]!))];
    const all = weaveOf(rings(6, 30, 18, kinds));
    expect(all.crossings.every(({ alternates }) => alternates)).toBe(true);
  });

  it('says where more than two bands meet', () => {
    // Circles through the centre all cross there.
    const woven = weaveOf(rings(5, 20, 20));
    expect(woven.crowded).toHaveLength(1);
    expect(woven.crowded[0]!.x).toBeCloseTo(0, 6);
  });
});
