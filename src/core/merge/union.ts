// Only types and the file without a DOM: the library runs in workers, on the server and in tests.
import paper from 'paper/dist/paper-core.js';

import { MIRROR, turnMap } from '../curve/affine';
import { boundsOfPaths } from '../curve/bounds';
import { isOwnMirror, mapPath, samePath, signedArea, type Path } from '../curve/path';
import { cubic, cubicsOfArc, line, type Segment } from '../curve/segment';
import { turn } from '../number/turn';
import { MergeFailed, MergeStopped, type MergeControl, type MergeFacts, type MergePart } from './merge';
import type { MergeRequest, MergeResult, MergeShape } from './merge';
import { symmetrize } from './symmetrize';

/** The library works best on figures of this size; coordinates are scaled to it and back. */
const WORKING_SIZE = 1000;

let scope: paper.PaperScope | null = null;

function library(): paper.PaperScope {
  if (!scope) {
    scope = new paper.PaperScope();
    scope.setup(new paper.Size(1, 1));
  }
  return scope;
}

function toLibrary(shape: MergeShape, scale: number): paper.PathItem {
  const { Path: LibraryPath, Point } = library();
  const item = new LibraryPath({ insert: false });
  const at = (p: { x: number; y: number }) => new Point(p.x * scale, p.y * scale);
  shape.path.segments.forEach((segment, k) => {
    if (k === 0) item.moveTo(at(segment.from));
    if (segment.kind === 'line') item.lineTo(at(segment.to));
    const curves = segment.kind === 'arc' ? cubicsOfArc(segment) : segment.kind === 'cubic' ? [segment] : [];
    for (const curve of curves) item.cubicCurveTo(at(curve.out), at(curve.in), at(curve.to));
  });
  item.closePath();
  item.fillRule = shape.rule;
  return item;
}

function fromLibrary(item: paper.PathItem, scale: number): Path[] {
  const children = item instanceof library().CompoundPath ? item.children : [item];
  return children.flatMap((child) => {
    if (!(child instanceof library().Path) || child.segments.length < 2) return [];
    const segments = child.curves.map((curve): Segment => {
      const at = (p: paper.Point) => ({ x: p.x / scale, y: p.y / scale });
      if (!curve.hasHandles()) return line(at(curve.point1), at(curve.point2));
      return cubic(
        at(curve.point1),
        at(curve.point1.add(curve.handle1)),
        at(curve.point2.add(curve.handle2)),
        at(curve.point2),
      );
    });
    return [{ closed: true, segments }];
  });
}

/** The copies of a shape that differ: a circle about the centre has one, whatever the fold. */
function differingCopies(shape: MergeShape, fold: number, tolerance: number): MergeShape[] {
  const copies = [shape];
  for (let k = 1; k < fold; k += 1) {
    const path = mapPath(shape.path, turnMap(turn(k, fold)));
    if (samePath(path, shape.path, tolerance)) break;
    copies.push({ ...shape, path });
  }
  return copies;
}

function factsOf(parts: readonly MergePart[], milliseconds: number): MergeFacts {
  const segments = { line: 0, arc: 0, cubic: 0 };
  let loops = 0;
  let area = 0;
  for (const part of parts) {
    loops += part.loops.length * part.turns.length;
    area += signedArea(part.loops) * part.turns.length;
    for (const loop of part.loops)
      for (const segment of loop.segments) segments[segment.kind] += part.turns.length;
  }
  return { loops, nodes: segments.line + segments.arc + segments.cubic, area, segments, milliseconds };
}

/**
 * The union of all copies of a wedge's closed shapes, by a general-purpose curve library, pair by pair, and
 * then made exactly symmetric. Arcs come back as cubics within 4e-7 of their radius.
 * @throws MergeStopped where the caller stops it; MergeFailed where the library's result is not symmetric.
 */
export async function unionOfCopies(request: MergeRequest, control: MergeControl = {}): Promise<MergeResult> {
  const started = performance.now();
  const closed = request.shapes.filter(({ path }) => path.closed && path.segments.length > 0);
  const box = boundsOfPaths(closed.map(({ path }) => path));
  const size = Math.max(Math.abs(box.left), Math.abs(box.right), Math.abs(box.top), Math.abs(box.bottom));
  if (closed.length === 0 || !(size > 0))
    return { parts: [], facts: factsOf([], performance.now() - started) };

  const tolerance = 1e-9 * size;
  const halves = request.mirror
    ? closed.flatMap((shape) =>
        isOwnMirror(shape.path, tolerance)
          ? [shape]
          : [shape, { ...shape, path: mapPath(shape.path, MIRROR) }],
      )
    : closed;
  const scale = WORKING_SIZE / size;
  let level = halves
    .flatMap((shape) => differingCopies(shape, request.fold, tolerance))
    .map((shape) => toLibrary(shape, scale));
  const steps = level.length;
  let done = 0;
  while (level.length > 1) {
    const next: paper.PathItem[] = [];
    for (let k = 0; k < level.length; k += 2) {
      const [a, b] = [level[k], level[k + 1]];
      if (!a) continue;
      next.push(b ? a.unite(b, { insert: false }) : a);
      done += 1;
      control.progress?.(Math.min(1, done / steps));
      await control.pause?.();
      if (control.stopped?.()) throw new MergeStopped();
    }
    level = next;
  }
  const whole = level[0] && steps === 1 ? level[0].unite(level[0], { insert: false }) : level[0];
  if (!whole) throw new MergeFailed('Nothing was left of the shapes.');
  whole.reorient(true, true);
  const parts = symmetrize(fromLibrary(whole, scale), request.fold, size);
  return { parts, facts: factsOf(parts, performance.now() - started) };
}
