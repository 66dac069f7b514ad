import { made, refusal } from '../../../tests/help/made';
import { STRAIGHT } from '../derive';
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';

import { counter } from '../../../tests/help/figures';
import { difference, pixelsOf } from '../../../tests/help/pictures';
import { kelpCrown } from '../../../demo/pieces/kelpCrown';
import { checkFigure } from '../format/figure/json';
import { DEFAULT_SVG, svgOf } from '../format/svg/svg';
import { drawingProblem, MOST_PARTS, radiusOfParts } from '../maker/drawing';
import type { DrawnPart } from '../maker/drawn';
import { formProblem, pathsOfForm, scaledForm } from '../maker/form';
import { scattered, type ScatterOptions } from '../maker/scatter';
import { distance } from '../curve/point';
import { boundsOfPaths } from '../curve/bounds';
import { NO_TURN, turn } from '../number/turn';
import { makePlain, nestFigure, partsOfScene, placeDrawing, roundOf, setFold } from './commands';
import { evaluate } from './evaluate';
import { evaluateWhole } from './evaluateWhole';
import { newFigure } from './start';

const crownParts = async (): Promise<DrawnPart[]> => partsOfScene(await evaluateWhole(kelpCrown()));

describe('a figure placed in another', () => {
  it('looks there as it does alone, whatever it is made of', async () => {
    const crown = kelpCrown();
    const parts = await crownParts();
    const blank = { ...newFigure('B', 'r'), page: crown.page };
    const place = { x: 0, y: 0, size: 1, turn: NO_TURN };
    const placed = made(placeDrawing(setFold(blank, 'r', 1), 'r', 'Crown', parts, [place], 'd'));
    const alone = pixelsOf(svgOf(await evaluateWhole(crown), DEFAULT_SVG), 400);
    const there = pixelsOf(svgOf(evaluate(placed.figure, new Map(), STRAIGHT), DEFAULT_SVG), 400);
    expect(difference(alone, there)).toBeLessThan(0.001);
    expect(checkFigure(JSON.parse(JSON.stringify(placed.figure)))).toEqual(placed.figure);
    // Made plain it is a shape for each part, with that part's paint and rule.
    const plain = makePlain(placed.figure, 'r', new Set(['d']), counter(), STRAIGHT);
    expect(roundOf(plain, 'r').shapes).toHaveLength(parts.length);
    const apart = pixelsOf(svgOf(evaluate(plain, new Map(), STRAIGHT), DEFAULT_SVG), 400);
    expect(difference(alone, apart)).toBeLessThan(0.001);
  });

  it('is the motif of a larger one, and that of a larger one still', async () => {
    let figure = kelpCrown();
    let count = (await crownParts()).length;
    for (let depth = 0; depth < 2; depth += 1) {
      const parts = partsOfScene(await evaluateWhole(figure));
      const place = { x: 0, y: -60, size: 0.2, turn: turn(1, 12) };
      const nested = made(nestFigure(figure, parts, place, { round: `r${depth}`, shape: 's' }));
      figure = setFold(nested.figure, `r${depth}`, 3);
      expect(figure.rounds).toHaveLength(1);
      count *= 3;
      expect(partsOfScene(evaluate(figure, new Map(), STRAIGHT))).toHaveLength(count);
    }
    const [form] = figure.rounds[0]!.shapes.map((shape) => shape.form);
    const box = boundsOfPaths(pathsOfForm(form!, STRAIGHT));
    const twice = boundsOfPaths(pathsOfForm(scaledForm(form!, 2, { x: 0, y: 0 }), STRAIGHT));
    expect(twice.right).toBeCloseTo(2 * box.right, 6);
    expect(twice.top).toBeCloseTo(2 * box.top, 6);
  });

  it('is refused where it draws nothing or too much', async () => {
    const parts = await crownParts();
    const place = { x: 0, y: 0, size: 1, turn: NO_TURN };
    expect(drawingProblem({ parts: [], places: [place] })?.sentence).toContain('nothing in this figure');
    expect(drawingProblem({ parts, places: [] })?.sentence).toContain('needs a place');
    const many = Array.from({ length: MOST_PARTS + 1 }, () => parts[0]!);
    expect(refusal(placeDrawing(newFigure('B', 'r'), 'r', 'X', many, [place], 'd'))).toContain(
      `${MOST_PARTS} at most`,
    );
    const nodes = {
      contours: [
        {
          closed: true,
          nodes: Array.from({ length: 900 }, (_, k) => ({ x: k, y: 0, kind: 'corner' as const })),
        },
      ],
      paint: parts[0]!.paint,
      rule: 'nonzero' as const,
    };
    expect(
      drawingProblem({ parts: [nodes], places: Array.from({ length: 500 }, () => place) })?.sentence,
    ).toContain('fewer places');
    expect(nestFigure(newFigure('B', 'r'), [], place, { round: 'a', shape: 'b' })).toMatchObject({
      ok: false,
    });
    expect(
      formProblem({
        kind: 'drawing',
        at: { x: 0, y: 0 },
        rotation: NO_TURN,
        params: { parts, places: [place] },
      }),
    ).toBeNull();
  });
});

describe('a scatter', () => {
  const options: ScatterOptions = {
    width: 180,
    height: 120,
    middle: { x: 10, y: -5 },
    radius: 40,
    smallest: 0.05,
    largest: 0.3,
    gap: 1.5,
    count: 40,
    seed: 3,
    turned: true,
  };

  it('stays in its area, overlaps nowhere, keeps its gap and its seed', () => {
    fc.assert(
      fc.property(fc.integer({ min: 1, max: 9999 }), fc.integer({ min: 1, max: 60 }), (seed, count) => {
        const places = scattered({ ...options, seed, count });
        expect(scattered({ ...options, seed, count })).toEqual(places);
        expect(places.length).toBeLessThanOrEqual(count);
        expect(places.length).toBeGreaterThan(0);
        places.forEach((place, k) => {
          const own = place.size * options.radius;
          expect(place.size).toBeGreaterThanOrEqual(0.05);
          expect(place.size).toBeLessThanOrEqual(0.3);
          expect(Math.abs(place.x - 10)).toBeLessThanOrEqual(90 - own + 1e-9);
          expect(Math.abs(place.y + 5)).toBeLessThanOrEqual(60 - own + 1e-9);
          for (const other of places.slice(0, k))
            expect(distance(place, other)).toBeGreaterThanOrEqual(own + other.size * 40 + 1.5 - 1e-9);
        });
      }),
      { numRuns: 30 },
    );
  });

  it('puts down fewer where no more fit, none where not one does, and none turned where they stand upright', () => {
    expect(scattered({ ...options, smallest: 0.7, largest: 0.8, count: 60 }).length).toBeLessThan(12);
    expect(scattered({ ...options, smallest: 5, largest: 6 })).toEqual([]);
    expect(scattered({ ...options, turned: false }).every(({ turn: t }) => t.num === 0)).toBe(true);
  });

  it('goes by how far a drawing reaches, strokes and all', async () => {
    const parts = await crownParts();
    const radius = radiusOfParts(parts);
    const box = boundsOfPaths(
      pathsOfForm(
        {
          kind: 'drawing',
          at: { x: 0, y: 0 },
          rotation: NO_TURN,
          params: { parts, places: [{ x: 0, y: 0, size: 1, turn: NO_TURN }] },
        },
        STRAIGHT,
      ),
    );
    expect(radius).toBeGreaterThanOrEqual(Math.max(box.right, -box.top) - 1e-9);
    expect(radius).toBeLessThan(2 * Math.max(box.right, -box.top));
  });
});
