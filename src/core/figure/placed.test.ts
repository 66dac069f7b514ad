import { made, refusal } from '../../../tests/help/made';
import { STRAIGHT } from '@/core/derive';
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';

import { counter } from '../../../tests/help/figures';
import { difference, pixelsOf } from '../../../tests/help/pictures';
import { worstSeam } from '../../../tests/help/seams';
import { kelpCrown } from '../../../demo/pieces/kelpCrown';
import { dryDockFrame } from '../../../demo/pieces/dryDockFrame';
import { posterWheel } from '../../../demo/pieces/posterWheel';
import { checkFigure } from '@/core/format/figure';
import { DEFAULT_SVG } from '@/core/format/svg/svg';
import { svgOf } from '@/core/format/svg';
import {
  drawingProblem,
  type DrawnPart,
  formProblem,
  handlesOfForm,
  MOST_PARTS,
  pathsOfForm,
  type PlacedFigure,
  radiusOfParts,
  scaledForm,
  scattered,
  withPlaces,
} from '@/core/maker';
import type { ScatterOptions } from '@/core/maker/scatter';
import { boundsOfPaths, distance } from '@/core/curve';
import { NO_TURN, turn } from '@/core/number';
import {
  type Picture,
  makePlain,
  nestFigure,
  partsOfScene,
  pictureOf,
  placeDrawing,
  roundOf,
  setFold,
  setMirror,
} from './commands';
import { layersOf } from '@/core/scene';
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
    const placed = made(placeDrawing(setFold(blank, 'r', 1), 'r', 'Crown', { parts }, [place], 'd'));
    const alone = pixelsOf(svgOf(await evaluateWhole(crown), DEFAULT_SVG), 400);
    const there = pixelsOf(svgOf(evaluate(placed.figure, new Map(), STRAIGHT), DEFAULT_SVG), 400);
    expect(difference(alone, there)).toBeLessThan(0.001);
    expect(made(checkFigure(JSON.parse(JSON.stringify(placed.figure))))).toEqual(placed.figure);
    // Made plain it is a shape for each part, with that part's paint and rule.
    const plain = makePlain(placed.figure, 'r', new Set(['d']), counter(), STRAIGHT);
    expect(roundOf(plain, 'r').shapes).toHaveLength(parts.length);
    const apart = pixelsOf(svgOf(evaluate(plain, new Map(), STRAIGHT), DEFAULT_SVG), 400);
    expect(difference(alone, apart)).toBeLessThan(0.001);
  });

  it('keeps what is blended and seen through, copy by copy, and its ground where asked', async () => {
    // Three rounds that are laid on one another by multiply and screen, on a ground; and copies that are seen through.
    const wheel = posterWheel();
    const blended = { ...wheel, rounds: wheel.rounds.map((round) => ({ ...round, opacity: 0.8 })) };
    expect(blended.rounds.some(({ blend }) => blend !== undefined && blend !== 'normal')).toBe(true);
    const scene = await evaluateWhole(blended);
    const parts = partsOfScene(scene, true);
    const blank = { ...newFigure('B', 'r'), page: { ...blended.page, background: null } };
    const place = { x: 0, y: 0, size: 1, turn: NO_TURN };
    const placed = made(placeDrawing(setFold(blank, 'r', 1), 'r', 'Wheel', { parts }, [place], 'd'));
    expect(made(checkFigure(JSON.parse(JSON.stringify(placed.figure))))).toEqual(placed.figure);
    const there = evaluate(placed.figure, new Map(), STRAIGHT);
    const alone = pixelsOf(svgOf(scene, DEFAULT_SVG), 400);
    for (const form of ['compact', 'plain'] as const)
      expect(difference(alone, pixelsOf(svgOf(there, { ...DEFAULT_SVG, form }), 400))).toBeLessThan(0.002);
    // And once more in another: what was laid so stays so.
    const again = made(placeDrawing(setFold(blank, 'r', 1), 'r', 'Wheel', pictureOf(there), [place], 'd'));
    const twice = svgOf(evaluate(again.figure, new Map(), STRAIGHT), DEFAULT_SVG);
    expect(difference(alone, pixelsOf(twice, 400))).toBeLessThan(0.002);
    // Without the ground the page shows.
    expect(partsOfScene(scene)).toHaveLength(parts.length - 1);
  });

  it('is drawn once in a file, however often it is shown', async () => {
    const parts = await crownParts();
    const places = Array.from({ length: 8 }, (_, k) => ({
      x: 20 * k - 70,
      y: 12 * (k % 3) - 10,
      size: 0.08 + 0.02 * k,
      turn: turn(k, 24),
    }));
    const flat = setFold({ ...newFigure('B', 'r'), page: kelpCrown().page }, 'r', 1);
    const scattered8 = made(placeDrawing(flat, 'r', 'Crown', { parts }, places, 'd')).figure;
    const scene = evaluate(scattered8, new Map(), STRAIGHT);
    const compact = svgOf(scene, DEFAULT_SVG);
    expect(compact.match(/<path /g)).toHaveLength(parts.length);
    expect(compact.match(/<use [^>]*transform="matrix/g)).toHaveLength(8);
    const plain = svgOf(scene, { ...DEFAULT_SVG, form: 'plain' });
    expect(compact.length).toBeLessThan(plain.length / 5);
    expect(difference(pixelsOf(compact, 500), pixelsOf(plain, 500))).toBeLessThan(0.001);
    // Mirrored all of it stands on both sides, and still is drawn once.
    const both = evaluate(setMirror(scattered8, 'r', true), new Map(), STRAIGHT);
    const mirrored = svgOf(both, DEFAULT_SVG);
    expect(mirrored.match(/<path /g)).toHaveLength(parts.length);
    expect(
      difference(pixelsOf(mirrored, 500), pixelsOf(svgOf(both, { ...DEFAULT_SVG, form: 'plain' }), 500)),
    ).toBeLessThan(0.001);
  });

  it('lets no page through between what lies side by side in it, and abuts where that is asked', async () => {
    const frame = await evaluateWhole(dryDockFrame());
    const blank = setFold({ ...newFigure('B', 'r'), page: dryDockFrame().page }, 'r', 1);
    const places = [-40, 40].map((x) => ({ x, y: 0, size: 0.45, turn: NO_TURN }));
    const placed = (picture: Picture) => {
      const { figure } = made(placeDrawing(blank, 'r', 'Frame', picture, places, 'd'));
      expect(made(checkFigure(JSON.parse(JSON.stringify(figure))))).toEqual(figure);
      return evaluate(figure, new Map(), STRAIGHT);
    };
    expect(worstSeam(placed({ parts: partsOfScene(frame) }), 500)).toBeGreaterThan(50);
    const scene = placed(pictureOf(frame));
    // As well as it does by itself.
    expect(worstSeam(scene, 500)).toBeLessThan(25);
    expect(layersOf(scene, 'abut').flatMap(({ items }) => items)).toHaveLength(
      2 * partsOfScene(frame).length,
    );
  });

  it('is the motif of a larger one, and that of a larger one still', async () => {
    let figure = kelpCrown();
    let count = (await crownParts()).length;
    for (let depth = 0; depth < 2; depth += 1) {
      const parts = partsOfScene(await evaluateWhole(figure));
      const place = { x: 0, y: -60, size: 0.2, turn: turn(1, 12) };
      const nested = made(nestFigure(figure, { parts }, place, { round: `r${depth}`, shape: 's' }));
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
    expect(refusal(placeDrawing(newFigure('B', 'r'), 'r', 'X', { parts: many }, [place], 'd'))).toContain(
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
    expect(nestFigure(newFigure('B', 'r'), { parts: [] }, place, { round: 'a', shape: 'b' })).toMatchObject({
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

  it('leaves no handle where nothing is shown: the origin goes to the first place', async () => {
    const parts = await crownParts();
    const there = { x: 4, y: -50, size: 0.2, turn: NO_TURN };
    const { figure } = made(placeDrawing(newFigure('B', 'r'), 'r', 'Crown', { parts }, [there], 'd'));
    const form = figure.rounds[0]!.shapes[0]!.form as PlacedFigure;
    const spread = withPlaces(form, scattered({ ...options, radius: radiusOfParts(parts) }));
    const [origin, first] = handlesOfForm(spread, STRAIGHT);
    expect(origin!.point).toEqual(first!.point);
    // Nothing else moved by that.
    const { x, y } = scattered({ ...options, radius: radiusOfParts(parts) })[1]!;
    expect(handlesOfForm(spread, STRAIGHT)[2]!.point).toMatchObject({
      x: expect.closeTo(4 + x, 9) as number,
      y: expect.closeTo(y - 50, 9) as number,
    });
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
