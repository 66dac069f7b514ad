/**
 * The copy that is edited stays the same one of its round when the round's fold, start or sweep changes: its handles go where it goes.
 */
import { followedTurn } from '@/core/figure';
import { equalTurns } from '@/core/number';
import { shownFigure, type Editor } from './editorState';
import { workOf } from './work';

/** Has the edited copy follow its round, also back and forth through the steps. Returns how to end it. */
export const followCopy = (editor: Editor): (() => void) =>
  editor.subscribe((state, before) => {
    const [now, then] = [shownFigure(state), shownFigure(before)];
    const { roundId } = state.selection;
    if (now === then || before.selection.roundId !== roundId || state.active !== before.active) return;
    const [after, former] = [now, then].map(({ rounds }) => rounds.find(({ id }) => id === roundId));
    if (!after || !former || after.rule === former.rule) return;
    const turn = followedTurn(former, after, state.active.turn, workOf(state));
    const mirrored = state.active.mirrored && after.rule.mirror;
    if (!equalTurns(turn, state.active.turn) || mirrored !== state.active.mirrored)
      editor.setState({ active: { turn, mirrored } });
  });
