import type { Work } from '../core/derive';
import { evaluate } from '../core/figure/evaluate';
import { boundedFigure } from '../core/figure/excess';
import type { Figure } from '../core/figure/model';
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

/** The display list of what is on the screen, as far as it can be drawn; the same object as long as nothing in it changed. */
export const sceneOf = (state: EditorState) =>
  scenes(shownFigure(state))(mergeResults(state.merges))(workOf(state));
