import { remembered } from '../core/remembered';
import type { Editor, EditorState } from './editorState';
import type { OptionsSlice } from './slices/options';
import type { PointerSlice } from './slices/pointer';
import type { SavingSlice } from './slices/saving';

type Key = keyof EditorState;

/** All parts of a slice; the compiler asks for each. */
const partsOf = <Slice extends Partial<EditorState>>(parts: Record<keyof Slice, true>): ReadonlySet<Key> =>
  new Set(Object.keys(parts) as Key[]);

const POINTER = partsOf<PointerSlice>({ pointer: true, lit: true });

/** What no pane shows. */
const UNDRAWN = new Set([
  ...partsOf<SavingSlice>({
    revision: true,
    openedAfter: true,
    save: true,
    working: true,
    refusal: true,
    others: true,
  }),
  ...partsOf<OptionsSlice>({ nudge: true, lastSides: true, hand: true, stamp: true, copiedPaint: true }),
]);

/** True where two values of a part say the same: a history by what is shown of it, as a save changes what it knows of the server. */
const isSamePart = (key: Key, a: EditorState, b: EditorState): boolean =>
  a[key] === b[key] ||
  (key === 'history' && a.history.steps === b.history.steps && a.history.at === b.history.at);

/** True where two states say the same but for some parts. */
const isSameBut = (parts: ReadonlySet<Key>, a: EditorState, b: EditorState): boolean =>
  (Object.keys(a) as Key[]).every((key) => parts.has(key) || isSamePart(key, a, b));

/** The state of an editor, the same object while only some parts of it change. */
function without(editor: Editor, parts: ReadonlySet<Key>): (state: EditorState) => EditorState {
  let last = editor.getState();
  return (state) => {
    if (!isSameBut(parts, state, last)) last = state;
    return last;
  };
}

const DRAG = new Set<Key>([...POINTER, 'live']);

/** True where from one moment of a drag to another nothing changed but the figure and where the pointer is. */
export const isSameDrag = (a: EditorState, b: EditorState): boolean =>
  a.live !== null && b.live !== null && isSameBut(DRAG, a, b);

/**
 * An editor's state for what does not show where the pointer is, so that a view of it is not made anew with every move. Its `pointer` and
 * `lit` may be old.
 */
export const restOf = remembered((editor: Editor) => without(editor, POINTER));

/** An editor's state for what is drawn over the panes, so that a save repaints nothing. Of what is not drawn it may say what was. */
export const drawnOf = remembered((editor: Editor) => without(editor, UNDRAWN));

/** An editor's state for what does not show which part of the figure the panes show. Its `views` may be old too. */
export const seatedOf = remembered((editor: Editor) => without(editor, new Set<Key>([...POINTER, 'views'])));
