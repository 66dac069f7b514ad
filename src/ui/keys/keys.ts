import { add, nodesOfContours, type Point } from '@/core/curve';
import type { Figure } from '@/core/figure';
import { NO_TURN } from '@/core/number';
import {
  activeRound,
  actOnRound,
  chosenHandle,
  type Editor,
  type EditorState,
  frameOf,
  type Level,
  MORE_KEY,
  movedParts,
  offeredNow,
  refuseOffered,
  type Saver,
  select,
  selectedShapes,
  selectNodes,
  type Stage,
  STAGES,
  stopWork,
  takeOffered,
  toolOnKey,
  TRAYS,
} from '@/state';

import {
  moveNodes,
  removeNodes,
  setFold,
  setHandle,
  setMirror,
  toggleHalfStep,
} from '@/core/figure/commands';
import { MOST_FOLD } from '@/core/symmetry';
import { say } from '@/ui/common';
import { crosshairKeys, dropLastNode, dropSpots, finishPath, takeTool, turnArcOrder } from '@/ui/tools';
import { deleteSelection, duplicateSelection, makeGroup, reorderSelection } from '@/ui/desk';

/** The keys of our own, for the help sheet and the docs. */
export const KEYS: readonly (readonly [string, string])[] = [
  ['Q … U, A … J', 'tools, as they lie in the tray'],
  ['Z', 'more tools than the tray has room for'],
  ['1 … 6', 'stages'],
  ['[  ]', 'fold − and +'],
  ['\\', 'mirror'],
  ['.', 'half a step'],
  ['X', 'the other order of an arc’s three points'],
  ['C', 'the symmetry that is offered for what was drawn freely, with one copy'],
  ['V', 'outline view'],
  ['N', 'neighbours’ ghosts'],
  ['B', 'Bench wide'],
  ['M', 'Whole wide'],
  ['0', 'show all of it'],
  ['Arrows', 'nudge shapes, nodes, a node’s handle; Shift ten times, Alt a tenth'],
  ['Ctrl ↑ ↓', 'a step forward, backward; with Shift to the front, the back: shapes, or the round'],
  ['Ctrl G', 'group; with Shift ungroup'],
  ['Alt + click', 'deeper into a group'],
  ['F2', 'rename, in the list of the motif'],
  ['Space + drag, wheel', 'move and zoom the view'],
  ['Shift, Alt, Ctrl', 'constrain, copy, no snapping'],
  ['Enter, Esc', 'end, leave'],
  ['F6', 'to the next pane'],
  ['↑ ↓ Space in Proof', 'the next finding, its next place; Enter closer, M mend, L leave'],
  ['Enter on the Bench', 'a cross-hair: arrows move it, Enter presses and lets go'],
  ['O', 'open the drawer of motifs'],
  ['K', 'keep a version, under a name'],
  ['P', 'the past: steps and versions, looked at and taken back'],
  ['/', 'find anything by its name'],
  ['?', 'this list'],
];

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

const isTyping = (target: EventTarget | null): boolean =>
  target instanceof HTMLElement && (target.isContentEditable || target.matches('input, textarea, select'));

/** Within a control that uses the space key or Enter itself. */
const isControl = (target: EventTarget | null): boolean =>
  target instanceof HTMLElement &&
  target.closest('button, [role=radio], [role=menu], [role=dialog], [role=slider], a') !== null;

/** Within a control that uses the arrow keys itself; a row of the motif's list and a colour at hand do not: what was chosen is moved next. */
const usesArrows = (target: EventTarget | null): boolean =>
  isControl(target) && !(target instanceof HTMLElement && target.matches('[data-row], [data-chip]'));

const NUDGES: Record<string, readonly [number, number]> = {
  ArrowLeft: [-1, 0],
  ArrowRight: [1, 0],
  ArrowUp: [0, -1],
  ArrowDown: [0, 1],
};

/** What is selected moved by a vector, as the Bench shows it: a handle, nodes, or whole shapes of one round and more. */
function moved(state: EditorState, figure: Figure, roundId: string, by: Point): Figure {
  const { nodes } = state.selection;
  const handle = chosenHandle(state);
  if (handle) return setHandle(figure, handle.ref, handle.index, handle.side, add(handle.at, by));
  const [shape] = selectedShapes(state);
  if (state.tool === 'nodes' && nodes.size > 0 && shape)
    return moveNodes(figure, { roundId, shapeId: shape.id }, nodes, by);
  return movedParts(state, figure, by, frameOf(state, 'bench', { turn: NO_TURN, mirrored: false }));
}

function nudge(editor: Editor, key: string, factor: number): boolean {
  const [x, y] = NUDGES[key] ?? [0, 0];
  const state = editor.getState();
  const round = activeRound(state);
  const { shapeIds } = state.selection;
  if ((x === 0 && y === 0) || !round || round.locked || shapeIds.size === 0) return false;
  const step = state.nudge * factor;
  const by = { x: x * step, y: y * step };
  actOnRound(editor, 'Nudge', (figure, id) => moved(state, figure, id, by), 'nudge');
  return true;
}

function remove(editor: Editor): void {
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
function leave(editor: Editor): void {
  const state = editor.getState();
  if (state.draft) finishPath(editor, false);
  else if (state.picking) editor.setState({ picking: null });
  else if (state.spots.length > 0) dropSpots(editor);
  else if (state.selection.nodes.size > 0) selectNodes(editor, []);
  else if (refuseOffered(editor)) return;
  else if (state.tool !== 'select') editor.setState({ tool: 'select' });
  else select(editor, state.selection.roundId);
}

function selectAll(editor: Editor): void {
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
function focusNextPane(by: 1 | -1): void {
  const stops = PANE_STOPS.flatMap((each) => document.querySelector<HTMLElement>(each) ?? []).filter(
    (each) => each.offsetParent !== null,
  );
  const at = stops.findIndex((each) => each.parentElement?.contains(document.activeElement));
  stops[(at + by + stops.length) % stops.length]?.focus();
}

export type Sheet = 'export' | 'keys' | 'find' | 'version';

/** Listens to the keyboard for as long as the editor is open. */
export function followKeys(
  editor: Editor,
  saver: () => Saver | null,
  openSheet: (sheet: Sheet) => void,
): () => void {
  const withSystemKey = (event: KeyboardEvent): boolean => {
    const key = event.key.toLowerCase();
    if (key === 'z' && !event.shiftKey) undoStep(saver());
    else if (key === 'y' || key === 'z') saver()?.redo();
    else if (key === 'd') duplicateSelection(editor);
    else if (key === 'g') makeGroup(editor, !event.shiftKey);
    else if (key === 'a') selectAll(editor);
    else if (key === 'arrowup') reorderSelection(editor, event.shiftKey ? 'front' : 'forward');
    else if (key === 'arrowdown') reorderSelection(editor, event.shiftKey ? 'back' : 'backward');
    else if (key === 's')
      void saver()
        ?.flush()
        .catch(() => undefined);
    else return false;
    return true;
  };

  const plain = (event: KeyboardEvent): boolean => {
    const state = editor.getState();
    const round = activeRound(state);
    const stage = STAGES[Number(event.key) - 1];
    const tool = toolOnKey(state.stage, event.code);
    if (stage) goToStage(editor, stage);
    else if (event.key === '0') editor.setState({ views: { bench: null, whole: null, lane: null } });
    else if (event.key === '?') openSheet('keys');
    else if (event.key === '/') openSheet('find');
    else if (event.key === 'Escape') leave(editor);
    else if (event.key === 'Delete' || event.key === 'Backspace') remove(editor);
    else if (event.key === '[' || event.key === ']') {
      const fold = (round?.rule.fold ?? 1) + (event.key === '[' ? -1 : 1);
      if (fold >= 1 && fold <= MOST_FOLD)
        actOnRound(editor, 'Set fold', (f, id) => setFold(f, id, fold), 'fold');
    } else if (event.key === '\\') {
      const mirror = !round?.rule.mirror;
      actOnRound(editor, mirror ? 'Mirror on' : 'Mirror off', (f, id) => setMirror(f, id, mirror));
    } else if (event.key === '.') actOnRound(editor, 'Half a step', toggleHalfStep);
    else if (event.code === 'KeyX' && state.tool === 'line' && state.ways.line === 'arc')
      turnArcOrder(editor);
    else if (event.code === 'KeyC' && offeredNow(state)) takeOffered(editor);
    else if (event.code === 'KeyV') editor.setState({ outlines: !state.outlines });
    else if (event.code === 'KeyN') editor.setState({ ghosts: !state.ghosts });
    else if (event.code === 'KeyB') editor.setState({ wide: state.wide === 'bench' ? null : 'bench' });
    else if (event.code === 'KeyM') editor.setState({ wide: state.wide === 'whole' ? null : 'whole' });
    else if (event.code === 'KeyO') editor.setState({ drawer: !state.drawer });
    else if (event.code === 'KeyP') editor.setState({ past: true });
    else if (event.code === 'KeyK') openSheet('version');
    else if (event.code === MORE_KEY) document.querySelector<HTMLElement>('[data-more-tools]')?.click();
    else if (tool) takeTool(editor, tool);
    else return false;
    return true;
  };

  /** While the history is looked at, keys that draw or change rest. */
  const inPast = (event: KeyboardEvent): void => {
    if (event.ctrlKey || event.metaKey || isTyping(event.target)) return;
    if (event.code === 'KeyP') editor.setState({ past: false });
    else if (event.code === 'KeyK') openSheet('version');
    else return;
    event.preventDefault();
  };

  const crosshair = crosshairKeys(editor);
  const down = (event: KeyboardEvent): void => {
    if (editor.getState().working) {
      if (event.key === 'Escape') stopWork(editor);
      event.preventDefault();
      return;
    }
    const inDialog = event.target instanceof HTMLElement && event.target.closest('[role=dialog]') !== null;
    if (event.key === 'F6' && !inDialog) {
      focusNextPane(event.shiftKey ? -1 : 1);
      event.preventDefault();
      return;
    }
    if (isTyping(event.target) || inDialog) return;
    if (editor.getState().past) {
      inPast(event);
      return;
    }
    if (crosshair.down(event)) {
      event.preventDefault();
      return;
    }
    if (event.ctrlKey || event.metaKey) {
      if (withSystemKey(event)) event.preventDefault();
      return;
    }
    if (event.key === ' ' && !isControl(event.target)) {
      editor.setState({ panning: true });
      event.preventDefault();
      return;
    }
    if (event.key === 'Enter' && editor.getState().draft) {
      finishPath(editor, false);
      event.preventDefault();
      return;
    }
    const factor = event.shiftKey ? 10 : event.altKey ? 0.1 : 1;
    const used =
      usesArrows(event.target) && event.key.startsWith('Arrow') ? false : nudge(editor, event.key, factor);
    if (used || plain(event)) event.preventDefault();
  };
  const up = (event: KeyboardEvent): void => {
    if (event.key === ' ') editor.setState({ panning: false });
  };
  window.addEventListener('keydown', down);
  window.addEventListener('keyup', up);
  return () => {
    window.removeEventListener('keydown', down);
    window.removeEventListener('keyup', up);
  };
}
