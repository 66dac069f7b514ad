import { addShapes, setFold, setMerge } from '@/core/figure/commands';
import { type Figure, newFigure, newShape, START_PAINT } from '@/core/figure';
import { inBrowser, percentile } from './browser';
import { keeping } from './kept';

/**
 * Twenty thousand cells in the built application: from a move of the pointer to the cells lit, from a press of Paint, from undo and from a
 * command for all cells to the frame in which both panes show it, first as it can be and then drawn clean. The reference is a page that
 * only moves one dot, in the same browser and run.
 */
function circles(fold: number): Figure {
  const form = {
    kind: 'ellipse',
    at: { x: 0, y: -40 },
    rotation: { num: 0, den: 1 },
    params: { width: 80, height: 80 },
  } as const;
  const shape = newShape('c', 'Circle', form, START_PAINT);
  return setMerge(setFold(addShapes(newFigure('Cells', 'r'), 'r', [shape]), 'r', fold), 'r', 'divide');
}

/** Takes the time of each picture that a pane gets, on its canvas or as what lies over that meanwhile, by the pane, since an event of a kind. */
const pictures = (type: string): string => `(() => {
  window.pictures = [];
  let began = 0;
  window.addEventListener('${type}', () => { began = performance.now(); }, { capture: true, once: true });
  const own = ImageBitmapRenderingContext.prototype;
  window.transfer ??= own.transferFromImageBitmap;
  const take = (element) => {
    const { pane } = element.closest('[data-pane]').dataset;
    requestAnimationFrame(() => { const { port1, port2 } = new MessageChannel(); port1.onmessage = () => window.pictures.push([pane, performance.now() - began]); port2.postMessage(0); });
  };
  own.transferFromImageBitmap = function (bitmap) {
    window.transfer.call(this, bitmap);
    take(this.canvas);
  };
  window.ahead?.disconnect();
  window.ahead = new MutationObserver((changes) => {
    for (const { addedNodes } of changes)
      for (const node of addedNodes) if (node.dataset?.testid === 'cells-ahead') take(node);
  });
  window.ahead.observe(document.body, { childList: true, subtree: true });
})()`;

const kept = keeping('cells');
await inBrowser(async ({ page, open, times, reference }) => {
  const unit = await reference();
  console.log(`one dot that follows the pointer: ${unit.toFixed(1)} ms from pointer to picture`);
  await open(circles(200));
  await page.keyboard.press('5');
  await page.waitForTimeout(3000);
  await page.getByRole('button', { name: /^Paint/ }).click();
  const pane = await page.locator('[data-pane=whole]').boundingBox();
  if (!pane) throw new Error('Whole is not on the screen.');
  const at = (k: number): [number, number] => [
    pane.x + pane.width / 2 + 20 + 5 * k,
    pane.y + pane.height / 2 + 3 * k,
  ];
  const report = (name: string, taken: readonly number[]): void => {
    kept.add(name, percentile(taken, 0.5) / unit);
    console.log(
      `${name}: ${percentile(taken, 0.5).toFixed(0)} ms in the middle of ${taken.length}, ` +
        `${percentile(taken, 0.95).toFixed(0)} ms at 95 %, ${(percentile(taken, 0.5) / unit).toFixed(1)} of the reference`,
    );
  };

  const hovers = await times('pointermove', async () => {
    for (let k = 0; k < 30; k += 1) {
      await page.mouse.move(...at(k));
      await page.waitForTimeout(150);
    }
  });
  report('a cell lights up with its kind', hovers);

  /** When both panes showed what changed, and when both had it clean. */
  const drawn = async (type: string, act: () => Promise<void>): Promise<[number, number]> => {
    await page.evaluate(pictures(type));
    await act();
    await page.waitForTimeout(1800);
    const taken: [string, number][] = await page.evaluate('window.pictures');
    const panes = [...new Set(taken.map(([pane]) => pane))].map((pane) =>
      taken.filter((each) => each[0] === pane).map(([, time]) => time),
    );
    if (panes.length < 2) throw new Error('A pane was not drawn anew.');
    return [
      Math.max(...panes.map((each) => Math.min(...each))),
      Math.max(...panes.map((each) => Math.max(...each))),
    ];
  };
  const both = (name: string, taken: readonly (readonly [number, number])[]): void => {
    report(
      `${name}, seen`,
      taken.map(([seen]) => seen),
    );
    report(
      `${name}, clean`,
      taken.map(([, clean]) => clean),
    );
  };
  const painted: [number, number][] = [];
  for (let k = 0; k < 8; k += 1) {
    await page.mouse.move(...at(2 + 3 * k));
    await page.waitForTimeout(300);
    painted.push(
      await drawn('pointerdown', async () => {
        await page.mouse.down();
        await page.mouse.up();
      }),
    );
  }
  both('a kind is painted', painted);
  const undone: [number, number][] = [];
  for (let k = 0; k < 7; k += 1) undone.push(await drawn('keydown', () => page.keyboard.press('Control+z')));
  both('undone', undone);
  const coloured: [number, number][] = [];
  for (let k = 0; k < 5; k += 1) {
    coloured.push(await drawn('click', () => page.getByRole('button', { name: 'Colour cells' }).click()));
    await page.keyboard.press('Control+z');
    await page.waitForTimeout(1200);
  }
  both('all are coloured', coloured);
});
await kept.write();
