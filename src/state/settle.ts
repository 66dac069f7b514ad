/**
 * Taking steps whose outlines take work. What a step needs is found by looking (core/derive); what is missing is done by a worker,
 * and the step is looked at again with the answers, up to its end. Only then is it taken.
 */
import { nodesOfContours } from '@/core/curve';
import {
  STRAIGHT,
  type Task,
  withAnswer,
  withGivenUp,
  withoutOldest,
  type Work,
  workFrom,
} from '@/core/derive';
import { askOutlines, type Figure, outlineFinding, shownCells } from '@/core/figure';
import { failed, finding, ok, type Result } from '@/core/finding';
import { createTaskWorker, type TaskWorker } from '@/worker';
import type { Editor, EditorState } from './editorState';
import type { Selection } from './slices/session';
import { figureOf } from './history';

/** How long a step works before it shows its progress, in milliseconds. */
const QUIET_TIME = 150;

const workers = new WeakMap<Editor, TaskWorker>();

/** Has what takes long done by a worker from now on; without it it is done in the page. Returns how to end it. */
export function followTasks(editor: Editor, worker: TaskWorker = createTaskWorker()): () => void {
  workers.set(editor, worker);
  return () => {
    workers.delete(editor);
    worker.stop();
    editor.setState({ working: null, wanted: null });
  };
}

/** Leaves the step that is being worked out; the figure stays as it was. */
export const stopWork = (editor: Editor): void => workers.get(editor)?.stop();

/** Asks for all that showing a figure takes. @returns the figure */
export function asked(state: EditorState, figure: Figure, work: Work): Result<Figure> {
  askOutlines(figure, work);
  for (const { id, merge } of figure.rounds) {
    const division = merge?.op === 'divide' ? state.merges.get(id)?.result?.division : undefined;
    if (division && merge?.cells) shownCells(division, merge.cells, work);
  }
  return ok(figure);
}

/** Asks for all that showing a figure as the next step takes. @returns the figure, or why it cannot be one */
export function prepared(state: EditorState, figure: Figure, work: Work): Result<Figure> {
  asked(state, figure, work);
  const problem = outlineFinding(figureOf(state.history), figure, work);
  return problem ? failed(problem) : ok(figure);
}

/** What a selection may still name after the figure changed under it. */
export function stillThere(figure: Figure, selection: Selection): Selection {
  const round =
    figure.rounds.find(({ id }) => id === selection.roundId) ?? figure.rounds[figure.rounds.length - 1];
  const here = new Set(round?.shapes.map(({ id }) => id));
  const shapeIds = new Set([...selection.shapeIds].filter((id) => here.has(id)));
  const [only] = shapeIds;
  const shape = shapeIds.size === 1 ? round?.shapes.find(({ id }) => id === only) : undefined;
  const count = shape?.form.kind === 'path' ? nodesOfContours(shape.form.contours).length : 0;
  const others = new Map(
    [...selection.others].flatMap(([id, other]) => {
      const there = new Set(figure.rounds.find((each) => each.id === id)?.shapes.map((each) => each.id));
      const ids = new Set([...other.ids].filter((each) => there.has(each)));
      return ids.size > 0 && id !== round?.id ? [[id, { ...other, ids }] as const] : [];
    }),
  );
  return {
    roundId: round?.id ?? '',
    shapeIds,
    others,
    kinds: round?.id === selection.roundId ? selection.kinds : new Set(),
    nodes: new Set([...selection.nodes].filter((index) => index < count)),
    handle: count > 0 ? selection.handle : null,
  };
}

/** Has a task done and keeps its answer. @returns null where it was stopped */
async function workOut(
  editor: Editor,
  worker: TaskWorker,
  task: Task,
  progress: (share: number) => void,
): Promise<Result<unknown> | null> {
  const answer = await worker.do(task, progress);
  if (answer) editor.setState(({ results }) => ({ results: withAnswer(results, task, answer) }));
  return answer;
}

/** The first task that some work still wants; null where it has all. */
function nextOf(state: EditorState, run: (work: Work) => unknown): Task | null {
  const reading = workFrom(state.results);
  run(reading);
  return reading.wanted()[0] ?? null;
}

/** Has all done that some work takes, so that it is done in a moment after it; what cannot be made is left out. */
export async function workAhead(editor: Editor, run: (work: Work) => unknown): Promise<void> {
  const worker = workers.get(editor);
  if (!worker) return;
  for (;;) {
    const task = nextOf(editor.getState(), run);
    if (!task || !(await workOut(editor, worker, task, () => undefined))) return;
  }
}

/**
 * Does work and then something with what came of it: at once where it is done in a moment. Otherwise what takes long is done by
 * a worker, with its progress in `working`, while no other step is taken; then it is looked at again, up to its end. Where
 * it is stopped or cannot be done nothing changes, and why is left in `refusal`.
 * @param run what comes of a work that is read; it is called again for each answer
 * @param bears true where what cannot be made or is stopped is no reason to leave: what a file holds is shown as far as it goes
 */
export function perform<T>(
  editor: Editor,
  label: string,
  run: (work: Work) => Result<T>,
  then: (value: T) => void,
  bears = false,
): void {
  if (editor.getState().working) {
    refuse(editor, 'The step before is still being worked out: wait for it, or stop it.');
    return;
  }
  const worker = workers.get(editor);
  const end = (result: Result<T>): void => {
    if (!result.ok) {
      leave(editor, result.finding.sentence);
      return;
    }
    editor.setState(({ results }) => ({ working: null, results: withoutOldest(results) }));
    then(result.value);
  };
  if (!worker) {
    end(run(STRAIGHT));
    return;
  }
  const began = performance.now();
  const tell = (progress: number): void => {
    // What a worker says may come in when all is over.
    const { working } = editor.getState();
    if (working?.label === label && performance.now() - began > QUIET_TIME)
      editor.setState({ working: { label, progress } });
  };
  /** @returns the next task, or null where all is done */
  const look = (): Task | null => {
    const reading = workFrom(editor.getState().results);
    const result = run(reading);
    const [task] = reading.wanted();
    if (task) return task;
    end(result);
    return null;
  };
  const goOn = async (first: Task): Promise<void> => {
    for (let task: Task | null = first; task; task = look()) {
      const answer = await workOut(editor, worker, task, tell);
      if (workers.get(editor) !== worker) return;
      if (!answer && !bears) {
        leave(editor, `${label} was stopped. Nothing was changed.`);
        return;
      }
      if (answer && !answer.ok && !bears) {
        leave(editor, answer.finding.sentence);
        return;
      }
      const stopped = task;
      if (!answer) editor.setState(({ results }) => ({ results: withGivenUp(results, stopped) }));
    }
  };
  const first = look();
  if (!first) return;
  editor.setState({ working: { label, progress: null } });
  setTimeout(() => {
    // The first step of a long work may say nothing for a while.
    const { working } = editor.getState();
    if (working?.progress === null) editor.setState({ working: { ...working, progress: 0 } });
  }, QUIET_TIME);
  goOn(first).catch((error: unknown) => {
    console.error(error);
    leave(editor, finding('work.failed').sentence);
  });
}

const refuse = (editor: Editor, message: string): void => editor.setState({ refusal: { message } });

function leave(editor: Editor, message: string): void {
  editor.setState((state) => ({
    working: null,
    live: null,
    wanted: null,
    selection: stillThere(figureOf(state.history), state.selection),
    refusal: { message },
  }));
}

const isReady = (state: EditorState, figure: Figure): boolean =>
  nextOf(state, (work) => prepared(state, figure, work)) === null;

/**
 * Shows a figure without making it a step: the middle of a drag. Null goes back to the last step. One whose outlines take long is
 * shown when they are there; of those that are asked for meanwhile only the newest.
 */
export function preview(editor: Editor, figure: Figure | null): void {
  const worker = workers.get(editor);
  if (!figure || !worker || isReady(editor.getState(), figure)) {
    editor.setState({ live: figure, wanted: null });
    return;
  }
  editor.setState({ wanted: figure });
  if (showing.has(editor)) return;
  showing.add(editor);
  void showWanted(editor, worker).finally(() => {
    showing.delete(editor);
    editor.setState(({ results }) => ({ results: withoutOldest(results) }));
  });
}

/** Where a figure of a drag is being worked out. */
const showing = new WeakSet<Editor>();

async function showWanted(editor: Editor, worker: TaskWorker): Promise<void> {
  for (;;) {
    const state = editor.getState();
    const { wanted } = state;
    if (!wanted || state.working) return;
    const task = nextOf(state, (work) => prepared(state, wanted, work));
    if (task && !(await workOut(editor, worker, task, () => undefined))) return;
    const now = editor.getState();
    if (now.working || now.wanted === null) return;
    // What was worked out is shown though the hand is further on by now.
    if (isReady(now, wanted)) {
      editor.setState({ live: wanted, ...(now.wanted === wanted && { wanted: null }) });
      if (now.wanted === wanted) return;
    }
  }
}
