/** Findings, looks and charts of the proof. */
export { FindingsPanel } from './FindingsPanel';
export { Lens } from './Lens';
export { ProofMarks } from './ProofMarks';
export { ProofRow } from './ProofRow';
