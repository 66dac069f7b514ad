import { type Work, workFrom } from '@/core/derive';
import { boundedFigure, evaluate } from '@/core/figure';
import { shownFigure, type Editor, type EditorState } from './editorState';
import { isAllMerged, mergeResults } from './merges';
import { workAhead } from './settle';

/** How long a figure rests before what only makes it look finer is worked out, in milliseconds. */
const REST = 60;

/** Asks for all that a scene is finer with. */
const finest = (state: EditorState) => (work: Work) =>
  evaluate(boundedFigure(shownFigure(state), work), mergeResults(state.merges), work);

/** True where nothing is on the way that would make the scene another one. */
const rests = (state: EditorState): boolean => state.live === null && !state.working && isAllMerged(state);

/** True where what is shown is as fine as it gets, so that a file of it can be made here. */
export function isFinest(state: EditorState): boolean {
  const reading = workFrom(state.results);
  finest(state)(reading);
  return reading.wanted().length === 0;
}

/** Has the coats of cells made once a figure rests: until then cells are shown as they are. Returns how to end it. */
export function followCoats(editor: Editor): () => void {
  let timer: ReturnType<typeof setTimeout> | undefined;
  const look = (): void => {
    const state = editor.getState();
    if (rests(state)) void workAhead(editor, finest(state));
  };
  const later = (): void => {
    clearTimeout(timer);
    timer = setTimeout(look, REST);
  };
  later();
  const unsubscribe = editor.subscribe((state, before) => {
    // Nothing is worked out while a drag goes on.
    if (state.live) return;
    if (shownFigure(state) !== shownFigure(before) || state.merges !== before.merges) later();
  });
  return () => {
    clearTimeout(timer);
    unsubscribe();
  };
}
