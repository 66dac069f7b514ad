/**
 * A proof handed over: as data that a build reads, and as a page that people read.
 *
 * @example
 * dataOf(proved).findings[0].where;      // [{ x: 3.2, y: -40.1, round: 'petals' }, …]
 * await reportOf(figure, scene, { ...proved, target }, faces);   // the bytes of a PDF
 */
import type { Figure } from '@/core/figure';
import { printNumber } from '@/core/format';
import type { Scene } from '@/core/scene';
import type { ProofFinding } from './check';
import type { Proof } from './proof';
import { openFindings, type Reported, type ReportFaces } from './reported';

/** A finding as data: what it is and where, from the figure's centre in its unit, y downward. */
interface FindingData {
  readonly code: string;
  readonly severity: ProofFinding['severity'];
  readonly sentence: string;
  readonly title: string;
  readonly count: number;
  readonly where: readonly { readonly x: number; readonly y: number; readonly round?: string }[];
}

export interface ProofData {
  readonly target: string;
  readonly findings: readonly FindingData[];
}

/** More places than this of one finding are counted and not listed. */
const MOST_LISTED = 100;

const rounded = (value: number): number => Number(printNumber(value, 4));

/** What was found, as data; what the figure says is left as it is is not among it. */
export const dataOf = (figure: Figure, proof: Proof): ProofData => ({
  target: proof.target,
  findings: openFindings(figure, proof).map(({ code, severity, sentence, title, count, where }) => ({
    code,
    severity,
    sentence: `${title}. ${sentence}`,
    title,
    count,
    where: where.slice(0, MOST_LISTED).map(({ at, roundId }) => ({
      x: rounded(at.x),
      y: rounded(at.y),
      ...(roundId && { round: figure.rounds.find(({ id }) => id === roundId)?.name ?? roundId }),
    })),
  })),
});

/** True where something that was found cannot be so. */
export const isWrong = ({ findings }: ProofData): boolean =>
  findings.some(({ severity }) => severity === 'error');

/** A page of A4 with the figure, its looks, its inks, its numbers and what was found; what writes it is read when it is first wanted. */
export async function reportOf(
  figure: Figure,
  scene: Scene,
  reported: Reported,
  faces: ReportFaces,
): Promise<Uint8Array> {
  const { reportPage } = await import('./reportPage');
  return reportPage(figure, scene, reported, faces);
}
