import { nanoid } from 'nanoid';

import type { Figure } from '../../core/figure/model';
import { checkFigure, UnreadableFigure } from '../../core/format/figure/json';
import { figureOfDrawing } from '../../core/format/drawing/figureOfDrawing';
import type { LeftOut } from '../../core/format/drawing/leftOut';
import { readArtwork } from '../../core/format/drawing/readFile';
import type { TakenBy } from '../../core/format/drawing/taken';
import { keyOfLetters, wantedLetters, type Letters } from '../../core/format/svg/read/texts';
import type { Run } from '../../core/words/run';
import { faceOf, shapeWords, type Face } from '../../core/words/shape';
import { Refused } from '../errors';
import { bytesOfShipped } from '../shippedFaces';

/** What is asked of a file of artwork: a figure of it. */
export interface DrawingRequest {
  readonly text: string;
  /** What the file is called. */
  readonly name: string;
  /** What becomes the figure's centre, where nothing in the file turns about one. */
  readonly by: TakenBy;
}

export interface TakenDrawing {
  readonly figure: Figure;
  /** What of the file is not taken. */
  readonly left: readonly LeftOut[];
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
  { text, name, by }: DrawingRequest,
  progress?: (share: number) => void,
): Promise<TakenDrawing> {
  try {
    const drawing = readArtwork(text, progress, await lettersOf(text));
    const made = drawing.ok ? figureOfDrawing(drawing.value, name, () => nanoid(8), by) : drawing;
    if (!made.ok) throw new Refused(made.finding.sentence);
    const { figure, left } = made.value;
    return await Promise.resolve({ figure: checkFigure(figure), left });
  } catch (error) {
    throw error instanceof UnreadableFigure ? new Refused(error.message) : error;
  }
}
