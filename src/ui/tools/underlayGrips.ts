import {
  add,
  applyTo,
  boxScale,
  distance,
  inverse,
  type Point,
  polarOf,
  subtract,
  turnMap,
} from '@/core/curve';
import { changeUnderlay } from '@/core/figure/commands';
import { type Underlay, underlayBy } from '@/core/figure';
import { NO_TURN, turnFromDegrees } from '@/core/number';
import { commit, type Editor, type EditorState, type PaneId, preview, shownFigure } from '@/state';
import type { Gesture } from './gesture';
import { CORNERS, STALK, turnStep, type GripBox } from './gripBox';
import { CATCH, MotifPointer, placementIn, viewOf, type PanePoint } from './pointer';

/** A point of the picture: −1 to 1 across and down from its middle. */
const placeIn = ({ at, rotation, width, height }: Underlay, x: number, y: number): Point =>
  add(at, applyTo(turnMap(rotation), { x: (x * width) / 2, y: (y * height) / 2 }));

/** The underlay that can be taken hold of: it is seen, not locked, and the page is what the panel is about. */
function underlayAtHand(state: EditorState, pane: PaneId): Underlay | null {
  const { underlay } = shownFigure(state);
  const isAtHand = state.stage === 'setout' && state.tool === 'select' && pane === 'bench';
  return isAtHand && underlay?.visible && !underlay.locked ? underlay : null;
}

/** The box round an underlay with the handles that scale and turn it, on the Bench while the panel is about the page. */
export function underlayBox(state: EditorState, pane: PaneId): GripBox | null {
  const underlay = underlayAtHand(state, pane);
  if (!underlay || state.level !== 'page') return null;
  const stalk = placeIn(underlay, 0, -1);
  const out = applyTo(turnMap(underlay.rotation), { x: 0, y: -STALK / viewOf(state, pane).scale });
  return {
    corners: CORNERS.map(([, x, y]) => placeIn(underlay, x, y)),
    stalk,
    grips: [
      ...CORNERS.map(([name, x, y]) => ({ name, at: placeIn(underlay, x, y), side: { x, y } })),
      { name: 'turn', at: add(stalk, out), side: null },
    ],
  };
}

/** Takes hold of a handle of the underlay: a corner scales about the opposite one, with Alt about the middle; the knob turns. */
export function pressUnderlayGrip(editor: Editor, p: PanePoint): Gesture | null {
  const state = editor.getState();
  const own = underlayBox(state, p.pane);
  const underlay = underlayAtHand(state, p.pane);
  if (!own || !underlay) return null;
  const pointer = new MotifPointer(editor, p.pane, placementIn(state, p.pane));
  const start = pointer.raw(p);
  const grip = own.grips.find(({ at }) => distance(at, start) <= pointer.length(CATCH));
  if (!grip) return null;
  const figure = shownFigure(state);
  const { at: middle } = underlay;
  const angleAt = (point: Point): number => polarOf(subtract(point, middle)).degrees;

  const turned = (q: PanePoint): Underlay => {
    const by = turnFromDegrees(turnStep(angleAt(pointer.raw(q)) - angleAt(start), q.shift));
    return underlayBy(underlay, { factor: 1, by, from: middle, to: middle });
  };
  const scaled = (q: PanePoint, side: Point): Underlay => {
    const about = q.alt ? middle : placeIn(underlay, -side.x, -side.y);
    const { x: factor } = boxScale(side, grip.at, pointer.at(q), about, true);
    return underlayBy(underlay, { factor, by: NO_TURN, from: about, to: about });
  };
  return {
    move: (q) => preview(editor, changeUnderlay(figure, grip.side ? scaled(q, grip.side) : turned(q))),
    up: () => commit(editor, grip.side ? 'Scale underlay' : 'Turn underlay', shownFigure(editor.getState())),
    cancel: () => preview(editor, null),
  };
}

/** Drags the underlay, where it can be taken hold of and is under the pointer on the Bench. */
export function dragUnderlay(editor: Editor, p: PanePoint): Gesture | null {
  const state = editor.getState();
  const figure = shownFigure(state);
  const underlay = underlayAtHand(state, p.pane);
  if (!underlay) return null;
  const own = applyTo(inverse(turnMap(underlay.rotation)), subtract(p.figure, underlay.at));
  if (Math.abs(own.x) > underlay.width / 2 || Math.abs(own.y) > underlay.height / 2) return null;
  let moved = false;
  return {
    move: (q) => {
      moved = true;
      preview(editor, changeUnderlay(figure, { at: add(underlay.at, subtract(q.figure, p.figure)) }));
    },
    up: () => {
      if (moved) commit(editor, 'Move underlay', shownFigure(editor.getState()));
    },
    cancel: () => preview(editor, null),
  };
}
