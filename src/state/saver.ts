import equal from 'fast-deep-equal';

import { patchSteps, wholeSteps } from '../core/figure/patches';
import type { SaveRequest } from '../wire';
import {
  figureBefore,
  firstHere,
  figureOf,
  historyOf,
  needsEarlier,
  unsavedSteps,
  withEarlier,
  record,
  type History,
} from './history';
import { stepBack, type Editor } from './editor';
import { server, ServerProblem } from './server';

/** Rest after a change before it is saved, in milliseconds. */
const REST = 250;
const FIRST_RETRY = 1000;
const LONGEST_RETRY = 15_000;
const MOST_STEPS = 300;
/** What a browser sends after a page is gone: the Fetch standard's limit for keepalive, less some for headers. */
const MOST_KEEPALIVE = 60_000;

const draftKey = (id: string): string => `cyclogon.unsaved.${id}`;

/** Keeps what the server has not got in the browser too, for the case that neither answers any more. */
function keepDraft(id: string, request: SaveRequest): void {
  try {
    localStorage.setItem(draftKey(id), JSON.stringify(request));
  } catch {
    // A full or forbidden store: the server is the one that counts.
  }
}

function dropDraft(id: string): void {
  try {
    localStorage.removeItem(draftKey(id));
  } catch {
    // As above.
  }
}

function readDraft(id: string): SaveRequest | null {
  try {
    const text = localStorage.getItem(draftKey(id));
    return text ? (JSON.parse(text) as SaveRequest) : null;
  } catch {
    return null;
  }
}

/** What the server is told: as what changed from step to step. */
const requestOf = (history: History, base: number): SaveRequest => {
  const steps = unsavedSteps(history).slice(0, MOST_STEPS);
  const [first, last] = [steps[0], steps[steps.length - 1]];
  return {
    base,
    step: last && steps.length === MOST_STEPS ? last.position : history.at,
    steps: patchSteps(steps, first ? figureBefore(history, first.position) : null),
  };
};

/** What is kept in the browser: the same, but that it can be read alone. */
const draftOf = (history: History, base: number): SaveRequest => {
  const request = requestOf(history, base);
  return { ...request, steps: patchSteps(unsavedSteps(history).slice(0, MOST_STEPS), null) };
};

/** True where a history differs from what the server was last told. */
const isDirty = (history: History, savedAt: number): boolean =>
  history.unsavedFrom !== Infinity || history.at !== savedAt;

export interface Saver {
  /** Saves what there is at once; resolves when the server has it, rejects with its refusal. */
  flush(): Promise<void>;
  /** After a conflict: puts this window's figure on the shelf as another one. Resolves to its id. */
  saveCopy(name: string): Promise<string>;
  /** Undo that fetches earlier steps where they are not here. */
  undo(): Promise<void>;
  end(): void;
}

/** Saves every change soon after it is made, again and again until the server has it. */
export function followSaves(editor: Editor): Saver {
  const { id } = editor.getState();
  let savedAt = editor.getState().history.at;
  let timer: ReturnType<typeof setTimeout> | undefined;
  let running: Promise<void> | null = null;
  let retry = FIRST_RETRY;
  let ended = false;

  /**
   * Goes on from what the server has where that is what is shown here: a page that is left sends what it has not saved, and the next one may
   * have been opened before that arrived. @returns false where it is something else
   */
  const adopt = async (): Promise<boolean> => {
    const there = await server.load(id).catch(() => null);
    if (!there || !equal(there.figure, figureOf(editor.getState().history))) return false;
    savedAt = there.step;
    editor.setState({
      revision: there.revision,
      history: historyOf(wholeSteps(there.steps), there.step),
      save: { kind: 'saved', at: there.updatedAt },
    });
    dropDraft(id);
    return true;
  };

  const save = async (): Promise<void> => {
    const { history, revision } = editor.getState();
    if (!isDirty(history, savedAt)) return;
    const request = requestOf(history, revision);
    editor.setState({ save: { kind: 'waiting' }, history: { ...history, unsavedFrom: Infinity } });
    try {
      const summary = await server.save(id, request);
      savedAt = request.step;
      retry = FIRST_RETRY;
      editor.setState((state) => {
        const last = request.steps[request.steps.length - 1];
        const more = last && request.steps.length === MOST_STEPS ? last.position + 1 : Infinity;
        const unsavedFrom = Math.min(state.history.unsavedFrom, more);
        return {
          revision: summary.revision,
          history: { ...state.history, unsavedFrom },
          save: { kind: 'saved', at: summary.updatedAt },
        };
      });
      // Changes made while this save was under way stay in the browser until they are saved too.
      if (!isDirty(editor.getState().history, savedAt)) dropDraft(id);
    } catch (error) {
      const problem =
        error instanceof ServerProblem ? error : new ServerProblem(0, 'The figure could not be saved.');
      if (problem.status === 409 && (await adopt())) return;
      editor.setState((state) => ({
        history: { ...state.history, unsavedFrom: Math.min(state.history.unsavedFrom, history.unsavedFrom) },
        save: { kind: problem.status === 409 ? 'conflict' : 'failing', message: problem.message },
      }));
      keepDraft(id, draftOf(editor.getState().history, revision));
      throw problem;
    }
  };

  const run = (): Promise<void> => {
    clearTimeout(timer);
    running ??= save().finally(() => {
      running = null;
      if (ended || editor.getState().save.kind === 'conflict') return;
      if (editor.getState().save.kind === 'failing') {
        timer = setTimeout(() => void run().catch(() => undefined), retry);
        retry = Math.min(LONGEST_RETRY, retry * 2);
      } else if (isDirty(editor.getState().history, savedAt)) {
        timer = setTimeout(() => void run().catch(() => undefined), REST);
      }
    });
    return running;
  };

  const flush = async (): Promise<void> => {
    for (let k = 0; k < 20 && isDirty(editor.getState().history, savedAt); k += 1) await run();
  };

  const unsubscribe = editor.subscribe((state, before) => {
    if (state.history.steps === before.history.steps && state.history.at === before.history.at) return;
    if (state.save.kind === 'conflict' || !isDirty(state.history, savedAt)) return;
    if (state.save.kind === 'saved') editor.setState({ save: { kind: 'waiting' } });
    if (running) return;
    clearTimeout(timer);
    timer = setTimeout(() => void run().catch(() => undefined), REST);
  });

  const leave = (): void => {
    const { history, revision, save: state } = editor.getState();
    if (!isDirty(history, savedAt) && !running) return;
    const request = requestOf(history, revision);
    keepDraft(id, draftOf(history, revision));
    if (state.kind === 'conflict') return;
    if (running) {
      void flush().catch(() => undefined);
      return;
    }
    if (JSON.stringify(request).length < MOST_KEEPALIVE) {
      server.save(id, request, true).then(
        (summary) => {
          // The page lives on (it was only hidden): what was sent is saved.
          savedAt = request.step;
          dropDraft(id);
          editor.setState((now) => ({
            revision: summary.revision,
            history: now.history === history ? { ...now.history, unsavedFrom: Infinity } : now.history,
          }));
        },
        () => undefined,
      );
    } else void run().catch(() => undefined);
  };
  const whenHidden = (): void => {
    if (document.visibilityState === 'hidden') void flush().catch(() => undefined);
  };
  window.addEventListener('pagehide', leave);
  document.addEventListener('visibilitychange', whenHidden);

  restoreDraft(editor);

  return {
    flush,
    saveCopy: async (name) => {
      const figure = figureOf(editor.getState().history);
      const { id: copyId } = await server.create({ figure: { ...figure, name } });
      // All of this window's work is on the Shelf now: nothing is left to save or to keep in the browser.
      editor.setState(({ history }) => ({ history: { ...history, unsavedFrom: Infinity } }));
      savedAt = editor.getState().history.at;
      dropDraft(id);
      return copyId;
    },
    undo: async () => {
      const { history } = editor.getState();
      if (needsEarlier(history)) {
        const earlier = await server.stepsBefore(id, firstHere(history));
        editor.setState((state) => ({ history: withEarlier(state.history, wholeSteps(earlier)) }));
      }
      stepBack(editor);
    },
    end: () => {
      leave();
      ended = true;
      clearTimeout(timer);
      unsubscribe();
      window.removeEventListener('pagehide', leave);
      document.removeEventListener('visibilitychange', whenHidden);
    },
  };
}

/** Takes up what an earlier visit could not hand to the server, as a step that can be undone. */
function restoreDraft(editor: Editor): void {
  const { id, history, revision } = editor.getState();
  const draft = readDraft(id);
  const last = draft && wholeSteps(draft.steps).find(({ position }) => position === draft.step);
  if (!draft || !last) {
    if (draft) dropDraft(id);
    return;
  }
  if (equal(last.figure, figureOf(history))) {
    dropDraft(id);
    return;
  }
  if (draft.base === revision) {
    editor.setState({ history: record(history, 'Changes kept in this browser', last.figure) });
    return;
  }
  // The figure went on elsewhere: what was kept here goes on the shelf beside it.
  const name = `${last.figure.name} (kept in this browser)`.slice(0, 120);
  server.create({ figure: { ...last.figure, name } }).then(
    () => dropDraft(id),
    () => undefined,
  );
}
