import fc from 'fast-check';
import { describe, expect, it } from 'vitest';

import { counter, disc, withForms } from '../../../tests/help/figures';
import { boundsOfPaths, IDENTITY, type PathNode } from '@/core/curve';
import { STRAIGHT } from '@/core/derive';
import { type Form, MAKERS, pathForm, pathsOfForm } from '@/core/maker';
import { turn } from '@/core/number';
import {
  addShapes,
  duplicateRound,
  duplicateShapes,
  makeBands,
  makePlain,
  moveNodes,
  moveShapes,
  offsetShapes,
  placeMotif,
  removeShapes,
  roundOf,
  setForm,
  setInput,
  setStroke,
  stampAlong,
  takeOutInput,
  transformShapes,
} from './commands';
import { inputChoices, letGo } from './inputs';
import { figureSchema } from './schema';
import { newShape, START_PAINT } from './start';
import type { Figure, Shape } from './model';

const shapeOf = (figure: Figure, id: string): Shape => {
  const shape = roundOf(figure, 'r').shapes.find((each) => each.id === id);
  if (!shape) throw new Error(`no ${id}`);
  return shape;
};
const boxOf = (figure: Figure, id: string) => boundsOfPaths(pathsOfForm(shapeOf(figure, id).form, STRAIGHT));

const ids = (prefix: string) => {
  const next = counter();
  return () => prefix + next();
};

/** A disc of radius 10 and what is offset from it by 3. */
const offsetDisc = () => {
  const made = offsetShapes(withForms(disc(0, -40, 10)), 'r', new Set(['s0']), 3, counter(), STRAIGHT);
  return { figure: made.figure, id: made.ids[0] ?? '' };
};

/** How far the offset stands off from the disc on each side. */
const standsOff = (figure: Figure, id: string): number[] => {
  const [inner, outer] = [boxOf(figure, 's0'), boxOf(figure, id)];
  return [
    inner.left - outer.left,
    outer.right - inner.right,
    inner.top - outer.top,
    outer.bottom - inner.bottom,
  ];
};

describe('what a construction is made of', () => {
  it('is followed wherever it goes and whatever it becomes, as one change', () => {
    const { figure, id } = offsetDisc();
    expect(shapeOf(figure, id).inputs).toEqual({ shape: 's0' });
    fc.assert(
      fc.property(
        fc.float({ min: -30, max: 30, noNaN: true }),
        fc.float({ min: 1, max: 40, noNaN: true }),
        (x, size) => {
          const moved = moveShapes(figure, 'r', new Set(['s0']), { x, y: 5 });
          const grown = setForm(moved, { roundId: 'r', shapeId: 's0' }, disc(x, -20, size));
          for (const away of standsOff(grown, id)) expect(away).toBeCloseTo(3, 5);
          expect(figureSchema.validate(grown).error).toBeUndefined();
        },
      ),
      { numRuns: 30 },
    );
  });

  it('may be moved, turned and reflected with it: both go once', () => {
    const { figure, id } = offsetDisc();
    const both = new Set(['s0', id]);
    const once = { copy: false, times: 1, newId: counter() };
    const about = { x: 3, y: -10 };
    const turned = transformShapes(
      figure,
      'r',
      both,
      { kind: 'rotate', by: turn(1, 7), about },
      once,
      STRAIGHT,
    );
    const moved = moveShapes(turned.figure, 'r', both, { x: 4, y: 2 });
    expect(shapeOf(moved, id).inputs).toEqual({ shape: 's0' });
    for (const away of standsOff(moved, id)) expect(away).toBeCloseTo(3, 6);
    const still = shapeOf(moveShapes(figure, 'r', both, { x: 4, y: 2 }), id).form;
    expect(still.kind !== 'path' && still.at).toEqual({ x: 4, y: -38 });
  });

  it('is let go where the construction is moved alone, made plain, or its source is gone', () => {
    const { figure, id } = offsetDisc();
    const alone = moveShapes(figure, 'r', new Set([id]), { x: 1, y: 0 });
    const plain = makePlain(figure, 'r', new Set([id]), counter(), STRAIGHT);
    const gone = removeShapes(figure, 'r', new Set(['s0']));
    for (const each of [alone, plain, gone]) expect(shapeOf(each, id).inputs).toBeUndefined();
    const told = { name: 'Offset Shape 0', source: 'Shape 0' };
    expect(letGo(roundOf(figure, 'r'), roundOf(alone, 'r'))).toEqual([told]);
    // Of what was made plain, or lost its source, nothing has to be told.
    for (const each of [plain, gone]) expect(letGo(roundOf(figure, 'r'), roundOf(each, 'r'))).toEqual([]);
    expect(boxOf(gone, id)).toEqual(boxOf(figure, id));
    expect(boxOf(alone, id).left).toBeCloseTo(boxOf(figure, id).left + 1, 9);
  });

  it('is that of the copy in copies of both, and nobody’s in a copy of one', () => {
    const { figure, id } = offsetDisc();
    const copies = duplicateShapes(figure, 'r', new Set(['s0', id]), ids('c'), { x: 30, y: 0 });
    const [outer, inner] = copies.ids.map((each) => shapeOf(copies.figure, each));
    expect(outer?.inputs).toEqual({ shape: inner?.id });
    const one = duplicateShapes(figure, 'r', new Set([id]), ids('c'), { x: 30, y: 0 });
    expect(shapeOf(one.figure, one.ids[0] ?? '').inputs).toBeUndefined();
    const round = duplicateRound(figure, 'r', ids('d')).rounds[1];
    expect(round?.shapes[0]?.inputs).toEqual({ shape: round?.shapes[1]?.id });
    const motif = { shapes: roundOf(figure, 'r').shapes };
    const placed = placeMotif(
      figure,
      'r',
      { name: 'Ring', motif, place: { ...IDENTITY, e: 50 }, follows: null },
      ids('p'),
      STRAIGHT,
    );
    const [last, before] = [...roundOf(placed.figure, 'r').shapes].reverse();
    expect(before?.inputs).toEqual({ shape: last?.id });
  });

  it('is a line for stamps and for bands, which run along it as it is bent', () => {
    const nodes = (y: number): PathNode[] => [
      { x: 0, y: -10, kind: 'corner' },
      { x: 20, y, kind: 'corner' },
    ];
    const line = (y: number): Form => pathForm(nodes(y), false);
    const figure = addShapes(withForms(disc(0, -40, 10)), 'r', [
      newShape('l', 'Line', line(-10), START_PAINT),
    ]);
    const { along: _, shape: __, ...options } = MAKERS.stamp.start;
    const part = {
      name: 'Dot',
      contours: MAKERS.stamp.start.shape,
      paint: START_PAINT,
      rule: 'nonzero' as const,
    };
    const along = { closed: false, nodes: nodes(-10) };
    const stamped = stampAlong(figure, 'r', along, [part], options, ids('t'), 'l');
    const bent = setForm(stamped.figure, { roundId: 'r', shapeId: 'l' }, line(-70));
    expect(boxOf(bent, stamped.ids[0] ?? '').top).toBeCloseTo(-72, 6);
    const stroked = setStroke(
      figure,
      { of: 'shapes', roundId: 'r', shapeIds: new Set(['s0']) },
      { width: 4 },
    );
    const banded = makeBands(stroked, 'r', new Set(['s0']), ids('b'), STRAIGHT);
    const grown = setForm(banded.figure, { roundId: 'r', shapeId: 's0' }, disc(0, -40, 20));
    expect(boxOf(grown, banded.ids[0] ?? '').right).toBeCloseTo(22, 6);
  });

  it('is taken out as a shape that is not drawn, edited there, and goes along with the construction', () => {
    const made = offsetShapes(withForms(disc(0, -40, 10)), 'r', new Set(['s0']), 3, counter(), STRAIGHT);
    const id = made.ids[0] ?? '';
    const own = removeShapes(made.figure, 'r', new Set(['s0']));
    const out = takeOutInput(own, { roundId: 'r', shapeId: id }, 'shape', ids('o'));
    if (!out.ok) throw new Error(out.finding.sentence);
    const [line = ''] = out.value.ids;
    expect(shapeOf(out.value.figure, line)).toMatchObject({
      visible: false,
      name: 'Shape of Offset Shape 0',
    });
    expect(boxOf(out.value.figure, line).right).toBeCloseTo(10, 9);
    expect(figureSchema.validate(out.value.figure).error).toBeUndefined();
    const moved = moveShapes(out.value.figure, 'r', new Set([id]), { x: 5, y: 0 });
    expect(shapeOf(moved, id).inputs).toEqual({ shape: line });
    expect(boxOf(moved, line).right).toBeCloseTo(15, 9);
    const node = moveNodes(moved, { roundId: 'r', shapeId: line }, new Set([0]), { x: 0, y: -20 });
    expect(boxOf(node, id).top).toBeLessThan(boxOf(moved, id).top - 10);
    // It goes with the construction, as nobody else has it.
    expect(roundOf(removeShapes(node, 'r', new Set([id])), 'r').shapes).toEqual([]);
  });

  it('is chosen and let go by hand; what would be made of itself, or is worked out, is no choice', () => {
    const { figure, id } = offsetDisc();
    const more = addShapes(figure, 'r', [newShape('big', 'Big', disc(50, 0, 20), START_PAINT)]);
    const round = roundOf(more, 'r');
    expect(inputChoices(round, shapeOf(more, id), 'shape').map((each) => each.id)).toEqual(['s0', 'big']);
    const ref = { roundId: 'r', shapeId: id };
    const chosen = setInput(more, ref, 'shape', 'big');
    expect(chosen.ok && boxOf(chosen.value, id).right).toBeCloseTo(73, 6);
    const kept = chosen.ok ? setInput(chosen.value, ref, 'shape', null) : chosen;
    expect(kept.ok && shapeOf(kept.value, id).inputs).toBeUndefined();
    expect(setInput(more, ref, 'shape', id)).toMatchObject({ ok: false, finding: { code: 'input.circle' } });
    expect(setInput(more, ref, 'shape', 'nobody')).toMatchObject({
      ok: false,
      finding: { code: 'input.none' },
    });
  });

  it('is refused in a file where it is not there, or goes round', () => {
    const { figure, id } = offsetDisc();
    const withInput = (shapeId: string, inputs: Shape['inputs']): unknown => ({
      ...figure,
      rounds: figure.rounds.map((round) => ({
        ...round,
        shapes: round.shapes.map((shape) => (shape.id === shapeId ? { ...shape, inputs } : shape)),
      })),
    });
    expect(figureSchema.validate(withInput(id, { shape: 'nobody' })).error?.message).toMatch(/no such shape/);
    expect(figureSchema.validate(withInput(id, { shape: id })).error?.message).toMatch(/of itself/);
    // A circle has no field that could hold curves.
    const none = withInput('s0', { along: 's0' });
    expect(figureSchema.validate(none).error?.message).toMatch(/no such shape|of itself/);
  });
});
