import { useEffect, useState } from 'react';

import type { Result } from '@/core/finding';
import type { Drawing } from '@/core/format/drawing';
import { type ReadChoices, type ReadOptions, rebuildTask, type Rebuilt } from '@/core/rebuild';
import { newId } from '@/state';
import { createTaskWorker } from '@/worker';

/** How a drawing is read, and what becomes of what was read. */
export interface Asked {
  readonly options: ReadOptions;
  readonly choices: ReadChoices;
}

export interface Rebuilding {
  /** The latest that was made, of what was asked last or before that; null where there is none yet. */
  readonly rebuilt: Rebuilt | null;
  /** From 0 to 1 while it is worked on; null while it is not. */
  readonly share: number | null;
  /** Why nothing was made; null where something was. */
  readonly sentence: string | null;
}

const FAILED = 'Its symmetry could not be read.';

/**
 * Reads the symmetry of a drawing in another thread.
 * @param drawing null where nothing is to be read
 */
export function useRebuilt(drawing: Drawing | null, name: string, { options, choices }: Asked): Rebuilding {
  const [known, setKnown] = useState<{
    readonly of: Drawing;
    readonly options: ReadOptions;
    readonly choices: ReadChoices;
    readonly rebuilt: Rebuilt | null;
    readonly sentence: string | null;
  } | null>(null);
  const [share, setShare] = useState(0);
  useEffect(() => {
    if (!drawing) return;
    const worker = createTaskWorker();
    let isMine = true;
    const say = (rebuilt: Rebuilt | null, sentence: string | null): void => {
      if (isMine) setKnown({ of: drawing, options, choices, rebuilt, sentence });
    };
    worker
      .do(rebuildTask({ drawing, name, ids: newId(), options, choices }), (now) => isMine && setShare(now))
      .then((answer) => {
        const result = answer as Result<Rebuilt> | null;
        if (result) say(result.ok ? result.value : null, result.ok ? null : result.finding.sentence);
      })
      .catch(() => say(null, FAILED))
      .finally(() => worker.stop());
    return () => {
      isMine = false;
      worker.stop();
    };
  }, [drawing, name, options, choices]);
  const own = known?.of === drawing ? known : null;
  const isWorking = drawing !== null && (own?.options !== options || own.choices !== choices);
  return { rebuilt: own?.rebuilt ?? null, share: isWorking ? share : null, sentence: own?.sentence ?? null };
}
