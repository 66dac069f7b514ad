import {
  activeRound,
  areaAtHand,
  commit,
  type Editor,
  type EditorState,
  lineAtHand,
  newId,
  preview,
  select,
  shownFigure,
  withDrawn,
  workOf,
} from '@/state';
import {
  type BuiltForm,
  type BuiltKind,
  directionTo,
  type Form,
  formProblem,
  isBuilt,
  makerOf,
  MAKERS,
  pathForm,
  pathsOfForm,
  petalOfSize,
  scaledParams,
  withParams,
} from '@/core/maker';
import { distance, lengthOf, type Point, polarOf, scaleBy, subtract } from '@/core/curve';
import { freshName, newShape } from '@/core/figure';
import { NO_TURN, turnFromDegrees } from '@/core/number';
import { copyAt } from '@/core/symmetry';
import type { Press } from './gesture';
import { MotifPointer, placementIn, type PanePoint } from './pointer';

/** A petal drawn by its length alone is this part of it wide. */
const PETAL_WIDTH = 0.42;

/** The keys that change how something is drawn. */
type Keys = Pick<PanePoint, 'shift' | 'alt'>;
type Drawn = (from: Point, to: Point, keys: Keys, state: EditorState) => Form;

const petal: Drawn = (from, to, { shift }) => {
  const length = distance(from, to);
  const rotation = shift
    ? turnFromDegrees(Math.round(polarOf(subtract(to, from)).degrees))
    : directionTo(from, to);
  return { kind: 'petal', at: from, rotation, params: petalOfSize(length, length * PETAL_WIDTH) };
};

const ellipse: Drawn = (from, to, { shift }) => {
  const [rx, ry] = [Math.abs(to.x - from.x), Math.abs(to.y - from.y)];
  const radius = distance(from, to);
  return {
    kind: 'ellipse',
    at: from,
    rotation: NO_TURN,
    params: { width: 2 * (shift ? radius : rx), height: 2 * (shift ? radius : ry) },
  };
};

const polygon: Drawn = (from, to, { shift }, state) => {
  return {
    kind: 'polygon',
    at: from,
    params: { sides: state.lastSides, radius: distance(from, to), diagonals: 'none' },
    rotation: shift
      ? turnFromDegrees(Math.round(polarOf(subtract(to, from)).degrees))
      : directionTo(from, to),
  };
};

/** In Whole, drawing works on the copy whose wedge the pointer is in. */
export function enterWedge(editor: Editor, p: PanePoint): void {
  const round = activeRound(editor.getState());
  if (p.pane !== 'whole' || !round) return;
  editor.setState({ active: { turn: copyAt(round.rule, p.figure), mirrored: false } });
}

/** What Shift does to the end of a drag: it is held to multiples of an angle from the start, from an offset on; or stays as it is. */
type Held = { readonly step: number; readonly offset: number } | null;

const STEPPED: Held = { step: 15, offset: 0 };
const DIAGONAL: Held = { step: 90, offset: 45 };

/** Draws a maker from a press to a release; a drag too short to mean anything makes none. */
const draws =
  (name: string, drawn: Drawn, held: Held = STEPPED): Press =>
  (editor, p) => {
    enterWedge(editor, p);
    const state = editor.getState();
    const round = activeRound(state);
    if (!round || round.locked) return null;
    const pointer = new MotifPointer(editor, p.pane, placementIn(state, p.pane));
    const from = pointer.at(p);
    const figure = shownFigure(state);
    const id = newId();
    const label = freshName(name, round.shapes);
    let started = false;
    return {
      move: (q) => {
        const isHeld = q.shift && held !== null;
        const to = isHeld ? pointer.stepped(q, from, held.step, held.offset) : pointer.at(q, [], from);
        if (!started && distance(from, to) < pointer.length(4)) return;
        const form = drawn(from, to, q, state);
        if (formProblem(form) !== null) return;
        started = true;
        const lines = pathsOfForm(form, workOf(editor.getState())).every(({ closed }) => !closed);
        const shown = lines ? lineAtHand(state) : areaAtHand(state);
        const rule = isBuilt(form) ? makerOf(form.kind).rule : undefined;
        const shape = newShape(id, label, form, shown);
        preview(editor, withDrawn(state, figure, round.id, [rule ? { ...shape, rule } : shape]));
      },
      up: () => {
        if (!started) return;
        commit(editor, `Draw ${label}`, shownFigure(editor.getState()));
        select(editor, round.id, [id]);
      },
      cancel: () => preview(editor, null),
    };
  };

/** Nearer to it than this is the centre, in the figure's unit. */
const CENTRE = 1e-9;

/** A construction as large as the drag is long, its far end where the drag ends. */
const built =
  (kind: BuiltKind): Drawn =>
  (from, to, { shift }, state) => {
    const rotation = shift
      ? turnFromDegrees(Math.round(polarOf(subtract(to, from)).degrees))
      : directionTo(from, to);
    const maker = makerOf(kind);
    const fold = activeRound(state)?.rule.fold ?? 1;
    const isAbout = lengthOf(from) <= CENTRE;
    // About the centre it takes the round's fold as its own.
    const start = isAbout && fold > 1 ? (maker.inFold?.(maker.start, fold) ?? maker.start) : maker.start;
    const form = withParams({ kind, at: from, rotation } as BuiltForm, start);
    const factor = distance(from, to) / (maker.extent?.(start) ?? 1);
    return withParams(form, scaledParams(maker, start, factor));
  };

/** From corner to corner, or with Alt from the middle; with Shift a square. */
const rectangle: Drawn = (start, far, { alt }) => {
  const from = alt ? subtract(scaleBy(start, 2), far) : start;
  const form = {
    kind: 'rectangle' as const,
    at: { x: (from.x + far.x) / 2, y: (from.y + far.y) / 2 },
    rotation: NO_TURN,
    params: MAKERS.rectangle.start,
  };
  const size = { width: Math.abs(far.x - from.x), height: Math.abs(far.y - from.y) };
  return { ...form, params: { ...form.params, ...size } };
};

const straight: Drawn = (from, to) =>
  pathForm(
    [from, to].map(({ x, y }) => ({ x, y, kind: 'corner' })),
    false,
  );

export const pressBuilt = (kind: BuiltKind): Press => draws(makerOf(kind).name, built(kind));
export const pressRectangle = draws('Rectangle', rectangle, DIAGONAL);
/** A circle from one end of its diameter to the other. */
const diameter: Drawn = (from, to) => {
  const r = distance(from, to) / 2;
  const at = { x: (from.x + to.x) / 2, y: (from.y + to.y) / 2 };
  return { kind: 'ellipse', at, rotation: NO_TURN, params: { width: 2 * r, height: 2 * r } };
};

export const pressDiameter = draws('Circle', diameter);
export const pressLine = draws('Line', straight);
export const pressPetal = draws('Petal', petal);
export const pressEllipse = draws('Ellipse', ellipse, null);
export const pressPolygon = draws('Polygon', polygon);
