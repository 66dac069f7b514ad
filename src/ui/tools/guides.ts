import { distance } from '@/core/curve';
import { addGuide } from '@/core/figure/commands';
import { directionTo } from '@/core/maker';
import type { Guide } from '@/core/symmetry';
import { activeRound, commit, preview, shownFigure } from '@/state';
import type { Press } from './gesture';
import { enterWedge } from './makers';
import { MotifPointer, placementIn } from './pointer';

/** Guide: drag along it for a line without ends; with Shift a circle about where the drag began. */
export const pressGuide: Press = (editor, p) => {
  enterWedge(editor, p);
  const state = editor.getState();
  const round = activeRound(state);
  if (!round || round.locked) return null;
  const pointer = new MotifPointer(editor, p.pane, placementIn(state, p.pane));
  const from = pointer.at(p);
  const figure = shownFigure(state);
  let laid = false;
  return {
    move: (q) => {
      const to = pointer.at(q, [], from);
      const length = distance(from, to);
      if (length < pointer.length(4)) return;
      laid = true;
      const guide: Guide = q.shift
        ? { kind: 'circle', at: from, radius: length }
        : { kind: 'line', at: from, direction: directionTo(from, to) };
      preview(editor, addGuide(figure, round.id, guide));
    },
    up: () => {
      if (laid) commit(editor, 'Lay a guide', shownFigure(editor.getState()));
    },
    cancel: () => preview(editor, null),
  };
};

/** Measure: drag from a point to another; both snap, and what is between them is shown until the next press. */
export const pressMeasure: Press = (editor, p) => {
  enterWedge(editor, p);
  const pointer = new MotifPointer(editor, p.pane, placementIn(editor.getState(), p.pane));
  const from = pointer.at(p);
  editor.setState({ measured: null });
  return {
    move: (q) => editor.setState({ measured: { pane: p.pane, from, to: pointer.at(q, [], from) } }),
    up: () => undefined,
    cancel: () => editor.setState({ measured: null }),
  };
};
