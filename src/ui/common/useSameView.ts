import { useMemo } from 'react';

import type { View } from '@/state';

/** The same view object as long as it says the same, so that what hangs on it stays as it is. */
export function useSameView({ scale, x, y }: View): View {
  return useMemo(() => ({ scale, x, y }), [scale, x, y]);
}
