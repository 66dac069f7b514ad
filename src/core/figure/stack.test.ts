import { describe, expect, it } from 'vitest';

import { counter } from '../../../tests/help/figures';
import { PIECES } from '../../../demo/pieces';
import { worstSeam } from '../../../tests/help/seams';
import { difference, pixelsOf } from '../../../tests/help/pictures';
import { contoursOfPaths, line, type Point } from '@/core/curve';
import { turn } from '@/core/number';
import { DEFAULT_SVG } from '@/core/format/svg/svg';
import { svgOf } from '@/core/format/svg';
import { type Colour, layersOf, type Scene } from '@/core/scene';
import { addShapes, setFold, setMirror } from './commands';
import { setLight } from './commands';
import { evaluateWhole } from './evaluateWhole';
import type { Figure } from './model';
import { newFigure, newShape } from './start';

const newId = counter();

const area = (fill: Colour, ...corners: Point[]) =>
  newShape(
    newId(),
    'Area',
    {
      kind: 'path',
      contours: contoursOfPaths([
        { closed: true, segments: corners.map((p, k) => line(p, corners[(k + 1) % corners.length] ?? p)) },
      ]),
    },
    { fill, stroke: null },
  );

const APEX = { x: 0, y: 0 };

/** A square of eight octants, each in two colours. */
const square = (): Figure => {
  const shapes = [
    area('#113d4c', APEX, { x: 0, y: -60 }, { x: 30, y: -60 }),
    area('#e9b44c', APEX, { x: 30, y: -60 }, { x: 60, y: -60 }),
  ];
  return setMirror(setFold(addShapes(newFigure('Square', 'r'), 'r', shapes), 'r', 4), 'r', true);
};

/** Facets left and right of a fold, all of one colour. */
const folded = (): Figure => {
  const edge = { x: 50 * Math.sin(Math.PI / 9), y: -50 * Math.cos(Math.PI / 9) };
  const shapes = [
    area('#000000', APEX, { x: -edge.x, y: edge.y }, { x: 0, y: -70 }),
    area('#1f1f1f', APEX, { x: 0, y: -70 }, edge),
  ];
  return setFold(addShapes(newFigure('Folded', 'r'), 'r', shapes), 'r', 9);
};

const abutting = (scene: Scene): Scene => ({ ...scene, layers: layersOf(scene, 'abut') });

describe('Shapes that lie edge to edge', () => {
  it.each([
    ['octants of a square', square],
    ['facets along a fold', folded],
    ['facets in light', () => setLight(folded(), 'r', { from: turn(1, 9), depth: 30, faces: 'out' })],
  ] as const)('%s: the page shows nowhere between them', async (_, figure) => {
    const scene = await evaluateWhole(figure());
    expect(worstSeam(abutting(scene), 300)).toBeGreaterThan(20);
    for (const side of [300, 900]) expect(worstSeam(scene, side)).toBeLessThan(3);
    const [a, b] = [scene, abutting(scene)].map((each) => pixelsOf(svgOf(each, DEFAULT_SVG), 300));
    expect(difference(a!, b!)).toBeLessThan(1e-3);
  });

  it('alone are drawn otherwise: what overlaps, or stands apart, is drawn as it is', async () => {
    for (const name of ['scallop-ring', 'bubble-lattice', 'propeller'])
      expect((await evaluateWhole(PIECES[name]!())).abutting).toBeUndefined();
  });
});
