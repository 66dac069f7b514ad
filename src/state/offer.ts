import type { Figure, Round } from '@/core/figure';
import { offerOf, type StrokeSymmetry, takeOffer } from '@/core/rebuild';
import { act } from './editor';
import { activeRound, select } from './selecting';
import { shownFigure, type Editor, type EditorState } from './editorState';
import { newId } from './ids';
import { workOf } from './work';

/** A symmetry that is offered for the round at hand, while it is drawn freely with one copy. */
export interface Offered {
  readonly figure: Figure;
  readonly round: Round;
  readonly offer: StrokeSymmetry;
}

/** By what an offer is known that was refused: another stroke makes another one. */
const keyOf = ({ id, shapes }: Round): string => [id, ...shapes.map((shape) => shape.id)].join(' ');

/** What is offered now; null while something is being drawn, and where it was refused. */
export function offeredNow(state: EditorState): Offered | null {
  const round = activeRound(state);
  if (state.stage !== 'draw' || state.tool !== 'freehand' || state.live || !round) return null;
  if (round.rule.fold !== 1 || state.refusedOffer === keyOf(round)) return null;
  const offer = offerOf(round, workOf(state));
  return offer && { figure: shownFigure(state), round, offer };
}

/** Takes what is offered, as one step. */
export function takeOffered(editor: Editor): void {
  const offered = offeredNow(editor.getState());
  if (!offered) return;
  const { round, offer } = offered;
  act(
    editor,
    offer.fold > 1 ? `Turn ×${offer.fold}` : 'Mirror what was drawn',
    (figure, work) => takeOffer(figure, round.id, offer, newId, work).figure,
  );
  const after = shownFigure(editor.getState()).rounds.find(({ id }) => id === round.id);
  if (after)
    select(
      editor,
      round.id,
      offer.kept.map(({ id }) => id),
      { turn: after.rule.start, mirrored: false },
    );
}

/** Leaves what was drawn as it is; true where something was offered. */
export function refuseOffered(editor: Editor): boolean {
  const offered = offeredNow(editor.getState());
  if (offered) editor.setState({ refusedOffer: keyOf(offered.round) });
  return offered !== null;
}
