import type { ValidationError } from 'joi';

import {
  brokenSentence,
  broughtUp,
  type Figure,
  FIGURE_FORMAT,
  FIGURE_VERSION,
  figureSchema,
  LIMITS,
  storedFigure,
} from '@/core/figure';
import { partedFromPictures, type Pictures } from './pictures';

/** Why something is no figure, as a sentence that says what is wrong and where. */
export class UnreadableFigure extends Error {
  override readonly name = 'UnreadableFigure';
}

/** Largest file of a figure with its pictures, in characters. */
const MOST_CHARACTERS = 40_000_000;

const isRecord = (value: unknown): value is Record<string, unknown> =>
  typeof value === 'object' && value !== null && !Array.isArray(value);

const listOf = (value: unknown): readonly unknown[] => (Array.isArray(value) ? value : []);

/** A message about a round's motif as one about the motif in the file. */
const asInFile = (message: string, file: Record<string, unknown>): string =>
  message.replace(/rounds\[(\d+)\]\.(?=shapes|groups)/g, (said, at) => {
    const round = listOf(file['rounds'])[Number(at)];
    const place = listOf(file['motifs']).findIndex(
      (motif) => isRecord(motif) && isRecord(round) && motif['id'] === round['motif'],
    );
    return place < 0 ? said : `motifs[${place}].`;
  });

/** What is wrong, for people and, as the file says it, for who writes files. */
const whatIsWrong = (error: ValidationError, figure: unknown, file: Record<string, unknown>): string => {
  const [detail] = error.details;
  const said = brokenSentence(figure, error);
  return detail && !error.message.includes(said) ? `${said} (${asInFile(error.message, file)})` : said;
};

/**
 * Checks that a value is a figure of a version known here.
 * @throws UnreadableFigure with what is wrong and where.
 */
export function checkFigure(value: unknown): Figure {
  if (!isRecord(value) || value['format'] !== FIGURE_FORMAT) {
    throw new UnreadableFigure(`This is not a Cyclogon figure: its "format" is not "${FIGURE_FORMAT}".`);
  }
  const version = value['version'];
  if (typeof version === 'number' && version > FIGURE_VERSION) {
    throw new UnreadableFigure(
      `This figure was made by a newer Cyclogon (version ${version} of the format; this one reads up to ${FIGURE_VERSION}).`,
    );
  }
  const brought = broughtUp(value);
  const result = figureSchema.validate(brought);
  if (result.error)
    throw new UnreadableFigure(`The figure is broken: ${whatIsWrong(result.error, brought, value)}.`);
  return result.value;
}

/**
 * Reads a figure from the text of a file.
 * @throws UnreadableFigure for text that is too long, no JSON, or no figure.
 */
export function readFigure(text: string): Figure {
  if (text.length > MOST_CHARACTERS) {
    throw new UnreadableFigure(
      `The file is larger than ${MOST_CHARACTERS / 1e6} MB, too large for a figure and its pictures.`,
    );
  }
  let value: unknown;
  try {
    value = JSON.parse(text.replace(/^\uFEFF/, ''));
  } catch (error) {
    throw new UnreadableFigure(
      `The file is not JSON: ${error instanceof Error ? error.message : 'unreadable'}.`,
    );
  }
  const { figure } = partedFromPictures(value);
  if (text.length > LIMITS.bytes && JSON.stringify(figure).length > LIMITS.bytes) {
    throw new UnreadableFigure(`The file is larger than ${LIMITS.bytes / 1e6} MB, too large for a figure.`);
  }
  return checkFigure(figure);
}

/** A figure as the text of a file. @param pictures that it names, to go with it */
export const writeFigure = (figure: Figure, pictures: Pictures = {}): string => {
  const stored = storedFigure(figure);
  const whole = Object.keys(pictures).length > 0 ? { ...stored, pictures } : stored;
  return `${JSON.stringify(whole, null, 2)}\n`;
};
