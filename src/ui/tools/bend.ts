import { type BendHandle, bendHandles, draggedBend } from '@/core/bend';
import { distance } from '@/core/curve';
import { type BentGroup, stripAround } from '@/core/figure';
import { setBend } from '@/core/figure/commands';
import {
  activeRound,
  commit,
  type Editor,
  type EditorState,
  type PaneId,
  preview,
  selectedShapes,
  shownFigure,
} from '@/state';
import type { Gesture } from './gesture';
import { CATCH, MotifPointer, placementIn, type PanePoint } from './pointer';

/** A strip that is selected where it is bent, with its handles. */
export interface HeldStrip {
  readonly strip: BentGroup;
  readonly handles: readonly BendHandle[];
}

/** The strip whose bend can be dragged in a pane; null where none can. */
export function heldStrip(state: EditorState, pane: PaneId): HeldStrip | null {
  const round = activeRound(state);
  const isEdited = state.tool === 'select' && (state.stage === 'draw' || state.stage === 'setout');
  if (pane === 'lane' || !isEdited || !round || round.locked) return null;
  if (selectedShapes(state).some(({ locked }) => locked)) return null;
  const strip = stripAround(round, state.selection.shapeIds);
  return strip && { strip, handles: bendHandles(strip.bend) };
}

/** Takes hold of a handle of the selected strip, if the pointer is on one. */
export function pressBend(editor: Editor, p: PanePoint): Gesture | null {
  const state = editor.getState();
  const round = activeRound(state);
  const held = heldStrip(state, p.pane);
  if (!round || !held) return null;
  const { strip, handles } = held;
  const pointer = new MotifPointer(editor, p.pane, placementIn(state, p.pane), state.selection.shapeIds);
  const at = pointer.raw(p);
  const [near] = handles
    .map((handle) => ({ ...handle, away: distance(handle.point, at) }))
    .filter(({ away }) => away <= pointer.length(CATCH))
    .sort((a, b) => a.away - b.away);
  if (!near) return null;
  const figure = shownFigure(state);
  return {
    move: (q) => {
      const bend = draggedBend(strip.bend, near.id, pointer.at(q), round.rule.fold);
      preview(editor, setBend(figure, round.id, strip.id, bend));
    },
    up: () => commit(editor, `Bend ${strip.name}`, shownFigure(editor.getState())),
    cancel: () => preview(editor, null),
  };
}
