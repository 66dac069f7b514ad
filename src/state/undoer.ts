/**
 * Undo and redo by position: where earlier steps have to be fetched, all that is asked for meanwhile moves the position that is gone to,
 * and one run of fetches serves it. A newer step ends it: what was done last is never what an undo from before takes back.
 */
import { wholeSteps } from '@/core/figure';
import { stepTo } from './editor';
import type { Editor } from './editorState';
import { figureOf, firstHere, positionAfter, withEarlier, type History } from './history';
import { server } from './server';

/** Steps that are fetched beyond the one that is gone to, and at most at once. */
const AHEAD = 50;
const MOST = 200;

export interface Undoer {
  /** Goes one step back. Rejects with the server's sentence where earlier steps cannot be fetched. */
  undo(): Promise<void>;
  redo(): void;
}

/** What is on its way to a position that is not here yet. */
interface Going {
  /** What was shown when it began. */
  readonly from: History;
  to: number;
  done: Promise<void>;
}

const isSameWork = (a: History, b: History): boolean => a.at === b.at && figureOf(a) === figureOf(b);

export function undoerOf(editor: Editor): Undoer {
  let going: Going | null = null;

  /** Fetches until the position that is gone to is here; it may move meanwhile. */
  const fetched = async (from: History): Promise<void> => {
    for (;;) {
      const { id, history } = editor.getState();
      const to = going?.to ?? history.at;
      const first = firstHere(history);
      if (!isSameWork(history, from) || first <= to || first === 0) return;
      const count = Math.min(MOST, first - to + AHEAD);
      const earlier = wholeSteps(await server.stepsBefore(id, first, count));
      if (earlier.length === 0) return;
      editor.setState((state) => ({ history: withEarlier(state.history, earlier) }));
    }
  };

  const go = (from: History): Promise<void> =>
    fetched(from).finally(() => {
      const to = going?.to;
      going = null;
      const { history } = editor.getState();
      if (to !== undefined && isSameWork(history, from)) stepTo(editor, Math.max(to, firstHere(history)));
    });

  return {
    undo: () => {
      const { history } = editor.getState();
      if (going) {
        going.to = Math.max(0, going.to - 1);
        return going.done;
      }
      const to = history.at - 1;
      if (to < 0) return Promise.resolve();
      if (to >= firstHere(history)) {
        stepTo(editor, to);
        return Promise.resolve();
      }
      const begun: Going = { from: history, to, done: Promise.resolve() };
      going = begun;
      begun.done = go(history);
      return begun.done;
    },
    redo: () => {
      const { history } = editor.getState();
      if (going) going.to = Math.min(going.from.at, going.to + 1);
      else stepTo(editor, positionAfter(history));
    },
  };
}
