import type { RoundId } from '@/core/figure';
import { isGradient } from '@/core/paint';
import type { Mend } from '@/core/finding';
import { check, found, MOST_PLACES, shown, type Check, type Place, type ProofFinding } from '../check';
import type { Subject } from '../subject';
import type { NarrowRun } from '../widths';

/** What holds only when it is more than so many times as large is no matter of size. */
const MOST_LARGER = 8;

type Of = 'line' | 'gap';

/** A place is told so many times as large as it is narrow, to be seen with what is around it. */
const PLACE = 4;

/** What there is of one round, narrowest first. */
function byRound(subject: Subject, of: Of, width: number): Map<string, NarrowRun[]> {
  const { picture } = subject;
  const rounds = new Map<string, NarrowRun[]>();
  for (const run of subject.narrowRuns(width)) {
    if ((run.tone === picture.page) !== (of === 'gap')) continue;
    const roundId = picture.pieces[run.piece]?.layer.roundId ?? '';
    rounds.set(roundId, [...(rounds.get(roundId) ?? []), run]);
  }
  return rounds;
}

function placesOf(subject: Subject, runs: readonly NarrowRun[], roundId: RoundId): Place[] {
  const { fold, pieces } = subject.picture;
  const most = Math.ceil(MOST_PLACES / fold);
  return runs.slice(0, most).flatMap((run) => {
    const origin = pieces[run.piece]?.item.origin;
    const shapeIds =
      origin?.of === 'shape' ? [origin.shapeId] : origin?.of === 'outline' ? origin.shapeIds : [];
    return subject.copies(run).map((at) => ({ at, size: PLACE * run.width, roundId, shapeIds }));
  });
}

/** Strokes among what is thin, which only have to be wider. */
function widerStrokes(subject: Subject, roundId: RoundId, runs: readonly NarrowRun[], width: number): Mend[] {
  const round = subject.figure.rounds.find(({ id }) => id === roundId);
  if (!round || round.merge) return [];
  const drawn = new Set(
    runs.flatMap(({ piece }) => {
      const origin = subject.picture.pieces[piece]?.item.origin;
      return origin?.of === 'shape' ? [origin.shapeId] : [];
    }),
  );
  const ids = round.shapes
    .filter(({ id, paint, form }) => {
      const { stroke } = paint;
      return (
        drawn.has(id) &&
        form.kind !== 'drawing' &&
        stroke &&
        stroke.width < width &&
        !isGradient(stroke.colour)
      );
    })
    .map(({ id }) => id);
  return ids.length === 0
    ? []
    : [{ label: `Widen strokes to ${shown(width)}`, command: 'strokeWidth', args: [roundId, ids, width] }];
}

/** @param width below which it is found, in the figure's unit @param least the same for the sentence */
export function narrowFindings(
  subject: Subject,
  code: string,
  of: Of,
  width: number,
  sentenceOf: (run: NarrowRun) => string,
): ProofFinding[] {
  return [...byRound(subject, of, width)].map(([roundId, runs]): ProofFinding => {
    const name = subject.figure.rounds.find(({ id }) => id === roundId)?.name ?? 'the page';
    const [thinnest] = runs;
    return found(code, {
      severity: 'warning',
      title: of === 'line' ? `Too thin in ${name}` : `Gaps too narrow in ${name}`,
      sentence: thinnest ? sentenceOf(thinnest) : '',
      count: runs.length * subject.picture.fold,
      where: placesOf(subject, runs, roundId),
      mends: of === 'line' ? widerStrokes(subject, roundId, runs, width) : [],
    });
  });
}

const BLUM = 'local width: Blum, “A transformation for extracting new descriptors of shape”, 1967';

const inMillimetres = (id: string, of: Of, title: string): Check =>
  check({
    id,
    title,
    group: 'Size',
    source: BLUM,
    limits: [{ key: 'width', label: 'At least', unit: 'length', start: 0.25, least: 0.01, most: 100 }],
    find: (subject, { width }) => {
      const least = width * subject.mm;
      const { unit, width: page } = subject.figure.page;
      return narrowFindings(subject, id, of, least, (run) => {
        const from = page * (least / run.width);
        const holds =
          from <= MOST_LARGER * page
            ? `At a page ${shown(from)} ${unit} wide it holds.`
            : 'It is hardly meant: unite what it lies between, or take it away.';
        return `${shown(run.width / subject.mm)} mm where it is narrowest; at least ${shown(width)} mm is asked. ${holds}`;
      });
    },
  });

const inPixels = (id: string, of: Of, title: string): Check =>
  check({
    id,
    title,
    group: 'Size',
    source: BLUM,
    limits: [
      { key: 'size', label: 'At a size of', unit: 'pixels', start: 32, least: 8, most: 4096 },
      { key: 'pixels', label: 'At least', unit: 'pixels', start: 1, least: 0.1, most: 50 },
    ],
    find: (subject, { size, pixels }) => {
      const { width, height } = subject.figure.page;
      const pixel = Math.max(width, height) / size;
      return narrowFindings(subject, id, of, pixels * pixel, (run) => {
        const from = Math.ceil((pixels * Math.max(width, height)) / run.width);
        return `At ${size} px it is ${shown(run.width / pixel)} px where it is narrowest; at least ${shown(pixels)} px is asked. It holds from ${from} px.`;
      });
    },
  });

export const thin = inMillimetres('thin', 'line', 'Thin lines');
export const gap = inMillimetres('gap', 'gap', 'Narrow gaps');
export const thinAtSize = inPixels('thinAtSize', 'line', 'Lines at the smallest size');
export const gapAtSize = inPixels('gapAtSize', 'gap', 'Gaps at the smallest size');
