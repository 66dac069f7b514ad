import {
  activeRound,
  commit,
  copiedParts,
  type Editor,
  frameOf,
  movedParts,
  paneRound,
  preview,
  promote,
  select,
  selectedParts,
  selectedShapes,
  selectionOf,
  selectOver,
  selectParts,
  shownFigure,
  toggleOther,
  workOf,
} from '@/state';
import {
  applyTo,
  type Bounds,
  boundsOfPaths,
  distance,
  ORIGIN,
  type Point,
  subtract,
  turnMap,
} from '@/core/curve';
import { setForm } from '@/core/figure/commands';
import {
  anchorOf,
  boundedFigure,
  deeper,
  handlesOfShape,
  hitFigure,
  hitMotif,
  holdAt,
  holdsBox,
  type Round,
  seenShapes,
  shapesInBox,
  wholeGroups,
  type RoundId,
  type ShapeId,
} from '@/core/figure';
import type { Work } from '@/core/derive';
import { dragFormHandle } from '@/core/maker';
import { NO_TURN } from '@/core/number';
import type { Placement } from '@/core/symmetry';
import { pressBoxGrip } from './boxGrips';
import { seeRound } from './seeRound';
import { CLICK, drawBox } from './box';
import { chooseKindAt } from './cells';
import type { Gesture, Press } from './gesture';
import { pressGradient } from './gradientRun';
import { touchingForm } from './touch';
import { dragUnderlay, pressUnderlayGrip } from './underlayGrips';
import { pressBend } from './bend';
import { liesIn } from './lies';
import { CATCH, MotifPointer, TOUCH, placementIn, viewOf, type PanePoint } from './pointer';

interface Hit {
  readonly roundId: RoundId;
  readonly shapeId: ShapeId;
  readonly placement: Placement;
}

/** The shape under the pointer: on the Bench only of the round worked on, in Whole of any. */
export function hitAt(editor: Editor, p: PanePoint): Hit | null {
  const work = workOf(editor.getState());
  const state = editor.getState();
  const tolerance = TOUCH / viewOf(state, p.pane).scale;
  if (p.pane === 'whole')
    return hitFigure(boundedFigure(shownFigure(state), work), p.figure, tolerance, work);
  const round = paneRound(state, p.pane);
  const hit = round && !round.locked && hitMotif(round, p.figure, tolerance, work);
  if (!hit) return null;
  return {
    roundId: round.id,
    shapeId: hit.shapeId,
    placement: { ...placementIn(state, 'bench'), mirrored: hit.mirrored },
  };
}

/** Takes hold of a maker's handle of the one selected shape, if the pointer is on one. */
export function pressHandle(editor: Editor, p: PanePoint): Gesture | null {
  const work = workOf(editor.getState());
  const state = editor.getState();
  const [shape, another] = selectedShapes(state);
  const round = activeRound(state);
  if (!shape || another || !round || round.locked || shape.locked || shape.form.kind === 'path') return null;
  if (!liesIn(state, p.pane, shape.id)) return null;
  const { form } = shape;
  const pointer = new MotifPointer(editor, p.pane, placementIn(state, p.pane), new Set([shape.id]));
  const at = pointer.raw(p);
  const near = handlesOfShape(shape, work)
    .map((handle) => ({ ...handle, away: distance(handle.point, at) }))
    .filter(({ away }) => away <= pointer.length(CATCH))
    .sort((a, b) => a.away - b.away)[0];
  if (!near) return null;
  const figure = shownFigure(state);
  const ref = { roundId: round.id, shapeId: shape.id };
  return {
    move: (q) => {
      const dragged = dragFormHandle(form, near.id, pointer.at(q), work);
      const rim = near.id === 'across' || near.id === 'along';
      const next =
        rim && !q.free ? touchingForm(editor, p.pane, dragged, shape.id, pointer.length(CATCH)) : dragged;
      preview(editor, setForm(figure, ref, next));
    },
    up: () => commit(editor, `Change ${shape.name}`, shownFigure(editor.getState())),
    cancel: () => preview(editor, null),
  };
}

/**
 * Drags all that is selected; the point of it that was pressed, or its anchor, is what snaps.
 * @param clicked what is done where the pointer is let go where it was pressed
 */
function dragShapes(editor: Editor, p: PanePoint, placement: Placement, clicked: () => void): Gesture {
  const before = editor.getState();
  const { roundId } = before.selection;
  const shapes = selectedShapes(before);
  const copies = p.alt ? copiedParts(before, shownFigure(before), ORIGIN) : null;
  const figure = copies?.figure ?? shownFigure(before);
  const label = copies ? 'Move a copy' : 'Move';
  const moving = copies
    ? { ...before, selection: selectionOf(before, copies.parts), live: copies.figure }
    : before;
  const pointer = new MotifPointer(editor, p.pane, placement, moving.selection.shapeIds);
  const start = pointer.raw(p);
  const [first] = shapes;
  const near = { point: pointer.length(CATCH), outline: pointer.length(TOUCH) };
  const held: Point = holdAt(shapes, start, near, workOf(before)) ?? (first ? anchorOf(first) : start);
  const frame = frameOf(before, p.pane, placement);
  let moved = false;
  return {
    move: (q) => {
      const by = subtract(pointer.raw(q), start);
      if (!moved && Math.hypot(by.x, by.y) < pointer.length(CLICK)) return;
      moved = true;
      const wanted = { x: held.x + by.x, y: held.y + by.y };
      const direction = Math.abs(by.x) > Math.abs(by.y) ? { x: 1, y: 0 } : { x: 0, y: 1 };
      const at = q.shift ? pointer.along(wanted, q, held, direction) : pointer.caught(wanted, q);
      preview(editor, movedParts(moving, figure, subtract(at, held), frame));
    },
    up: () => {
      if (!moved) {
        clicked();
        return;
      }
      commit(editor, label, shownFigure(editor.getState()));
      if (copies) selectParts(editor, roundId, copies.parts);
    },
    cancel: () => preview(editor, null),
  };
}

/** On the Bench what is under the pointer of other copies and rounds, which are shown faintly there. */
function ghostAt(editor: Editor, p: PanePoint): Hit | null {
  const state = editor.getState();
  if (p.pane !== 'bench' || !state.ghosts) return null;
  const work = workOf(state);
  const start = activeRound(state)?.rule.start ?? NO_TURN;
  const at = applyTo(turnMap(start), p.figure);
  return hitFigure(boundedFigure(shownFigure(state), work), at, TOUCH / viewOf(state, 'bench').scale, work);
}

/** Selects what was hit and goes to its round. */
function goTo(editor: Editor, { roundId, shapeId }: Hit): void {
  const round = shownFigure(editor.getState()).rounds.find(({ id }) => id === roundId);
  select(editor, roundId, round ? wholeGroups(round, [shapeId]) : [shapeId]);
  seeRound(editor);
}

/** True where some things are all among others, and not more than a part of a group is selected. */
const isPartOf = (ids: ReadonlySet<string>, of: ReadonlySet<string>): boolean =>
  [...ids].every((id) => of.has(id));

/** Where the figure itself is: Whole's own coordinates. */
const UNTURNED: Placement = { turn: NO_TURN, mirrored: false };

/** The shapes of a motif that lie in a box on the Bench. */
const inMotif = (round: Round, box: Bounds, work: Work): string[] =>
  seenShapes(round, work)
    .filter(({ shape, paths }) => !shape.locked && holdsBox(box, boundsOfPaths(paths)))
    .flatMap(({ ids }) => ids);

/**
 * Selects by a box drawn from an empty place, of all rounds that are seen there; of the Bench's own round the copy that is edited.
 * @param clicked what is done where the pointer is let go where it was pressed
 */
function boxSelect(editor: Editor, p: PanePoint, clicked: () => void): Gesture {
  const state = editor.getState();
  const round = paneRound(state, p.pane);
  const before = p.shift ? selectedParts(state) : [];
  const own = before.find((part) => part.roundId === round?.id)?.ids ?? [];
  const pick = (box: Bounds): void => {
    if (!round) return;
    const work = workOf(state);
    // The Bench shows the other rounds as ghosts, its own round's first copy upright.
    const start = p.pane === 'bench' ? round.rule.start : NO_TURN;
    const isSeen = p.pane === 'whole' || (p.pane === 'bench' && state.ghosts);
    const found = isSeen
      ? shapesInBox(boundedFigure(shownFigure(state), work), box, state.active, work, start)
      : [];
    const inside =
      p.pane === 'whole'
        ? (found.find((part) => part.roundId === round.id)?.ids ?? [])
        : inMotif(round, box, work);
    const ids = wholeGroups(round, [...own, ...inside]);
    const others = [...before, ...found].filter((part) => part.roundId !== round.id);
    // Nothing of the round that was worked on: the front one of those that are in the box is.
    const front = ids.size === 0 ? others.at(-1) : undefined;
    const placement =
      p.pane === 'whole' ? found.find((part) => part.roundId === round.id)?.placement : state.active;
    selectOver(
      editor,
      front ?? { roundId: round.id, ids, ...(placement && { placement }) },
      others.map((part) => [part.roundId, part]),
    );
  };
  return drawBox(editor, p, p.pane === 'whole' ? UNTURNED : placementIn(state, p.pane), pick, clicked);
}

/** With Shift and something selected, what was hit of another round goes with it, or no longer. */
function takeOther(editor: Editor, { roundId, shapeId, placement }: Hit, p: PanePoint): boolean {
  const state = editor.getState();
  const { selection } = state;
  if (!p.shift || roundId === selection.roundId || selection.shapeIds.size === 0) return false;
  const round = shownFigure(state).rounds.find(({ id }) => id === roundId);
  if (!round || round.locked) return false;
  toggleOther(editor, { roundId, ids: wholeGroups(round, [shapeId]), placement });
  return true;
}

/** Select: click a shape to select it, drag to move it, drag from an empty place to select by a box. */
export const pressSelect: Press = (editor, p) => {
  const handle =
    pressGradient(editor, p) ??
    pressBend(editor, p) ??
    pressHandle(editor, p) ??
    pressBoxGrip(editor, p) ??
    pressUnderlayGrip(editor, p);
  if (handle) return handle;
  const hit = hitAt(editor, p);
  const own = !hit || hit.roundId === activeRound(editor.getState())?.id;
  if (own && p.pane !== 'lane' && chooseKindAt(editor, p)) return null;
  if (!hit) {
    const ghost = ghostAt(editor, p);
    if (ghost && takeOther(editor, ghost, p)) return null;
    if (!p.shift) select(editor, editor.getState().selection.roundId);
    return dragUnderlay(editor, p) ?? boxSelect(editor, p, () => ghost && goTo(editor, ghost));
  }
  if (takeOther(editor, hit, p)) return null;
  const held = editor.getState().selection.others.get(hit.roundId);
  // What is selected of another round is taken hold of, with all else that is.
  if (held?.ids.has(hit.shapeId) && !p.shift) promote(editor, hit.roundId, hit.placement);
  const { selection } = editor.getState();
  const sameRound = selection.roundId === hit.roundId;
  const had = sameRound && selection.shapeIds.has(hit.shapeId);
  const active = p.pane === 'whole' ? hit.placement : undefined;
  const state = editor.getState();
  const round =
    p.pane === 'lane'
      ? paneRound(state, p.pane)
      : (shownFigure(state).rounds.find(({ id }) => id === hit.roundId) ?? null);
  const together = round ? wholeGroups(round, [hit.shapeId]) : new Set([hit.shapeId]);
  /** A click on one of several selects that one; with Alt what is deeper in its group. */
  const clicked = (): void => {
    const shape = round?.shapes.find(({ id }) => id === hit.shapeId);
    if (p.alt && round && shape)
      select(editor, hit.roundId, deeper(round, shape, selection.shapeIds), active);
    else if (had && !p.shift && (selection.others.size > 0 || !isPartOf(selection.shapeIds, together)))
      select(editor, hit.roundId, together, active);
  };
  if (p.shift && sameRound) {
    const ids = new Set(selection.shapeIds);
    for (const id of together)
      if (had) ids.delete(id);
      else ids.add(id);
    selectOver(editor, { roundId: hit.roundId, ids, ...(active && { placement: active }) }, selection.others);
    if (had) return null;
  } else if (!had) select(editor, hit.roundId, together, active);
  return dragShapes(editor, p, hit.placement, clicked);
};
