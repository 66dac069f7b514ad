import type { Work } from '@/core/derive';
import {
  type Bounds,
  boundsOfPaths,
  gapBetween,
  gapOfCurves,
  mapPath,
  ORIGIN,
  type Path,
  scaleMap,
  turnMap,
} from '@/core/curve';
import { neighbourGap } from '@/core/maker';
import { bisected, gcd, type Turn } from '@/core/number';
import { placementMap } from '@/core/symmetry';
import { movedMotif } from './carried';
import { copiesOf, symmetryOf } from './copies';
import type { Figure, Round } from './model';
import { reachOfMotif } from './reach';
import { seenPaths } from './seen';

/** More pairs of curves than this are not compared while a person waits. */
const MOST_PAIRS = 40_000;

const segmentCount = (paths: readonly Path[]): number =>
  paths.reduce((sum, { segments }) => sum + segments.length, 0);

/** A copy of a round's motif, with its reflection where the round is mirrored, as it stands in the figure. */
const copyPaths = (round: Round, paths: readonly Path[], index: number, work: Work): Path[] => {
  const copy = copiesOf(round, work)[index];
  if (!copy) return [];
  return (round.rule.mirror ? [false, true] : [false]).flatMap((mirrored) => {
    const map = placementMap({ turn: copy.turn, transform: copy.transform, mirrored });
    return paths.map((path) => mapPath(path, map));
  });
};

/**
 * The gap between neighbouring copies of a round, in the figure's unit: the least over all neighbours where copies differ; negative
 * or −∞ where they overlap (see `neighbourGap`), null where there is nothing to compare or too much.
 */
export function gapOfRound(round: Round, work: Work): number | null {
  const paths = seenPaths(round, work);
  const copies = copiesOf(round, work);
  if (paths.length === 0 || copies.length < 2) return null;
  const { rule } = round;
  const segments = segmentCount(paths) * (rule.mirror ? 2 : 1);
  if (symmetryOf(round) === rule.fold && !round.variation)
    return segments ** 2 > MOST_PAIRS ? null : neighbourGap(paths, rule);
  const period = Math.max(1, rule.fold / symmetryOf(round));
  if (segments ** 2 * period > MOST_PAIRS) return null;
  const pairs = Math.min(period, copies.length - (rule.sweep ? 1 : 0));
  let least = Infinity;
  for (let k = 0; k < pairs; k += 1)
    least = Math.min(
      least,
      gapBetween(copyPaths(round, paths, k, work), copyPaths(round, paths, (k + 1) % copies.length, work)),
    );
  return least;
}

/**
 * The nearest that copies of one round come to copies of another, in the figure's unit; −∞ where they overlap, null where one is
 * empty or there is too much to compare. Of two rounds of folds a and b, only a / gcd(a, b) copies of the first stand
 * differently to the second.
 */
export function gapOfRounds(a: Round, b: Round, work: Work): number | null {
  const [mine, theirs] = [seenPaths(a, work), seenPaths(b, work)];
  if (mine.length === 0 || theirs.length === 0) return null;
  const common = gcd(symmetryOf(a), symmetryOf(b));
  const first = Math.min(copiesOf(a, work).length, Math.ceil(a.rule.fold / Math.max(1, common)));
  const boxed = (paths: Path[]) => ({ paths, box: boundsOfPaths(paths) });
  const others = copiesOf(b, work).map((_, k) => boxed(copyPaths(b, theirs, k, work)));
  if (segmentCount(mine) * first * segmentCount(others.flatMap(({ paths }) => paths)) > MOST_PAIRS * 4)
    return null;
  const own = Array.from({ length: first }, (_, k) => boxed(copyPaths(a, mine, k, work)));
  const pairs = own
    .flatMap((one) => others.map((other) => ({ one, other, away: boxesApart(one.box, other.box) })))
    .sort((x, y) => x.away - y.away);
  let least = Infinity;
  for (const { one, other, away } of pairs) {
    // Boxes that are farther apart than the nearest curves so far hold nothing nearer.
    if (away >= least) break;
    least = Math.min(least, gapBetween(one.paths, other.paths));
  }
  return least;
}

/** How far two boxes are apart: 0 where they overlap. */
const boxesApart = (a: Bounds, b: Bounds): number =>
  Math.hypot(
    Math.max(0, a.left - b.right, b.left - a.right),
    Math.max(0, a.top - b.bottom, b.top - a.bottom),
  );

/** How far before touching is tried, as parts of a gap that is small. */
const HAIRS = [0, 1e-8, 1e-6, 1e-4];

/** How far a round's motif is moved out so that its copies just touch those of another; null where no way leads to that. */
function touchingMove(round: Round, other: Round, work: Work): number | null {
  const [own, its] = [reachOfMotif(round, work), reachOfMotif(other, work)];
  if (!own || !its) return null;
  const moved = (by: number): Round => movedMotif(round, { x: 0, y: -by });
  const gapAt = (by: number): number => gapOfRounds(moved(by), other, work) ?? Infinity;
  const start = gapAt(0);
  if (start === Infinity) return null;
  // The other lies outward or inward; where they overlap now, the nearer way out of it is taken.
  const outward = its.inner + its.outer > own.inner + own.outer ? 1 : -1;
  const onto = (its.inner + its.outer - own.inner - own.outer) / 2;
  const clear = -outward * (own.outer - own.inner + its.outer - its.inner);
  // Whether curves touch or just cross is not to be told to the last digits, but small gaps are: touching is where two lead to.
  const small = 1e-5 * (its.outer + own.outer);
  const [near, nearer] = [2 * small, small].map((gap) => {
    if (start > 0) return gapAt(onto) < gap ? bisected(gapAt, gap, 0, onto) : null;
    return gapAt(clear) >= gap ? bisected(gapAt, gap, clear, 0) : null;
  });
  if (near == null || nearer == null) return null;
  // Where they touch to the last digit the curves may cross by one: then it is a hair before that.
  const exact = 2 * nearer - near;
  const back = start > 0 ? -Math.sign(onto) : Math.sign(clear);
  return HAIRS.map((hair) => exact + back * hair * small).find((by) => gapAt(by) >= 0) ?? exact;
}

/**
 * How far a round can be moved out (in, where negative) so that its copies just touch those of another round, for each that it can
 * be compared with; what would take too long is left out.
 */
export const touchingMoves = (figure: Figure, round: Round, work: Work): number[] =>
  figure.rounds.flatMap((other) => {
    if (other.id === round.id || !other.visible || gapOfRounds(round, other, work) === null) return [];
    const by = touchingMove(round, other, work);
    return by === null ? [] : [by];
  });

/** The round that reaches next beyond another one; null for the outermost. */
export function nextOutward(figure: Figure, round: Round, work: Work): Round | null {
  const reach = reachOfMotif(round, work);
  if (!reach) return null;
  const beyond = figure.rounds.flatMap((other) => {
    const own = other.id !== round.id && other.visible ? reachOfMotif(other, work) : null;
    return own && own.outer > reach.outer ? [{ other, inner: own.inner }] : [];
  });
  return beyond.sort((a, b) => a.inner - b.inner)[0]?.other ?? null;
}

/**
 * The factor at which the next level of a round's whirl just touches the level outside it, turned by the angle: the largest at
 * which their curves do not cross. Null where there is none, or too much to compare.
 */
export function touchingWhirl(round: Round, angle: Turn, work: Work): number | null {
  const { whirl: _, ...outer } = round;
  const paths = seenPaths(round, work);
  const copies = copiesOf(outer, work);
  if (segmentCount(paths) ** 2 * copies.length > MOST_PAIRS / 4) return null;
  const first = copyPaths(outer, paths, 0, work);
  const all = copies.flatMap((_copy, k) => copyPaths(outer, paths, k, work));
  const turned = first.map((path) => mapPath(path, turnMap(angle)));
  const gapAt = (factor: number): number =>
    gapOfCurves(
      turned.map((path) => mapPath(path, scaleMap(factor, ORIGIN))),
      all,
    );
  const reach = reachOfMotif(round, work)?.outer ?? 0;
  let low = 0.999;
  for (let k = 0; k < 40 && !(gapAt(low) > 2e-5 * reach); k += 1) low *= 0.9;
  if (!(gapAt(low) > 2e-5 * reach) || gapAt(0.9999) > 0) return null;
  const small = 1e-5 * reach;
  const [near, nearer] = [2 * small, small].map((gap) => bisected(gapAt, gap, low, 0.9999)) as [
    number,
    number,
  ];
  return 2 * nearer - near;
}

/** The width and height of the whole round, all copies; null where it is empty. */
export function sizeOfRound(
  round: Round,
  work: Work,
): { readonly width: number; readonly height: number } | null {
  const paths = seenPaths(round, work);
  if (paths.length === 0) return null;
  const box = boundsOfPaths(copiesOf(round, work).flatMap((_, k) => copyPaths(round, paths, k, work)));
  return { width: box.right - box.left, height: box.bottom - box.top };
}
