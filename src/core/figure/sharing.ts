import {
  type Affine,
  boundsOfPaths,
  compose,
  distance,
  lengthOf,
  mapPath,
  MIRROR,
  type Point,
  pointAt,
  type Segment,
  turnMap,
} from '@/core/curve';
import { turn } from '@/core/number';
import type { MergeShape } from '@/core/merge';
import type { TurnRule } from '@/core/symmetry';

type Symmetry = Pick<TurnRule, 'fold' | 'mirror'>;

/** The same for points in the same square of a grid, and hardly ever for others. */
const placeOf = ({ x, y }: Point, grain: number): number =>
  Math.round(x / grain) + 16_777_213 * Math.round(y / grain);

/** True where two segments run between the same points, in either direction. */
function hasSameEnds(a: Segment, b: Segment, slack: number): boolean {
  const isAt = (p: Point, q: Point): boolean => distance(p, q) <= slack;
  return (isAt(a.from, b.from) && isAt(a.to, b.to)) || (isAt(a.from, b.to) && isAt(a.to, b.from));
}

/** True for a straight side along a ray or an axis, where the neighbour's side may be: longer, shorter, or as long. */
function isAlongRay(segment: Segment, { fold, mirror }: Symmetry, slack: number): boolean {
  if (segment.kind !== 'line') return false;
  const { from, to } = segment;
  const far = lengthOf(from) > lengthOf(to) ? from : to;
  const length = distance(from, to);
  if (length <= slack || Math.abs(from.x * to.y - from.y * to.x) > slack * lengthOf(far)) return false;
  const steps = (Math.atan2(far.x, -far.y) / (2 * Math.PI)) * fold * 2;
  const away = Math.abs(steps - Math.round(steps));
  return (mirror || fold > 1) && away * (Math.PI / fold) * lengthOf(far) <= slack;
}

/**
 * True where copies of a motif's shapes may lie edge to edge: two of them share a side, or one has a side along a ray. It is a quick look at
 * the motif and its next copies; what it misses is drawn as it is.
 */
export function isSharing(shapes: readonly MergeShape[], symmetry: Symmetry): boolean {
  const paths = shapes.flatMap((shape) => shape.paths);
  const box = boundsOfPaths(paths);
  const slack = 1e-6 * Math.max(box.right - box.left, box.bottom - box.top, 1e-9);
  if (paths.some(({ segments }) => segments.some((each) => isAlongRay(each, symmetry, slack)))) return true;
  const maps: readonly (Affine | null)[] = [
    null,
    turnMap(turn(1, symmetry.fold)),
    ...(symmetry.mirror ? [MIRROR, compose(turnMap(turn(1, symmetry.fold)), MIRROR)] : []),
  ];
  // A shape that is its own image shares all sides with itself, which is no neighbour: shapes are told apart by their copies.
  const seen = new Map<number, { readonly segment: Segment; readonly shape: number }>();
  const grain = slack * 10;
  return shapes.some(({ paths: own }, shape) =>
    maps.some((map) =>
      own.some((path) =>
        (map ? mapPath(path, map) : path).segments.some((segment) => {
          const place = placeOf(pointAt(segment, 0.5), grain);
          const before = seen.get(place);
          seen.set(place, { segment, shape });
          return (
            before !== undefined && before.shape !== shape && hasSameEnds(before.segment, segment, grain)
          );
        }),
      ),
    ),
  );
}
