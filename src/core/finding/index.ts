export { finding, foundAt, type Finding } from './finding';
export { failed, ok, valueOr, type Result } from './result';
