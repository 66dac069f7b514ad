import {
  activeRound,
  areaAtHand,
  commit,
  type Editor,
  lineAtHand,
  newId,
  select,
  shownFigure,
  withDrawn,
} from '@/state';
import { distance, lengthOf, type PathNode, type Point, subtract } from '@/core/curve';
import { freshName, newShape } from '@/core/figure';
import { pathForm } from '@/core/maker';
import type { Press } from './gesture';
import { enterWedge } from './makers';
import { CATCH, MotifPointer, placementIn, type PanePoint } from './pointer';

/** Puts the drafted path into the motif, or drops it where it is a single node. */
export function finishPath(editor: Editor, closed: boolean): void {
  const state = editor.getState();
  const round = activeRound(state);
  const nodes = state.draft?.nodes ?? [];
  editor.setState({ draft: null });
  if (!round || nodes.length < 2) return;
  const id = newId();
  const name = freshName('Path', round.shapes);
  const paint = closed ? areaAtHand(state) : lineAtHand(state);
  const shape = newShape(id, name, pathForm(nodes, closed), paint);
  commit(editor, `Draw ${name}`, withDrawn(state, shownFigure(state), round.id, [shape]));
  select(editor, round.id, [id]);
}

/** Takes back the last node of the drafted path. */
export const dropLastNode = (editor: Editor): void =>
  editor.setState(({ draft }) => ({
    draft: draft && draft.nodes.length > 1 ? { ...draft, nodes: draft.nodes.slice(0, -1) } : null,
  }));

/** True for a path that has gone nowhere yet: the centre is in the wedge of every copy, so that the next node says whose it is. */
const isAtCentre = (nodes: readonly PathNode[]): boolean =>
  nodes.every((node) => lengthOf(node) < 1e-9 && !node.out);

/** Where the next node of a path goes; with Shift in steps of 15° from the last, or along the wedge's rays. */
function nodeAt(pointer: MotifPointer, p: PanePoint, nodes: readonly PathNode[]): Point {
  const last = nodes[nodes.length - 1];
  return p.shift && last ? pointer.held(p, last) : pointer.at(p, nodes.slice(0, 1), last);
}

/** Shows where the next node would go. */
export function hoverPath(editor: Editor, p: PanePoint): void {
  const { draft } = editor.getState();
  if (draft && isAtCentre(draft.nodes)) enterWedge(editor, p);
  const state = editor.getState();
  const pointer = new MotifPointer(editor, p.pane, placementIn(state, p.pane));
  const drawn = state.draft?.nodes ?? [];
  const next = nodeAt(pointer, p, drawn);
  if (state.draft) editor.setState({ draft: { ...state.draft, next } });
}

/**
 * Path: a click sets a corner, a drag an even node with handles; a click on the first node closes it, a
 * double-click or Enter ends it open.
 */
export const pressPath: Press = (editor, p, double) => {
  if (isAtCentre(editor.getState().draft?.nodes ?? [])) enterWedge(editor, p);
  const state = editor.getState();
  const round = activeRound(state);
  if (!round || round.locked) return null;
  if (double && state.draft && state.draft.nodes.length > 1) {
    finishPath(editor, false);
    return null;
  }
  const pointer = new MotifPointer(editor, p.pane, placementIn(state, p.pane));
  const before = state.draft?.nodes ?? [];
  const [first] = before;
  const at = nodeAt(pointer, p, before);
  if (first && before.length > 1 && distance(first, at) <= pointer.length(CATCH)) {
    finishPath(editor, true);
    return null;
  }
  const node: PathNode = { x: at.x, y: at.y, kind: 'corner' };
  editor.setState({ draft: { nodes: [...before, node], next: null } });
  return {
    move: (q) => {
      const out = q.shift ? pointer.held(q, at) : pointer.offered(q);
      const arm = subtract(out, at);
      if (distance(out, at) < pointer.length(4)) return;
      const even: PathNode = { ...node, kind: 'even', out, in: { x: at.x - arm.x, y: at.y - arm.y } };
      editor.setState({ draft: { nodes: [...before, even], next: null } });
    },
    up: () => undefined,
    cancel: () => editor.setState({ draft: before.length > 0 ? { nodes: before, next: null } : null }),
  };
};
