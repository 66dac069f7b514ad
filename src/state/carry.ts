/**
 * What was done to cells goes over to those that lie there after the motif or the fold was changed, in the step that changed them: a
 * division tells its kinds by what covers them, so that others are there then.
 */
import { type CellEdits, kindKey, type RoundId } from '@/core/figure';
import { carryCells } from '@/core/figure/commands';
import type { Division } from '@/core/merge';
import type { HistoryStep } from '@/protocol';
import { shownFigure, type Editor, type EditorState } from './editorState';
import { amended, figureOf } from './history';
import { workOf } from './work';

/** The division of a round as it is once nothing is on the way. */
function settledDivision({ merges, live }: EditorState, roundId: RoundId): Division | null {
  const merge = merges.get(roundId);
  const isSettled = live === null && merge && !merge.running && merge.counted;
  return isSettled ? (merge.result?.division ?? null) : null;
}

const isWorkedOn = ({ paints, removed }: CellEdits): boolean =>
  removed.length > 0 || Object.keys(paints).length > 0;

interface Known {
  readonly division: Division;
  /** The latest step when it came in: it is another one after each new step, and the same however one goes back and forth. */
  readonly latest: HistoryStep | undefined;
}

/** How many fused cells a division has no cells for that another one had. */
function fusedLost(edits: CellEdits, before: Division, after: Division): number {
  const keysOf = ({ cells }: Division): ReadonlySet<string> => new Set(cells.map(({ key }) => key));
  const [then, now] = [keysOf(before), keysOf(after)];
  const areIn = (keys: ReadonlySet<string>, refs: readonly string[]): boolean =>
    refs.every((ref) => keys.has(kindKey(ref)));
  return edits.fused.filter(({ cells }) => areIn(then, cells) && !areIn(now, cells)).length;
}

/**
 * Has paint and removal go over to new cells as divisions come in. Returns how to end it.
 * @param tell says what cannot be kept
 */
export function followCells(editor: Editor, tell: (sentence: string) => void): () => void {
  const known = new Map<string, Known>();
  const look = (): void => {
    const state = editor.getState();
    if (state.working) return;
    for (const { id, merge } of shownFigure(state).rounds) {
      const after = settledDivision(state, id);
      if (!after) continue;
      const before = known.get(id);
      const isNew = before && before.division !== after && before.latest !== state.history.steps.at(-1);
      const lost = isNew && merge?.cells ? fusedLost(merge.cells, before.division, after) : 0;
      if (lost > 0)
        tell(
          `${lost === 1 ? 'Cells that were fused are' : `${lost} sets of fused cells are`} not there any more: fuse them anew. Undo brings them back.`,
        );
      if (isNew && merge?.cells && isWorkedOn(merge.cells))
        editor.setState((now) => ({
          history: amended(
            now.history,
            carryCells(figureOf(now.history), id, before.division, after, workOf(now)),
          ),
        }));
      known.set(id, { division: after, latest: editor.getState().history.steps.at(-1) });
    }
  };
  look();
  return editor.subscribe((state, before) => {
    if (state.merges !== before.merges || state.live !== before.live) look();
  });
}
