import fc from 'fast-check';
import { describe, expect, it } from 'vitest';

import { anyShape, Chance } from '../../../tests/help/anyFigure';
import { counter } from '../../../tests/help/figures';
import { distance, flatten, ORIGIN } from '@/core/curve';
import { STRAIGHT } from '@/core/derive';
import { addRound, addShapes, moveShapes, setBlend, setFold } from '@/core/figure/commands';
import { evaluate, type Figure, newFigure, newRound, newShape } from '@/core/figure';
import { NO_TURN } from '@/core/number';
import type { SceneItem, SceneLayer } from './scene';
import { partsInHand } from './still';

const layersOf = (figure: Figure): readonly SceneLayer[] => evaluate(figure, new Map(), STRAIGHT).layers;

/** Between which distances from the centre an item lies, from many points of it and its stroke's width. */
function ringOf({ paths, paint }: SceneItem): { inner: number; outer: number } {
  const away = paths.flatMap((path) => flatten(path, 1e-3).map((p) => distance(p, ORIGIN)));
  const half = (paint.stroke?.width ?? 0) / 2;
  return { inner: Math.min(...away) - half, outer: Math.max(...away) + half };
}

const meet = (a: SceneItem, b: SceneItem): boolean => {
  const [one, other] = [ringOf(a), ringOf(b)];
  return one.inner <= other.outer && other.inner <= one.outer;
};

const circle = (id: string, y: number, size: number) =>
  newShape(
    id,
    id,
    { kind: 'ellipse', at: { x: 0, y }, rotation: NO_TURN, params: { width: size, height: size } },
    { fill: '#336699', stroke: null },
  );

/** Small circles from 4 to 34, one at 50, in a fold that makes much of them. */
const full = (): Figure =>
  setFold(
    addShapes(newFigure('Full', 'a'), 'a', [
      ...Array.from({ length: 30 }, (_, k) => circle(`c${k}`, -4 - k, 1)),
      circle('far', -50, 6),
    ]),
    'a',
    60,
  );
const inHand = (...ids: string[]) => ({ roundId: 'a', shapeIds: new Set(ids) });

describe('What stands still while shapes are in hand', () => {
  it('with the rest is the scene: each item once, those that may meet in their order, and none that meets what is in hand', () => {
    fc.assert(
      fc.property(fc.integer({ min: 0, max: 1e9 }), fc.integer({ min: 40, max: 120 }), (seed, fold) => {
        const chance = new Chance(seed);
        const newId = counter();
        const shapes = Array.from({ length: 12 }, () => anyShape(chance, newId()));
        const small = Array.from({ length: 20 }, (_, k) => circle(newId(), -60 - 2 * k, 1));
        const figure = setFold(addShapes(newFigure('Any', 'a'), 'a', [...shapes, ...small]), 'a', fold);
        const layers = layersOf(figure);
        const held = inHand(chance.of([...shapes, ...small]).id);
        const parts = partsInHand(layers, held);
        const drawn = parts.flatMap((part) => part.layers.flatMap(({ items }) => items));
        const all = layers.flatMap(({ items }) => items);
        expect(new Set(drawn)).toEqual(new Set(all));
        expect(drawn).toHaveLength(all.length);
        const live = parts
          .filter(({ still }) => !still)
          .flatMap((part) => part.layers.flatMap((l) => l.items));
        const still = all.filter((item) => !live.includes(item));
        for (const one of still)
          for (const other of live) if (layers.length === 1) expect(meet(one, other)).toBe(false);
        const place = new Map(drawn.map((item, k) => [item, k]));
        all.forEach((item, k) => {
          for (const later of all.slice(k + 1))
            if (meet(item, later)) expect(place.get(item)!).toBeLessThan(place.get(later)!);
        });
      }),
      { numRuns: 12 },
    );
  });

  it('is the same object while the shape in hand is moved, and the rest is that shape', () => {
    const figure = full();
    const before = partsInHand(layersOf(figure), inHand('far'));
    expect(before.map(({ still, layers }) => [still, layers[0]?.items.length])).toEqual([
      [true, 30],
      [false, 1],
    ]);
    const moved = moveShapes(figure, 'a', new Set(['far']), { x: 1, y: -2 });
    const after = partsInHand(layersOf(moved), inHand('far'));
    expect(after[0]?.layers[0]).toBe(before[0]?.layers[0]);
    expect(after[1]?.layers[0]).not.toBe(before[1]?.layers[0]);
    expect(after[1]?.layers[0]?.copies).toBe(before[1]?.layers[0]?.copies);
  });

  it('has copies as they are now, also where a round has the rule of one that was seen otherwise', () => {
    const figure = full();
    const copies = (seen: typeof figure) => layersOf(seen)[0]?.copies.slice(0, 2);
    const [round] = figure.rounds;
    const plain = copies(figure);
    const faint = { ...figure, rounds: [{ ...round!, opacity: 0.5 }] };
    const without = { ...figure, rounds: [{ ...round!, omitted: [0] }] };
    expect(copies(faint)).toEqual(plain?.map((copy) => ({ ...copy, opacity: 0.5 })));
    expect(copies(without)?.[0]).toEqual(plain?.[1]);
    expect(copies({ ...figure, rounds: [{ ...round! }] })).toEqual(plain);
  });

  it('is nothing of a shape’s ring, nor of rings that touch that', () => {
    const chain = partsInHand(layersOf(full()), inHand('c10'));
    // Circles a unit wide a unit apart touch one another all along.
    expect(chain.map(({ still }) => still)).toEqual([false]);
  });

  it('is every other round, in its place', () => {
    const more = addShapes(addRound(full(), newRound('b', 'Above', 60)), 'b', [circle('x', -20, 3)]);
    const heavy = addShapes(
      more,
      'b',
      Array.from({ length: 30 }, (_, k) => circle(`y${k}`, -10 - k, 2)),
    );
    const parts = partsInHand(layersOf(heavy), { roundId: 'b', shapeIds: new Set(['x']) });
    expect(parts.map(({ still, layers }) => [still, layers[0]?.roundId])).toEqual([
      [true, 'a'],
      [false, 'b'],
    ]);
  });

  it('is nothing where rounds are blended, nothing is in hand, or there is little to draw', () => {
    const alone = [{ still: false, layers: layersOf(full()) }];
    expect(partsInHand(alone[0]!.layers, null)).toEqual(alone);
    const blended = layersOf(setBlend(full(), 'a', 'multiply'));
    expect(partsInHand(blended, inHand('far')).map(({ still }) => still)).toEqual([false]);
    const little = layersOf(setFold(full(), 'a', 3));
    expect(partsInHand(little, inHand('far')).map(({ still }) => still)).toEqual([false]);
  });
});
