import { remembered } from '../core/remembered';
import type { Editor, EditorState } from './editorState';

type Key = keyof EditorState;

/** What follows the pointer while nothing is pressed. */
const POINTED: ReadonlySet<Key> = new Set<Key>(['pointer', 'lit']);

/** What no pane shows: saving, and what tools and panels are set to. */
const UNDRAWN: ReadonlySet<Key> = new Set<Key>([
  'revision',
  'save',
  'working',
  'refusal',
  'copiedPaint',
  'nudge',
  'lastSides',
  'hand',
  'stamp',
]);

/** True where two values of a part say the same: a history by what is shown of it, as a save changes what it knows of the server. */
const isSamePart = (key: Key, a: EditorState, b: EditorState): boolean =>
  a[key] === b[key] ||
  (key === 'history' && a.history.steps === b.history.steps && a.history.at === b.history.at);

/** The state of an editor, the same object while only some parts of it change. */
function without(editor: Editor, parts: ReadonlySet<Key>): (state: EditorState) => EditorState {
  let last = editor.getState();
  return (state) => {
    const isSame = (Object.keys(state) as Key[]).every(
      (key) => parts.has(key) || isSamePart(key, state, last),
    );
    if (!isSame) last = state;
    return last;
  };
}

/**
 * An editor's state for what does not show where the pointer is, so that a view of it is not made anew with every move. Its `pointer` and
 * `lit` may be old.
 */
export const restOf = remembered((editor: Editor) => without(editor, POINTED));

/** An editor's state for what is drawn over the panes, so that a save repaints nothing. Of what is not drawn it may say what was. */
export const drawnOf = remembered((editor: Editor) => without(editor, UNDRAWN));

/** An editor's state for what does not show which part of the figure the panes show. Its `views` may be old too. */
export const seatedOf = remembered((editor: Editor) => without(editor, new Set<Key>([...POINTED, 'views'])));
