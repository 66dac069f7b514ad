import { useState } from 'react';

import { handLength } from '@/core/figure';
import { shownFigure } from '@/state';
import { useEditorState } from '@/ui/desk';

/** A length of a panel's own: so many of the page's hand length, until a person sets it. */
export function usePageLength(times: number): readonly [number, (length: number) => void] {
  const start = useEditorState((state) => times * handLength(shownFigure(state).page));
  const [own, setOwn] = useState<number | null>(null);
  return [own ?? start, setOwn];
}
