import { STRAIGHT } from '@/core/derive';
import { evaluate, type Figure, mergeJobsOf, requestOf } from '@/core/figure';
import { mergedFully, type MergeResult } from '@/core/merge';
import { type Limits, type ProofFinding, withMend } from '@/core/proof';
import { checkOf } from '@/core/proof/checks';
import { type Subject, subjectOf } from '@/core/proof/subject';
import type { Mend } from '@/core/finding';
import { counter } from './figures';
import { made } from './made';

async function mergesOf(figure: Figure): Promise<ReadonlyMap<string, MergeResult>> {
  const merges = new Map<string, MergeResult>();
  for (const job of mergeJobsOf(figure, STRAIGHT)) {
    const request = requestOf(job, {}, STRAIGHT);
    if (request) merges.set(job.key, await mergedFully(request, {}));
  }
  return merges;
}

/** A figure as checks look at it. */
export async function subjectFor(figure: Figure): Promise<Subject> {
  const merges = await mergesOf(figure);
  return subjectOf(figure, evaluate(figure, merges, STRAIGHT), merges);
}

/** What one check finds. @param limits instead of its own */
export async function foundBy(
  id: string,
  figure: Figure,
  limits: Limits = {},
): Promise<readonly ProofFinding[]> {
  const check = checkOf(id);
  if (!check) throw new RangeError(`There is no check ${id}.`);
  const start = Object.fromEntries(check.limits.map(({ key, start: value }) => [key, value]));
  return check.find(await subjectFor(figure), { ...start, ...limits });
}

/** The figure after a mend. */
export async function mended(figure: Figure, mend: Mend | undefined): Promise<Figure> {
  if (!mend) throw new RangeError('There is nothing that mends this.');
  const merges = await mergesOf(figure);
  return made(
    withMend(figure, mend, {
      work: STRAIGHT,
      newId: counter(),
      divisionOf: (roundId) => merges.get(roundId)?.division ?? null,
    }),
  );
}
