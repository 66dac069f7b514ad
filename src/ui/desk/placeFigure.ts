import {
  activeRound,
  benchRadius,
  commit,
  type Editor,
  newId,
  sceneOf,
  select,
  server,
  shownFigure,
  workOf,
} from '@/state';
import { toast } from 'sonner';

import { nestFigure, pictureOf, placeDrawing } from '@/core/figure/commands';
import { evaluateWhole } from '@/core/figure';
import { radiusOfParts } from '@/core/maker';
import { NO_TURN } from '@/core/number';
import { say } from '@/ui/common';

/** How large a figure is placed at first, as a part of the wedge's length. */
const FIRST_SIZE = 0.22;

const breath = (): Promise<void> => new Promise((resolve) => setTimeout(resolve));

/** Places a figure of the Shelf, as it is there now, in the motif that is worked on; with its page's background where asked. */
export async function placeFigure(editor: Editor, id: string, ground: boolean): Promise<void> {
  const work = workOf(editor.getState());
  if (id === editor.getState().id) {
    toast.error('A figure cannot be placed in itself: make it one motif instead, and turn that.');
    return;
  }
  try {
    const { figure, name } = await server.load(id);
    const picture = pictureOf(await evaluateWhole(figure, { pause: breath }), ground);
    const state = editor.getState();
    const round = activeRound(state);
    if (!round || round.locked) return;
    const own = shownFigure(state);
    const reach = benchRadius(own, work);
    const size = (reach * FIRST_SIZE) / (radiusOfParts(picture.parts) || 1);
    const place = { x: 0, y: -reach * 0.62, size, turn: NO_TURN };
    const made = placeDrawing(own, round.id, name, picture, [place], newId());
    if (!made.ok) {
      toast.error(made.finding.sentence);
      return;
    }
    commit(editor, `Place ${name}`, made.value.figure);
    select(editor, round.id, [made.value.id]);
  } catch (error) {
    say(error, 'The figure could not be placed.');
  }
}

/** Makes the whole figure the motif of one round: a small rosette of a larger one. */
export function nestWhole(editor: Editor): void {
  const work = workOf(editor.getState());
  const state = editor.getState();
  const figure = shownFigure({ ...state, live: null });
  const picture = pictureOf(sceneOf({ ...state, live: null }));
  const reach = benchRadius(figure, work);
  const place = {
    x: 0,
    y: -reach * 0.68,
    size: (reach * 0.26) / (radiusOfParts(picture.parts) || 1),
    turn: NO_TURN,
  };
  const ids = { round: newId(), shape: newId() };
  const made = nestFigure(figure, picture, place, ids);
  if (!made.ok) {
    toast.error(made.finding.sentence);
    return;
  }
  commit(editor, 'Make one motif', made.value.figure);
  select(editor, ids.round, [ids.shape]);
}
