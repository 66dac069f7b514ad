import { boundsOfPaths } from '../../curve/bounds';
import { fromPolar, polarOf, subtract, type Point } from '../../curve/point';
import { movedForm, pathsOfForm, type Form } from '../../maker/form';
import { transformedForms, type Transform } from '../../maker/transform';
import { anchorOf } from '../hit';
import type { Figure, Shape } from '../model';
import { roundOf, withRound } from './rounds';
import { withShapes } from './shapes';

interface How {
  /** True leaves the shapes and puts transformed copies in front of the motif. */
  readonly copy: boolean;
  /** How often, each time from where the time before ended. */
  readonly times: number;
  readonly newId: () => string;
}

const repeated = (form: Form, t: Transform, times: number): Form[] => {
  let forms = [form];
  for (let k = 0; k < times; k += 1) forms = forms.flatMap((each) => transformedForms(each, t));
  return forms;
};

const named = (shape: Shape, forms: readonly Form[], idOf: (k: number) => string): Shape[] =>
  forms.map((form, k) => ({
    ...shape,
    form,
    id: idOf(k),
    name: forms.length === 1 ? shape.name : `${shape.name} ${k + 1}`.slice(-120),
  }));

/** Transforms shapes of a round, or copies of them; the ids are those of what was made or changed. */
export function transformShapes(
  figure: Figure,
  roundId: string,
  shapeIds: ReadonlySet<string>,
  t: Transform,
  { copy, times, newId }: How,
): { figure: Figure; ids: string[] } {
  const ids: string[] = [];
  const take = (shapes: Shape[]): Shape[] => {
    ids.push(...shapes.map(({ id }) => id));
    return shapes;
  };
  const changed = withRound(figure, roundId, (round) => {
    if (!copy)
      return {
        ...round,
        shapes: round.shapes.flatMap((shape) =>
          shapeIds.has(shape.id)
            ? take(named(shape, repeated(shape.form, t, times), (k) => (k === 0 ? shape.id : newId())))
            : [shape],
        ),
      };
    const made = Array.from({ length: times }, (_, k) => k + 1).flatMap((k) =>
      round.shapes
        .filter(({ id }) => shapeIds.has(id))
        .flatMap((shape) => take(named(shape, repeated(shape.form, t, k), newId))),
    );
    return { ...round, shapes: [...round.shapes, ...made] };
  });
  return { figure: changed, ids };
}

/** How shapes are put in line: their middles on the axis, at the centre, at one height, radius or angle. */
export type Alignment = 'axis' | 'centre' | 'left' | 'middle' | 'right' | 'level' | 'radius' | 'angle';

const boxOf = (shape: Shape) => boundsOfPaths(pathsOfForm(shape.form));

/** Where a shape's anchor is to go so that it is in line with the first. */
function alignedTo(shape: Shape, first: Shape, how: Alignment): Point {
  const anchor = anchorOf(shape);
  const lead = anchorOf(first);
  const [box, led] = [boxOf(shape), boxOf(first)];
  switch (how) {
    case 'axis':
      return { x: anchor.x - (box.left + box.right) / 2, y: anchor.y };
    case 'centre':
      return {
        x: anchor.x - (box.left + box.right) / 2,
        y: anchor.y - (box.top + box.bottom) / 2,
      };
    case 'left':
      return { x: anchor.x + led.left - box.left, y: anchor.y };
    case 'right':
      return { x: anchor.x + led.right - box.right, y: anchor.y };
    case 'middle':
      return { x: anchor.x + (led.left + led.right - box.left - box.right) / 2, y: anchor.y };
    case 'level':
      return { x: anchor.x, y: anchor.y + (led.top + led.bottom - box.top - box.bottom) / 2 };
    case 'radius':
      return fromPolar(polarOf(lead).r, polarOf(anchor).degrees);
    case 'angle':
      return fromPolar(polarOf(anchor).r, polarOf(lead).degrees);
  }
}

/** Puts shapes in line; those that follow another go by the first of them in the layer order. */
export function alignShapes(
  figure: Figure,
  roundId: string,
  shapeIds: ReadonlySet<string>,
  how: Alignment,
): Figure {
  const first = roundOf(figure, roundId).shapes.find(({ id }) => shapeIds.has(id));
  if (!first) return figure;
  return withShapes(figure, roundId, shapeIds, (shape) => ({
    ...shape,
    form: movedForm(shape.form, subtract(alignedTo(shape, first, how), anchorOf(shape))),
  }));
}

/** Along what shapes are spread evenly, between the two that are outermost in it. */
export type Spread = 'across' | 'up' | 'radius' | 'angle';

/** Spreads the anchors of three shapes and more evenly between the first and the last of them. */
export function spreadShapes(
  figure: Figure,
  roundId: string,
  shapeIds: ReadonlySet<string>,
  along: Spread,
): Figure {
  const read = (shape: Shape): number => {
    const p = anchorOf(shape);
    const polar = polarOf(p);
    return { across: p.x, up: -p.y, radius: polar.r, angle: polar.degrees }[along];
  };
  const put = (p: Point, value: number): Point => {
    const { r, degrees } = polarOf(p);
    switch (along) {
      case 'across':
        return { x: value, y: p.y };
      case 'up':
        return { x: p.x, y: -value };
      case 'radius':
        return fromPolar(value, degrees);
      case 'angle':
        return fromPolar(r, value);
    }
  };
  const order = roundOf(figure, roundId)
    .shapes.filter(({ id }) => shapeIds.has(id))
    .sort((a, b) => read(a) - read(b));
  const [first, last] = [order[0], order[order.length - 1]];
  if (!first || !last || order.length < 3) return figure;
  const step = (read(last) - read(first)) / (order.length - 1);
  const places = new Map(order.map((shape, k) => [shape.id, read(first) + k * step]));
  return withShapes(figure, roundId, shapeIds, (shape) => {
    const anchor = anchorOf(shape);
    const to = put(anchor, places.get(shape.id) ?? read(shape));
    return { ...shape, form: movedForm(shape.form, subtract(to, anchor)) };
  });
}
