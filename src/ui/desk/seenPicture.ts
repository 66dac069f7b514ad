import type { TraceOptions } from '@/core/curve';
import { layRosette } from '@/core/figure/commands';
import {
  averageLies,
  type Figure,
  rosetteRadius,
  type Underlay,
  underlayRound,
  type RoundId,
} from '@/core/figure';
import {
  averagedReach,
  averagingOf,
  axisOf,
  type ChosenFold,
  type ColourPicture,
  readOfAverage,
  type ReadPicture,
} from '@/core/picture';
import {
  act,
  activeRound,
  type Editor,
  type EditorState,
  type SeenPicture,
  server,
  shownFigure,
} from '@/state';
import { average, readSymmetryOf } from '@/worker';
import { say } from '@/ui/common';
import { tracePixels, type Watch } from './traceUnderlay';
import { fileOfPixels, MOST_PIXELS, pixelsOfUnderlay } from './underlayPixels';

/** A smaller picture is made larger before it is read: what repeats in it is then told from its pixels. */
const LEAST_PIXELS = 400;

const UNREADABLE = 'The picture could not be read: it is as it was, and so is the motif.';

/** What was read of the underlay that lies there now, if it was. */
export const seenHere = ({ underlay }: Figure, seen: EditorState['seen']): SeenPicture | null =>
  (underlay && seen.get(underlay.picture)) ?? null;

const setSeen = (editor: Editor, picture: string, seen: SeenPicture): void =>
  editor.setState((state) => ({ seen: new Map(state.seen).set(picture, seen) }));

/** Reads the symmetry of the underlay; what is found, or that nothing is, stands in the panel and on the Bench. */
export async function readUnderlay(editor: Editor, watch: Watch): Promise<void> {
  const { underlay } = shownFigure(editor.getState());
  if (!underlay) return;
  try {
    const pixels = await pixelsOfUnderlay(underlay, LEAST_PIXELS);
    const { width, height } = pixels;
    const work = readSymmetryOf(pixels, watch.progress);
    watch.started(work.stop);
    const answer = await work.done;
    if (answer === 'stopped') return;
    const read = answer.found;
    const [best] = read?.folds ?? [];
    setSeen(editor, underlay.picture, {
      pixels: { width, height },
      read,
      chosen: { fold: best?.fold ?? 1, mirror: best?.mirror ?? false },
    });
  } catch (error) {
    say(error, UNREADABLE);
  }
}

/** Takes another of the folds that were seen of the picture, or another mirror. */
export function chooseSeen(editor: Editor, { fold, mirror }: ChosenFold): void {
  const state = editor.getState();
  const { underlay } = shownFigure(state);
  const seen = underlay && state.seen.get(underlay.picture);
  if (seen) setSeen(editor, underlay.picture, { ...seen, chosen: { fold, mirror } });
}

/** What was read, and where: what all that is made of it begins with. */
interface Reading {
  readonly underlay: Underlay;
  readonly roundId: RoundId;
  readonly seen: SeenPicture;
  readonly read: ReadPicture;
  readonly radius: number;
}

function readingOf(editor: Editor): Reading | null {
  const state = editor.getState();
  const figure = shownFigure(state);
  const round = activeRound(state);
  const seen = seenHere(figure, state.seen);
  if (!seen?.read || !figure.underlay || !round || round.locked) return null;
  return {
    underlay: figure.underlay,
    roundId: round.id,
    seen,
    read: seen.read,
    radius: rosetteRadius(figure.page),
  };
}

/** Lays the picture itself in the wedge, and gives the round its fold and mirror. */
export function laySeen(editor: Editor): void {
  const reading = readingOf(editor);
  if (!reading) return;
  const { underlay, roundId, seen, read, radius } = reading;
  const laid = underlayRound(
    underlay,
    {
      ...seen.pixels,
      centre: { x: read.seat.x, y: read.seat.y },
      reach: read.reach,
      axis: (axisOf(read, seen.chosen) * 180) / Math.PI,
    },
    radius,
  );
  act(editor, 'Lay in the wedge', (figure) => layRosette(figure, roundId, laid, seen.chosen));
}

/** The average of all copies, and how it lies; null where it was stopped. */
async function averageOf(
  { underlay, seen, read, radius }: Reading,
  watch: Watch,
): Promise<{ readonly pixels: ColourPicture; readonly lies: Omit<Underlay, 'picture'> } | null> {
  const pixels = await pixelsOfUnderlay(underlay, LEAST_PIXELS);
  const side = Math.round(Math.min(MOST_PIXELS, 2 * averagedReach(read.reach)));
  const work = average(pixels, averagingOf(read, seen.chosen), side, watch.progress);
  watch.started(work.stop);
  const answer = await work.done;
  if (answer === 'stopped') return null;
  return { pixels: answer.found, lies: averageLies(underlay, 2 * averagedReach(radius)) };
}

async function keepAverage(pixels: ColourPicture, lies: Omit<Underlay, 'picture'>): Promise<Underlay> {
  const { id } = await server.keepPicture(await fileOfPixels(pixels));
  return { ...lies, picture: id };
}

const seenAverage = ({ seen: { chosen }, read }: Reading, { width, height }: ColourPicture): SeenPicture => ({
  pixels: { width, height },
  chosen,
  read: readOfAverage(read, chosen, width),
});

/** Lays the average of all copies in the picture's place, in the wedge. */
export async function layAverage(editor: Editor, watch: Watch): Promise<void> {
  const reading = readingOf(editor);
  if (!reading) return;
  try {
    const made = await averageOf(reading, watch);
    if (!made) return;
    const underlay = await keepAverage(made.pixels, made.lies);
    act(editor, 'Lay the average', (figure) =>
      layRosette(figure, reading.roundId, underlay, reading.seen.chosen),
    );
    setSeen(editor, underlay.picture, seenAverage(reading, made.pixels));
  } catch (error) {
    say(error, UNREADABLE);
  }
}

/** Traces one wedge of the average into the motif, and lays the average under it. */
export async function traceAverage(editor: Editor, options: TraceOptions, watch: Watch): Promise<void> {
  const reading = readingOf(editor);
  if (!reading) return;
  try {
    const made = await averageOf(reading, { ...watch, progress: (share) => watch.progress(share / 2) });
    if (!made) return;
    const underlay = await keepAverage(made.pixels, made.lies);
    await tracePixels(editor, { pixels: made.pixels, underlay, wedge: reading.seen.chosen }, options, {
      ...watch,
      progress: (share) => watch.progress((1 + share) / 2),
    });
    setSeen(editor, underlay.picture, seenAverage(reading, made.pixels));
  } catch (error) {
    say(error, UNREADABLE);
  }
}
