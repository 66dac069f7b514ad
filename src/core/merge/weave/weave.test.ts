import fc from 'fast-check';
import { describe, expect, it } from 'vitest';

import { circle, polygon } from '../../../../tests/help/motifs';
import { arcFromBulge, fromPolar, line, type Path, type Point, signedArea } from '@/core/curve';
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

const band = (paths: Path[], width: number): WeaveRequest['lines'][number] => ({
  paths,
  width,
  cap: 'butt',
  join: 'miter',
});

const lineOf = (ax: number, ay: number, bx: number, by: number): Path => ({
  closed: false,
  segments: [line({ x: ax, y: ay }, { x: bx, y: by })],
});

/** The outline of what two circles have in common. */
function lens(a: Point, b: Point, radius: number): Path {
  const [mx, my] = [(a.x + b.x) / 2, (a.y + b.y) / 2];
  const apart = Math.hypot(b.x - a.x, b.y - a.y);
  const half = Math.sqrt(radius ** 2 - (apart / 2) ** 2);
  const away = { x: (-(b.y - a.y) / apart) * half, y: ((b.x - a.x) / apart) * half };
  const [p, q] = [
    { x: mx + away.x, y: my + away.y },
    { x: mx - away.x, y: my - away.y },
  ];
  // Tangent of a quarter of the arc's turn; both arcs bulge outward.
  const bulge = Math.tan(Math.asin(half / radius) / 2);
  return { closed: true, segments: [arcFromBulge(p, q, -bulge), arcFromBulge(q, p, -bulge)] };
}

const partArea = (parts: Woven['parts'][number]): number =>
  parts.reduce((sum, { loops, turns }) => sum + signedArea(loops) * turns.length, 0);

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
            // Rings that overlap by less than their bands are wide do not cross, they lie on one another.
            fc.pre(Math.abs(2 * r - d) > 2.1);
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

  it('takes stretches that lie on one another as one line: lens outlines of three circles are one knot', () => {
    // Lenses between each two of three circles share arcs of them; what is seen is one line with three crossings.
    const [a, b] = [0, 120].map((degrees) => fromPolar(14, degrees)) as [Point, Point];
    const woven = weaveOf({
      fold: 3,
      mirror: false,
      lines: [band([lens(a, b, 20)], 2.4)],
      gap: 0.6,
      swapped: [],
    });
    expect(woven.crossings).toHaveLength(3);
    expect(woven.crossings.every(({ alternates, isShallow }) => alternates && !isShallow)).toBe(true);
    expect(woven.crowded).toEqual([]);
    expect(woven.fold).toBe(3);
    // The three crossings lie where two circles meet inside the third.
    for (const { at } of woven.crossings) expect(Math.hypot(at.x, at.y)).toBeLessThan(20);
    // Of each crossing just the lower band loses something: no piece ends without a cut, so there are as many pieces as cuts.
    expect(woven.parts.flat().reduce((sum, { turns }) => sum + turns.length, 0)).toBe(3);
  });

  it('lays a band whole over a tip that it crosses twice, and over one that it crosses at a flat angle', () => {
    const tip = polygon([
      { x: 0, y: -30 },
      { x: 6, y: -5 },
      { x: 0, y: 20 },
      { x: -6, y: -5 },
    ]);
    const across = lineOf(-20, -27, 20, -27);
    for (const swapped of [[], ['0-1.0']]) {
      const woven = weaveOf({
        fold: 1,
        mirror: false,
        lines: [band([tip], 2), band([across], 2)],
        gap: 0.5,
        swapped,
      });
      expect(woven.crossings).toHaveLength(1);
      expect(woven.crossings[0]).toMatchObject({ isShallow: true, ref: '0-1.0@0' });
      // One of the two is as it would be alone, the other is cut in two.
      expect(woven.parts.map((parts) => parts.length).sort()).toEqual([1, 2]);
    }
    // Circles that cross at a flat angle, far apart as the crossings are: the lens between them is thinner than a band.
    const flatRings = weaveOf({
      fold: 5,
      mirror: false,
      lines: [band([circle(0, -40, 28)], 5), band([circle(0, 0, 66)], 5)],
      gap: 1,
      swapped: [],
    });
    const outer = flatRings.crossings.filter(({ ref }) => ref.startsWith('0-1'));
    expect(outer).toHaveLength(5);
    expect(outer.every(({ isShallow }) => isShallow)).toBe(true);
    // Between two tips what is left of the ring is one piece, without a seam where it was cut to be woven.
    const star = weaveOf({
      fold: 6,
      mirror: false,
      lines: [band([tip], 2), band([circle(0, 0, 27)], 2)],
      gap: 0.5,
      swapped: [],
    });
    expect(star.parts[1]!.reduce((sum, { turns }) => sum + turns.length, 0)).toBe(6);
    const flat = weaveOf({
      fold: 1,
      mirror: false,
      lines: [band([lineOf(-30, -3, 30, 3)], 4), band([lineOf(-30, 3, 30, -3)], 4)],
      gap: 0.5,
      swapped: [],
    });
    const whole = 4 * 60 * Math.hypot(1, 0.1);
    const areas = flat.parts.map((parts) => partArea(parts)).sort((p, q) => p - q) as [number, number];
    expect(areas[1]).toBeCloseTo(whole, 6);
    // The lower loses a stretch as long as a band and its gaps are wide, over the sine of the angle.
    const sine = Math.sin(2 * Math.atan(0.1));
    expect(areas[0]).toBeCloseTo(whole - (4 * 5) / sine, 6);
  });

  it('finds an order for three bands through one point where one alternates, and cuts each by all that are over it', () => {
    const lines = [0, 60, 120].map((degrees) => {
      const { x, y } = fromPolar(30, degrees);
      return band([lineOf(x, y, -x, -y)], 3);
    });
    const woven = weaveOf({ fold: 1, mirror: false, lines, gap: 0.4, swapped: [] });
    expect(woven.crowded).toEqual([]);
    expect(woven.crossings).toHaveLength(3);
    // One lies over both, one under both: in one piece, and in two.
    const areas = woven.parts.map((parts) => partArea(parts)).sort((p, q) => q - p) as [
      number,
      number,
      number,
    ];
    expect(areas[0]).toBeCloseTo(180, 6);
    expect(areas[1]).toBeCloseTo(180 - (3 * 3.8) / Math.sin(Math.PI / 3), 6);
    expect(areas[2]).toBeLessThan(areas[1] - 1);
  });

  it('lays bands that overlap beside one another, and do not cross, one over the other', () => {
    // Every second ring is a little more than a width away from the next but one.
    const away = 30;
    const r = (away * Math.sin((2 * Math.PI) / 13) * 2 - 1.6) / 2;
    const woven = weaveOf(rings(13, away, r));
    const shallow = woven.crossings.filter(({ isShallow }) => isShallow);
    expect(shallow).toHaveLength(13);
    expect(woven.fold).toBe(13);
    // Where the two rings are nearest: half way between their middles.
    for (const { at } of shallow)
      expect(Math.hypot(at.x, at.y)).toBeCloseTo(away * Math.cos((2 * Math.PI) / 13), 5);
  });

  it('keeps crossings apart that lie a band or more from one another, and weaves what touches a tip from outside', () => {
    // Neighbouring rings of a chain: the lens between them is wider than a band, and they are linked.
    const linked = weaveOf(rings(13, 30, 8.4));
    expect(linked.crossings).toHaveLength(26);
    expect(linked.crossings.some(({ isShallow }) => isShallow)).toBe(false);
  });

  it('lays each of rings that lie along one another over one neighbour and under the other, in all turns alike', () => {
    // Next but one the rings make lenses thinner than a band, in whose middle both have one direction.
    const woven = weaveOf({
      fold: 8,
      mirror: false,
      lines: [band([circle(0, -36, 26)], 4)],
      gap: 1,
      swapped: [],
    });
    expect(woven.crossings.filter(({ isShallow }) => isShallow)).toHaveLength(8);
    expect(woven.fold).toBe(8);
    // Each ring is cut by one of its neighbours, one next but one at a lens, and one at the far side: in three pieces.
    expect(woven.parts[0]!.reduce((sum, { turns }) => sum + turns.length, 0)).toBe(24);
  });

  it('keeps a line about the centre that crosses nothing', () => {
    const lines = [band([circle(0, -30, 22)], 2), band([circle(0, 0, 3)], 1)];
    const alone = weaveOf({ fold: 5, mirror: false, lines, gap: 0.5, swapped: [] });
    expect(partArea(alone.parts[1]!)).toBeCloseTo(Math.PI * (3.5 ** 2 - 2.5 ** 2), 9);
  });

  it('says where more than two bands meet', () => {
    // Circles through the centre all cross there.
    const woven = weaveOf(rings(5, 20, 20));
    expect(woven.crowded).toHaveLength(1);
    expect(woven.crowded[0]!.x).toBeCloseTo(0, 6);
  });
});
