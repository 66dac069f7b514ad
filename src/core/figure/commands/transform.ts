import type { Work } from '../../derive';
import { boundsOfPaths, type Bounds } from '../../curve/bounds';
import { fromPolar, polarOf, subtract, type Point } from '../../curve/point';
import { compose, IDENTITY, type Affine } from '../../curve/affine';
import { pathsOfForm, type Form } from '../../maker/form';
import { isGradient, mapFills } from '../../paint/fills';
import { partsWithPaint, type PaintedPart } from '../parts';
import { seenBox, seenPaths } from '../seen';
import { turnedPaint } from '../../paint/gradient';
import { transformedForms, transformMap, type Transform } from '../../maker/transform';
import { carriedShape, isWholeMotif, movedShape } from '../carried';
import { reachOf } from '../../symmetry/reach';
import { copyName } from '../groups';
import { anchorOf } from '../hit';
import type { Figure, Round, Shape } from '../model';
import { roundOf, withRound } from './rounds';
import { withShapes } from './shapes';

interface How {
  /** True leaves the shapes and puts transformed copies in front of the motif. */
  readonly copy: boolean;
  /** How often, each time from where the time before ended. */
  readonly times: number;
  readonly newId: () => string;
}

/** The parts of a construction with paints of their own that became paths, one for each of them; none where it has one paint. */
function looksOf(shape: Shape, forms: readonly Form[], work: Work): readonly PaintedPart[] {
  const isPlain = shape.form.kind !== 'path' && forms.every(({ kind }) => kind === 'path');
  const parts = isPlain ? partsWithPaint(shape, null, work) : [];
  return parts.length > 1 || shape.form.kind === 'drawing' ? parts : [];
}

/** A shape in the paint of one of its parts, or in its own, turned with it. */
function turnedLook(shape: Shape, part: PaintedPart | undefined, map: Affine, work: Work): Shape {
  if (!part) {
    const box = (): Bounds => boundsOfPaths(pathsOfForm(shape.form, work));
    return { ...shape, paint: turnedPaint(shape.paint, map, box) };
  }
  // What a part has over its copy stands where the part does: it goes along.
  const own = mapFills(part.paint, (fill) =>
    isGradient(fill) && fill.spread === 'copy' ? { ...fill, spread: 'selection' } : fill,
  );
  return { ...shape, rule: part.rule, paint: turnedPaint(own, map, () => boundsOfPaths(part.paths)) };
}

/** What a shape becomes when it is transformed some times over. */
function transformed(
  shape: Shape,
  t: Transform,
  times: number,
  whole: boolean,
  idOf: (k: number) => string,
  work: Work,
): Shape[] {
  let forms = [shape.form];
  let map = IDENTITY;
  for (let k = 0; k < times; k += 1) {
    forms = forms.flatMap((each) => transformedForms(each, t, work));
    map = compose(transformMap(t), map);
  }
  const looks = looksOf(shape, forms, work);
  return forms.map((form, k) => ({
    ...carriedShape(turnedLook(shape, looks[k], map, work), form, map, whole),
    id: idOf(k),
    name: forms.length === 1 ? shape.name : `${shape.name} ${k + 1}`.slice(-120),
  }));
}

/** Transforms shapes of a round, or copies of them; the ids are those of what was made or changed. */
export function transformShapes(
  figure: Figure,
  roundId: string,
  shapeIds: ReadonlySet<string>,
  t: Transform,
  { copy, times, newId }: How,
  work: Work,
): { figure: Figure; ids: string[] } {
  const ids: string[] = [];
  const take = (shapes: Shape[]): Shape[] => {
    ids.push(...shapes.map(({ id }) => id));
    return shapes;
  };
  const changed = withRound(figure, roundId, (round) => {
    const whole = isWholeMotif(round, shapeIds);
    if (!copy)
      return {
        ...round,
        shapes: round.shapes.flatMap((shape) =>
          shapeIds.has(shape.id)
            ? take(transformed(shape, t, times, whole, (k) => (k === 0 ? shape.id : newId()), work))
            : [shape],
        ),
      };
    const taken = new Set(round.shapes.map(({ name }) => name));
    const named = (shape: Shape): Shape => ({ ...shape, name: copyName(shape.name, taken) });
    const made = Array.from({ length: times }, (_, k) => k + 1).flatMap((k) =>
      round.shapes
        .filter(({ id }) => shapeIds.has(id))
        .flatMap((shape) => take(transformed(shape, t, k, whole, newId, work).map(named))),
    );
    return { ...round, shapes: [...round.shapes, ...made] };
  });
  return { figure: changed, ids };
}

/** How shapes are put in line: their middles on the axis, at the centre, edges or middles at one place, radius or angle. */
export type Alignment =
  'axis' | 'centre' | 'left' | 'middle' | 'right' | 'top' | 'level' | 'bottom' | 'radius' | 'angle';

/** What shapes are put in line with: the first of them in the layer order, the box round all of them, or the page. */
export type AlignTo = 'first' | 'selection' | 'page';

/** The box of a shape as it is seen: of one that is combined that of what all became. */
const boxOf = (round: Round, { id }: Shape, work: Work): Bounds => seenBox(round, work, new Set([id]));

interface Lead {
  readonly box: Bounds;
  /** What radius and angle are read from. */
  readonly at: Point;
}

/** The page as the upright copy of a motif sees it, whose centre is the figure's. */
function pageLead({ page: { width, height, centre } }: Figure): Lead {
  const middle = { x: -centre.x || 0, y: -centre.y || 0 };
  return {
    at: middle,
    box: {
      left: middle.x - width / 2,
      right: middle.x + width / 2,
      top: middle.y - height / 2,
      bottom: middle.y + height / 2,
    },
  };
}

/** Where a shape's anchor is to go so that it is in line with what leads. */
function alignedTo(shape: Shape, box: Bounds, { at, box: led }: Lead, how: Alignment): Point {
  const anchor = anchorOf(shape);
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
    case 'top':
      return { x: anchor.x, y: anchor.y + led.top - box.top };
    case 'bottom':
      return { x: anchor.x, y: anchor.y + led.bottom - box.bottom };
    case 'level':
      return { x: anchor.x, y: anchor.y + (led.top + led.bottom - box.top - box.bottom) / 2 };
    case 'radius':
      return fromPolar(polarOf(at).r, polarOf(anchor).degrees);
    case 'angle':
      return fromPolar(polarOf(anchor).r, polarOf(at).degrees);
  }
}

/** Puts shapes in line with what leads them. */
export function alignShapes(
  figure: Figure,
  roundId: string,
  shapeIds: ReadonlySet<string>,
  how: Alignment,
  to: AlignTo = 'first',
  work: Work,
): Figure {
  const round = roundOf(figure, roundId);
  const chosen = round.shapes.filter(({ id }) => shapeIds.has(id));
  const [first] = chosen;
  if (!first) return figure;
  const all = seenBox(round, work, shapeIds);
  const leads: Record<AlignTo, Lead> = {
    first: { box: boxOf(round, first, work), at: anchorOf(first) },
    selection: { box: all, at: { x: (all.left + all.right) / 2, y: (all.top + all.bottom) / 2 } },
    page: pageLead(figure),
  };
  const whole = chosen.length === 1 && round.shapes.length === 1;
  return withShapes(figure, roundId, shapeIds, (shape) => {
    const place = alignedTo(shape, boxOf(round, shape, work), leads[to], how);
    return movedShape(shape, subtract(place, anchorOf(shape)), whole);
  });
}

/** How far a shape goes across, up, or from the centre. */
function extentAlong(
  round: Round,
  shape: Shape,
  along: 'across' | 'up' | 'radius',
  work: Work,
): { from: number; to: number } {
  if (along === 'radius') {
    const reach = reachOf(seenPaths(round, work, new Set([shape.id])));
    return { from: reach?.inner ?? 0, to: reach?.outer ?? 0 };
  }
  const box = boxOf(round, shape, work);
  return along === 'across' ? { from: box.left, to: box.right } : { from: -box.bottom, to: -box.top };
}

/** Along what shapes are spread evenly, between the two that are outermost in it. */
export type SpreadAlong = 'across' | 'up' | 'radius' | 'angle';

/**
 * Spreads three shapes and more evenly between the first and the last of them: their anchors, or the gaps between their boxes.
 * Gaps are even across or up, or along the radius between how near and far each reaches; for angles it is anchors.
 */
export function spreadShapes(
  figure: Figure,
  roundId: string,
  shapeIds: ReadonlySet<string>,
  along: SpreadAlong,
  even: 'centres' | 'gaps' = 'centres',
  work: Work,
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
  if (even === 'gaps' && along !== 'angle') {
    const extents = order.map((shape) => extentAlong(roundOf(figure, roundId), shape, along, work));
    const length = (extents[extents.length - 1]?.to ?? 0) - (extents[0]?.from ?? 0);
    const gap = (length - extents.reduce((sum, { from, to }) => sum + to - from, 0)) / (order.length - 1);
    let next = extents[0]?.from ?? 0;
    order.forEach((shape, k) => {
      const extent = extents[k] ?? { from: 0, to: 0 };
      places.set(shape.id, read(shape) + next - extent.from);
      next += extent.to - extent.from + gap;
    });
  }
  return withShapes(figure, roundId, shapeIds, (shape) => {
    const anchor = anchorOf(shape);
    const to = put(anchor, places.get(shape.id) ?? read(shape));
    return movedShape(shape, subtract(to, anchor), false);
  });
}
