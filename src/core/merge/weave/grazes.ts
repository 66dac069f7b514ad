import { between, lengthUntil, nearestOnPath, type Point, stationsAlong } from '@/core/curve';
import { type Alike, onceForAll } from './alike';
import { onStrand, pieceOf, pointOnStrand, type Strand } from './strands';
import { folds } from './trail';

/** A place where bands overlap and their middle lines do not cross. */
export interface Graze {
  readonly at: Point;
  readonly spots: readonly [{ strand: number; along: number }, { strand: number; along: number }];
  /** Along how much of the first strand, about. */
  readonly length: number;
}

/** Points along all strands that are looked at; with more of them they lie farther apart. */
const MOST_SAMPLES = 60_000;
/** Bands that overlap by less than this share of their widths only touch. */
const TOUCH = 0.98;

interface Sample {
  readonly strand: number;
  readonly index: number;
  readonly along: number;
  readonly at: Point;
}

function samplesOf(alike: Alike, halfOf: (strand: Strand) => number): Sample[][] {
  const { strands } = alike;
  const wanted = strands.reduce((sum, strand) => sum + strand.length / halfOf(strand), 0);
  const sparse = Math.max(1, wanted / MOST_SAMPLES);
  const along = onceForAll(alike, (a) => {
    const { path, length } = strands[a] as Strand;
    const count = Math.max(4, Math.ceil(length / (halfOf(strands[a] as Strand) * sparse)));
    const alongs = Array.from(
      { length: path.closed ? count : count + 1 },
      (_, index) => (index * length) / count,
    );
    return stationsAlong(path, alongs).map(({ point }, k) => ({ at: point, along: alongs[k] ?? 0 }));
  });
  return strands.map((_, strand) => {
    const { found, steps } = along(strand, strand);
    return found.map(({ at, along: length }, index) => ({
      strand,
      index,
      along: length,
      at: alike.turnedPoint(at, steps),
    }));
  });
}

/** How far a point is from a straight side. Asked very often: without objects on the way. */
function distanceToSide(p: Point, a: Point, b: Point): number {
  const [sx, sy] = [b.x - a.x, b.y - a.y];
  const [px, py] = [p.x - a.x, p.y - a.y];
  const square = sx * sx + sy * sy;
  const t = square > 0 ? Math.min(1, Math.max(0, (px * sx + py * sy) / square)) : 0;
  const [dx, dy] = [px - t * sx, py - t * sy];
  return Math.sqrt(dx * dx + dy * dy);
}

/** For each strand that is near a sample: how near, and the sample of it that is nearest. */
type Near = Map<number, { away: number; sample: Sample }>;

/**
 * Where bands overlap beside their crossings: the nearest places of two strands, or of one to itself, that are less than half of both
 * widths apart.
 * @param isKnown true for places on a strand whose overlap with another belongs to a crossing
 */
export function grazesAmong(
  alike: Alike,
  halfOf: (strand: Strand) => number,
  isKnown: (a: number, along: number, b: number) => boolean,
): Graze[] {
  const { strands } = alike;
  const samples = samplesOf(alike, halfOf);
  const widest = Math.max(...strands.map(halfOf));
  const size = 2 * widest;
  const cells = new Map<number, Sample[]>();
  // Two whole numbers as one; different cells have different names within a million cells of the centre.
  const nameOf = (x: number, y: number): number => x * 2_000_003 + y;
  const cellOf = ({ x, y }: Point): [number, number] => [Math.floor(x / size), Math.floor(y / size)];
  for (const sample of samples.flat()) {
    const name = nameOf(...cellOf(sample.at));
    const list = cells.get(name);
    if (list) list.push(sample);
    else cells.set(name, [sample]);
  }
  const roundOn = ({ path, length }: Strand, apart: number): number =>
    path.closed ? Math.min(Math.abs(apart), length - Math.abs(apart)) : Math.abs(apart);
  const isAtEnd = ({ path, length }: Strand, along: number): boolean =>
    !path.closed && Math.min(along, length - along) < 3 * widest;
  const nearOf = ({ strand, at, along }: Sample): Near => {
    const near: Near = new Map();
    const own = strands[strand] as Strand;
    if (isAtEnd(own, along)) return near;
    const [cx, cy] = cellOf(at);
    for (let x = cx - 1; x <= cx + 1; x += 1)
      for (let y = cy - 1; y <= cy + 1; y += 1)
        for (const sample of cells.get(nameOf(x, y)) ?? []) {
          if (!looksFor(alike, strand, sample.strand)) continue;
          if (Math.abs(sample.at.x - at.x) > size || Math.abs(sample.at.y - at.y) > size) continue;
          const other = strands[sample.strand] as Strand;
          const wide = halfOf(own) + halfOf(other);
          if (sample.strand === strand && roundOn(own, along - sample.along) < 4 * wide) continue;
          if (isAtEnd(other, sample.along)) continue;
          const list = samples[sample.strand] as Sample[];
          const next = list[(sample.index + 1) % list.length] as Sample;
          const side = sample.index + 1 < list.length || other.path.closed ? next.at : sample.at;
          const away = distanceToSide(at, sample.at, side);
          if (away < TOUCH * wide && away < (near.get(sample.strand)?.away ?? Infinity))
            near.set(sample.strand, { away, sample });
        }
    return near;
  };
  const areCopies = strands.every(({ copy }) => copy !== null);
  const grazes: Graze[] = [];
  samples.forEach((list, a) => {
    if (areCopies && alike.stepOf(a) > 0) return;
    const own = strands[a] as Strand;
    const nears = list.map(nearOf);
    const at = (k: number): Near | undefined =>
      own.path.closed ? nears[(k + nears.length) % nears.length] : nears[k];
    nears.forEach((near, k) => {
      for (const [b, { away, sample }] of near) {
        const [before, after] = [at(k - 1)?.get(b)?.away ?? Infinity, at(k + 1)?.get(b)?.away ?? Infinity];
        // Bands side by side for long have no nearest place.
        const isLeast = away <= before && away < after && Math.max(before, after) - away > 1e-9 * widest;
        const along = (list[k] as Sample).along;
        if (!isLeast || isKnown(a, along, b)) continue;
        let run = 1;
        for (const sign of [-1, 1])
          for (let n = 1; n < nears.length && at(k + sign * n)?.has(b); n += 1) run += 1;
        const found = nearestPlace(strands, a, along, b, sample.along, own.length / list.length);
        if (a === b && foldsAt(own, found.spots[0].along, found.spots[1].along, halfOf(own))) continue;
        const isNew = !grazes.some(
          ({ spots: [p, q] }) =>
            p.strand === a && q.strand === b && roundOn(own, p.along - found.spots[0].along) < halfOf(own),
        );
        if (isNew) grazes.push({ ...found, length: (run * own.length) / list.length });
      }
    });
  });
  return grazes.flatMap((graze) => turnedGrazes(alike, graze)).sort(inOrder);
}

/**
 * True where places of two strands are looked for along the first of them: along one of the two, and of two copies only along the first
 * copy, as what is found there is turned.
 */
function looksFor({ strands, fold, stepsBetween }: Alike, a: number, b: number): boolean {
  const [p, q] = [strands[a]?.copy, strands[b]?.copy];
  if (!p || !q) return a <= b;
  if (p.step > 0) return false;
  if (p.first !== q.first) return p.first < q.first;
  return 2 * stepsBetween(a, b) <= fold;
}

/** A place between two strands with those that turns make of it, each once, the strand that comes first as the first of them. */
function turnedGrazes(alike: Alike, { at, spots: [a, b], length }: Graze): Graze[] {
  const { fold, strands } = alike;
  const [p, q] = [strands[a.strand]?.copy, strands[b.strand]?.copy];
  // Half a turn that takes two strands to one another takes each place to one that is found as well.
  const isHalf = p && q && p.first === q.first && 2 * alike.stepsBetween(a.strand, b.strand) === fold;
  const count = p && q ? (isHalf ? fold / 2 : fold) : 1;
  return Array.from({ length: count }, (_, steps): Graze => {
    const one = { strand: alike.turned(a.strand, steps), along: a.along };
    const other = { strand: alike.turned(b.strand, steps), along: b.along };
    const spots: Graze['spots'] = one.strand <= other.strand ? [one, other] : [other, one];
    return { at: alike.turnedPoint(at, steps), spots, length };
  });
}

const inOrder = ({ spots: [a, b] }: Graze, { spots: [p, q] }: Graze): number =>
  a.strand - p.strand || a.along - p.along || b.strand - q.strand;

/** True where a strand folds back between two lengths, whichever way round. */
function foldsAt(strand: Strand, a: number, b: number, half: number): boolean {
  const [low, high] = [Math.min(a, b), Math.max(a, b)];
  return (
    folds(strand, low, high, half) || (strand.path.closed && folds(strand, high, low + strand.length, half))
  );
}

/** The nearest places of two strands around two samples, by golden section on the first. */
function nearestPlace(
  strands: readonly Strand[],
  a: number,
  alongA: number,
  b: number,
  alongB: number,
  step: number,
): Omit<Graze, 'length'> {
  const [own, other] = [strands[a], strands[b]] as [Strand, Strand];
  const from = other.path.closed ? alongB - 4 * step : Math.max(0, alongB - 4 * step);
  const piece = pieceOf(
    other,
    from,
    other.path.closed ? alongB + 4 * step : Math.min(other.length, alongB + 4 * step),
  );
  const awayAt = (along: number): number =>
    nearestOnPath(piece, pointOnStrand(own, along))?.distance ?? Infinity;
  const golden = (Math.sqrt(5) - 1) / 2;
  let [low, high] = [alongA - 1.5 * step, alongA + 1.5 * step];
  for (let round = 0; round < 44; round += 1) {
    const [p, q] = [high - golden * (high - low), low + golden * (high - low)];
    if (awayAt(p) <= awayAt(q)) high = q;
    else low = p;
  }
  const along = (low + high) / 2;
  const at = pointOnStrand(own, along);
  const foot = nearestOnPath(piece, at);
  return {
    at: foot ? between(at, foot.point, 0.5) : at,
    spots: [
      { strand: a, along: onStrand(own, along) },
      { strand: b, along: onStrand(other, from + (foot ? lengthUntil(piece, foot.segment, foot.t) : 0)) },
    ],
  };
}
