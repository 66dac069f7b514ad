import { useState, useSyncExternalStore } from 'react';

import { type Editor, type EditorState, restOf, seatedOf } from '@/state';
import { useEditor } from './EditorContext';

/** How long what follows a drag may lag behind it, in milliseconds. */
const CALM = 150;

interface CalmStore {
  readonly subscribe: (changed: () => void) => () => void;
  readonly snapshot: () => EditorState;
}

/**
 * The editor's state without what the pointer does, followed at once, but only every now and then while something is dragged, and once it is
 * over while nothing changes but what the panes show of the figure.
 */
function calmStore(editor: Editor): CalmStore {
  const rest = restOf(editor);
  const seated = seatedOf(editor);
  let shown = rest(editor.getState());
  let seat = seated(editor.getState());
  return {
    snapshot: () => shown,
    subscribe: (changed) => {
      let timer: ReturnType<typeof setTimeout> | null = null;
      const stop = (): void => {
        if (timer) clearTimeout(timer);
        timer = null;
      };
      const follow = (): void => {
        stop();
        shown = rest(editor.getState());
        seat = seated(editor.getState());
        changed();
      };
      const end = editor.subscribe((state) => {
        if (rest(state) === shown) return;
        if (state.live && shown.live) {
          timer ??= setTimeout(follow, CALM);
        } else if (seated(state) === seat) {
          stop();
          timer = setTimeout(follow, CALM);
        } else follow();
      });
      return () => {
        stop();
        end();
      };
    },
  };
}

/** The editor's state for what may lag a little behind a drag: the picture under the pointer comes first. */
export function useCalmState(): EditorState {
  const editor = useEditor();
  const [store] = useState(() => calmStore(editor));
  return useSyncExternalStore(store.subscribe, store.snapshot, store.snapshot);
}
