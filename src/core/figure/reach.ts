import { pathsOfForm, type Form } from '../maker/form';
import { reachOf, type Reach } from '../symmetry/reach';
import type { Round } from './model';
import { remembered } from '../remembered';

/** The reach of one form; a drag asks for it many times a frame, so that of each form is kept. */
const reachOfForm = remembered((form: Form): Reach | null => reachOf(pathsOfForm(form)));

/** How near and far a round's motif reaches; null for an empty one. */
export function reachOfMotif(round: Round): Reach | null {
  let found: Reach | null = null;
  for (const { form, visible } of round.shapes) {
    const reach = visible ? reachOfForm(form) : null;
    if (!reach) continue;
    found = found
      ? { inner: Math.min(found.inner, reach.inner), outer: Math.max(found.outer, reach.outer) }
      : reach;
  }
  return found;
}
