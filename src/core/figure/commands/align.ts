/**
 * Shapes put in line with one another or with the page, and spread evenly.
 *
 * @example
 * const next = alignShapes(figure, roundId, ids, { how: 'left', to: 'page' }, STRAIGHT);
 */
import { type Bounds, fromPolar, type Point, polarOf, subtract } from '@/core/curve';
import type { Work } from '@/core/derive';
import { reachOf } from '@/core/symmetry';
import { isWholeMotif, movedShapes } from '../carried';
import { largestNodes, motifTree, shapesIn } from '../groups';
import { anchorOf } from '../hit';
import type { Figure, Round, RoundId, ShapeId } from '../model';
import { seenBox, seenPaths } from '../seen';
import { roundOf, withRound } from './rounds';

/** How shapes are put in line: their middles on the axis, at the centre, edges or middles at one place, radius or angle. */
export type Alignment =
  'axis' | 'centre' | 'left' | 'middle' | 'right' | 'top' | 'level' | 'bottom' | 'radius' | 'angle';

/** What shapes are put in line with: the first of them in the layer order, the box round all of them, or the page. */
export type AlignTo = 'first' | 'selection' | 'page';

/** What is put in line as one: a group, with what is in it, or a shape that lies in none that is. */
interface Piece {
  readonly ids: ReadonlySet<string>;
  /** As it is seen: of shapes that are combined that of what they became. */
  readonly box: Bounds;
  /** Where it is held: a shape's anchor, the middle of several. */
  readonly anchor: Point;
}

const middleOf = ({ left, right, top, bottom }: Bounds): Point => ({
  x: (left + right) / 2,
  y: (top + bottom) / 2,
});

/** Some shapes of a motif as pieces, back to front; all of them as one where that is asked. */
function piecesOf(round: Round, shapeIds: ReadonlySet<ShapeId>, asOne: boolean, work: Work): Piece[] {
  const lists = asOne
    ? [round.shapes.filter(({ id }) => shapeIds.has(id))]
    : largestNodes(motifTree(round), shapeIds).map(shapesIn);
  return lists.flatMap((shapes) => {
    const [first, another] = shapes;
    if (!first) return [];
    const ids = new Set(shapes.map(({ id }) => id));
    const box = seenBox(round, work, ids);
    return [{ ids, box, anchor: another ? middleOf(box) : anchorOf(first) }];
  });
}

/** Moves each piece so that its anchor is at its place. */
function withPiecesAt(
  figure: Figure,
  roundId: RoundId,
  pieces: readonly Piece[],
  place: (piece: Piece) => Point,
): Figure {
  const round = roundOf(figure, roundId);
  const [only] = pieces;
  const whole = pieces.length === 1 && only !== undefined && isWholeMotif(round, only.ids);
  return withRound(figure, roundId, (before) =>
    pieces.reduce(
      (each, piece) => movedShapes(each, piece.ids, subtract(place(piece), piece.anchor), whole),
      before,
    ),
  );
}

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

/** Where a piece's anchor is to go so that it is in line with what leads. */
function alignedTo({ anchor, box }: Piece, { at, box: led }: Lead, how: Alignment): Point {
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

/** How shapes are put in line. */
export interface Aligning {
  readonly how: Alignment;
  /** The first piece without it; a single piece that has nothing but itself to go by needs the page. */
  readonly to?: AlignTo;
  /** True for all of them moved together, as they stand to one another. */
  readonly asOne?: boolean;
}

/** Puts shapes in line with what leads them; what is grouped goes as one. */
export function alignShapes(
  figure: Figure,
  roundId: RoundId,
  shapeIds: ReadonlySet<ShapeId>,
  { how, to = 'first', asOne = false }: Aligning,
  work: Work,
): Figure {
  const round = roundOf(figure, roundId);
  const pieces = piecesOf(round, shapeIds, asOne, work);
  const [first] = pieces;
  if (!first) return figure;
  const all = seenBox(round, work, shapeIds);
  const leads: Record<AlignTo, Lead> = {
    first: { box: first.box, at: first.anchor },
    selection: { box: all, at: middleOf(all) },
    page: pageLead(figure),
  };
  return withPiecesAt(figure, roundId, pieces, (piece) => alignedTo(piece, leads[to], how));
}

/** How far a piece goes across, up, or from the centre. */
function extentAlong(
  round: Round,
  { ids, box }: Piece,
  along: 'across' | 'up' | 'radius',
  work: Work,
): { from: number; to: number } {
  if (along === 'radius') {
    const reach = reachOf(seenPaths(round, work, ids));
    return { from: reach?.inner ?? 0, to: reach?.outer ?? 0 };
  }
  return along === 'across' ? { from: box.left, to: box.right } : { from: -box.bottom, to: -box.top };
}

/** Along what shapes are spread evenly, between the two that are outermost in it. */
export type SpreadAlong = 'across' | 'up' | 'radius' | 'angle';

/**
 * Spreads three pieces and more evenly, groups as one, between the first and the last of them: their anchors, or the gaps between their boxes.
 * Gaps are even across or up, or along the radius between how near and far each reaches; for angles it is anchors.
 */
export function spreadShapes(
  figure: Figure,
  roundId: RoundId,
  shapeIds: ReadonlySet<ShapeId>,
  along: SpreadAlong,
  even: 'centres' | 'gaps' = 'centres',
  work: Work,
): Figure {
  const round = roundOf(figure, roundId);
  const read = ({ anchor: p }: Piece): number => {
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
  const order = piecesOf(round, shapeIds, false, work).sort((a, b) => read(a) - read(b));
  const [first, last] = [order[0], order[order.length - 1]];
  if (!first || !last || order.length < 3) return figure;
  const step = (read(last) - read(first)) / (order.length - 1);
  const places = new Map(order.map((piece, k) => [piece, read(first) + k * step]));
  if (even === 'gaps' && along !== 'angle') {
    const extents = order.map((piece) => extentAlong(round, piece, along, work));
    const length = (extents[extents.length - 1]?.to ?? 0) - (extents[0]?.from ?? 0);
    const gap = (length - extents.reduce((sum, { from, to }) => sum + to - from, 0)) / (order.length - 1);
    let next = extents[0]?.from ?? 0;
    order.forEach((piece, k) => {
      const extent = extents[k] ?? { from: 0, to: 0 };
      places.set(piece, read(piece) + next - extent.from);
      next += extent.to - extent.from + gap;
    });
  }
  return withPiecesAt(figure, roundId, order, (piece) => put(piece.anchor, places.get(piece) ?? read(piece)));
}
