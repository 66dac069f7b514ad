/**
 * The lane: a view of its own on the Bench in which a strip lies straight, as it was drawn. Its motif has the same coordinates as the round's,
 * so that all tools work there as anywhere; what it shows and catches is the strip alone.
 *
 * @example
 * const round = paneRound(state, 'lane');   // the straight strip as a motif of its own, or null
 */
import {
  type BentGroup,
  type Figure,
  isBent,
  type MotifNode,
  motifOfTree,
  motifTree,
  type Round,
  type Shape,
  shapesOfGroup,
  stripAround,
  type GroupId,
  type RoundId,
} from '@/core/figure';
import { addShapes } from '@/core/figure/commands';
import { NO_TURN, turn } from '@/core/number';
import { type Guide, NO_FRAME } from '@/core/symmetry';
import { activeRound } from './selecting';
import type { EditorState } from './editorState';
import type { PaneId } from './slices/view';
import type { View } from './viewport';

/** The strip that is at hand: that of what is selected, else the first of the round; null where it has none, or nothing is drawn now. */
export function laneStrip(state: EditorState): BentGroup | null {
  const round = activeRound(state);
  if (!round || (state.stage !== 'draw' && state.stage !== 'setout')) return null;
  return stripAround(round, state.selection.shapeIds) ?? round.groups?.find(isBent) ?? null;
}

/** Ids of the shapes that lie in strips of a round, and are drawn elsewhere than where they lie. */
export function bentIds(round: Round): ReadonlySet<string> {
  const strips = round.groups?.filter(isBent) ?? [];
  return new Set(strips.flatMap(({ id }) => shapesOfGroup(round, id).map((shape) => shape.id)));
}

/**
 * True where what is selected of a strip is worked on as it lies straight: it was taken in the lane, or it is only a part of the strip, which
 * cannot be bent by itself.
 */
export function isLaid(state: EditorState): boolean {
  const round = activeRound(state);
  const { shapeIds } = state.selection;
  const strip = round && stripAround(round, shapeIds);
  if (!round || !strip) return false;
  return state.laid || shapesOfGroup(round, strip.id).some(({ id }) => !shapeIds.has(id));
}

const straightRounds = new WeakMap<Round, Map<string, Round>>();

const nodesIn = (nodes: readonly MotifNode[], groupId: GroupId): readonly MotifNode[] =>
  nodes.flatMap((node) => {
    if (node.kind === 'shape') return [];
    return node.group.id === groupId ? node.nodes : nodesIn(node.nodes, groupId);
  });

/** Where a unit of a strip begins and ends, and its middle line. */
function guidesOf({ strip }: BentGroup['bend']): Guide[] {
  const { left, right, top, bottom } = strip;
  const middle = (top + bottom) / 2;
  return [
    { kind: 'line', at: { x: left, y: middle }, direction: NO_TURN },
    { kind: 'line', at: { x: right, y: middle }, direction: NO_TURN },
    { kind: 'line', at: { x: left, y: middle }, direction: turn(1, 4) },
  ];
}

/** A strip of a round as a motif that lies straight and stands once; the same object as long as the round is. */
function straightRound(round: Round, { id, bend }: BentGroup): Round {
  const known = straightRounds.get(round) ?? new Map<string, Round>();
  straightRounds.set(round, known);
  const before = known.get(id);
  if (before) return before;
  const { shapes, groups } = motifOfTree(nodesIn(motifTree(round), id));
  const made: Round = {
    id: round.id,
    name: round.name,
    visible: true,
    locked: round.locked,
    rule: { fold: 1, start: NO_TURN, mirror: false },
    frame: { ...NO_FRAME, guides: guidesOf(bend) },
    shapes,
    ...(groups.length > 0 && { groups }),
    merge: null,
  };
  known.set(id, made);
  return made;
}

/** The strip at hand as a motif that lies straight; null where there is none. */
export function laneRound(state: EditorState): Round | null {
  const round = activeRound(state);
  const strip = laneStrip(state);
  return round && strip && straightRound(round, strip);
}

/** The motif that a pane is about: in the lane the straight strip. */
export const paneRound = (state: EditorState, pane: PaneId): Round | null =>
  pane === 'lane' ? laneRound(state) : activeRound(state);

/** The motif in which what is selected is measured: the straight strip where it is worked on as it lies. */
export const measuredRound = (state: EditorState, round: Round): Round =>
  isLaid(state) ? (laneRound(state) ?? round) : round;

/** Room beside and over a strip in its lane, in pixels. */
const AROUND = { x: 40, y: 12 };

/** The view of the lane: all of the strip's unit, unless it was zoomed. */
export function laneView(state: EditorState): View {
  const strip = laneStrip(state)?.bend.strip;
  if (state.views.lane || !strip) return state.views.lane ?? { scale: 1, x: 0, y: 0 };
  const { width, height } = state.sizes.lane;
  const scale = Math.min(
    Math.max(10, width - 2 * AROUND.x) / (strip.right - strip.left),
    Math.max(10, height - 2 * AROUND.y) / (strip.bottom - strip.top),
  );
  return {
    scale,
    x: width / 2 - (scale * (strip.left + strip.right)) / 2,
    y: height / 2 - (scale * (strip.top + strip.bottom)) / 2,
  };
}

/** A figure with shapes that were drawn: in the strip at hand where they were drawn in the lane. */
export function withDrawn(
  state: EditorState,
  figure: Figure,
  roundId: RoundId,
  shapes: readonly Shape[],
): Figure {
  const strip = state.laid ? laneStrip(state) : null;
  return addShapes(figure, roundId, strip ? shapes.map((shape) => ({ ...shape, group: strip.id })) : shapes);
}
