import { toast } from 'sonner';

import { distance } from '@/core/curve';
import { slitShapes } from '@/core/figure/commands';
import { actAndSelect, activeRound, newId, selectedShapes } from '@/state';
import type { Press } from './gesture';
import { enterWedge } from './makers';
import { MotifPointer, placementIn } from './pointer';

/** Slit: drag a line across shapes; the selected ones, or all of the motif, are cut along it as far as it goes on. */
export const pressSlit: Press = (editor, p) => {
  enterWedge(editor, p);
  const state = editor.getState();
  const round = activeRound(state);
  if (!round || round.locked) return null;
  const pointer = new MotifPointer(editor, p.pane, placementIn(state, p.pane));
  const from = pointer.at(p);
  let to = from;
  const show = (): void => editor.setState({ measured: { pane: p.pane, from, to } });
  return {
    move: (q) => {
      to = pointer.at(q, [], from);
      show();
    },
    up: () => {
      editor.setState({ measured: null });
      if (distance(from, to) < pointer.length(4)) return;
      const chosen = selectedShapes(state);
      const wanted = chosen.length > 0 ? chosen : round.shapes;
      const ids = new Set(wanted.filter(({ visible, locked }) => visible && !locked).map(({ id }) => id));
      actAndSelect(
        editor,
        'Slit',
        round.id,
        (figure, work) => slitShapes(figure, round.id, ids, from, to, newId, work),
        (cut) => {
          if (cut.ids.length === 0) toast('The line crosses none of the shapes.');
        },
      );
    },
    cancel: () => editor.setState({ measured: null }),
  };
};
