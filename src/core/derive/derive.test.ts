import { describe, expect, it } from 'vitest';

import { failed, finding, ok } from '@/core/finding';
import {
  NO_RESULTS,
  rememberedWith,
  STRAIGHT,
  taskOf,
  withAnswer,
  withGivenUp,
  withoutOldest,
  workFrom,
} from '.';
import type { TaskKind, Work } from '.';

/** A kind of work that is counted, and takes as long as it says. */
function counted(cost: number) {
  const done: number[] = [];
  const kind: TaskKind<{ readonly n: number }, number> = {
    name: 'square',
    cost: () => cost,
    run: ({ n }) => {
      done.push(n);
      return n < 0 ? failed(finding('merge.failed')) : ok(n * n);
    },
  };
  return { kind, done };
}

describe('work', () => {
  it('that takes a moment is done in passing, once a task', () => {
    const { kind, done } = counted(1);
    const task = taskOf(kind, { n: 3 });
    const work = workFrom(NO_RESULTS);
    expect([work.ask(task), work.ask(task)]).toEqual([ok(9), ok(9)]);
    expect([done, work.missed, work.wanted()]).toEqual([[3], 0, []]);
  });

  it('that takes long is wanted, each task once, until its answer is there, good or not', () => {
    const { kind, done } = counted(1000);
    const three = taskOf(kind, { n: 3 });
    const same = taskOf(kind, { n: 3 });
    const bad = taskOf(kind, { n: -1 });
    const work = workFrom(NO_RESULTS);
    expect([work.ask(three), work.ask(same), work.ask(bad)]).toEqual([undefined, undefined, undefined]);
    expect(work.missed).toBe(3);
    expect(work.wanted().map(({ key }) => key)).toEqual([three.key, bad.key]);
    const results = withAnswer(withAnswer(NO_RESULTS, three, ok(9)), bad, bad.run());
    const again = workFrom(results);
    expect([again.ask(same), again.ask(bad)?.ok]).toEqual([ok(9), false]);
    expect([again.missed, again.wanted(), done]).toEqual([0, [], [-1]]);
    // Results are values: those before know nothing of it.
    expect(workFrom(NO_RESULTS).ask(three)).toBeUndefined();
  });

  it('that was given up is missed and not wanted again', () => {
    const task = taskOf(counted(1000).kind, { n: 2 });
    const work = workFrom(withGivenUp(NO_RESULTS, task));
    expect([work.ask(task), work.missed, work.wanted()]).toEqual([undefined, 1, []]);
  });

  it('is done straight through where nobody waits', () => {
    expect(STRAIGHT.ask(taskOf(counted(1e9).kind, { n: 4 }))).toEqual(ok(16));
  });

  it('keeps what is made of an object once all answers for it were there, and not before', () => {
    const { kind } = counted(1000);
    const task = taskOf(kind, { n: 5 });
    let made = 0;
    const twice = rememberedWith((_: object, work: Work) => {
      made += 1;
      const answer = work.ask(task);
      return answer?.ok ? 2 * answer.value : null;
    });
    const thing = {};
    const early = workFrom(NO_RESULTS);
    expect([twice(thing, early), twice(thing, early), made]).toEqual([null, null, 2]);
    const late = workFrom(withAnswer(NO_RESULTS, task, ok(25)));
    expect([twice(thing, late), twice(thing, late), twice(thing, early), made]).toEqual([50, 50, 50, 3]);
  });

  it('keeps all answers while it is done, however many, and the latest of very many after it', () => {
    const { kind } = counted(1000);
    const tasks = Array.from({ length: 450 }, (_, n) => taskOf(kind, { n }));
    const all = tasks.reduce((results, task) => withAnswer(results, task, ok(1)), NO_RESULTS);
    const missing = (results: typeof all): number => {
      const work = workFrom(results);
      tasks.forEach((task) => work.ask(task));
      return work.missed;
    };
    expect([missing(all), missing(withoutOldest(all))]).toEqual([0, 50]);
    expect(workFrom(withoutOldest(all)).ask(tasks[449]!)).toEqual(ok(1));
    expect(withoutOldest(NO_RESULTS)).toBe(NO_RESULTS);
  });
});
