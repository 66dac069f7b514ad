import {
  type Affine,
  applyTo,
  arcFromBulge,
  distance,
  joined,
  lengthOf,
  mapPath,
  mapSegment,
  partOf,
  type Path,
  type Point,
  pointAt,
  reversed,
  reversedPath,
  type Segment,
  withEnds,
} from '@/core/curve';
import type { Arrangement } from './arrange';
import type { Group } from './group';
import { valueAt } from './lists';
import type { Outline, OutlineStep } from './outline';

/** A stretch of an outline that is one part of one copy of a segment. */
interface Run {
  readonly source: number;
  readonly element: number;
  readonly from: number;
  readonly to: number;
  /** The step that the run begins with. */
  readonly first: OutlineStep;
  /** All uses that are the whole of the run, this one too. */
  readonly uses: readonly Candidate[];
}

/** A use that a run may be part of, followed from step to step. */
interface Candidate {
  readonly source: number;
  readonly element: number;
  readonly from: number;
  readonly to: number;
}

/** Parameters that differ by less are the same cut. */
const SAME_CUT = 1e-9;
/** Between two cuts that differ by less may be a hair that was too short for an edge, and no loop. */
const HAIR = 1e-3;

/** Turns outlines of half-edges back into the curves they came from. */
export class Restorer {
  private readonly group: Group;
  private readonly maps = new Map<number, Affine>();

  constructor(private readonly arrangement: Arrangement) {
    this.group = arrangement.subdivision.group;
  }

  /** The exact map of a group element. */
  mapOf(element: number): Affine {
    const known = this.maps.get(element);
    if (known) return known;
    const { xx, xy, yx, yy } = this.group;
    const map: Affine = {
      a: valueAt(xx, element),
      b: valueAt(yx, element),
      c: valueAt(xy, element),
      d: valueAt(yy, element),
      e: 0,
      f: 0,
    };
    this.maps.set(element, map);
    return map;
  }

  /** The closed paths of an outline and of its images in the same region. */
  paths(outline: Outline): Path[] {
    const path = this.path(outline);
    return outline.images.map((element) => {
      if (element === 0) return path;
      const image = mapPath(path, this.mapOf(element));
      return element >= this.group.fold ? reversedPath(image) : image;
    });
  }

  private path(outline: Outline): Path {
    const circle = this.wholeCircle(outline);
    if (circle) return circle;
    const period = outline.mirrors
      ? this.mirroredPeriod(outline, outline.mirrors)
      : this.periodOf(this.runsOf(outline), outline);
    if (outline.repeats === 1) return { closed: true, segments: period };
    return { closed: true, segments: this.repeated(period, outline) };
  }

  /** A period and its turned copies, each segment ending in the very point that the next begins in. */
  private repeated(period: readonly Segment[], outline: Outline): Segment[] {
    const maps = [this.mapOf(0)];
    for (let k = 1, element = 0; k < outline.repeats; k += 1) {
      element = this.group.times(outline.period, element);
      maps.push(this.mapOf(element));
    }
    const starts = maps.flatMap((map, k) => period.map(({ from }) => (k === 0 ? from : applyTo(map, from))));
    const segments: Segment[] = [];
    for (const map of maps) {
      for (const segment of period) {
        const from = starts[segments.length] as Point;
        const to = (starts[segments.length + 1] ?? starts[0]) as Point;
        segments.push(turnedSegment(segment, map, from, to));
      }
    }
    return segments;
  }

  private usesOf(step: OutlineStep): Candidate[] {
    const { subdivision } = this.arrangement;
    const { edges } = subdivision;
    const edge = subdivision.edgeOf(step.half);
    const found: Candidate[] = [];
    for (let use = edges.firstUses.at(edge); use >= 0; use = edges.useNext.at(use)) {
      const [from, to] = [edges.useFrom.at(use), edges.useTo.at(use)];
      const back = step.half % 2 === 1;
      found.push({
        source: edges.useSources.at(use),
        element: this.group.times(step.element, edges.useElements.at(use)),
        from: back ? to : from,
        to: back ? from : to,
      });
    }
    return found;
  }

  private continues(a: Candidate, b: Candidate): boolean {
    return (
      a.source === b.source &&
      a.element === b.element &&
      a.to > a.from === b.to > b.from &&
      (Math.abs(a.to - b.from) < SAME_CUT || this.isHair(a.source, a.to, b.from))
    );
  }

  /** Whether a stretch of a segment is so short that both its ends are one vertex. */
  private isHair(source: number, from: number, to: number): boolean {
    if (Math.abs(to - from) > HAIR) return false;
    const { sources, vertices } = this.arrangement.subdivision.edges;
    const segment = sources.segments[source] as Segment;
    return distance(pointAt(segment, from), pointAt(segment, to)) <= vertices.tolerance;
  }

  /** As few runs as the uses allow: begun where no use goes on from the step before, each as long as can be. */
  private runsOf({ steps, period, mirrors }: Outline): Run[] {
    const uses = steps.map((step) => this.usesOf(step));
    const ahead = (list: Candidate[]): Candidate[] =>
      list.map((use) => ({ ...use, element: this.group.times(period, use.element) }));
    const count = steps.length;
    const goesOn = (before: readonly Candidate[], after: readonly Candidate[]): boolean =>
      before.some((a) => after.some((b) => this.continues(a, b)));
    let start = 0;
    for (let k = 0; k < count && !mirrors; k += 1) {
      const before = k === 0 ? (uses[count - 1] as Candidate[]) : (uses[k - 1] as Candidate[]);
      const here = k === 0 ? ahead(uses[0] as Candidate[]) : (uses[k] as Candidate[]);
      if (!goesOn(before, here)) {
        start = k;
        break;
      }
    }
    const runs: Run[] = [];
    let open: Candidate[] = [];
    let first: OutlineStep | null = null;
    const close = (): void => {
      const [best] = open;
      if (!best || !first) return;
      const { source, element, from, to } = best;
      runs.push({ source, element, from, to, first, uses: open });
    };
    for (let k = 0; k < count; k += 1) {
      const index = (start + k) % count;
      const wrapped = start + k >= count;
      const step = steps[index] as OutlineStep;
      const own = uses[index] as Candidate[];
      const here = wrapped ? ahead(own) : own;
      const longer: Candidate[] = [];
      for (const a of open) {
        const b = here.find((use) => this.continues(a, use));
        if (b) longer.push({ source: a.source, element: a.element, from: a.from, to: b.to });
      }
      if (longer.length > 0) open = longer;
      else {
        close();
        open = here;
        first = wrapped ? { half: step.half, element: this.group.times(period, step.element) } : step;
      }
    }
    close();
    return runs;
  }

  /** The segments of one period, end to end. */
  private periodOf(runs: readonly Run[], outline: Outline): Segment[] {
    const nodes = runs.map((run, k) => {
      const before = runs[k - 1] ?? null;
      return this.nodeBetween(before ?? this.shifted(runs[runs.length - 1] as Run, outline.period), run);
    });
    const last = applyTo(this.mapOf(outline.period), nodes[0] as Point);
    const segments = runs.map((run, k) =>
      withEnds(this.segmentOf(run), nodes[k] as Point, nodes[k + 1] ?? last),
    );
    return this.withoutSeams(segments, runs, outline.period);
  }

  /** The segments of a way from mirror to mirror and back in the second one. */
  private mirroredPeriod(outline: Outline, mirrors: { start: number; end: number }): Segment[] {
    const runs = this.runsOf(outline);
    const { subdivision } = this.arrangement;
    const { vertices } = subdivision.edges;
    const vertexAt = (half: number, element: number): Point => {
      const v = subdivision.origin(half);
      return applyTo(this.mapOf(element), { x: vertices.xs.at(v), y: vertices.ys.at(v) });
    };
    const lastStep = outline.steps[outline.steps.length - 1] as OutlineStep;
    const nodes = runs.map((run, k) =>
      k === 0 ? vertexAt(run.first.half, run.first.element) : this.nodeBetween(runs[k - 1] as Run, run),
    );
    nodes.push(vertexAt(lastStep.half ^ 1, lastStep.element));
    const there = this.withoutSeams(
      runs.map((run, k) => withEnds(this.segmentOf(run), nodes[k] as Point, nodes[k + 1] as Point)),
      runs,
      null,
    );
    const mirror = this.mapOf(mirrors.end);
    const back = there.toReversed().flatMap((segment) => mapSegment(reversed(segment), mirror));
    const count = there.length;
    const [first, last] = [there[0] as Segment, there[count - 1] as Segment];
    const through = this.throughMirror(runs[runs.length - 1] as Run, last, mirrors.end);
    const middle = through ? [...there.slice(0, -1), through, ...back.slice(1)] : [...there, ...back];
    if (count < 2) return middle;
    const entry = this.throughMirror(turnedBack(runs[0] as Run), reversed(first), mirrors.start);
    return entry ? [reversed(entry), ...middle.slice(1, -1)] : middle;
  }

  /**
   * The segment that leads to a mirror and on behind it as one, where it is its own image: a line or arc square to the
   * mirror, or a cubic that was drawn across it.
   */
  private throughMirror(run: Run, segment: Segment, reflection: number): Segment | null {
    const map = this.mapOf(reflection);
    const image = mapSegment(reversed(segment), map)[0] ?? segment;
    if (segment.kind !== 'cubic') return joined(segment, image);
    const { sources } = this.arrangement.subdivision.edges;
    const slack = 1e-11 * this.arrangement.size;
    for (const a of run.uses) {
      const b = run.uses.find(
        (use) =>
          use.source === a.source &&
          this.group.times(reflection, use.element) === a.element &&
          Math.abs(use.to - a.to) < SAME_CUT,
      );
      if (!b) continue;
      const part = partOf(sources.segments[a.source] as Segment, a.from, b.from);
      const whole = a.element === 0 ? part : (mapSegment(part, this.mapOf(a.element))[0] ?? part);
      const own = mapSegment(reversed(whole), map)[0];
      // Only what is its own image to the last digits may stand for both sides.
      if (
        own?.kind === 'cubic' &&
        whole.kind === 'cubic' &&
        distance(whole.from, segment.from) <= slack &&
        distance(whole.to, image.to) <= slack &&
        distance(own.out, whole.out) <= slack
      )
        return withEnds(whole, segment.from, image.to);
    }
    return null;
  }

  /** Lines and arcs of different copies or paths that run on in one another are one segment. */
  private withoutSeams(segments: readonly Segment[], runs: readonly Run[], period: number | null): Segment[] {
    const { sources } = this.arrangement.subdivision.edges;
    const strangers = (a: Run, b: Run): boolean =>
      a.element !== b.element || sources.path(a.source) !== sources.path(b.source);
    const kept: Segment[] = [];
    segments.forEach((segment, k) => {
      const before = kept[kept.length - 1];
      const one = before && strangers(runs[k - 1] as Run, runs[k] as Run) ? joined(before, segment) : null;
      if (one) kept[kept.length - 1] = one;
      else kept.push(segment);
    });
    const [first] = kept;
    const last = kept[kept.length - 1];
    if (period === null || kept.length < 2 || !first || !last) return kept;
    const ahead = period === 0 ? first : (mapSegment(first, this.mapOf(period))[0] ?? first);
    const afterLast = { ...(runs[0] as Run), element: this.group.times(period, (runs[0] as Run).element) };
    const seam = strangers(runs[runs.length - 1] as Run, afterLast) ? joined(last, ahead) : null;
    return seam ? [...kept.slice(1, -1), seam] : kept;
  }

  /** A run in the copy before its own. */
  private shifted(run: Run, period: number): Run {
    return { ...run, element: this.group.times(this.group.inverse(period), run.element) };
  }

  private segmentOf(run: Run): Segment {
    const { sources } = this.arrangement.subdivision.edges;
    const part = partOf(sources.segments[run.source] as Segment, run.from, run.to);
    return run.element === 0 ? part : (mapSegment(part, this.mapOf(run.element))[0] ?? part);
  }

  /** Where two runs meet: in a node that was drawn, if there is one, else in the vertex that was computed. */
  private nodeBetween(before: Run, after: Run): Point {
    const { subdivision } = this.arrangement;
    const { vertices } = subdivision.edges;
    const drawn = this.drawnNode(after, after.from) ?? this.drawnNode(before, before.to);
    if (drawn) return drawn;
    const v = subdivision.origin(after.first.half);
    return applyTo(this.mapOf(after.first.element), { x: vertices.xs.at(v), y: vertices.ys.at(v) });
  }

  /** The node that was drawn at an end of a run's segment; null at any other parameter. */
  private drawnNode({ source, element }: Run, t: number): Point | null {
    if (t !== 0 && t !== 1) return null;
    const segment = this.arrangement.subdivision.edges.sources.segments[source] as Segment;
    return applyTo(this.mapOf(element), t === 0 ? segment.from : segment.to);
  }

  /** An outline that is a circle about the centre, as two half arcs. */
  private wholeCircle({ steps, repeats }: Outline): Path | null {
    const { sources, vertices } = this.arrangement.subdivision.edges;
    if (repeats === 1) return null;
    let radius = 0;
    let way = 0;
    for (const step of steps) {
      const arc = this.usesOf(step)
        .map((use) => ({ use, segment: sources.segments[use.source] as Segment }))
        .find(({ segment }) => segment.kind === 'arc' && lengthOf(segment.centre) <= vertices.tolerance / 4);
      if (arc?.segment.kind !== 'arc') return null;
      radius = arc.segment.radius;
      const forward = arc.use.to > arc.use.from === arc.segment.sweep > 0;
      way = forward === arc.use.element < this.group.fold ? 1 : -1;
    }
    const [top, bottom] = [
      { x: 0, y: -radius },
      { x: 0, y: radius },
    ];
    return { closed: true, segments: [arcFromBulge(top, bottom, way), arcFromBulge(bottom, top, way)] };
  }
}

/** A run walked the other way. */
const turnedBack = (run: Run): Run => ({
  ...run,
  from: run.to,
  to: run.from,
  uses: run.uses.map((use) => ({ ...use, from: use.to, to: use.from })),
});

/** A segment turned about the centre, its ends given. */
function turnedSegment(segment: Segment, map: Affine, from: Point, to: Point): Segment {
  switch (segment.kind) {
    case 'line':
      return { kind: 'line', from, to };
    case 'cubic':
      return { kind: 'cubic', from, out: applyTo(map, segment.out), in: applyTo(map, segment.in), to };
    case 'arc': {
      const { radius, sweep } = segment;
      return { kind: 'arc', from, to, centre: applyTo(map, segment.centre), radius, sweep };
    }
  }
}
