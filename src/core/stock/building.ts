/** What stock motifs are put together from: constructions and arcs, about 0, 0, in millimetres. */
import type { PathNode, Point } from '@/core/curve';
import { newShape, type Shape } from '@/core/figure';
import {
  type BuiltForm,
  type BuiltKind,
  type Form,
  makerOf,
  pathForm,
  petalOfSize,
  withParams,
} from '@/core/maker';
import { cosSin, NO_TURN, turn, type Turn } from '@/core/number';
import type { Paint } from '@/core/scene';

/** The colours of stock motifs. */
export const INK = {
  kelp: '#1f8a76',
  deep: '#113d4c',
  foam: '#84c5b4',
  coral: '#d9512c',
  brass: '#e9b44c',
  shell: '#f7c6a3',
  sand: '#f2e6d0',
} as const;

export const fill = (colour: string): Paint => ({ fill: colour, stroke: null });

export const line = (colour: string, width: number): Paint => ({
  fill: null,
  stroke: { colour, width, cap: 'round', join: 'round' },
});

/** A construction with some of its numbers other than those it begins with. */
export function built<K extends BuiltKind>(
  kind: K,
  params: Partial<Extract<BuiltForm, { kind: K }>['params']>,
  at: Point = { x: 0, y: 0 },
  rotation: Turn = NO_TURN,
): BuiltForm {
  const form = { kind, at, rotation } as BuiltForm;
  return withParams(form, { ...makerOf(kind).start, ...params });
}

export const disc = (radius: number, x = 0, y = 0): BuiltForm =>
  built('ellipse', { width: 2 * radius, height: 2 * radius }, { x, y });

/** A petal whose base is at a point. */
export const petal = (length: number, width: number, x = 0, y = 0, rotation: Turn = NO_TURN): Form => ({
  kind: 'petal',
  at: { x, y },
  rotation,
  params: petalOfSize(length, width),
});

/** Points joined by straight lines, or by arcs: a third number is the tangent of a quarter of the arc's angle. */
export const arcs = (
  points: readonly (readonly [x: number, y: number, bulge?: number])[],
  closed = true,
): Form =>
  pathForm(
    points.map(([x, y, bulge]): PathNode => ({
      x,
      y,
      kind: 'corner',
      ...(bulge !== undefined && { bulge }),
    })),
    closed,
  );

/** What stands round the middle, so many times: a form for each direction. */
export const around = (
  count: number,
  form: (direction: Turn, out: (radius: number) => Point) => Form,
): Form[] =>
  Array.from({ length: count }, (_, k) => {
    const direction = turn(k, count);
    const { cos, sin } = cosSin(direction);
    return form(direction, (radius) => ({ x: radius * sin, y: -radius * cos }));
  });

/** A shape of a stock motif; ids are given where it is used. */
export const part = (name: string, form: Form, paint: Paint): Shape => newShape(name, name, form, paint);

/** Several shapes of one name and paint. */
export const parts = (name: string, forms: readonly Form[], paint: Paint): Shape[] =>
  forms.map((form, k) => newShape(`${name} ${k + 1}`, `${name} ${k + 1}`, form, paint));

export interface StockMotif {
  readonly id: string;
  readonly name: string;
  /** What else it is found by. */
  readonly labels: readonly string[];
  /** Back to front. */
  readonly shapes: readonly Shape[];
}

/** A stock motif of shapes, which get ids of their own. */
export const motif = (
  id: string,
  name: string,
  labels: readonly string[],
  ...shapes: (Shape | Shape[])[]
): StockMotif => {
  const all = shapes.flat();
  return { id, name, labels, shapes: all.map((shape, k) => ({ ...shape, id: `${id}-${k + 1}` })) };
};

/** Half waves side by side, from left to right: upward, downward. */
export const waves = (count: number, length: number, y = 0, bulge = 0.55): ReturnType<typeof arcs> =>
  arcs(
    Array.from({ length: count + 1 }, (_, k) => [
      (k - count / 2) * length,
      y,
      ...(k < count ? [k % 2 === 0 ? bulge : -bulge] : []),
    ]) as [number, number, number?][],
    false,
  );

/** A bow from one point to another. */
export const bow = (x: number, y: number, toX: number, toY: number, bulge: number): ReturnType<typeof arcs> =>
  arcs(
    [
      [x, y, bulge],
      [toX, toY],
    ],
    false,
  );
