/**
 * Which shapes of a round are woven, and as what: lines with a stroke as the bands that they are seen as, closed bands by the line in
 * their middle.
 *
 * @example
 * wovenShapes(round, work).map((shape) => wovenBand(shape, work)?.width);
 */
import type { Path } from '@/core/curve';
import { rememberedWith, type Work } from '@/core/derive';
import { middleOfBand, pathsOfForm } from '@/core/maker';
import { type BandCap, type BandJoin, spineOfBand } from '@/core/merge';
import { isLine, resolvedShapes } from './combined';
import type { Round, Shape } from './model';

interface WovenBand {
  /** The line in the middle of a closed band; null where the shape is that line. */
  readonly spine: readonly Path[] | null;
  readonly width: number;
  readonly cap: BandCap;
  readonly join: BandJoin;
}

/** What a shape is woven as; null where it is neither a line nor a band of one width. */
export const wovenBand = rememberedWith((shape: Shape, work): WovenBand | null => {
  const { form, paint, visible } = shape;
  if (isLine(shape) && paint.stroke) return { spine: null, ...paint.stroke };
  if (!visible || paint.fill === null) return null;
  const middle = middleOfBand(form);
  if (middle && form.kind === 'band') return { spine: middle.paths, ...form.params, width: middle.width };
  const spine = spineOfBand(pathsOfForm(form, work));
  return spine && { spine: [spine.path], width: spine.width, cap: 'butt', join: 'miter' };
});

/** The shapes of a round that its weave takes: its lines, and where it weaves areas its bands too. */
export function wovenShapes(round: Round, work: Work): readonly Shape[] {
  // What is trimmed to the wedge is a band no more.
  const takesAreas = round.merge?.weave?.areas === true && round.edge !== 'trim';
  return resolvedShapes(round, work).filter(
    (shape) => isLine(shape) || (takesAreas && wovenBand(shape, work) !== null),
  );
}
