const STEPS = 200;

/**
 * The parameter at which a function that falls past a value does so: a bracket, halved until it is as narrow as doubles
 * allow. What is given is its end at which the function has not fallen below the value, so that the answer is certified
 * on that side.
 * @param high a parameter at which it has fallen below the value
 */
export function bisected(f: (x: number) => number, value: number, low: number, high: number): number {
  let [kept, lost] = [low, high];
  for (let k = 0; k < STEPS; k += 1) {
    const middle = (kept + lost) / 2;
    if (middle <= Math.min(kept, lost) || middle >= Math.max(kept, lost)) break;
    if (f(middle) >= value) kept = middle;
    else lost = middle;
  }
  return kept;
}
