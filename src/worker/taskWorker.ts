import { proxy, wrap, type Remote } from 'comlink';

import { sent, type Task } from '@/core/derive';
import type { Result } from '@/core/finding';
import type { TaskDoor } from './task.worker';

/** Does tasks that take long, one after another. */
export interface TaskWorker {
  /** The answer, or null where it was stopped. A task that is under way is not begun twice. */
  do(task: Task, progress: (share: number) => void): Promise<Result<unknown> | null>;
  /** Ends all that is under way at once. */
  stop(): void;
}

interface UnderWay {
  readonly answer: Promise<Result<unknown> | null>;
  readonly end: () => void;
  readonly told: Set<(share: number) => void>;
}

export function createTaskWorker(): TaskWorker {
  let worker: Worker | null = null;
  let door: Remote<TaskDoor> | null = null;
  const tasks = new Map<string, UnderWay>();

  const begin = (task: Task): UnderWay => {
    worker ??= new Worker(new URL('./task.worker.ts', import.meta.url), { type: 'module' });
    door ??= wrap<TaskDoor>(worker);
    const told = new Set<(share: number) => void>();
    let end = (): void => undefined;
    const stopped = new Promise<null>((resolve) => (end = () => resolve(null)));
    const made = door.do(
      sent(task),
      proxy((share: number) => told.forEach((tell) => tell(share))),
    );
    const answer = Promise.race([made, stopped]).finally(() => {
      told.clear();
      tasks.delete(task.key);
    });
    const underWay = { answer, end, told };
    tasks.set(task.key, underWay);
    return underWay;
  };

  return {
    do: (task, progress) => {
      const { answer, told } = tasks.get(task.key) ?? begin(task);
      told.add(progress);
      return answer;
    },
    stop: () => {
      worker?.terminate();
      worker = null;
      door = null;
      for (const { end } of [...tasks.values()]) end();
      tasks.clear();
    },
  };
}
