/**
 * Paths: segments one after another, closed or open.
 *
 * @example
 * const area = signedArea([closedPath(path)]);
 */
import { MIRROR, type Affine } from './affine';
import { distance, type Point } from './point';
import { doubleAreaUnder, line, mapSegment, reversed, type Segment } from './segment';

/** Segments end to end; a closed path's last segment ends where its first begins. */
export interface Path {
  readonly closed: boolean;
  readonly segments: readonly Segment[];
}

/** A closed path of straight sides. */
export const polygonPath = (corners: readonly Point[]): Path => ({
  closed: true,
  segments: corners.map((from, k) => line(from, corners[(k + 1) % corners.length] ?? from)),
});

export const mapPath = (path: Path, m: Affine): Path => ({
  closed: path.closed,
  segments: path.segments.flatMap((segment) => mapSegment(segment, m)),
});

/** The same path walked from its other end. */
export const reversedPath = (path: Path): Path => ({
  closed: path.closed,
  segments: path.segments.map(reversed).reverse(),
});

/** An open path closed by a straight side, where its ends are apart. */
export function closedPath(path: Path): Path {
  const [first] = path.segments;
  const last = path.segments[path.segments.length - 1];
  if (path.closed || !first || !last) return path;
  const gap = distance(last.to, first.from) > 0;
  return { closed: true, segments: gap ? [...path.segments, line(last.to, first.from)] : path.segments };
}

/**
 * The area that closed paths enclose, exact and signed: positive where they run clockwise on the screen,
 * so that holes walked the other way are taken off.
 */
export const signedArea = (paths: readonly Path[]): number =>
  paths.reduce(
    (sum, path) =>
      path.closed
        ? sum + path.segments.reduce((part, segment) => part + doubleAreaUnder(segment), 0) / 2
        : sum,
    0,
  );

function inner(segment: Segment): Point[] {
  if (segment.kind === 'cubic') return [segment.out, segment.in];
  return segment.kind === 'arc' ? [segment.centre] : [];
}

const near = (a: readonly Point[], b: readonly Point[], tolerance: number): boolean =>
  a.length === b.length &&
  a.every((p, k) => {
    const q = b[k];
    return q !== undefined && distance(p, q) <= tolerance;
  });

const sameSegment = (a: Segment, b: Segment, tolerance: number): boolean =>
  a.kind === b.kind &&
  near([a.from, a.to], [b.from, b.to], tolerance) &&
  near(inner(a), inner(b), tolerance) &&
  (a.kind !== 'arc' || b.kind !== 'arc' || Math.abs(a.sweep - b.sweep) < 1e-9);

/** True where two paths are the same curve, wherever a closed one starts and whichever way either runs. */
export function samePath(a: Path, b: Path, tolerance: number): boolean {
  if (a.closed !== b.closed || a.segments.length !== b.segments.length) return false;
  const count = a.segments.length;
  const matches = (other: readonly Segment[], shift: number) =>
    a.segments.every((segment, k) => {
      const candidate = other[(k + shift) % count];
      return candidate !== undefined && sameSegment(segment, candidate, tolerance);
    });
  const shifts = a.closed ? Array.from({ length: count }, (_, k) => k) : [0];
  return [b.segments, reversedPath(b).segments].some((other) =>
    shifts.some((shift) => matches(other, shift)),
  );
}

/** True where paths are together their own image in the axis, within a tolerance, whichever is whose. */
export function areOwnMirror(paths: readonly Path[], tolerance: number): boolean {
  const left = [...paths];
  return paths.every((path) => {
    const image = mapPath(path, MIRROR);
    const found = left.findIndex((other) => samePath(image, other, tolerance));
    if (found >= 0) left.splice(found, 1);
    return found >= 0;
  });
}
