/**
 * Constructions among paths: what is a circle, an ellipse, a rectangle, a regular polygon, a star, or a band along a line gets its numbers back.
 *
 * @example
 * recognised([squarePath], 0.01); // { kind: 'polygon', params: { sides: 4, … }, … } or null
 */
import {
  add,
  arcFromBulge,
  between,
  bulgeOf,
  contoursOfPaths,
  distance,
  lengthOf,
  line,
  type Path,
  type Point,
  pointAt,
  polarOf,
  scaleBy,
  type Segment,
  subtract,
} from '@/core/curve';
import { type BuiltForm, innerRadius, placePath, polygon, rectangle, star } from '@/core/maker';
import { type Turn, turnFromDegrees } from '@/core/number';
import { circleOf, meanOf } from './mark';

/** The direction from one point to another, rounded to what `within` says of it. */
function directionOf(from: Point, to: Point, within: number): Turn {
  const v = subtract(to, from);
  const slack = (within / Math.max(lengthOf(v), within)) * (180 / Math.PI);
  const { degrees } = polarOf(v);
  const whole = Math.round(degrees * 4) / 4;
  return turnFromDegrees(Math.abs(whole - degrees) <= slack ? whole : degrees);
}

/** A length that is as good as a rounder one is that one. */
function rounded(length: number, within: number): number {
  const decimals = Math.max(0, Math.ceil(-Math.log10(Math.max(within, 1e-9))));
  const short = Number(length.toFixed(Math.max(0, decimals - 1)));
  return Math.abs(short - length) <= within / 10 ? short : length;
}

const cornersOf = ({ segments }: Path): Point[] => segments.map(({ from }) => from);

const isStraight = ({ segments, closed }: Path): boolean =>
  closed && segments.every(({ kind }) => kind === 'line');

/** How far points are from corners that are told by a path, wherever that begins; Infinity where there are not as many. */
function farFromCorners(corners: readonly Point[], path: Path): number {
  const others = cornersOf(path);
  if (others.length !== corners.length) return Infinity;
  return Math.max(...corners.map((p) => Math.min(...others.map((q) => distance(p, q)))));
}

function asCircle(path: Path, within: number): BuiltForm | null {
  const circle = circleOf(path, within);
  if (!circle) return null;
  const size = rounded(2 * circle.radius, within);
  return {
    kind: 'ellipse',
    at: circle.centre,
    rotation: { num: 0, den: 1 },
    params: { width: size, height: size },
  };
}

/** The points of an ellipse's path are where its own equation has them. */
function asEllipse(path: Path, within: number): BuiltForm | null {
  if (!path.closed || path.segments.length < 4 || path.segments.some(({ kind }) => kind !== 'cubic'))
    return null;
  const spots = path.segments.flatMap((segment) => [0, 0.25, 0.5, 0.75].map((t) => pointAt(segment, t)));
  const at = meanOf(
    path.segments.flatMap(
      (segment) =>
        [
          [segment.from, 1],
          [segment.to, 1],
        ] as const,
    ),
  );
  const far = spots.reduce((a, b) => (distance(b, at) > distance(a, at) ? b : a));
  const near = spots.reduce((a, b) => (distance(b, at) < distance(a, at) ? b : a));
  const [u, v] = [subtract(far, at), subtract(near, at)];
  const [a, b] = [lengthOf(u), lengthOf(v)];
  if (b < within || Math.abs(u.x * v.x + u.y * v.y) > 0.02 * a * b) return null;
  const isOn = (p: Point): boolean => {
    const w = subtract(p, at);
    const [x, y] = [(w.x * u.x + w.y * u.y) / a, (u.x * w.y - u.y * w.x) / a];
    return Math.abs(Math.hypot(x / a, y / b) - 1) * b <= within;
  };
  if (!spots.every(isOn)) return null;
  const params = { width: rounded(2 * b, within), height: rounded(2 * a, within) };
  return { kind: 'ellipse', at, rotation: directionOf(at, far, within), params };
}

function asRectangle(path: Path, within: number): BuiltForm | null {
  if (!isStraight(path) || path.segments.length !== 4) return null;
  const [p, q, r] = cornersOf(path) as [Point, Point, Point, Point];
  const at = between(p, r, 0.5);
  const [width, height] = [rounded(distance(p, q), within), rounded(distance(q, r), within)];
  const form: BuiltForm = {
    kind: 'rectangle',
    at,
    rotation: directionOf(r, q, within),
    params: { ...rectangle.start, width, height },
  };
  const made = rectangle.paths(form.params).map((each) => placePath(form, each));
  return farFromCorners(cornersOf(path), made[0] ?? path) <= within ? form : null;
}

function asPolygon(path: Path, within: number): BuiltForm | null {
  const corners = cornersOf(path);
  if (!isStraight(path) || corners.length < 3) return null;
  const at = meanOf(corners.map((p) => [p, 1]));
  const radius = corners.reduce((sum, p) => sum + distance(p, at), 0) / corners.length;
  if (corners.some((p) => Math.abs(distance(p, at) - radius) > within)) return null;
  const form: BuiltForm = {
    kind: 'polygon',
    at,
    rotation: directionOf(at, corners[0] as Point, within),
    params: { ...polygon.start, sides: corners.length, radius: rounded(radius, within) },
  };
  const [made] = polygon.paths(form.params).map((each) => placePath(form, each));
  return farFromCorners(corners, made ?? path) <= within ? form : null;
}

function asStar(path: Path, within: number): BuiltForm | null {
  const corners = cornersOf(path);
  const points = corners.length / 2;
  if (!isStraight(path) || points < 5 || !Number.isInteger(points)) return null;
  const at = meanOf(corners.map((p) => [p, 1]));
  const far = corners.reduce((a, b) => (distance(b, at) > distance(a, at) ? b : a));
  const radius = rounded(distance(far, at), within);
  const rotation = directionOf(at, far, within);
  for (let skip = 2; 2 * skip < points; skip += 1) {
    const params = { points, skip, radius, draw: 'outline' } as const;
    if (!corners.some((p) => Math.abs(distance(p, at) - innerRadius(params)) <= within)) continue;
    const form: BuiltForm = { kind: 'star', at, rotation, params };
    const [made] = star.paths(params).map((each) => placePath(form, each));
    if (farFromCorners(corners, made ?? path) <= within) return form;
  }
  return null;
}

/** Two sides of a band, facing each other, as the line in their middle; null where they are not as far apart all along. */
function middleOf(side: Segment, facing: Segment, width: number, within: number): Segment | null {
  if (side.kind !== facing.kind || side.kind === 'cubic') return null;
  const [from, to] = [between(side.from, facing.to, 0.5), between(side.to, facing.from, 0.5)];
  const across = (t: number): number => distance(pointAt(side, t), pointAt(facing, 1 - t));
  if (side.kind === 'line') {
    const [u, v] = [subtract(side.to, side.from), subtract(facing.from, side.from)];
    const apart = Math.abs(u.x * v.y - u.y * v.x) / lengthOf(u);
    const other = subtract(facing.to, side.from);
    const apartThere = Math.abs(u.x * other.y - u.y * other.x) / lengthOf(u);
    return Math.abs(apart - width) <= within && Math.abs(apartThere - width) <= within
      ? line(from, to)
      : null;
  }
  if (facing.kind !== 'arc' || distance(side.centre, facing.centre) > within) return null;
  const isEven = [0, 0.5, 1].every((t) => Math.abs(across(t) - width) <= within);
  return isEven ? arcFromBulge(from, to, (bulgeOf(side) - bulgeOf(facing)) / 2) : null;
}

/**
 * A closed outline of two rows of sides that run beside each other, as a band along the line in their middle with straight ends: sides of two
 * ends face each other, one by one.
 */
function asBand(path: Path, within: number): BuiltForm | null {
  const { segments, closed } = path;
  const sides = (segments.length - 2) / 2;
  if (!closed || !Number.isInteger(sides) || sides < 1) return null;
  for (let first = 0; first <= sides; first += 1) {
    const at = (k: number): Segment => segments[(first + k) % segments.length] as Segment;
    const [cap, end] = [at(0), at(sides + 1)];
    const width = distance(cap.from, cap.to);
    if (cap.kind !== 'line' || end.kind !== 'line' || Math.abs(distance(end.from, end.to) - width) > within)
      continue;
    const spine = Array.from({ length: sides }, (_, k) =>
      middleOf(at(1 + k), at(2 * sides + 1 - k), width, within),
    );
    const found = spine.filter((each) => each !== null);
    const length = found.reduce((sum, each) => sum + distance(each.from, each.to), 0);
    // What is wider than it is long is read as another thing.
    if (found.length < sides || length < 2 * width) continue;
    if (found.length === 1 && found[0]?.kind === 'line') continue;
    const along = contoursOfPaths([{ closed: false, segments: joinedEnds(found) }]);
    return {
      kind: 'band',
      at: { x: 0, y: 0 },
      rotation: { num: 0, den: 1 },
      params: {
        along,
        width: rounded(width, within),
        side: 'middle',
        join: 'miter',
        limit: 100,
        cap: 'butt',
        widths: [],
        dashes: [],
      },
    };
  }
  return null;
}

/** Segments whose ends meet to the last digit. */
const joinedEnds = (segments: readonly Segment[]): Segment[] =>
  segments.map((segment, k) => {
    const before = segments[k - 1];
    return before ? { ...segment, from: before.to } : segment;
  });

/** Two circles about one middle, of which the space between is filled, as a band along the circle between them. */
function asRing(paths: readonly Path[], within: number): BuiltForm | null {
  const [a, b] = paths.map((path) => circleOf(path, within));
  if (paths.length !== 2 || !a || !b || distance(a.centre, b.centre) > within) return null;
  const [width, radius] = [Math.abs(a.radius - b.radius), (a.radius + b.radius) / 2];
  const top = add(a.centre, { x: 0, y: -radius });
  const under = subtract(scaleBy(a.centre, 2), top);
  const along = contoursOfPaths([
    { closed: true, segments: [arcFromBulge(top, under, 1), arcFromBulge(under, top, 1)] },
  ]);
  return {
    kind: 'band',
    at: { x: 0, y: 0 },
    rotation: { num: 0, den: 1 },
    params: { along, width, side: 'middle', join: 'miter', limit: 4, cap: 'butt', widths: [], dashes: [] },
  };
}

/** True where a corner between two lines lies on the line from the one's begin to the other's end. */
function isNoCorner(a: Segment, b: Segment, within: number): boolean {
  if (a.kind !== 'line' || b.kind !== 'line') return false;
  const [u, v] = [subtract(b.to, a.from), subtract(a.to, a.from)];
  const length = lengthOf(u);
  const along = (u.x * v.x + u.y * v.y) / length;
  return (
    length > 0 && along > 0 && along < length && Math.abs(u.x * v.y - u.y * v.x) <= (within / 10) * length
  );
}

/** A closed path without nodes in the middle of straight sides. */
function withoutStraightNodes(path: Path, within: number): Path {
  const kept: Segment[] = [];
  for (const segment of path.segments) {
    const before = kept[kept.length - 1];
    if (before && isNoCorner(before, segment, within)) kept[kept.length - 1] = line(before.from, segment.to);
    else kept.push(segment);
  }
  const [first] = kept;
  const last = kept[kept.length - 1];
  if (path.closed && kept.length > 3 && first && last && isNoCorner(last, first, within))
    return { closed: true, segments: [line(last.from, first.to), ...kept.slice(1, -1)] };
  return { closed: path.closed, segments: kept };
}

const READERS = [asCircle, asEllipse, asRectangle, asPolygon, asStar, asBand];

/**
 * The construction that draws paths; null where it is none that is known.
 * @param within how far its points may be from theirs
 * @param isHollow true where of two circles what is between them is filled
 */
export function recognised(paths: readonly Path[], within: number, isHollow = false): BuiltForm | null {
  const [path, another] = paths;
  if (!path) return null;
  if (another) return isHollow ? asRing(paths, within) : null;
  const plain = withoutStraightNodes(path, within);
  for (const read of READERS) {
    const form = read(plain, within);
    if (form) return form;
  }
  return null;
}
