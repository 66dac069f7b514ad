/**
 * A figure as a tile that repeats: how its copies lie in the plane, and which of them reach into one tile, so that what goes over an edge
 * goes on at the other side.
 *
 * @example
 * const tile = tileOf(scene, { arrangement: 'brick', spacing: 10, turn: 0, half: false });
 * for (const { at, turned } of tile.places) draw(scene, at, turned);      // a tile of tile.width × tile.height
 */
import {
  type Affine,
  applyTo,
  type Bounds,
  boundsOfPaths,
  compose,
  mapPath,
  moveMap,
  type Point,
  polygonPath,
  turnMap,
} from '@/core/curve';
import { turn } from '@/core/number';
import { placedAt, type Scene } from '@/core/scene';

/** How copies lie: in rows and columns; rows or columns shifted by half; or each in the middle of six. */
export const ARRANGEMENTS = ['square', 'brick', 'drop', 'hexagon'] as const;
type Arrangement = (typeof ARRANGEMENTS)[number];

export interface TileChoices {
  readonly arrangement: Arrangement;
  /** Between pages, in per cent of the longer side of one; below 0 they overlap. */
  readonly spacing: number;
  /** Each figure about its centre, in degrees clockwise. */
  readonly turn: number;
  /** Neighbours stand on their heads. */
  readonly half: boolean;
}

/** One figure that reaches into a tile. */
interface TilePlace {
  /** Where its centre is, in the tile's coordinates, whose upper left corner is 0, 0. */
  readonly at: Point;
  /** In degrees clockwise. */
  readonly turned: number;
}

export interface Tile {
  readonly width: number;
  readonly height: number;
  /** Back to front, by rule that is the same in every tile. */
  readonly places: readonly TilePlace[];
}

/** More figures than this do not reach into one tile. */
const MOST_PLACES_IN_TILE = 400;

const cornersOf = ({ left, right, top, bottom }: Bounds): Point[] => [
  { x: left, y: top },
  { x: right, y: top },
  { x: right, y: bottom },
  { x: left, y: bottom },
];

const placeMap = ({ at, turned }: TilePlace): Affine =>
  compose(moveMap(at), turnMap(turn(Math.round(turned * 1000), 360_000)));

/** The box of all that a scene draws, about its centre, strokes and their corners counted in; none where it draws nothing. */
function reachOfScene(scene: Scene): Bounds | null {
  const all: Bounds[] = scene.layers.flatMap((layer) =>
    layer.copies.flatMap((copy) =>
      placedAt(layer, copy).map(({ item, map }) => {
        const { stroke } = item.paint;
        const wide = stroke
          ? (stroke.width / 2) * Math.max(1, stroke.join === 'miter' ? (stroke.limit ?? 4) : 1.5)
          : 0;
        const box = boundsOfPaths(item.paths);
        const around = {
          left: box.left - wide,
          right: box.right + wide,
          top: box.top - wide,
          bottom: box.bottom + wide,
        };
        return boundsOfPaths([mapPath(polygonPath(cornersOf(around)), map)]);
      }),
    ),
  );
  if (all.length === 0) return null;
  return all.reduce((a, b) => ({
    left: Math.min(a.left, b.left),
    right: Math.max(a.right, b.right),
    top: Math.min(a.top, b.top),
    bottom: Math.max(a.bottom, b.bottom),
  }));
}

/** The figures of one tile, and the tile's size: before those of its neighbours are counted in. */
function patternOf(wide: number, high: number, { arrangement, half, turn: own }: TileChoices): Tile {
  const stood = (x: number, y: number, isTurned: boolean): TilePlace => ({
    at: { x, y },
    turned: own + (half && isTurned ? 180 : 0),
  });
  switch (arrangement) {
    case 'square':
      return half
        ? {
            width: 2 * wide,
            height: 2 * high,
            places: [0, 1].flatMap((row) =>
              [0, 1].map((column) =>
                stood((column + 0.5) * wide, (row + 0.5) * high, (row + column) % 2 === 1),
              ),
            ),
          }
        : { width: wide, height: high, places: [stood(wide / 2, high / 2, false)] };
    case 'brick':
      return {
        width: wide,
        height: 2 * high,
        places: [stood(wide / 2, high / 2, false), stood(wide, 1.5 * high, true)],
      };
    case 'drop':
      return {
        width: 2 * wide,
        height: high,
        places: [stood(wide / 2, high / 2, false), stood(1.5 * wide, high, true)],
      };
    case 'hexagon': {
      // Each has six neighbours equally far away: rows are a distance times the height of an even triangle apart.
      const side = Math.max(wide, high);
      const row = (side * Math.sqrt(3)) / 2;
      return {
        width: side,
        height: 2 * row,
        places: [stood(side / 2, row / 2, false), stood(side, 1.5 * row, true)],
      };
    }
  }
}

/** The tile of a scene, with all figures that reach into it from around. */
export function tileOf(scene: Scene, choices: TileChoices): Tile {
  const { width, height } = scene.page;
  const gap = (Math.max(width, height) * choices.spacing) / 100;
  const pattern = patternOf(width + gap, height + gap, choices);
  const reach = reachOfScene(scene);
  if (!reach) return { ...pattern, places: [] };
  const inside: TilePlace[] = [];
  for (const place of pattern.places) {
    const box = boundsOfPaths([
      polygonPath(cornersOf(reach).map((corner) => applyTo(placeMap(place), corner))),
    ]);
    const columns = [
      Math.floor(-box.right / pattern.width),
      Math.ceil((pattern.width - box.left) / pattern.width),
    ];
    const rows = [
      Math.floor(-box.bottom / pattern.height),
      Math.ceil((pattern.height - box.top) / pattern.height),
    ];
    for (let row = rows[0] ?? 0; row <= (rows[1] ?? 0); row += 1)
      for (let column = columns[0] ?? 0; column <= (columns[1] ?? 0); column += 1) {
        const by = { x: column * pattern.width, y: row * pattern.height };
        const isSeen =
          box.right + by.x > 0 &&
          box.left + by.x < pattern.width &&
          box.bottom + by.y > 0 &&
          box.top + by.y < pattern.height;
        if (isSeen) inside.push({ ...place, at: { x: place.at.x + by.x, y: place.at.y + by.y } });
      }
  }
  // What lies over what depends on where they lie to one another alone, so that it is the same across an edge.
  const places = inside.sort((a, b) => a.at.y - b.at.y || a.at.x - b.at.x).slice(0, MOST_PLACES_IN_TILE);
  return { ...pattern, places };
}
