import { type Editor, viewForRound } from '@/state';

/** Brings the round at hand into sight on the Bench, where it was not seen well; else the view stays where it is. */
export const seeRound = (editor: Editor): void =>
  editor.setState((state) => ({ views: { ...state.views, bench: viewForRound(state) } }));
