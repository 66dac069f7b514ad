import type { TraceOptions } from '@/core/curve/trace';
import { layRosette } from '@/core/figure/commands';
import type { Figure, Underlay } from '@/core/figure/model';
import { underlayRound } from '@/core/figure/underlay';
import { NO_TURN } from '@/core/number/turn';
import { averagedReach, type Averaging } from '@/core/picture/average';
import { UPRIGHT } from '@/core/picture/polar';
import type { ReadPicture } from '@/core/picture/readPicture';
import type { ColourPicture } from '@/core/picture/tone';
import type { WedgeOf } from '@/core/picture/traceWedge';
import { activeRound, act, shownFigure, type Editor } from '@/state/editor';
import type { EditorState, SeenPicture } from '@/state/editorState';
import { server } from '@/state/server';
import { average, readSymmetryOf } from '@/worker/picturer';
import { say } from '../common/say';
import { tracePixels, type Watch } from './traceUnderlay';
import { fileOfPixels, MOST_PIXELS, pixelsOfUnderlay } from './underlayPixels';

/** A rosette that is laid in the wedge reaches so much of half the page. */
const REACH = 0.9;

const radiusFor = ({ page }: Figure): number => (REACH * Math.min(page.width, page.height)) / 2;

/** A smaller picture is made larger before it is read: what repeats in it is then told from its pixels. */
const LEAST_PIXELS = 400;

const UNREADABLE = 'The picture could not be read: it is as it was, and so is the motif.';

/** What was read of the underlay that lies there now, if it was. */
export const seenHere = ({ underlay }: Figure, seen: EditorState['seen']): SeenPicture | null =>
  (underlay && seen.get(underlay.picture)) ?? null;

const setSeen = (editor: Editor, picture: string, seen: SeenPicture): void =>
  editor.setState((state) => ({ seen: new Map(state.seen).set(picture, seen) }));

/** The middle of a copy with the mirror that is chosen, of the fold that is; clockwise from straight up, in radians. */
export function axisChosen({ read, chosen }: SeenPicture): number {
  const fold = read?.folds.find((each) => each.fold === chosen.fold);
  return (chosen.mirror ? fold?.axes.mirror : fold?.axes.plain) ?? 0;
}

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
export function chooseSeen(editor: Editor, { fold, mirror }: WedgeOf): void {
  const state = editor.getState();
  const { underlay } = shownFigure(state);
  const seen = underlay && state.seen.get(underlay.picture);
  if (seen) setSeen(editor, underlay.picture, { ...seen, chosen: { fold, mirror } });
}

/** What was read, and where: what all that is made of it begins with. */
interface Reading {
  readonly underlay: Underlay;
  readonly roundId: string;
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
  return { underlay: figure.underlay, roundId: round.id, seen, read: seen.read, radius: radiusFor(figure) };
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
      axis: (axisChosen(seen) * 180) / Math.PI,
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
  const averaging: Averaging = { ...seen.chosen, seat: read.seat, reach: read.reach, axis: axisChosen(seen) };
  const side = Math.round(Math.min(MOST_PIXELS, 2 * averagedReach(read.reach)));
  const work = average(pixels, averaging, side, watch.progress);
  watch.started(work.stop);
  const answer = await work.done;
  if (answer === 'stopped') return null;
  const size = 2 * averagedReach(radius);
  const { picture: _, ...look } = underlay;
  const name = `Average of ${underlay.name}`.slice(0, 120);
  return {
    pixels: answer.found,
    lies: { ...look, name, width: size, height: size, at: { x: 0, y: 0 }, rotation: NO_TURN },
  };
}

async function keepAverage(pixels: ColourPicture, lies: Omit<Underlay, 'picture'>): Promise<Underlay> {
  const { id } = await server.keepPicture(await fileOfPixels(pixels));
  return { ...lies, picture: id };
}

/** What is known of an average without reading it: its one fold about its middle, the axis straight up. */
function seenAverage({ chosen, read }: SeenPicture, pixels: ColourPicture): SeenPicture {
  const { width, height } = pixels;
  const folds = read?.folds.filter(({ fold }) => fold === chosen.fold) ?? [];
  return {
    pixels: { width, height },
    chosen,
    read: {
      seat: { ...UPRIGHT, x: width / 2, y: height / 2 },
      reach: width / 2 / averagedReach(1),
      folds: folds.map((each) => ({ ...each, mirror: chosen.mirror, axes: { mirror: 0, plain: 0 } })),
    },
  };
}

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
    setSeen(editor, underlay.picture, seenAverage(reading.seen, made.pixels));
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
    setSeen(editor, underlay.picture, seenAverage(reading.seen, made.pixels));
  } catch (error) {
    say(error, UNREADABLE);
  }
}
