import fc from 'fast-check';
import { describe, expect, it } from 'vitest';

import { counter, disc, withForms } from '../../../tests/help/figures';
import {
  duplicateShapes,
  groupShapes,
  placeInMotif,
  removeShapes,
  renameGroup,
  reorderShapes,
  roundOf,
  ungroupShapes,
} from './commands';
import { copyName, deeper, groupOf, motifTree, shapesOfTree, treeProblem, type MotifNode } from './groups';
import type { Figure } from './model';
import { figureSchema } from './schema';

const five = (): Figure => withForms(...[0, 1, 2, 3, 4].map((k) => disc(0, -10 - 10 * k, 3)));
const ids = (...places: number[]): Set<string> => new Set(places.map((k) => `s${k}`));
const round = (figure: Figure) => roundOf(figure, 'r');

/** A tree in one line: `s0 (s1 s2)`. */
const written = (nodes: readonly MotifNode[]): string =>
  nodes.map((node) => (node.kind === 'shape' ? node.shape.id : `(${written(node.nodes)})`)).join(' ');
const treeOf = (figure: Figure): string => written(motifTree(round(figure)));

describe('groups of a motif', () => {
  it('gather what they are made of in front, and hold other groups', () => {
    const newId = counter();
    const one = groupShapes(five(), 'r', ids(0, 2), newId);
    expect(treeOf(one)).toBe('s1 (s0 s2) s3 s4');
    const two = groupShapes(one, 'r', ids(0, 2, 4), newId);
    expect(treeOf(two)).toBe('s1 s3 ((s0 s2) s4)');
    // What is a group already stays it.
    expect(groupShapes(two, 'r', ids(0, 2, 4), newId)).toEqual(two);
    // A part of a group becomes a group in it.
    expect(treeOf(groupShapes(groupShapes(five(), 'r', ids(0, 1, 2), newId), 'r', ids(0, 1), newId))).toBe(
      '((s0 s1) s2) s3 s4',
    );
    expect(figureSchema.validate(two).error).toBeUndefined();
  });

  it('are let go one by one, the outermost first; a part is taken out in front', () => {
    const newId = counter();
    const two = groupShapes(groupShapes(five(), 'r', ids(0, 2), newId), 'r', ids(0, 2, 4), newId);
    const one = ungroupShapes(two, 'r', ids(0, 2, 4));
    expect(treeOf(one)).toBe('s1 s3 (s0 s2) s4');
    expect(treeOf(ungroupShapes(one, 'r', ids(0, 2)))).toBe('s1 s3 s0 s2 s4');
    expect(round(ungroupShapes(one, 'r', ids(0, 2))).groups).toBeUndefined();
    expect(treeOf(ungroupShapes(two, 'r', ids(0)))).toBe('s1 s3 ((s2) s0 s4)');
  });

  it('are moved past one another as one thing, and to where they are put', () => {
    const newId = counter();
    const figure = groupShapes(five(), 'r', ids(1, 2), newId);
    const step = (how: 'front' | 'forward' | 'backward' | 'back', ...places: number[]): string =>
      treeOf(reorderShapes(figure, 'r', ids(...places), how));
    expect(step('forward', 1, 2)).toBe('s0 s3 (s1 s2) s4');
    expect(step('backward', 1, 2)).toBe('(s1 s2) s0 s3 s4');
    expect(step('front', 1, 2)).toBe('s0 s3 s4 (s1 s2)');
    expect(step('back', 4)).toBe('s4 s0 (s1 s2) s3');
    expect(step('forward', 0)).toBe('(s1 s2) s0 s3 s4');
    // Within a group a shape goes to the front of that, and no farther.
    expect(step('front', 1)).toBe('s0 (s2 s1) s3 s4');
    expect(step('forward', 2)).toBe('s0 (s1 s2) s3 s4');
    const [group] = round(figure).groups!;
    const put = (where: { group: string | null; before: string | null }, ...places: number[]): string =>
      treeOf(placeInMotif(figure, 'r', ids(...places), where));
    expect(put({ group: group!.id, before: 's2' }, 4)).toBe('s0 (s1 s4 s2) s3');
    expect(put({ group: null, before: group!.id }, 1, 3)).toBe('s0 s1 s3 (s2) s4');
    // Nothing goes into itself.
    expect(put({ group: group!.id, before: null }, 1, 2)).toBe('s0 (s1 s2) s3 s4');
  });

  it('are copied with what they hold; a part of one is copied in it', () => {
    const newId = counter();
    const figure = groupShapes(five(), 'r', ids(0, 1), newId);
    const whole = duplicateShapes(figure, 'r', ids(0, 1), newId, { x: 5, y: 0 });
    expect(motifTree(round(whole.figure)).filter(({ kind }) => kind === 'group')).toHaveLength(2);
    const part = duplicateShapes(figure, 'r', ids(1), newId, { x: 5, y: 0 });
    const [group] = motifTree(round(part.figure));
    expect(group?.kind === 'group' && group.nodes).toHaveLength(3);
  });

  it('have names of their own, and go with the last of them', () => {
    const newId = counter();
    const figure = groupShapes(groupShapes(five(), 'r', ids(0, 1), newId), 'r', ids(2, 3), newId);
    expect(round(figure).groups?.map(({ name }) => name)).toEqual(['Group 1', 'Group 2']);
    const [first] = round(figure).groups!;
    expect(round(renameGroup(figure, 'r', first!.id, ' Leaves ')).groups?.[0]?.name).toBe('Leaves');
    expect(round(removeShapes(figure, 'r', ids(0, 1))).groups?.map(({ name }) => name)).toEqual(['Group 2']);
    expect(round(removeShapes(figure, 'r', ids(0, 1, 2, 3))).groups).toBeUndefined();
  });

  it('are gone into click by click, and out again', () => {
    const newId = counter();
    const figure = groupShapes(groupShapes(five(), 'r', ids(0, 2), newId), 'r', ids(0, 2, 4), newId);
    const shape = round(figure).shapes.find(({ id }) => id === 's2')!;
    const next = (...selected: number[]): string[] =>
      [...deeper(round(figure), shape, ids(...selected))].sort();
    expect(next()).toEqual(['s0', 's2', 's4']);
    expect(next(0, 2, 4)).toEqual(['s0', 's2']);
    expect(next(0, 2)).toEqual(['s2']);
    expect(next(2)).toEqual(['s0', 's2', 's4']);
    expect(
      groupOf(
        round(figure),
        round(figure).shapes.filter(({ id }) => ids(0, 2).has(id)),
      )?.name,
    ).toBe('Group 1');
  });

  it('that lie in themselves, too deep or nowhere are no tree, in words', () => {
    const { shapes } = round(five());
    const said = (groups: readonly { id: string; name: string; parent?: string }[], group?: string) =>
      treeProblem({ groups, shapes: shapes.map((shape) => (group ? { ...shape, group } : shape)) })?.sentence;
    expect(said([], 'gone')).toContain('not there');
    expect(said([{ id: 'a', name: 'A', parent: 'b' }], 'a')).toContain('not there');
    expect(
      said(
        [
          { id: 'a', name: 'A', parent: 'b' },
          { id: 'b', name: 'B', parent: 'a' },
        ],
        'a',
      ),
    ).toContain('itself');
    const chain = Array.from({ length: 9 }, (_, k) => ({
      id: `g${k}`,
      name: 'G',
      ...(k > 0 && { parent: `g${k - 1}` }),
    }));
    expect(said(chain, 'g8')).toContain('at most 8');
    expect(said(chain.slice(0, 8), 'g7')).toBeUndefined();
    const broken = {
      ...five(),
      rounds: [{ ...round(five()), groups: [{ id: 'a', name: 'A', parent: 'b' }] }],
    };
    expect(figureSchema.validate(broken).error?.message).toContain('not there');
  });

  it('stay trees of all the shapes, whatever is done', () => {
    const subset = fc.uniqueArray(fc.integer({ min: 0, max: 4 }), { minLength: 1, maxLength: 5 });
    const what = fc.constantFrom('group', 'ungroup', 'front', 'forward', 'backward', 'back', 'into', 'out');
    fc.assert(
      fc.property(fc.array(fc.tuple(what, subset), { maxLength: 12 }), (steps) => {
        const newId = counter();
        let figure = five();
        for (const [how, places] of steps) {
          const chosen = ids(...places);
          const [group] = round(figure).groups ?? [];
          if (how === 'group') figure = groupShapes(figure, 'r', chosen, newId);
          else if (how === 'ungroup') figure = ungroupShapes(figure, 'r', chosen);
          else if (how === 'into' || how === 'out')
            figure = placeInMotif(figure, 'r', chosen, {
              group: how === 'into' ? (group?.id ?? null) : null,
              before: 's0',
            });
          else figure = reorderShapes(figure, 'r', chosen, how);
          expect(figureSchema.validate(figure).error).toBeUndefined();
          expect(treeProblem(round(figure))).toBeNull();
          // In the list the shapes of a group are next to one another.
          expect(shapesOfTree(motifTree(round(figure)))).toEqual(round(figure).shapes);
          expect(
            round(figure)
              .shapes.map(({ id }) => id)
              .sort(),
          ).toEqual(['s0', 's1', 's2', 's3', 's4']);
        }
      }),
      { numRuns: 200 },
    );
  });
});

describe('names of copies', () => {
  it('count on from the original, in one copy and in many', () => {
    const taken = new Set(['Petal', 'Petal 2', 'Leaf 7']);
    expect(copyName('Petal', taken)).toBe('Petal 3');
    expect(copyName('Petal 3', taken)).toBe('Petal 4');
    expect(copyName('Leaf 7', taken)).toBe('Leaf 2');
    expect(copyName('x'.repeat(120), taken).length).toBeLessThanOrEqual(120);
    const newId = counter();
    const figure = duplicateShapes(five(), 'r', ids(0), newId, { x: 1, y: 0 }).figure;
    // Shape 0 to Shape 4 are there.
    expect(round(figure).shapes.at(-1)?.name).toBe('Shape 5');
  });
});
