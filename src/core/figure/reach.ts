import { pathsOfForm, type Form } from '../maker/form';
import { reachOf, type Reach } from '../symmetry/reach';
import type { Round } from './model';

const reachOfForms = new WeakMap<Form, Reach | null>();

/** The reach of one form; a drag asks for it many times a frame, so that of each form is kept. */
function reachOfForm(form: Form): Reach | null {
  const known = reachOfForms.get(form);
  if (known !== undefined) return known;
  const reach = reachOf(pathsOfForm(form));
  reachOfForms.set(form, reach);
  return reach;
}

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
