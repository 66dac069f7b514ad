/** Fields for a colour, a gradient, a swatch. */
export { ColourField } from './ColourField';
export { FillField } from './FillField';
export { Swatch } from './Swatch';
