/** The Export sheet. */
export { ExportSheet } from './ExportSheet';
export { OptionRow } from './OptionRow';
