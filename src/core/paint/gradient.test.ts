import { describe, expect, it } from 'vitest';

import { STRAIGHT } from '@/core/derive';
import { pathsOfForm } from '@/core/maker';
import { NO_TURN, turn } from '@/core/number';
import type { Gradient, GradientStop, SceneItem, SceneLayer } from '@/core/scene';
import { isGradient } from './fills';
import { plainStops, reversedStops, stopsProblem, withSettledGradients, withStop } from './gradient';

const stops = [
  { at: 0, colour: '#000000' },
  { at: 1, colour: '#ffffff' },
];

const linear = (part: Partial<Gradient>): Gradient => ({
  kind: 'linear',
  spread: 'cell',
  from: { x: 0, y: 0 },
  to: { x: 1, y: 0 },
  stops,
  ...part,
});

/** An upright ellipse, 4 wide and 6 high, about 0, −10. */
const item = (fill: Gradient, mirrored = false): SceneItem => ({
  origin: { of: 'shape', shapeId: 's' },
  paths: pathsOfForm(
    {
      kind: 'ellipse',
      at: { x: 3, y: -10 },
      rotation: NO_TURN,
      params: { width: 4, height: 6 },
    },
    STRAIGHT,
  ),
  paint: { fill, stroke: null },
  rule: 'nonzero',
  mirrored,
});

const layer = (items: SceneItem[], fold = 4): SceneLayer => ({
  roundId: 'r',
  items,
  copies: Array.from({ length: fold }, (_, k) => ({ turn: turn(k, fold) })),
});

const gradientOf = (each: SceneItem | undefined): Gradient => {
  const fill = each?.paint.fill;
  if (!isGradient(fill)) throw new Error('no gradient');
  return fill;
};

const near = (p: { x: number; y: number }, x: number, y: number): void => {
  expect(p.x).toBeCloseTo(x, 9);
  expect(p.y).toBeCloseTo(y, 9);
};

describe('a gradient', () => {
  it('over each cell runs over its box', () => {
    const { items } = withSettledGradients(layer([item(linear({ to: { x: 1, y: 1 } }))]));
    const { from, to, spread } = gradientOf(items[0]);
    near(from, 1, -13);
    near(to, 5, -7);
    expect(spread).toBe('copy');
  });

  it('is reflected with a reflected copy, or kept straight', () => {
    const both = (straight: boolean) =>
      withSettledGradients(layer([item(linear({ straight }), true), item(linear({ straight }))])).items;
    // A reflected item is drawn by x → −x: mirrored, dark is at the axis' side of both; straight, on the left of both.
    const [mirrored, plain] = both(false);
    near(gradientOf(mirrored).from, 1, -13);
    near(gradientOf(plain).from, 1, -13);
    const [straight] = both(true);
    near(gradientOf(straight).from, 5, -13);
    near(gradientOf(straight).to, 1, -13);
  });

  it('over each copy is the same for all of them; across a round each copy sees its own part', () => {
    const ends = { from: { x: 0, y: -20 }, to: { x: 0, y: 20 } };
    const copy = withSettledGradients(layer([item(linear({ spread: 'copy', ...ends }))]));
    expect(copy.copies.every(({ items }) => items === undefined)).toBe(true);
    const round = withSettledGradients(layer([item(linear({ spread: 'round', ...ends }))]));
    // A quarter turn clockwise takes the motif's left to the top of the figure.
    const [first, quarter, half] = round.copies.map(({ items }) => gradientOf(items?.[0]));
    near(first!.from, 0, -20);
    near(quarter!.from, -20, 0);
    near(half!.from, 0, 20);
  });

  it('in rings about the centre is the same on every copy, so that these stay copies', () => {
    const rings = linear({ kind: 'radial', spread: 'round', from: { x: 0, y: 0 }, to: { x: 0, y: -30 } });
    const { copies, items } = withSettledGradients(layer([item(rings)], 30));
    expect(copies.every((copy) => copy.items === undefined)).toBe(true);
    near(gradientOf(items[0]).to, 0, -30);
  });

  it('leaves a layer without gradients as it is', () => {
    const flat = layer([{ ...item(linear({})), paint: { fill: '#123456', stroke: null } }]);
    expect(withSettledGradients(flat)).toBe(flat);
  });
});

describe('stops', () => {
  it('with a middle aside get a stop of half the mix there, as SVG has no middles', () => {
    const made = plainStops([
      { at: 0.2, colour: '#000000', middle: 0.25 },
      { at: 1, colour: '#ffffff' },
    ]);
    expect(made.map(({ at }) => at)).toEqual([0.2, 0.4, 1]);
    expect(made[1]?.colour).toBe('#808080ff');
    expect(plainStops(stops)).toEqual(stops);
  });

  it('get one more without a change of the look, past a middle that is aside too', () => {
    const level = (list: readonly GradientStop[], share: number): number => {
      const plain = plainStops(list);
      const k = Math.max(
        1,
        plain.findIndex(({ at }) => at >= share),
      );
      const [a, b] = [plain[k - 1]!, plain[k]!];
      const red = ({ colour }: GradientStop): number => parseInt(colour.slice(1, 3), 16);
      return red(a) + ((red(b) - red(a)) * (share - a.at)) / (b.at - a.at);
    };
    const aside: GradientStop[] = [
      { at: 0.1, colour: '#000000', middle: 0.25 },
      { at: 0.6, colour: '#c0c0c0' },
      { at: 1, colour: '#202020', middle: 0.5 },
    ];
    for (const share of [0.15, 0.4, 0.8]) {
      const made = withStop(aside, share);
      expect(made.stops[made.index]?.at).toBe(share);
      expect(stopsProblem(made.stops)).toBeNull();
      for (let k = 11; k < 100; k += 7)
        expect(Math.abs(level(made.stops, k / 100) - level(aside, k / 100))).toBeLessThan(1.5);
    }
    expect(withStop(stops, 0.25).stops[1]?.colour).toBe('#404040');
    expect(withStop(aside, 0.05)).toMatchObject({
      index: 0,
      stops: [{ at: 0.05, colour: '#000000' }, {}, {}, {}],
    });
  });

  it('are turned round with their middles, and turned again are as they were', () => {
    const aside = [
      { at: 0, colour: '#000000', middle: 0.25 },
      { at: 1, colour: '#ffffff' },
    ];
    expect(reversedStops(aside)).toEqual([
      { at: 0, colour: '#ffffff', middle: 0.75 },
      { at: 1, colour: '#000000' },
    ]);
    expect(reversedStops(reversedStops(aside))).toEqual(aside);
  });

  it('that make none are named', () => {
    expect(stopsProblem(stops)).toBeNull();
    expect(stopsProblem(stops.slice(1))?.sentence).toMatch(/two stops/);
    expect(stopsProblem([...stops].reverse())?.sentence).toMatch(/out of order/);
    expect(stopsProblem([{ at: Number.NaN, colour: '#000000' }, ...stops])?.sentence).toMatch(
      /between 0 and 100/,
    );
  });
});
