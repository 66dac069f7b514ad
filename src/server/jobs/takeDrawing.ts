import { nanoid } from 'nanoid';

import type { Figure } from '@/core/figure';
import { checkFigure } from '@/core/format/figure';
import { ok, type Result } from '@/core/finding';
import {
  type Drawing,
  figureOfDrawing,
  type LeftOut,
  readArtwork,
  type TakenBy,
} from '@/core/format/drawing';
import { convertLength } from '@/core/number';
import { type Differing, type ReadChoices, rebuildTask, type ToldReading } from '@/core/rebuild';
import { keyOfLetters, type Letters, wantedLetters } from '@/core/format/svg/read';
import { type Face, faceOf, type Run, shapeWords } from '@/core/words';
import { Refused, sound } from '../errors';
import { bytesOfShipped } from '../shippedFaces';

/** What is asked of a file of artwork: a figure of it. */
export interface DrawingRequest {
  readonly text: string;
  /** What the file is called. */
  readonly name: string;
  /** What becomes the figure's centre, where nothing in the file turns about one. */
  readonly by: TakenBy;
  /** Its symmetry is read, and it becomes rounds: how, and what becomes of what differs. Without it, it stays as it is drawn. */
  readonly rounds?: { readonly choices: ReadChoices; readonly within?: number };
}

export interface TakenDrawing {
  readonly figure: Figure;
  /** What of the file is not taken. */
  readonly left: readonly LeftOut[];
  /** What was read of its symmetry, where that was asked for. */
  readonly read?: Omit<ToldReading, 'differing'> & { readonly differing: readonly Told[] };
}

/** A copy that differs, without its curves. */
type Told = Pick<Differing, 'kind' | 'fold' | 'by'>;

/** Rounds of a drawing whose symmetry is read. */
function asRounds(
  drawing: Drawing,
  name: string,
  { choices, within }: NonNullable<DrawingRequest['rounds']>,
): Result<TakenDrawing> {
  // Near is said in the drawing's unit.
  const options = within === undefined ? {} : { within: convertLength(within, drawing.unit, 'px') };
  const made = rebuildTask({ drawing, name, ids: nanoid(8), options, choices }).run();
  if (!made.ok) return made;
  const { figure, left, told } = made.value;
  const differing = told.differing.map(({ kind, fold, by }) => ({ kind, fold, by }));
  return ok({ figure, left, read: { ...told, differing } });
}

/** The text in a file as outlines, in the faces that ship. */
async function lettersOf(svg: string): Promise<Letters> {
  const wanted = wantedLetters(svg);
  const faces = new Map<string, Face>();
  for (const id of new Set(wanted.map(({ face }) => face))) {
    const bytes = await bytesOfShipped(id);
    const face = bytes && faceOf(bytes);
    if (face?.ok) faces.set(id, face.value);
  }
  return new Map(
    wanted.flatMap((line): [string, Run][] => {
      const face = faces.get(line.face);
      const made = face && shapeWords(face, line.text, 'keep');
      return made?.ok ? [[keyOfLetters(line), made.value.run]] : [];
    }),
  );
}

/** A figure of what a file of artwork draws. @throws Refused for a file that cannot be read, or has more in it than a figure may */
export async function takeDrawing(
  { text, name, by, rounds }: DrawingRequest,
  progress?: (share: number) => void,
): Promise<TakenDrawing> {
  const drawing = readArtwork(text, progress, await lettersOf(text));
  const taken = (of: Drawing): Result<TakenDrawing> =>
    rounds ? asRounds(of, name, rounds) : figureOfDrawing(of, name, () => nanoid(8), by);
  const made = drawing.ok ? taken(drawing.value) : drawing;
  if (!made.ok) throw new Refused(made.finding.sentence);
  return { ...made.value, figure: sound(checkFigure(made.value.figure)) };
}
