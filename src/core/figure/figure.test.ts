import { made, refusal } from '../../../tests/help/made';
import { type Form, pathForm, petalOfCircles, petalOfSize } from '@/core/maker';
import { STRAIGHT } from '@/core/derive';
import { describe, expect, it } from 'vitest';

import { kelpCrown } from '../../../demo/pieces/kelpCrown';
import { laceRosette } from '../../../demo/pieces/laceRosette';
import { checkFigure, readFigure, writeFigure } from '@/core/format/figure';
import { NO_TURN, turn } from '@/core/number';
import type { PathForm } from '@/core/maker/form';
import {
  addNode,
  addRound,
  addShapes,
  addToPalette,
  duplicateRound,
  duplicateShapes,
  findShape,
  lockRound,
  makePlain,
  moveNodes,
  moveRound,
  moveRoundOut,
  reorderShapes,
  reachOfRound,
  removeHandles,
  removeNodes,
  removeRound,
  removeShapes,
  renameFigure,
  renameRound,
  roundOf,
  scaleRoundReach,
  setFill,
  setFold,
  setHandle,
  setMerge,
  setMirror,
  setNodeKind,
  setStart,
  setStroke,
  showRound,
  toggleHalfStep,
} from './commands';
import { layersOf } from '@/core/scene';
import { evaluate } from './evaluate';
import { evaluateWhole } from './evaluateWhole';
import { mergeJobsOf, requestOf, sameJob } from './jobs';
import { anchorOf, hitFigure, hitMotif, pointsOfShape } from './hit';
import { LIMITS, type Figure } from './model';
import { newFigure, newRound, newShape, START_PAINT } from './start';

const petal: Form = {
  kind: 'petal',
  at: { x: 0, y: -20 },
  rotation: NO_TURN,
  params: petalOfSize(50, 20),
};
const square: Form = pathForm(
  [
    { x: 0, y: -40, kind: 'corner' },
    { x: 10, y: -40, kind: 'corner' },
    { x: 10, y: -30, kind: 'corner' },
    { x: 0, y: -30, kind: 'corner' },
  ],
  true,
);

const start = (): Figure =>
  addShapes(newFigure('Test', 'a'), 'a', [
    newShape('p', 'Petal', petal, START_PAINT),
    newShape('s', 'Square', square, START_PAINT),
  ]);

let counter = 0;
const newId = (): string => `n${(counter += 1)}`;
const ref = { roundId: 'a', shapeId: 's' };

describe('commands', () => {
  it('leave the figure that they are given as it was', () => {
    const figure = Object.freeze(start());
    const text = JSON.stringify(figure);
    setFold(figure, 'a', 12);
    reorderShapes(figure, 'a', new Set(['p']), 'forward');
    moveRound(figure, 'a', 0);
    removeNodes(figure, ref, new Set([1]));
    expect(JSON.stringify(figure)).toBe(text);
  });

  it('set the rule of a round', () => {
    let figure = setMirror(setFold(start(), 'a', 12), 'a', true);
    expect(roundOf(figure, 'a').rule).toEqual({ fold: 12, mirror: true, start: { num: 0, den: 1 } });
    expect(() => setFold(figure, 'a', 0)).toThrow(RangeError);
    expect(() => setFold(figure, 'a', 2.5)).toThrow(RangeError);
    expect(() => roundOf(figure, 'gone')).toThrow(RangeError);
    figure = setStart(figure, 'a', turn(-1, 4));
    expect(roundOf(figure, 'a').rule.start).toEqual(turn(3, 4));
  });

  it('turn by half a step and back', () => {
    const figure = setFold(start(), 'a', 7);
    const half = toggleHalfStep(figure, 'a');
    expect(roundOf(half, 'a').rule.start).toEqual(turn(1, 14));
    expect(roundOf(toggleHalfStep(half, 'a'), 'a').rule.start).toEqual(turn(0));
  });

  it('add, order, copy and remove rounds', () => {
    let figure = addRound(addRound(start(), newRound('b', 'B')), newRound('c', 'C'), 'a');
    expect(figure.rounds.map(({ id }) => id)).toEqual(['a', 'c', 'b']);
    figure = moveRound(figure, 'b', 0);
    expect(figure.rounds.map(({ id }) => id)).toEqual(['b', 'a', 'c']);
    figure = duplicateRound(figure, 'a', newId);
    expect(figure.rounds.map(({ name }) => name)).toEqual(['B', 'Round 1', 'Round 1 copy', 'C']);
    expect(made(checkFigure(figure))).toEqual(figure);
    figure = renameRound(removeRound(figure, 'b'), 'a', '  Fronds ');
    expect(figure.rounds[0]!.name).toBe('Fronds');
    expect(renameRound(figure, 'a', ' ')).toBe(figure);
    expect(lockRound(showRound(figure, 'a', false), 'a', true).rounds[0]).toMatchObject({
      visible: false,
      locked: true,
    });
  });

  it('add, order, copy and remove shapes', () => {
    let figure = reorderShapes(start(), 'a', new Set([ref.shapeId]), 'back');
    expect(roundOf(figure, 'a').shapes.map(({ id }) => id)).toEqual(['s', 'p']);
    const copied = duplicateShapes(figure, 'a', new Set(['p']), newId, { x: 1, y: 2 });
    expect(anchorOf(findShape(copied.figure, { roundId: 'a', shapeId: copied.ids[0]! })!)).toEqual({
      x: 1,
      y: -18,
    });
    figure = removeShapes(copied.figure, 'a', new Set(['s', 'p']));
    expect(roundOf(figure, 'a').shapes).toHaveLength(1);
  });

  it('edit nodes', () => {
    let figure = moveNodes(start(), ref, new Set([1, 2]), { x: 5, y: 0 });
    const nodes = () => (findShape(figure, ref)!.form as PathForm).contours[0]!.nodes;
    expect(nodes()[1]).toMatchObject({ x: 15, y: -40 });
    figure = setNodeKind(figure, ref, new Set([0, 1]), 'even');
    figure = setHandle(figure, ref, 1, 'out', { x: 15, y: -30 });
    expect(nodes()[1]).toMatchObject({ in: { x: 15, y: -50 }, out: { x: 15, y: -30 } });
    figure = addNode(figure, ref, 0, 0, 0.5);
    expect(nodes()).toHaveLength(5);
    figure = removeHandles(figure, ref, new Set([0, 1, 2, 3, 4]));
    expect(nodes().every((node) => node.kind === 'corner' && !node.in && !node.out)).toBe(true);
    figure = removeNodes(figure, ref, new Set([0, 1, 2]));
    expect(findShape(figure, ref)!.form).toMatchObject({ contours: [{ closed: false }] });
    expect(findShape(removeNodes(figure, ref, new Set([0])), ref)).toBeNull();
  });

  it('make makers plain and leave drawn paths as they are', () => {
    const figure = makePlain(start(), 'a', new Set(['p', 's']), () => 'new', STRAIGHT);
    const form = findShape(figure, { roundId: 'a', shapeId: 'p' })!.form;
    expect(form).toMatchObject({
      kind: 'path',
      contours: [
        {
          closed: true,
          nodes: [
            { x: 0, y: -20, bulge: 0.4 },
            { x: 0, y: -70, bulge: 0.4 },
          ],
        },
      ],
    });
    expect(findShape(figure, ref)!.form).toEqual(square);
  });

  it('move and scale a round’s reach', () => {
    const figure = removeShapes(start(), 'a', new Set(['s']));
    expect(reachOfRound(roundOf(figure, 'a'), STRAIGHT)).toEqual({ inner: 20, outer: 70 });
    const out = moveRoundOut(figure, 'a', 5);
    expect(reachOfRound(roundOf(out, 'a'), STRAIGHT)).toEqual({ inner: 25, outer: 75 });
    const longer = reachOfRound(roundOf(scaleRoundReach(figure, 'a', 'outer', 80, STRAIGHT), 'a'), STRAIGHT)!;
    expect([longer.inner, longer.outer].map((r) => Math.round(r * 1e9) / 1e9)).toEqual([20, 80]);
    const nearer = reachOfRound(roundOf(scaleRoundReach(figure, 'a', 'inner', 10, STRAIGHT), 'a'), STRAIGHT)!;
    expect([nearer.inner, nearer.outer].map((r) => Math.round(r * 1e9) / 1e9)).toEqual([10, 70]);
    expect(scaleRoundReach(figure, 'a', 'outer', 5, STRAIGHT)).toBe(figure);
    expect(reachOfRound(newRound('x', 'X'), STRAIGHT)).toBeNull();
  });

  it('paint shapes and merges', () => {
    const target = { of: 'shapes', roundId: 'a', shapeIds: new Set(['p']) } as const;
    let figure = setStroke(setFill(start(), target, '#ff0000'), target, { width: 2 });
    expect(findShape(figure, { roundId: 'a', shapeId: 'p' })!.paint).toMatchObject({
      fill: '#ff0000',
      stroke: { width: 2, cap: 'round' },
    });
    figure = setFill(setMerge(figure, 'a', 'union'), { of: 'merge', roundId: 'a' }, '#00ff00');
    expect(roundOf(figure, 'a').merge!.paint.fill).toBe('#00ff00');
    expect(roundOf(setMerge(figure, 'a', null), 'a').merge).toBeNull();
    expect(setStroke(figure, target, null).rounds[0]!.shapes[0]!.paint.stroke).toBeNull();
    expect(
      addToPalette(addToPalette(figure, '#123456'), '#123456').palette.filter((c) => c === '#123456'),
    ).toHaveLength(1);
    expect(renameFigure(figure, ' New ').name).toBe('New');
  });
});

describe('evaluate', () => {
  it('keeps symmetry as symmetry: one motif and its turns', () => {
    const scene = evaluate(setFold(start(), 'a', 720), new Map(), STRAIGHT);
    expect(scene.layers).toHaveLength(1);
    expect(scene.layers[0]!.items).toHaveLength(2);
    expect(scene.layers[0]!.copies).toHaveLength(720);
  });

  it('draws the mirrored half only of what is not its own mirror', () => {
    const scene = evaluate(setMirror(start(), 'a', true), new Map(), STRAIGHT);
    const items = layersOf(scene, 'abut')[0]!.items;
    expect(items.map(({ origin, mirrored }) => [origin.of === 'shape' && origin.shapeId, mirrored])).toEqual([
      ['p', false],
      ['s', true],
      ['s', false],
    ]);
  });

  it('shows copies until their merge is there, then its outline turned by the start', async () => {
    const figure = setStart(setMerge(setFold(start(), 'a', 12), 'a', 'union'), 'a', turn(1, 24));
    expect(evaluate(figure, new Map(), STRAIGHT).layers[0]!.items.map(({ origin }) => origin)).toEqual([
      { of: 'shape', shapeId: 'p' },
      { of: 'shape', shapeId: 's' },
    ]);
    const { layers } = await evaluateWhole(figure);
    expect(
      layers.every(({ items }) =>
        items.every(({ origin }) => origin.of === 'outline' && origin.shapeIds.join() === 'p,s'),
      ),
    ).toBe(true);
    expect(layers[0]!.copies[0]!.turn).toEqual(turn(1, 24));
  });

  it('keeps the layers of rounds that did not change', () => {
    const figure = addRound(start(), newRound('b', 'B'));
    const before = evaluate(figure, new Map(), STRAIGHT).layers[0];
    expect(evaluate(setFold(figure, 'b', 3), new Map(), STRAIGHT).layers[0]).toBe(before);
  });

  it('asks for another merge only when its result would differ', () => {
    const united = setMerge(start(), 'a', 'union');
    const jobOf = (figure: Figure) => mergeJobsOf(figure, STRAIGHT)[0]!;
    const same = (other: Figure) => sameJob(jobOf(united), jobOf(other), STRAIGHT);
    expect(same(setStart(united, 'a', turn(1, 5)))).toBe(true);
    expect(same(renameRound(united, 'a', 'x'))).toBe(true);
    expect(same(setFold(united, 'a', 9))).toBe(false);
    expect(same(setMerge(united, 'a', 'exclusion'))).toBe(false);
    const [first] = roundOf(united, 'a').shapes;
    expect(same(removeShapes(united, 'a', new Set([first!.id])))).toBe(false);
    expect(mergeJobsOf(showRound(united, 'a', false), STRAIGHT)).toEqual([]);
    expect(requestOf(jobOf(united), {}, STRAIGHT)?.operands).toHaveLength(1);
  });
});

describe('hitting', () => {
  it('finds the copy and the shape under a point', () => {
    const figure = setFold(start(), 'a', 4);
    expect(hitFigure(figure, { x: 45, y: 0 }, 0.5, STRAIGHT)).toEqual({
      roundId: 'a',
      shapeId: 'p',
      placement: { turn: turn(1, 4), mirrored: false },
    });
    expect(hitFigure(figure, { x: 30, y: 30 }, 0.5, STRAIGHT)).toBeNull();
    expect(hitFigure(lockRound(figure, 'a', true), { x: 45, y: 0 }, 0.5, STRAIGHT)).toBeNull();
  });

  it('finds the mirrored half, the front shape first', () => {
    const round = roundOf(setMirror(start(), 'a', true), 'a');
    expect(hitMotif(round, { x: 5, y: -35 }, 0.1, STRAIGHT)).toEqual({ shapeId: 's', mirrored: false });
    expect(hitMotif(round, { x: -5, y: -35 }, 0.1, STRAIGHT)).toEqual({ shapeId: 's', mirrored: true });
    expect(hitMotif(round, { x: 0, y: -60 }, 0.1, STRAIGHT)).toEqual({ shapeId: 'p', mirrored: false });
    expect(pointsOfShape(round.shapes[1]!, STRAIGHT)).toHaveLength(4);
  });
});

describe('the figure format', () => {
  it('comes back as it was written', () => {
    const bare: Figure = { ...start(), palette: [], rounds: [] };
    for (const figure of [start(), bare, kelpCrown(), laceRosette()])
      expect(made(readFigure(writeFigure(figure)))).toEqual(figure);
  });

  const broken = (change: (figure: Record<string, unknown>) => void): string => {
    const figure = JSON.parse(writeFigure(start())) as Record<string, unknown>;
    change(figure);
    return JSON.stringify(figure);
  };

  it('refuses what is broken, and says what and where', () => {
    const cases: [string, RegExp][] = [
      ['{', /not JSON/],
      ['[]', /not a Cyclogon figure/],
      ['{"format":"other"}', /"format"/],
      [broken((f) => (f['version'] = 99)), /newer Cyclogon \(version 99/],
      [broken((f) => (f['version'] = '1')), /"version"/],
      // Of motifs that would be lost none is.
      [broken((f) => (f['motifs'] as object[]).push({ id: 'alone', shapes: [] })), /motif “alone”.* lost/],
      [broken((f) => (f['motifs'] as object[]).push((f['motifs'] as object[])[0]!)), /called so too/],
      [broken((f) => (f['motifs'] as object[]).push({ shapes: [] })), /motif “”.* lost/],
      [broken((f) => delete f['page']), /"page" is required/],
      [
        broken((f) => (((f['rounds'] as Figure['rounds'])[0]!.rule as { fold: number }).fold = 0)),
        /rounds\[0\]\.rule\.fold/,
      ],
      [
        broken(
          (f) =>
            ((
              (f['motifs'] as Figure['rounds'])[0]!.shapes[0]!.form as { params: { width: number } }
            ).params.width = -1),
        ),
        /params\.width/,
      ],
      [
        broken((f) => Object.assign((f['motifs'] as Figure['rounds'])[0]!.shapes[1]!.form, { kind: 'blob' })),
        /motifs\[0\]\.shapes\[1\]\.form\.kind/,
      ],
      [broken((f) => (f['motifs'] = [])), /its motif is not in the file/],
      [broken((f) => (f['extra'] = 1)), /"extra" is not allowed/],
      [broken((f) => (f['rounds'] as unknown[]).push((f['rounds'] as unknown[])[0])), /duplicate/],
      [' '.repeat(40_000_001), /larger than 40 MB/],
      [JSON.stringify({ name: ' '.repeat(LIMITS.bytes) }), /larger than 8 MB/],
    ];
    for (const [text, message] of cases) {
      expect(refusal(readFigure(text))).toMatch(message);
    }
  });

  it('refuses circles that make no petal', () => {
    const text = broken((f) => {
      const form = (f['motifs'] as Figure['rounds'])[0]!.shapes[0]!.form;
      Object.assign(form, { params: { ...petalOfCircles(5, 2), apart: 20 } });
    });
    expect(refusal(readFigure(text))).toMatch(/between 0 and 10/);
  });
});
