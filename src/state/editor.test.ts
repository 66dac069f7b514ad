import { START_LINE } from '../../tests/help/figures';
import { pathForm, petalOfSize } from '@/core/maker';
import { describe, expect, it } from 'vitest';

import { editorOf, stepBack, stepForward } from '../../tests/help/editor';
import type { PathNode } from '@/core/curve';
import { type Figure, newFigure, newShape, type Shape, START_PAINT } from '@/core/figure';
import { addShapes, lockRound, moveShapes, removeShapes, setFold, setPage } from '@/core/figure/commands';
import { NO_TURN, turn } from '@/core/number';
import { act, actOnRound, commit, dropRound } from './editor';
import { activeRound, select, selectedShapes, selectNodes } from './selecting';
import { preview } from './settle';
import { shownFigure, type Editor } from './editorState';
import { startRound } from './editor';
import { sceneOf } from './scene';
import { benchView, wholeView } from './view';
import { fromScreen, panned, toScreen, zoomed } from './viewport';

const petal = {
  kind: 'petal',
  at: { x: 0, y: -20 },
  rotation: NO_TURN,
  params: petalOfSize(50, 20),
} as const;
const path = pathForm(
  [
    { x: 0, y: 0, kind: 'corner' },
    { x: 5, y: 5, kind: 'corner' },
  ],
  false,
);

function open(): Editor {
  const figure = addShapes(newFigure('Test', 'a'), 'a', [
    newShape('p', 'Petal', petal, START_PAINT),
    newShape('l', 'Line', path, START_PAINT),
  ]);
  return editorOf(figure);
}

describe('the editor', () => {
  it('shows what is dragged without making it a step, until it is committed', () => {
    const editor = open();
    const before = shownFigure(editor.getState());
    const moved = moveShapes(before, 'a', new Set(['p']), { x: 1, y: 0 });
    preview(editor, moved);
    expect(shownFigure(editor.getState())).toBe(moved);
    expect(editor.getState().history.at).toBe(0);
    preview(editor, null);
    expect(shownFigure(editor.getState())).toBe(before);
    commit(editor, 'Move', moved);
    expect([editor.getState().history.at, editor.getState().live]).toEqual([1, null]);
    stepBack(editor);
    expect(shownFigure(editor.getState())).toBe(before);
    stepForward(editor);
    expect(shownFigure(editor.getState())).toBe(moved);
  });

  it('drops from the selection what a step took away', () => {
    const editor = open();
    select(editor, 'a', ['p', 'l']);
    act(editor, 'Delete', (figure) => removeShapes(figure, 'a', new Set(['p'])));
    expect(selectedShapes(editor.getState()).map(({ id }) => id)).toEqual(['l']);
    selectNodes(editor, [0, 1, 9]);
    act(editor, 'Fold', (figure) => setFold(figure, 'a', 5));
    expect([...editor.getState().selection.nodes]).toEqual([0, 1]);
    stepBack(editor);
    stepBack(editor);
    expect([...editor.getState().selection.shapeIds]).toEqual(['l']);
  });

  it('leaves a locked round alone', () => {
    const editor = open();
    act(editor, 'Lock', (figure) => lockRound(figure, 'a', true));
    actOnRound(editor, 'Fold', (figure, id) => setFold(figure, id, 3));
    expect(activeRound(editor.getState())?.rule.fold).toBe(8);
  });

  it('adds rounds with names and folds of their own, and keeps the last one', () => {
    const editor = open();
    dropRound(editor, 'a');
    expect(shownFigure(editor.getState()).rounds).toHaveLength(1);
    startRound(editor, 'b');
    expect(activeRound(editor.getState())).toMatchObject({ id: 'b', name: 'Round 2', rule: { fold: 8 } });
    dropRound(editor, 'a');
    startRound(editor, 'c', 1);
    expect(shownFigure(editor.getState()).rounds.map(({ name }) => name)).toEqual(['Round 2', 'Round 3']);
    expect(activeRound(editor.getState())?.rule.fold).toBe(1);
    dropRound(editor, 'c');
    expect(activeRound(editor.getState())?.id).toBe('b');
  });

  it('works on the copy that was asked for, and goes on with it in the same round', () => {
    const editor = open();
    const third = { turn: turn(2, 8), mirrored: false };
    select(editor, 'a', ['p'], third);
    select(editor, 'a', ['l']);
    expect(editor.getState().active).toEqual(third);
    startRound(editor, 'b');
    expect(editor.getState().active.turn).toEqual({ num: 0, den: 1 });
  });

  it('keeps the scene as long as nothing in it changes', () => {
    const editor = open();
    const scene = sceneOf(editor.getState());
    select(editor, 'a', ['p']);
    expect(sceneOf(editor.getState())).toBe(scene);
    act(editor, 'Fold', (figure) => setFold(figure, 'a', 5));
    expect(sceneOf(editor.getState())).not.toBe(scene);
  });
});

describe('views', () => {
  it('zoom about a point that stays where it is, and pan', () => {
    const view = { scale: 3, x: 100, y: 200 };
    const about = { x: 140, y: 50 };
    const under = fromScreen(view, about);
    const near = zoomed(view, 1.7, about);
    expect(toScreen(near, under).x).toBeCloseTo(140, 10);
    expect(toScreen(near, under).y).toBeCloseTo(50, 10);
    expect(panned(view, 5, -6)).toEqual({ scale: 3, x: 105, y: 194 });
    expect(zoomed(view, 1e9, about).scale).toBe(10_000);
  });

  it('fit the wedge and the page into their panes, for every fold', () => {
    const editor = open();
    for (const fold of [1, 2, 3, 12, 720]) {
      act(editor, 'Fold', (figure) => setFold(figure, 'a', fold));
      const state = editor.getState();
      const bench = benchView(state);
      const top = toScreen(bench, { x: 0, y: -90 });
      expect(top.y).toBeGreaterThan(0);
      expect(bench.x).toBe(state.sizes.bench.width / 2);
      const whole = wholeView(state);
      for (const corner of [
        { x: -90, y: -90 },
        { x: 90, y: 90 },
      ]) {
        const at = toScreen(whole, corner);
        expect(at.x).toBeGreaterThan(0);
        expect(at.x).toBeLessThan(state.sizes.whole.width);
        expect(at.y).toBeGreaterThan(0);
        expect(at.y).toBeLessThan(state.sizes.whole.height);
      }
    }
  });

  it('stay put while something is dragged', () => {
    const editor = open();
    const before = benchView(editor.getState());
    preview(editor, moveShapes(shownFigure(editor.getState()), 'a', new Set(['p']), { x: 0, y: -300 }));
    expect(benchView(editor.getState())).toEqual(before);
    commit(editor, 'Move', shownFigure(editor.getState()));
    expect(benchView(editor.getState()).scale).toBeLessThan(before.scale);
  });
});

describe('steps that could not be saved', () => {
  it('are not taken, and say why', () => {
    const editor = open();
    const before = shownFigure(editor.getState());
    const [shape] = before.rounds[0]!.shapes;
    const many = Array.from({ length: 2001 }, (_, k) => ({ ...shape!, id: `m${k}` }));
    commit(editor, 'Too many', { ...before, rounds: [{ ...before.rounds[0]!, shapes: many }] });
    expect(shownFigure(editor.getState())).toBe(before);
    expect(editor.getState().refusal?.message).toMatch(
      /In “Round 1”: the shapes of a motif are at most 2.000/,
    );
    commit(editor, 'Fewer', { ...before, rounds: [{ ...before.rounds[0]!, shapes: many.slice(1) }] });
    expect(shownFigure(editor.getState()).rounds[0]!.shapes).toHaveLength(2000);
  });

  it('with a value that no figure can keep are not taken either', () => {
    const editor = open();
    const before = shownFigure(editor.getState());
    commit(editor, 'Wide', { ...before, page: { ...before.page, width: 250_000 } });
    expect(shownFigure(editor.getState())).toBe(before);
    expect(editor.getState().refusal?.message).toMatch(
      /A width is at most 100\u00a0000\u00a0mm\. Nothing was changed/,
    );
    commit(editor, 'Narrower', { ...before, page: { ...before.page, width: 90_000 } });
    expect(shownFigure(editor.getState()).page.width).toBe(90_000);
  });

  it('of any kind are told in words of the field, and leave the figure and what can be undone as they were', () => {
    const editor = open();
    const { history } = editor.getState();
    const before = shownFigure(editor.getState());
    const nodes = (count: number): PathNode[] =>
      Array.from({ length: count }, (_, k) => ({ x: k % 9, y: -10 - (k % 7), kind: 'corner' }));
    const path = (...counts: number[]): Shape =>
      newShape(
        'new',
        'Pasted',
        { kind: 'path', contours: counts.map((count) => ({ closed: true, nodes: nodes(count) })) },
        START_PAINT,
      );
    const wide = { ...START_LINE, stroke: { ...START_LINE.stroke!, width: 1e9 } };
    const cases: [Figure, RegExp][] = [
      [setPage(before, { centre: { x: 150_000, y: 0 } }), /A position across is at most 100\u00a0000/],
      [moveShapes(before, 'a', new Set(['p']), { x: 0, y: -990_000 }), /“Petal”: a position up or down/],
      [addShapes(before, 'a', [path(30_000)]), /the nodes of one contour are at most 20\u00a0000/],
      [
        addShapes(before, 'a', [path(...Array<number>(3000).fill(2))]),
        /the contours of one shape are at most/,
      ],
      [addShapes(before, 'a', [{ ...path(3), paint: wide }]), /“Pasted”: a width is at most 100\u00a0000/],
      [addShapes(before, 'a', [{ ...path(3), id: 'two words' }]), /Nothing was changed/],
      [setPage(before, { width: 1e7 }), /A width is at most/],
      [setPage(before, { width: Infinity }), /A width is a number that can be kept|A width is at most/],
    ];
    for (const [figure, sentence] of cases) {
      commit(editor, 'Change', figure);
      expect(editor.getState().refusal?.message).toMatch(sentence);
      expect(editor.getState().history).toBe(history);
    }
  });
});
