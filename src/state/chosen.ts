import { workOf } from './work';
import { turnMap } from '../core/curve/affine';
import { mapPath, type Path } from '../core/curve/path';
import type { PaintTarget } from '../core/figure/commands';
import { kindsOf, refsOfGroup } from '../core/figure/kinds';
import type { Round } from '../core/figure/model';
import { pathsOfForm } from '../core/maker/form';
import type { CellGroup } from '../core/merge/fused';
import { degreesOf } from '../core/number/turn';
import { boundsOfPaths } from '../core/curve/bounds';
import type { Paint } from '../core/scene/scene';
import { selectedShapes } from './editor';
import type { EditorState } from './editorState';
import { cellsOfRound, divisionOf } from './merges';

/** The outline of the cell of a group that is nearest to the axis. */
function uprightCell(group: CellGroup | undefined): readonly Path[] {
  if (!group) return [];
  const { left, right, top, bottom } = boundsOfPaths(group.loops);
  const own = (Math.atan2((left + right) / 2, -(top + bottom) / 2) * 180) / Math.PI;
  const away = (degrees: number): number => Math.abs(((degrees + own + 540) % 360) - 180);
  const [first, ...rest] = group.copies.filter(({ mirrored }) => !mirrored);
  if (!first) return group.loops;
  const upright = rest.reduce(
    (best, next) => (away(degreesOf(next.turn)) < away(degreesOf(best.turn)) ? next : best),
    first,
  );
  return group.loops.map((loop) => mapPath(loop, turnMap(upright.turn)));
}

/** What Fill and Stroke are of. */
interface Chosen {
  readonly target: PaintTarget;
  /** Of the paints, the outline of the first thing that has one, in motif coordinates. */
  readonly outline: readonly Path[];
  /** The paints that it has; none where it is the paint at hand. */
  readonly paints: readonly Paint[];
  /** In words. */
  readonly what: string;
}

/** What is chosen: kinds of cells, the paint of the next stroke, a merged outline, or shapes. */
export function chosenIn(state: EditorState, round: Round): Chosen {
  const work = workOf(state);
  const { merge } = round;
  const division = divisionOf(state, round);
  const cells = cellsOfRound(state, round);
  if (merge && division && cells && state.selection.kinds.size > 0 && state.tool !== 'paint') {
    const kinds = kindsOf(cells, merge).filter(({ name }) => state.selection.kinds.has(name));
    if (kinds.length > 0)
      return {
        target: {
          of: 'cells',
          roundId: round.id,
          division,
          refs: kinds.flatMap(({ group }) => refsOfGroup(group)),
        },
        paints: kinds.flatMap(({ paints }) => paints),
        outline: uprightCell(kinds[0]?.group),
        what: kinds.length === 1 ? `${kinds[0]?.count} cells of a kind` : `${kinds.length} kinds`,
      };
  }
  if (merge) {
    const divides = merge.op === 'divide';
    // With the Paint tool on cells the paint at hand is chosen, and given by a stroke over them.
    const atHand = divides && state.tool === 'paint';
    return {
      target: { of: 'merge', roundId: round.id },
      paints: atHand ? [] : [merge.paint],
      outline: [],
      what: atHand ? 'of the next stroke' : divides ? 'cells without their own' : 'the outline',
    };
  }
  const chosen = selectedShapes(state);
  // With nothing selected it is the paint at hand: of what comes next, or of the stroke that gives it.
  const shapes = chosen;
  return {
    target: { of: 'shapes', roundId: round.id, shapeIds: new Set(shapes.map(({ id }) => id)) },
    paints: shapes.map(({ paint }) => paint),
    outline: shapes[0] ? pathsOfForm(shapes[0].form, work) : [],
    what:
      shapes.length === 0
        ? state.tool === 'paint'
          ? 'of the next stroke'
          : 'of the next shape'
        : shapes.length === 1
          ? (shapes[0]?.name ?? '')
          : `${shapes.length} shapes`,
  };
}
