import type { ValidationError } from 'joi';

import {
  brokenSentence,
  broughtUp,
  type Figure,
  FIGURE_FORMAT,
  FIGURE_VERSION,
  figureSchema,
  LIMITS,
  lostMotif,
  storedFigure,
} from '@/core/figure';
import { failed, finding, ok, type Result } from '@/core/finding';
import { partedFromPictures, type Pictures } from './pictures';

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

/** A value as a figure of a version known here, or what is wrong with it and where. */
export function checkFigure(value: unknown): Result<Figure> {
  if (!isRecord(value) || value['format'] !== FIGURE_FORMAT)
    return failed(finding('figure.foreign', FIGURE_FORMAT));
  const version = value['version'];
  if (typeof version === 'number' && version > FIGURE_VERSION)
    return failed(finding('figure.newer', version, FIGURE_VERSION));
  const lost = lostMotif(value);
  if (lost !== null) return failed(finding('figure.motif', lost));
  const brought = broughtUp(value);
  const checked = figureSchema.validate(brought);
  return checked.error
    ? failed(finding('figure.broken', whatIsWrong(checked.error, brought, value)))
    : ok(checked.value);
}

function parsed(text: string): Result<unknown> {
  try {
    return ok(JSON.parse(text.replace(/^\uFEFF/, '')));
  } catch (error) {
    return failed(finding('figure.json', error instanceof Error ? error.message : 'unreadable'));
  }
}

/** A figure from the text of a file; why not, for text that is too long, no JSON, or no figure. */
export function readFigure(text: string): Result<Figure> {
  if (text.length > MOST_CHARACTERS) return failed(finding('figure.withPictures', MOST_CHARACTERS / 1e6));
  const value = parsed(text);
  if (!value.ok) return value;
  const { figure } = partedFromPictures(value.value);
  return text.length > LIMITS.bytes && JSON.stringify(figure).length > LIMITS.bytes
    ? failed(finding('figure.large', LIMITS.bytes / 1e6))
    : checkFigure(figure);
}

/** A figure as the text of a file. @param pictures that it names, to go with it */
export const writeFigure = (figure: Figure, pictures: Pictures = {}): string => {
  const stored = storedFigure(figure);
  const whole = Object.keys(pictures).length > 0 ? { ...stored, pictures } : stored;
  return `${JSON.stringify(whole, null, 2)}\n`;
};
