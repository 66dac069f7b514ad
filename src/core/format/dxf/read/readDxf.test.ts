import { describe, expect, it } from 'vitest';

import { PIECES } from '../../../../../demo/pieces';
import { counter, disc, withForms } from '../../../../../tests/help/figures';
import { made, refusal } from '../../../../../tests/help/made';
import { type Path, signedArea } from '@/core/curve';
import { inUnit, setFold, setMerge } from '@/core/figure/commands';
import { evaluateWhole, type Figure, figureSchema } from '@/core/figure';
import { shapesOfNodes, type DrawnNode } from '../../drawing/drawing';
import { figureOfDrawing } from '../../drawing/figureOfDrawing';
import { dxfOf } from '../dxf';
import { readDxf } from './readDxf';

/** Lines of a DXF from pairs of a group code and its value. */
const dxf = (...groups: readonly (readonly [number, string | number])[]): string =>
  groups.map(([code, value]) => `${code}\n${value}`).join('\n');
const file = (
  header: readonly (readonly [number, string | number])[],
  ...entities: readonly (readonly [number, string | number])[]
): string =>
  dxf(
    [0, 'SECTION'],
    [2, 'HEADER'],
    ...header,
    [0, 'ENDSEC'],
    [0, 'SECTION'],
    [2, 'ENTITIES'],
    ...entities,
    [0, 'ENDSEC'],
    [0, 'EOF'],
  );
const INCHES = [
  [9, '$INSUNITS'],
  [70, 1],
] as const;
const lineOf = (x1: number, y1: number, x2: number, y2: number, layer = 'cut') =>
  [
    [0, 'LINE'],
    [8, layer],
    [10, x1],
    [20, y1],
    [11, x2],
    [21, y2],
  ] as const;

const closedArea = (paths: readonly Path[]): number =>
  paths.filter(({ closed }) => closed).reduce((sum, path) => sum + Math.abs(signedArea([path])), 0);

const pathsIn = (nodes: readonly DrawnNode[]): Path[] => shapesOfNodes(nodes).flatMap(({ paths }) => paths);

/** A figure's lines, and the same out of a DXF, in pixels. */
async function again(figure: Figure, curves: 'arcs' | 'splines') {
  const names = new Map(figure.rounds.map(({ id, name }) => [id, name]));
  const text = dxfOf(
    await evaluateWhole(figure),
    { curves, tolerance: 1, layers: 'round', lines: 'middle' },
    names,
  );
  return made(readDxf(text));
}

describe('a DXF that is read', () => {
  it('has the size of the file, its lines joined where they meet, and what is closed as areas', () => {
    const { nodes, width, height, unit } = made(
      readDxf(
        file(
          INCHES,
          ...lineOf(0, 0, 2, 0),
          ...lineOf(2, 1, 2, 0),
          ...lineOf(2, 1, 0, 1),
          [0, 'ARC'],
          [8, 'cut'],
          [10, 0],
          [20, 0.5],
          [40, 0.5],
          [50, 90],
          [51, 270],
          ...lineOf(5, 0, 6, 0),
        ),
      ),
    );
    expect([width / 96, height / 96, unit]).toEqual([expect.closeTo(6.5, 9), expect.closeTo(1, 9), 'in']);
    const paths = pathsIn(nodes);
    expect(paths.map(({ closed, segments }) => [closed, segments.length])).toEqual([
      [false, 1],
      [true, 4],
    ]);
    // A rectangle of 2 by 1, and half a circle of radius ½.
    expect(closedArea(paths) / 96 ** 2).toBeCloseTo(2 + Math.PI / 8, 6);
  });

  it('keeps up up, layers as groups with their colours, blocks where they are put', () => {
    const text = dxf(
      [0, 'SECTION'],
      [2, 'TABLES'],
      [0, 'TABLE'],
      [2, 'LAYER'],
      [70, 2],
      [0, 'LAYER'],
      [2, 'rope'],
      [70, 0],
      [62, 1],
      [0, 'LAYER'],
      [2, 'gone'],
      [70, 1],
      [62, 3],
      [0, 'ENDTAB'],
      [0, 'ENDSEC'],
      [0, 'SECTION'],
      [2, 'BLOCKS'],
      [0, 'BLOCK'],
      [8, '0'],
      [2, 'leaf'],
      [70, 0],
      [10, 0],
      [20, 0],
      [30, 0],
      [3, 'leaf'],
      [1, ''],
      ...lineOf(0, 10, 0, 20, '0'),
      [0, 'ENDBLK'],
      [8, '0'],
      [0, 'ENDSEC'],
      [0, 'SECTION'],
      [2, 'ENTITIES'],
      [0, 'CIRCLE'],
      [8, 'rope'],
      [10, 0],
      [20, 0],
      [40, 4],
      ...lineOf(-30, 0, 30, 0, 'gone'),
      ...[0, 90, 180, 270].flatMap(
        (turn) =>
          [
            [0, 'INSERT'],
            [8, 'rope'],
            [2, 'leaf'],
            [10, 0],
            [20, 0],
            [50, turn],
          ] as [number, string | number][],
      ),
      [0, 'TEXT'],
      [8, 'rope'],
      [10, 0],
      [20, 0],
      [40, 2],
      [1, 'tide'],
      [0, 'ENDSEC'],
      [0, 'EOF'],
    );
    const drawing = made(readDxf(text));
    expect(drawing.left).toEqual([{ what: 'text', count: 1 }]);
    expect(drawing.unit).toBe('mm');
    const { figure } = made(figureOfDrawing(drawing, 'leaf.dxf', counter()));
    expect(figureSchema.validate(figure, { convert: false }).error).toBeUndefined();
    const rounds = figure.rounds.map(({ rule, shapes }) => [rule.fold, shapes.length]);
    // The block turns four times; the circle, on its own layer's colour, stands once.
    expect(rounds).toContainEqual([4, 1]);
    expect(figure.rounds.flatMap(({ shapes }) => shapes).map(({ paint }) => paint.stroke?.colour)).toEqual([
      '#ff0000',
      '#ff0000',
    ]);
    expect(figure.page.width).toBeCloseTo(40, 6);
    const upright = figure.rounds.find(({ rule }) => rule.fold === 4)!.shapes[0]!.form;
    expect(upright).toMatchObject({ kind: 'path' });
  });

  it.each(['arcs', 'splines'] as const)(
    'of ours has the areas that were written, curves as %s',
    async (curves) => {
      for (const figure of [
        setMerge(setFold(withForms(disc(0, -40, 22)), 'r', 6), 'r', 'union'),
        inUnit(setFold(withForms(disc(0, -40, 8)), 'r', 5), 'in'),
        PIECES['frost-flake']!(),
        PIECES['anemone']!(),
      ]) {
        const scene = await evaluateWhole(figure);
        const drawing = await again(figure, curves);
        const paths = pathsIn(drawing.nodes);
        expect(paths.length).toBeGreaterThan(0);
        expect(paths.every(({ closed }) => closed)).toBe(true);
        if (scene.layers.length > 1) continue;
        // Written with a tolerance of a hundredth of a millimetre, in pixels.
        const px = figure.page.unit === 'in' ? 96 : 96 / 25.4;
        const own = scene.layers.reduce(
          (sum, { items, copies }) =>
            sum + copies.length * items.reduce((all, item) => all + closedArea(item.paths), 0),
          0,
        );
        expect(closedArea(paths) / (own * px * px)).toBeCloseTo(1, 4);
      }
    },
  );

  it('that is broken, hostile or empty gets a sentence', () => {
    const loop = dxf(
      [0, 'SECTION'],
      [2, 'BLOCKS'],
      [0, 'BLOCK'],
      [8, '0'],
      [2, 'a'],
      [70, 0],
      [10, 0],
      [20, 0],
      [30, 0],
      [3, 'a'],
      [1, ''],
      [0, 'INSERT'],
      [8, '0'],
      [2, 'a'],
      [10, 1],
      [20, 0],
      [0, 'INSERT'],
      [8, '0'],
      [2, 'a'],
      [10, 2],
      [20, 0],
      [0, 'ENDBLK'],
      [8, '0'],
      [0, 'ENDSEC'],
      [0, 'SECTION'],
      [2, 'ENTITIES'],
      [0, 'INSERT'],
      [8, '0'],
      [2, 'a'],
      [10, 0],
      [20, 0],
      [0, 'ENDSEC'],
      [0, 'EOF'],
    );
    for (const [text, sentence] of [
      ['', /not a DXF/],
      ['<svg/>', /not a DXF/],
      ['0\nSECTION\n\u0000', /binary/],
      [file([]), /nothing in this file/],
      [file([], [0, 'LINE'], [8, '0'], [10, 'x'], [20, 0], [11, 1], [21, 1]), /no numbers|cannot be read/],
      [loop, /into themselves/],
    ] as const)
      expect(refusal(readDxf(text)), text.slice(0, 30)).toMatch(sentence);
  });
});
