/**
 * File formats, and reading what comes in as text.
 *
 * @example
 * const { ending, mediaType } = formatOf('svg');
 */
export { clipOf, isSvgText, motifOfClip } from './clip';
export { contentsOf } from './contents';
export {
  type BundleFile,
  type Format,
  type OptionField,
  optionRules,
  type Options,
  type OptionValue,
  parametersOf,
  type PixelJob,
  type Source,
} from './format';
export { fileName, FORMAT_IDS, formatOf, FORMATS } from './formats';
export { svgOfMerge } from './mergeSvg';
export { pathData, printNumber } from './pathData';
export { screenData } from './screenData';
export { readTokens, tokensOf } from './tokens';
