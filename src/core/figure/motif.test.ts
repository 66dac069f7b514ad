import { made, refusal } from '../../../tests/help/made';
import { STRAIGHT } from '@/core/derive';
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';

import { counter, disc, withForms } from '../../../tests/help/figures';
import { areOwnMirror, boundsOfPaths, type PathNode, type Point, polarOf, signedArea } from '@/core/curve';
import { checkFigure } from '@/core/format/figure';
import { type Form, MAKERS, pathForm, pathsOfForm } from '@/core/maker';
import type { PathForm } from '@/core/maker/form';
import { turn } from '@/core/number';
import { pastRays } from '@/core/symmetry';
import {
  addShapes,
  alignNodes,
  alignShapes,
  alignStamps,
  endHalf,
  findShape,
  groupShapes,
  makePlain,
  roundOf,
  setEdge,
  setFold,
  setForm,
  setMerge,
  setMirror,
  setPage,
  spreadNodes,
  spreadShapes,
  stampAlong,
  startHalf,
  whirlShape,
} from './commands';
import { layersOf } from '@/core/scene';
import { evaluate } from './evaluate';
import { mergeJobsOf, requestOf, sameJob } from './jobs';
import type { Figure } from './model';
import { newShape, START_PAINT } from './start';

const formsOf = (figure: Figure): Form[] => roundOf(figure, 'r').shapes.map(({ form }) => form);
const pathsOf = (figure: Figure) => formsOf(figure).flatMap((form) => pathsOfForm(form, STRAIGHT));
const corner = (x: number, y: number): PathNode => ({ x, y, kind: 'corner' });

describe('half a motif', () => {
  it('is reflected while it is drawn, and one closed path afterwards, with no node on the axis in a straight side', () => {
    const half = pathForm([corner(0, -20), corner(12, -20), corner(8, -40), corner(0, -40)], false);
    const drawn = addShapes(startHalf(withForms(), 'r'), 'r', [newShape('s', 'S', half, START_PAINT)]);
    expect(roundOf(drawn, 'r')).toMatchObject({ half: 'turned', rule: { mirror: true } });
    expect(made(checkFigure(JSON.parse(JSON.stringify(drawn))))).toEqual(drawn);
    expect(startHalf(drawn, 'r')).toEqual(drawn);
    const done = endHalf(drawn, 'r', 1e-6, counter(), STRAIGHT);
    expect(roundOf(done, 'r').half).toBeUndefined();
    expect(roundOf(done, 'r').rule.mirror).toBe(false);
    const [form] = formsOf(done) as [PathForm];
    expect(form.contours).toHaveLength(1);
    expect(form.contours[0]).toMatchObject({ closed: true });
    expect(form.contours[0]!.nodes).toHaveLength(4);
    expect(areOwnMirror(pathsOfForm(form, STRAIGHT), 1e-12)).toBe(true);
    // A trapezium of parallel sides 24 and 16, 20 high.
    expect(Math.abs(signedArea(pathsOfForm(form, STRAIGHT)))).toBeCloseTo(400, 9);
  });

  it('leaves what is its own reflection, and adds those of other shapes unless the round is mirrored anyway', () => {
    const forms = [disc(0, -30, 5), disc(9, -30, 2)];
    const turned = endHalf(startHalf(withForms(...forms), 'r'), 'r', 1e-6, counter(), STRAIGHT);
    expect(formsOf(turned)).toHaveLength(3);
    expect(areOwnMirror(pathsOf(turned), 1e-12)).toBe(true);
    const mirrored = endHalf(
      startHalf(setMirror(withForms(...forms), 'r', true), 'r'),
      'r',
      1e-6,
      counter(),
      STRAIGHT,
    );
    expect(formsOf(mirrored)).toEqual(forms);
    expect(roundOf(mirrored, 'r').rule.mirror).toBe(true);
    expect(endHalf(mirrored, 'r', 1e-6, counter(), STRAIGHT)).toBe(mirrored);
    // Turned off by hand, the mode goes too.
    expect(roundOf(setMirror(startHalf(withForms(), 'r'), 'r', false), 'r').half).toBeUndefined();
  });
});

describe('the edge of the wedge', () => {
  const wide = (): Figure => setFold(withForms(disc(0, -30, 12)), 'r', 12);
  const drawnPast = (figure: Figure): number => {
    const scene = evaluate(figure, new Map(), STRAIGHT);
    const paths = layersOf(scene, 'abut').flatMap(({ items }) => items.flatMap((item) => item.paths));
    const { left, right } = pastRays(paths, { fold: 12 });
    return Math.max(left, right);
  };

  it('is overlapped unless it is trimmed, live: the form stays as it is', () => {
    const figure = wide();
    expect(drawnPast(figure)).toBeGreaterThan(1);
    const trimmed = setEdge(figure, 'r', 'trim');
    expect(drawnPast(trimmed)).toBeLessThan(1e-6);
    expect(formsOf(trimmed)).toEqual(formsOf(figure));
    expect(drawnPast(setEdge(trimmed, 'r', 'overlap'))).toBeCloseTo(drawnPast(figure), 12);
    expect(drawnPast(setEdge(figure, 'r', 'warn'))).toBeCloseTo(drawnPast(figure), 12);
    // A wedge of half a turn has nothing past its rays.
    expect(drawnPast(setFold(trimmed, 'r', 2))).toBeCloseTo(drawnPast(figure), 12);
    expect(made(checkFigure(JSON.parse(JSON.stringify(trimmed))))).toEqual(trimmed);
  });

  it('of a mirrored round is the axis too, where the reflection begins', () => {
    // A circle that reaches over the axis, and one that is its own reflection.
    for (const [x, side] of [
      [8, 1],
      [-8, -1],
    ] as const) {
      const figure = setMirror(setFold(withForms(disc(x, -60, 12), disc(0, -30, 5)), 'r', 6), 'r', true);
      const trimmed = setEdge(figure, 'r', 'trim');
      const scene = evaluate(trimmed, new Map(), STRAIGHT);
      const own = layersOf(scene, 'abut').flatMap(({ items }) => items.filter(({ mirrored }) => !mirrored));
      const [circle, small] = ['s0', 's1'].map((id) =>
        own.flatMap(({ origin, paths }) => (origin.of === 'shape' && origin.shapeId === id ? paths : [])),
      );
      const box = boundsOfPaths(circle!);
      expect(side > 0 ? box.left : -box.right).toBeGreaterThan(-1e-9);
      // A circle less the segment that a chord at the distance d cuts off: plane trigonometry.
      expect(signedArea(circle!)).toBeCloseTo(144 * (Math.PI - Math.acos(8 / 12)) + 8 * Math.sqrt(80), 9);
      expect(signedArea(small!)).toBeCloseTo(25 * Math.PI, 9);
      expect(formsOf(trimmed)).toEqual(formsOf(figure));
    }
  });

  it('is what a merge works on', () => {
    const trimmed = setMerge(setEdge(wide(), 'r', 'trim'), 'r', 'union');
    const [job] = mergeJobsOf(trimmed, STRAIGHT);
    const [operand] = requestOf(job!, {}, STRAIGHT)!.operands;
    const past = pastRays(
      operand!.shapes.flatMap(({ paths }) => paths),
      { fold: 12 },
    );
    expect(Math.max(past.left, past.right)).toBeLessThan(1e-6);
    const [other] = mergeJobsOf(setEdge(trimmed, 'r', 'overlap'), STRAIGHT);
    expect(sameJob(job!, other!, STRAIGHT)).toBe(false);
  });
});

describe('shapes in line', () => {
  const all = new Set(['s0', 's1', 's2']);
  const boxes = (figure: Figure) => formsOf(figure).map((form) => boundsOfPaths(pathsOfForm(form, STRAIGHT)));

  it('go by the page with its centre, or by the box round them', () => {
    const page = { width: 100, height: 60, centre: { x: 10, y: -5 } };
    const figure = setPage(withForms(disc(3, -30, 4), disc(9, -10, 2)), page);
    const two = new Set(['s0', 's1']);
    // The page's middle is where the figure's centre is moved away from.
    expect(
      boxes(alignShapes(figure, 'r', two, { how: 'left', to: 'page' }, STRAIGHT)).map(({ left }) => left),
    ).toEqual([-60, -60]);
    expect(
      boxes(alignShapes(figure, 'r', two, { how: 'bottom', to: 'page' }, STRAIGHT)).map(
        ({ bottom }) => bottom,
      ),
    ).toEqual([35, 35]);
    const tops = boxes(alignShapes(figure, 'r', two, { how: 'top', to: 'selection' }, STRAIGHT)).map(
      ({ top }) => top,
    );
    expect(tops).toEqual([-34, -34]);
    const right = boxes(alignShapes(figure, 'r', two, { how: 'right', to: 'selection' }, STRAIGHT)).map(
      (box) => box.right,
    );
    expect(right).toEqual([11, 11]);
  });

  it('go as one where they are grouped, and all together where that is asked', () => {
    const figure = withForms(disc(3, -30, 4), disc(9, -10, 2), disc(30, -50, 5));
    const lefts = (f: Figure) => boxes(f).map(({ left }) => left);
    const grouped = groupShapes(figure, 'r', new Set(['s0', 's1']), counter());
    // The group's box ends at -1; the second disc stays where it was in it.
    expect(lefts(alignShapes(grouped, 'r', all, { how: 'left', to: 'page' }, STRAIGHT))).toEqual([
      -90, -82, -90,
    ]);
    const one = { how: 'left', to: 'page', asOne: true } as const;
    expect(lefts(alignShapes(figure, 'r', all, one, STRAIGHT))).toEqual([-90, -82, -64]);
  });

  it('are spread by even gaps, whatever their sizes', () => {
    fc.assert(
      fc.property(fc.array(fc.integer({ min: 1, max: 9 }), { minLength: 3, maxLength: 3 }), (radii) => {
        const forms = radii.map((r, k) => disc([0, 11, 60][k]!, -40, r));
        const spread = boxes(spreadShapes(withForms(...forms), 'r', all, 'across', 'gaps', STRAIGHT));
        const gaps = [1, 2].map((k) => spread[k]!.left - spread[k - 1]!.right);
        expect(gaps[0]).toBeCloseTo(gaps[1]!, 9);
        expect(spread[0]!.left).toBeCloseTo(-radii[0]!, 9);
        expect(spread[2]!.right).toBeCloseTo(60 + radii[2]!, 9);
      }),
    );
    const radial = spreadShapes(
      withForms(disc(0, -20, 2), disc(0, -31, 3), disc(0, -60, 5)),
      'r',
      all,
      'radius',
      'gaps',
      STRAIGHT,
    );
    const [a, b, c] = boxes(radial);
    expect(a!.top - b!.bottom).toBeCloseTo(b!.top - c!.bottom, 9);
  });

  it('nodes share what the first of them has, or stand evenly', () => {
    const figure = withForms(
      pathForm([corner(1, -10), corner(7, -22), corner(3, -37), corner(9, -40)], false),
    );
    const ref = { roundId: 'r', shapeId: 's0' };
    const nodes = (f: Figure): readonly Point[] => (formsOf(f)[0] as PathForm).contours[0]!.nodes;
    const some = new Set([1, 2, 3]);
    expect(nodes(alignNodes(figure, ref, some, 'x')).map(({ x }) => x)).toEqual([1, 7, 7, 7]);
    expect(nodes(alignNodes(figure, ref, some, 'y')).map(({ y }) => y)).toEqual([-10, -22, -22, -22]);
    const radii = nodes(alignNodes(figure, ref, some, 'r')).map((p) => polarOf(p).r);
    expect(radii[3]).toBeCloseTo(Math.hypot(7, 22), 9);
    const angles = nodes(alignNodes(figure, ref, some, 'θ')).map((p) => polarOf(p).degrees);
    expect(angles[2]).toBeCloseTo(angles[1]!, 9);
    const even = nodes(spreadNodes(figure, ref, new Set([0, 1, 2, 3])));
    expect(even[1]!.x).toBeCloseTo(1 + 8 / 3, 9);
    expect(even[2]!.y).toBeCloseTo(-30, 9);
    expect(spreadNodes(figure, ref, new Set([0, 1]))).toBe(figure);
    expect(alignNodes(withForms(disc(0, 0, 1)), ref, some, 'x')).toEqual(withForms(disc(0, 0, 1)));
  });
});

describe('stamps of a motif', () => {
  const along = { closed: false, nodes: [corner(2, -10), corner(2, -50)] };
  const options = {
    spacing: 10,
    spread: 'even' as const,
    facing: 'path' as const,
    sizes: 0.3,
    colours: 0.5,
    seed: 7,
  };
  const [first, second] = [disc(0, 0, 2), disc(0, 3, 1)].map((form) => ({
    name: 'Dot',
    contours: (
      makePlain(withForms(form), 'r', new Set(['s0']), counter(), STRAIGHT).rounds[0]!.shapes[0]!
        .form as PathForm
    ).contours,
    paint: START_PAINT,
    rule: 'nonzero' as const,
  }));
  const stamped = () => stampAlong(withForms(), 'r', along, [first!, second!], options, counter());

  it('are a group with one line, of which a change to one is a change to all', () => {
    const { figure, ids } = stamped();
    expect(ids).toHaveLength(2);
    const shapes = roundOf(figure, 'r').shapes;
    expect(new Set(shapes.map(({ group }) => group)).size).toBe(1);
    expect(boundsOfPaths(pathsOfForm(shapes[0]!.form, STRAIGHT)).bottom).toBeGreaterThan(-10.01);
    expect(made(checkFigure(JSON.parse(JSON.stringify(figure))))).toEqual(figure);
    const ref = { roundId: 'r', shapeId: ids[0]! };
    const form = findShape(figure, ref)!.form as Extract<Form, { kind: 'stamp' }>;
    const changed = setForm(figure, ref, { ...form, params: { ...form.params, spacing: 20 } });
    const both = alignStamps(changed, ref);
    expect(formsOf(both).map((each) => pathsOfForm(each, STRAIGHT).length)).toEqual([3, 3]);
    const loose = setForm(figure, ref, disc(0, 0, 1));
    expect(alignStamps(loose, ref)).toBe(loose);
  });

  it('have each their own colour, on the screen and when made plain', () => {
    const { figure, ids } = stamped();
    const items = evaluate(figure, new Map(), STRAIGHT).layers.flatMap((layer) => layer.items);
    expect(items).toHaveLength(10);
    const fills = items
      .filter(({ origin }) => origin.of === 'shape' && origin.shapeId === ids[0])
      .map(({ paint }) => paint.fill);
    expect(new Set(fills).size).toBe(5);
    for (const fill of fills) expect(fill).toMatch(/^#[0-9a-f]{6}$/);
    const plain = makePlain(figure, 'r', new Set([ids[0]!]), counter(), STRAIGHT);
    expect(
      roundOf(plain, 'r')
        .shapes.slice(0, 5)
        .map(({ paint }) => paint.fill),
    ).toEqual(fills);
  });
});

describe('a whirl of a shape in a motif', () => {
  it('takes the place of the shape, or says why it cannot', () => {
    const kite: Form = {
      kind: 'kite',
      at: { x: 0, y: -40 },
      rotation: turn(1, 9),
      params: MAKERS.kite.start,
    };
    const whirled = made(whirlShape(withForms(kite), { roundId: 'r', shapeId: 's0' }, STRAIGHT));
    const [form] = formsOf(whirled);
    expect(form).toMatchObject({ kind: 'nest', params: { count: 8 } });
    const [outer] = pathsOfForm(form!, STRAIGHT);
    expect(Math.abs(signedArea([outer!]))).toBeCloseTo(Math.abs(signedArea(pathsOfForm(kite, STRAIGHT))), 8);
    expect(roundOf(whirled, 'r').shapes[0]!.rule).toBe('evenodd');
    for (const [wrong, why] of [
      [disc(0, -30, 5), 'falls on itself'],
      [pathForm([corner(0, 0), corner(5, 0)], false), 'one closed shape'],
    ] as const)
      expect(refusal(whirlShape(withForms(wrong), { roundId: 'r', shapeId: 's0' }, STRAIGHT))).toContain(why);
  });
});
