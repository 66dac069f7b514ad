import { expose } from 'comlink';

import type { SentTask } from '@/core/derive';
import type { Result } from '@/core/finding';
import { doSent } from './taskKinds';

/** The browser's door to tasks that take long. */
class TaskDoor {
  do(task: SentTask, progress: (share: number) => void): Result<unknown> {
    return doSent(task, progress);
  }
}

export type { TaskDoor };

expose(new TaskDoor());
