import { type Form, pathsOfForm } from '@/core/maker';
import { type Reach, reachOf } from '@/core/symmetry';
import { resolvedShapes } from './combined';
import type { Motif } from './groups';
import { rememberedWith } from '@/core/derive';

/** The reach of one form; a drag asks for it many times a frame, so that of each form is kept. */
const reachOfForm = rememberedWith((form: Form, work): Reach | null => reachOf(pathsOfForm(form, work)));

/** How near and far a round's motif reaches; null for an empty one. Kept as long as the motif is the same. */
export const reachOfMotif = rememberedWith((round: Motif, work): Reach | null => {
  let found: Reach | null = null;
  for (const { form, visible } of resolvedShapes(round, work)) {
    const reach = visible ? reachOfForm(form, work) : null;
    if (!reach) continue;
    found = found
      ? { inner: Math.min(found.inner, reach.inner), outer: Math.max(found.outer, reach.outer) }
      : reach;
  }
  return found;
});
