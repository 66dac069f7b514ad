/**
 * What keys do.
 *
 * @example
 * if (nudge(editor, 'ArrowUp', event.shiftKey ? 10 : 1)) event.preventDefault();
 */
import { add, nodesOfContours, type Point, scaleBy } from '@/core/curve';
import type { Figure, RoundId } from '@/core/figure';
import { moveNodes, removeNodes, setFold, setHandle, setMirror } from '@/core/figure/commands';
import { NO_TURN } from '@/core/number';
import { MOST_FOLD } from '@/core/symmetry';
import {
  activeRound,
  actOnRound,
  chosenHandle,
  type Editor,
  type EditorState,
  frameOf,
  type Level,
  movedParts,
  refuseOffered,
  type Saver,
  select,
  selectedShapes,
  selectNodes,
  type Stage,
  TRAYS,
} from '@/state';
import { say } from '@/ui/common';
import { deleteSelection } from '@/ui/desk';
import { dropLastNode, dropSpots, finishPath } from '@/ui/tools';

/** What the panel shows first in a stage: turning and merging are of a round; else it is of what is selected. */
function levelIn(stage: Stage, state: EditorState): Level {
  if (stage === 'turn' || stage === 'merge') return 'round';
  return selectedShapes(state).length > 0 ? 'shapes' : 'round';
}

/** Changes the stage and, where its tray lacks the tool at hand, takes its first. */
export function goToStage(editor: Editor, stage: Stage): void {
  editor.setState((state) => {
    const { tool } = state;
    const tools = TRAYS[stage].flat();
    return {
      stage,
      level: levelIn(stage, state),
      draft: null,
      spots: [],
      live: null,
      wanted: null,
      tool: tools.includes(tool) ? tool : (tools[0] ?? 'select'),
      // What the proof is about is all of the figure.
      ...(stage === 'proof' && state.wide === 'bench' && { wide: null }),
    };
  });
}

/** Undo that may have to fetch earlier steps. */
export function undoStep(saver: Saver | null): void {
  saver?.undo().catch((error: unknown) => {
    say(error, 'The earlier steps could not be fetched.');
  });
}

const NUDGES: Readonly<Record<string, Point>> = {
  ArrowLeft: { x: -1, y: 0 },
  ArrowRight: { x: 1, y: 0 },
  ArrowUp: { x: 0, y: -1 },
  ArrowDown: { x: 0, y: 1 },
};

/** What is selected moved by a vector, as the Bench shows it: a handle, nodes, or whole shapes of one round and more. */
function moved(state: EditorState, figure: Figure, roundId: RoundId, by: Point): Figure {
  const { nodes } = state.selection;
  const handle = chosenHandle(state);
  if (handle) return setHandle(figure, handle.ref, handle.index, handle.side, add(handle.at, by));
  const [shape] = selectedShapes(state);
  if (state.tool === 'nodes' && nodes.size > 0 && shape)
    return moveNodes(figure, { roundId, shapeId: shape.id }, nodes, by);
  return movedParts(state, figure, by, frameOf(state, 'bench', { turn: NO_TURN, mirrored: false }));
}

/** Moves what is selected by one step of an arrow key; false where nothing that can be moved is. */
export function nudge(editor: Editor, key: string, factor: number): boolean {
  const way = NUDGES[key];
  const state = editor.getState();
  const round = activeRound(state);
  if (!way || !round || round.locked || state.selection.shapeIds.size === 0) return false;
  const by = scaleBy(way, state.nudge * factor);
  actOnRound(editor, 'Nudge', (figure, id) => moved(state, figure, id, by), 'nudge');
  return true;
}

/** One copy more or fewer; nothing beyond how many there may be. */
export function changeFold(editor: Editor, by: 1 | -1): void {
  const fold = (activeRound(editor.getState())?.rule.fold ?? 1) + by;
  if (fold >= 1 && fold <= MOST_FOLD)
    actOnRound(editor, 'Set fold', (figure, id) => setFold(figure, id, fold), 'fold');
}

export function changeMirror(editor: Editor): void {
  const mirror = !activeRound(editor.getState())?.rule.mirror;
  actOnRound(editor, mirror ? 'Mirror on' : 'Mirror off', (figure, id) => setMirror(figure, id, mirror));
}

export function remove(editor: Editor): void {
  const state = editor.getState();
  if (state.draft) {
    dropLastNode(editor);
    return;
  }
  const [shape] = selectedShapes(state);
  if (state.tool === 'nodes' && state.selection.nodes.size > 0 && shape) {
    const { nodes } = state.selection;
    actOnRound(editor, 'Delete nodes', (figure, id) =>
      removeNodes(figure, { roundId: id, shapeId: shape.id }, nodes),
    );
    selectNodes(editor, []);
  } else deleteSelection(editor);
}

/** Esc: leaves the innermost thing that is going on. */
export function leave(editor: Editor): void {
  const state = editor.getState();
  if (state.draft) finishPath(editor, false);
  else if (state.picking) editor.setState({ picking: null });
  else if (state.spots.length > 0) dropSpots(editor);
  else if (state.selection.nodes.size > 0) selectNodes(editor, []);
  else if (refuseOffered(editor)) return;
  else if (state.tool !== 'select') editor.setState({ tool: 'select' });
  else select(editor, state.selection.roundId);
}

export function selectAll(editor: Editor): void {
  const state = editor.getState();
  const round = activeRound(state);
  const [shape] = selectedShapes(state);
  if (state.tool === 'nodes' && shape?.form.kind === 'path')
    selectNodes(editor, nodesOfContours(shape.form.contours).keys());
  else if (round) {
    const free = round.shapes.filter(({ visible, locked }) => visible && !locked);
    select(
      editor,
      round.id,
      free.map(({ id }) => id),
    );
  }
}

/** What F6 goes through: the panes, and the panel's first tab. */
const PANE_STOPS = [
  '[data-pane=findings]',
  '[data-pane=bench]',
  '[data-pane=whole]',
  '[aria-label="Inspector"] [role=tab][aria-selected=true]',
];

/** Puts the focus on the next pane that is shown, or the one before. */
export function focusNextPane(by: 1 | -1): void {
  const stops = PANE_STOPS.flatMap((each) => document.querySelector<HTMLElement>(each) ?? []).filter(
    (each) => each.offsetParent !== null,
  );
  const at = stops.findIndex((each) => each.parentElement?.contains(document.activeElement));
  stops[(at + by + stops.length) % stops.length]?.focus();
}
