import { readFile } from 'node:fs/promises';

/** The call was put wrongly: the usage is shown and the status is 2. */
export class WrongCall extends Error {}

/** What the options of a call are. @throws WrongCall for those that there are not */
export function understood<T>(parse: () => T): T {
  try {
    return parse();
  } catch (error) {
    throw new WrongCall(error instanceof Error ? error.message : 'The options could not be read.');
  }
}

/** A file's text. @throws Error with a sentence where it cannot be read */
export async function readText(file: string): Promise<string> {
  return readFile(file, 'utf8').catch((error: unknown) => {
    const code = error instanceof Error && 'code' in error ? String(error.code) : 'unreadable';
    throw new Error(
      code === 'ENOENT' ? `There is no file “${file}”.` : `“${file}” cannot be read (${code}).`,
    );
  });
}

/** A whole number of the call, within bounds. @throws WrongCall */
export function wholeNumber(
  text: string | undefined,
  name: string,
  least: number,
  most: number,
  usual: number | null,
): number {
  if (text === undefined && usual !== null) return usual;
  const value = Number(text);
  if (text === undefined || !/^\d+$/.test(text) || value < least || value > most)
    throw new WrongCall(
      text === undefined
        ? `${name} is missing: a whole number from ${least} to ${most}.`
        : `${name} is a whole number from ${least} to ${most}, not “${text}”.`,
    );
  return value;
}
