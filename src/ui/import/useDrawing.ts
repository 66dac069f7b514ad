import { useEffect, useState } from 'react';

import type { Result } from '@/core/finding';
import { type Drawing, readingTask } from '@/core/format/drawing';
import { keyOfLetters, type Letters, wantedLetters } from '@/core/format/svg/read';
import type { Run } from '@/core/words';
import { server } from '@/state';
import { createTaskWorker } from '@/worker';

/** A text of more characters than this is not read. */
const MOST_CHARACTERS = 60_000_000;
/** How long a file is read before that is shown, in milliseconds. */
const QUIET_TIME = 150;

/** Lines of text that are asked for at once. */
const AT_ONCE = 4;

/** The text in a file as outlines; what the server cannot set is left out, and said so. */
async function lettersOf(svg: string): Promise<Letters> {
  const wanted = [...wantedLetters(svg)];
  const letters = new Map<string, Run>();
  const work = async (): Promise<void> => {
    for (let line = wanted.pop(); line; line = wanted.pop()) {
      const made = await server.shape(line.text, line.face, { part: true }).catch(() => null);
      if (made) letters.set(keyOfLetters(line), made.run);
    }
  };
  await Promise.all(Array.from({ length: AT_ONCE }, work));
  return letters;
}

/** How far the reading of a file is, and what came of it. */
export type Reading =
  | { readonly kind: 'quiet' }
  | { readonly kind: 'reading'; readonly share: number }
  | { readonly kind: 'read'; readonly drawing: Drawing }
  | { readonly kind: 'failed'; readonly sentence: string };

interface Known {
  readonly of: string | null;
  readonly reading: Reading;
}

const NOTHING: Known = { of: null, reading: { kind: 'quiet' } };

/** Reads the text of a file of artwork in another thread; another text, or none, ends it. */
export function useDrawing(text: string | null): Reading {
  const [known, setKnown] = useState(NOTHING);
  useEffect(() => {
    if (text === null) return;
    const say = (reading: Reading): void => setKnown({ of: text, reading });
    if (text.length > MOST_CHARACTERS) {
      say({
        kind: 'failed',
        sentence: `The file has more than ${MOST_CHARACTERS / 1e6} million characters.`,
      });
      return;
    }
    const worker = createTaskWorker();
    const began = performance.now();
    const told = (share: number): void => {
      if (performance.now() - began > QUIET_TIME) say({ kind: 'reading', share });
    };
    const slow = setTimeout(() => told(0), QUIET_TIME + 10);
    let isMine = true;
    lettersOf(text)
      .then((letters) => worker.do(readingTask(text, letters), told))
      .then((answer) => {
        if (!isMine || !answer) return;
        const result = answer as Result<Drawing>;
        say(
          result.ok
            ? { kind: 'read', drawing: result.value }
            : { kind: 'failed', sentence: result.finding.sentence },
        );
      })
      .catch(() => {
        if (isMine) say({ kind: 'failed', sentence: 'The file could not be read.' });
      })
      .finally(() => clearTimeout(slow));
    return () => {
      isMine = false;
      clearTimeout(slow);
      worker.stop();
      // The same text is read anew the next time: what came of it before would give way to that in a person's hands.
      setKnown(NOTHING);
    };
  }, [text]);
  return known.of === text ? known.reading : { kind: 'quiet' };
}
