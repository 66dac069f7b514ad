/** What of the Export sheet others show too. */
export { OptionRow } from './OptionRow';
