import { nodesOfContours } from '../core/curve/contours';
import type { Figure } from '../core/figure/model';
import { shownCells } from '../core/figure/cells';
import { outlineStep } from '../core/figure/outline';
import { MergeFailed } from '../core/merge/merge';
import { attempt, keepOutlines, nameOfTask, type OutlineTask } from '../core/merge/outlines';
import { createOutliner, type Outliner } from '../worker/outliner';
import type { Editor, Selection } from './editorState';
import { figureOf } from './history';

/** How long a step works before it shows its progress, in milliseconds. */
const QUIET_TIME = 150;

const outliners = new WeakMap<Editor, Outliner>();

/** Has outlines that take long made in a worker from now on; without it they are made in the page. Returns how to end it. */
export function followOutlines(editor: Editor, outliner: Outliner = createOutliner()): () => void {
  outliners.set(editor, outliner);
  return () => {
    outliners.delete(editor);
    outliner.stop();
    editor.setState({ working: null, wanted: null });
  };
}

/** Leaves the step that is being worked out; the figure stays as it was. */
export const stopWork = (editor: Editor): void => outliners.get(editor)?.stop();

/** Makes all that showing a figure takes. Inside an `attempt`, so that what takes long is found out. */
export function prepare(editor: Editor, figure: Figure): void {
  const { merges, history } = editor.getState();
  outlineStep(figureOf(history), figure);
  for (const { id, merge } of figure.rounds) {
    const division = merge?.op === 'divide' ? merges.get(id)?.result?.division : undefined;
    if (division && merge?.cells) shownCells(division, merge.cells);
  }
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
  return {
    roundId: round?.id ?? '',
    shapeIds,
    kinds: round?.id === selection.roundId ? selection.kinds : new Set(),
    nodes: new Set([...selection.nodes].filter((index) => index < count)),
  };
}

/** Has a task done by the worker. @returns false where it was stopped; a sentence where it cannot be done */
async function workOut(
  outliner: Outliner,
  task: OutlineTask,
  progress: (share: number) => void,
): Promise<boolean | string> {
  const name = nameOfTask(task);
  const answer = await outliner.make(name, task, progress);
  if (!answer) return false;
  keepOutlines(name, answer);
  return 'problem' in answer ? answer.problem : true;
}

/** Has all outlines made that some work takes, so that it is done in a moment after it; what cannot be made is left out. */
export async function workAhead(editor: Editor, work: () => unknown): Promise<void> {
  const outliner = outliners.get(editor);
  if (!outliner) return;
  for (;;) {
    const tried = attempt(work);
    if (tried.done || (await workOut(outliner, tried.needs, () => undefined)) === false) return;
  }
}

/**
 * Does work and then something with what came of it: at once where it is done in a moment. Otherwise what takes long is done in
 * a worker, with its progress in `working`, while no other step is taken; then the work is done again, up to its end. Where
 * it is stopped or cannot be done nothing changes, and why is left in `refusal`.
 * @param work does nothing but to work something out
 * @param bears true where outlines that cannot be made or are stopped are no reason to leave: what a file holds is shown as far as it goes
 */
export function perform<T>(
  editor: Editor,
  label: string,
  work: () => T,
  then: (value: T) => void,
  bears = false,
): void {
  if (editor.getState().working) {
    refuse(editor, 'The step before is still being worked out: wait for it, or stop it.');
    return;
  }
  const outliner = outliners.get(editor);
  const trial = (): boolean => {
    const tried = outliner ? attempt(work) : { done: true as const, value: work() };
    if (tried.done) {
      editor.setState({ working: null });
      then(tried.value);
      return true;
    }
    if (outliner) void goOn(outliner, tried.needs);
    return false;
  };
  const began = performance.now();
  const goOn = async (outliner: Outliner, task: OutlineTask): Promise<void> => {
    try {
      const done = await workOut(outliner, task, (progress) => {
        // What a worker says may come in when all is over.
        const { working } = editor.getState();
        if (working?.label === label && performance.now() - began > QUIET_TIME)
          editor.setState({ working: { label, progress } });
      });
      if (outliners.get(editor) !== outliner) return;
      if (done === false && bears) {
        keepOutlines(nameOfTask(task), { problem: 'Stopped.' });
        trial();
      } else if (done === false) leave(editor, `${label} was stopped. Nothing was changed.`);
      else if (typeof done === 'string' && !bears) leave(editor, done);
      else trial();
    } catch (error) {
      leave(editor, error instanceof Error ? error.message : 'The outlines could not be worked out.');
    }
  };
  try {
    if (!trial()) {
      editor.setState({ working: { label, progress: null } });
      setTimeout(() => {
        // The first step of a long work may say nothing for a while.
        const { working } = editor.getState();
        if (working?.progress === null) editor.setState({ working: { ...working, progress: 0 } });
      }, QUIET_TIME);
    }
  } catch (error) {
    if (!(error instanceof MergeFailed)) throw error;
    leave(editor, error.message);
  }
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

/**
 * Shows a figure without making it a step: the middle of a drag. Null goes back to the last step. One whose outlines take long is
 * shown when they are there; of those that are asked for meanwhile only the newest.
 */
export function preview(editor: Editor, figure: Figure | null): void {
  const outliner = outliners.get(editor);
  if (!figure || !outliner || attempt(() => prepare(editor, figure)).done) {
    editor.setState({ live: figure, wanted: null });
    return;
  }
  editor.setState({ wanted: figure });
  if (showing.has(editor)) return;
  showing.add(editor);
  void showWanted(editor, outliner).finally(() => showing.delete(editor));
}

/** Where a figure of a drag is being worked out. */
const showing = new WeakSet<Editor>();

async function showWanted(editor: Editor, outliner: Outliner): Promise<void> {
  for (;;) {
    const { wanted } = editor.getState();
    if (!wanted) return;
    const tried = attempt(() => prepare(editor, wanted));
    if (!tried.done) {
      const done = await workOut(outliner, tried.needs, () => undefined);
      if (done === false) return;
      // Where it cannot be made the drag goes on with the picture before.
      if (done === true && attempt(() => prepare(editor, wanted)).done && editor.getState().wanted)
        editor.setState({ live: wanted });
    } else editor.setState({ live: wanted });
    const now = editor.getState();
    if (now.working || now.wanted === null) return;
    if (now.wanted === wanted) {
      editor.setState({ wanted: null });
      return;
    }
  }
}
