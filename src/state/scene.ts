import type { Work } from '../core/derive';
import { evaluate } from '../core/figure/evaluate';
import { boundedFigure } from '../core/figure/excess';
import type { Figure } from '../core/figure/model';
import { layersOf, type Scene, type SceneLayer } from '../core/scene/scene';
import type { MergeResult } from '../core/merge/merge';
import { remembered } from '../core/remembered';
import { shownFigure, type EditorState } from './editor';
import { mergeResults } from './merges';
import { workOf } from './work';

const scenes = remembered((figure: Figure) =>
  remembered((merges: ReadonlyMap<string, MergeResult>) =>
    remembered((work: Work) => evaluate(boundedFigure(figure, work), merges, work)),
  ),
);

/** What a pane draws of a scene: seen as lines, or copy by copy, each area is for itself. */
export const shownLayers = ({ outlines, reveal }: EditorState, scene: Scene): readonly SceneLayer[] =>
  layersOf(scene, outlines || reveal > 0 ? 'abut' : 'overlap');

/** The display list of what is on the screen, as far as it can be drawn; the same object as long as nothing in it changed. */
export const sceneOf = (state: EditorState) =>
  scenes(shownFigure(state))(mergeResults(state.merges))(workOf(state));
