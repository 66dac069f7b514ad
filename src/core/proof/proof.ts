/**
 * A figure looked at for what it is for.
 *
 * @example
 * const proof = proved(subjectOf(figure, scene, merges), targetOf(undefined, 'print'));
 * proof.findings[0]?.sentence;
 */
import type { ProofFinding } from './check';
import type { Subject } from './subject';
import { checksOf, type Target } from './target';

export interface Proof {
  readonly target: string;
  /** The worst first. */
  readonly findings: readonly ProofFinding[];
  /** The titles of checks that found nothing. */
  readonly passed: readonly string[];
}

const RANK = { error: 0, warning: 1, note: 2 } as const;

/**
 * Runs every check of a target.
 * @param progress told a share from 0 to 1 as the work goes on
 */
export function proved(subject: Subject, target: Target, progress?: (share: number) => void): Proof {
  const asked = checksOf(target);
  const findings: ProofFinding[] = [];
  const passed: string[] = [];
  asked.forEach(({ check, limits }, k) => {
    const own = check.find(subject, limits);
    if (own.length === 0) passed.push(check.title);
    findings.push(...own);
    progress?.((k + 1) / asked.length);
  });
  const order = [...findings].sort((a, b) => RANK[a.severity] - RANK[b.severity] || b.count - a.count);
  return { target: target.id, findings: withOwnKeys(order), passed };
}

/** Findings whose keys are alike get a number. */
function withOwnKeys(findings: readonly ProofFinding[]): ProofFinding[] {
  const counts = new Map<string, number>();
  return findings.map((each) => {
    const times = (counts.get(each.key) ?? 0) + 1;
    counts.set(each.key, times);
    return times === 1 ? each : { ...each, key: `${each.key} ${times}` };
  });
}
