import { arrange, FULL_TOLERANCE } from '@/core/arrangement';
import { fromPolar, line, pathOfNodes, turnMap } from '@/core/curve';
import { mergeNow, type MergeShape } from '@/core/merge';
import { turn } from '@/core/number';
import { iconMotif, iconNames } from '../help/icons';
import { coveredArea, requestOf } from '../help/identities';
import { circle } from '../help/motifs';
import { asymmetry } from '../help/symmetry';
import { OutOfPatience, PATIENCE, references, type Reference } from './libraries';
import { median, once } from './timing';

const mapsOf = (fold: number) => Array.from({ length: fold }, (_, k) => turnMap(turn(k, fold)));

const say = (text: string): void => console.log(text);

interface Best {
  readonly name: string;
  readonly time: number;
  /** How many motifs it got through: the first ones. */
  readonly done: number;
}

/** The best median of the references over motifs, on the motifs that they all got through in time. */
function bestOf(
  libraries: readonly Reference[],
  motifs: readonly (readonly MergeShape[])[],
  work: (library: Reference, motif: readonly MergeShape[]) => unknown,
): { best: Best; lines: string[] } {
  const lines: string[] = [];
  let best: Best = { name: 'none', time: Infinity, done: 0 };
  for (const library of libraries) {
    const times: number[] = [];
    let failed = 0;
    let late = '';
    const until = performance.now() + PATIENCE;
    for (const shapes of motifs) {
      if (performance.now() > until) break;
      try {
        times.push(once(() => work(library, shapes)));
      } catch (error) {
        if (error instanceof OutOfPatience) {
          times.push(error.milliseconds);
          late = ', not done in that time';
        } else failed += 1;
      }
    }
    const time = middle(times);
    lines.push(`${library.name} ${time.toFixed(1)} ms (${times.length} done, ${failed} failed${late})`);
    if (time < best.time) best = { name: library.name, time, done: times.length };
  }
  return { best, lines };
}

const middle = (times: readonly number[]): number =>
  [...times].sort((a, b) => a - b)[Math.floor(times.length / 2)] ?? Infinity;

/** A union as the interface asks for it while something is drawn: as the libraries, the outline alone. */
const unite = (fold: number, shapes: readonly MergeShape[]) =>
  mergeNow({ ...requestOf(fold, false, shapes), outlineOnly: true });

async function unions(libraries: readonly Reference[]): Promise<void> {
  const names = iconNames();
  const motifs = names.filter((_, k) => k % Math.ceil(names.length / 60) === 0).map(iconMotif);
  for (const fold of [6, 12, 60, 360]) {
    for (const shapes of motifs) unite(fold, shapes);
    const times = motifs.map((shapes) => once(() => unite(fold, shapes)));
    const time = middle(times);
    const maps = mapsOf(fold);
    const { best, lines } = bestOf(libraries, motifs, (library, shapes) => library.union(shapes, maps));
    say(`union of ${motifs.length} icons, fold ${fold}: ours ${time.toFixed(2)} ms; ${lines.join('; ')}`);
    say(
      `  best reference (${best.name}) / ours on the same ${best.done}: ${(best.time / middle(times.slice(0, best.done))).toFixed(1)}`,
    );
  }
  // Turn and turn about, so that a slow stretch of the machine falls on both.
  const growths = motifs.map((shapes) => {
    const best = new Map([12, 360].map((fold) => [fold, Infinity]));
    for (let run = 0; run < 5; run += 1)
      for (const [fold, time] of best)
        best.set(
          fold,
          Math.min(
            time,
            once(() => unite(fold, shapes)),
          ),
        );
    return (best.get(360) ?? NaN) / (best.get(12) ?? NaN);
  });
  say(`  union at fold 360 / at fold 12, median: ${middle(growths).toFixed(2)}`);
  return Promise.resolve();
}

async function divisions(libraries: readonly Reference[]): Promise<void> {
  const own = new Map<number, number>();
  for (const fold of [6, 12, 60, 360]) {
    const shape: MergeShape = { paths: [circle(0, -50, 50)], rule: 'nonzero' };
    const time = await median(15, () => mergeNow(requestOf(fold, false, [shape], 'divide')));
    own.set(fold, time);
    const cells = mergeNow(requestOf(fold, false, [shape], 'divide')).facts.cells;
    const maps = mapsOf(fold);
    const { best, lines } =
      fold <= 60
        ? bestOf(libraries, [[shape]], (library, [each]) => each && library.divide?.(each, maps))
        : { best: { name: 'none', time: NaN, done: 0 }, lines: ['no reference was let run'] };
    say(
      `divide ${fold} circles through the centre (${cells} cells): ours ${time.toFixed(2)} ms; ${lines.join('; ')}`,
    );
    if (fold <= 60) say(`  best reference (${best.name}) / ours: ${(best.time / time).toFixed(1)}`);
  }
  say(`  divide at fold 360 / at fold 12: ${((own.get(360) ?? NaN) / (own.get(12) ?? NaN)).toFixed(2)}`);
}

/** Every pair of chords of a regular n-gon tested for crossing, and no more: what any plain way does at least. */
function naiveCrossings(n: number): number {
  const corner = (k: number) => fromPolar(1, (360 * k) / n);
  const chords: number[] = [];
  for (let a = 0; a < n; a += 1)
    for (let b = a + 1; b < n; b += 1) chords.push(corner(a).x, corner(a).y, corner(b).x, corner(b).y);
  const c = Float64Array.from(chords);
  const side = (i: number, x: number, y: number): number => {
    const [x0, y0, x1, y1] = [c[i] as number, c[i + 1] as number, c[i + 2] as number, c[i + 3] as number];
    return (x1 - x0) * (y - y0) - (y1 - y0) * (x - x0);
  };
  let crossings = 0;
  for (let i = 0; i < c.length; i += 4)
    for (let j = i + 4; j < c.length; j += 4) {
      const a = side(i, c[j] as number, c[j + 1] as number) * side(i, c[j + 2] as number, c[j + 3] as number);
      const b = side(j, c[i] as number, c[i + 1] as number) * side(j, c[i + 2] as number, c[i + 3] as number);
      if (a < 0 && b < 0) crossings += 1;
    }
  return crossings;
}

async function diagonals(): Promise<void> {
  const n = 60;
  const corner = (k: number) => fromPolar(100, (360 * k) / n);
  const contours = Array.from({ length: n - 1 }, (_, k) => ({
    closed: false,
    segments: [line(corner(0), corner(k + 1))],
  }));
  let cells = 0;
  let kinds = 0;
  let peak = 0;
  const divide = (mirror: boolean): void => {
    const steps = arrange({
      fold: n,
      mirror,
      tolerance: FULL_TOLERANCE,
      members: 1,
      paths: [{ contours, rule: 'line', member: 0 }],
    });
    for (;;) {
      const step = steps.next();
      peak = Math.max(peak, process.memoryUsage().rss);
      if (!step.done) continue;
      cells = step.value.cellCount;
      kinds = step.value.cellKinds().length;
      return;
    }
  };
  for (const mirror of [false, true]) {
    const time = await median(9, () => divide(mirror));
    const naive = await median(3, () => naiveCrossings(n));
    say(
      `${n}-gon with all diagonals, ${mirror ? 'mirrored' : 'turned'}: ${cells} cells of ${kinds} kinds in ${time.toFixed(1)} ms; ` +
        `a naive crossing count of its chords ${naive.toFixed(1)} ms, ${(naive / time).toFixed(2)} of it; ` +
        `highest resident memory of the whole process so far ${(peak / 1e6).toFixed(0)} MB`,
    );
  }
}

async function drag(unit: number): Promise<void> {
  // 60 nodes round a wavy blob that reaches over its wedge.
  const at = (k: number, by: number) => {
    const angle = (2 * Math.PI * k) / 60;
    const r = 14 + 3 * Math.sin(7 * angle) + by;
    return { x: r * Math.cos(angle) * 0.6, y: -50 + r * Math.sin(angle) };
  };
  let by = 0;
  const motif = (): MergeShape => {
    by = by === 0 ? 0.5 : 0;
    const nodes = Array.from({ length: 60 }, (_, k) => {
      const p = at(k, k === 7 ? by : 0);
      const along = at(k + 0.3, 0);
      const h = { x: (along.x - at(k, 0).x) * 1.1, y: (along.y - at(k, 0).y) * 1.1 };
      return {
        ...p,
        kind: 'smooth' as const,
        out: { x: p.x + h.x, y: p.y + h.y },
        in: { x: p.x - h.x, y: p.y - h.y },
      };
    });
    return { paths: [pathOfNodes(nodes, true)], rule: 'nonzero' };
  };
  for (const fold of [12, 120, 360]) {
    const time = await median(41, () => unite(fold, [motif()]));
    say(
      `union of 60 nodes dragged, fold ${fold}: ${time.toFixed(2)} ms, ${(time / unit).toFixed(3)} of the reference loop`,
    );
  }
}

/** All filled icons: how many end in an exception, with a wrong area, or not symmetric to 1e-12. */
function corpus(): void {
  const names = iconNames();
  for (const fold of [5, 12, 60]) {
    let [exceptions, wrong, asymmetric, unlike] = [0, 0, 0, 0];
    const time = once(() => {
      for (const name of names) {
        const shapes = iconMotif(name);
        try {
          const merged = mergeNow(requestOf(fold, false, shapes));
          const cells = coveredArea(merged, (depth) => (depth > 0 ? 1 : 0));
          const outline = unite(fold, shapes);
          if (Math.abs(merged.facts.area / cells - 1) > 1e-6) wrong += 1;
          if (Math.abs(outline.facts.area / merged.facts.area - 1) > 1e-9) unlike += 1;
          if (asymmetry(merged, fold, false) > 1e-12) asymmetric += 1;
        } catch {
          exceptions += 1;
        }
      }
    });
    say(
      `all ${names.length} icons, fold ${fold}: ${exceptions} exceptions, ${wrong} wrong areas, ${asymmetric} asymmetric, ` +
        `${unlike} outlines unlike those with cells (${(time / 1000).toFixed(1)} s)`,
    );
  }
}

/** The engine against three libraries and against itself. */
export async function benchEngine(unit: number): Promise<void> {
  await diagonals();
  await drag(unit);
  corpus();
  const libraries = await references();
  await unions(libraries);
  await divisions(libraries);
}
