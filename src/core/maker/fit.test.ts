import { petalOfSize } from './petal';
import { STRAIGHT } from '@/core/derive';
import { distance, gapBetween, mapPath, ORIGIN, type Path, pointAt, turnMap } from '@/core/curve';
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';

import { NO_TURN, turn } from '@/core/number';
import { circlePath } from './circle';
import { fitNeighbours, fittedForm, grownForm, growthToTouch, neighbourGap } from './fit';
import { MAKERS } from './makers';
import { pathsOfForm, type Form } from './form';

/** The first path of a form. */
const pathOfForm = (form: Form): Path => pathsOfForm(form, STRAIGHT)[0]!;

const circle = (r: number, at: number): Form => ({
  kind: 'ellipse',
  at: { x: 0, y: -at },
  rotation: NO_TURN,
  params: { width: 2 * r, height: 2 * r },
});
const petal: Form = {
  kind: 'petal',
  at: { x: 0, y: -20 },
  rotation: NO_TURN,
  params: petalOfSize(40, 10),
};
const leaning: Form = { ...petal, rotation: turn(1, 20) };

/** The fit of forms that are seen as they are. */
const fitForms = (forms: readonly Form[], ...rest: ParametersAfterPaths): ReturnType<typeof fitNeighbours> =>
  fitNeighbours(
    forms,
    forms.flatMap((form) => pathsOfForm(form, STRAIGHT)),
    ...rest,
  );
type ParametersAfterPaths =
  Parameters<typeof fitNeighbours> extends [unknown, unknown, ...infer Rest] ? Rest : never;

describe('gaps between curves', () => {
  it('of circles are the distance of their centres less the radii', () => {
    expect(gapBetween([circlePath(ORIGIN, 3)], [circlePath({ x: 6, y: 8 }, 4)])).toBeCloseTo(3, 12);
    expect(gapBetween([circlePath(ORIGIN, 3)], [circlePath({ x: 5, y: 0 }, 4)])).toBe(-Infinity);
    expect(gapBetween([circlePath(ORIGIN, 9)], [circlePath({ x: 1, y: 0 }, 4)])).toBe(-Infinity);
  });

  it('are never more than between any two sampled points, and hardly less than the nearest of them', () => {
    const curves: Form[] = [
      petal,
      leaning,
      { kind: 'ellipse', at: ORIGIN, rotation: turn(1, 9), params: { width: 18, height: 8 } },
      { kind: 'polygon', at: ORIGIN, rotation: NO_TURN, params: { sides: 5, radius: 8, diagonals: 'none' } },
    ];
    fc.assert(
      fc.property(fc.nat(3), fc.nat(3), fc.integer({ min: 60, max: 90 }), (i, j, away) => {
        const a = pathOfForm(curves[i]!);
        const b = mapPath(pathOfForm(curves[j]!), { a: 1, b: 0, c: 0, d: 1, e: away, f: 13 });
        const samples = (path: typeof a) =>
          path.segments.flatMap((s) => Array.from({ length: 21 }, (_, k) => pointAt(s, k / 20)));
        const others = samples(b);
        const least = samples(a).reduce(
          (best, p) => others.reduce((nearest, q) => Math.min(nearest, distance(p, q)), best),
          Infinity,
        );
        const gap = gapBetween([a], [b]);
        expect(gap).toBeLessThanOrEqual(least + 1e-9);
        expect(gap).toBeGreaterThan(least - 0.5);
      }),
      { numRuns: 6 },
    );
  });
});

describe('fitting neighbours', () => {
  it('makes circles on a ring touch where r = R sin(π/n), by size, distance or fold', () => {
    for (const fold of [5, 12, 36]) {
      const rule = { fold, mirror: false };
      const size = fitForms([circle(2, 50)], rule, 'size', 0, { x: 0, y: -50 }, STRAIGHT);
      expect(size).toMatchObject({ ok: true });
      if (size.ok) expect(Math.abs(2 * size.value - 50 * Math.sin(Math.PI / fold))).toBeLessThan(1e-9);
      const away = fitForms([circle(2, 50)], rule, 'distance', 0, ORIGIN, STRAIGHT);
      if (away.ok) expect(Math.abs((50 + away.value) * Math.sin(Math.PI / fold) - 2)).toBeLessThan(1e-9);
      const gap = fitForms([circle(2, 50)], rule, 'size', 1.5, { x: 0, y: -50 }, STRAIGHT);
      if (gap.ok)
        expect(Math.abs(2 * 50 * Math.sin(Math.PI / fold) - 2 * 2 * gap.value - 1.5)).toBeLessThan(1e-9);
    }
    const count = fitForms([circle(5, 50)], { fold: 3, mirror: false }, 'fold', 0, ORIGIN, STRAIGHT);
    expect(count).toEqual({ ok: true, value: Math.floor(Math.PI / Math.asin(0.1)) });
  });

  it('leaves just the gap asked for, whatever shape, leaning ones as well', () => {
    for (const form of [petal, leaning])
      for (const by of ['size', 'width', 'distance'] as const)
        for (const gap of [0, 0.7]) {
          const rule = { fold: 12, mirror: false };
          const about = { x: 0, y: -20 };
          const fit = fitForms([form], rule, by, gap, about, STRAIGHT);
          expect(fit).toMatchObject({ ok: true });
          if (!fit.ok) continue;
          const at = (value: number) =>
            neighbourGap(pathsOfForm(fittedForm(form, by, value, about), STRAIGHT), rule);
          // A hair's breadth looser, so that rounding does not make an overlap of a touch.
          const looser = by === 'distance' ? fit.value + 1e-8 : fit.value * (1 - 1e-9);
          expect(Math.abs(at(looser) - gap)).toBeLessThan(1e-7);
          const closer = by === 'distance' ? fit.value - 1e-5 : fit.value * (1 + 1e-5);
          expect(at(closer)).toBeLessThan(gap);
        }
  });

  it('tells a gap on both sides of touching, and refuses what cannot be', () => {
    const path = pathsOfForm(circle(10, 50), STRAIGHT);
    const exact = 2 * (50 * Math.sin(Math.PI / 12) - 10);
    expect(neighbourGap(path, { fold: 12, mirror: false })).toBeCloseTo(exact, 10);
    expect(neighbourGap(path, { fold: 24, mirror: true })).toBeLessThan(0);
    const step = turnMap(turn(1, 12));
    expect(
      gapBetween(
        path,
        path.map((each) => mapPath(each, step)),
      ),
    ).toBeCloseTo(exact, 10);
    expect(fitForms([circle(10, 0)], { fold: 12, mirror: false }, 'size', 0, ORIGIN, STRAIGHT)).toMatchObject(
      {
        ok: false,
      },
    );
    expect(fitForms([petal], { fold: 2, mirror: false }, 'size', 0, ORIGIN, STRAIGHT)).toMatchObject({
      ok: false,
    });
    expect(fitForms([], { fold: 12, mirror: false }, 'size', 0, ORIGIN, STRAIGHT)).toMatchObject({
      ok: false,
    });
    const square: Form = {
      kind: 'polygon',
      at: { x: 0, y: -30 },
      rotation: NO_TURN,
      params: { sides: 4, radius: 5, diagonals: 'none' },
    };
    expect(fitForms([square], { fold: 12, mirror: false }, 'width', 0, ORIGIN, STRAIGHT)).toMatchObject({
      ok: false,
      finding: { code: 'fit.width' },
    });
  });

  it('grows one shape until it touches another, from either side', () => {
    const other = circle(4, 30);
    for (const r of [2, 9, 16.5]) {
      const { meets, encloses } = growthToTouch(circle(r, 10), { x: 0, y: -10 }, [other], STRAIGHT);
      // One that crosses it is never made smaller: it meets it already.
      if (r < 16) expect(Math.abs((meets ?? 0) * r - 16)).toBeLessThan(1e-8);
      else expect(meets).toBeNull();
      expect(Math.abs((encloses ?? 0) * r - 24)).toBeLessThan(1e-8);
    }
    expect(growthToTouch(circle(25, 10), { x: 0, y: -10 }, [other], STRAIGHT).encloses).toBeNull();
    // From within a larger one until it meets it.
    const inner = growthToTouch(circle(3, 10), { x: 0, y: -10 }, [circle(20, 14)], STRAIGHT);
    expect(Math.abs((inner.meets ?? 0) * 3 - 16)).toBeLessThan(1e-8);
    const kite: Form = {
      kind: 'polygon',
      at: { x: 20, y: -10 },
      rotation: NO_TURN,
      params: { sides: 4, radius: 3, diagonals: 'none' },
    };
    const { meets } = growthToTouch(kite, { x: 20, y: -10 }, [circle(5, 10)], STRAIGHT);
    expect(Math.abs((meets ?? 0) * 3 - 15)).toBeLessThan(1e-8);
  });

  it('grows the line of a band and keeps its width', () => {
    const disc = (r: number) => ({
      closed: true,
      nodes: [
        { x: 0, y: -r, kind: 'corner' as const, bulge: 1 },
        { x: 0, y: r, kind: 'corner' as const, bulge: 1 },
      ],
    });
    const band: Form = {
      kind: 'band',
      at: { x: 0, y: -10 },
      rotation: NO_TURN,
      params: { ...MAKERS.band.start, along: [disc(5)], width: 2 },
    };
    const { meets } = growthToTouch(band, { x: 0, y: -10 }, [circle(4, 30)], STRAIGHT);
    // Its rim, a half of the width farther out than its line, comes to 16.
    expect(Math.abs((meets ?? 0) * 5 - 15)).toBeLessThan(1e-8);
    const grown = grownForm(band, meets ?? 1, { x: 0, y: -10 });
    expect(grown.kind === 'band' && grown.params.width).toBeCloseTo(2, 12);
  });
});
