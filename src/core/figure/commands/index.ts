/**
 * All that changes a figure: pure functions from figure to figure.
 *
 * @example
 * const wider = setFold(figure, 'petals', 12);
 */
export * from './bend';
export * from './drawer';
export * from './drawings';
export * from './frame';
export * from './groups';
export * from './half';
export * from './paint';
export * from './recolour';
export * from './rounds';
export * from './align';
export * from './cells';
export * from './combine';
export * from './shapes';
export * from './size';
export * from './slit';
export * from './stamps';
export * from './tidy';
export * from './transform';
export * from './turn';
export * from './underlay';
