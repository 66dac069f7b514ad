import type { Figure, Underlay } from '../model';

/** Lays a picture under the Bench, changes parts of how it lies, or takes it away. */
export const setUnderlay = (figure: Figure, underlay: Underlay | null): Figure => ({ ...figure, underlay });

export const changeUnderlay = (figure: Figure, part: Partial<Underlay>): Figure =>
  figure.underlay ? { ...figure, underlay: { ...figure.underlay, ...part } } : figure;
