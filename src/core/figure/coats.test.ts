import { paintsOf } from './cellPaints';
import { describe, expect, it } from 'vitest';

import { PIECES } from '../../../demo/pieces';
import { pixelsOf } from '../../../tests/help/pictures';
import { worstSeam } from '../../../tests/help/seams';
import { NO_RESULTS, STRAIGHT, withAnswer, type Work, workFrom } from '@/core/derive';
import { DEFAULT_SVG } from '@/core/format/svg/svg';
import { svgOf } from '@/core/format/svg';
import { divided, mergedFully, mergeNow, type MergeResult } from '@/core/merge';
import { type Colour, layersOf, type Paint, type Scene } from '@/core/scene';
import { addShapes, paintCells, setFold, setMerge, setMirror } from './commands';
import { evaluate } from './evaluate';
import { evaluateWhole } from './evaluateWhole';
import { mergeJobsOf, requestOf } from './jobs';
import type { Figure, Shape } from './model';
import { newFigure, newShape, START_PAINT } from './start';

/** The divided rounds of a figure, without what lies beneath them. */
const dividedAlone = (figure: Figure): Figure => ({
  ...figure,
  rounds: figure.rounds.map((round) => ({
    ...round,
    visible: round.visible && round.merge?.op === 'divide',
  })),
});
const DIVIDED = Object.keys(PIECES).filter((name) =>
  PIECES[name]!().rounds.some(({ merge }) => merge?.op === 'divide'),
);

const COLOURS: readonly Colour[] = ['#ffffff', '#e9b44c', '#1f8a76', '#113d4c', '#d9512c', '#000000'];
const flat = (k: number): Paint => ({ fill: COLOURS[k % COLOURS.length] ?? null, stroke: null });

/** Overlapping circles, their cells painted by a rule. */
function circles(fold: number, mirror: boolean, paintOf: (kind: number, place: number) => Paint): Figure {
  const form = {
    kind: 'ellipse',
    at: { x: 4, y: -40 },
    rotation: { num: 0, den: 1 },
    params: { width: 80, height: 80 },
  } as const;
  const drawn = addShapes(newFigure('Cells', 'r'), 'r', [newShape('c', 'Circle', form, START_PAINT)]);
  const figure = setMirror(setMerge(setFold(drawn, 'r', fold), 'r', 'divide'), 'r', mirror);
  const [job] = mergeJobsOf(figure, STRAIGHT);
  const { cells } = divided(mergeNow(requestOf(job!, {}, STRAIGHT)!));
  const paints = paintsOf(
    cells.flatMap(({ key, size }, kind) =>
      Array.from({ length: size }, (_, place) => [`${key}@${place}`, paintOf(kind, place)] as const),
    ),
  );
  return {
    ...figure,
    rounds: figure.rounds.map((round) => ({
      ...round,
      merge: { ...round.merge!, cells: { frame: false, fused: [], removed: [], paints } },
    })),
  };
}

const abutting = (scene: Scene): Scene => ({ ...scene, layers: layersOf(scene, 'abut') });

/**
 * The most that any pixel differs, in levels, from what it is without seams: cells that only meet, drawn many times as large, where seams
 * are many times as narrow, and taken together.
 */
function worstAgainstLarge(scene: Scene, side: number, times: number): number {
  const small = pixelsOf(svgOf(scene, DEFAULT_SVG), side);
  const large = pixelsOf(svgOf(abutting(scene), DEFAULT_SVG), side * times);
  let worst = 0;
  for (let y = 0; y < side; y += 1)
    for (let x = 0; x < side; x += 1)
      for (let channel = 0; channel < 3; channel += 1) {
        let sum = 0;
        for (let dy = 0; dy < times; dy += 1)
          for (let dx = 0; dx < times; dx += 1)
            sum += large[4 * ((y * times + dy) * side * times + x * times + dx) + channel] ?? 0;
        worst = Math.max(worst, Math.abs(sum / times ** 2 - (small[4 * (y * side + x) + channel] ?? 0)));
      }
  return worst;
}

describe('Cells that lie side by side', () => {
  it.each(DIVIDED)('%s: the page shows nowhere between them', async (name) => {
    const scene = await evaluateWhole(dividedAlone(PIECES[name]!()));
    for (const side of [300, 900]) expect(worstSeam(scene, side)).toBeLessThan(3);
  });

  it.each([
    [12, false, (kind: number) => flat(kind)],
    [12, false, (kind: number, place: number) => flat(kind + place)],
    [7, true, (kind: number) => flat(kind)],
    [6, true, (kind: number, place: number) => flat(kind + (place % 3))],
    [1, false, (kind: number) => flat(kind)],
  ] as const)('of circles in a %i-fold round (mirrored: %s) likewise', async (fold, mirror, paintOf) => {
    const scene = await evaluateWhole(circles(fold, mirror, paintOf));
    for (const side of [300, 900]) expect(worstSeam(scene, side)).toBeLessThan(3);
    // They would, where they only met.
    if (fold > 1) expect(worstSeam(abutting(scene), 300)).toBeGreaterThan(30);
  });

  it('are in the colours that they have, up to their edges', async () => {
    const scene = await evaluateWhole(circles(12, false, (kind, place) => flat(kind + place)));
    // A pixel in which several cells meet has some of each.
    expect(worstAgainstLarge(scene, 200, 6)).toBeLessThan(60);
    expect(worstAgainstLarge(abutting(scene), 200, 6)).toBeGreaterThan(60);
  });

  it('keep gradients, strokes and what is seen through as they are, over what lies beneath', async () => {
    const glass: Paint = { fill: '#1f8a7680', stroke: null };
    const gradient: Paint = {
      fill: {
        kind: 'linear',
        spread: 'cell',
        from: { x: 0, y: 0 },
        to: { x: 1, y: 1 },
        stops: [
          { at: 0, colour: '#d9512c' },
          { at: 1, colour: '#e9b44c' },
        ],
      },
      stroke: null,
    };
    const lined: Paint = {
      fill: '#113d4c',
      stroke: { colour: '#ffffff', width: 0.5, cap: 'butt', join: 'miter' },
    };
    const paints = [flat(1), glass, gradient, lined, { fill: null, stroke: null }];
    const scene = await evaluateWhole(circles(9, false, (kind) => paints[kind % paints.length]!));
    expect(worstAgainstLarge(scene, 200, 6)).toBeLessThan(90);
  });

  it('are made once for a move of a drag, before its cells are there and with them', async () => {
    const atX = (x: number): Figure => {
      const figure = circles(12, false, (kind) => flat(kind));
      const moved = (shape: Shape): Shape =>
        shape.form.kind === 'ellipse' ? { ...shape, form: { ...shape.form, at: { x, y: -40 } } } : shape;
      return {
        ...figure,
        rounds: figure.rounds.map((each) => ({ ...each, shapes: each.shapes.map(moved) })),
      };
    };
    const mergesOf = async (figure: Figure): Promise<ReadonlyMap<string, MergeResult>> => {
      const [job] = mergeJobsOf(figure, STRAIGHT);
      return new Map([[job!.key, await mergedFully(requestOf(job!, {}, STRAIGHT)!, {})]]);
    };
    const pathsOf = (scene: Scene) =>
      layersOf(scene, 'overlap').flatMap(({ items }) => items.map(({ paths }) => paths));
    const [before, after] = [atX(4), atX(4.1)];
    const cells = await mergesOf(after);
    const early = pathsOf(evaluate(after, await mergesOf(before), STRAIGHT));
    const late = pathsOf(evaluate(after, cells, STRAIGHT));
    expect(late.length).toBeGreaterThan(1);
    late.forEach((paths, k) => expect(paths).toBe(early[k]));
    expect(late).toEqual(pathsOf(evaluate(atX(4.1), cells, STRAIGHT)));
    expect(late).not.toEqual(pathsOf(await evaluateWhole(before)));
  });

  it('stay beneath what is painted until that is in coats too, where nothing may be seen through it', async () => {
    const figure = circles(12, false, (kind, place) => flat(kind + place));
    const [job] = mergeJobsOf(figure, STRAIGHT);
    const merged = await mergedFully(requestOf(job!, {}, STRAIGHT)!, {});
    const { division } = merged;
    if (!division) throw new Error('It is divided.');
    const [kind] = division.cells;
    const refs = Array.from({ length: kind!.size }, (_, place) => `${kind!.key}@${place}`);
    const paintedWith = (fill: Colour): Figure =>
      paintCells(figure, 'r', division, refs, { fill, stroke: null });
    const shown = (now: Figure, work: Work) =>
      layersOf(evaluate(now, new Map([[job!.key, merged]]), work), 'overlap').flatMap(({ items }) =>
        items.map(({ paths, paint }) => ({ paths, fill: paint.fill })),
      );
    const coats = shown(figure, STRAIGHT);

    const meanwhile = workFrom(NO_RESULTS);
    const laid = shown(paintedWith('#123456'), meanwhile);
    expect(meanwhile.wanted().map(({ kind: of }) => of)).toEqual(['nested']);
    coats.forEach(({ paths }, k) => expect(laid[k]?.paths).toBe(paths));
    expect(laid.slice(coats.length)).toEqual([{ paths: kind!.loops, fill: '#123456' }]);
    // Then they are the same as where nothing was before.
    const [task] = meanwhile.wanted();
    const answered = workFrom(withAnswer(NO_RESULTS, task!, task!.run()));
    expect(shown(paintedWith('#123456'), answered)).toEqual(shown(paintedWith('#123456'), STRAIGHT));

    const seen = shown(paintedWith('#12345680'), workFrom(NO_RESULTS));
    expect(seen.some(({ paths }) => coats.some((coat) => coat.paths === paths))).toBe(false);
  });

  it('of a round that is seen through, or lit, only meet', async () => {
    const figure = circles(6, false, flat);
    const [round] = figure.rounds;
    for (const other of [{ opacity: 0.5 }, { blend: 'multiply' as const }])
      expect(
        (await evaluateWhole({ ...figure, rounds: [{ ...round!, ...other }] })).abutting,
      ).toBeUndefined();
    expect((await evaluateWhole(figure)).abutting).toBeDefined();
  });
});
