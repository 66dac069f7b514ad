import { expose } from 'comlink';

import { makeOutlines, type OutlineAnswer, type OutlineTask } from '../core/merge/outlines';

/** The browser's door to outlines that take long. */
class OutlineDoor {
  make(task: OutlineTask, progress: (share: number) => void): OutlineAnswer {
    return makeOutlines(task, progress);
  }
}

export type { OutlineDoor };

expose(new OutlineDoor());
