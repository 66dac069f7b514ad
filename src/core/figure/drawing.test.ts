import { START_LINE } from '../../../tests/help/figures';
import { made, refusal } from '../../../tests/help/made';
import { STRAIGHT } from '@/core/derive';
import { describe, expect, it } from 'vitest';

import { areOwnMirror, boundsOfPaths, type PathNode, polarOf, signedArea } from '@/core/curve';
import { checkFigure } from '@/core/format/figure';
import { DEFAULT_SVG } from '@/core/format/svg/svg';
import { svgOf } from '@/core/format/svg';
import {
  closureOf,
  type Form,
  MAKERS,
  pathForm,
  pathsOfForm,
  transformedForms,
  transformProblem,
} from '@/core/maker';
import { mergeNow } from '@/core/merge';
import { NO_TURN, turn } from '@/core/number';
import {
  addGuide,
  addNode,
  addShapes,
  alignShapes,
  changeUnderlay,
  drawFrame,
  drawFrameCells,
  frameCellsProblem,
  duplicateShapes,
  groupShapes,
  lockShapes,
  moveNodes,
  onePath,
  partContours,
  placeNodes,
  removeGuide,
  removeNodes,
  replaceContour,
  roundOf,
  setClosed,
  setFold,
  setFrame,
  setMirror,
  setPage,
  setUnderlay,
  slitShapes,
  spreadShapes,
  transformShapes,
  trimToWedge,
  ungroupShapes,
} from './commands';
import { wholeGroups } from './groups';
import { anchorOf, hitMotif } from './hit';
import { evaluate } from './evaluate';
import type { Figure, Underlay } from './model';
import { newFigure, newShape, START_PAINT } from './start';

const circle = (x: number, y: number, r: number): Form => ({
  kind: 'ellipse',
  at: { x, y },
  rotation: NO_TURN,
  params: { width: 2 * r, height: 2 * r },
});
const kite: Form = { kind: 'kite', at: { x: 5, y: -20 }, rotation: turn(1, 12), params: MAKERS.kite.start };
const blade: Form = { kind: 'blade', at: { x: 0, y: 0 }, rotation: NO_TURN, params: MAKERS.blade.start };

const counter = (): (() => string) => {
  let made = 0;
  return () => `n${(made += 1)}`;
};

const withForms = (...forms: Form[]): Figure =>
  addShapes(
    newFigure('A', 'r'),
    'r',
    forms.map((form, k) => newShape(`s${k}`, `Shape ${k}`, form, START_PAINT)),
  );
const formsOf = (figure: Figure): Form[] => roundOf(figure, 'r').shapes.map(({ form }) => form);
const areaOf = (forms: readonly Form[]): number =>
  forms
    .flatMap((form) => pathsOfForm(form, STRAIGHT))
    .reduce((sum, path) => sum + Math.abs(signedArea([path])), 0);

describe('transforms', () => {
  it('keep makers as numbers where the numbers can say it, and make paths where they cannot', () => {
    const about = { x: 3, y: 4 };
    const kept = (form: Form, t: Parameters<typeof transformedForms>[1]): string =>
      transformedForms(form, t, STRAIGHT)
        .map(({ kind }) => kind)
        .join();
    expect(kept(kite, { kind: 'move', by: about })).toBe('kite');
    expect(kept(kite, { kind: 'rotate', by: turn(1, 7), about })).toBe('kite');
    expect(kept(kite, { kind: 'scale', x: 2, y: 2, about })).toBe('kite');
    expect(kept(kite, { kind: 'reflect', direction: turn(1, 9), about })).toBe('kite');
    expect(kept(blade, { kind: 'reflect', direction: turn(1, 9), about })).toBe('path');
    expect(kept(kite, { kind: 'scale', x: 2, y: 1, about })).toBe('path');
    expect(kept(kite, { kind: 'shear', by: turn(1, 12), about })).toBe('path');
  });

  it('do with areas what geometry says', () => {
    const about = { x: 3, y: 4 };
    const area = areaOf([kite]);
    const after = (t: Parameters<typeof transformedForms>[1]): number =>
      areaOf(transformedForms(kite, t, STRAIGHT));
    expect(after({ kind: 'scale', x: 3, y: 0.5, about })).toBeCloseTo(1.5 * area, 9);
    expect(after({ kind: 'shear', by: turn(1, 8), about })).toBeCloseTo(area, 9);
    expect(after({ kind: 'reflect', direction: turn(2, 7), about })).toBeCloseTo(area, 9);
    const there = transformedForms(kite, { kind: 'reflect', direction: turn(2, 7), about }, STRAIGHT);
    const back = there.flatMap((form) =>
      transformedForms(form, { kind: 'reflect', direction: turn(2, 7), about }, STRAIGHT),
    );
    const [a, b] = [
      boundsOfPaths(pathsOfForm(kite, STRAIGHT)),
      boundsOfPaths(back.flatMap((form) => pathsOfForm(form, STRAIGHT))),
    ];
    expect(Math.hypot(a.left - b.left, a.top - b.top)).toBeLessThan(1e-9);
    const [reflected] = transformedForms(
      kite,
      {
        kind: 'reflect',
        direction: NO_TURN,
        about: { x: 0, y: 0 },
      },
      STRAIGHT,
    );
    expect(areOwnMirror([...pathsOfForm(kite, STRAIGHT), ...pathsOfForm(reflected!, STRAIGHT)], 1e-9)).toBe(
      true,
    );
    expect(transformProblem({ kind: 'shear', by: turn(1, 4), about })?.sentence).toMatch('90');
    expect(transformProblem({ kind: 'scale', x: 0, y: 1, about })?.sentence).toMatch('nothing');
  });

  it('are done again and again as copies, and close where the step divides a turn', () => {
    const step = { kind: 'rotate' as const, by: turn(1, 12), about: { x: 0, y: 0 } };
    const done = transformShapes(
      withForms(circle(0, -40, 5)),
      'r',
      new Set(['s0']),
      step,
      {
        copy: true,
        times: 11,
        newId: counter(),
      },
      STRAIGHT,
    );
    expect(done.ids).toHaveLength(11);
    const centres = formsOf(done.figure).map((form) => (form.kind === 'ellipse' ? form.at : { x: 0, y: 0 }));
    expect(centres).toHaveLength(12);
    for (const at of centres) expect(polarOf(at).r).toBeCloseTo(40, 12);
    const moved = transformShapes(
      withForms(circle(0, -40, 5)),
      'r',
      new Set(['s0']),
      step,
      {
        copy: false,
        times: 12,
        newId: counter(),
      },
      STRAIGHT,
    );
    const [last] = formsOf(moved.figure);
    expect(last?.kind === 'ellipse' && Math.hypot(last.at.x, last.at.y + 40)).toBeLessThan(1e-12);
    expect(closureOf(turn(1, 10))).toEqual({ copies: 10, rounds: 1, fit: 10, left: 0 });
    expect(closureOf(turn(50, 360))).toEqual({ copies: 36, rounds: 5, fit: 7, left: 10 });
    expect(closureOf(NO_TURN)).toBeNull();
  });
});

describe('aligning and spreading', () => {
  it('puts middles on the axis, one radius, one angle, and evenly between the outermost', () => {
    const figure = withForms(circle(3, -10, 2), circle(-4, -30, 3), circle(8, -22, 1));
    const ids = new Set(['s0', 's1', 's2']);
    const anchors = (f: Figure) => roundOf(f, 'r').shapes.map((shape) => anchorOf(shape));
    expect(anchors(alignShapes(figure, 'r', ids, { how: 'axis' }, STRAIGHT)).map(({ x }) => x)).toEqual([
      0, 0, 0,
    ]);
    expect(anchors(alignShapes(figure, 'r', ids, { how: 'centre' }, STRAIGHT))).toEqual([
      { x: 0, y: 0 },
      { x: 0, y: 0 },
      { x: 0, y: 0 },
    ]);
    for (const { r } of anchors(alignShapes(figure, 'r', ids, { how: 'radius' }, STRAIGHT)).map(polarOf))
      expect(r).toBeCloseTo(Math.hypot(3, 10), 9);
    for (const { degrees } of anchors(alignShapes(figure, 'r', ids, { how: 'angle' }, STRAIGHT)).map(polarOf))
      expect(degrees).toBeCloseTo(polarOf({ x: 3, y: -10 }).degrees, 9);
    const left = alignShapes(figure, 'r', ids, { how: 'left' }, STRAIGHT);
    expect(formsOf(left).map((form) => boundsOfPaths(pathsOfForm(form, STRAIGHT)).left)).toEqual([1, 1, 1]);
    const up = anchors(spreadShapes(figure, 'r', ids, 'up', undefined, STRAIGHT)).map(({ y }) => -y);
    expect(up).toEqual([10, 30, 20]);
    expect(spreadShapes(figure, 'r', new Set(['s0', 's1']), 'up', undefined, STRAIGHT)).toBe(figure);
  });
});

describe('frames', () => {
  it('are drawn as one polygon, its diagonals, rings and guides', () => {
    const polygon = { sides: 18, radius: 78, fit: 'in' as const, diagonals: 'all' as const };
    let figure = setFrame(setFold(newFigure('A', 'r'), 'r', 18), 'r', { polygon, rings: [20, 40] });
    figure = addGuide(figure, 'r', { kind: 'line', at: { x: 0, y: -10 }, direction: turn(1, 4) });
    figure = addGuide(figure, 'r', { kind: 'circle', at: { x: 0, y: -30 }, radius: 5 });
    const drawn = drawFrame(figure, 'r', START_LINE, 100, counter());
    // n (n − 3) / 2 diagonals of an n-gon.
    expect(drawn.ids).toHaveLength(1 + (18 * 15) / 2 + 2 + 2);
    const [outline] = formsOf(drawn.figure);
    expect(areaOf([outline!])).toBeCloseTo(9 * 78 * 78 * Math.sin((2 * Math.PI) / 18), 8);
    const about = setFrame(figure, 'r', {
      polygon: { ...polygon, fit: 'about', diagonals: 'none' },
      phase: true,
    });
    const [around] = formsOf(drawFrame(about, 'r', START_LINE, 100, counter()).figure);
    expect(areaOf([around!])).toBeCloseTo(18 * 78 * 78 * Math.tan(Math.PI / 18), 8);
    // Half a step on, a side stands straight up, at the circle's own distance.
    expect(boundsOfPaths(pathsOfForm(around!, STRAIGHT)).top).toBeCloseTo(-78, 9);
    expect(roundOf(removeGuide(figure, 'r', 0), 'r').frame.guides).toHaveLength(1);
    // 720 corners would have 258 120 diagonals: a file that asks for them is refused.
    const endless = setFrame(figure, 'r', { polygon: { ...polygon, sides: 720 } });
    expect(refusal(checkFigure(JSON.parse(JSON.stringify(endless))))).toMatch('at most 90 corners');
  });
});

describe('the cells of a frame', () => {
  it('become shapes, one of each kind, that cover what it encloses and do not overlap', () => {
    for (const [sides, mirror] of [
      [6, true],
      [5, false],
      [8, true],
    ] as const) {
      const polygon = { sides, radius: 50, fit: 'in' as const, diagonals: 'all' as const };
      const figure = setMirror(setFold(setFrame(withForms(), 'r', { polygon }), 'r', sides), 'r', mirror);
      expect(frameCellsProblem(roundOf(figure, 'r'), 100)).toBeNull();
      const { figure: drawn, ids } = made(drawFrameCells(figure, 'r', 100, counter()));
      const { shapes, rule } = roundOf(drawn, 'r');
      expect(shapes).toHaveLength(ids.length);
      const { facts } = mergeNow({
        op: 'union',
        among: 'copies',
        operands: [
          {
            ...rule,
            start: NO_TURN,
            shapes: shapes.map((shape) => ({ paths: pathsOfForm(shape.form, STRAIGHT), rule: shape.rule })),
          },
        ],
      });
      // The polygon's area is n/2 R² sin(2π/n); its cells are counted by Poonen and Rubinstein (1998), OEIS A007678.
      expect(facts.area).toBeCloseTo((sides / 2) * 2500 * Math.sin((2 * Math.PI) / sides), 6);
      expect(facts.cells).toBe({ 5: 11, 6: 24, 8: 80 }[sides]);
      expect(facts.kinds).toBe(shapes.length);
    }
  });

  it('are refused where there are too many, or none', () => {
    const polygon = { sides: 90, radius: 50, fit: 'in' as const, diagonals: 'all' as const };
    const figure = setFrame(withForms(), 'r', { polygon });
    expect(frameCellsProblem(roundOf(figure, 'r'), 100)?.sentence).toContain('too often');
    expect(frameCellsProblem(roundOf(withForms(), 'r'), 100)?.sentence).toContain('nothing set out');
  });
});

describe('cutting shapes', () => {
  it('leaves what is not cut as it is, and tells what was', () => {
    const figure = withForms(circle(0, -40, 10), circle(60, 0, 3));
    const all = new Set(['s0', 's1']);
    const cut = slitShapes(figure, 'r', all, { x: 0, y: 0 }, { x: 0, y: -1 }, counter(), STRAIGHT);
    expect(cut.ids).toEqual(['s0', 'n1']);
    expect(formsOf(cut.figure).map(({ kind }) => kind)).toEqual(['path', 'path', 'ellipse']);
    expect(areaOf(formsOf(cut.figure))).toBeCloseTo(areaOf(formsOf(figure)), 8);
    const none = slitShapes(figure, 'r', all, { x: 200, y: 0 }, { x: 200, y: 1 }, counter(), STRAIGHT);
    expect(none.ids).toEqual([]);
    const trimmed = trimToWedge(setFold(figure, 'r', 16), 'r', new Set(['s0']), counter(), STRAIGHT);
    expect(trimmed.ids).toEqual(['s0']);
    expect(areaOf(formsOf(trimmed.figure).slice(0, 1))).toBeLessThan(Math.PI * 100);
  });
});

describe('a figure of an earlier version', () => {
  it('is read as one without frames and underlay, its centre in the middle of the page', () => {
    const corners: readonly PathNode[] = [
      { x: 0, y: 0, kind: 'corner' },
      { x: 10, y: 0, kind: 'corner' },
    ];
    const figure = withForms(kite, pathForm(corners, false));
    const old = JSON.parse(JSON.stringify(figure)) as Record<string, Record<string, unknown>> & {
      rounds: Record<string, unknown>[];
    };
    old['version'] = 2 as never;
    const shapes = old.rounds[0]!['shapes'] as Record<string, unknown>[];
    shapes[1]!['form'] = { kind: 'path', closed: false, nodes: corners };
    expect(made(checkFigure(old))).toEqual(figure);
    old['version'] = 1 as never;
    delete old['underlay'];
    delete old['page']!['bleed'];
    delete old['page']!['centre'];
    for (const round of old.rounds) delete round['frame'];
    expect(made(checkFigure(old))).toEqual(figure);
    expect(refusal(checkFigure({ ...old, rounds: 'none' }))).toMatch('rounds');
    expect(refusal(checkFigure({ ...figure, version: 99 }))).toMatch('newer');
  });
});

describe('a path of several contours', () => {
  const ring = (): { figure: Figure; id: string | null } =>
    onePath(withForms(circle(0, -40, 10), circle(0, -40, 6)), 'r', new Set(['s0', 's1']), STRAIGHT);

  it('is made of shapes, one within another a hole, and parted again', () => {
    const { figure, id } = ring();
    const { shapes } = roundOf(figure, 'r');
    expect(shapes.map((shape) => [shape.id, shape.rule])).toEqual([['s1', 'evenodd']]);
    expect(id).toBe('s1');
    // In the hole there is nothing to hit, on the ring there is.
    const round = roundOf(figure, 'r');
    expect(hitMotif(round, { x: 0, y: -40 }, 0.1, STRAIGHT)).toBeNull();
    expect(hitMotif(round, { x: 8, y: -40 }, 0.1, STRAIGHT)?.shapeId).toBe('s1');
    const parted = partContours(figure, 'r', new Set(['s1']), counter());
    expect(roundOf(parted, 'r').shapes.map(({ name }) => name)).toEqual(['Shape 1 1', 'Shape 1 2']);
    expect(onePath(figure, 'r', new Set(['s1']), STRAIGHT).id).toBeNull();
    expect(made(checkFigure(JSON.parse(JSON.stringify(figure))))).toEqual(figure);
  });

  it('keeps its hole on either side of a slit', () => {
    const { figure } = ring();
    const cut = slitShapes(
      figure,
      'r',
      new Set(['s1']),
      { x: 3, y: 0 },
      { x: 3, y: -1 },
      counter(),
      STRAIGHT,
    );
    const sides = formsOf(cut.figure).map((form) => pathsOfForm(form, STRAIGHT));
    expect(sides).toHaveLength(2);
    // Segments of circles: r² acos(h/r) − h √(r² − h²) (Weisstein, "Circular Segment", MathWorld).
    const part = (r: number): number => r * r * Math.acos(3 / r) - 3 * Math.sqrt(r * r - 9);
    const areas = sides.map((paths) => {
      const sizes = paths.map((path) => Math.abs(signedArea([path]))).sort((a, b) => b - a);
      return sizes.reduce((sum, size, k) => (k === 0 ? size : sum - size), 0);
    });
    const right = part(10) - part(6);
    expect(Math.min(...areas)).toBeCloseTo(right, 5);
    expect(Math.max(...areas)).toBeCloseTo(64 * Math.PI - right, 5);
  });

  it('is edited by nodes that are counted through its contours', () => {
    const { figure } = ring();
    const ref = { roundId: 'r', shapeId: 's1' };
    const contoursOf = (f: Figure) => {
      const [form] = formsOf(f);
      return form?.kind === 'path' ? form.contours : [];
    };
    const count = contoursOf(figure)[0]!.nodes.length;
    const moved = moveNodes(figure, ref, new Set([count]), { x: 1, y: 0 });
    expect(contoursOf(moved)[0]).toBe(contoursOf(figure)[0]);
    expect(contoursOf(moved)[1]?.nodes[0]?.x).toBe(contoursOf(figure)[1]!.nodes[0]!.x + 1);
    const added = addNode(figure, ref, 1, 0, 0.5);
    expect(contoursOf(added).map(({ nodes }) => nodes.length)).toEqual([count, count + 1]);
    const every = new Set(Array.from({ length: count }, (_, k) => count + k));
    expect(contoursOf(removeNodes(figure, ref, every))).toEqual([contoursOf(figure)[0]]);
    const opened = replaceContour(
      figure,
      ref,
      count,
      [{ ...contoursOf(figure)[1]!, closed: false }],
      counter(),
    );
    expect(contoursOf(opened).map(({ closed }) => closed)).toEqual([true, false]);
    expect(roundOf(opened, 'r').shapes).toHaveLength(1);
  });
});

describe('paths of a motif', () => {
  const corners: readonly PathNode[] = [
    { x: 0, y: 0, kind: 'corner' },
    { x: 10, y: 0, kind: 'corner' },
    { x: 10, y: 10, kind: 'corner' },
  ];
  const square = pathForm(corners, true);
  const ref = { roundId: 'r', shapeId: 's0' };
  const first = new Set([0]);

  it('are opened and closed, replaced by others, their nodes put in place', () => {
    const figure = withForms(square, kite);
    const opened = setClosed(figure, ref, first, false);
    expect(formsOf(opened)[0]).toMatchObject({ contours: [{ closed: false }] });
    expect(formsOf(setClosed(opened, ref, first, true))[0]).toEqual(square);
    // Two nodes without a curve between them enclose nothing, and a maker has no ends.
    const line = pathForm(corners.slice(0, 2), false);
    expect(formsOf(setClosed(withForms(line), ref, first, true))[0]).toMatchObject({
      contours: [{ closed: false }],
    });
    expect(setClosed(figure, { ...ref, shapeId: 's1' }, first, false)).toBe(figure);

    const halves = [
      { closed: false, nodes: corners.slice(0, 2) },
      { closed: false, nodes: corners.slice(1) },
    ];
    const replaced = replaceContour(figure, ref, 0, halves, counter());
    expect(roundOf(replaced, 'r').shapes.map(({ id }) => id)).toEqual(['s0', 'n1', 's1']);
    expect(roundOf(replaced, 'r').shapes[1]?.paint).toEqual(START_PAINT);

    const placed = placeNodes(figure, ref, new Set([1, 2]), (node) => ({ ...node, x: 0 }));
    const [form] = formsOf(placed);
    expect(form?.kind === 'path' && form.contours[0]?.nodes.map(({ x }) => x)).toEqual([0, 0, 0]);
  });
});

describe('an underlay', () => {
  it('is laid, changed in parts and taken away, and has to be one that the format knows', () => {
    const underlay: Underlay = {
      picture: 'abc',
      name: 'leaf.png',
      width: 40,
      height: 80,
      at: { x: 0, y: -40 },
      rotation: NO_TURN,
      strength: 0.5,
      visible: true,
      locked: false,
    };
    const figure = withForms(kite);
    expect(changeUnderlay(figure, { width: 3 })).toBe(figure);
    const laid = setUnderlay(figure, underlay);
    expect(changeUnderlay(laid, { strength: 1 }).underlay).toEqual({ ...underlay, strength: 1 });
    expect(setUnderlay(laid, null)).toEqual(figure);
    expect(made(checkFigure(JSON.parse(JSON.stringify(laid))))).toEqual(laid);
    const wrong = setUnderlay(figure, { ...underlay, strength: 2 });
    expect(refusal(checkFigure(JSON.parse(JSON.stringify(wrong))))).toMatch('strength');
    const elsewhere = setUnderlay(figure, { ...underlay, picture: '../secret' });
    expect(refusal(checkFigure(JSON.parse(JSON.stringify(elsewhere))))).toMatch('picture');
  });
});

describe('pages', () => {
  it('put the centre where it is wanted in every export', () => {
    const figure = withForms(circle(0, -20, 5));
    const moved = setPage(figure, { width: 100, height: 200, centre: { x: 10, y: -30 } });
    for (const form of ['compact', 'plain'] as const) {
      const svg = svgOf(evaluate(moved, new Map(), STRAIGHT), { ...DEFAULT_SVG, form });
      expect(svg).toContain('viewBox="0 0 100 200"');
      if (form === 'compact') expect(svg).toContain('translate(60 70)');
      // The first copy's circle: 20 above the centre, its top 5 higher.
      else expect(svg).toContain('M60 45A5 5');
    }
    expect(refusal(checkFigure(JSON.parse(JSON.stringify(setPage(figure, { bleed: -1 })))))).toMatch('bleed');
  });
});

describe('groups', () => {
  it('are selected whole, copied as groups of their own, and let go', () => {
    const newId = counter();
    const figure = groupShapes(withForms(kite, blade, circle(0, -9, 2)), 'r', new Set(['s0', 's2']), newId);
    const round = roundOf(figure, 'r');
    expect([...wholeGroups(round, ['s2'])].sort()).toEqual(['s0', 's2']);
    expect([...wholeGroups(round, ['s1'])]).toEqual(['s1']);
    const copied = duplicateShapes(figure, 'r', new Set(['s0', 's2']), newId, { x: 1, y: 0 });
    const { figure: more, ids } = copied;
    expect([...wholeGroups(roundOf(more, 'r'), ids.slice(0, 1))].sort()).toEqual([...ids].sort());
    expect(made(checkFigure(JSON.parse(JSON.stringify(more))))).toEqual(more);
    const locked = lockShapes(figure, 'r', new Set(['s0']), true);
    expect([...wholeGroups(roundOf(locked, 'r'), ['s2'])]).toEqual(['s2']);
    const apart = roundOf(ungroupShapes(figure, 'r', new Set(['s0', 's2'])), 'r');
    expect(apart.shapes.map(({ id, group }) => [id, group])).toEqual([
      ['s1', undefined],
      ['s0', undefined],
      ['s2', undefined],
    ]);
  });
});
