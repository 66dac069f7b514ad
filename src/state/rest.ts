import type { EditorState } from './editorState';

/** What follows the pointer while nothing is pressed. */
const POINTED: ReadonlySet<string> = new Set(['pointer', 'lit'] satisfies (keyof EditorState)[]);

let last: EditorState | null = null;

/**
 * The state for what does not show where the pointer is: the same object while that alone changes, so that a view of it is not made
 * anew with every move. Its `pointer` and `lit` may be old.
 */
export function atRest(state: EditorState): EditorState {
  const before = last;
  const isSame =
    before !== null &&
    (Object.keys(state) as (keyof EditorState)[]).every(
      (key) => POINTED.has(key) || state[key] === before[key],
    );
  if (before && isSame) return before;
  last = state;
  return state;
}
