/**
 * Saving an editor's steps on the server, and until then in the browser.
 *
 * @example
 * const saver = followSaves(editor, notices);
 * await saver.flush();
 */
import equal from 'fast-deep-equal';

import { patchSteps, type StoredStep, wholeSteps } from '@/core/figure';
import { type FigureSummary, isAmong, type SaveRequest } from '@/protocol';
import { comingSteps, type ComingSteps } from './coming';
import { abandonedDrafts, DraftWriter, dropDraft, type Draft, type LeftDraft } from './drafts';
import { figureBefore, figureOf, historyOf, unsavedSteps, withoutLongAgo, type History } from './history';
import type { Editor } from './editorState';
import type { SaveState } from './slices/saving';
import { ownTab } from './presence';
import { SaveNumbers } from './saveNumbers';
import { server, ServerProblem } from './server';
import { undoerOf, type Undoer } from './undoer';

/** Rest after a change before it is saved, in milliseconds. */
const REST = 250;
/** Rest before it is kept in the browser, which a page that is closed at once may lose. */
const DRAFT_REST = 30;
const FIRST_RETRY = 1000;
const LONGEST_RETRY = 15_000;
/** Of one request: steps, and characters of them, about. */
const MOST_STEPS = 300;
const MOST_CHARACTERS = 4_000_000;
/** What a browser sends after a page is gone: the Fetch standard's limit for keepalive, less some for headers. */
const MOST_KEEPALIVE = 60_000;
/** Answers after which the same request would be answered the same. */
const REFUSED: ReadonlySet<number> = new Set([400, 413, 422]);
/** Answers that say that nothing was saved. */
const UNTAKEN: ReadonlySet<number> = new Set([...REFUSED, 404, 409]);
/** What a refusal is, by its status; others are tried again. */
const KINDS: Readonly<Record<number, 'conflict' | 'gone'>> = { 409: 'conflict', 404: 'gone' };

/** The first steps that fit into one request, one at least. */
function portion(steps: readonly StoredStep[]): readonly StoredStep[] {
  let length = 0;
  const count = steps.findIndex((step, k) => {
    length += JSON.stringify(step).length;
    return k > 0 && (length > MOST_CHARACTERS || k >= MOST_STEPS);
  });
  return count < 0 ? steps : steps.slice(0, count);
}

/**
 * What the server is told: as what changed from step to step, as much as fits.
 * @param upTo steps after this position are left out: the server refused one of them
 */
function requestOf(history: History, base: number, upTo = Infinity): SaveRequest {
  const unsaved = unsavedSteps(history).filter(({ position }) => position <= upTo);
  const [first] = unsaved;
  const steps = portion(patchSteps(unsaved, first ? figureBefore(history, first.position) : null));
  const last = steps[steps.length - 1];
  return { base, step: last && steps.length < unsaved.length ? last.position : history.at, steps };
}

/** True where a history differs from what the server was last told. */
const isDirty = (history: History, savedAt: number): boolean =>
  history.unsavedFrom !== Infinity || history.at !== savedAt;

/** A person has to say how it goes on. */
const isStopped = ({ kind }: SaveState): boolean => kind === 'conflict' || kind === 'gone';

export interface Saver extends Undoer, Pick<ComingSteps, 'awaits'> {
  /** Saves what there is at once; resolves when the server has it, rejects with its refusal. */
  flush(): Promise<void>;
  /** After a conflict: puts this window's figure on the shelf as another one. Resolves to its id. */
  saveCopy(name: string): Promise<string>;
  /** Where the figure was taken off the Shelf: puts it back, and saves on. */
  putBack(): Promise<void>;
  /** Resolves once what an earlier visit left in the browser is taken up. */
  readonly restored: Promise<void>;
  end(): void;
}

/** What a person is told that no state shows. */
export interface Notices {
  told(sentence: string): void;
  /** The browser does not keep what the server has not got. */
  unkept(sentence: string): void;
}

/** Saves every change soon after it is made, again and again until the server has it. */
export function followSaves(editor: Editor, notices: Notices): Saver {
  const { id } = editor.getState();
  let savedAt = editor.getState().history.at;
  let timer: ReturnType<typeof setTimeout> | undefined;
  let running: Promise<void> | null = null;
  let retry = FIRST_RETRY;
  let ended = false;
  /** What is on its way to the server: from which position, and to which revision. */
  let sent: { readonly from: number; readonly base: number } | null = null;
  const numbers = new SaveNumbers();
  /** The server refused a step: those after the one that is shown are held back. */
  let refused = false;
  /** What a page sends as it is left is on its way. */
  let isLeaving = false;
  let writer: DraftWriter | null = null;
  let keepTimer: ReturnType<typeof setTimeout> | undefined;

  /** What is said of a history of which something was saved: it is over only where nothing is left. */
  const savedOr = (history: History, { updatedAt }: FigureSummary): SaveState =>
    isDirty(history, savedAt) ? { kind: 'waiting' } : { kind: 'saved', at: updatedAt };

  /** What only this window has for sure. */
  const draftNow = (): Draft | null => {
    const { history, revision } = editor.getState();
    if (!isDirty(history, savedAt) && !sent) return null;
    const from = Math.min(history.unsavedFrom, sent?.from ?? Infinity);
    const steps = history.steps.filter(({ position }) => position >= from);
    return {
      base: sent?.base ?? revision,
      at: history.at,
      steps,
      unanswered: numbers.unanswered,
      window: numbers.window,
    };
  };

  const keep = async (): Promise<void> => {
    clearTimeout(keepTimer);
    try {
      await writer?.keep(draftNow());
    } catch {
      notices.unkept(
        'This browser does not keep changes that are not saved yet: its store is full or closed.',
      );
    }
  };
  const keepSoon = (): void => {
    clearTimeout(keepTimer);
    keepTimer = setTimeout(() => void keep(), DRAFT_REST);
  };

  /**
   * Sends a save by its number: where its answer is lost, the next one tells the server that it may have been this window that changed
   * the figure. The browser keeps that number too.
   */
  const sendSave = async (request: SaveRequest, keepalive = false): Promise<FigureSummary> => {
    const known = { ...request, ...numbers.next() };
    void keep();
    try {
      const summary = await server.save(id, known, keepalive);
      numbers.answered();
      return summary;
    } catch (error) {
      if (error instanceof ServerProblem && UNTAKEN.has(error.status)) numbers.refused();
      throw error;
    }
  };

  /** Goes on from what the server has where another window brought the figure to the same state. @returns false where it did not */
  const agree = async (): Promise<boolean> => {
    const there = await server.load(id).catch(() => null);
    if (!there || !equal(there.figure, figureOf(editor.getState().history))) return false;
    savedAt = there.step;
    editor.setState({
      revision: there.revision,
      history: historyOf(wholeSteps(there.steps), there.step),
      save: { kind: 'saved', at: there.updatedAt },
    });
    keepSoon();
    return true;
  };

  const save = async (): Promise<void> => {
    const { history, revision } = editor.getState();
    if (!isDirty(history, savedAt)) return;
    const request = requestOf(history, revision, refused ? history.at : Infinity);
    sent = { from: history.unsavedFrom, base: revision };
    editor.setState({ save: { kind: 'waiting' }, history: { ...history, unsavedFrom: Infinity } });
    try {
      const summary = await sendSave(request);
      savedAt = request.step;
      retry = FIRST_RETRY;
      refused = false;
      editor.setState((state) => {
        const last = request.steps[request.steps.length - 1];
        const held = history.steps.find(({ position }) => last && position > last.position);
        const unsavedFrom = Math.min(state.history.unsavedFrom, last && held ? held.position : Infinity);
        const now = withoutLongAgo({ ...state.history, unsavedFrom });
        return {
          revision: summary.revision,
          history: now,
          save: savedOr(now, summary),
        };
      });
    } catch (error) {
      const problem =
        error instanceof ServerProblem ? error : new ServerProblem(0, 'The figure could not be saved.');
      if (problem.status === 409 && (await agree())) return;
      refused = REFUSED.has(problem.status);
      editor.setState((state) => ({
        history: { ...state.history, unsavedFrom: Math.min(state.history.unsavedFrom, history.unsavedFrom) },
        save: { kind: KINDS[problem.status] ?? 'failing', message: problem.message },
      }));
      throw problem;
    } finally {
      sent = null;
      keepSoon();
    }
  };

  const run = (): Promise<void> => {
    clearTimeout(timer);
    running ??= save().finally(() => {
      running = null;
      if (ended || isStopped(editor.getState().save)) return;
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
    keepSoon();
    if (isStopped(state.save) || !isDirty(state.history, savedAt)) return;
    if (state.save.kind === 'saved') editor.setState({ save: { kind: 'waiting' } });
    if (running) return;
    clearTimeout(timer);
    timer = setTimeout(() => void run().catch(() => undefined), REST);
  });

  const leave = (): void => {
    const { history, revision, save: state } = editor.getState();
    if (!isDirty(history, savedAt) && !running) return;
    void keep();
    if (isStopped(state)) return;
    if (running) {
      void flush().catch(() => undefined);
      return;
    }
    const request = requestOf(history, revision);
    if (JSON.stringify(request).length >= MOST_KEEPALIVE) {
      void run().catch(() => undefined);
      return;
    }
    isLeaving = true;
    sendSave(request, true)
      .then(
        (summary) => {
          // The page lives on (it was only hidden): what was sent is saved.
          savedAt = request.step;
          editor.setState((now) => {
            const left = now.history === history ? { ...history, unsavedFrom: Infinity } : now.history;
            return { revision: summary.revision, history: left, save: savedOr(left, summary) };
          });
          void keep();
        },
        () => undefined,
      )
      .finally(() => (isLeaving = false));
  };
  // A page that is left is hidden after that: what it has left to say is said by then.
  const whenHidden = (): void => {
    if (document.visibilityState === 'hidden' && !isLeaving) void flush().catch(() => undefined);
  };
  window.addEventListener('pagehide', leave);
  document.addEventListener('visibilitychange', whenHidden);

  /** Takes up what tabs that are gone could not hand to the server. */
  const restore = async (): Promise<void> => {
    const tab = await ownTab();
    const [newest, ...others] = await abandonedDrafts(id, tab);
    writer = new DraftWriter(tab, id);
    if (newest) {
      numbers.takeUp(newest.unanswered, newest.window);
      const count = takeUp(editor, newest);
      if (count > 0) {
        const what = count === 1 ? 'One change' : `${count} changes`;
        notices.told(`${what} that only this browser had ${count === 1 ? 'is' : 'are'} back.`);
      }
      await keep();
      if (newest.tab !== tab || !draftNow()) await dropDraft(newest.tab, id);
    }
    for (const draft of others) await putBeside(draft);
    if (isDirty(editor.getState().history, savedAt) && !isStopped(editor.getState().save))
      timer = setTimeout(() => void run().catch(() => undefined), REST);
  };

  /** What another tab left as well goes on the Shelf beside the figure. */
  const putBeside = async (draft: LeftDraft): Promise<void> => {
    const shown = draft.steps.find(({ position }) => position === draft.at);
    if (shown) {
      const name = `${shown.figure.name} (kept in this browser)`.slice(0, 120);
      await server.create({ figure: { ...shown.figure, name } });
      notices.told(`Another tab had changes that were not saved: they are on the Shelf as “${name}”.`);
    }
    await dropDraft(draft.tab, id);
  };

  const restored = restore().catch((error: unknown) => {
    // Without a store in the browser the server is the one that counts.
    if (!(error instanceof ServerProblem)) console.error(error);
  });

  const undoer = undoerOf(editor);
  const coming = comingSteps();
  /** What is about to be taken back reaches the server first: it keeps that where work goes on another way. */
  const undo = (): Promise<void> => {
    const { history, save: state } = editor.getState();
    if (isDirty(history, savedAt) && !isStopped(state)) void run().catch(() => undefined);
    return undoer.undo();
  };

  return {
    redo: () =>
      void coming.before(() => {
        undoer.redo();
        return Promise.resolve();
      }),
    undo: () => coming.before(undo),
    awaits: (step, leave) => coming.awaits(step, leave),
    restored,
    flush,
    saveCopy: async (name) => {
      const figure = figureOf(editor.getState().history);
      const { id: copyId } = await server.create({ figure: { ...figure, name } });
      // All of this window's work is on the Shelf now: nothing is left to save or to keep in the browser.
      editor.setState(({ history }) => ({ history: { ...history, unsavedFrom: Infinity } }));
      savedAt = editor.getState().history.at;
      await keep();
      return copyId;
    },
    putBack: async () => {
      await server.restore(id);
      editor.setState({ save: { kind: 'waiting' } });
      await flush();
    },
    end: () => {
      leave();
      ended = true;
      clearTimeout(timer);
      clearTimeout(keepTimer);
      unsubscribe();
      window.removeEventListener('pagehide', leave);
      document.removeEventListener('visibilitychange', whenHidden);
    },
  };
}

/**
 * Goes on from what an earlier visit left: all its steps, and the place in them. Where the figure went on elsewhere meanwhile, it is
 * as if the other window had saved first: the person is asked.
 * @returns how many changes came back; 0 where the server has them
 */
function takeUp(editor: Editor, { base, at, steps, unanswered, window }: Draft): number {
  const { history, revision, openedAfter } = editor.getState();
  const isKnown = isAmong(openedAfter, unanswered);
  // What that window sent later says more, unless only the first of several portions came: the browser had no time to keep it.
  const isLater = base !== revision && !isKnown && window !== null && openedAfter?.window === window;
  const isWhole = (steps.at(-1)?.position ?? 0) <= (history.steps.at(-1)?.position ?? 0);
  if (isLater && isWhole) return 0;
  const shown = steps.find(({ position }) => position === at);
  const [first] = steps;
  if (!first || !shown) {
    // Only the place among steps that the server has was another one.
    if (base !== revision || at === history.at || !history.steps.some(({ position }) => position === at))
      return 0;
    editor.setState({ history: { ...history, at } });
    return 1;
  }
  if (equal(shown.figure, figureOf(history)) && steps[steps.length - 1] === shown) return 0;
  // The server may have got some of them after all.
  const there = steps.find(
    ({ position, figure }) => position === history.at && equal(figure, figureOf(history)),
  );
  const fits = base === revision || isKnown || isLater || there !== undefined;
  const unsavedFrom = base !== revision && there ? there.position + 1 : first.position;
  const before = history.steps.filter(({ position }) => position < first.position);
  const isJoined = before[before.length - 1]?.position === first.position - 1;
  editor.setState({
    history: { steps: [...(fits && isJoined ? before : []), ...steps], at, unsavedFrom, mergeKey: null },
    ...(!fits && {
      revision: base,
      save: {
        kind: 'conflict',
        message: 'This figure was changed in another window while changes from here were not saved.',
      },
    }),
  });
  return steps.filter(({ position }) => position >= unsavedFrom).length;
}
