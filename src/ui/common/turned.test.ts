import { describe, expect, it } from 'vitest';

import { evaluate, newFigure, newShape, type Round, START_PAINT } from '@/core/figure';
import { addShapes, setFold } from '@/core/figure/commands';
import { STRAIGHT } from '@/core/derive';
import { petalOfSize } from '@/core/maker';
import { NO_TURN, turn } from '@/core/number';
import { areTurnedAlone, markedPath, markedRuns } from './turned';

/** The direction in which each vertex of a path of cubics is left, and that in which it is reached, in degrees. */
function ways(d: string): { left: number[]; reached: number[] } {
  const cubics = [...d.matchAll(/C(\S+) (\S+) (\S+) (\S+) 0 0/g)].map((found) => found.slice(1).map(Number));
  const degrees = (x = 0, y = 0): number => ((Math.atan2(y, x) * 180) / Math.PI + 360) % 360;
  return {
    left: cubics.map(([x, y]) => degrees(x, y)),
    reached: cubics.map(([, , x = 0, y = 0]) => degrees(-x, -y)),
  };
}

const figure = addShapes(newFigure('Turned', 'r'), 'r', [
  newShape(
    'p',
    'Petal',
    { kind: 'petal', at: { x: 0, y: 0 }, rotation: NO_TURN, params: petalOfSize(80, 30) },
    START_PAINT,
  ),
]);

describe('copies as marks of a path', () => {
  it('have a vertex each in the centre, with the direction of the copy on both of its sides', () => {
    const turns = [turn(0), turn(1, 7), turn(5, 12), turn(3, 4)];
    const { left, reached } = ways(markedPath(turns));
    const expected = [0, 360 / 7, 150, 270];
    left.forEach((each, k) => expect(each).toBeCloseTo(expected[k] ?? NaN, 9));
    // The last vertex ends the path, and is not marked.
    reached.slice(0, -1).forEach((each, k) => expect(each).toBeCloseTo(expected[k + 1] ?? NaN, 9));
  });

  it('are all there and in their order, however many', () => {
    const copies = Array.from({ length: 101 }, (_, k) => ({ turn: turn(k, 101) }));
    const runs = markedRuns(copies);
    expect(runs.reduce((sum, { count }) => sum + count, 0)).toBe(101);
    const all = runs.flatMap(({ d }) => ways(d).left);
    expect(all).toHaveLength(101);
    all.forEach((each, k) => expect(each).toBeCloseTo((360 * k) / 101, 9));
  });

  it('are those of a round that is turned, not of one whose copies differ', () => {
    const layersOf = (of: typeof figure) => evaluate(of, new Map(), STRAIGHT).layers;
    expect(layersOf(setFold(figure, 'r', 12)).map(areTurnedAlone)).toEqual([true]);
    const changed = (by: Partial<Round>) => ({
      ...figure,
      rounds: setFold(figure, 'r', 12).rounds.map((round) => ({ ...round, ...by })),
    });
    const whirl = { angle: turn(1, 40), factor: 0.8, count: 3 };
    expect(layersOf(changed({ whirl })).every(areTurnedAlone)).toBe(false);
    expect(layersOf(changed({ blend: 'multiply' })).some(areTurnedAlone)).toBe(false);
  });
});
