import { useDeferredValue, useState, useSyncExternalStore } from 'react';

import { type Editor, type EditorState, restOf, seatedOf, whenCalm } from '@/state';
import { useEditor } from './EditorContext';

interface Calm {
  readonly state: EditorState;
  /** Something was done in what shows it: that is shown before anything else. */
  readonly isOwn: boolean;
}

/**
 * What tells that fields of an element were changed: to be spread on it. Those of what opens from it count, wherever it stands in the page; a button
 * shows no number of its own and can wait.
 */
type Hands = Readonly<Record<'onKeyDownCapture' | 'onChangeCapture' | 'onBlurCapture', () => void>>;

interface CalmStore {
  readonly subscribe: (changed: () => void) => () => void;
  readonly snapshot: () => Calm;
  readonly hands: Hands;
}

/**
 * The editor's state without what the pointer does, followed at once, but only every now and then while something is dragged, and once it is
 * over while nothing changes but what the panes show of the figure.
 */
function calmStore(editor: Editor): CalmStore {
  let isAtHand = false;
  const touched = (): void => {
    isAtHand = true;
    setTimeout(() => (isAtHand = false));
  };
  const rest = restOf(editor);
  const seated = seatedOf(editor);
  let shown: Calm = { state: rest(editor.getState()), isOwn: false };
  let seat = seated(editor.getState());
  return {
    hands: {
      onKeyDownCapture: touched,
      onChangeCapture: touched,
      onBlurCapture: touched,
    },
    snapshot: () => shown,
    subscribe: (changed) => {
      let cancel: (() => void) | null = null;
      const stop = (): void => {
        cancel?.();
        cancel = null;
      };
      const follow = (): void => {
        stop();
        shown = { state: rest(editor.getState()), isOwn: isAtHand };
        seat = seated(editor.getState());
        changed();
      };
      const end = editor.subscribe((state) => {
        if (rest(state) === shown.state) return;
        if (state.live && shown.state.live) {
          cancel ??= whenCalm(follow);
        } else if (seated(state) === seat) {
          stop();
          cancel = whenCalm(follow);
        } else follow();
      });
      return () => {
        stop();
        end();
      };
    },
  };
}

/**
 * The editor's state for what may lag a little behind the panes, as the picture under the pointer comes first; but what fields take in the
 * element that has the hands is there at once, so that a field never goes back to the number it had.
 */
export function useCalmState(): { readonly state: EditorState; readonly hands: Hands } {
  const editor = useEditor();
  const [store] = useState(() => calmStore(editor));
  const shown = useSyncExternalStore(store.subscribe, store.snapshot, store.snapshot);
  const later = useDeferredValue(shown);
  return { state: (shown.isOwn ? shown : later).state, hands: store.hands };
}
