import type { Work } from '@/core/derive';
import { applyTo, type Bounds, boundsOfPaths, distance, inverse, type Point, turnMap } from '@/core/curve';
import { endsOver, movedRun, withRun } from '@/core/paint';
import type { Gradient, Spread } from '@/core/scene';
import type { Figure, Round, ShapeId } from './model';
import { reachOfMotif } from './reach';
import { seenPaths, seenShapes } from './seen';

/**
 * Where a gradient of a spread begins and ends at first: over the box of the cell, the motif, what is selected, or the page; over a
 * whole round from the centre to how far it reaches. In the coordinates of that spread; see `Gradient`.
 */
export function endsOfSpread(
  figure: Figure,
  round: Round,
  shapeIds: ReadonlySet<ShapeId>,
  kind: Gradient['kind'],
  spread: Spread,
  work: Work,
): [Point, Point] {
  const paths = (only: boolean) => seenPaths(round, work, only ? shapeIds : undefined);
  const about = (reach: number): [Point, Point] =>
    kind === 'radial'
      ? [
          { x: 0, y: 0 },
          { x: 0, y: -reach },
        ]
      : [
          { x: 0, y: -reach },
          { x: 0, y: reach },
        ];
  switch (spread) {
    case 'cell':
      return endsOver(kind, { left: 0, right: 1, top: 0, bottom: 1 });
    case 'copy':
    case 'selection': {
      const chosen = paths(spread === 'selection');
      const all = chosen.length > 0 ? chosen : paths(false);
      return all.length > 0 ? endsOver(kind, boundsOfPaths(all)) : about(1);
    }
    case 'round':
      return about(reachOfMotif(round, work)?.outer ?? 1);
    case 'page': {
      const { width, height, centre } = figure.page;
      if (kind === 'radial') return about(Math.max(width, height) / 2);
      return [
        { x: 0 - centre.x, y: -height / 2 - centre.y },
        { x: 0 - centre.x, y: height / 2 - centre.y },
      ];
    }
  }
}

const LEAST_SIDE = 1e-9;

/** From a spread's own coordinates to those of the figure, for the first copy; and back. */
interface Mapping {
  readonly out: (p: Point) => Point;
  readonly back: (p: Point) => Point;
}

function mappingOf(spread: Spread, { rule }: Round, { left, right, top, bottom }: Bounds): Mapping {
  if (spread === 'round' || spread === 'page') return { out: (p) => p, back: (p) => p };
  const turned = turnMap(rule.start);
  const unturned = inverse(turned);
  const out = (p: Point): Point => applyTo(turned, p);
  const back = (p: Point): Point => applyTo(unturned, p);
  if (spread !== 'cell') return { out, back };
  const [wide, high] = [right - left, bottom - top];
  return {
    out: ({ x, y }) => out({ x: left + x * wide, y: top + y * high }),
    back: (p) => {
      const { x, y } = back(p);
      return { x: (x - left) / wide, y: (y - top) / high };
    },
  };
}

/** True for a run that nobody has set: it is that over the whole of what it is spread over. */
function isFitted(gradient: Gradient, [from, to]: readonly [Point, Point]): boolean {
  const slack = 1e-6 * distance(from, to);
  return (
    gradient.across === undefined &&
    distance(gradient.from, from) <= slack &&
    distance(gradient.to, to) <= slack
  );
}

/**
 * A gradient spread over something else. A run that was set stays where it is, as it is seen on the first copy of what is selected, of the
 * motif where nothing is; one that is over the whole of what it was spread over is over the whole of the other.
 */
export function respread(
  figure: Figure,
  round: Round,
  shapeIds: ReadonlySet<ShapeId>,
  gradient: Gradient,
  spread: Spread,
  work: Work,
): Gradient {
  const shown = seenShapes(round, work);
  const chosen = shown.filter(({ ids }) => ids.some((id) => shapeIds.has(id)));
  // A gradient over each cell has as many runs as there are shapes: the first is the one that is kept.
  const [measured] = chosen.length > 0 ? chosen : shown;
  const box = boundsOfPaths(measured?.paths ?? []);
  const hasBox = box.right - box.left > LEAST_SIDE && box.bottom - box.top > LEAST_SIDE;
  const fitted = (over: Spread): [Point, Point] =>
    endsOfSpread(figure, round, shapeIds, gradient.kind, over, work);
  const isMeasured = (gradient.spread !== 'cell' && spread !== 'cell') || hasBox;
  if (!isMeasured || isFitted(gradient, fitted(gradient.spread))) {
    return { ...withRun(gradient, ...fitted(spread)), spread };
  }
  const [before, after] = [mappingOf(gradient.spread, round, box), mappingOf(spread, round, box)];
  const kept = (p: Point): Point => after.back(before.out(p));
  return { ...movedRun(gradient, kept), spread };
}
