import { lengthOf, ORIGIN, type Point } from '@/core/curve';
import { freshName, newShape } from '@/core/figure';
import { type Form, formProblem, MAKERS, scaledParams } from '@/core/maker';
import { NO_TURN } from '@/core/number';
import { activeRound, areaAtHand, commit, newId, preview, select, shownFigure, withDrawn } from '@/state';
import type { Press } from './gesture';
import { enterWedge } from './makers';
import { MotifPointer, placementIn } from './pointer';

/** Words on the circle about the centre that goes through a point, as large in proportion as those that one begins with. */
function wordsThrough(at: Point): Form {
  const { start } = MAKERS.words;
  const params = scaledParams(MAKERS.words, start, lengthOf(at) / start.radius);
  return { kind: 'words', at: ORIGIN, rotation: NO_TURN, params };
}

/** Words: a click sets a ring of them through that point, a drag while it is held; then they are typed. */
export const pressWords: Press = (editor, p) => {
  enterWedge(editor, p);
  const state = editor.getState();
  const round = activeRound(state);
  if (!round || round.locked) return null;
  const pointer = new MotifPointer(editor, p.pane, placementIn(state, p.pane));
  const figure = shownFigure(state);
  const id = newId();
  const label = freshName('Words', round.shapes);
  const show = (at: Point): void => {
    const form = wordsThrough(at);
    if (formProblem(form) !== null) return;
    preview(editor, withDrawn(state, figure, round.id, [newShape(id, label, form, areaAtHand(state))]));
  };
  show(pointer.at(p));
  return {
    move: (q) => show(pointer.at(q)),
    up: () => {
      const drawn = shownFigure(editor.getState());
      if (drawn === figure) return;
      commit(editor, 'Set words', drawn);
      select(editor, round.id, [id]);
    },
    cancel: () => preview(editor, null),
  };
};
