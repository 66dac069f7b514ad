/** The time of one run, in milliseconds. */
export function once(work: () => unknown): number {
  const start = performance.now();
  work();
  return performance.now() - start;
}

/** The median time of some runs in milliseconds, after two that are not counted. */
export async function median(runs: number, work: () => unknown): Promise<number> {
  const times: number[] = [];
  for (let k = 0; k < runs + 2; k += 1) {
    const start = performance.now();
    await work();
    if (k >= 2) times.push(performance.now() - start);
  }
  return times.sort((a, b) => a - b)[Math.floor(times.length / 2)] ?? NaN;
}
