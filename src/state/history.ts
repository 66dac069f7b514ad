import type { Figure } from '@/core/figure';
import type { HistoryStep } from '@/protocol';

/**
 * Undo without limit: a run of steps, of which the earlier ones may still be on the server. Figures share
 * what did not change, so a step costs little.
 */
export interface History {
  /** In order of position, never empty; positions have gaps where steps of long ago were thinned. */
  readonly steps: readonly HistoryStep[];
  /** The position that is shown. */
  readonly at: number;
  /** The least position that the server does not have yet in this form; Infinity where it has all. */
  readonly unsavedFrom: number;
  /** Steps recorded with one key, one right after the other, become one. */
  readonly mergeKey: string | null;
}

export const historyOf = (steps: readonly HistoryStep[], at: number): History => ({
  steps,
  at,
  unsavedFrom: Infinity,
  mergeKey: null,
});

/** The place in the list of the last step at or before a position; −1 where all are after it. */
function placeOf({ steps }: History, position: number): number {
  let [low, high] = [0, steps.length];
  while (low < high) {
    const middle = (low + high) >> 1;
    if ((steps[middle]?.position ?? 0) <= position) low = middle + 1;
    else high = middle;
  }
  return low - 1;
}

/** The step at a position, or the last before it. */
const stepAt = (history: History, position: number): HistoryStep | undefined =>
  history.steps[placeOf(history, position)];

/** The figure that is shown. @throws RangeError where a history was built without its shown step. */
export function figureOf(history: History): Figure {
  const step = stepAt(history, history.at);
  if (!step) throw new RangeError('The history has no step at the position shown.');
  return step.figure;
}

/** A new step after the one shown; those that could be redone are gone. The same figure makes no step. */
export function record(
  history: History,
  label: string,
  figure: Figure,
  mergeKey: string | null = null,
): History {
  if (figure === figureOf(history)) return history;
  const merges = mergeKey !== null && mergeKey === history.mergeKey && history.at > 0;
  const position = merges ? history.at : history.at + 1;
  return {
    steps: [...history.steps.filter((step) => step.position < position), { position, label, figure }],
    at: position,
    unsavedFrom: Math.min(history.unsavedFrom, position),
    mergeKey,
  };
}

/** The latest step with another figure in its place; as it is where another step is shown. */
export function amended(history: History, figure: Figure): History {
  const { at, steps } = history;
  const last = steps[steps.length - 1];
  if (!last || last.position !== at || at === 0 || figure === last.figure) return history;
  return {
    ...history,
    steps: [...steps.slice(0, -1), { ...last, figure }],
    unsavedFrom: Math.min(history.unsavedFrom, at),
  };
}

/** What undo would take back, or null at the beginning. */
export const undoLabel = (history: History): string | null =>
  history.at > 0 ? (stepAt(history, history.at)?.label ?? null) : null;

/** What redo would do again, or null at the end. */
export const redoLabel = (history: History): string | null =>
  history.steps[placeOf(history, history.at) + 1]?.label ?? null;

/** The position of the step after the one that is shown; that one's own at the end. */
export const positionAfter = (history: History): number =>
  history.steps[placeOf(history, history.at) + 1]?.position ?? history.at;

/** The first position that is here; earlier ones are on the server. */
export const firstHere = (history: History): number => history.steps[0]?.position ?? 0;

/** The history with the step at a position shown, or the last before it; as it is where that is not here. */
export const atPosition = (history: History, position: number): History => {
  const step = stepAt(history, position);
  return step ? { ...history, at: step.position, mergeKey: null } : history;
};

/** The history with steps from the server put before its own. */
export function withEarlier(history: History, earlier: readonly HistoryStep[]): History {
  const fitting = earlier.filter((step) => step.position < firstHere(history));
  return { ...history, steps: [...fitting, ...history.steps] };
}

/** So many steps stay here; with half as many more the first ones go. */
const MOST_HERE = 200;

/**
 * The history without steps of long ago that the server has, from which undo fetches them where it goes so far: each figure that is here
 * holds all that was ever worked out of it. What is shown stays, and the step before those that the server has not got, as they are sent as
 * what changed from it.
 */
export function withoutLongAgo(history: History): History {
  const { steps, at, unsavedFrom } = history;
  if (steps.length <= 1.5 * MOST_HERE) return history;
  const gone = Math.min(steps.length - MOST_HERE, placeOf(history, Math.min(at, unsavedFrom - 1)));
  return gone > 0 ? { ...history, steps: steps.slice(gone) } : history;
}

/** The steps that the server has not got. */
export const unsavedSteps = (history: History): HistoryStep[] =>
  history.steps.filter((step) => step.position >= history.unsavedFrom);

/** The figure of the step before a position; null where that is not here. */
export const figureBefore = (history: History, position: number): Figure | null =>
  stepAt(history, position - 1)?.figure ?? null;
