import { mapPaint, placedPaint } from '@/core/paint';
import { finding, type Finding } from '@/core/finding';
import {
  type Affine,
  compose,
  lengthOf,
  mapPath,
  moveMap,
  ORIGIN,
  pathsOfContours,
  scaleMap,
  turnMap,
} from '@/core/curve';
import type { Laid } from '@/core/scene';
import type { Maker, ShapePaint } from './construction';
import type { DrawnPart, Place } from './drawn';

export type DrawingParams = {
  readonly parts: readonly DrawnPart[];
  /** The same picture where what is painted first reaches under what lies beside it; none where the parts are that. */
  readonly cover?: readonly DrawnPart[];
  readonly places: readonly Place[];
};

export const MOST_PARTS = 4000;
export const MOST_PLACES = 500;
/** All parts at all places have so many nodes at most. */
const MOST_NODES = 400_000;

const nodesIn = (parts: readonly DrawnPart[]): number =>
  parts.reduce((sum, { contours }) => sum + contours.reduce((all, { nodes }) => all + nodes.length, 0), 0);

/** Why a drawing with so many parts cannot be placed so often, or null where it can. */
export function drawingProblem({ parts, cover = [], places }: DrawingParams): Finding | null {
  if (parts.length === 0) return finding('drawing.empty');
  if (Math.max(parts.length, cover.length) > MOST_PARTS)
    return finding('drawing.parts', parts.length, MOST_PARTS);
  if (places.length === 0) return finding('drawing.places');
  return Math.max(nodesIn(parts), nodesIn(cover)) * places.length > MOST_NODES
    ? finding('drawing.nodes', places.length, MOST_NODES)
    : null;
}

export const mapAt = ({ x, y, size, turn }: Place): Affine =>
  compose(moveMap({ x, y }), compose(turnMap(turn), scaleMap(size, ORIGIN)));

/** How the parts of a drawing are laid: one object for each group of them. */
export function laidParts(parts: readonly DrawnPart[]): (Laid | undefined)[] {
  const groups = new Map<number, Laid>();
  return parts.map(({ laid }) => {
    if (!laid) return undefined;
    const { group, ...how } = laid;
    const known = groups.get(group) ?? how;
    groups.set(group, known);
    return known;
  });
}

/** How a drawing's parts are painted at all its places, one after the other. */
const placedPaints = ({ parts, places }: DrawingParams, map: Affine): ShapePaint[] =>
  places.flatMap((place) => {
    const there = compose(map, mapAt(place));
    const laid = laidParts(parts);
    return parts.map(({ paint, rule }, k) => ({
      rule,
      paint: placedPaint(paint, there),
      ...(laid[k] && { laid: laid[k] }),
    }));
  });

/** Another figure, as it was when it was taken, shown at one place or many; each part keeps its own paint. */
export const drawing: Maker<DrawingParams> = {
  name: 'Placed figure',
  fields: [
    { key: 'parts', label: 'Parts', type: 'parts' },
    { key: 'cover', label: 'Parts that reach under one another', type: 'parts', mayBeNone: true },
    { key: 'places', label: 'Places', type: 'places' },
  ],
  start: {
    parts: [
      {
        contours: [
          {
            closed: true,
            nodes: [
              { x: 0, y: -10, kind: 'corner', bulge: 1 },
              { x: 0, y: 10, kind: 'corner', bulge: 1 },
            ],
          },
        ],
        paint: { fill: '#1f8a76', stroke: null },
        rule: 'nonzero',
      },
    ],
    places: [{ x: 0, y: 0, size: 1, turn: { num: 0, den: 1 } }],
  },
  problem: drawingProblem,
  painted: (params, _shape, _parts, map) => placedPaints(params, map),
  paints: ({ parts }) => parts.map(({ paint }) => paint),
  recoloured: ({ parts, cover, ...params }, change) => {
    const changed = (list: readonly DrawnPart[]): DrawnPart[] =>
      list.map((part) => ({ ...part, paint: mapPaint(part.paint, change) }));
    return { ...params, parts: changed(parts), ...(cover && { cover: changed(cover) }) };
  },
  partSizes: ({ parts }) => parts.map(({ contours }) => contours.length),
  paths: ({ parts, places }) =>
    places.flatMap((place) => {
      const map = mapAt(place);
      return parts.flatMap(({ contours }) => pathsOfContours(contours).map((path) => mapPath(path, map)));
    }),
  grips: ({ places }) =>
    places.map((place, k) => ({
      id: `place ${k + 1}`,
      at: { x: place.x, y: place.y },
      drag: (to) => ({ places: places.map((each, j) => (j === k ? { ...each, x: to.x, y: to.y } : each)) }),
    })),
  facts: ({ parts, places }) => [
    { caption: 'Shapes in it', value: parts.length, as: 'plain' },
    { caption: 'Places', value: places.length, as: 'plain' },
  ],
};

/** How far a drawing reaches from its centre at size 1: no node or handle of it is farther. */
export const radiusOfParts = (parts: readonly DrawnPart[]): number =>
  Math.max(
    0,
    ...parts.flatMap(({ contours, paint }) =>
      pathsOfContours(contours).flatMap(({ segments }) =>
        segments.map((segment) => {
          const spots = segment.kind === 'cubic' ? [segment.out, segment.in] : [];
          const bow = segment.kind === 'arc' ? lengthOf(segment.centre) + segment.radius : 0;
          const ends = Math.max(lengthOf(segment.from), lengthOf(segment.to), ...spots.map(lengthOf));
          return Math.max(ends, bow) + (paint.stroke?.width ?? 0) / 2;
        }),
      ),
    ),
  );
