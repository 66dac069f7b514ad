import {
  activeRound,
  commit,
  type Editor,
  type EditorState,
  frameOf,
  isLaid,
  isOverRounds,
  laneRound,
  mapOfPart,
  type PaneId,
  preview,
  selectedParts,
  selectedShapes,
  selectParts,
  shapesOfParts,
  shownFigure,
  transformedParts,
  workOf,
} from '@/state';
import {
  type Bounds,
  boundsOfPaths,
  boxScale,
  distance,
  mapPath,
  type Point,
  polarOf,
  subtract,
} from '@/core/curve';
import { seenPaths, type Shape } from '@/core/figure';
import { isStretchable } from '@/core/maker';
import { turnFromDegrees } from '@/core/number';
import { heldStrip } from './bend';
import type { Gesture } from './gesture';
import { CORNERS, STALK, turnStep, type GripBox } from './gripBox';
import { CATCH, MotifPointer, placementIn, viewOf, type PanePoint } from './pointer';

/** How far the box stands off from what is in it, so that its handles do not lie on those of a construction; in pixels. */
const MARGIN = 10;
/** A side shorter than this, in pixels, has no handle in its middle; what is that small in both ways has none at all. */
const ROOM = 24;
/** The box of what is selected, with its handles. */
interface SelectionBox extends GripBox {
  readonly box: Bounds;
}

const SIDES: readonly (readonly [string, number, number])[] = [
  ['top', 0, -1],
  ['right', 1, 0],
  ['bottom', 0, 1],
  ['left', -1, 0],
];

/** True where shapes may be made wider without being higher and stay what they are. */
export const canStretch = (shapes: readonly Shape[]): boolean =>
  shapes.every(({ form }) => isStretchable(form));

const middleOf = ({ left, right, top, bottom }: Bounds): Point => ({
  x: (left + right) / 2,
  y: (top + bottom) / 2,
});

/** A point of a box: −1 to 1 across and down from its middle. */
const pointOf = ({ left, right, top, bottom }: Bounds, x: number, y: number): Point => ({
  x: (left + right) / 2 + (x * (right - left)) / 2,
  y: (top + bottom) / 2 + (y * (bottom - top)) / 2,
});

/** @param isEven no side alone can be dragged */
function boxAround(box: Bounds, isEven: boolean, scale: number): SelectionBox | null {
  if (![box.left, box.right, box.top, box.bottom].every(Number.isFinite)) return null;
  if (!isHigh(box, scale) && !isWide(box, scale)) return null;
  const margin = MARGIN / scale;
  const outer: Bounds = {
    left: box.left - margin,
    right: box.right + margin,
    top: box.top - margin,
    bottom: box.bottom + margin,
  };
  const sides = isEven ? [] : SIDES.filter(() => isHigh(box, scale) && isWide(box, scale));
  const stalk = pointOf(outer, 0, -1);
  return {
    box,
    corners: CORNERS.map(([, x, y]) => pointOf(outer, x, y)),
    stalk,
    grips: [
      ...[...CORNERS, ...sides].map(([name, x, y]) => ({ name, at: pointOf(outer, x, y), side: { x, y } })),
      { name: 'turn', at: { x: stalk.x, y: stalk.y - STALK / scale }, side: null },
    ],
  };
}

const isHigh = ({ top, bottom }: Bounds, scale: number): boolean => (bottom - top) * scale >= ROOM;
const isWide = ({ left, right }: Bounds, scale: number): boolean => (right - left) * scale >= ROOM;

/** The box of what is selected in a pane; null where it cannot be changed by hand there. */
export function selectionBox(state: EditorState, pane: PaneId): SelectionBox | null {
  const round = activeRound(state);
  const shapes = selectedShapes(state);
  // A strip has handles of its own where it is bent.
  if (heldStrip(state, pane)) return null;
  const isStraight = pane === 'lane';
  if (isStraight !== isLaid(state)) return null;
  const isEdited = state.tool === 'select' && (state.stage === 'draw' || state.stage === 'setout');
  if (!isEdited || !round || round.locked || shapes.length === 0) return null;
  if (shapesOfParts(state).some(({ locked, visible }) => locked || !visible)) return null;
  return boxAround(boxOfParts(state, pane), isEven(state), viewOf(state, pane).scale);
}

/** True where what is selected keeps its proportions: shapes that would be others, or turned against one another. */
const isEven = (state: EditorState): boolean => isOverRounds(state) || !canStretch(selectedShapes(state));

/** The box round all that is selected, in coordinates of the copy that a pane edits. */
function boxOfParts(state: EditorState, pane: PaneId): Bounds {
  const work = workOf(state);
  const frame = frameOf(state, pane, placementIn(state, pane));
  const paths = selectedParts(state).flatMap((part) => {
    const round =
      pane === 'lane' ? laneRound(state) : shownFigure(state).rounds.find(({ id }) => id === part.roundId);
    const map = mapOfPart(state, part, frame);
    return round ? seenPaths(round, work, part.ids).map((path) => mapPath(path, map)) : [];
  });
  return boundsOfPaths(paths);
}

/**
 * Takes hold of a handle of the box round what is selected: scales about the opposite corner or side, with Alt about the middle, with Shift
 * in proportion; or turns about the middle, with Shift in steps.
 */
export function pressBoxGrip(editor: Editor, p: PanePoint): Gesture | null {
  const state = editor.getState();
  const own = selectionBox(state, p.pane);
  const round = activeRound(state);
  if (!own || !round) return null;
  const ids = state.selection.shapeIds;
  const pointer = new MotifPointer(editor, p.pane, placementIn(state, p.pane), ids);
  const start = pointer.raw(p);
  const grip = own.grips.find(({ at }) => distance(at, start) <= pointer.length(CATCH));
  if (!grip) return null;
  const figure = shownFigure(state);
  const even = isEven(state);
  const frame = frameOf(state, p.pane, placementIn(state, p.pane));
  const middle = middleOf(own.box);
  const { side } = grip;

  const turned = (q: PanePoint) => {
    const by = polarOf(subtract(pointer.raw(q), middle)).degrees - polarOf(subtract(start, middle)).degrees;
    return { kind: 'rotate' as const, by: turnFromDegrees(turnStep(by, q.shift)), about: middle };
  };
  const scaled = (q: PanePoint, to: Point) => {
    const held = pointOf(own.box, to.x, to.y);
    const by = subtract(pointer.raw(q), start);
    const at = pointer.caught({ x: held.x + by.x, y: held.y + by.y }, q);
    const about = q.alt ? middle : pointOf(own.box, -to.x, -to.y);
    return { kind: 'scale' as const, ...boxScale(to, held, at, about, even || q.shift), about };
  };
  let made: ReturnType<typeof transformedParts> = { figure, parts: selectedParts(state) };
  return {
    move: (q) => {
      made = transformedParts(state, figure, side ? scaled(q, side) : turned(q), frame);
      preview(editor, made.figure);
    },
    up: () => {
      if (made.figure === figure) return;
      commit(editor, side ? 'Scale' : 'Turn', shownFigure(editor.getState()));
      selectParts(editor, round.id, made.parts);
    },
    cancel: () => preview(editor, null),
  };
}
