/**
 * What is selected: rounds, shapes, nodes, kinds of cells.
 *
 * @example
 * select(editor, 'petals', ['petal']);
 * activeRound(editor.getState())?.name; // 'Petals'
 */
import type { HandleSide } from '@/core/curve';
import type { Round, Shape, RoundId, ShapeId } from '@/core/figure';
import { turn } from '@/core/number';
import type { Placement } from '@/core/symmetry';
import { type Editor, type EditorState, shownFigure } from './editorState';
import { type Level, nothingOf, WHOLE } from './slices/session';

/** The round that is worked on; the front one where the selected one is gone, null where there is none. */
export function activeRound(state: EditorState): Round | null {
  const { rounds } = shownFigure(state);
  return rounds.find(({ id }) => id === state.selection.roundId) ?? rounds[rounds.length - 1] ?? null;
}

export const selectedShapes = (state: EditorState): Shape[] =>
  activeRound(state)?.shapes.filter(({ id }) => state.selection.shapeIds.has(id)) ?? [];

/** Selects shapes of a round; the copy that is edited becomes the round's first unless one is named. */
export function select(
  editor: Editor,
  roundId: RoundId,
  shapeIds: Iterable<ShapeId> = [],
  active?: Placement,
): void {
  editor.setState((state) => {
    const round = shownFigure(state).rounds.find(({ id }) => id === roundId);
    const stays = state.selection.roundId === roundId ? state.active : undefined;
    const ids = new Set(shapeIds);
    return {
      selection: { ...nothingOf(roundId), shapeIds: ids },
      level: ids.size > 0 ? 'shapes' : state.level === 'shapes' ? 'round' : state.level,
      active: active ?? stays ?? { turn: round?.rule.start ?? turn(0), mirrored: false },
    };
  });
}

/** What the panel shows: shapes only where some are selected. */
export function shownLevel(state: EditorState): Level {
  return state.level === 'shapes' && selectedShapes(state).length === 0 ? 'round' : state.level;
}

/** Goes to a round; of one that is merged to one thing, that is what is painted next. */
export function selectRound(editor: Editor, roundId: RoundId): void {
  select(editor, roundId);
  const { merge } = activeRound(editor.getState()) ?? {};
  if (merge && merge.op !== 'divide') chooseKinds(editor, [WHOLE]);
}

/** Selects nodes of the selected path; or a handle of one of them, which arrow keys then move. */
export const selectNodes = (
  editor: Editor,
  nodes: Iterable<number>,
  handle: HandleSide | null = null,
): void => editor.setState((state) => ({ selection: { ...state.selection, nodes: new Set(nodes), handle } }));

/** Chooses kinds of cells to give paint to; the Paint tool, which gives its own, is put away. */
export const chooseKinds = (editor: Editor, kinds: Iterable<string>): void =>
  editor.setState(({ selection, tool }) => ({
    selection: { ...selection, kinds: new Set(kinds) },
    tool: tool === 'paint' ? 'select' : tool,
  }));
