/**
 * Steps that were asked for and are on their way, as words that the server sets: what goes back or forward in the history waits for
 * them, so that it begins at what was done last.
 *
 * @example
 * const coming = comingSteps();
 * coming.awaits(setWords('Tide', signal), () => abort());
 * await coming.before(() => undoer.undo()); // takes the words back, not what was done before them
 */

/** So long is waited for them, in milliseconds; then they are left. */
const PATIENCE = 5000;

export interface ComingSteps {
  /**
   * A step is on its way until this settles.
   * @param leave has nothing come of it any more
   */
  awaits(step: Promise<unknown>, leave: () => void): void;
  /**
   * Goes back or forward once no step is on its way and all that waited before is done; at once where nothing is. Steps that take too
   * long are left instead: that takes back what was done last. Rejects as `go` does.
   */
  before(go: () => Promise<void>): Promise<void>;
}

export function comingSteps(): ComingSteps {
  const coming = new Map<Promise<unknown>, () => void>();
  let last: Promise<void> | null = null;

  /** Waits for the steps that are on their way now. Resolves to whether they are here; where not, nothing comes of them. */
  const here = async (): Promise<boolean> => {
    const steps = [...coming];
    let timer: ReturnType<typeof setTimeout> | undefined;
    const isHere = await Promise.race([
      Promise.allSettled(steps.map(([step]) => step)).then(() => true),
      new Promise<boolean>((done) => {
        timer = setTimeout(() => done(false), PATIENCE);
      }),
    ]);
    clearTimeout(timer);
    for (const [step, leave] of steps) {
      if (coming.delete(step) && !isHere) leave();
    }
    return isHere;
  };

  return {
    awaits: (step, leave) => {
      coming.set(step, leave);
      step.catch(() => undefined).finally(() => coming.delete(step));
    },
    before: (go) => {
      if (coming.size === 0 && last === null) return go();
      const done = (last ?? Promise.resolve()).then(here).then((isHere) => (isHere ? go() : undefined));
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
