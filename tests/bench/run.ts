import { petalOfSize } from '@/core/maker';
import { STRAIGHT } from '@/core/derive';
import { evaluate, type Figure, newFigure, newShape, START_PAINT } from '@/core/figure';
import { addShapes, setFold } from '@/core/figure/commands';
import { DEFAULT_SVG } from '@/core/format/svg/svg';
import { svgOf } from '@/core/format/svg';
import { plainBend } from '@/core/bend';
import { bentPaths } from '@/core/bend/bentPaths';
import { cubic, type Path } from '@/core/curve';
import { NO_TURN, turn } from '@/core/number';
import { benchEngine } from './engine';
import { keeping } from './kept';
import { benchMerging } from './merging';
import { benchProving } from './proving';
import { benchRebuilding } from './rebuilding';
import { median } from './timing';

/** A fixed piece of arithmetic: all times are given as multiples of it, taken in the same run. */
function reference(): number {
  let sum = 0;
  for (let k = 1; k < 2_000_000; k += 1) sum += Math.sqrt(k) / (k + sum);
  return sum;
}

const petal = {
  kind: 'petal',
  at: { x: 0, y: 0 },
  rotation: NO_TURN,
  params: petalOfSize(80, 30),
} as const;

/** A motif of 20 petals of different widths, turned `fold` times. */
function motif(fold: number): Figure {
  const shapes = Array.from({ length: 20 }, (_, k) =>
    newShape(`s${k}`, 'Petal', { ...petal, params: petalOfSize(80, 4 + k) }, START_PAINT),
  );
  return setFold(addShapes(newFigure('Bench', 'a'), 'a', shapes), 'a', fold);
}

const unit = await median(9, reference);
console.log(`reference loop: 1.00 (${unit.toFixed(2)} ms on this machine)`);
const kept = keeping('core');
const report = (name: string, time: number): void => {
  console.log(`${name}: ${(time / unit).toFixed(3)} of the reference (${time.toFixed(2)} ms here)`);
  kept.add(name, time / unit);
};

for (const fold of [12, 60, 360, 720]) {
  const figure = motif(fold);
  let width = 10;
  const edited = (): Figure => {
    width = width === 10 ? 11 : 10;
    const shape = newShape('s0', 'Petal', { ...petal, params: petalOfSize(80, width) }, START_PAINT);
    const [round] = figure.rounds;
    return round ? { ...figure, rounds: [{ ...round, shapes: [shape, ...round.shapes.slice(1)] }] } : figure;
  };
  report(
    `edit to display list, 20 shapes, fold ${fold}`,
    await median(41, () => evaluate(edited(), new Map(), STRAIGHT)),
  );
  const scene = evaluate(figure, new Map(), STRAIGHT);
  report(`compact SVG, 20 shapes, fold ${fold}`, await median(21, () => svgOf(scene, DEFAULT_SVG)));
}
/** A wavy line of so many cubics, as a strip that is swelled and waved: nothing of it is exact. */
const wavy = (count: number): Path => ({
  closed: false,
  segments: Array.from({ length: count }, (_, k) => {
    const x = -100 + (200 * k) / count;
    const step = 200 / count;
    return cubic(
      { x, y: -5 },
      { x: x + step / 3, y: -5 - (k % 3) },
      { x: x + (2 * step) / 3, y: -5 + (k % 4) },
      { x: x + step, y: -5 },
    );
  }),
});
const bend = {
  ...plainBend({ left: -100, right: 100, top: -10, bottom: 0 }, turn(1, 3)),
  radius: 90,
  swell: 0.4,
  wave: 2,
};
for (const count of [50, 500])
  report(`a strip of ${count} cubics bent`, await median(9, () => bentPaths([wavy(count)], bend)));
await benchProving(report);
await benchRebuilding(report);
await benchMerging(report);
await benchEngine(unit);
await kept.write();
