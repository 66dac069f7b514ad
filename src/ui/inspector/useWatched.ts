import { useState } from 'react';

import type { Watch } from '@/ui/desk';

/** Work that is under way: how far it is, and how to stop it once it can be. */
export interface Watched {
  readonly share: number;
  readonly stop: (() => void) | null;
}

/** Work of one kind at a time, of which the panel shows how far it is. */
export function useWatched(): {
  readonly work: Watched | null;
  readonly run: (what: (watch: Watch) => Promise<void>) => void;
} {
  const [work, setWork] = useState<Watched | null>(null);
  const run = async (what: (watch: Watch) => Promise<void>): Promise<void> => {
    setWork({ share: 0, stop: null });
    await what({
      progress: (share) => setWork((now) => now && { ...now, share }),
      started: (stop) => setWork((now) => ({ share: now?.share ?? 0, stop })),
    });
    setWork(null);
  };
  return { work, run: (what) => void run(what) };
}
