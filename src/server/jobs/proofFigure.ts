import { createProving, dataOf, findTarget, type ProofData, reportOf, targetOf } from '@/core/proof';
import type { Figure } from '@/core/figure';
import { Refused } from '../errors';
import { pageFaces } from '../shippedFaces';
import { checked } from './makeFile';

/** What is asked: a figure, the target by its id or its name (the figure's own choice without one), and a page for people or not. */
export interface ProofRequest {
  readonly figure: Figure;
  readonly target: string | null;
  readonly page: boolean;
}

export interface ProofMade {
  readonly name: string;
  readonly data: ProofData;
  /** The titles of the checks that passed. */
  readonly passed: readonly string[];
  /** A PDF, where it was asked for. */
  readonly page: Uint8Array | null;
}

/** Proofs a figure. @throws Refused with a sentence */
export async function proofFigure(
  { figure: given, target: name, page }: ProofRequest,
  progress: (share: number) => void,
): Promise<ProofMade> {
  const figure = checked(given);
  const { own, target: chosen } = figure.proof ?? {};
  const target = name === null ? targetOf(own, chosen) : findTarget(own, name);
  if (!target) throw new Refused(`There is no target “${name}”.`);
  const proving = createProving();
  const proved = await proving.prove(figure, target, { facts: page, progress });
  const { scene } = proving;
  return {
    name: figure.name,
    data: dataOf(figure, proved.proof),
    passed: proved.proof.passed,
    page: page && scene ? await reportOf(figure, scene, { ...proved, target }, await pageFaces()) : null,
  };
}
