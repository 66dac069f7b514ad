import fc from 'fast-check';
import { describe, expect, it } from 'vitest';

import { disc, withForms } from '../../../tests/help/figures';
import { setFill, setFold } from '@/core/figure/commands';
import { evaluate } from '@/core/figure';
import { STRAIGHT } from '@/core/derive';
import { type Form, MAKERS, pathsOfForm } from '@/core/maker';
import { NO_TURN, turn } from '@/core/number';
import { isKeptByTurn } from './invariant';

const placed = { at: { x: 0, y: 0 }, rotation: NO_TURN };
const paths = (form: Form) => pathsOfForm(form, STRAIGHT);

describe('what turns keep', () => {
  it('is a circle about the centre by any turn, and elsewhere by none', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 2, max: 720 }),
        fc.double({ min: 0.5, max: 30, noNaN: true }),
        (fold, away) => {
          expect(isKeptByTurn(paths(disc(0, 0, 12)), turn(1, fold))).toBe(true);
          expect(isKeptByTurn(paths(disc(0, -away, 12)), turn(1, fold))).toBe(false);
          expect(isKeptByTurn(paths(disc(0, -away, 12)), turn(fold, fold))).toBe(true);
        },
      ),
    );
  });

  it('is a polygon, its star and a lattice by the turns that their symmetry has, and by no others', () => {
    for (let sides = 3; sides <= 12; sides += 1)
      for (let fold = 2; fold <= 24; fold += 1) {
        const polygon: Form = {
          kind: 'polygon',
          ...placed,
          params: { sides, radius: 20, diagonals: 'long' },
        };
        expect(isKeptByTurn(paths(polygon), turn(1, fold))).toBe(sides % fold === 0);
      }
    const lattice: Form = { kind: 'lattice', ...placed, params: MAKERS.lattice.start };
    expect(isKeptByTurn(paths(lattice), turn(1, 6))).toBe(true);
    expect(isKeptByTurn(paths(lattice), turn(1, 5))).toBe(false);
  });
});

describe('a scene', () => {
  const layersOf = (fold: number, ...forms: Form[]) => {
    const figure = setFold(withForms(...forms), 'r', fold);
    return evaluate(figure, new Map(), STRAIGHT).layers.map(({ items, copies }) => [
      items.map(({ origin }) => (origin.of === 'shape' ? origin.shapeId : '')).join(),
      copies.length,
    ]);
  };
  const [hub, petal] = [disc(0, 0, 9), disc(0, -30, 9)];

  it('has what its turns keep once, in its place between what they do not', () => {
    expect(layersOf(20, hub)).toEqual([['s0', 1]]);
    expect(layersOf(20, hub, petal)).toEqual([
      ['s0', 1],
      ['s1', 20],
    ]);
    expect(layersOf(7, petal, hub, petal)).toEqual([
      ['s0', 7],
      ['s1', 1],
      ['s2', 7],
    ]);
    const octagon: Form = { kind: 'polygon', ...placed, params: { sides: 8, radius: 20, diagonals: 'none' } };
    expect(layersOf(8, octagon)).toEqual([['s0', 1]]);
    expect(layersOf(3, octagon)).toEqual([['s0', 3]]);
  });

  it('has each copy where a gradient runs over each in its own direction', () => {
    const stops = [
      { at: 0, colour: '#000000' },
      { at: 1, colour: '#ffffff' },
    ];
    const run = { kind: 'linear', spread: 'cell', from: { x: 0, y: 0 }, to: { x: 0, y: 1 }, stops } as const;
    const figure = setFill(
      setFold(withForms(hub), 'r', 5),
      { of: 'shapes', roundId: 'r', shapeIds: new Set(['s0']) },
      run,
    );
    expect(evaluate(figure, new Map(), STRAIGHT).layers[0]!.copies).toHaveLength(5);
  });
});
