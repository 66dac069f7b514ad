import { expose } from 'comlink';

import type { Figure } from '@/core/figure';
import { createProving, type Proved, type Target } from '@/core/proof';

/** The browser's door to the proof; it keeps what it worked out from one time to the next. */
class ProofDoor {
  private readonly proving = createProving();

  prove(figure: Figure, target: Target, progress: (share: number) => void): Promise<Proved> {
    return this.proving.prove(figure, target, { facts: true, progress });
  }
}

export type { ProofDoor };

expose(new ProofDoor());
