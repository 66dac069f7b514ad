/**
 * In which windows figures are open: each tells it again and again, and one that is silent for a while is gone. Nothing is decided by
 * it; who saves first is decided by revisions.
 */

/** How long a window counts that tells nothing, in milliseconds: twice as long as they wait, and some. */
const COUNTS_FOR = 40_000;

// Kept on globalThis so that routes that are bundled apart know of one another's.
const kept = globalThis as { cyclogonWindows?: Map<string, Map<string, number>> };
const windows = (): Map<string, Map<string, number>> => (kept.cyclogonWindows ??= new Map());

/** Windows that are there, of one figure. */
function present(id: string, now: number): Map<string, number> {
  const all = windows().get(id) ?? new Map<string, number>();
  for (const [name, told] of all) if (now - told > COUNTS_FOR) all.delete(name);
  if (all.size === 0) windows().delete(id);
  return all;
}

/** Notes that a window has a figure open. @returns how many others have */
export function noteOpen(id: string, name: string, now = Date.now()): number {
  const all = present(id, now);
  all.set(name, now);
  windows().set(id, all);
  return all.size - 1;
}

/** Notes that a window has closed a figure. */
export function noteClosed(id: string, name: string): void {
  const all = windows().get(id);
  all?.delete(name);
  if (all?.size === 0) windows().delete(id);
}

/** In how many windows each figure is open. */
export function openWindows(now = Date.now()): Readonly<Record<string, number>> {
  const counts = [...windows().keys()].map((id) => [id, present(id, now).size] as const);
  return Object.fromEntries(counts.filter(([, count]) => count > 0));
}
