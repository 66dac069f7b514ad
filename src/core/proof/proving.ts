/**
 * Proofs of a figure again and again as it is edited: what did not change is not worked out anew.
 *
 * @example
 * const proving = createProving();
 * const { proof, facts } = await proving.prove(figure, target, { facts: true });
 */
import equal from 'fast-deep-equal';

import { STRAIGHT } from '@/core/derive';
import { evaluate, type Figure, type MergeJob, mergeJobsOf, requestOf, sameJob } from '@/core/figure';
import { mergedFully, type MergeResult } from '@/core/merge';
import type { Scene } from '@/core/scene';
import { factsOf, type ProofFacts } from './facts';
import { proved, type Proof } from './proof';
import { subjectOf, type Subject } from './subject';
import { isForCutting, type Target } from './target';

export interface Proved {
  readonly proof: Proof;
  /** Where they were asked for. */
  readonly facts: ProofFacts | null;
}

interface Asking {
  readonly facts?: boolean;
  /** Told a share from 0 to 1 as the work goes on. */
  readonly progress?: (share: number) => void;
}

export interface Proving {
  /** @throws MergeFailed where a merge of the figure cannot be made */
  prove(figure: Figure, target: Target, asking?: Asking): Promise<Proved>;
  /** What is drawn of the figure that was proofed last. */
  readonly scene: Scene | null;
}

/** Of the whole work so much is merging, about. */
const MERGING = 0.4;

/**
 * A figure without what is said of its proof, and with the rounds of an earlier one where they are alike: what was made of these is known
 * by them.
 */
function revived({ proof: _, ...figure }: Figure, before: Figure | null): Figure {
  if (!before) return figure;
  if (equal(figure, before)) return before;
  const rounds = figure.rounds.map((round) => {
    const known = before.rounds.find(({ id }) => id === round.id);
    return known && equal(known, round) ? known : round;
  });
  return { ...figure, rounds };
}

interface Made {
  readonly job: MergeJob;
  readonly result: MergeResult;
}

export function createProving(): Proving {
  let before: Figure | null = null;
  let made = new Map<string, Made>();
  let subject: Subject | null = null;

  /** The merges of a figure, those that are known not made again. */
  async function mergesOf(
    figure: Figure,
    progress: (share: number) => void,
  ): Promise<Map<string, MergeResult>> {
    const jobs = mergeJobsOf(figure, STRAIGHT);
    const next = new Map<string, Made>();
    for (const [k, job] of jobs.entries()) {
      const known = made.get(job.key);
      const request = requestOf(job, {}, STRAIGHT);
      if (known && sameJob(known.job, job, STRAIGHT)) next.set(job.key, { job, result: known.result });
      else if (request) next.set(job.key, { job, result: await mergedFully(request, {}) });
      progress((k + 1) / jobs.length);
    }
    made = next;
    return new Map([...next].map(([key, { result }]) => [key, result]));
  }

  return {
    prove: async (asked, target, { facts = false, progress = () => undefined } = {}) => {
      const figure = revived(asked, before);
      if (figure !== before || !subject) {
        before = figure;
        const earlier = subject;
        subject = null;
        const merges = await mergesOf(figure, (share) => progress(MERGING * share));
        subject = subjectOf(figure, evaluate(figure, merges, STRAIGHT), merges, earlier);
      }
      const proof = proved(subject, target, (share) => progress(MERGING + (1 - MERGING) * share));
      return { proof, facts: facts ? factsOf(subject, isForCutting(target)) : null };
    },
    get scene() {
      return subject?.scene ?? null;
    },
  };
}
