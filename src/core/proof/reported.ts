import type { Figure } from '@/core/figure';
import type { ProofFinding } from './check';
import type { ProofFacts } from './facts';
import type { Proof } from './proof';
import type { Target } from './target';

/** What was found and is not left as it is. */
export const openFindings = ({ proof: said }: Figure, { findings }: Proof): ProofFinding[] => {
  const left = new Set(said?.left);
  return findings.filter(({ key }) => !left.has(key));
};

/** The typefaces of the page, as the bytes of their files. */
export interface ReportFaces {
  readonly regular: Uint8Array;
  readonly bold: Uint8Array;
}

/** A proof with what it was made for. */
export interface Reported {
  readonly proof: Proof;
  readonly facts: ProofFacts | null;
  readonly target: Target;
}
