import { STRAIGHT } from '@/core/derive';
import { type MergeControl, mergedFully, type MergeResult } from '@/core/merge';
import type { Scene } from '@/core/scene';
import { evaluate } from './evaluate';
import { mergeJobsOf, requestOf } from './jobs';
import type { Figure } from './model';

/**
 * The display list of a figure with every merge made: for the server, the command line and tests.
 * @param control told how far all merges together are
 * @throws MergeStopped, MergeFailed (see core/merge).
 */
export async function evaluateWhole(figure: Figure, control: MergeControl = {}): Promise<Scene> {
  const merges = new Map<string, MergeResult>();
  const jobs = mergeJobsOf(figure, STRAIGHT);
  for (const [k, job] of jobs.entries()) {
    const request = requestOf(job, { outlineOnly: true }, STRAIGHT);
    const progress = (share: number): void => control.progress?.((k + share) / jobs.length);
    if (request) merges.set(job.key, await mergedFully(request, { ...control, progress }));
  }
  return evaluate(figure, merges, STRAIGHT);
}
