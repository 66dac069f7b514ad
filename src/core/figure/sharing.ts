import {
  type Affine,
  boundsOfPaths,
  compose,
  distance,
  lengthOf,
  mapPath,
  MIRROR,
  type Path,
  type Point,
  pointAt,
  type Segment,
  turnMap,
} from '@/core/curve';
import { turn } from '@/core/number';
import type { MergeShape } from '@/core/merge';
import type { TurnRule } from '@/core/symmetry';

type Symmetry = Pick<TurnRule, 'fold' | 'mirror'>;

/** A text that two segments share where they run between the same points by the same way, in either direction. */
function placeOf(segment: Segment, grain: number): string {
  const at = ({ x, y }: Point): string => `${Math.round(x / grain)},${Math.round(y / grain)}`;
  const ends = [at(segment.from), at(segment.to)].sort().join(' ');
  return `${ends} ${at(pointAt(segment, 0.5))}`;
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
  const seen = new Map<string, number>();
  const placed = shapes.flatMap(({ paths: own }) =>
    maps.map((map) => own.map((path): Path => (map ? mapPath(path, map) : path))),
  );
  return placed.some((own, k) =>
    own.some(({ segments }) =>
      segments.some((segment) => {
        const place = placeOf(segment, slack * 10);
        const before = seen.get(place);
        seen.set(place, k);
        return before !== undefined && Math.floor(before / maps.length) !== Math.floor(k / maps.length);
      }),
    ),
  );
}
