import { proxy, wrap, type Remote } from 'comlink';

import type { Figure } from '@/core/figure';
import type { Proved, Target } from '@/core/proof';
import type { ProofDoor } from './proof.worker';

/** What came of a proof: null where it was stopped. */
type Answer = Proved | { readonly problem: string } | null;

/** Proofs in a worker, the newest only: what is asked for while one is under way begins when it is done. */
export interface Prover {
  prove(figure: Figure, target: Target, progress: (share: number) => void): Promise<Answer>;
  /** Ends what is under way at once; what it kept is lost. */
  stop(): void;
}

export function createProver(): Prover {
  let worker: Worker | null = null;
  let door: Remote<ProofDoor> | null = null;
  let end = (): void => undefined;
  return {
    prove: async (figure, target, progress) => {
      worker ??= new Worker(new URL('./proof.worker.ts', import.meta.url), { type: 'module' });
      door ??= wrap<ProofDoor>(worker);
      const stopped = new Promise<null>((resolve) => (end = () => resolve(null)));
      const made = door.prove(figure, target, proxy(progress)).catch((error: unknown): Answer => ({
        problem: error instanceof Error ? error.message : 'It could not be proofed.',
      }));
      return Promise.race([made, stopped]);
    },
    stop: () => {
      worker?.terminate();
      worker = null;
      door = null;
      end();
    },
  };
}
