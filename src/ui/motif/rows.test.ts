import { describe, expect, it } from 'vitest';

import { groupShapes, placeInMotif, roundOf } from '@/core/figure/commands';
import { type Figure, motifTree } from '@/core/figure';
import { counter, disc, withForms } from '../../../tests/help/figures';
import { dropPlaceAt, rowsOf, spotOf, type DropPlace } from './rows';

/** s0 at the back, then a group of s1 and s2, then s3. */
const figure: Figure = groupShapes(
  withForms(...[0, 1, 2, 3].map((k) => disc(0, -10 - 10 * k, 3))),
  'r',
  new Set(['s1', 's2']),
  counter(),
);
const NONE: ReadonlySet<string> = new Set();
const rowsIn = (of: Figure, closed = NONE) => rowsOf(motifTree(roundOf(of, 'r')), closed);
const named = (of: Figure): string[] => rowsIn(of).map(({ name, depth }) => `${'-'.repeat(depth)}${name}`);

describe('the rows of a motif', () => {
  it('stand front first, what lies in a group under it, and not where it is closed', () => {
    expect(named(figure)).toEqual(['Shape 3', 'Group 1', '-Shape 2', '-Shape 1', 'Shape 0']);
    const [group] = roundOf(figure, 'r').groups!;
    expect(rowsIn(figure, new Set([group!.id])).map(({ name }) => name)).toEqual([
      'Shape 3',
      'Group 1',
      'Shape 0',
    ]);
  });

  it.each<[string, string, DropPlace, string[]]>([
    ['s0', 'Shape 3', 'above', ['Shape 0', 'Shape 3', 'Group 1', '-Shape 2', '-Shape 1']],
    ['s0', 'Shape 3', 'below', ['Shape 3', 'Shape 0', 'Group 1', '-Shape 2', '-Shape 1']],
    ['s0', 'Group 1', 'above', ['Shape 3', 'Shape 0', 'Group 1', '-Shape 2', '-Shape 1']],
    ['s0', 'Group 1', 'into', ['Shape 3', 'Group 1', '-Shape 0', '-Shape 2', '-Shape 1']],
    ['s3', 'Shape 1', 'above', ['Group 1', '-Shape 2', '-Shape 3', '-Shape 1', 'Shape 0']],
    ['s3', 'Shape 1', 'below', ['Group 1', '-Shape 2', '-Shape 1', '-Shape 3', 'Shape 0']],
    ['s2', 'Shape 0', 'below', ['Shape 3', 'Group 1', '-Shape 1', 'Shape 0', 'Shape 2']],
  ])('take %s where it is let go: %s, %s', (id, name, place, after) => {
    const row = rowsIn(figure).find((each) => each.name === name)!;
    const spot = spotOf(motifTree(roundOf(figure, 'r')), row, place);
    expect(named(placeInMotif(figure, 'r', new Set([id]), spot))).toEqual(after);
  });

  it('are told by where in a row the pointer is', () => {
    const [shape, group] = rowsIn(figure);
    expect([0.1, 0.9].map((share) => dropPlaceAt(shape!, share))).toEqual(['above', 'below']);
    expect([0.1, 0.5, 0.9].map((share) => dropPlaceAt(group!, share))).toEqual(['above', 'into', 'below']);
  });
});
