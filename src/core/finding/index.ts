/**
 * Why something is not as meant, and what may come to nothing.
 *
 * @example
 * if (!made.ok) say(made.finding.sentence);
 */
export { finding, foundAt, type Finding, type Mend, type Severity } from './finding';
export { failed, ok, valueOr, type Result } from './result';
export { aboveZero, between, zeroOrMore } from './range';
