import { reversedPath, type Path } from './path';
import { distance, type Point } from './point';

const startOf = ({ segments }: Path): Point => segments[0]?.from ?? { x: 0, y: 0 };
const endOf = ({ segments }: Path): Point => segments[segments.length - 1]?.to ?? { x: 0, y: 0 };

/** The same path, its first or last point moved to another that is as good as the same. */
function endingAt(path: Path, end: Point): Path {
  const last = path.segments[path.segments.length - 1];
  if (!last || distance(last.to, end) === 0) return path;
  return { ...path, segments: [...path.segments.slice(0, -1), { ...last, to: end }] };
}

/**
 * Open paths joined where two of their ends meet, and closed where the last meets the first; where more than two ends meet nothing is
 * joined, as it is not known which belong together.
 * @param near ends nearer to one another than this meet
 */
export function chained(paths: readonly Path[], near: number): Path[] {
  const open = paths.filter(({ closed }) => !closed);
  const cell = (p: Point, dx: number, dy: number): string =>
    `${Math.round(p.x / near) + dx} ${Math.round(p.y / near) + dy}`;
  const ends = new Map<string, { readonly of: number; readonly isStart: boolean; readonly at: Point }[]>();
  open.forEach((path, of) => {
    for (const isStart of [true, false]) {
      const at = isStart ? startOf(path) : endOf(path);
      const key = cell(at, 0, 0);
      ends.set(key, [...(ends.get(key) ?? []), { of, isStart, at }]);
    }
  });
  const meeting = (p: Point) =>
    [-1, 0, 1].flatMap((dx) =>
      [-1, 0, 1].flatMap((dy) =>
        (ends.get(cell(p, dx, dy)) ?? []).filter(({ at }) => distance(at, p) <= near),
      ),
    );
  /** What goes on from an end of a path; null where nothing does, or too much. */
  const next = (of: number, isStart: boolean) => {
    const path = open[of];
    if (!path) return null;
    const all = meeting(isStart ? startOf(path) : endOf(path));
    const others = all.filter((each) => each.of !== of || each.isStart !== isStart);
    return all.length === 2 ? (others[0] ?? null) : null;
  };
  const done = new Set<number>();
  const chains: Path[] = [];
  const follow = (first: number, fromStart: boolean): void => {
    let chain: Path = { closed: false, segments: [] };
    let at: { of: number; isStart: boolean } | null = { of: first, isStart: fromStart };
    while (at && !done.has(at.of)) {
      const { of, isStart }: { of: number; isStart: boolean } = at;
      done.add(of);
      const path = open[of];
      if (!path) break;
      const piece = isStart ? path : reversedPath(path);
      const before = chain.segments.length > 0 ? endingAt(chain, startOf(piece)) : chain;
      chain = { closed: false, segments: [...before.segments, ...piece.segments] };
      at = next(of, !isStart);
    }
    const isRing = at !== null && at.of === first && at.isStart === fromStart && chain.segments.length > 1;
    chains.push(isRing ? { ...endingAt(chain, startOf(chain)), closed: true } : chain);
  };
  // From loose ends first, then what is left goes round.
  open.forEach((_, of) => {
    for (const isStart of [true, false]) if (!done.has(of) && next(of, isStart) === null) follow(of, isStart);
  });
  open.forEach((_, of) => {
    if (!done.has(of)) follow(of, true);
  });
  return [...paths.filter(({ closed }) => closed), ...chains];
}
