import { useState } from 'react';

import type { Figure } from '@/core/figure';
import type { Drawing } from '@/core/format/drawing';
import { FIRST_ASKED, isSure } from './ReadRounds';
import { useRebuilt, type Asked, type Rebuilding } from './useRebuilt';

/** As it is drawn, or as rounds whose turns were read of it. */
type TakenAs = 'drawn' | 'rounds';

export interface TakenAsState extends Rebuilding {
  readonly as: TakenAs;
  /** False while what was asked for is still read. */
  readonly isThere: boolean;
  readonly setAs: (as: TakenAs) => void;
  readonly asked: Asked;
  readonly setAsked: (asked: Asked) => void;
}

/**
 * How a drawing is taken: as rounds by itself where nearly all of it goes round and the file does not say so itself.
 * @param drawn the figure of the drawing as it is; null where it is a motif unless a person says otherwise
 */
export function useTakenAs(drawing: Drawing, name: string, drawn: Figure | null): TakenAsState {
  const [chosen, setAs] = useState<TakenAs | null>(null);
  const [asked, setAsked] = useState(FIRST_ASKED);
  // Who takes it as it is drawn waits for nothing.
  const rebuilding = useRebuilt(
    (chosen ?? (drawn ? 'rounds' : 'drawn')) === 'drawn' ? null : drawing,
    name,
    asked,
  );
  const { rebuilt } = rebuilding;
  const isWritten = drawn?.rounds.some(({ rule }) => rule.fold > 1) ?? true;
  const byItself = rebuilt && isSure(rebuilt.told) && !isWritten ? 'rounds' : 'drawn';
  const as = chosen ?? byItself;
  const isThere = as === 'drawn' || (rebuilt !== null && rebuilding.share === null);
  return { ...rebuilding, as, isThere, setAs, asked, setAsked };
}
