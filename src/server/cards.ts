import { Refused } from './errors';
import { aside } from './jobs/pool';
import type { FileRequest, MadeFile } from './jobs/makeFile';

/** Figures, at a revision, whose picture took too much, and what was said: not tried again until they change. */
const givenUp = new Map<string, string>();
const MOST_REMEMBERED = 5000;

/**
 * A picture for a card on the Shelf, made when nothing else is.
 * @param key names the figure and its revision
 * @throws Refused with a sentence, at once where that picture was given up before
 */
export async function cardOf(key: string, request: FileRequest, signal: AbortSignal): Promise<MadeFile> {
  const why = givenUp.get(key);
  if (why !== undefined) throw new Refused(why);
  try {
    return await aside('makeFile', request, { card: true, signal });
  } catch (error) {
    // Who is too busy, or gone, says nothing about the picture.
    if (error instanceof Refused && error.status === 400) {
      if (givenUp.size >= MOST_REMEMBERED) givenUp.clear();
      givenUp.set(key, error.message);
    }
    throw error;
  }
}
