import {
  activeRound,
  actOnRound,
  areaAtHand,
  cellsOfRound,
  chooseKinds,
  commit,
  divisionOf,
  type Editor,
  type EditorState,
  mergeOf,
  preview,
  shownFigure,
  weaveOfRound,
} from '@/state';
import { toast } from 'sonner';

import { add, applyTo, distance, type Point, scaleBy, subtract, turnMap } from '@/core/curve';
import { fuseCells, paintCells, removeCells, restoreCells, swapCrossing } from '@/core/figure/commands';
import { type Figure, nameOfKind, paintOfOne, reachedCells, type Round } from '@/core/figure';
import type { Paint } from '@/core/scene';
import { cellAt, type CellCopy, type CellGroup, type Division, type WovenCrossing } from '@/core/merge';
import { negateTurn } from '@/core/number';
import type { Press } from './gesture';
import { viewOf, type PanePoint } from './pointer';

/** A cell under the pointer, and what it is alike to. */
interface CellHit {
  readonly group: CellGroup;
  readonly copy: CellCopy;
}

/** The divided round that is worked on, with its cells; null where there is none, or they are not there yet. */
function workedOn(
  state: EditorState,
): { round: Round; division: Division; groups: readonly CellGroup[] } | null {
  const round = activeRound(state);
  const division = round && divisionOf(state, round);
  const cells = round && cellsOfRound(state, round);
  return round && division && cells ? { round, division, groups: cells.groups } : null;
}

/** A point of a pane where the round's first copy stands upright. */
const inRound = (round: Round, p: PanePoint): Point =>
  p.pane === 'bench' ? p.figure : applyTo(turnMap(negateTurn(round.rule.start)), p.figure);

function hitCell(state: EditorState, p: PanePoint): CellHit | null {
  const work = workedOn(state);
  return work && cellAt(work.groups, inRound(work.round, p));
}

const reached = (state: EditorState, hit: CellHit): readonly string[] =>
  reachedCells(workedOn(state)?.groups ?? [], hit, state.tool === 'select' ? 'kind' : state.cellReach);

/** The paint of the cell at a place; null where there is no cell, or one without paint. */
export function paintOfCellAt(state: EditorState, p: PanePoint): Paint | null {
  const hit = hitCell(state, p);
  const round = activeRound(state);
  const merge = round && mergeOf(state, round);
  const paint = hit && merge ? paintOfOne(hit.copy, hit.group, merge) : null;
  return paint?.fill || paint?.stroke ? paint : null;
}

/** True where the tool at hand works on cells here. */
export const worksOnCells = (state: EditorState): boolean =>
  (state.tool === 'fuse' ||
    state.tool === 'take' ||
    state.tool === 'paint' ||
    (state.tool === 'select' && state.stage === 'colour')) &&
  activeRound(state)?.merge?.op === 'divide';

/** In Colour, a click on a cell chooses its kind; with Shift one more, or one less. @returns false where there is no cell */
export function chooseKindAt(editor: Editor, p: PanePoint): boolean {
  const state = editor.getState();
  const hit = state.stage === 'colour' ? hitCell(state, p) : null;
  if (!hit) return false;
  const name = nameOfKind(hit.group);
  const kinds = new Set(p.shift ? state.selection.kinds : []);
  if (p.shift && state.selection.kinds.has(name)) kinds.delete(name);
  else kinds.add(name);
  chooseKinds(editor, kinds);
  return true;
}

/** Lights up what a press would reach. */
export function hoverCells(editor: Editor, p: PanePoint): void {
  const state = editor.getState();
  const hit = hitCell(state, p);
  const refs = hit ? reached(state, hit) : [];
  const [first] = refs;
  if (first === state.lit?.refs[0] && refs.length === (state.lit?.refs.length ?? 0)) return;
  editor.setState({ lit: hit ? { refs, kind: hit.group, own: hit.copy.refs } : null });
}

/** Cells on the way from one place of the pointer to the next, a few pixels apart. */
function* cellsBetween(
  groups: readonly CellGroup[],
  round: Round,
  from: PanePoint,
  to: PanePoint,
  scale: number,
): Generator<CellHit> {
  const way = subtract(to.figure, from.figure);
  const steps = Math.max(1, Math.ceil((distance(from.figure, to.figure) * scale) / 3));
  for (let k = from === to ? 0 : 1; k <= steps; k += 1) {
    const figure = add(from.figure, scaleBy(way, k / steps));
    const hit = cellAt(groups, inRound(round, { ...to, figure }));
    if (hit) yield hit;
  }
}

/** A stroke through cells: collects those that it comes through and shows what they become. */
function strokeCells(
  editor: Editor,
  p: PanePoint,
  label: string,
  change: (figure: Figure, round: Round, division: Division, refs: readonly string[]) => Figure,
  reach: (hit: CellHit) => readonly string[],
): ReturnType<Press> {
  const state = editor.getState();
  const work = workedOn(state);
  if (!work || work.round.locked) return null;
  const before = shownFigure(state);
  const { scale } = viewOf(state, p.pane);
  const refs = new Set<string>();
  let last = p;
  let after = before;
  const follow = (q: PanePoint): void => {
    const had = refs.size;
    // Cells are looked up as they were before the stroke.
    for (const hit of cellsBetween(work.groups, work.round, last, q, scale))
      for (const ref of reach(hit)) refs.add(ref);
    last = q;
    if (refs.size === had) return;
    const list = [...refs];
    // Paint is seen as it is: light on it would hide its colour.
    const painting = state.tool === 'paint';
    editor.setState({ lit: painting ? null : { refs: list, kind: null, own: list } });
    after = change(before, work.round, work.division, list);
    preview(editor, after);
  };
  follow(p);
  return {
    move: follow,
    up: () => {
      editor.setState({ lit: null });
      if (after === before) preview(editor, null);
      else commit(editor, label, after);
    },
    cancel: () => {
      editor.setState({ lit: null });
      preview(editor, null);
    },
  };
}

/** Remove: takes away the cells that a stroke comes through; begun on one that is away, it brings them back. */
export const pressTake: Press = (editor, p) => {
  const state = editor.getState();
  const hit = hitCell(state, p);
  if (!hit) {
    sayWhatIsMissing(editor);
    return null;
  }
  const removed = new Set(workedOn(state)?.round.merge?.cells?.removed ?? []);
  const isAway = (ref: string): boolean => removed.has(ref) || removed.has(ref.split('@')[0] ?? ref);
  const back = hit.copy.refs.some(isAway);
  return strokeCells(
    editor,
    p,
    back ? 'Bring cells back' : 'Remove cells',
    (figure, round, division, refs) =>
      back ? restoreCells(figure, round.id, refs) : removeCells(figure, round.id, division, refs),
    (each) => reached(editor.getState(), each),
  );
};

/** Fuse: a stroke through cells makes one of them, in every turn or alone; with Alt it removes them. */
export const pressFuse: Press = (editor, p, double) => {
  if (p.alt) return pressTake(editor, p, double);
  if (!hitCell(editor.getState(), p)) {
    sayWhatIsMissing(editor);
    return null;
  }
  return strokeCells(
    editor,
    p,
    'Fuse cells',
    (figure, round, _, refs) => fuseCells(figure, round.id, refs, editor.getState().cellReach === 'one'),
    ({ copy }) => copy.refs,
  );
};

/** Paint on cells: a stroke gives them the paint at hand. */
export const pressPaintCells: Press = (editor, p) => {
  const paint = areaAtHand(editor.getState());
  return strokeCells(
    editor,
    p,
    'Paint cells',
    (figure, round, division, refs) => paintCells(figure, round.id, division, refs, paint),
    (each) => reached(editor.getState(), each),
  );
};

function sayWhatIsMissing(editor: Editor): void {
  if (activeRound(editor.getState())?.merge?.op !== 'divide')
    toast('This round has no cells: choose Cells in the inspector first.');
}

/** How near a press must be to a crossing, in pixels. */
const NEAR_CROSSING = 14;

/** The crossing of a woven round nearest to the pointer; null where none is near. */
function crossingAt(state: EditorState, p: PanePoint): WovenCrossing | null {
  const round = activeRound(state);
  const facts = round && weaveOfRound(state, round);
  if (!facts) return null;
  const at = inRound(round, p);
  const near = NEAR_CROSSING / viewOf(state, p.pane).scale;
  return facts.crossings.reduce<WovenCrossing | null>((best, next) => {
    const away = distance(next.at, at);
    return away <= near && (!best || away < distance(best.at, at)) ? next : best;
  }, null);
}

/** Swap: turns a crossing of bands the other way round, with its kind or alone. */
export const pressSwap: Press = (editor, p) => {
  const state = editor.getState();
  const round = activeRound(state);
  const crossing = crossingAt(state, p);
  if (!crossing) {
    if (round?.merge?.op !== 'weave') toast('This round is not woven: choose Weave in the inspector first.');
    return null;
  }
  const ref = state.cellReach === 'one' ? crossing.ref : (crossing.ref.split('@')[0] ?? crossing.ref);
  actOnRound(editor, 'Swap crossing', (figure, id) => swapCrossing(figure, id, ref));
  return null;
};
