import fc from 'fast-check';
import { describe, expect, it } from 'vitest';

import { anyFigure, Chance } from '../../../tests/help/anyFigure';
import { counter, disc } from '../../../tests/help/figures';
import { STRAIGHT } from '@/core/derive';
import { addShapes, moveShapes, setFold, setMirror, setPaint } from '@/core/figure/commands';
import { evaluate, type Figure, newFigure, newShape } from '@/core/figure';
import { retraced } from './retraced';
import type { SceneLayer } from './scene';
import { type InHand, partsInHand, type ScenePart } from './still';

const partsOf = (figure: Figure, hand: InHand): readonly ScenePart[] =>
  partsInHand(evaluate(figure, new Map(), STRAIGHT).layers, hand);

const layersIn = (parts: readonly ScenePart[]): readonly SceneLayer[] =>
  parts.flatMap(({ layers }) => layers);

const circle = (id: string, y: number, size: number) =>
  newShape(id, id, disc(2, y, size / 2), { fill: '#336699', stroke: null });

/** Thirty small circles from 4 to 34, one at 50 and one at 70. */
const full = setFold(
  addShapes(newFigure('Full', 'a'), 'a', [
    ...Array.from({ length: 30 }, (_, k) => circle(`c${k}`, -4 - k, 1)),
    circle('far', -50, 6),
    circle('farther', -70, 6),
  ]),
  'a',
  60,
);
const far: InHand = { roundId: 'a', shapeIds: new Set(['far']) };
const moved = (figure: Figure, y: number): Figure => moveShapes(figure, 'a', far.shapeIds, { x: 1, y });

const idsOf = (now: ReturnType<typeof retraced>): string[] =>
  [...(now?.keys() ?? [])].map(({ origin }) => (origin.of === 'shape' ? origin.shapeId : ''));

describe('Items that have new outlines', () => {
  it('put in the place of those before, make what is drawn after any step', () => {
    let some = 0;
    fc.assert(
      fc.property(fc.integer({ min: 0, max: 1e9 }), (seed) => {
        const chance = new Chance(seed);
        const before = anyFigure(chance, counter());
        const round = chance.of(before.rounds);
        if (round.shapes.length === 0) return;
        const hand: InHand = { roundId: round.id, shapeIds: new Set([chance.of(round.shapes).id]) };
        const after = moveShapes(before, round.id, hand.shapeIds, { x: 3, y: -2 });
        const [was, is] = [partsOf(before, hand), partsOf(after, hand)];
        const now = retraced(was, is);
        if (!now) return;
        some += 1;
        const made = layersIn(was).map((layer) => ({
          ...layer,
          items: layer.items.map((item) => now.get(item) ?? item),
        }));
        expect(made).toEqual(layersIn(is));
      }),
    );
    expect(some).toBeGreaterThan(20);
  });

  it('are those of the shape in hand, and its reflection, while the others stand still', () => {
    const was = partsOf(full, far);
    expect(was.map(({ still }) => still)).toEqual([true, false]);
    expect(idsOf(retraced(was, partsOf(moved(full, -3), far)))).toEqual(['far']);
    const mirrored = setMirror(full, 'a', true);
    expect(idsOf(retraced(partsOf(mirrored, far), partsOf(moved(mirrored, -3), far)))).toEqual([
      'far',
      'far',
    ]);
    expect(retraced(was, partsOf(full, far))?.size).toBe(0);
  });

  it('are none where anything else changes: what stands still, paint, copies, what is there', () => {
    const was = partsOf(full, far);
    const after = (figure: Figure) => retraced(was, partsOf(figure, far));
    // It comes over another shape: that is no longer in the picture of what stands still.
    expect(after(moved(full, -18))).toBeNull();
    expect(
      after(
        setPaint(
          full,
          { of: 'shapes', roundId: 'a', shapeIds: far.shapeIds },
          { fill: '#aa3322', stroke: null },
        ),
      ),
    ).toBeNull();
    expect(after(setFold(moved(full, -3), 'a', 61))).toBeNull();
    expect(after(addShapes(full, 'a', [circle('new', -20, 2)]))).toBeNull();
    expect(after(moveShapes(full, 'a', new Set(['c3']), { x: 1, y: 0 }))).toBeNull();
  });
});
