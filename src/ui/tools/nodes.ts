import { liesIn } from './lies';
import {
  type Bounds,
  distance,
  firstNodeOf,
  type HandleSide,
  nearestOnPath,
  nodesOfContours,
  type PathNode,
  pathsOfContours,
  subtract,
} from '@/core/curve';
import { addNode, moveNodes, setHandle, type ShapeRef } from '@/core/figure/commands';
import {
  activeRound,
  commit,
  type Editor,
  preview,
  select,
  selectedShapes,
  selectNodes,
  shownFigure,
} from '@/state';
import { drawBox } from './box';
import { holdsBox } from '@/core/figure';
import type { Gesture, Press } from './gesture';
import { CATCH, MotifPointer, placementIn, TOUCH, type PanePoint } from './pointer';
import { hitAt, pressHandle } from './select';

interface Grip {
  readonly index: number;
  readonly side: HandleSide | null;
  readonly away: number;
}

/** The node or handle of a path nearest to a point; handles count for the nodes that show them. */
function gripAt(
  nodes: readonly PathNode[],
  shown: ReadonlySet<number>,
  at: { x: number; y: number },
): Grip | null {
  const grips: Grip[] = nodes.flatMap((node, index) => [
    { index, side: null, away: distance(node, at) },
    ...(shown.has(index) && node.in ? [{ index, side: 'in' as const, away: distance(node.in, at) }] : []),
    ...(shown.has(index) && node.out ? [{ index, side: 'out' as const, away: distance(node.out, at) }] : []),
  ]);
  // Where a handle lies on a node, the node is what is meant.
  return (
    grips.sort((a, b) => a.away - b.away || Number(a.side !== null) - Number(b.side !== null))[0] ?? null
  );
}

/** @param still what a press does that is let go where it was */
function dragGrip(
  editor: Editor,
  ref: ShapeRef,
  grip: Grip,
  node: PathNode,
  pointer: MotifPointer,
  still: () => void,
): Gesture {
  const figure = shownFigure(editor.getState());
  const indices = editor.getState().selection.nodes;
  let moved = false;
  return {
    move: (q) => {
      moved = true;
      const wanted = q.shift ? pointer.held(q, node) : grip.side ? pointer.offered(q) : pointer.at(q);
      // Level handles of a mirrored node are a smooth curve: that is caught.
      const isLevel =
        grip.side && node.kind === 'mirrored' && Math.abs(wanted.y - node.y) <= pointer.length(CATCH);
      const at = isLevel && !q.free ? { x: wanted.x, y: node.y } : wanted;
      if (grip.side) preview(editor, setHandle(figure, ref, grip.index, grip.side, at));
      else preview(editor, moveNodes(figure, ref, indices, subtract(at, node)));
    },
    up: () => {
      if (moved) commit(editor, grip.side ? 'Move handle' : 'Move node', shownFigure(editor.getState()));
      else still();
    },
    cancel: () => preview(editor, null),
  };
}

function pressPath(editor: Editor, p: PanePoint, double: boolean): Gesture | null {
  const state = editor.getState();
  const [shape] = selectedShapes(state);
  const round = activeRound(state);
  if (shape?.form.kind !== 'path' || !round || round.locked || shape.locked) return null;
  if (!liesIn(state, p.pane, shape.id)) return null;
  const { contours } = shape.form;
  const nodes = nodesOfContours(contours);
  const ref = { roundId: round.id, shapeId: shape.id };
  const pointer = new MotifPointer(editor, p.pane, placementIn(state, p.pane), new Set([shape.id]));
  const at = pointer.raw(p);
  const grip = gripAt(nodes, state.selection.nodes, at);
  const node = grip && nodes[grip.index];
  if (node && grip.away <= pointer.length(CATCH)) {
    const chosen = state.selection.nodes;
    const had = chosen.has(grip.index);
    const adds = p.shift && grip.side === null;
    if (grip.side) selectNodes(editor, [grip.index], grip.side);
    else if (!had) selectNodes(editor, adds ? [...chosen, grip.index] : [grip.index]);
    else if (state.selection.handle) selectNodes(editor, chosen);
    // With Shift one that was chosen is so no more, unless it is dragged.
    const drop = (): void =>
      selectNodes(
        editor,
        [...chosen].filter((index) => index !== grip.index),
      );
    return dragGrip(editor, ref, grip, node, pointer, () => {
      if (adds && had) drop();
    });
  }
  const [near] = (double ? pathsOfContours(contours) : [])
    .flatMap((path, contour) => {
      const foot = nearestOnPath(path, at);
      return foot ? [{ ...foot, contour }] : [];
    })
    .sort((a, b) => a.distance - b.distance);
  if (near && near.distance <= pointer.length(TOUCH) && near.t > 0 && near.t < 1) {
    commit(editor, 'Add node', addNode(shownFigure(state), ref, near.contour, near.segment, near.t));
    selectNodes(editor, [firstNodeOf(contours, near.contour) + near.segment + 1]);
  }
  return null;
}

/** Selects nodes of the selected path by a box drawn from an empty place; with Shift more of them. */
function boxNodes(editor: Editor, p: PanePoint, clicked: () => void): Gesture {
  const state = editor.getState();
  const [shape, another] = selectedShapes(state);
  const nodes = shape?.form.kind === 'path' && !another ? nodesOfContours(shape.form.contours) : [];
  const before = p.shift ? state.selection.nodes : new Set<number>();
  const pick = (box: Bounds): void => {
    const inside = nodes.flatMap(({ x, y }, index) =>
      holdsBox(box, { left: x, right: x, top: y, bottom: y }) ? [index] : [],
    );
    selectNodes(editor, [...before, ...inside]);
  };
  return drawBox(editor, p, placementIn(state, p.pane), pick, clicked);
}

/**
 * Nodes: drag nodes and handles; double-click a side to add a node; a box takes the nodes in it; a maker shows its own handles.
 */
export const pressNodes: Press = (editor, p, double) => {
  const gesture = pressHandle(editor, p) ?? pressPath(editor, p, double);
  if (gesture || double) return gesture;
  const hit = hitAt(editor, p);
  const { selection } = editor.getState();
  if (hit && !selection.shapeIds.has(hit.shapeId)) {
    select(editor, hit.roundId, [hit.shapeId], p.pane === 'whole' ? hit.placement : undefined);
    return null;
  }
  return boxNodes(editor, p, () => {
    // Of several the one that is clicked is the one whose nodes are meant.
    if (hit && selection.shapeIds.size > 1)
      select(editor, hit.roundId, [hit.shapeId], p.pane === 'whole' ? hit.placement : undefined);
    else if (hit) selectNodes(editor, []);
    else select(editor, selection.roundId);
  });
};
