import { made } from '../../../tests/help/made';
import { STRAIGHT } from '@/core/derive';
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';

import { disc, START_LINE, withForms } from '../../../tests/help/figures';
import { applyTo, boundsOfPaths, centroidOf, distance, MIRROR, signedArea, turnMap } from '@/core/curve';
import { pathForm } from '@/core/maker';
import { turn } from '@/core/number';
import { cellAt, cellsOf, type Division, groupsOf, mergedFully, placedLoops } from '@/core/merge';
import type { Scene } from '@/core/scene';
import {
  addRound,
  addShapes,
  boundByFrame,
  forgetLostCells,
  fuseCells,
  keepCellsInside,
  paintCells,
  partCells,
  removeCells,
  restoreCells,
  roundOf,
  setLowerAction,
  setFold,
  setFrame,
  setMerge,
  setMirror,
  setStart,
  showLines,
} from './commands';
import { lostRefs, NO_CELL_EDITS, shownCells } from './cells';
import { evaluateWhole } from './evaluateWhole';
import { mergeJobsOf, requestOf } from './jobs';
import type { LowerAction, Figure } from './model';
import { figureSchema } from './schema';
import { newRound, newShape, START_PAINT } from './start';

const areaOf = (scene: Scene): number =>
  scene.layers.reduce(
    (sum, { items, copies }) =>
      sum +
      copies.length * items.reduce((all, { paths, paint }) => all + (paint.fill ? signedArea(paths) : 0), 0),
    0,
  );

/** Two equal circles, radius r, d apart: Weisstein, "Circle-Circle Intersection", MathWorld. */
const lens = (r: number, d: number): number =>
  2 * r * r * Math.acos(d / (2 * r)) - (d / 2) * Math.sqrt(4 * r * r - d * d);

/** Discs of radius 10 on a ring of radius 10√2, four of them: neighbours are 20 apart and touch; moved in they overlap. */
const ring = (fold: number, away: number, r = 10): Figure => setFold(withForms(disc(0, -away, r)), 'r', fold);

/** A disc in a round of its own in front. */
const withDisc = (figure: Figure, r: number, below: LowerAction | null): Figure =>
  setLowerAction(
    addRound(figure, {
      ...newRound('top', 'Top', 1),
      shapes: [newShape('d', 'Disc', disc(0, 0, r), START_PAINT)],
    }),
    'top',
    below,
  );

const divisionOf = async (figure: Figure): Promise<Division> => {
  const [job] = mergeJobsOf(figure, STRAIGHT);
  const result = await mergedFully(requestOf(job!, {}, STRAIGHT)!, {});
  return result.division!;
};

describe('what becomes of copies', () => {
  it('is union, intersection, exclusion, once, or overlaps, with areas by formula', async () => {
    const d = Math.SQRT2 * 12;
    const shared = lens(10, d);
    const figure = ring(4, 12);
    const area = async (op: 'union' | 'exclusion' | 'once' | 'atLeast' | 'intersection') =>
      areaOf(await evaluateWhole(setMerge(figure, 'r', op)));
    const all = 4 * Math.PI * 100;
    expect(await area('union')).toBeCloseTo(all - 4 * shared, 6);
    expect(await area('exclusion')).toBeCloseTo(all - 8 * shared, 6);
    expect(await area('once')).toBeCloseTo(all - 8 * shared, 6);
    expect(await area('atLeast')).toBeCloseTo(4 * shared, 6);
    expect(await area('intersection')).toBe(0);
    const two = setMerge(ring(2, 4), 'r', 'intersection');
    expect(areaOf(await evaluateWhole(two))).toBeCloseTo(lens(10, 8), 6);
  });

  it('is cut away from the rounds below, keeps them inside, or is joined with them, live', async () => {
    // A disc about the centre over a ring of four discs that do not touch one another.
    const figure = ring(4, 20);
    const piece = lens2(10, 15, 20);
    const all = 4 * Math.PI * 100;
    const cut = withDisc(figure, 15, { how: 'cut' });
    expect(areaOf(await evaluateWhole(cut))).toBeCloseTo(all - 4 * piece, 6);
    const inside = withDisc(figure, 15, { how: 'inside' });
    expect(areaOf(await evaluateWhole(inside))).toBeCloseTo(4 * piece, 6);
    const joined = withDisc(figure, 15, { how: 'join' });
    const scene = await evaluateWhole(joined);
    expect(areaOf(scene)).toBeCloseTo(all + Math.PI * 225 - 4 * piece, 6);
    expect(scene.layers.every(({ roundId }) => roundId === 'top')).toBe(true);
    expect(await evaluateWhole(withDisc(figure, 15, { how: 'cut', rounds: [] }))).toMatchObject({
      layers: [{ roundId: 'r' }],
    });
  });

  it.each(['divide', 'union', 'weave'] as const)(
    'keeps inside what a round with %s does not merge, too',
    async (op) => {
      const line = pathForm([corner(0, -4), corner(0, -60)], false);
      const alone = newShape('l', 'Line', line, START_LINE);
      const base = setMerge(addShapes(withForms(disc(0, -20, 9)), 'r', [alone]), 'r', op);
      const reach = (scene: Scene): number =>
        Math.max(
          ...scene.layers.flatMap(({ items }) =>
            items.flatMap(({ paths }) => {
              const { left, right, top, bottom } = boundsOfPaths(paths);
              return [-left, right, -top, bottom];
            }),
          ),
        );
      expect(reach(await evaluateWhole(base))).toBeGreaterThan(50);
      const kept = withDisc(base, 24, { how: 'inside' });
      expect(reach(await evaluateWhole(kept))).toBeLessThan(24 + 1e-9);
      // What is hidden stays so.
      if (op !== 'divide') return;
      const hidden = await evaluateWhole(showLines(kept, 'r', false));
      const shown = await evaluateWhole(kept);
      expect(hidden.layers.length).toBeLessThan(shown.layers.length);
    },
  );

  it('is exact between rounds of different folds and starts', async () => {
    await fc.assert(
      fc.asyncProperty(
        fc.integer({ min: 1, max: 12 }),
        fc.integer({ min: 0, max: 60 }),
        async (fold, start) => {
          const base = ring(fold, 30, 4);
          const top = setStart(setFold(withDisc(base, 15, null), 'top', 3), 'top', turn(start, 61));
          const moved = {
            ...top,
            rounds: top.rounds.map((round) =>
              round.id === 'top'
                ? { ...round, shapes: [newShape('d', 'Disc', disc(0, -30, 3), START_PAINT)] }
                : round,
            ),
          };
          const cut = areaOf(
            await evaluateWhole(setLowerAction(setMerge(moved, 'r', 'union'), 'top', { how: 'cut' })),
          );
          const kept = areaOf(
            await evaluateWhole(setLowerAction(setMerge(moved, 'r', 'union'), 'top', { how: 'inside' })),
          );
          const whole = areaOf(await evaluateWhole(setMerge(base, 'r', 'union')));
          expect(cut + kept).toBeCloseTo(whole, 5);
        },
      ),
      { numRuns: 15 },
    );
  });

  it('divides chosen rounds below together with its own', async () => {
    // A disc over four that it overlaps and that do not touch one another: four lenses, four rests, and its own.
    const below = addRound(ring(4, 20), {
      ...newRound('other', 'Other', 3),
      shapes: [newShape('o', 'Far', disc(0, -70, 4), START_PAINT)],
    });
    const joined = setMerge(withDisc(below, 15, { how: 'join', rounds: ['r'] }), 'top', 'divide');
    expect(mergeJobsOf(joined, STRAIGHT).map(({ key }) => key)).toEqual(['top']);
    const { division } = await mergedFully(requestOf(mergeJobsOf(joined, STRAIGHT)[0]!, {}, STRAIGHT)!, {});
    expect(division!.cells.reduce((sum, { size }) => sum + size, 0)).toBe(9);
    // Rounds that were not chosen are seen as they are.
    expect((await evaluateWhole(joined)).layers.map(({ roundId }) => roundId)).toContain('other');
  });

  it('leaves every shape its paint where a round above cuts it', async () => {
    const figure = withDisc(setFold(withForms(disc(0, -20, 10), disc(0, -40, 5)), 'r', 4), 15, {
      how: 'cut',
    });
    expect(mergeJobsOf(figure, STRAIGHT).map(({ key }) => key)).toEqual(['r/s0', 'r/s1']);
    expect(areaOf(await evaluateWhole(figure))).toBeCloseTo(4 * (Math.PI * 125 - lens2(10, 15, 20)), 6);
  });
});

/** Circles of radius r and R, d apart (Weisstein, "Circle-Circle Intersection", MathWorld, eq. 14). */
function lens2(r: number, R: number, d: number): number {
  return (
    r * r * Math.acos((d * d + r * r - R * R) / (2 * d * r)) +
    R * R * Math.acos((d * d + R * R - r * r) / (2 * d * R)) -
    0.5 * Math.sqrt((-d + r + R) * (d + r - R) * (d - r + R) * (d + r + R))
  );
}

const divided = (fold: number, mirror = false): Figure =>
  setMirror(setMerge(ring(fold, 20, 15), 'r', 'divide'), 'r', mirror);

describe('cells', () => {
  it('are removed, brought back and painted by kind or alone', async () => {
    const figure = divided(6);
    const division = await divisionOf(figure);
    const whole = areaOf(await evaluateWhole(figure));
    const { groups } = shownCells(division, NO_CELL_EDITS, STRAIGHT);
    const group = groups.find(({ copies }) => copies.length === 6)!;
    const kind = group.copies.flatMap(({ refs }) => refs);
    const without = removeCells(figure, 'r', division, kind);
    expect(roundOf(without, 'r').merge?.cells?.removed).toEqual(group.keys);
    expect(areaOf(await evaluateWhole(without))).toBeCloseTo(whole - 6 * group.area, 6);
    const single = removeCells(figure, 'r', division, group.copies[2]!.refs);
    expect(areaOf(await evaluateWhole(single))).toBeCloseTo(whole - group.area, 6);
    expect(areaOf(await evaluateWhole(restoreCells(without, 'r')))).toBeCloseTo(whole, 6);
    expect(roundOf(restoreCells(single, 'r', group.copies[2]!.refs), 'r').merge?.cells?.removed).toEqual([]);
    const blue = { fill: '#0000ff', stroke: null };
    const one = paintCells(figure, 'r', division, group.copies[1]!.refs, blue);
    const bluesOf = async (f: Figure) =>
      (await evaluateWhole(f)).layers
        .filter(({ items }) => items[0]!.paint.fill === '#0000ff')
        .reduce((sum, { copies }) => sum + copies.length, 0);
    expect(await bluesOf(one)).toBe(1);
    expect(await bluesOf(paintCells(one, 'r', division, kind, blue))).toBe(6);
    expect(figureSchema.validate(paintCells(one, 'r', division, kind, blue)).error).toBeUndefined();
  });

  it('are fused with those of their turn only, in every turn or in one', async () => {
    for (const mirror of [false, true]) {
      const figure = divided(5, mirror);
      const division = await divisionOf(figure);
      const { groups } = groupsOf(division, [], STRAIGHT);
      const [inner, outer] = [groups[1]!, groups[groups.length - 1]!];
      const refs = [inner.copies[0]!.refs[0]!, outer.copies[0]!.refs[0]!];
      const fused = fuseCells(figure, 'r', refs, false);
      const whole = areaOf(await evaluateWhole(figure));
      expect(areaOf(await evaluateWhole(fused))).toBeCloseTo(whole, 6);
      const shown = shownCells(division, roundOf(fused, 'r').merge!.cells!, STRAIGHT);
      const joined = shown.groups.filter((each) => each.fused);
      expect(joined.reduce((sum, { copies, area }) => sum + copies.length * area, 0)).toBeCloseTo(
        inner.copies.length * inner.area + outer.copies.length * outer.area,
        6,
      );
      const alone = shownCells(
        division,
        roundOf(fuseCells(figure, 'r', refs, true), 'r').merge!.cells!,
        STRAIGHT,
      );
      expect(alone.groups.filter((each) => each.fused).map(({ copies }) => copies.length)).toEqual([1]);
      expect(
        shownCells(division, roundOf(partCells(fused, 'r', refs), 'r').merge!.cells!, STRAIGHT).groups,
      ).toHaveLength(groups.length);
    }
  });

  it('are found at a point with their copy, and named alike by every turn', () => {
    fc.assert(
      fc.property(fc.integer({ min: 2, max: 9 }), fc.boolean(), (fold, mirror) => {
        const figure = divided(fold, mirror);
        const request = requestOf(mergeJobsOf(figure, STRAIGHT)[0]!, {}, STRAIGHT)!;
        const cells = made(cellsOf(request.operands));
        const { groups } = groupsOf({ fold, mirror, cells }, [], STRAIGHT);
        const names = new Set<string>();
        for (const group of groups)
          for (const copy of group.copies) {
            const kind = cells.find(({ key }) => key === group.keys[0])!;
            const at = applyTo(
              turnMap(copy.turn),
              copy.mirrored ? applyTo(MIRROR, kind.inside) : kind.inside,
            );
            const hit = cellAt(groups, at);
            expect(hit?.copy.refs).toEqual(copy.refs);
            const middle = centroidOf(placedLoops(group.loops, copy.turn, copy.mirrored))!;
            expect(distance({ x: 0, y: 0 }, middle)).toBeCloseTo(distance({ x: 0, y: 0 }, kind.centroid), 6);
            copy.refs.forEach((ref) => names.add(ref));
          }
        expect(names.size).toBe(groups.reduce((sum, { copies }) => sum + copies.length, 0));
        expect(cellAt(groups, { x: 900, y: 0 })).toBeNull();
      }),
      { numRuns: 20 },
    );
  });

  it('keep what was done to them while the motif is moved, and tell what was lost', async () => {
    const figure = divided(6);
    const division = await divisionOf(figure);
    const { groups } = groupsOf(division, [], STRAIGHT);
    const outer = groups[groups.length - 1]!;
    const refs = outer.copies.flatMap((copy) => copy.refs);
    const done = removeCells(
      fuseCells(figure, 'r', [groups[1]!.copies[0]!.refs[0]!, groups[2]!.copies[0]!.refs[0]!], false),
      'r',
      division,
      refs,
    );
    const moved = (away: number): Figure => ({
      ...done,
      rounds: done.rounds.map((round) => ({
        ...round,
        shapes: round.shapes.map((shape) => ({ ...shape, form: disc(0, -away, 15) })),
      })),
    });
    const near = await divisionOf(moved(20.4));
    expect(lostRefs(near, roundOf(done, 'r').merge!.cells!)).toEqual([]);
    expect(near.cells).toHaveLength(division.cells.length);
    const apart = await divisionOf(moved(60));
    const work = roundOf(done, 'r').merge!.cells!;
    expect(lostRefs(apart, work).length).toBeGreaterThan(0);
    const forgotten = roundOf(forgetLostCells(done, 'r', apart), 'r').merge!.cells!;
    expect(lostRefs(apart, forgotten)).toEqual([]);
  });

  it('are bounded by the lines of a frame too, and kept inside an outline', async () => {
    const frame = boundByFrame(
      setFrame(
        setMerge(setFold(withForms(pathForm([corner(0, -1), corner(0, -2)], false)), 'r', 6), 'r', 'divide'),
        'r',
        {
          polygon: { sides: 6, radius: 50, fit: 'in', diagonals: 'all' },
        },
      ),
      'r',
      true,
    );
    const division = await divisionOf(frame);
    // The hexagon with all its diagonals has 24 regions (Poonen and Rubinstein 1998; OEIS A007678).
    const count = division.cells.reduce((sum, { size }) => sum + size, 0);
    expect(count).toBe(24);
    const kept = keepCellsInside(
      frame,
      'r',
      division,
      placedLoops([circlePath(26)], turn(0), false),
      STRAIGHT,
    );
    const left = shownCells(division, roundOf(kept, 'r').merge!.cells!, STRAIGHT);
    expect(left.groups.reduce((sum, { copies }) => sum + copies.length, 0)).toBe(24);
    expect(roundOf(kept, 'r').merge!.cells!.removed.length).toBeGreaterThan(0);
  });
});

const corner = (x: number, y: number) => ({ x, y, kind: 'corner' as const });
const circlePath = (r: number) => {
  const [a, b] = [
    { x: 0, y: -r },
    { x: 0, y: r },
  ];
  const half = { kind: 'arc' as const, centre: { x: 0, y: 0 }, radius: r, sweep: Math.PI };
  return {
    closed: true,
    segments: [
      { ...half, from: a, to: b },
      { ...half, from: b, to: a },
    ],
  };
};
