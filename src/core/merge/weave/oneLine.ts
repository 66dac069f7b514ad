/**
 * Stretches of lines that lie on one another, as one line. What is left is cut where lines part and goes on as straight as it can,
 * so that the outlines of three lenses that share arcs become the one knot that is seen.
 *
 * @example
 * asOneLine([{ line: 0, path: lens }, { line: 0, path: itsNeighbour }], 1e-6);
 */
import {
  directionAt,
  distance,
  dot,
  drawnOnce,
  lengthUntil,
  nearestOnPath,
  type Path,
  pathLength,
  pieceAlong,
  type Point,
  reversedPath,
  scaleBy,
} from '@/core/curve';

export interface Lined {
  readonly line: number;
  readonly path: Path;
}

/** An end of an open piece: where it is, and which way the piece leaves it. */
interface End {
  readonly piece: number;
  readonly isStart: boolean;
  readonly at: Point;
  readonly away: Point;
}

const endsOf = ({ path: { closed, segments } }: Lined, piece: number): End[] => {
  const [first, last] = [segments[0], segments[segments.length - 1]];
  if (closed || !first || !last) return [];
  return [
    { piece, isStart: true, at: first.from, away: directionAt(first, 0) },
    { piece, isStart: false, at: last.to, away: scaleBy(directionAt(last, 1), -1) },
  ];
};

/** @returns null where nothing lies on anything else @param within how near lines lie that are one, in the figure's unit */
export function asOneLine(lines: readonly Lined[], within: number): Lined[] | null {
  const { lines: kept, doubled } = drawnOnce(
    lines.map(({ path }) => [path]),
    [],
    within,
  );
  if (doubled === 0) return null;
  const pieces = kept.flatMap((paths, k) => paths.map((path) => ({ line: lines[k]?.line ?? 0, path })));
  const parting = pieces.flatMap(endsOf).map(({ at }) => at);
  return chained(
    pieces.flatMap(({ line, path }) => cutAt(path, parting, within).map((piece) => ({ line, path: piece }))),
    within,
  );
}

/** A path cut where places lie on it; a closed one begins at the first of them. */
function cutAt(path: Path, places: readonly Point[], within: number): Path[] {
  const length = pathLength(path);
  const cuts: number[] = [];
  for (const place of places) {
    const foot = nearestOnPath(path, place);
    if (!foot || foot.distance > within) continue;
    const along = lengthUntil(path, foot.segment, foot.t);
    const isEnd = along <= within || along >= length - within;
    // All lines of a closed path are cut at its start too, where lines part there.
    const at = isEnd && path.closed ? 0 : along;
    if ((!isEnd || path.closed) && !cuts.some((known) => Math.abs(known - at) <= within)) cuts.push(at);
  }
  if (cuts.length === 0) return [path];
  cuts.sort((a, b) => a - b);
  const bounds = path.closed ? cuts : [0, ...cuts, length];
  const pieces = bounds.slice(1).map((to, k) => pieceAlong(path, bounds[k] ?? 0, to));
  if (!path.closed) return pieces;
  const [first, last] = [bounds[0] ?? 0, bounds[bounds.length - 1] ?? 0];
  const over = [...pieceAlong(path, last, length).segments, ...pieceAlong(path, 0, first).segments];
  return [...pieces, { closed: false, segments: over }];
}

/** Open pieces joined where they meet: at each place the two that go on straightest first, and of one line only. */
function chained(pieces: readonly Lined[], within: number): Lined[] {
  const ends = pieces.flatMap(endsOf);
  const goesOn = new Map<End, End>();
  const places: End[][] = [];
  for (const end of ends) {
    const place = places.find(([first]) => first && distance(first.at, end.at) <= 4 * within);
    if (place) place.push(end);
    else places.push([end]);
  }
  for (const place of places) {
    const pairs = place.flatMap((a, k) =>
      place.slice(k + 1).map((b) => ({ a, b, straight: -dot(a.away, b.away) })),
    );
    for (const { a, b } of pairs.sort((p, q) => q.straight - p.straight)) {
      const isOneLine = pieces[a.piece]?.line === pieces[b.piece]?.line;
      if (!isOneLine || goesOn.has(a) || goesOn.has(b)) continue;
      goesOn.set(a, b);
      goesOn.set(b, a);
    }
  }
  const startOf = (piece: number, isStart: boolean): End | undefined =>
    ends.find((end) => end.piece === piece && end.isStart === isStart);
  const used = new Set<number>();
  /** Goes on from an end of a piece as far as pieces join. */
  const follow = (piece: number, forward: boolean): { path: Path[]; isClosed: boolean } => {
    const path: Path[] = [];
    let [at, ahead] = [piece, forward];
    for (;;) {
      const own = (pieces[at] as Lined).path;
      path.push(ahead ? own : reversedPath(own));
      used.add(at);
      const end = startOf(at, !ahead);
      const next = end && goesOn.get(end);
      if (!next) return { path, isClosed: false };
      if (next.piece === piece) return { path, isClosed: true };
      [at, ahead] = [next.piece, next.isStart];
    }
  };
  const made: Lined[] = pieces.filter(({ path }) => path.closed);
  const chain = (piece: number, forward: boolean): void => {
    const { path, isClosed } = follow(piece, forward);
    const segments = path.flatMap((each) => each.segments);
    made.push({ line: (pieces[piece] as Lined).line, path: { closed: isClosed, segments } });
  };
  for (const end of ends) if (!goesOn.has(end) && !used.has(end.piece)) chain(end.piece, end.isStart);
  pieces.forEach(({ path }, k) => {
    if (!path.closed && !used.has(k)) chain(k, true);
  });
  return made;
}
