/**
 * What may be wrong with a figure, for what it is meant for.
 *
 * @example
 * const { proof } = await createProving().prove(figure, target);   // proof.findings: sentences, places, mends
 */
export { type Limit, type Limits, type Place, type ProofFinding } from './check';
export { CHECKS } from './checks';
export { type ProofFacts } from './facts';
export { withMend, type Hands } from './mends';
export { type Proof } from './proof';
export { checksOf, findTarget, targetOf, TARGETS, type Target } from './target';
export { dataOf, isWrong, reportOf, type ProofData } from './report';
export { createProving, type Proved } from './proving';
