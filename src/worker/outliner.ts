import { proxy, wrap, type Remote } from 'comlink';

import type { OutlineAnswer, OutlineTask } from '../core/merge/outlines';
import type { OutlineDoor } from './outline.worker';

/** Makes outlines that take long, one after another. */
export interface Outliner {
  /** The answer, or null where it was stopped. A task that is under way is not begun twice. */
  make(name: string, task: OutlineTask, progress: (share: number) => void): Promise<OutlineAnswer | null>;
  /** Ends all that is under way at once. */
  stop(): void;
}

interface UnderWay {
  readonly answer: Promise<OutlineAnswer | null>;
  readonly end: () => void;
  readonly told: Set<(share: number) => void>;
}

export function createOutliner(): Outliner {
  let worker: Worker | null = null;
  let door: Remote<OutlineDoor> | null = null;
  const tasks = new Map<string, UnderWay>();

  const begin = (name: string, task: OutlineTask): UnderWay => {
    worker ??= new Worker(new URL('./outline.worker.ts', import.meta.url), { type: 'module' });
    door ??= wrap<OutlineDoor>(worker);
    const told = new Set<(share: number) => void>();
    let end = (): void => undefined;
    const stopped = new Promise<null>((resolve) => (end = () => resolve(null)));
    const made = door.make(
      task,
      proxy((share: number) => told.forEach((tell) => tell(share))),
    );
    const answer = Promise.race([made, stopped]).finally(() => {
      told.clear();
      tasks.delete(name);
    });
    const underWay = { answer, end, told };
    tasks.set(name, underWay);
    return underWay;
  };

  return {
    make: (name, task, progress) => {
      const { answer, told } = tasks.get(name) ?? begin(name, task);
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
