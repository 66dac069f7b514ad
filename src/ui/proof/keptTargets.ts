import { useQuery, useQueryClient } from '@tanstack/react-query';

import type { OwnTarget } from '@/core/figure';
import { server } from '@/state';
import { say } from '@/ui/common';

const NONE: readonly OwnTarget[] = [];

/** Targets that are kept for all figures, and what keeps one, or keeps it no more. */
export function useKeptTargets() {
  const client = useQueryClient();
  const { data = NONE } = useQuery({ queryKey: ['targets'], queryFn: server.targets });
  const told = async (answer: Promise<readonly OwnTarget[]>): Promise<void> => {
    try {
      const targets = await answer;
      // A list that was asked for before and arrives after this would bring back what is changed.
      await client.cancelQueries({ queryKey: ['targets'] });
      client.setQueryData(['targets'], targets);
    } catch (error) {
      say(error, 'This target could not be kept for all figures.');
    }
  };
  return {
    kept: data,
    keep: (target: OwnTarget): void => void told(server.keepTarget(target)),
    drop: (id: string): void => void told(server.dropTarget(id)),
  };
}
