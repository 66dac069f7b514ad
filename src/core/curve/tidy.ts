import { contoursOfPaths, pathsOfContours, type Contour } from './contours';
import { joined } from './joined';
import { arcLength, pathLength } from './length';
import { signedArea, type Path } from './path';
import { distance, type Point } from './point';
import { line, reversed, type Segment } from './segment';
import { withEnds } from './part';

/** What tidying did. */
export interface TidyReport {
  /** Nodes before and after. */
  readonly before: number;
  readonly after: number;
  /** Nodes that lay on one another. */
  readonly doubled: number;
  /** Nodes on which one line, arc or curve went on. */
  readonly needless: number;
  /** Open ends that were brought together. */
  readonly closed: number;
  /** Outlines that enclosed next to nothing. */
  readonly slivers: number;
  /** Stretches of lines that ran along another line, of the motif or of its copies. */
  readonly lines: number;
}

export const NOTHING_DONE: TidyReport = {
  before: 0,
  after: 0,
  doubled: 0,
  needless: 0,
  closed: 0,
  slivers: 0,
  lines: 0,
};

export const addReports = (a: TidyReport, b: TidyReport): TidyReport => ({
  before: a.before + b.before,
  after: a.after + b.after,
  doubled: a.doubled + b.doubled,
  needless: a.needless + b.needless,
  closed: a.closed + b.closed,
  slivers: a.slivers + b.slivers,
  lines: a.lines + b.lines,
});

/** Segments shorter than a width go; their neighbours meet where they were. */
function withoutShort(segments: readonly Segment[], closed: boolean, width: number): Segment[] {
  const kept = segments.filter((segment) => arcLength(segment) > width);
  if (kept.length === segments.length) return [...segments];
  return kept.map((segment, k) => {
    const before = kept[k - 1] ?? (closed ? kept[kept.length - 1] : undefined);
    if (!before || distance(before.to, segment.from) === 0) return segment;
    const from = before.to;
    // An arc put off its circle is one no more: what was left out is so short that a line shows no difference.
    if (segment.kind === 'arc') return segment;
    return withEnds(segment, from, segment.to);
  });
}

/** Straight ends where neighbours do not quite meet after something between them went. */
function bridged(segments: readonly Segment[], closed: boolean): Segment[] {
  return segments.flatMap((segment, k) => {
    const next = segments[k + 1] ?? (closed ? segments[0] : undefined);
    if (!next || distance(segment.to, next.from) === 0) return [segment];
    return segment.kind === 'arc' || next.kind === 'arc'
      ? [segment, line(segment.to, next.from)]
      : [withEnds(segment, segment.from, next.from)];
  });
}

/** Neighbours that are one line, arc or cubic become that one. */
function withoutNeedless(segments: readonly Segment[], closed: boolean): Segment[] {
  const list = [...segments];
  for (let k = 0; k + 1 < list.length;) {
    const one = joined(list[k] as Segment, list[k + 1] as Segment);
    if (one) list.splice(k, 2, one);
    else k += 1;
  }
  // A closed line goes on over its start; two segments at least are left of it.
  while (closed && list.length > 2) {
    const one = joined(list[list.length - 1] as Segment, list[0] as Segment);
    if (!one) break;
    list.splice(0, 1);
    list[list.length - 1] = one;
  }
  return list;
}

/** Open paths whose ends are nearer than a width become one, or closed. */
function closedGaps(paths: readonly Path[], width: number): { paths: Path[]; closed: number } {
  let closed = 0;
  const open = paths.filter((path) => !path.closed && path.segments.length > 0);
  const done = paths.filter((path) => path.closed);
  const start = ({ segments }: Path): Point => (segments[0] as Segment).from;
  const end = ({ segments }: Path): Point => (segments[segments.length - 1] as Segment).to;
  const back = ({ segments }: Path): Path => ({
    closed: false,
    segments: [...segments].reverse().map(reversed),
  });
  for (let k = 0; k < open.length;) {
    const path = open[k] as Path;
    const other = open.findIndex(
      (each, j) =>
        j !== k && Math.min(distance(end(path), start(each)), distance(end(path), end(each))) <= width,
    );
    const next = open[other];
    if (!next) {
      k += 1;
      continue;
    }
    const on = distance(end(path), start(next)) <= width ? next : back(next);
    open[k] = { closed: false, segments: bridgedChain(path.segments, on.segments) };
    open.splice(other, 1);
    closed += 1;
    k = 0;
  }
  const paired = open.map((path): Path => {
    const longer = pathLength(path) > 3 * width;
    if (!longer || distance(start(path), end(path)) > width) return path;
    closed += 1;
    return { closed: true, segments: bridged(path.segments, true) };
  });
  return { paths: [...done, ...paired], closed };
}

const bridgedChain = (a: readonly Segment[], b: readonly Segment[]): Segment[] =>
  bridged([...a, ...b], false);

/** Thinner than this many widths in the mean, an outline is a sliver: twice its area over its length. */
const meanWidth = (path: Path): number => (2 * Math.abs(signedArea([path]))) / pathLength(path);

/**
 * Contours with as few nodes as their geometry needs: nodes on one another and nodes on which one line, arc or cubic goes on are
 * taken away, ends nearer than `width` are brought together, and outlines thinner than it go.
 * @param width in the figure's unit; what is larger stays as it is
 */
export function tidied(
  contours: readonly Contour[],
  width: number,
): { contours: Contour[]; report: TidyReport } {
  const count = (list: readonly Path[]): number =>
    list.reduce((sum, { segments }) => sum + segments.length, 0);
  const paths = pathsOfContours(contours);
  const gaps = closedGaps(paths, width);
  let [doubled, needless, slivers] = [0, 0, 0];
  const made = gaps.paths.flatMap((path): Path[] => {
    const long = bridged(withoutShort(path.segments, path.closed, width), path.closed);
    doubled += Math.max(0, path.segments.length - long.length);
    if (long.length === 0) {
      slivers += 1;
      return [];
    }
    const few = withoutNeedless(long, path.closed);
    needless += long.length - few.length;
    const clean = { closed: path.closed, segments: few };
    if (path.closed && meanWidth(clean) < width) {
      slivers += 1;
      return [];
    }
    return [clean];
  });
  return {
    contours: contoursOfPaths(made),
    report: {
      before: count(paths),
      after: count(made),
      doubled,
      needless,
      closed: gaps.closed,
      slivers,
      lines: 0,
    },
  };
}
