import { evaluate } from '../core/figure/evaluate';
import type { Figure } from '../core/figure/model';
import type { MergeResult } from '../core/merge/merge';
import type { Scene } from '../core/scene/scene';
import { shownFigure, type EditorState } from './editor';
import { mergeResults } from './merges';

let last: { figure: Figure; merges: ReadonlyMap<string, MergeResult>; scene: Scene } | null = null;

/** The display list of what is on the screen; the same object as long as nothing in it changed. */
export function sceneOf(state: EditorState): Scene {
  const figure = shownFigure(state);
  const merges = mergeResults(state.merges);
  if (last?.figure !== figure || last.merges !== merges) {
    last = { figure, merges, scene: evaluate(figure, merges) };
  }
  return last.scene;
}
