/**
 * Steps that were asked for and are on their way, as words that the server sets: what goes back or forward in the history waits for
 * them, so that it begins at what was done last.
 *
 * @example
 * const coming = comingSteps();
 * coming.awaits(setWords('Tide'));
 * await coming.before(() => undoer.undo()); // takes the words back, not what was done before them
 */

/** So long is waited for them, in milliseconds; what comes later is a step after all that was done by then. */
const PATIENCE = 3000;

export interface ComingSteps {
  /** A step is on its way until this settles. */
  awaits(step: Promise<unknown>): void;
  /** Does something once no step is on its way and all that waited before it is done; at once where nothing is. Rejects as it does. */
  before(go: () => Promise<void>): Promise<void>;
}

export function comingSteps(): ComingSteps {
  const coming = new Set<Promise<unknown>>();
  let last: Promise<void> | null = null;

  /** Resolves once the steps that are on their way now are here, or are waited for no longer. */
  const here = async (): Promise<void> => {
    const steps = [...coming];
    await Promise.race([Promise.allSettled(steps), new Promise((done) => setTimeout(done, PATIENCE))]);
    for (const step of steps) coming.delete(step);
  };

  return {
    awaits: (step) => {
      coming.add(step);
      step.catch(() => undefined).finally(() => coming.delete(step));
    },
    before: (go) => {
      if (coming.size === 0 && last === null) return go();
      const done = (last ?? Promise.resolve()).then(here).then(go);
      const rested: Promise<void> = done
        .catch(() => undefined)
        .then(() => {
          if (last === rested) last = null;
        });
      last = rested;
      return done;
    },
  };
}
