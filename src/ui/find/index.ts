/** Find: every tool, step and section by its name. */
export { FindSheet } from './FindSheet';
