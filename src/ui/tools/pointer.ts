import {
  activeRound,
  benchView,
  type Editor,
  type EditorState,
  fromScreen,
  laneView,
  type PaneId,
  paneRound,
  shownFigure,
  type View,
  wholeView,
  workOf,
} from '@/state';
import { applyTo, inverse, type Point, polarOf, subtract } from '@/core/curve';
import type { Work } from '@/core/derive';
import { anchorOf, pointsOfShape, type Round, seenShapes } from '@/core/figure';
import { NO_TURN, turnFromDegrees } from '@/core/number';
import type { ScenePage } from '@/core/scene';
import {
  alongTurn,
  footOnLine,
  heldDirection,
  type Placement,
  placementMap,
  ringStepFor,
  snapAlong,
  snapCandidates,
  type SnapCurve,
  type SnapKind,
  type Snapped,
  type SnapTargets,
  spacedPlaces,
} from '@/core/symmetry';
import { pageCurvesOf, snapCurvesOf } from './snapCurves';

/** How near a pointer must come to catch something or to hit a line, in pixels. */
export const CATCH = 8;
export const TOUCH = 5;

/** With Shift lines, nodes and handles go in multiples of this many degrees. */
const SHIFT_STEP = 15;

/** A pointer in a pane, as the tools see it. */
export interface PanePoint {
  readonly pane: PaneId;
  /** In pixels of the pane. */
  readonly screen: Point;
  /** In the figure's own coordinates (Whole) or the upright wedge's (Bench). */
  readonly figure: Point;
  readonly shift: boolean;
  readonly alt: boolean;
  /** Of a pen, 0 to 1; half of it for a mouse. */
  readonly pressure: number;
  /** Ctrl or ⌘: nothing is caught. */
  readonly free: boolean;
}

export function viewOf(state: EditorState, pane: PaneId): View {
  if (pane === 'lane') return laneView(state);
  return pane === 'bench' ? benchView(state) : wholeView(state);
}

/** The copy that a pane edits: Bench and lane always the upright one. */
export const placementIn = (state: EditorState, pane: PaneId): Placement =>
  pane === 'whole' ? state.active : { turn: NO_TURN, mirrored: false };

export const toMotif = (placement: Placement, p: Point): Point =>
  applyTo(inverse(placementMap(placement)), p);

/** Distance between ring lines: the page's shorter half in at most ten steps. */
export function ringStepOf(state: EditorState): number {
  const { page } = shownFigure(state);
  return ringStepFor(Math.min(page.width, page.height) / 2);
}

/** A strip that lies straight has no wedge: its ends and its middle line are guides. */
const OF_WEDGE: ReadonlySet<SnapKind> = new Set(['centre', 'axis', 'ray', 'ring']);

const withoutWedge = (on: ReadonlySet<SnapKind>): ReadonlySet<SnapKind> =>
  new Set([...on].filter((kind) => !OF_WEDGE.has(kind)));

/** What of a round stands still while something is dragged. */
interface Still {
  readonly round: Round | null;
  readonly page: ScenePage;
  readonly nodes: readonly Point[];
  readonly curves: readonly SnapCurve[];
  /** Where shapes are held. */
  readonly anchors: readonly { readonly point: Point; readonly name: string }[];
}

/** What stands still of a round on a page. Shapes in `except` are not snapped to: they are the ones that move. */
function stillOf(
  round: Round | null,
  page: ScenePage,
  pane: PaneId,
  except: ReadonlySet<string>,
  work: Work,
): Still {
  if (!round) return { round, page, nodes: [], curves: [], anchors: [] };
  const isStill = (ids: readonly string[]): boolean => !ids.some((id) => except.has(id));
  const shapes = seenShapes(round, work)
    .filter(({ ids }) => isStill(ids))
    .map(({ shape }) => shape);
  return {
    round,
    page,
    nodes: shapes.flatMap((shape) => pointsOfShape(shape, work)),
    curves: [
      ...(pane === 'lane' ? [] : pageCurvesOf(page, round.rule.start)),
      ...snapCurvesOf(round, work)
        .filter(({ shapeIds }) => isStill(shapeIds))
        .map(({ curve }) => curve),
    ],
    anchors: shapes.map((shape) => ({ point: anchorOf(shape), name: shape.name })),
  };
}

/** Reads where a pointer event is in a pane. */
export function panePoint(
  editor: Editor,
  pane: PaneId,
  element: Element,
  event: {
    clientX: number;
    clientY: number;
    shiftKey: boolean;
    altKey: boolean;
    ctrlKey: boolean;
    metaKey: boolean;
    pressure?: number;
  },
): PanePoint {
  const box = element.getBoundingClientRect();
  const screen = { x: event.clientX - box.left, y: event.clientY - box.top };
  return {
    pane,
    screen,
    figure: fromScreen(viewOf(editor.getState(), pane), screen),
    shift: event.shiftKey,
    alt: event.altKey,
    pressure: event.pressure ?? 0.5,
    free: event.ctrlKey || event.metaKey,
  };
}

/** Maps a pane's points to the motif for the length of one gesture, and catches what is near. */
export class MotifPointer {
  /** Known while the round and the page are the same: a drag asks with each move. */
  private still: Still | null = null;

  constructor(
    private readonly editor: Editor,
    private readonly pane: PaneId,
    readonly placement: Placement,
    private readonly except: ReadonlySet<string> = new Set(),
  ) {}

  /** The pointer in motif coordinates, nothing caught. */
  raw(p: PanePoint): Point {
    return toMotif(this.placement, p.figure);
  }

  /** Pixels as a length in the figure's unit. */
  length(pixels: number): number {
    return pixels / viewOf(this.editor.getState(), this.pane).scale;
  }

  private stillNow(state: EditorState): Still {
    const work = workOf(state);
    // The figure as it was before what is dragged.
    const round = paneRound({ ...state, live: null }, this.pane);
    const { page } = shownFigure(state);
    if (this.still?.round === round && this.still.page === page) return this.still;
    const { missed } = work;
    const still = stillOf(round, page, this.pane, this.except, work);
    // What was not there yet comes later.
    this.still = work.missed === missed ? still : null;
    return still;
  }

  /** What a point of the motif may catch. */
  private targets(p: Point, extra: readonly Point[] = [], origin?: Point): SnapTargets {
    const state = this.editor.getState();
    const { round, nodes, curves, anchors } = this.stillNow(state);
    return {
      ...(round?.rule ?? { fold: 1 }),
      ringStep: ringStepOf(state),
      nodes: extra.length > 0 ? [...nodes, ...extra] : nodes,
      curves,
      origin,
      spaced: state.snapOn.has('spacing') ? spacedPlaces(p, anchors) : [],
      on: this.pane === 'lane' ? withoutWedge(state.snapOn) : state.snapOn,
    };
  }

  /** A point of the motif after snapping. */
  caught(at: Point, p: PanePoint, extra: readonly Point[] = [], origin?: Point): Point {
    if (p.free) return this.show([], at);
    return this.show(snapCandidates(at, this.targets(at, extra, origin), this.length(CATCH)), at);
  }

  /** A point of the motif held to a line, after snapping to what that line meets. @param direction of length 1 */
  along(at: Point, p: PanePoint, from: Point, direction: Point): Point {
    const foot = footOnLine(at, from, direction);
    if (p.free) return this.show([], foot);
    return this.show(snapAlong(at, from, direction, this.targets(foot), this.length(CATCH)), foot);
  }

  /** The pointer held to multiples of an angle from a point, in degrees clockwise from straight up. */
  stepped(p: PanePoint, from: Point, step: number, offset = 0): Point {
    const at = this.raw(p);
    const { degrees } = polarOf(subtract(at, from));
    const angle = Math.round((degrees - offset) / step) * step + offset;
    return this.along(at, p, from, alongTurn(turnFromDegrees(angle), 1));
  }

  /** The pointer held to multiples of 15° from a point, and to the directions of the wedge's rays. */
  held(p: PanePoint, from: Point): Point {
    const at = this.raw(p);
    const wedge = activeRound(this.editor.getState())?.rule ?? { fold: 1 };
    const direction = heldDirection(polarOf(subtract(at, from)).degrees, SHIFT_STEP, wedge);
    return this.along(at, p, from, alongTurn(direction, 1));
  }

  /** The pointer where it is; what is near is caught only when it is asked for by Tab. */
  offered(p: PanePoint): Point {
    const at = this.raw(p);
    const list = p.free ? [] : snapCandidates(at, this.targets(at), this.length(CATCH));
    return this.show([{ point: at, caught: [], ring: null }, ...list], at);
  }

  /** Shows in the readout what was caught. @returns where the point is then */
  private show(list: readonly Snapped[], at: Point): Point {
    const state = this.editor.getState();
    const which = list.length > 0 ? state.snapTurn % list.length : 0;
    const snapped = list[which] ?? { point: at, caught: [], ring: null };
    this.editor.setState({ pointer: { pane: this.pane, snapped, which, of: list.length } });
    return snapped.point;
  }

  /** The pointer in motif coordinates after snapping. */
  at(p: PanePoint, extra: readonly Point[] = [], origin?: Point): Point {
    return this.caught(this.raw(p), p, extra, origin);
  }
}
