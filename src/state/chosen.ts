import { workOf } from './work';
import {
  boundsOfPaths,
  type HandleSide,
  mapPath,
  nodesOfContours,
  type Path,
  type Point,
  turnMap,
} from '@/core/curve';
import type { PaintTarget, ShapeRef } from '@/core/figure/commands';
import { isLine, kindsOf, refsOfGroup, type Round, seenPaths, type Shape, wovenShapes } from '@/core/figure';
import type { CellGroup } from '@/core/merge';
import { degreesOf } from '@/core/number';
import type { Paint } from '@/core/scene';
import { selectedShapes } from './selecting';
import { isOverRounds, selectedParts, shapesOfParts } from './parts';
import { LINES, WHOLE } from './slices/session';
import type { EditorState } from './editorState';
import { cellsOfRound, divisionOf, mergeOf, startPaintsOf } from './merges';

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
  /** Lines over cells and bands of a weave, which with a fill would be none. */
  readonly isLines?: true;
  /** Placed figures, which have paints of their own: their colours are changed one by one. */
  readonly isPlaced?: true;
}

const ofShapes = (state: EditorState, round: Round, shapes: readonly Shape[], what: string): Chosen => ({
  target: { of: 'shapes', roundId: round.id, shapeIds: new Set(shapes.map(({ id }) => id)) },
  paints: shapes.map(({ paint }) => paint),
  outline: shapes[0] ? seenPaths(round, workOf(state), new Set([shapes[0].id])) : [],
  what,
});

/** Nothing that is there: the paint of what comes next, or of the stroke that gives it. */
const atHand = (state: EditorState, round: Round): Chosen =>
  ofShapes(state, round, [], state.tool === 'paint' ? 'of the next stroke' : 'of the next shape');

function ofSelected(state: EditorState, round: Round, shapes: readonly Shape[]): Chosen {
  if (shapes.length === 0) return atHand(state, round);
  const what = shapes.length === 1 ? (shapes[0]?.name ?? '') : `${shapes.length} shapes`;
  const arePlaced = shapes.every(({ form }) => form.kind === 'drawing');
  return { ...ofShapes(state, round, shapes, what), ...(arePlaced && { isPlaced: true }) };
}

/** Kinds of cells of a divided round; null where they are not there yet, or none of them is chosen. */
function ofKinds(state: EditorState, round: Round, chosen: (name: string) => boolean): Chosen | null {
  const merge = mergeOf(state, round);
  const division = divisionOf(state, round);
  const cells = cellsOfRound(state, round);
  if (!merge || !division || !cells) return null;
  const all = kindsOf(cells, merge);
  const kinds = all.filter(({ name }) => chosen(name));
  if (kinds.length === 0) return null;
  const count = kinds.length === 1 ? `${kinds[0]?.count} cells of a kind` : `${kinds.length} kinds`;
  return {
    target: {
      of: 'cells',
      roundId: round.id,
      division,
      refs: kinds.flatMap(({ group }) => refsOfGroup(group)),
      start: startPaintsOf(state, round),
    },
    paints: kinds.flatMap(({ paints }) => paints),
    outline: uprightCell(kinds[0]?.group),
    what: kinds.length === all.length && all.length > 1 ? 'all cells' : count,
  };
}

function ofDivided(state: EditorState, round: Round): Chosen {
  const { kinds } = state.selection;
  const shapes = selectedShapes(state);
  // With the Paint tool the paint at hand is chosen, and given by a stroke over cells.
  if (state.tool === 'paint') return atHand(state, round);
  if (kinds.size > 0)
    return ofKinds(state, round, (name) => kinds.has(WHOLE) || kinds.has(name)) ?? atHand(state, round);
  const isSeen = (shape: Shape): boolean => isLine(shape) || round.merge?.cells?.fromShapes === true;
  if (shapes.every(isSeen)) return ofSelected(state, round, shapes);
  return ofKinds(state, round, () => true) ?? atHand(state, round);
}

/** Shapes of more than one round: their own paints, also where a round is merged. */
function ofSeveral(state: EditorState): Chosen {
  const shapes = shapesOfParts(state);
  return {
    target: {
      of: 'several',
      parts: selectedParts(state).map(({ roundId, ids }) => ({ of: 'shapes', roundId, shapeIds: ids })),
    },
    paints: shapes.map(({ paint }) => paint),
    outline: [],
    what: `${shapes.length} shapes`,
    ...(shapes.every(isLine) && { isLines: true }),
  };
}

/** What is chosen of what is drawn: kinds of cells, a merged outline, bands, lines, shapes; the paint of what comes next where nothing is. */
export function chosenIn(state: EditorState, round: Round): Chosen {
  const { merge } = round;
  const { kinds } = state.selection;
  const shapes = selectedShapes(state);
  if (isOverRounds(state)) return ofSeveral(state);
  if (!merge) return ofSelected(state, round, shapes);
  const lines = round.shapes.filter(isLine);
  if (kinds.has(LINES)) return { ...ofShapes(state, round, lines, 'lines of the motif'), isLines: true };
  if (merge.op === 'divide') return ofDivided(state, round);
  if (merge.op === 'weave') {
    const bands = kinds.has(WHOLE) ? wovenShapes(round, workOf(state)) : shapes;
    const areLines = bands.length > 0 && bands.every(isLine);
    const chosen = kinds.has(WHOLE)
      ? ofShapes(state, round, bands, 'all bands')
      : ofSelected(state, round, bands);
    return { ...chosen, ...(areLines && { isLines: true }) };
  }
  if (shapes.length > 0 && shapes.every(isLine)) return ofSelected(state, round, shapes);
  if (shapes.length === 0 && !kinds.has(WHOLE)) return atHand(state, round);
  return {
    target: { of: 'merge', roundId: round.id },
    paints: [merge.paint],
    outline: [],
    what: 'the outline',
  };
}

/** The handle that arrow keys move: of the one selected node of the one selected path, while nodes are edited. */
export function chosenHandle(
  state: EditorState,
): { readonly ref: ShapeRef; readonly index: number; readonly side: HandleSide; readonly at: Point } | null {
  const { roundId, nodes, handle } = state.selection;
  const [shape, another] = selectedShapes(state);
  const [index, more] = nodes;
  if (state.tool !== 'nodes' || !handle || another || more !== undefined || index === undefined) return null;
  const at = shape?.form.kind === 'path' ? nodesOfContours(shape.form.contours)[index]?.[handle] : undefined;
  return shape && at ? { ref: { roundId, shapeId: shape.id }, index, side: handle, at } : null;
}
