import { STRAIGHT } from '../derive';
import { mergedFully } from '../merge/cells';
import type { MergeControl, MergeResult } from '../merge/merge';
import type { Scene } from '../scene/scene';
import { evaluate } from './evaluate';
import { mergeJobsOf, requestOf } from './jobs';
import type { Figure } from './model';

/**
 * The display list of a figure with every merge made: for the server, the command line and tests.
 * @throws MergeStopped, MergeFailed (see core/merge).
 */
export async function evaluateWhole(figure: Figure, control: MergeControl = {}): Promise<Scene> {
  const merges = new Map<string, MergeResult>();
  for (const job of mergeJobsOf(figure, STRAIGHT)) {
    const request = requestOf(job, { quality: 'full', outlineOnly: true }, STRAIGHT);
    if (request) merges.set(job.key, await mergedFully(request, control));
  }
  return evaluate(figure, merges, STRAIGHT);
}
