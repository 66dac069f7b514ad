import { workOf } from '@/state/work';
import { distance, subtract, type Point } from '@/core/curve/point';
import { boundsOfPaths, type Bounds } from '@/core/curve/bounds';
import { applyTo, turnMap } from '@/core/curve/affine';
import { duplicateShapes, moveShapes, setForm } from '@/core/figure/commands';
import { boundedFigure } from '@/core/figure/excess';
import { deeper, wholeGroups } from '@/core/figure/groups';
import { anchorOf, hitFigure, hitMotif, holdAt } from '@/core/figure/hit';
import { seenShapes } from '@/core/figure/seen';
import { dragFormHandle, handlesOfForm } from '@/core/maker/form';
import { NO_TURN } from '@/core/number/turn';
import type { Placement } from '@/core/symmetry/rule';
import { newId } from '@/state/ids';
import {
  activeRound,
  commit,
  preview,
  select,
  selectedShapes,
  shownFigure,
  type Editor,
} from '@/state/editor';
import { pressBoxGrip } from './boxGrips';
import { seeRound } from './seeRound';
import { CLICK, drawBox, holdsBox } from './box';
import { chooseKindAt } from './cells';
import type { Gesture, Press } from './gesture';
import { pressGradient } from './gradientRun';
import { touchingForm } from './touch';
import { dragUnderlay, pressUnderlayGrip } from './underlayGrips';
import { CATCH, MotifPointer, TOUCH, placementIn, viewOf, type PanePoint } from './pointer';

interface Hit {
  readonly roundId: string;
  readonly shapeId: string;
  readonly placement: Placement;
}

/** The shape under the pointer: on the Bench only of the round worked on, in Whole of any. */
export function hitAt(editor: Editor, p: PanePoint): Hit | null {
  const work = workOf(editor.getState());
  const state = editor.getState();
  const tolerance = TOUCH / viewOf(state, p.pane).scale;
  if (p.pane === 'whole')
    return hitFigure(boundedFigure(shownFigure(state), work), p.figure, tolerance, work);
  const round = activeRound(state);
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
  const { form } = shape;
  const pointer = new MotifPointer(editor, p.pane, placementIn(state, p.pane), new Set([shape.id]));
  const at = pointer.raw(p);
  const near = handlesOfForm(form, work)
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
 * Drags the selected shapes; the point of them that was pressed, or their anchor, is what snaps.
 * @param clicked what is done where the pointer is let go where it was pressed
 */
function dragShapes(editor: Editor, p: PanePoint, placement: Placement, clicked: () => void): Gesture {
  const state = editor.getState();
  const roundId = state.selection.roundId;
  let ids = state.selection.shapeIds;
  let figure = shownFigure(state);
  let label = 'Move';
  if (p.alt) {
    const copied = duplicateShapes(figure, roundId, ids, newId, { x: 0, y: 0 });
    figure = copied.figure;
    ids = new Set(copied.ids);
    label = 'Move a copy';
  }
  const shapes = selectedShapes(state);
  const pointer = new MotifPointer(editor, p.pane, placement, ids);
  const start = pointer.raw(p);
  const [first] = shapes;
  const near = { point: pointer.length(CATCH), outline: pointer.length(TOUCH) };
  const held: Point = holdAt(shapes, start, near, workOf(state)) ?? (first ? anchorOf(first) : start);
  let moved = false;
  return {
    move: (q) => {
      const by = subtract(pointer.raw(q), start);
      if (!moved && Math.hypot(by.x, by.y) < pointer.length(CLICK)) return;
      moved = true;
      const wanted = { x: held.x + by.x, y: held.y + by.y };
      const direction = Math.abs(by.x) > Math.abs(by.y) ? { x: 1, y: 0 } : { x: 0, y: 1 };
      const at = q.shift ? pointer.along(wanted, q, held, direction) : pointer.caught(wanted, q);
      preview(editor, moveShapes(figure, roundId, ids, subtract(at, held)));
    },
    up: () => {
      if (!moved) {
        clicked();
        return;
      }
      commit(editor, label, shownFigure(editor.getState()));
      if (p.alt) select(editor, roundId, ids);
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

/**
 * Selects by a box drawn from an empty place.
 * @param clicked what is done where the pointer is let go where it was pressed
 */
function boxSelect(editor: Editor, p: PanePoint, clicked: () => void): Gesture {
  const work = workOf(editor.getState());
  const state = editor.getState();
  const round = activeRound(state);
  const before = p.shift ? state.selection.shapeIds : new Set<string>();
  const pick = (box: Bounds): void => {
    if (!round) return;
    const inside = seenShapes(round, work).filter(
      ({ shape, paths }) => !shape.locked && holdsBox(box, boundsOfPaths(paths)),
    );
    select(editor, round.id, wholeGroups(round, [...before, ...inside.flatMap(({ ids }) => ids)]));
  };
  return drawBox(editor, p, placementIn(state, p.pane), pick, clicked);
}

/** Select: click a shape to select it, drag to move it, drag from an empty place to select by a box. */
export const pressSelect: Press = (editor, p) => {
  const handle =
    pressGradient(editor, p) ??
    pressHandle(editor, p) ??
    pressBoxGrip(editor, p) ??
    pressUnderlayGrip(editor, p);
  if (handle) return handle;
  const hit = hitAt(editor, p);
  const own = !hit || hit.roundId === activeRound(editor.getState())?.id;
  if (own && chooseKindAt(editor, p)) return null;
  if (!hit) {
    const ghost = ghostAt(editor, p);
    if (!p.shift) select(editor, editor.getState().selection.roundId);
    return dragUnderlay(editor, p) ?? boxSelect(editor, p, () => ghost && goTo(editor, ghost));
  }
  const { selection } = editor.getState();
  const sameRound = selection.roundId === hit.roundId;
  const had = sameRound && selection.shapeIds.has(hit.shapeId);
  const active = p.pane === 'whole' ? hit.placement : undefined;
  const round = shownFigure(editor.getState()).rounds.find(({ id }) => id === hit.roundId);
  const together = round ? wholeGroups(round, [hit.shapeId]) : new Set([hit.shapeId]);
  /** A click on one of several selects that one; with Alt what is deeper in its group. */
  const clicked = (): void => {
    const shape = round?.shapes.find(({ id }) => id === hit.shapeId);
    if (p.alt && round && shape)
      select(editor, hit.roundId, deeper(round, shape, selection.shapeIds), active);
    else if (had && !p.shift && !isPartOf(selection.shapeIds, together))
      select(editor, hit.roundId, together, active);
  };
  if (p.shift && sameRound) {
    const ids = new Set(selection.shapeIds);
    for (const id of together)
      if (had) ids.delete(id);
      else ids.add(id);
    select(editor, hit.roundId, ids, active);
    if (had) return null;
  } else select(editor, hit.roundId, had ? selection.shapeIds : together, active);
  return dragShapes(editor, p, hit.placement, clicked);
};
