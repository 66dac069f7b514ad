import { compose as composed, fromDefinition, fromTransformAttribute } from 'transformation-matrix';

import { type Affine, IDENTITY } from '@/core/curve';
import { UnreadablePart } from './unreadable';

/** Angles in degrees and lengths in pixels may be written with their units in style sheets. */
const withoutUnits = (text: string): string => text.replace(/([\d.])(deg|px)\b/g, '$1');

/** The map of a transform; null where there is none. @throws UnreadablePart */
export function transformIn(text: string | undefined): Affine | null {
  if (!text?.trim() || text.trim() === 'none') return null;
  try {
    const map = composed(fromDefinition(fromTransformAttribute(withoutUnits(text))));
    if (Object.values(map).every((each) => Number.isFinite(each))) return map;
  } catch {
    // Said below, as for numbers that are none.
  }
  throw new UnreadablePart(`The transform “${text.slice(0, 60)}” cannot be read.`);
}

export const mapOf = (text: string | undefined): Affine => transformIn(text) ?? IDENTITY;
