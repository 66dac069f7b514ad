import fc from 'fast-check';
import { describe, expect, it } from 'vitest';

import { disc, withForms } from '../../../../tests/help/figures';
import { foundBy, mended, subjectFor } from '../../../../tests/help/proofs';
import { difference, pixelsOf } from '../../../../tests/help/pictures';
import { kelpCrown } from '../../../../demo/pieces/kelpCrown';
import { polygonPath } from '../../curve/path';
import { line } from '../../curve/segment';
import {
  addRound,
  addShapes,
  setBlend,
  setFill,
  setFold,
  setMerge,
  setMirror,
  setPage,
  setStroke,
  setSweep,
  swapCrossing,
  withShapes,
} from '../../figure/commands';
import { newFigure, newRound, newShape, START_PAINT } from '../../figure/start';
import type { Figure } from '../../figure/model';
import { withRound } from '../../figure/update';
import { svgOf } from '../../format/svg/svg';
import { formOfPaths, pathForm, type Form } from '../../maker/form';
import { turn } from '../../number/turn';
import type { Limits } from '../check';
import { CHECKS } from '.';

const one = (...forms: Form[]): Figure => setFold(withForms(...forms), 'r', 1);

const square = (side: number, x = 0, y = 0): Form =>
  formOfPaths([
    polygonPath([
      { x: x - side / 2, y: y - side / 2 },
      { x: x + side / 2, y: y - side / 2 },
      { x: x + side / 2, y: y + side / 2 },
      { x: x - side / 2, y: y + side / 2 },
    ]),
  ]);

const at = (x: number, y: number) => ({ x, y, kind: 'corner' as const });

const stroked = (figure: Figure, width: number, join: 'miter' | 'round' = 'miter'): Figure =>
  setFill(
    setStroke(
      figure,
      { of: 'shapes', roundId: 'r', shapeIds: new Set(['s0', 's1']) },
      {
        colour: '#113d4c',
        width,
        join,
        limit: 20,
      },
    ),
    { of: 'shapes', roundId: 'r', shapeIds: new Set(['s0', 's1']) },
    null,
  );

/** A corner of so many degrees as an open line. */
const corner = (degrees: number): Form => {
  const half = (degrees * Math.PI) / 360;
  return pathForm(
    [at(-60 * Math.sin(half), 60 * Math.cos(half)), at(0, 0), at(60 * Math.sin(half), 60 * Math.cos(half))],
    false,
  );
};

const filled = (figure: Figure, shapeId: string, fill: string | null): Figure =>
  setFill(figure, { of: 'shapes', roundId: 'r', shapeIds: new Set([shapeId]) }, fill);

/** Discs that overlap, divided into cells: lenses between neighbours. */
const divided = (radius: number, fold = 8): Figure =>
  setMerge(setFold(withForms(disc(0, -40, radius)), 'r', fold), 'r', 'divide');

/** Five rings that are woven. */
const woven = (): Figure => setMerge(stroked(setFold(withForms(disc(0, -30, 25)), 'r', 5), 4), 'r', 'weave');

/** For each check a figure in which it finds something, and one that is just as it asks. */
const CASES: Record<string, { wrong: () => Figure; right: () => Figure; limits?: Limits }> = {
  closure: {
    wrong: () =>
      setSweep(setFold(withForms(disc(0, -40, 3)), 'r', 12), 'r', { turn: turn(35, 36), ends: false }),
    right: () => setFold(withForms(disc(0, -40, 3)), 'r', 12),
  },
  // Discs on a ring touch where r = R sin(π/n).
  neighbours: {
    wrong: () => setFold(withForms(disc(0, -40, 40 * Math.sin(Math.PI / 12) - 0.05)), 'r', 12),
    right: () => setFold(withForms(disc(0, -40, 40 * Math.sin(Math.PI / 12) - 0.2)), 'r', 12),
  },
  stacked: {
    wrong: () =>
      setStroke(
        setFold(withForms(disc(0, -40, 20)), 'r', 12),
        { of: 'shapes', roundId: 'r', shapeIds: new Set(['s0']) },
        { width: 1 },
      ),
    right: () =>
      setStroke(
        setFold(withForms(disc(0, -40, 9)), 'r', 12),
        { of: 'shapes', roundId: 'r', shapeIds: new Set(['s0']) },
        { width: 1 },
      ),
  },
  openFilled: {
    wrong: () => one(pathForm([at(0, -50), at(20, -20), at(-20, -20)], false)),
    right: () => one(pathForm([at(0, -50), at(20, -20), at(-20, -20)], true)),
  },
  nearEnds: {
    wrong: () => stroked(one(pathForm([at(0, -50), at(20, -20), at(-20, -20), at(-0.05, -50)], false)), 1),
    right: () => stroked(one(pathForm([at(0, -50), at(20, -20), at(-20, -20), at(-0.5, -50)], false)), 1),
  },
  doubled: {
    wrong: () => one(square(20), square(20)),
    right: () => one(square(20), square(20.1)),
  },
  needlessNodes: {
    wrong: () => one(pathForm([at(0, -50), at(10, -35), at(20, -20), at(-20, -20)], true)),
    right: () => one(pathForm([at(0, -50), at(20, -20), at(-20, -20)], true)),
  },
  idleHandles: {
    wrong: () =>
      one(
        pathForm(
          [
            { ...at(0, -50), out: { x: 5, y: -42.5 } },
            { ...at(20, -20), in: { x: 20, y: -20 } },
            at(-20, -20),
          ],
          true,
        ),
      ),
    right: () =>
      one(
        pathForm(
          [
            { ...at(0, -50), out: { x: 5, y: -52.5 } },
            { ...at(20, -20), in: { x: 20, y: -30 } },
            at(-20, -20),
          ],
          true,
        ),
      ),
  },
  specks: {
    wrong: () => one(formOfPaths([...ringPaths(40, 0.12)])),
    right: () => one(formOfPaths([...ringPaths(40, 0.14)])),
  },
  selfCrossing: {
    wrong: () => one(pathForm([at(-20, -20), at(20, 20), at(20, -20), at(-20, 20)], true)),
    right: () => one(pathForm([at(-20, -20), at(20, -20), at(20, 20), at(-20, 20)], true)),
  },
  // A miter is 1 / sin(θ/2) widths long: 3 at 38.94°.
  spikes: {
    wrong: () => stroked(one(corner(38)), 2),
    right: () => stroked(one(corner(40)), 2),
  },
  slivers: {
    wrong: () => divided(40 * Math.sin(Math.PI / 8) + 0.01),
    right: () => divided(40 * Math.sin(Math.PI / 8) + 2),
  },
  hidden: {
    wrong: () => filled(one(disc(0, 0, 10), disc(0, 0, 20)), 's1', '#d9512c'),
    right: () => filled(one(disc(0, 0, 10), disc(5, 0, 14)), 's1', '#d9512c'),
  },
  unpainted: {
    wrong: () => divided(20),
    right: () => divided(12),
  },
  samePaint: {
    wrong: () => divided(18),
    right: () => setFold(withForms(disc(0, -40, 18)), 'r', 8),
  },
  // By WCAG's formula #777777 on white has 4.48 : 1.
  contrast: {
    wrong: () => setPage(filled(one(disc(0, 0, 40)), 's0', '#777777'), { background: '#ffffff' }),
    right: () => setPage(filled(one(disc(0, 0, 40)), 's0', '#757575'), { background: '#ffffff' }),
    limits: { page: 4.5 },
  },
  vision: {
    wrong: () => filled(filled(one(disc(0, 0, 40), disc(0, 0, 20)), 's0', '#c8524a'), 's1', '#7f7a2b'),
    right: () => filled(filled(one(disc(0, 0, 40), disc(0, 0, 20)), 's0', '#113d4c'), 's1', '#f2e6d0'),
    limits: { apart: 12 },
  },
  palette: {
    wrong: () => filled(one(disc(0, 0, 40)), 's0', '#123456'),
    right: () => filled(one(disc(0, 0, 40)), 's0', '#1f8a76'),
  },
  inks: {
    wrong: () => filled(filled(one(disc(0, 0, 40), disc(0, 0, 20)), 's0', '#113d4c'), 's1', '#d9512c'),
    right: () => filled(filled(one(disc(0, 0, 40), disc(0, 0, 20)), 's0', '#113d4c'), 's1', '#113d4c'),
    limits: { most: 2 },
  },
  seeThrough: {
    wrong: () => setBlend(one(disc(0, 0, 40)), 'r', 'multiply'),
    right: () => one(disc(0, 0, 40)),
  },
  areas: {
    wrong: () => one(disc(0, 0, 40)),
    right: () => stroked(one(pathForm([at(-50, 0), at(50, 0)], false)), 1),
  },
  thin: {
    wrong: () => stroked(one(pathForm([at(-50, 0), at(50, 0)], false)), 0.24),
    right: () => stroked(one(pathForm([at(-50, 0), at(50, 0)], false)), 0.26),
  },
  gap: {
    wrong: () => one(square(40, -20.1), square(40, 20.1)),
    right: () => one(square(40, -20.15), square(40, 20.15)),
  },
  // On 180 mm a pixel at 32 px is 5.625 mm.
  thinAtSize: {
    wrong: () => stroked(one(pathForm([at(-50, 0), at(50, 0)], false)), 5.5),
    right: () => stroked(one(pathForm([at(-50, 0), at(50, 0)], false)), 5.7),
  },
  gapAtSize: {
    wrong: () => one(square(40, -22.75), square(40, 22.75)),
    right: () => one(square(40, -22.9), square(40, 22.9)),
  },
  beyondPage: {
    wrong: () => one(disc(0, 0, 90.1)),
    right: () => one(disc(0, 0, 90)),
  },
  bleed: {
    wrong: () => setPage(one(disc(0, 0, 95)), { bleed: 2.9 }),
    right: () => setPage(one(disc(0, 0, 95)), { bleed: 3 }),
  },
  offCentre: {
    wrong: () => setPage(one(disc(0, 0, 40)), { centre: { x: 1, y: 0 } }),
    right: () => setPage(one(disc(0, 0, 40)), { centre: { x: 40, y: 0 } }),
  },
  openCuts: {
    wrong: () => stroked(one(pathForm([at(-50, 0), at(50, 0)], false)), 1),
    right: () => one(square(20)),
  },
  toolWidth: {
    wrong: () =>
      one(
        formOfPaths([
          polygonPath([
            { x: -30, y: 0 },
            { x: 30, y: 0 },
            { x: 30, y: 0.29 },
            { x: -30, y: 0.29 },
          ]),
        ]),
      ),
    right: () =>
      one(
        formOfPaths([
          polygonPath([
            { x: -30, y: 0 },
            { x: 30, y: 0 },
            { x: 30, y: 0.31 },
            { x: -30, y: 0.31 },
          ]),
        ]),
      ),
  },
  sharpInside: {
    wrong: () =>
      one(
        pathForm(
          [at(-30, 0), at(0, 20), at(30, 0), at(0, 60)].map((p) => ({ ...p, y: -p.y * 1.6 })),
          true,
        ),
      ),
    right: () => one(square(20)),
    limits: { degrees: 140 },
  },
  islands: {
    wrong: () => one(formOfPaths([...ringPaths(40, 20)])),
    right: () => one(square(40)),
  },
  bandsTouch: {
    wrong: () => withRound(woven(), 'r', weaveGap(0.24)),
    right: () => withRound(woven(), 'r', weaveGap(0.25)),
  },
};

function* ringPaths(outer: number, inner: number) {
  const ring = (r: number, way: 1 | -1) =>
    polygonPath(
      Array.from({ length: 12 }, (_, k) => {
        const a = (way * Math.PI * k) / 6;
        return { x: r * Math.cos(a), y: r * Math.sin(a) };
      }),
    );
  yield ring(outer, 1);
  yield ring(inner, -1);
}

const weaveGap =
  (gap: number) =>
  (round: Figure['rounds'][number]): Figure['rounds'][number] =>
    round.merge?.weave
      ? { ...round, merge: { ...round.merge, weave: { ...round.merge.weave, gap } } }
      : round;

describe('each check', () => {
  it('has a case, but for two that have tests of their own', () => {
    const own = ['residual', 'alternation'];
    expect(CHECKS.map(({ id }) => id).filter((id) => !CASES[id] && !own.includes(id))).toEqual([]);
  });

  it.each(Object.entries(CASES))(
    '%s finds what is wrong, where it is, and nothing in what is right',
    async (id, each) => {
      const wrong = await foundBy(id, each.wrong(), each.limits);
      expect(wrong.length).toBeGreaterThan(0);
      for (const found of wrong) {
        expect(found.code).toBe(id);
        expect(found.sentence).toMatch(/^[A-ZΔ0-9#].*[.:!?]$/s);
        expect(found.count).toBeGreaterThan(0);
        expect(found.where.every(({ at: { x, y } }) => Number.isFinite(x) && Number.isFinite(y))).toBe(true);
      }
      expect((await foundBy(id, each.right(), each.limits)).map(({ title }) => title)).toEqual([]);
    },
  );

  const mendable = Object.entries(CASES).filter(
    ([id]) =>
      !['stacked', 'contrast', 'vision', 'gap', 'gapAtSize', 'toolWidth', 'sharpInside', 'openCuts'].includes(
        id,
      ),
  );
  it.each(mendable)('%s is taken away by its mend', async (id, each) => {
    let figure = each.wrong();
    // Each mend takes one finding away: after as many as there are all are gone.
    for (let left = 20; left > 0; left -= 1) {
      const [found] = await foundBy(id, figure, each.limits);
      if (!found) return;
      figure = await mended(figure, found.mends[0]);
    }
    expect(await foundBy(id, figure, each.limits)).toEqual([]);
  });
});

describe('what a mend leaves', () => {
  const drawn = async (figure: Figure) =>
    pixelsOf(svgOf((await subjectFor(figure)).scene, { form: 'plain', decimals: 4, background: true }), 300);

  it.each(['needlessNodes', 'idleHandles', 'specks', 'hidden', 'doubled', 'samePaint', 'slivers'])(
    'is the same picture but for what was mended: %s',
    async (id) => {
      const figure = CASES[id]!.wrong();
      const [found] = await foundBy(id, figure);
      const after = await mended(figure, found?.mends[0]);
      expect(difference(await drawn(figure), await drawn(after))).toBeLessThan(0.002);
    },
  );

  const thinLine = (x: number, y: number) =>
    newShape(
      'fault',
      'Fault',
      formOfPaths([{ closed: false, segments: [line({ x, y }, { x, y: y - 8 })] }]),
      {
        fill: null,
        stroke: { colour: '#113d4c', width: 0.2, cap: 'round', join: 'round' },
      },
    );
  const triangle = (x: number, y: number, closed: boolean) =>
    newShape('fault', 'Fault', pathForm([at(x, y), at(x + 2, y - 6), at(x - 2, y - 6)], closed), START_PAINT);
  const hole = (x: number, y: number) =>
    newShape(
      'fault',
      'Fault',
      formOfPaths(
        [...ringPaths(4, 2)].map((path) => ({
          ...path,
          segments: path.segments.map((each) =>
            line({ x: each.from.x + x, y: each.from.y + y - 4 }, { x: each.to.x + x, y: each.to.y + y - 4 }),
          ),
        })),
      ),
      START_PAINT,
    );
  /** Faults that are put in at a place of the motif, by the check that is to find them. */
  const FAULTS = {
    thin: thinLine,
    openFilled: (x: number, y: number) => triangle(x, y, false),
    doubled: (x: number, y: number) => triangle(x, y, true),
    islands: hole,
  };

  it.each(Object.keys(FAULTS) as (keyof typeof FAULTS)[])(
    'is nothing of a fault that was put in, which is found in every copy: %s',
    async (id) => {
      await fc.assert(
        fc.asyncProperty(
          fc.record({
            fold: fc.integer({ min: 3, max: 14 }),
            radius: fc.integer({ min: 30, max: 60 }),
            x: fc.integer({ min: -1, max: 1 }),
          }),
          async ({ fold, radius, x }) => {
            const sound = setFold(withForms(disc(0, -12, 2)), 'r', fold);
            const fault = FAULTS[id](x, -radius);
            const twice = id === 'doubled' ? [{ ...fault, id: 'again' }, fault] : [fault];
            const figure = addShapes(sound, 'r', twice);
            const all = await foundBy(id, figure);
            expect(all.reduce((sum, { count }) => sum + count, 0)).toBe(fold);
            for (const { where } of all)
              expect(where.every(({ at: p }) => Math.abs(Math.hypot(p.x, p.y) - radius - 4) < 8)).toBe(true);
            const after = await mended(figure, all[0]?.mends[0]);
            expect(await foundBy(id, after)).toEqual([]);
            expect(await foundBy(id, sound)).toEqual([]);
          },
        ),
        { numRuns: 5 },
      );
    },
  );
});

describe('cells that are spoilt', () => {
  it('among discs on a ring are found in every fold, and nothing of them is left', async () => {
    await fc.assert(
      fc.asyncProperty(
        fc.constantFrom('slivers', 'unpainted'),
        fc.integer({ min: 6, max: 16 }),
        fc.double({ min: 0.002, max: 0.008, noNaN: true }),
        async (id, fold, deep) => {
          // Discs that overlap by a hair, or by much; those that overlap by much have cells that nobody painted.
          const touching = 40 * Math.sin(Math.PI / fold);
          const figure = divided(id === 'slivers' ? touching + deep : touching * 1.3, fold);
          const found = await foundBy(id, figure);
          expect(found.length).toBeGreaterThan(0);
          // All copies, or the one cell about the centre.
          for (const { count } of found) expect(count === 1 || count % fold === 0).toBe(true);
          for (const { where } of found)
            for (const { at: p } of where) expect(Math.hypot(p.x, p.y)).toBeLessThan(40 + 1.3 * touching);
          let after = figure;
          for (let left = found; left.length > 0; left = await foundBy(id, after))
            after = await mended(after, left[0]?.mends[0]);
          expect(await foundBy(id, divided(touching * 0.9, fold))).toEqual([]);
        },
      ),
      { numRuns: 8 },
    );
  });
});

describe('checks with cases of their own', () => {
  it('residual: all copies that are written are where their turn says, and one that is moved is found', async () => {
    expect(await foundBy('residual', kelpCrown())).toEqual([]);
    const figure = setFold(withForms(square(10, 0, -40)), 'r', 7);
    expect(await foundBy('residual', figure)).toEqual([]);
    // A limit below what four decimals can keep is not kept.
    const [found] = await foundBy('residual', figure, { most: 1e-6 });
    expect(found?.severity).toBe('error');
  });

  it('alternation: a crossing that was swapped by hand is found, and put back', async () => {
    const figure = woven();
    expect(await foundBy('alternation', figure)).toEqual([]);
    const [crossing] = (await subjectFor(figure)).merge('r')?.weave?.crossings ?? [];
    const swapped = swapCrossing(figure, 'r', `${crossing!.ref.split('@')[0]}@0`);
    const [found] = await foundBy('alternation', swapped);
    expect(found?.where.length).toBeGreaterThan(0);
    expect(await foundBy('alternation', await mended(swapped, found?.mends[0]))).toEqual([]);
  });

  it('open lines become bands, whose outline closes', async () => {
    const figure = CASES['openCuts']!.wrong();
    const [found] = await foundBy('openCuts', figure);
    expect(await foundBy('openCuts', await mended(figure, found?.mends[0]))).toEqual([]);
  });

  it('doubled lines are those that a naive comparison of all pairs finds', async () => {
    const spoke = (id: string, degrees: number) => {
      const a = (degrees * Math.PI) / 180;
      return newShape(
        id,
        id,
        formOfPaths([
          { closed: false, segments: [line({ x: 0, y: 0 }, { x: 50 * Math.sin(a), y: -50 * Math.cos(a) })] },
        ]),
        {
          fill: null,
          stroke: { colour: '#113d4c', width: 1, cap: 'butt', join: 'miter' },
        },
      );
    };
    // Two spokes a sixth of a turn apart, six-fold: each lies on a copy of the other.
    const figure = addShapes(newFigure('F', 'r'), 'r', [spoke('a', 0), spoke('b', 60)]);
    const six = setFold(figure, 'r', 6);
    const [found] = await foundBy('doubled', six);
    const { picture } = await subjectFor(six);
    const ends = picture.pieces.flatMap(({ item, map }) =>
      item.paths.map(({ segments: [segment] }) => {
        const p = segment!.to;
        return [map.a * p.x + map.c * p.y, map.b * p.x + map.d * p.y] as const;
      }),
    );
    const pairs = ends.flatMap(([x, y], k) =>
      ends.slice(k + 1).filter(([u, v]) => Math.hypot(x - u, y - v) < 1e-6),
    );
    expect(pairs.length).toBeGreaterThan(0);
    expect(found?.count).toBe(6);
    expect(await foundBy('doubled', await mended(six, found?.mends[0]))).toEqual([]);
    expect(await foundBy('doubled', setFold(figure, 'r', 5))).toEqual([]);
  });

  it('doubled lines on the axis and on the rays of a mirrored round are drawn once, each, and look the same', async () => {
    const stroke = { colour: '#113d4c', width: 1, cap: 'butt', join: 'miter' } as const;
    const lineAt = (id: string, degrees: number, bend: number) => {
      const a = (degrees * Math.PI) / 180;
      const on = (r: number) => ({ x: r * Math.sin(a), y: -r * Math.cos(a) });
      const [from, to] = [on(20), on(60)];
      const aside = { x: 30 * Math.sin(bend), y: -30 * Math.cos(bend) };
      const segments = [line(from, to), line(to, aside)];
      return newShape(id, id, formOfPaths([{ closed: false, segments }]), { fill: null, stroke });
    };
    const lines = addShapes(newFigure('F', 'r'), 'r', [lineAt('a', 0, 0.2), lineAt('b', 30, 0.35)]);
    const six = setMirror(setFold(lines, 'r', 6), 'r', true);
    const drawn = async (figure: Figure) =>
      pixelsOf(
        svgOf((await subjectFor(figure)).scene, { form: 'plain', decimals: 6, background: true }),
        300,
      );
    const [found] = await foundBy('doubled', six);
    // Twelve rays, each drawn from both sides.
    expect(found?.count).toBe(12);
    const after = await mended(six, found?.mends[0]);
    expect(await foundBy('doubled', after)).toEqual([]);
    expect(difference(await drawn(six), await drawn(after))).toBeLessThan(0.004);
  });

  it('an island about the centre gets few bridges, those of a ring one each, cut through in every copy', async () => {
    const ring = one(formOfPaths([...ringPaths(40, 20)]));
    const six = setFold(
      addShapes(newFigure('F', 'r'), 'r', [
        newShape(
          's',
          'Ring',
          formOfPaths(
            [...ringPaths(8, 4)].map((path) => ({
              ...path,
              segments: path.segments.map((segment) =>
                segment.kind === 'line'
                  ? line(
                      { x: segment.from.x, y: segment.from.y - 50 },
                      { x: segment.to.x, y: segment.to.y - 50 },
                    )
                  : segment,
              ),
            })),
          ),
          START_PAINT,
        ),
      ]),
      'r',
      6,
    );
    for (const [figure, count] of [
      [ring, 1],
      [six, 6],
    ] as const) {
      const [found] = await foundBy('islands', figure);
      expect(found?.where.length).toBe(count);
      const after = await mended(figure, found?.mends[0]);
      expect(after.rounds.length).toBe(2);
      expect(await foundBy('islands', after)).toEqual([]);
    }
  });

  it('an island in an island is held by it, which is held by the sheet', async () => {
    const nested = one(formOfPaths([...ringPaths(60, 50)]), formOfPaths([...ringPaths(30, 20)]));
    const all = await foundBy('islands', nested);
    expect(all).toHaveLength(2);
    let after = nested;
    for (const { mends } of all) after = await mended(after, mends[0]);
    expect(await foundBy('islands', after)).toEqual([]);
  });

  it('rounds that other rounds hide count, and what shows through others does not', async () => {
    const under = one(disc(0, 0, 10));
    const over = addShapes(addRound(under, newRound('q', 'Over', 6)), 'q', [
      newShape('q0', 'Petal', disc(0, -8, 14), { fill: '#d9512c', stroke: null }),
    ]);
    expect((await foundBy('hidden', over)).map(({ title }) => title)).toEqual(['Nobody sees Shape 0']);
    const through = withShapes(over, 'q', new Set(['q0']), (shape) => ({
      ...shape,
      paint: { fill: '#d9512c80', stroke: null },
    }));
    expect(await foundBy('hidden', through)).toEqual([]);
  });
});
