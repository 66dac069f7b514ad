import type { Figure, Underlay, RoundId } from '../model';
import { setFold, setMirror } from './rounds';

/** Lays a picture under the Bench, changes parts of how it lies, or takes it away. */
export const setUnderlay = (figure: Figure, underlay: Underlay | null): Figure => ({ ...figure, underlay });

export const changeUnderlay = (figure: Figure, part: Partial<Underlay>): Figure =>
  figure.underlay ? { ...figure, underlay: { ...figure.underlay, ...part } } : figure;

/** Lays a picture that is a rosette so that it fits the wedge of a round, which gets its fold and mirror. */
export const layRosette = (
  figure: Figure,
  roundId: RoundId,
  underlay: Underlay,
  { fold, mirror }: { readonly fold: number; readonly mirror: boolean },
): Figure => setUnderlay(setMirror(setFold(figure, roundId, fold), roundId, mirror), underlay);
