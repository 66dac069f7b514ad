import { turnMap } from '../curve/affine';
import { mapPath, samePath, signedArea, type Path } from '../curve/path';
import { mapSegment, type Segment } from '../curve/segment';
import { multiplyTurn, NO_TURN, turn, type Turn } from '../number/turn';
import { MergeFailed, type MergePart } from './merge';
import { windingNumber } from '../curve/winding';

interface Loop {
  readonly path: Path;
  /** The loop that the turn by one step takes this one to. */
  next: number;
}

const turned = (path: Path, by: Turn): Path => mapPath(path, turnMap(by));

function linkLoops(paths: readonly Path[], fold: number, tolerance: number): Loop[] {
  const step = turn(1, fold);
  return paths.map((path) => {
    const image = turned(path, step);
    const next = paths.findIndex((other) => samePath(image, other, tolerance));
    if (next < 0) throw new MergeFailed('The merge came out uneven, so the copies were left as they are.');
    return { path, next };
  });
}

/** A loop that a part 1/order of a full turn maps onto itself, rebuilt from its first part by exact turns. */
function exactLoop(path: Path, order: number): Path {
  const count = path.segments.length;
  const share = count / order;
  const first = path.segments[0];
  if (order === 1 || !first || !Number.isInteger(share)) return path;
  const along = turned({ closed: false, segments: [first] }, turn(1, order)).segments[0];
  const ahead = path.segments[share];
  const forward = along && ahead && samePath(one(along), one(ahead), 1e-3);
  const part = turn(forward ? 1 : -1, order);
  const kept = path.segments.slice(0, share);
  const last = kept[share - 1];
  const [end] = mapSegment(first, turnMap(part));
  if (last && end) kept[share - 1] = { ...last, to: end.from };
  return {
    closed: true,
    segments: Array.from({ length: order }, (_, k) => turnMap(multiplyTurn(part, k))).flatMap((m) =>
      kept.flatMap((segment) => mapSegment(segment, m)),
    ),
  };
}

const one = (segment: Segment): Path => ({ closed: false, segments: [segment] });

const inside = (loop: Path, outer: Path, tolerance: number): boolean => {
  const from = loop.segments[0]?.from;
  return from !== undefined && windingNumber(outer, from, tolerance) !== 0;
};

/**
 * Takes the loops of a result that should be symmetric apart into orbits: of loops that turn into one
 * another one is kept with its exact turns, and a loop that turns into itself is rebuilt from its first part.
 * @throws MergeFailed where a turned loop is not among the loops.
 */
export function symmetrize(paths: readonly Path[], fold: number, size: number): MergePart[] {
  const tolerance = 1e-5 * size;
  const loops = linkLoops(paths, fold, tolerance);
  const parts: MergePart[] = [];
  const seen = new Set<number>();
  const holes = loops.filter(({ path }) => signedArea([path]) < 0);
  loops.forEach(({ path }, start) => {
    if (seen.has(start) || signedArea([path]) <= 0) return;
    let orbit = 0;
    for (let at = start; !seen.has(at) && orbit < fold; at = loops[at]?.next ?? start) {
      seen.add(at);
      orbit += 1;
    }
    const order = fold / orbit;
    const outer = exactLoop(path, order);
    const own = holes.filter(
      (hole) => inside(hole.path, path, tolerance) && isInnermost(hole.path, path, loops, tolerance),
    );
    parts.push({
      turns: Array.from({ length: orbit }, (_, k) => (k === 0 ? NO_TURN : turn(k, fold))),
      loops: [outer, ...exactHoles(own, loops, fold, order)],
    });
  });
  return parts;
}

/** True where no smaller outline inside `outer` holds the hole. */
function isInnermost(hole: Path, outer: Path, loops: readonly Loop[], tolerance: number): boolean {
  const area = signedArea([outer]);
  return !loops.some(({ path }) => {
    const other = signedArea([path]);
    return other > 0 && other < area && inside(hole, path, tolerance);
  });
}

function exactHoles(own: readonly Loop[], loops: readonly Loop[], fold: number, order: number): Path[] {
  const left = new Set(own);
  const found: Path[] = [];
  for (const hole of own) {
    if (!left.delete(hole)) continue;
    // The turns that keep the outline are multiples of fold/order steps; walk the hole's orbit under them.
    let size = 1;
    for (let at = stepped(hole, loops, fold / order); at !== hole && size < order; size += 1) {
      left.delete(at);
      at = stepped(at, loops, fold / order);
    }
    const exact = exactLoop(hole.path, order / size);
    for (let k = 0; k < size; k += 1) found.push(k === 0 ? exact : turned(exact, turn(k, order)));
  }
  return found;
}

function stepped(loop: Loop, loops: readonly Loop[], times: number): Loop {
  let at = loop;
  for (let k = 0; k < times; k += 1) at = loops[at.next] ?? at;
  return at;
}
