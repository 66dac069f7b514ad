import type { CoverRule } from './windings';
import type { Group } from './group';
import { Floats, Ints, valueAt } from './lists';
import { angleBetween, polarAt, rangeOfPart } from './polar';
import type { Sources } from './sources';

const FULL = 2 * Math.PI;
const BANDS = 32;
const DEEPEST = 7;

/** All points whose distance from the centre is between two: each of them inside at least one copy. */
export interface Annulus {
  readonly inner: number;
  readonly outer: number;
}

/** A piece of a segment between two parameters, as the folding takes it. */
export interface Piece {
  readonly source: number;
  readonly from: number;
  readonly to: number;
}

/** Parts of pieces in polar coordinates, each at most about a band high or a part of a sector wide. */
class Stretches {
  /** The angles that each takes up, clockwise from `froms` to `tos`, 0 to 2π; the same bits where ends meet. */
  readonly froms = new Floats();
  readonly tos = new Floats();
  /** 1 where it runs clockwise, −1 where it runs the other way, 0 where it runs straight in or out. */
  readonly ways = new Ints();
  readonly lows = new Floats();
  readonly highs = new Floats();
  readonly paths = new Ints();

  constructor(
    private readonly sources: Sources,
    private readonly apex: number,
    private readonly step: number,
    private readonly height: number,
  ) {}

  add(source: number, t0: number, t1: number, depth = 0): void {
    const { sources, apex } = this;
    const { low, high } = rangeOfPart(sources, source, t0, t1);
    const start = polarAt(sources, source, t0, 1, apex).angle;
    const end = polarAt(sources, source, t1, -1, apex).angle;
    const way = angleBetween(start, end);
    if (depth < DEEPEST && high - low > this.height && Math.abs(way) > this.step) {
      const middle = (t0 + t1) / 2;
      this.add(source, t0, middle, depth + 1);
      this.add(source, middle, t1, depth + 1);
      return;
    }
    this.froms.push(way > 0 ? start : end);
    this.tos.push(way > 0 ? end : start);
    this.ways.push(Math.sign(way));
    this.lows.push(Math.max(0, low));
    this.highs.push(high);
    this.paths.push(sources.path(source));
  }

  /** What a stretch adds to the winding number of a point within its angles and nearer to the centre. */
  passes(k: number, angle: number): number {
    const from = this.froms.at(k);
    const to = this.tos.at(k);
    // Half open, by the wrapped angles alone, so that what meets in an end counts once.
    const inside = from <= to ? angle >= from && angle < to : angle >= from || angle < to;
    return inside ? this.ways.at(k) : 0;
  }
}

/** Parts of a line, each from a low to a high end. */
type Spans = [number, number][];

function merged(spans: Spans): Spans {
  spans.sort((a, b) => a[0] - b[0]);
  const found: Spans = [];
  for (const [low, high] of spans) {
    const last = found[found.length - 1];
    if (last && low <= last[1]) last[1] = Math.max(last[1], high);
    else found.push([low, high]);
  }
  return found;
}

/** The angles of a circle that spans (each from 0 to 2π) leave free; one that passes 0 reaches beyond 2π. */
function gapsOf(spans: Spans): Spans {
  const taken = merged(spans);
  if (taken.length === 0) return [[0, FULL]];
  return taken.flatMap(([, high], k): Spans => {
    const next = taken[k + 1]?.[0] ?? (taken[0] as [number, number])[0] + FULL;
    return next > high ? [[high, next]] : [];
  });
}

/** True where spans, repeated at every period, leave nothing free. */
function fills(spans: Spans, period: number): boolean {
  const wrapped: Spans = [];
  for (const [low, high] of spans) {
    if (high - low >= period) return true;
    const start = ((low % period) + period) % period;
    const end = start + high - low;
    wrapped.push([start, Math.min(end, period)]);
    if (end > period) wrapped.push([0, end - period]);
  }
  const [first, ...more] = merged(wrapped);
  return first !== undefined && more.length === 0 && first[0] <= 0 && first[1] >= period;
}

/**
 * Annuli about the centre that the copies cover altogether, none thinner than the margins that it keeps to what is
 * not covered. In each of some bands it looks for angles between which no curve enters the band: there the
 * winding number is one and the same, and the copies of those that are covered have to fill the turn.
 * Only what is certain is given: a band that is covered in a way that this does not see is left out.
 */
export function coveredAnnuli(
  group: Group,
  sources: Sources,
  pieces: readonly Piece[],
  rules: readonly CoverRule[],
  apex: number,
  tolerance: number,
): Annulus[] {
  let [nearest, farthest] = [Infinity, 0];
  for (const { source, from, to } of pieces) {
    const { low, high } = rangeOfPart(sources, source, from, to);
    nearest = Math.min(nearest, low);
    farthest = Math.max(farthest, high);
  }
  nearest = Math.max(0, nearest);
  const height = (farthest - nearest) / BANDS;
  const margin = Math.max(16 * tolerance, height / 64);
  if (!(height > 4 * margin)) return [];
  const period = FULL / group.fold;
  const stretches = new Stretches(sources, apex, period / 4, height);
  for (const { source, from, to } of pieces) stretches.add(source, from, to);
  const order = Int32Array.from({ length: stretches.lows.length }, (_, k) => k).sort(
    (a, b) => stretches.lows.at(b) - stretches.lows.at(a),
  );

  const winding = new Int32Array(rules.length);
  const isCovered = (angle: number, above: number): boolean => {
    winding.fill(0);
    for (let i = 0; i < order.length; i += 1) {
      const k = valueAt(order, i);
      if (stretches.lows.at(k) < above) break;
      const passes = stretches.passes(k, angle);
      if (passes === 0) continue;
      const path = stretches.paths.at(k);
      winding[path] = valueAt(winding, path) + passes;
    }
    return rules.some((rule, path) => {
      const w = valueAt(winding, path);
      return rule === 'nonzero' ? w !== 0 : rule === 'evenodd' && w % 2 !== 0;
    });
  };

  const spansOf: Spans[] = Array.from({ length: BANDS }, () => []);
  for (const k of order) {
    const low = stretches.froms.at(k);
    const high = stretches.tos.at(k);
    const first = Math.max(0, Math.floor((stretches.lows.at(k) - nearest) / height - 1e-9));
    const last = Math.min(BANDS - 1, Math.floor((stretches.highs.at(k) - nearest) / height + 1e-9));
    for (let band = first; band <= last; band += 1) {
      if (low <= high) spansOf[band]?.push([low, high]);
      else spansOf[band]?.push([low, FULL], [0, high]);
    }
  }
  const annuli: Annulus[] = [];
  let start: number | null = null;
  for (let band = 0; band <= BANDS; band += 1) {
    const [bottom, top] = [nearest + band * height, nearest + (band + 1) * height];
    if (band < BANDS && isFull(spansOf[band] as Spans, bottom, top)) start ??= bottom;
    else if (start !== null) {
      annuli.push({ inner: start + margin, outer: bottom - margin });
      start = null;
    }
  }
  return annuli;

  function isFull(spans: Spans, bottom: number, top: number): boolean {
    const shrink = (4 * tolerance) / Math.max(bottom, 4 * tolerance);
    // What is narrow adds little and costs as much to look at; what is wide may do alone.
    const gaps = gapsOf(spans)
      .filter(([low, high]) => high - low > period / 8 + 4 * shrink)
      .sort((a, b) => b[1] - b[0] - (a[1] - a[0]));
    const covered: Spans = [];
    for (const [low, high] of gaps) {
      if (!isCovered(((low + high) / 2) % FULL, top)) continue;
      if (high - low > period + 4 * shrink) return true;
      const span: [number, number] = [low + shrink, high - shrink];
      covered.push(span);
      if (group.mirror) covered.push([-span[1], -span[0]]);
    }
    return fills(covered, period);
  }
}
