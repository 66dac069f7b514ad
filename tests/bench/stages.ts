import type { Page } from '@playwright/test';

import { type Figure, newFigure, newRound, newShape, START_PAINT } from '@/core/figure';
import { addShapes, setMerge } from '@/core/figure/commands';
import { petalOfSize } from '@/core/maker';
import { NO_TURN } from '@/core/number';
import { wholeAt } from '../e2e/hands';
import { inBrowser, percentile } from './browser';
import { keeping } from './kept';

/**
 * The main gesture of each stage in the built application, at three sizes of figure: from what a hand does (a move of the pointer, a press, a key)
 * to the end of the frame after it, in the middle of many. What comes after that frame (a merge that takes longer, findings) is not in it. A page that
 * only moves one dot is the reference, in the same browser and run.
 */
function figureOf(rounds: number, fold: number, shapes: number): Figure {
  return {
    ...newFigure('Stages', 'r0'),
    rounds: Array.from({ length: rounds }, (_, k) => ({
      ...newRound(`r${k}`, `Round ${k + 1}`, fold),
      shapes: Array.from({ length: shapes }, (_, n) => {
        const at = { x: 0, y: -10 - (60 * k) / rounds - (2 * n) / shapes };
        const params = petalOfSize(16, 300 / fold / (1 + n / 4));
        return newShape(
          `s${n}`,
          `Petal ${n + 1}`,
          { kind: 'petal', at, rotation: NO_TURN, params },
          START_PAINT,
        );
      }),
    })),
  };
}

const SIZES: readonly (readonly [string, Figure])[] = [
  ['small (24 copies)', figureOf(1, 8, 3)],
  ['middling (720 copies)', figureOf(4, 18, 10)],
  ['full (7200 copies)', figureOf(10, 36, 20)],
];

/** How far from the centre shapes of the front round are, and its fold. */
const frontOf = ({ rounds }: Figure): { readonly radius: number; readonly fold: number } => ({
  radius: 18 + (60 * (rounds.length - 1)) / rounds.length,
  fold: rounds[rounds.length - 1]?.rule.fold ?? 1,
});
type Front = ReturnType<typeof frontOf>;

interface Gesture {
  readonly stage: string;
  readonly what: string;
  /** The event that begins it. */
  readonly event: 'pointermove' | 'pointerup' | 'keydown';
  readonly change?: (figure: Figure) => Figure;
  readonly prepare?: (page: Page) => Promise<void>;
  readonly act: (page: Page, front: Front) => Promise<void>;
}

const front = (figure: Figure): string => figure.rounds[figure.rounds.length - 1]?.id ?? '';
const divided = (figure: Figure): Figure => setMerge(figure, front(figure), 'divide');

/** With petals in front that are too thin at any size, and one that is there twice, so that there are several things to find. */
const withFaults = (figure: Figure): Figure =>
  addShapes(
    figure,
    front(figure),
    [0, 1, 2, 2].map((k, n) =>
      newShape(
        `thin${n}`,
        `Thin ${n}`,
        {
          kind: 'petal',
          at: { x: 0, y: -70 - 4 * k },
          rotation: NO_TURN,
          params: petalOfSize(3, 0.05 + 0.01 * k),
        },
        START_PAINT,
      ),
    ),
  );

/** Drags on Whole from where a shape of the front round is, a little outward and to and fro. */
async function dragOnWhole(page: Page, { radius }: Front): Promise<void> {
  const { x, y } = await wholeAt(page, 0, radius);
  await page.mouse.move(x, y);
  await page.mouse.down();
  for (let k = 1; k <= 40; k += 1) await page.mouse.move(x + 12 * Math.sin(k / 4), y - k / 4);
  await page.mouse.up();
}

/** Presses on cells of the front round, one after another. */
async function pressOnCells(page: Page, { radius, fold }: Front): Promise<void> {
  const undo = page.getByRole('button', { name: 'Undo' });
  for (let k = 0; k < 8; k += 1) {
    // On the axis of another copy each time, and a little farther in, so that it is another kind.
    const [angle, r] = [(2 * Math.PI * Math.round((k * fold) / 8)) / fold, radius + 4 - k];
    const { x, y } = await wholeAt(page, r * Math.sin(angle), r * Math.cos(angle));
    await page.mouse.move(x, y);
    await page.waitForTimeout(150);
    await page.mouse.down();
    await page.mouse.up();
    await page.waitForTimeout(400);
    if (await undo.isDisabled()) throw new Error(`No cell was pressed ${r} from the centre.`);
    await page.keyboard.press('Control+z');
    await page.waitForTimeout(200);
  }
}

async function pressKeys(page: Page, keys: readonly string[]): Promise<void> {
  for (const key of keys) {
    await page.keyboard.press(key);
    await page.waitForTimeout(250);
  }
}

const GESTURES: readonly Gesture[] = [
  {
    stage: '1',
    what: 'Set out, a kite is drawn',
    event: 'pointermove',
    prepare: (page) => page.keyboard.press('y'),
    act: dragOnWhole,
  },
  {
    stage: '2',
    what: 'Draw, a shape is dragged',
    event: 'pointermove',
    prepare: (page) => page.keyboard.press('q'),
    act: dragOnWhole,
  },
  {
    stage: '2',
    what: 'Draw, a shape of a divided round is dragged',
    event: 'pointermove',
    change: divided,
    prepare: (page) => page.keyboard.press('q'),
    act: dragOnWhole,
  },
  {
    stage: '3',
    what: 'Turn, one copy more or fewer',
    event: 'keydown',
    act: (page) => pressKeys(page, [']', ']', ']', '[', '[', '[', ']', '[']),
  },
  {
    stage: '4',
    what: 'Merge, a kind of cells is removed',
    event: 'pointerup',
    change: divided,
    prepare: (page) => page.keyboard.press('e'),
    act: pressOnCells,
  },
  {
    stage: '5',
    what: 'Colour, a kind of cells is painted',
    event: 'pointerup',
    change: divided,
    prepare: (page) => page.keyboard.press('w'),
    act: pressOnCells,
  },
  {
    stage: '6',
    what: 'Proof, to the next finding and back',
    event: 'keydown',
    change: withFaults,
    prepare: (page) => page.keyboard.press('F6'),
    act: (page) => pressKeys(page, ['ArrowDown', 'ArrowDown', 'ArrowUp', 'ArrowDown', 'ArrowUp', 'ArrowUp']),
  },
];

const kept = keeping('stages');
await inBrowser(async ({ page, open, times, reference }) => {
  const unit = await reference();
  console.log(`one dot that follows the pointer: ${unit.toFixed(1)} ms from pointer to picture`);
  for (const { stage, what, event, change, prepare, act } of GESTURES)
    for (const [size, figure] of SIZES) {
      await open(change ? change(figure) : figure);
      await page.keyboard.press(stage);
      // Findings and cells are there, however slow the machine.
      await page.waitForTimeout(change || stage === '6' ? 6000 : 1200);
      await prepare?.(page);
      const taken = await times(event, () => act(page, frontOf(figure)));
      const middle = percentile(taken, 0.5);
      kept.add(`${what}, ${size}`, middle / unit);
      console.log(
        `${what}, ${size}: ${middle.toFixed(0)} ms in the middle of ${taken.length}, ` +
          `${percentile(taken, 0.95).toFixed(0)} ms at 95 %, ${(middle / unit).toFixed(1)} of the reference`,
      );
    }
});
await kept.write();
