export { finding, foundAt, type Finding, type Mend, type Severity } from './finding';
export { failed, ok, valueOr, type Result } from './result';
export { aboveZero, between, zeroOrMore } from './range';
