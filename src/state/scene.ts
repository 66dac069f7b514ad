import type { Work } from '@/core/derive';
import { boundedFigure, evaluate, type Figure } from '@/core/figure';
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
export const handOf = ({ selection, reveal }: EditorState): InHand | null =>
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

/** The display list of what is on the screen, as far as it can be drawn; the same object as long as nothing in it changed. */
export const sceneOf = (state: EditorState) =>
  scenes(shownFigure(state))(mergeResults(state.merges))(workOf(state));
