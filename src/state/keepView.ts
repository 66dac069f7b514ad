import type { Editor } from './editorState';
import { benchView } from './view';

/**
 * Keeps the Bench's view where it is when something that was dragged is let go: a figure that reaches farther then does not shrink under the
 * hand. It is fitted again when a person asks for it. Returns how to end it.
 */
export const keepView = (editor: Editor): (() => void) =>
  editor.subscribe((state, before) => {
    const isDropped = before.live !== null && state.live === null && state.history !== before.history;
    if (!isDropped || state.views.bench !== null) return;
    const was = benchView(before);
    if (benchView(state).scale !== was.scale)
      editor.setState(({ views }) => ({ views: { ...views, bench: was } }));
  });
