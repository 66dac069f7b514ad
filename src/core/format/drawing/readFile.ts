/**
 * Reading a file of artwork, whichever format it is in.
 *
 * @example
 * const answer = await worker.do(readingTask(text), progress); // a Result<Drawing>
 */
import { type Progress, type Task, taskOf } from '@/core/derive';
import type { Result } from '@/core/finding';
import { READ_DXF } from '../dxf/read/readDxf';
import { READ_SVG } from '../svg/read/readDrawing';
import { NO_LETTERS, type Letters } from '../svg/read/texts';
import type { Drawing } from './drawing';

/** Markup is SVG, and groups of numbers and values are DXF. */
const kindOf = (text: string) => (/^[\s\uFEFF]*</.test(text) ? READ_SVG : READ_DXF);

/** The reading of a file's text as a task for another thread. @param letters the outlines of the text in it, where there are any */
export const readingTask = (text: string, letters: Letters = NO_LETTERS): Task<Drawing> =>
  taskOf(kindOf(text), { text, ...(letters.size > 0 && { letters: [...letters] }) });

/** What a file's text draws. */
export const readArtwork = (
  text: string,
  progress?: Progress,
  letters: Letters = NO_LETTERS,
): Result<Drawing> => kindOf(text).run({ text, letters: [...letters] }, progress);
