import type { ShapeId } from '@/core/figure';
import { activeRound, bentIds, type EditorState, type PaneId } from '@/state';

/** True where a pane shows a shape of the round at hand where it lies: what is in a strip does in the lane alone. */
export function liesIn(state: EditorState, pane: PaneId, shapeId: ShapeId): boolean {
  const round = activeRound(state);
  return round !== null && bentIds(round).has(shapeId) === (pane === 'lane');
}
