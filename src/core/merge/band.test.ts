import fc from 'fast-check';
import { describe, expect, it } from 'vitest';

import { clipper } from '../../../tests/help/clipper';
import { circle, polygon } from '../../../tests/help/motifs';
import {
  arcFromBulge,
  type Bounds,
  boundsOfPaths,
  cubic,
  directionAt,
  distance,
  flatten,
  line,
  nearestOnPath,
  type Path,
  type Point,
  pointAt,
  type Segment,
  signedArea,
  windingNumber,
} from '@/core/curve';
import { NO_TURN } from '@/core/number';
import { mergeNow } from './engine';
import { BAND_TOLERANCE, bandsOf, offsetOf, type BandLook } from './band';

const LOOK: BandLook = {
  width: 6,
  side: 'middle',
  join: 'miter',
  limit: 10,
  cap: 'butt',
  widths: [],
  dashes: [],
};
const open = (...segments: Segment[]): Path => ({ closed: false, segments });
const p = (x: number, y: number): Point => ({ x, y });

/** Cubics one after another, each from where the one before ends. */
const chainFrom = (start: Point, curves: readonly (readonly [Point, Point, Point])[]): Segment[] =>
  curves.map(([a, b, to], k) => cubic(curves[k - 1]?.[2] ?? start, a, b, to));

const areaOf = (paths: readonly Path[]): number => signedArea(paths);

const covers = (paths: readonly Path[], at: Point): boolean =>
  paths.reduce((sum, path) => sum + windingNumber(path, at, 1e-7), 0) !== 0;

const isInBox = ({ left, right, top, bottom }: Bounds, { x, y }: Point): boolean =>
  x >= left && x <= right && y >= top && y <= bottom;

/** Points of a segment after its start, so close that it turns little between them, however sharp a bend is. */
function finely(segment: Segment, from = 0, to = 1, halvings = 20): Point[] {
  const [a, b] = [directionAt(segment, from), directionAt(segment, to)];
  const turned = Math.abs(Math.atan2(a.x * b.y - a.y * b.x, a.x * b.x + a.y * b.y));
  const isShort = to - from < 1 / 64 && turned < 0.02;
  if (isShort || halvings === 0) return [pointAt(segment, to)];
  const middle = (from + to) / 2;
  return [...finely(segment, from, middle, halvings - 1), ...finely(segment, middle, to, halvings - 1)];
}

/** Short quadrangles beside a finely flattened line, and triangles at its corners: what its band is the union of. */
function quadsBeside(path: Path, { width, side, widths }: BandLook): Path[] {
  const points = path.segments.flatMap((segment, k) => [
    ...(k === 0 ? [segment.from] : []),
    ...finely(segment),
  ]);
  const [left, right] = { middle: [0.5, 0.5], outside: [1, 0], inside: [0, 1] }[side] as [number, number];
  const lengths = points.map((point, k) => (k === 0 ? 0 : distance(points[k - 1]!, point)));
  const whole = lengths.reduce((sum, each) => sum + each, 0);
  let along = 0;
  const widthAt = (length: number): number =>
    widths.length === 0 ? width : widths[0]! + ((widths[1]! - widths[0]!) * length) / whole;
  const quads: Path[] = [];
  const sides: (readonly [Point, Point, Point])[] = [];
  points.slice(1).forEach((to, k) => {
    const from = points[k]!;
    const length = lengths[k + 1]!;
    if (length === 0) return;
    const [nx, ny] = [(to.y - from.y) / length, -(to.x - from.x) / length];
    const beside = ({ x, y }: Point, d: number): Point => p(x + nx * d, y + ny * d);
    const [w0, w1] = [widthAt(along), widthAt(along + length)];
    along += length;
    const [l0, l1, r1, r0] = [
      beside(from, left * w0),
      beside(to, left * w1),
      beside(to, -right * w1),
      beside(from, -right * w0),
    ];
    quads.push(polygon([l0, l1, r1, r0]));
    const before = sides[sides.length - 1];
    if (before) quads.push(polygon([from, before[1], l0]), polygon([from, before[2], r0]));
    sides.push([to, l1, r1]);
  });
  return quads;
}

describe('bands', () => {
  it('of lines have the areas that their caps and joins make, to 1e-9', () => {
    const straight = open(line(p(0, 0), p(40, 0)));
    const area = (look: Partial<BandLook>, path = straight) => areaOf(bandsOf([path], { ...LOOK, ...look }));
    expect(area({})).toBeCloseTo(240, 8);
    expect(area({ cap: 'square' })).toBeCloseTo(240 + 36, 8);
    expect(area({ cap: 'round' })).toBeCloseTo(240 + Math.PI * 9, 8);
    // A right-angled corner: two arms, less their common square, and what each join adds outside of it.
    const corner = open(line(p(0, 0), p(40, 0)), line(p(40, 0), p(40, 40)));
    expect(area({}, corner)).toBeCloseTo(480 - 9 + 9, 8);
    expect(area({ join: 'bevel' }, corner)).toBeCloseTo(480 - 9 + 4.5, 8);
    expect(area({ join: 'round' }, corner)).toBeCloseTo(480 - 9 + (Math.PI * 9) / 4, 8);
    // Past the limit a miter is a bevel: at a right angle it is √2 widths long.
    expect(area({ limit: 1.41 }, corner)).toBeCloseTo(480 - 9 + 4.5, 8);
    expect(area({ limit: 1.42 }, corner)).toBeCloseTo(480, 8);
    // A square inside and outside of its line.
    const square = polygon([p(0, 0), p(40, 0), p(40, 40), p(0, 40)]);
    expect(area({ side: 'outside' }, square)).toBeCloseTo(52 * 52 - 1600, 8);
    expect(area({ side: 'inside' }, square)).toBeCloseTo(1600 - 28 * 28, 8);
    expect(area({ widths: [2, 6] })).toBeCloseTo(160, 8);
    expect(area({ widths: [0, 6, 0] })).toBeCloseTo(120, 8);
    expect(area({ dashes: [4, 6] })).toBeCloseTo(4 * 4 * 6, 8);
    expect(bandsOf([straight], { ...LOOK, width: 0 })).toEqual([]);
  });

  it('of lines that turn by less than a right angle are as wide as they are long, and one outline that does not meet itself', () => {
    const pieces = fc.array(
      fc.record({
        length: fc.double({ min: 0.5, max: 60, noNaN: true }),
        turned: fc.double({ min: -1.5, max: 1.5, noNaN: true }),
        isStraight: fc.boolean(),
      }),
      { minLength: 1, maxLength: 6 },
    );
    const side = fc.constantFrom('middle', 'outside', 'inside');
    fc.assert(
      fc.property(pieces, side, fc.constantFrom('butt', 'square', 'round'), (list, side, cap) => {
        let [at, heading, length, net] = [p(3, 4), 0.3, 0, 0];
        const segments = list.map((piece): Segment => {
          const [from, way] = [at, p(Math.cos(heading), Math.sin(heading))];
          // All of them turn by less than a right angle together.
          const turned = piece.turned / list.length;
          length += piece.length;
          if (piece.isStraight || Math.abs(turned) < 1e-3) {
            at = p(from.x + way.x * piece.length, from.y + way.y * piece.length);
            return line(from, at);
          }
          [heading, net] = [heading + turned, net + turned];
          const radius = piece.length / turned;
          const centre = p(from.x - way.y * radius, from.y + way.x * radius);
          at = p(centre.x + Math.sin(heading) * radius, centre.y - Math.cos(heading) * radius);
          return { kind: 'arc', from, to: at, centre, radius: Math.abs(radius), sweep: turned };
        });
        const look: BandLook = { ...LOOK, width: 2, side, cap };
        const made = bandsOf([open(...segments)], look);
        const united = mergeNow({
          op: 'union',
          among: 'operands',
          operands: [{ fold: 1, mirror: false, start: NO_TURN, shapes: [{ paths: made, rule: 'nonzero' }] }],
        }).parts.flatMap(({ loops }) => loops);
        expect([made.length, united.length]).toEqual([1, 1]);
        expect(signedArea(united)).toBeCloseTo(signedArea(made), 6);
        // Pappus: as wide as it is, along the line in its middle.
        const more = { middle: 0, outside: net * 2, inside: -net * 2 }[side];
        const caps = { butt: 0, square: 4, round: Math.PI }[cap];
        const bends = segments.some((segment) => segment.kind === 'arc' && segment.radius < 2);
        if (!bends) expect(signedArea(made)).toBeCloseTo(2 * length + more + caps, 6);
      }),
    );
  });

  it('of arcs are arcs, exactly, wherever they are narrower than the arc', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 5, max: 50, noNaN: true }),
        fc.double({ min: 0.5, max: 9.9, noNaN: true }),
        fc.double({ min: -0.99, max: 0.99, noNaN: true }).filter((bulge) => Math.abs(bulge) > 0.05),
        (r, width, bulge) => {
          const arc = arcFromBulge(p(0, 0), p(r, r / 3), bulge);
          if (arc.kind !== 'arc') return;
          const made = bandsOf([open(arc)], { ...LOOK, width });
          const inner = Math.max(0, arc.radius - width / 2);
          const outer = arc.radius + width / 2;
          fc.pre(arc.radius > width / 2 + 0.01);
          expect(areaOf(made)).toBeCloseTo(((outer ** 2 - inner ** 2) / 2) * Math.abs(arc.sweep), 6);
          expect(made.flatMap(({ segments }) => segments).some(({ kind }) => kind === 'cubic')).toBe(false);
        },
      ),
    );
    const ring = bandsOf([circle(0, 0, 20)], { ...LOOK, width: 4 });
    expect(areaOf(ring)).toBeCloseTo(Math.PI * (22 ** 2 - 18 ** 2), 7);
    // Wider than the circle: a disc without a hole.
    expect(areaOf(bandsOf([circle(0, 0, 3)], { ...LOOK, width: 10 }))).toBeCloseTo(Math.PI * 64, 6);
  });

  it('of any curve are within half the width of it on either side, with round joins and caps', () => {
    const at = fc.record({ x: fc.integer({ min: -40, max: 40 }), y: fc.integer({ min: -40, max: 40 }) });
    const tolerance = BAND_TOLERANCE * 120;
    fc.assert(
      fc.property(
        fc.array(fc.tuple(at, at, at), { minLength: 1, maxLength: 3 }),
        at,
        fc.integer({ min: 1, max: 24 }),
        fc.array(at, { minLength: 40, maxLength: 40 }),
        (curves, start, half, probes) => {
          const path = open(...chainFrom(start, curves));
          fc.pre(path.segments.every((each) => distance(each.from, each.to) > 1));
          const width = half / 2;
          const made = bandsOf([path], { ...LOOK, width, join: 'round', cap: 'round' });
          const away = (q: Point): number => nearestOnPath(path, q)?.distance ?? Infinity;
          for (const probe of probes) {
            if (Math.abs(away(probe) - width / 2) < 4 * tolerance) continue;
            expect(covers(made, probe)).toBe(away(probe) < width / 2);
          }
          // The outline itself is nowhere nearer and nowhere farther.
          for (const loop of made)
            for (const point of flatten(loop, 1e-3).filter((_, k) => k % 7 === 0))
              expect(Math.abs(away(point) - width / 2)).toBeLessThan(2 * tolerance);
        },
      ),
      { numRuns: 8, endOnFailure: true },
    );
  });

  it('with cut ends and corners cover what is square beside some place of the line, and the corners’ triangles', () => {
    const at = fc.record({ x: fc.integer({ min: -20, max: 20 }), y: fc.integer({ min: -20, max: 20 }) });
    fc.assert(
      fc.property(
        fc.array(fc.tuple(at, at, at), { minLength: 1, maxLength: 3 }),
        at,
        fc.integer({ min: 2, max: 16 }),
        fc.constantFrom('middle', 'outside', 'inside'),
        fc.boolean(),
        fc.array(at, { minLength: 60, maxLength: 60 }),
        (curves, start, width, side, grows, probes) => {
          const path = open(...chainFrom(start, curves));
          fc.pre(path.segments.every((each) => distance(each.from, each.to) > 1));
          const look: BandLook = {
            ...LOOK,
            width,
            side,
            join: 'bevel',
            widths: grows ? [width / 4, width] : [],
          };
          const made = bandsOf([path], look);
          const quads = quadsBeside(path, look);
          const boxes = quads.map((quad) => boundsOfPaths([quad]));
          const isIn = (q: Point): boolean =>
            quads.some((quad, k) => isInBox(boxes[k]!, q) && windingNumber(quad, q, 1e-12) !== 0);
          for (const probe of probes) {
            // Normals of a flattened bend are off by its steps at their far ends.
            const around = [0, 1, 2, 3, 4, 5, 6, 7].map((k) =>
              p(probe.x + 0.4 * Math.cos((k * Math.PI) / 4), probe.y + 0.4 * Math.sin((k * Math.PI) / 4)),
            );
            const inside = isIn(probe);
            if (around.some((each) => isIn(each) !== inside)) continue;
            expect(covers(made, probe)).toBe(inside);
          }
        },
      ),
      { numRuns: 16, endOnFailure: true },
    );
  });

  it('have the areas that a polygon library gives to finely flattened lines', async () => {
    const library = await clipper();
    const curve = open(
      cubic(p(-30, 10), p(-20, -40), p(10, 30), p(15, -5)),
      cubic(p(15, -5), p(20, -40), p(38, 12), p(30, 25)),
    );
    for (const [join, cap, joinType, endType] of [
      ['round', 'round', library.JoinType.Round, library.EndType.Round],
      ['miter', 'butt', library.JoinType.Miter, library.EndType.Butt],
      ['bevel', 'square', library.JoinType.Square, library.EndType.Square],
    ] as const) {
      const flat = new library.PathD();
      flat.assign(Float64Array.from(flatten(curve, 1e-4).flatMap(({ x, y }) => [x, y, 0])));
      const paths = new library.PathsD();
      paths.push_back(flat);
      const wide = library.InflatePathsD(paths, 2.5, joinType, endType, 10, 6, 1e-4);
      const area = Math.abs(library.AreaPathsD(wide));
      const own = areaOf(bandsOf([curve], { ...LOOK, width: 5, join, cap }));
      expect(Math.abs(own - area) / area).toBeLessThan(2e-4);
    }
  });

  it('goes round a cusp and a doubled-back line without a loop or a spike', () => {
    const cusp = open(cubic(p(-20, 0), p(20, 30), p(-20, 30), p(20, 0)));
    const made = bandsOf([cusp], { ...LOOK, join: 'round', cap: 'round' });
    for (const loop of made)
      for (const { from } of loop.segments)
        expect(nearestOnPath(cusp, from)!.distance).toBeLessThan(3 + 1e-2);
    const back = open(line(p(0, 0), p(30, 0)), line(p(30, 0), p(0, 0)));
    expect(areaOf(bandsOf([back], { ...LOOK, join: 'round', cap: 'round' }))).toBeCloseTo(
      180 + Math.PI * 9,
      6,
    );
  });
});

describe('offsets', () => {
  it('of convex shapes have Steiner’s area: A + Pd + πd² outward with round joins', () => {
    // Steiner, "Über parallele Flächen" (1840); for polygons it is elementary.
    fc.assert(
      fc.property(fc.integer({ min: 3, max: 12 }), fc.double({ min: 0.5, max: 20, noNaN: true }), (n, d) => {
        const corners = Array.from({ length: n }, (_, k) =>
          p(30 * Math.sin((2 * Math.PI * k) / n), -30 * Math.cos((2 * Math.PI * k) / n)),
        );
        const shape = polygon(corners);
        const round = n * distance(corners[0]!, corners[1]!);
        const area = signedArea([shape]);
        expect(areaOf(offsetOf([shape], 'nonzero', d, 'round', 4))).toBeCloseTo(
          area + round * d + Math.PI * d * d,
          5,
        );
        const apothem = 30 * Math.cos(Math.PI / n);
        const inward = areaOf(offsetOf([shape], 'nonzero', -d, 'miter', 100));
        // Inward the polygon stays one of its kind, its apothem less by the distance.
        expect(inward).toBeCloseTo(d < apothem ? area * (1 - d / apothem) ** 2 : 0, 5);
      }),
    );
  });

  it('of a circle is the circle farther out, and nothing where it is too small', () => {
    expect(areaOf(offsetOf([circle(3, 4, 10)], 'nonzero', 2.5, 'miter', 4))).toBeCloseTo(
      Math.PI * 12.5 ** 2,
      7,
    );
    expect(areaOf(offsetOf([circle(3, 4, 10)], 'nonzero', -2.5, 'miter', 4))).toBeCloseTo(
      Math.PI * 7.5 ** 2,
      7,
    );
    expect(offsetOf([circle(3, 4, 10)], 'nonzero', -10.5, 'miter', 4)).toEqual([]);
    const ring = offsetOf([circle(0, 0, 10), circle(0, 0, 5)], 'evenodd', 1, 'miter', 4);
    expect(areaOf(ring)).toBeCloseTo(Math.PI * (121 - 16), 7);
  });

  it('outward and back are one outline again: convex shapes as they were, others with their inner corners rounded', () => {
    // Closing by a disc (Serra, "Image Analysis and Mathematical Morphology", 1982): nothing is lost, and convex sets stay.
    fc.assert(
      fc.property(
        fc.integer({ min: 3, max: 9 }),
        fc.double({ min: 0.4, max: 1, noNaN: true }),
        fc.double({ min: 0.2, max: 4, noNaN: true }),
        fc.constantFrom(0, 1 / 7),
        (n, waist, d, shift) => {
          const corners = Array.from({ length: 2 * n }, (_, k) => {
            const r = 12 * (k % 2 === 0 ? 1 : Math.max(waist, 0.4));
            return p(shift + r * Math.sin((Math.PI * k) / n), -r * Math.cos((Math.PI * k) / n));
          });
          const star = polygon(corners);
          const back = offsetOf(offsetOf([star], 'nonzero', d, 'round', 4), 'nonzero', -d, 'round', 4);
          expect(back).toHaveLength(1);
          const area = signedArea([star]);
          if (waist >= Math.cos(Math.PI / n)) expect(areaOf(back)).toBeCloseTo(area, 6);
          // Inner corners may be as shallow as the outlines are exact.
          else expect(areaOf(back)).toBeGreaterThan(area * (1 - 1e-7));
        },
      ),
      { numRuns: 60 },
    );
  });

  it('inward by exactly the radius of its corners a rounded square has sharp ones, and a circle is nothing', () => {
    const tile = (half: number, radius: number): Path => {
      const flat = half - radius;
      const quarter = Math.tan(Math.PI / 8);
      const ends = [p(flat, -half), p(half, -flat), p(half, flat), p(flat, half)];
      const all = [...ends, ...ends.map(({ x, y }) => p(-x, -y))];
      return {
        closed: true,
        segments: all.map((from, k) => {
          const to = all[(k + 1) % all.length]!;
          return k % 2 === 0 ? arcFromBulge(from, to, quarter) : line(from, to);
        }),
      };
    };
    for (const [half, radius] of [
      [20, 5],
      [20, 7.3],
      [33.3, 1 / 3],
    ] as const) {
      const made = offsetOf([tile(half, radius)], 'nonzero', -radius, 'round', 4);
      expect(made.map(({ segments }) => segments.map(({ kind }) => kind))).toEqual([
        ['line', 'line', 'line', 'line'],
      ]);
      expect(areaOf(made)).toBeCloseTo((2 * (half - radius)) ** 2, 7);
    }
    expect(offsetOf([circle(3, 4, 10)], 'nonzero', -10, 'round', 4)).toEqual([]);
  });
});
