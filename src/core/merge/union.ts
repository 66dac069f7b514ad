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

const SAMPLES = 400;

/** The part of a number's digits in a base after the point, reversed: evenly spread points (Halton). */
function halton(index: number, base: number): number {
  let [rest, share, sum] = [index, 1, 0];
  for (; rest > 0; rest = Math.floor(rest / base)) {
    share /= base;
    sum += share * (rest % base);
  }
  return sum;
}

/** True where, at evenly spread points, an item covers what either of two others covers. */
function coversTheSame(united: paper.PathItem, p: paper.PathItem, q: paper.PathItem): boolean {
  const box = p.bounds.unite(q.bounds);
  return Array.from({ length: SAMPLES }, (_, k) => {
    const at = new (library().Point)(
      box.x + box.width * halton(k + 1, 2),
      box.y + box.height * halton(k + 1, 3),
    );
    return united.contains(at) === (p.contains(at) || q.contains(at));
  }).every(Boolean);
}

/** Turns, in degrees, at which a union is tried: curves that only touch fall out differently at each. */
const TRIES = [0, 11.3, 37.9, 73.1, 101.7, 149.3, 200.1, 251.9, 307.7];

/**
 * The union of two items, with a check: its area and that of the intersection add up to theirs
 * (inclusion and exclusion), or, where the intersection is what went wrong, it covers what they cover. The library now and then loses an area where curves touch; another direction
 * of the plane then mostly helps.
 * @throws MergeFailed where no direction does.
 */
function uniteChecked(a: paper.PathItem, b: paper.PathItem): paper.PathItem {
  const areaOf = (item: paper.PathItem): number => Math.abs((item as paper.Path | paper.CompoundPath).area);
  const both = areaOf(a) + areaOf(b);
  for (const degrees of TRIES) {
    const origin = new (library().Point)(0, 0);
    const [p, q] = degrees === 0 ? [a, b] : [a.clone({ insert: false }), b.clone({ insert: false })];
    if (degrees !== 0) for (const item of [p, q]) item.rotate(degrees, origin);
    const united = p.unite(q, { insert: false });
    const adds = Math.abs(areaOf(united) + areaOf(p.intersect(q, { insert: false })) - both) <= 1e-5 * both;
    if (!adds && !coversTheSame(united, p, q)) continue;
    if (degrees !== 0) united.rotate(-degrees, origin);
    return united;
  }
  throw new MergeFailed(
    'These shapes touch in a way that could not be united; the copies were left as they are.',
  );
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
  const copies = halves.map((shape) => differingCopies(shape, request.fold, tolerance));
  const scale = WORKING_SIZE / size;
  const attempts = [copies.flat(), roundTheCentre(copies)];
  for (const [k, attempt] of attempts.entries()) {
    try {
      const whole = await uniteAll(
        attempt.map((shape) => toLibrary(shape, scale)),
        control,
      );
      whole.reorient(true, true);
      const parts = symmetrize(fromLibrary(whole, scale), request.fold, size);
      return { parts, facts: factsOf(parts, performance.now() - started) };
    } catch (error) {
      if (!(error instanceof MergeFailed) || k === attempts.length - 1) throw error;
    }
  }
  throw new MergeFailed('These shapes could not be united; the copies were left as they are.');
}

/** The same copies in the order in which they stand round the centre. */
const roundTheCentre = (copies: readonly (readonly MergeShape[])[]): MergeShape[] => {
  const most = Math.max(...copies.map(({ length }) => length));
  return Array.from({ length: most }, (_, k) => copies.flatMap((each) => each.slice(k, k + 1))).flat();
};

/** All items united, pair by pair. @throws MergeStopped, MergeFailed */
async function uniteAll(items: paper.PathItem[], control: MergeControl): Promise<paper.PathItem> {
  let level = items;
  const steps = level.length;
  let done = 0;
  while (level.length > 1) {
    const next: paper.PathItem[] = [];
    for (let k = 0; k < level.length; k += 2) {
      const [a, b] = [level[k], level[k + 1]];
      if (!a) continue;
      next.push(b ? uniteChecked(a, b) : a);
      done += 1;
      control.progress?.(Math.min(1, done / steps));
      await control.pause?.();
      if (control.stopped?.()) throw new MergeStopped();
    }
    level = next;
  }
  const whole = level[0] && steps === 1 ? level[0].unite(level[0], { insert: false }) : level[0];
  if (!whole) throw new MergeFailed('Nothing was left of the shapes.');
  return whole;
}
