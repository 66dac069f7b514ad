import { useEffect, useState } from 'react';

import type { Result } from '@/core/finding';
import type { Drawing } from '@/core/format/drawing/drawing';
import { readingTask } from '@/core/format/drawing/readFile';
import { createTaskWorker } from '@/worker/taskWorker';

/** A text of more characters than this is not read. */
const MOST_CHARACTERS = 60_000_000;
/** How long a file is read before that is shown, in milliseconds. */
const QUIET_TIME = 150;

/** How far the reading of a file is, and what came of it. */
export type Reading =
  | { readonly kind: 'quiet' }
  | { readonly kind: 'reading'; readonly share: number }
  | { readonly kind: 'read'; readonly drawing: Drawing }
  | { readonly kind: 'failed'; readonly sentence: string };

/** Reads the text of a file of artwork in another thread; another text, or none, ends it. */
export function useDrawing(text: string | null): Reading {
  const [known, setKnown] = useState<{ readonly of: string | null; readonly reading: Reading }>({
    of: null,
    reading: { kind: 'quiet' },
  });
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
    worker
      .do(readingTask(text), told)
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
    };
  }, [text]);
  return known.of === text ? known.reading : { kind: 'quiet' };
}
