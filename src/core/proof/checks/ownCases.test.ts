import { describe, expect, it } from 'vitest';
import { disc, withForms } from '../../../../tests/help/figures';
import { foundBy, mended, subjectFor } from '../../../../tests/help/proofs';
import { difference, pixelsOf } from '../../../../tests/help/pictures';
import { kelpCrown } from '../../../../demo/pieces/kelpCrown';
import { line, type Point } from '@/core/curve';
import { addRound, addShapes, setFold, setMirror, swapCrossing, withShapes } from '@/core/figure/commands';
import { type Figure, newFigure, newRound, newShape, START_PAINT, withRound } from '@/core/figure';
import { svgOf } from '@/core/format/svg';
import { formOfPaths } from '@/core/maker';
import { one, square, woven, CASES, ringPaths } from '../../../../tests/help/checkCases';
import { STRAIGHT } from '@/core/derive';
import { withLinesOnce } from '../linesOnce';

/** A line by itself, as a shape. */
const ownLine = (id: string, from: Point, to: Point) =>
  newShape(id, id, formOfPaths([{ closed: false, segments: [line(from, to)] }]), {
    fill: null,
    stroke: { colour: '#113d4c', width: 1, cap: 'butt', join: 'miter' },
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

  it('doubled lines are not taken apart where copies differ or are left out, nor those on the axis of a whole figure', async () => {
    const up = (id: string) => ownLine(id, { x: 0, y: -20 }, { x: 0, y: -60 });
    const whole = setMirror(
      setFold(addShapes(newFigure('F', 'r'), 'r', [up('a'), up('b')]), 'r', 1),
      'r',
      true,
    );
    const [found] = await foundBy('doubled', whole);
    expect((await mended(whole, found?.mends[0])).rounds).toHaveLength(1);
    const onRay = ownLine('a', { x: 10, y: -10 * Math.sqrt(3) }, { x: 30, y: -30 * Math.sqrt(3) });
    const six = setMirror(setFold(addShapes(newFigure('F', 'r'), 'r', [onRay]), 'r', 6), 'r', true);
    const some = withRound(six, 'r', (round) => ({ ...round, omitted: [1] }));
    expect(withLinesOnce(six, 'r', 1e-4, () => 'n', STRAIGHT)?.rounds).toHaveLength(2);
    expect(withLinesOnce(some, 'r', 1e-4, () => 'n', STRAIGHT)?.rounds.length ?? 1).toBe(1);
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
