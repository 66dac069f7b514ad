import { readFigure } from '@/core/format/figure';
import { readFileSync } from 'node:fs';
import { wholeAt } from '../e2e/hands';
import { made } from '../help/made';
import { inBrowser } from './browser';

/**
 * The memory of a page over an hour of work, or as many minutes as `--minutes` says: shapes drawn and taken back, folds changed, cells painted, stages gone
 * through, the proof looked at. Each minute the heap after a collection is told, with the page's workers and its nodes in the document. What grows
 * from the second third to the last is told at the end; it should be no more than the history that the page holds.
 */
const at = process.argv.indexOf('--minutes');
const minutes = at > 0 ? Number(process.argv[at + 1]) : 60;

interface Sample {
  readonly minute: number;
  /** Megabytes. */
  readonly heap: number;
  readonly nodes: number;
  readonly workers: number;
}

const mean = (values: readonly number[]): number =>
  values.reduce((sum, value) => sum + value, 0) / Math.max(1, values.length);

await inBrowser(async ({ page, open }) => {
  const figure = made(readFigure(readFileSync('demo/data/kelp-crown.json', 'utf8')));
  await open(figure);
  const session = await page.context().newCDPSession(page);
  const sample = async (minute: number): Promise<Sample> => {
    await session.send('HeapProfiler.collectGarbage');
    const { usedSize } = await session.send('Runtime.getHeapUsage');
    const { nodes } = await session.send('Memory.getDOMCounters');
    return { minute, heap: usedSize / 1e6, nodes, workers: page.workers().length };
  };
  /** A round of work that leaves the figure as it was. */
  const work = async (turn: number): Promise<void> => {
    const place = (k: number): Promise<{ x: number; y: number }> =>
      wholeAt(page, 40 * Math.sin(turn + k), 40 * Math.cos(turn + k));
    for (const stage of ['1', '2', '3', '4', '5', '6', '2']) {
      await page.keyboard.press(stage);
      await page.waitForTimeout(150);
    }
    await page.keyboard.press('y');
    const [from, to] = [await place(0), await place(0.4)];
    await page.mouse.move(from.x, from.y);
    await page.mouse.down();
    await page.mouse.move(to.x, to.y, { steps: 12 });
    await page.mouse.up();
    await page.keyboard.press(']');
    await page.waitForTimeout(400);
    await page.keyboard.press('5');
    await page.keyboard.press('w');
    for (let k = 0; k < 4; k += 1) {
      const { x, y } = await place(k);
      await page.mouse.click(x, y);
      await page.waitForTimeout(120);
    }
    await page.keyboard.press('q');
    for (let k = 0; k < 6; k += 1) await page.keyboard.press('Control+z');
    await page.waitForTimeout(300);
  };
  const samples: Sample[] = [];
  const began = Date.now();
  for (let turn = 0, minute = 0; minute <= minutes; turn += 1) {
    await work(turn);
    const now = (Date.now() - began) / 60_000;
    if (now < minute) continue;
    const taken = await sample(minute);
    samples.push(taken);
    console.log(
      `minute ${minute}: heap ${taken.heap.toFixed(1)} MB, ${taken.nodes} nodes, ${taken.workers} workers, ${turn + 1} rounds of work`,
    );
    minute = Math.floor(now) + 1;
  }
  const third = Math.floor(samples.length / 3);
  const [second, last] = [samples.slice(third, 2 * third), samples.slice(2 * third)].map((part) =>
    mean(part.map(({ heap }) => heap)),
  );
  console.log(
    `The heap went from ${second?.toFixed(1) ?? '?'} MB in the second third to ${last?.toFixed(1) ?? '?'} MB in the last.`,
  );
});
