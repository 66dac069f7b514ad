const STEPS = 200;

interface Sample {
  readonly x: number;
  readonly y: number;
}

/** Where the line through two samples has a value, and as far again past it; NaN where it has it nowhere. */
function alongLine(a: Sample, b: Sample, value: number): readonly [number, number] {
  const to = b.x + ((value - b.y) * (a.x - b.x)) / (a.y - b.y);
  return [to, to + (to - b.x)];
}

/**
 * The parameter at which a function that falls past a value does so: a bracket, narrowed until it is as narrow as doubles
 * allow. What is given is its end at which the function has not fallen below the value, so that the answer is certified
 * on that side. The function may fall to −∞, as a gap does where curves cross. Each step tries where a line through the last two
 * values has it (the secant method), by turns as far again past that, so that both ends come near; where that does not
 * halve the bracket in three steps it is halved.
 * @param high a parameter at which it has fallen below the value
 */
export function bisected(f: (x: number) => number, value: number, low: number, high: number): number {
  let [kept, lost] = [low, high];
  let [width, since] = [Math.abs(high - low), 0];
  let last: readonly Sample[] = [];
  for (let k = 0; k < STEPS; k += 1) {
    const inside = (x: number): boolean => x > Math.min(kept, lost) && x < Math.max(kept, lost);
    const middle = (kept + lost) / 2;
    if (!inside(middle)) break;
    const [a, b] = last;
    const x = a && b && since < 3 ? alongLine(a, b, value)[since % 2] : middle;
    const at = x !== undefined && inside(x) ? x : middle;
    const y = f(at);
    if (y >= value) kept = at;
    else lost = at;
    if (Number.isFinite(y)) last = [...last.slice(-1), { x: at, y }];
    if (Math.abs(lost - kept) <= width / 2) [width, since] = [Math.abs(lost - kept), 0];
    else since = since === 3 ? 0 : since + 1;
  }
  return kept;
}
