import { STRAIGHT } from '@/core/derive';
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';

import { figureSchema, newFigure, newShape, START_PAINT } from '@/core/figure';
import {
  areOwnMirror,
  boundsOfPaths,
  derivativeAt,
  distance,
  lengthOf,
  nearestOnPath,
  ORIGIN,
  type Path,
  signedArea,
} from '@/core/curve';
import { NO_TURN, turn } from '@/core/number';
import { armLengths, branch, pairPositions } from './branch';
import { barFrame } from './barFrame';
import { blade } from './blade';
import { scaledParams } from './construction';
import { dial } from './dial';
import { drop } from './drop';
import {
  dragFormHandle,
  formProblem,
  handlesOfForm,
  partsOfForm,
  pathsOfForm,
  plainForms,
  scaledForm,
} from './form';
import { heart } from './heart';
import { kite } from './kite';
import { knot } from './knot';
import { lattice } from './lattice';
import { BUILT_KINDS, makerOf, MAKERS, withParams, type BuiltForm } from './makers';
import { ray } from './ray';
import { rectangle } from './rectangle';
import { scallop } from './scallop';
import { scroll } from './scroll';
import { innerRadius, star } from './star';
import { solvedRing, touchingRing } from './touchingRing';
import { whirl, whirlCount, whirlFactor } from './whirl';

const close = (a: number, b: number): void => expect(Math.abs(a - b)).toBeLessThan(1e-9 * (1 + Math.abs(b)));

const formOf = (kind: (typeof BUILT_KINDS)[number]): BuiltForm =>
  withParams({ kind, at: { x: 3, y: -5 }, rotation: turn(1, 7) } as BuiltForm, makerOf(kind).start);

const areaOf = (paths: readonly Path[]): number =>
  paths.reduce((sum, path) => sum + Math.abs(signedArea([path])), 0);

/** Every segment ends where the next begins. */
const joins = ({ closed, segments }: Path): boolean =>
  segments.every(({ to }, k) => {
    const next = segments[k + 1] ?? (closed ? segments[0] : undefined);
    return !next || distance(to, next.from) < 1e-9;
  });

/** Arcs are circles: both ends are the radius away from the centre. */
const isRound = ({ segments }: Path): boolean =>
  segments.every(
    (s) =>
      s.kind !== 'arc' ||
      Math.abs(distance(s.from, s.centre) - s.radius) + Math.abs(distance(s.to, s.centre) - s.radius) < 1e-9,
  );

describe('every construction', () => {
  it.each(BUILT_KINDS)('%s begins with params that make closed outlines or lines, end to end', (kind) => {
    const form = formOf(kind);
    expect(formProblem(form)).toBeNull();
    const paths = pathsOfForm(form, STRAIGHT);
    expect(paths.length).toBeGreaterThan(0);
    expect(paths.every(joins)).toBe(true);
    expect(paths.every(isRound)).toBe(true);
    const parts = form.kind === 'words' ? partsOfForm(form, STRAIGHT) : paths;
    expect(plainForms(form, STRAIGHT)).toHaveLength(parts.length);
  });

  it.each(BUILT_KINDS)('%s is a shape of the file format, with all its params and no others', (kind) => {
    const shape = newShape('s', 'Shape', formOf(kind), START_PAINT);
    const figure = newFigure('A', 'r');
    const withForm = (form: object) => ({
      ...figure,
      rounds: [{ ...figure.rounds[0]!, shapes: [{ ...shape, form }] }],
    });
    expect(figureSchema.validate(withForm(shape.form)).error).toBeUndefined();
    const params = makerOf(kind).start;
    const [first] = Object.keys(params);
    const { [first!]: _, ...fewer } = params;
    for (const wrong of [fewer, { ...params, more: 1 }])
      expect(figureSchema.validate(withForm({ ...shape.form, params: wrong })).error).toBeDefined();
  });

  it.each(BUILT_KINDS)('%s scales as a whole, and its far end can be put elsewhere', (kind) => {
    const form = formOf(kind);
    const twice = scaledForm(form, 2, ORIGIN) as BuiltForm;
    close(areaOf(pathsOfForm(twice, STRAIGHT)), 4 * areaOf(pathsOfForm(form, STRAIGHT)));
    const moved = dragFormHandle(form, 'far end', { x: form.at.x, y: form.at.y - 33 }, STRAIGHT);
    if (makerOf(kind).extent) expect(moved.rotation).toEqual(NO_TURN);
    const { extent } = makerOf(kind);
    if (extent) close(extent(moved.params), 33);
    else expect(moved).toEqual(form);
  });

  it.each(BUILT_KINDS)('%s keeps making something wherever a handle is dragged', (kind) => {
    fc.assert(
      fc.property(
        fc.nat(),
        fc.record({
          x: fc.double({ min: -200, max: 200, noNaN: true }),
          y: fc.double({ min: -200, max: 200, noNaN: true }),
        }),
        (which, to) => {
          const form = formOf(kind);
          const handles = handlesOfForm(form, STRAIGHT);
          const { id } = handles[which % handles.length]!;
          const next = dragFormHandle(form, id, to, STRAIGHT);
          expect(formProblem(next)).toBeNull();
          expect(pathsOfForm(next, STRAIGHT).every(joins)).toBe(true);
        },
      ),
      { numRuns: 30 },
    );
  });
});

describe('a ray', () => {
  it('has its apex in its origin and the rim that trigonometry says', () => {
    const flat = { ...MAKERS.ray.start, angle: turn(1, 12), reach: 70 };
    close(ray.facts!(flat, [], undefined)[0]!.value, 140 * Math.tan(Math.PI / 12));
    close(areaOf(ray.paths(flat)), 70 * 70 * Math.tan(Math.PI / 12));
    const round = { ...flat, rim: 'round' as const };
    close(ray.facts!(round, [], undefined)[0]!.value, 140 * Math.sin(Math.PI / 12));
    close(areaOf(ray.paths(round)), (70 * 70 * Math.PI) / 12);
    for (const params of [flat, round, { ...flat, by: 'width' as const }])
      expect(ray.paths(params)[0]!.segments[0]!.from).toEqual(ORIGIN);
    const wide = { ...flat, by: 'width' as const, width: 20 };
    close(ray.facts!(wide, [], undefined)[0]!.value, 20);
    expect(ray.problem({ ...flat, angle: turn(1, 2) })?.sentence).toMatch('below 180');
    expect(ray.problem({ ...flat, rim: 'pointed', point: 71 })?.sentence).toMatch('between 0 and 70');
  });
});

describe('shapes of circles and tangents', () => {
  const smooth = (path: Path, at: number): number => {
    const [a, b] = [path.segments[at]!, path.segments[(at + 1) % path.segments.length]!];
    const [u, v] = [derivativeAt(a, 1), derivativeAt(b, 0)];
    return Math.abs(u.x * v.y - u.y * v.x) / (lengthOf(u) * lengthOf(v));
  };

  it('drops and hearts run smoothly from side to lobe, as long and as wide as asked', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 2, max: 50, noNaN: true }),
        fc.double({ min: 1.05, max: 6, noNaN: true }),
        fc.double({ min: 0.02, max: 1, noNaN: true }),
        (width, ratio, deep) => {
          const outline = drop.paths({ length: width * ratio, width })[0]!;
          expect(smooth(outline, 0)).toBeLessThan(1e-9);
          expect(smooth(outline, 1)).toBeLessThan(1e-9);
          const box = boundsOfPaths([outline]);
          close(box.right - box.left, width);
          close(-box.top, width * ratio);
          const love = { length: width * (0.8 + ratio), width, notch: (deep * width) / 4 };
          const lobed = heart.paths(love)[0]!;
          expect(smooth(lobed, 0)).toBeLessThan(1e-9);
          expect(smooth(lobed, 2)).toBeLessThan(1e-9);
          const around = boundsOfPaths([lobed]);
          close(around.right - around.left, width);
          close(-around.top, love.length);
          close(-lobed.segments[1]!.to.y, love.length - love.notch);
        },
      ),
      { numRuns: 60 },
    );
    expect(drop.problem({ length: 10, width: 10 })?.sentence).toMatch('more than 10');
    expect(heart.problem({ length: 30, width: 20, notch: 6 })?.sentence).toMatch('at most 5');
    expect(heart.problem({ length: 3, width: 20, notch: 5 })?.sentence).toMatch('longer than');
  });

  it('scallops have their chord and rise; kites their area', () => {
    const params = { radius: 60, angle: turn(1, 12), rise: 13 };
    close(scallop.facts!(params, [], undefined)[0]!.value, 120 * Math.sin(Math.PI / 12));
    close(-boundsOfPaths(scallop.paths(params)).top, 60 * Math.cos(Math.PI / 12) + 13);
    expect(scallop.problem({ ...params, rise: 90 })?.sentence).toMatch('at most 62.1166');
    close(areaOf(kite.paths({ length: 40, width: 16, widest: 26 })), (40 * 16) / 2);
    expect(kite.problem({ length: 40, width: 16, widest: 40 })?.sentence).toMatch('between 0 and 40');
  });
});

describe('a rectangle', () => {
  it('loses r² (1 − π/4) at each rounded corner, and its radii have to fit', () => {
    const params = { width: 30, height: 20, topLeft: 3, topRight: 0, bottomRight: 10, bottomLeft: 5 };
    const lost = (9 + 100 + 25) * (1 - Math.PI / 4);
    close(areaOf(rectangle.paths(params)), 600 - lost);
    expect(rectangle.paths({ ...params, topRight: 10 })[0]!.segments).toHaveLength(7);
    expect(rectangle.problem({ ...params, topRight: 12 })?.sentence).toMatch('at most 20');
    expect(rectangle.problem({ ...params, bottomLeft: 21 })?.sentence).toMatch('at most 30');
    expect(rectangle.problem({ ...params, topLeft: -1 })?.sentence).toMatch('0 or more');
  });
});

describe('bars on polygons', () => {
  it('a blade lies along the side, one corner on the polygon’s', () => {
    const params = { sides: 8, radius: 50, width: 10, length: 70, side: 'inside' as const };
    const [corner, far] = blade.paths(params)[0]!.segments.map(({ from }) => from);
    expect(corner).toEqual({ x: 0, y: -50 });
    const side = 100 * Math.sin(Math.PI / 8);
    close(blade.facts!(params, [], undefined)[0]!.value, side);
    // The next corner of the polygon is on the blade's long edge.
    const next = { x: 50 * Math.SQRT1_2, y: -50 * Math.SQRT1_2 };
    close(distance(corner!, next) + distance(next, far!), 70);
    close(areaOf(blade.paths(params)), 700);
  });

  it('the bars of a frame fill the ring between two polygons, each an n-th of it', () => {
    for (const sides of [3, 4, 5, 8, 13]) {
      const [radius, bar] = [60, 6];
      const apothem = radius * Math.cos(Math.PI / sides);
      const polygon = (a: number) => sides * a * a * Math.tan(Math.PI / sides);
      const paths = barFrame.paths({ sides, radius, bar });
      close(areaOf(paths), polygon(apothem) - polygon(apothem - 2 * bar));
      close(areaOf(paths.slice(0, 1)) * sides, areaOf(paths));
    }
    expect(barFrame.problem({ sides: 4, radius: 60, bar: 22 })?.sentence).toMatch('between 0 and 21.2132');
  });
});

describe('stars, rings and lattices', () => {
  it('inner corners of {n/k} lie where two of its lines cross', () => {
    for (const [points, skip] of [
      [5, 2],
      [8, 3],
      [12, 5],
      [9, 4],
    ] as const) {
      const params = { points, skip, radius: 40, draw: 'outline' as const };
      const inner = star.paths(params)[0]!.segments[1]!.from;
      close(lengthOf(inner), innerRadius(params));
      const lines = star.paths({ ...params, draw: 'lines' });
      const on = lines
        .flatMap(({ segments }) => segments)
        .filter((segment) => {
          const foot = nearestOnPath({ closed: false, segments: [segment] }, inner);
          return foot!.distance < 1e-9;
        });
      expect(on).toHaveLength(2);
    }
    expect(star.paths({ points: 6, skip: 2, radius: 1, draw: 'lines' })).toHaveLength(2);
    expect(star.problem({ points: 8, skip: 4, radius: 1, draw: 'lines' })?.sentence).toMatch('from 2 to 3');
  });

  it('n circles on a ring touch where r = R sin(π/n), whichever number is worked out', () => {
    const base = { count: 12, size: 10, ring: 45, gap: 0 };
    close(solvedRing({ ...base, solve: 'size' }).size, 45 * Math.sin(Math.PI / 12));
    for (const solve of ['size', 'ring', 'gap', 'count'] as const) {
      const params = { ...base, gap: 1.5, solve };
      const solved = solvedRing(params);
      const [a, b] = touchingRing.paths(params);
      const centre = (path: Path) => (path.segments[0] as { centre: { x: number; y: number } }).centre;
      close(distance(centre(a!), centre(b!)), 2 * solved.size + solved.gap);
    }
    // The largest count that leaves the gap.
    const counted = solvedRing({ ...base, gap: 1, solve: 'count' });
    expect(counted.gap).toBeGreaterThanOrEqual(1 - 1e-9);
    expect(2 * (45 * Math.sin(Math.PI / (counted.count + 1)) - 10)).toBeLessThan(1);
    expect(touchingRing.problem({ ...base, gap: 30, solve: 'size' })?.sentence).toMatch('below 23.2');
  });

  it('a lattice has 1 + 3k(k + 1) circles through each other’s centres, and its clip stays inside', () => {
    const params = { rings: 3, radius: 15, spacing: 15, clip: 'no' as const, within: 30 };
    expect(lattice.paths(params)).toHaveLength(1 + 3 * 3 * 4);
    const clipped = lattice.paths({ ...params, clip: 'circle' });
    for (const path of clipped) {
      const box = boundsOfPaths([path]);
      expect(Math.max(box.right, -box.left, box.bottom, -box.top)).toBeLessThan(30 + 1e-9);
    }
    // Weisstein, "Circle-Circle Intersection", MathWorld, for a circle centred on the clip's rim.
    const lens = (r: number, R: number, d: number): number =>
      r * r * Math.acos((d * d + r * r - R * R) / (2 * d * r)) +
      R * R * Math.acos((d * d + R * R - r * r) / (2 * d * R)) -
      Math.sqrt((-d + r + R) * (d + r - R) * (d - r + R) * (d + r + R)) / 2;
    const areas = clipped.map((path) => Math.abs(signedArea([path])));
    expect(areas.filter((area) => Math.abs(area - lens(15, 30, 30)) < 1e-9)).toHaveLength(6);
    expect(areaOf(lattice.paths({ ...params, rings: 0, clip: 'circle', within: 5 }))).toBeCloseTo(
      25 * Math.PI,
      9,
    );
  });
});

describe('dials, branches, whirls, scrolls and knots', () => {
  it('the cells of a dial fill its rings', () => {
    const params = { sectors: 24, radius: 60, marks: [0, 50, 100], phase: 'half' as const };
    expect(dial.paths(params)).toHaveLength(48);
    close(areaOf(dial.paths(params)), Math.PI * 3600);
    expect(dial.problem({ ...params, marks: [50, 20] })?.sentence).toMatch('rise');
    expect(dial.problem({ ...params, sectors: 720, marks: [0, 10, 20, 30, 40, 50] })?.sentence).toMatch(
      '3600 cells',
    );
  });

  it('pairs of a branch stand evenly or in a growing row; arms follow their law', () => {
    const even = pairPositions({ ...branch.start, pairs: 4, first: 10, last: 40, growth: 1 });
    expect(even).toEqual([10, 20, 30, 40]);
    const grown = pairPositions({ ...branch.start, pairs: 4, first: 0, last: 70, growth: 2 });
    grown.forEach((s, k) => close(s, [0, 10, 30, 70][k]!));
    expect(armLengths({ ...branch.start, pairs: 4, arm: 8, law: 'falling' })).toEqual([8, 6, 4, 2]);
    close(armLengths({ ...branch.start, pairs: 3, arm: 8, law: 'leaf' })[1]!, 8);
    for (const tip of ['flat', 'round', 'pointed'] as const)
      expect(areOwnMirror(branch.paths({ ...branch.start, tip }), 1e-9)).toBe(true);
    expect(branch.paths({ ...branch.start, width: 0 }).every(({ closed }) => !closed)).toBe(true);
    expect(branch.problem({ ...branch.start, last: 80 })?.sentence).toMatch('between 0 and 70');
  });

  it('each polygon of a whirl touches the one outside it and stays inside', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 3, max: 12 }),
        fc.double({ min: 0.05, max: 0.95, noNaN: true }),
        (sides, share) => {
          const angle = turn(Math.round(share * 1e6), sides * 1e6);
          const params = { ...whirl.start, sides, angle, radius: 50, count: 2 };
          const [outer, inner] = whirl.paths(params);
          for (const { from } of inner!.segments) {
            expect(nearestOnPath(outer!, from)!.distance).toBeLessThan(1e-9 * 50);
          }
          close(lengthOf(inner!.segments[0]!.from), 50 * whirlFactor(sides, angle));
        },
      ),
    );
    const ended = { ...whirl.start, ends: 'size' as const, radius: 60, smallest: 5 };
    const sizes = whirl.paths(ended).map((path) => lengthOf(path.segments[0]!.from));
    expect(sizes.at(-1)!).toBeGreaterThanOrEqual(5 - 1e-9);
    expect(sizes.at(-1)! * whirlFactor(4, whirl.start.angle)).toBeLessThan(5);
    expect(sizes).toHaveLength(whirlCount(ended));
    expect(whirl.problem({ ...whirl.start, angle: turn(1, 4) })?.sentence).toMatch('less than 90°');
  });

  it('a scroll runs on without a corner, each radius the growth times the one before', () => {
    const { segments } = scroll.paths(scroll.start)[0]!;
    segments.slice(1).forEach((arc, k) => {
      const before = segments[k]!;
      if (arc.kind !== 'arc' || before.kind !== 'arc') throw new Error('no arc');
      const [u, v] = [derivativeAt(before, 1), derivativeAt(arc, 0)];
      expect(Math.abs(u.x * v.y - u.y * v.x) / (lengthOf(u) * lengthOf(v))).toBeLessThan(1e-9);
      expect(u.x * v.x + u.y * v.y).toBeGreaterThan(0);
      close(arc.radius / before.radius, 1.25);
    });
    close((segments.at(-1) as { radius: number }).radius, 24);
  });

  it('a knot joins its tips by arcs of the angle asked for', () => {
    for (const [lobes, skip, paths] of [
      [3, 1, 1],
      [5, 2, 1],
      [6, 2, 2],
    ] as const) {
      const made = knot.paths({ lobes, skip, radius: 45, arc: turn(1, 2) });
      expect(made).toHaveLength(paths);
      for (const segment of made.flatMap(({ segments }) => segments)) {
        if (segment.kind !== 'arc') throw new Error('no arc');
        close(Math.abs(segment.sweep), Math.PI);
        close(segment.radius, 45 * Math.sin((Math.PI * skip) / lobes));
      }
    }
    expect(knot.problem({ lobes: 5, skip: 3, radius: 45, arc: turn(1, 2) })?.sentence).toMatch('from 1 to 2');
  });

  it('lengths alone are scaled', () => {
    expect(scaledParams(MAKERS.dial, MAKERS.dial.start, 3)).toEqual({ ...MAKERS.dial.start, radius: 180 });
  });
});
