import type { Work } from '@/core/derive';
import { boundedFigure, evaluate, type Figure, swallowedRounds } from '@/core/figure';
import {
  type InHand,
  layersOf,
  partsInHand,
  type Scene,
  type SceneLayer,
  type ScenePart,
} from '@/core/scene';
import type { MergeResult } from '@/core/merge';
import { remembered } from '../core/remembered';
import { shownFigure, type EditorState } from './editorState';
import { mergeResults } from './merges';
import { activeRound } from './selecting';
import { workOf } from './work';

const scenes = remembered((figure: Figure) =>
  remembered((merges: ReadonlyMap<string, MergeResult>) =>
    remembered((work: Work) => evaluate(boundedFigure(figure, work), merges, work)),
  ),
);

/** What a pane draws of a scene: seen as lines, or copy by copy, each area is for itself. */
const shownLayers = ({ outlines, reveal }: EditorState, scene: Scene): readonly SceneLayer[] =>
  layersOf(scene, outlines || reveal > 0 ? 'abut' : 'overlap');

/** The selected shapes, which the next press may take in hand; null where there are some of several rounds. */
const handOf = ({ selection, reveal }: EditorState): InHand | null =>
  reveal > 0 || selection.others.size > 0 ? null : selection;

interface ShownPart extends ScenePart {
  /** How many layers lie behind it. */
  readonly first: number;
}

/** What a pane draws of a scene in parts, back to front: what stands still while the selected shapes are in hand, and the rest. */
export function partsShown(state: EditorState, scene: Scene): readonly ShownPart[] {
  let first = 0;
  return partsInHand(shownLayers(state, scene), handOf(state)).map((part) => {
    const at = first;
    first += part.layers.length;
    return { ...part, first: at };
  });
}

interface OnBench {
  /** Of the round that is worked on. */
  readonly own: readonly SceneLayer[];
  readonly others: readonly SceneLayer[];
  /** Those of its own in parts, as in `partsShown`. */
  readonly parts: readonly ScenePart[];
  /** It shows only in other rounds, or in an outline: its shapes are seen as lines, which are drawn by the figure itself. */
  readonly isLined: boolean;
}

/** What the Bench draws of a scene. */
export function layersOnBench(state: EditorState, scene: Scene): OnBench {
  const roundId = activeRound(state)?.id;
  // Where it is worked on each area is for itself; copies are faint there, and what reaches under another would show through.
  const layers = layersOf(scene, 'abut');
  const own = layers.filter((layer) => layer.roundId === roundId);
  const isSwallowed = roundId !== undefined && swallowedRounds(shownFigure(state)).has(roundId);
  return {
    own,
    isLined: isSwallowed || own.some(({ items }) => items.some(({ origin }) => origin.of !== 'shape')),
    others: layers.filter((layer) => layer.roundId !== roundId),
    // Several layers of a round lie with their faint copies in one another.
    parts: own.length === 1 ? partsInHand(own, handOf(state)) : [{ still: false, layers: own }],
  };
}

/** The display list of what is on the screen, as far as it can be drawn; the same object as long as nothing in it changed. */
export const sceneOf = (state: EditorState) =>
  scenes(shownFigure(state))(mergeResults(state.merges))(workOf(state));
