/**
 * Work that may wait until the page has time for it.
 *
 * @example
 * const cancel = whenCalm(() => follow());
 */

/** How long what follows a drag waits, and how much longer while the page is busy with the drag itself, in milliseconds. */
const CALM = 150;
const BUSY = 250;

/** Does something after a while, once the page has nothing else to do or after a while more. @returns how not to do it */
export function whenCalm(act: () => void): () => void {
  let idle = 0;
  const timer = setTimeout(() => {
    // Not every browser tells when it is idle.
    if (typeof requestIdleCallback === 'undefined') act();
    else idle = requestIdleCallback(act, { timeout: BUSY });
  }, CALM);
  return () => {
    clearTimeout(timer);
    if (idle) cancelIdleCallback(idle);
  };
}
