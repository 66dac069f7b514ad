import {
  BUILT_KINDS,
  type BuiltForm,
  type Form,
  makerOf,
  pathForm,
  petalOfSize,
  withParams,
} from '@/core/maker';
import { addShapes, linkRound } from '@/core/figure/commands';
import { type Figure, newFigure, newRound, newShape, type Round, type Shape } from '@/core/figure';
import { turn } from '@/core/number';
import type { Paint } from '@/core/scene';

/** Chances from a seed (mulberry32, public domain), so that a failing run can be told again. */
export class Chance {
  constructor(private state: number) {}

  /** From 0 up to 1. */
  share(): number {
    this.state = (this.state + 0x6d2b79f5) | 0;
    let t = Math.imul(this.state ^ (this.state >>> 15), 1 | this.state);
    t = (t + Math.imul(t ^ (t >>> 7), 61 | t)) ^ t;
    return ((t ^ (t >>> 14)) >>> 0) / 4294967296;
  }

  between = (least: number, most: number): number => least + (most - least) * this.share();
  whole = (least: number, most: number): number => Math.floor(this.between(least, most + 1));
  yes = (): boolean => this.share() < 0.5;

  of<T>(list: readonly T[]): T {
    const item = list[this.whole(0, list.length - 1)];
    if (item === undefined) throw new RangeError('There is nothing to choose from.');
    return item;
  }

  /** Some of a list, each as likely as not. */
  some = <T>(list: readonly T[]): T[] => list.filter(() => this.yes());

  point = (reach: number): { x: number; y: number } => ({
    x: this.between(-reach, reach),
    y: this.between(-reach, reach),
  });

  colour = (): string => this.of(['#1f8a76', '#d9512c', '#e9b44c80', '#113d4c']);
}

export function anyPaint(chance: Chance): Paint {
  const stops = [
    { at: 0, colour: chance.colour() },
    { at: 1, colour: chance.colour() },
  ];
  const gradient = {
    kind: chance.of(['linear', 'radial'] as const),
    spread: chance.of(['cell', 'copy', 'selection', 'round', 'page'] as const),
    from: { x: 0, y: 0.1 },
    to: { x: 0.7, y: 1 },
    stops,
    ...(chance.yes() && { across: { x: -0.4, y: 0.2 } }),
  };
  const stroke = {
    colour: chance.colour(),
    width: chance.between(0.2, 3),
    cap: chance.of(['butt', 'round', 'square'] as const),
    join: chance.of(['miter', 'round', 'bevel'] as const),
  };
  const fill = chance.of([chance.colour(), chance.colour(), gradient, null]);
  return { fill, stroke: fill === null || chance.yes() ? stroke : null };
}

/** A form of any kind, near the axis, of a size that suits a page of 180. */
export function anyForm(chance: Chance): Form {
  const placed = {
    at: { x: chance.between(-8, 8), y: -chance.between(20, 60) },
    rotation: turn(chance.whole(0, 23), 24),
  };
  const kind = chance.of(['path', 'petal', 'polygon', 'ellipse', ...BUILT_KINDS] as const);
  switch (kind) {
    case 'path': {
      const closed = chance.yes();
      const nodes = Array.from({ length: chance.whole(3, 5) }, () => {
        const { x, y } = chance.point(15);
        return {
          x,
          y: y - 35,
          kind: 'corner' as const,
          ...(chance.yes() && { bulge: chance.between(-0.8, 0.8) }),
        };
      });
      return pathForm(nodes, closed);
    }
    case 'petal':
      return {
        kind,
        ...placed,
        params: petalOfSize(chance.between(10, 40), chance.between(2, 9)),
      };
    case 'polygon':
      return {
        kind,
        ...placed,
        params: { sides: chance.whole(3, 7), radius: chance.between(4, 15), diagonals: 'none' },
      };
    case 'ellipse':
      return {
        kind,
        ...placed,
        params: { width: 2 * chance.between(3, 12), height: 2 * chance.between(3, 12) },
      };
    case 'drawing':
      // A figure that is placed has no numbers to begin with.
      return { kind: 'ellipse', ...placed, params: { width: 10, height: 10 } };
    default:
      return withParams({ kind, ...placed, params: makerOf(kind).start } as BuiltForm, makerOf(kind).start);
  }
}

export const anyShape = (chance: Chance, id: string): Shape =>
  newShape(id, `Shape ${id}`, anyForm(chance), anyPaint(chance));

/** A figure of some rounds with some shapes, two of them linked at times. */
export function anyFigure(chance: Chance, newId: () => string): Figure {
  const count = chance.whole(1, 3);
  const rounds = Array.from({ length: count }, (_, k): Round =>
    newRound(`r${k}`, `Round ${k + 1}`, chance.whole(1, 9)),
  );
  const empty: Figure = { ...newFigure('Any', 'r0'), rounds };
  const filled = rounds.reduce(
    (figure, { id }) =>
      addShapes(
        figure,
        id,
        Array.from({ length: chance.whole(0, 3) }, () => anyShape(chance, newId())),
      ),
    empty,
  );
  return count > 1 && chance.yes() ? linkRound(filled, 'r0', 'r1', 'link') : filled;
}
