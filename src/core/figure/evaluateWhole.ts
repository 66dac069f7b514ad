import { merge } from '../merge/engine';
import type { MergeControl, MergeResult } from '../merge/merge';
import type { Scene } from '../scene/scene';
import { evaluate, mergeRequestOf } from './evaluate';
import type { Figure } from './model';

/**
 * The display list of a figure with every merge made: for the server, the command line and tests.
 * @throws MergeStopped, MergeFailed (see core/merge).
 */
export async function evaluateWhole(figure: Figure, control: MergeControl = {}): Promise<Scene> {
  const merges = new Map<string, MergeResult>();
  for (const round of figure.rounds) {
    const request = mergeRequestOf(round, { quality: 'full', outlineOnly: true });
    if (request) merges.set(round.id, await merge(request, control));
  }
  return evaluate(figure, merges);
}
