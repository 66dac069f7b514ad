import { expect, test, type Page, type Locator } from '@playwright/test';
import sharp from 'sharp';

import { addShapes, setFold } from '@/core/figure/commands';
import { type Figure, newFigure, newShape } from '@/core/figure';
import { NO_TURN } from '@/core/number';
import { difference } from '../help/pictures';
import { opened, stored, unstored, whole, wholeAt } from './hands';

const circle = (id: string, y: number, size: number, fill: string) =>
  newShape(
    id.replace(' ', '-'),
    id,
    { kind: 'ellipse', at: { x: 0, y }, rotation: NO_TURN, params: { width: size, height: size } },
    { fill, stroke: null },
  );

/** A ring of overlapping copies, and inside of it some thousand small circles that it never meets. */
const full = (): Figure =>
  setFold(
    addShapes(newFigure('Full', 'a'), 'a', [
      ...Array.from({ length: 40 }, (_, k) =>
        circle(`Seed ${k}`, -6 - 0.8 * k, 2.4, k % 2 ? '#1f8a70' : '#e9b44c'),
      ),
      circle('Outer', -64, 22, '#d9512c'),
      circle('Inner', -64, 12, '#123b4a'),
    ]),
    'a',
    36,
  );

/** Whole's artwork alone, as it is on the screen. */
async function artwork(page: Page): Promise<Uint8Array> {
  await page.addStyleTag({
    content: '[data-pane] > svg { visibility: hidden } [data-pane] ~ * { visibility: hidden }',
  });
  const shot = await page.screenshot({ clip: (await whole(page).boundingBox())! });
  await page.evaluate(() => document.head.lastElementChild?.remove());
  return sharp(shot).ensureAlpha().raw().toBuffer();
}

test('what stands still keeps its picture while a shape is moved, and Whole shows what it shows without that', async ({
  page,
}) => {
  const id = await stored(page, full());
  await page.goto(`/figures/${id}`);
  await opened(page);
  const inspector = page.getByLabel('Inspector');
  await expect(page.locator('[data-still]')).toHaveCount(0);
  const before = await artwork(page);

  // With the inner circle selected the seeds are a picture of their own, in both panes; with a seed none is.
  await inspector.getByRole('button', { name: 'Select Inner' }).click();
  await expect(page.locator('[data-still]')).toHaveCount(2);
  expect(difference(before, await artwork(page))).toBe(0);
  await inspector.getByRole('button', { name: 'Select Seed 7' }).click();
  await expect(page.locator('[data-still]')).toHaveCount(0);

  // Moved by keys and reloaded it is the same.
  await inspector.getByRole('button', { name: 'Select Inner' }).click();
  await page.locator('[data-pane=bench]').focus();
  for (let k = 0; k < 4; k += 1) await page.keyboard.press('Shift+ArrowUp');
  const after = await artwork(page);
  expect(difference(before, after)).toBeGreaterThan(0.002);
  await expect(page.getByText(/^saved/)).toBeVisible();
  await page.reload();
  await opened(page);
  await expect(page.locator('[data-still]')).toHaveCount(0);
  expect(difference(after, await artwork(page))).toBe(0);
  await unstored(page, id);
});

test('while a shape is dragged Whole shows it where the hand is, and Esc brings back what was there', async ({
  page,
}) => {
  const id = await stored(page, full());
  await page.goto(`/figures/${id}`);
  await opened(page);
  await page.getByRole('button', { name: 'Artwork alone' }).click();
  await page.getByLabel('Inspector').getByRole('button', { name: 'Select Inner' }).click();
  const before = await artwork(page);
  const from = await wholeAt(page, 0, 64);
  const at = (k: number) => wholeAt(page, 2 * k, 64 - 6 * k);
  const held = async (...steps: number[]): Promise<void> => {
    await page.mouse.move(from.x, from.y);
    await page.mouse.down();
    for (const k of steps) {
      const to = await at(k);
      await page.mouse.move(to.x, to.y, { steps: 4 });
    }
  };

  // Within the ring, over the small circles that stood still until then, and back again.
  for (const steps of [[1], [1, 4], [4, 1]]) {
    await held(...steps);
    const shown = await artwork(page);
    expect(difference(before, shown)).toBeGreaterThan(0.002);
    await page.mouse.up();
    expect(difference(shown, await artwork(page))).toBe(0);
    await page.keyboard.press('Control+z');
    expect(difference(before, await artwork(page))).toBe(0);
  }
  await held(1, 2);
  expect(difference(before, await artwork(page))).toBeGreaterThan(0.002);
  await page.keyboard.press('Escape');
  expect(difference(before, await artwork(page))).toBe(0);
  await page.mouse.up();
  expect(difference(before, await artwork(page))).toBe(0);
  await unstored(page, id);
});

/** All styles that an element has from now on, however short: a look now and then would miss what rests soon. */
async function movesOf(element: Locator): Promise<() => Promise<string[]>> {
  const seen = await element.evaluateHandle((node) => {
    const styles: string[] = [];
    new MutationObserver(() => styles.push(node.getAttribute('style') ?? '')).observe(node, {
      attributeFilter: ['style'],
    });
    return styles;
  });
  return () => seen.jsonValue();
}

test('zoomed, a full pane moves its picture along and draws it clean once it rests', async ({ page }) => {
  const id = await stored(page, full());
  await page.goto(`/figures/${id}`);
  await opened(page);
  const pane = (await whole(page).boundingBox())!;
  const picture = whole(page).locator('> div').first();
  await page.mouse.move(pane.x + pane.width / 2, pane.y + pane.height / 2);
  const before = await artwork(page);
  const drawnAt = (): Promise<string | null> =>
    whole(page).locator('g[transform*="scale"]').first().getAttribute('transform');
  const first = await drawnAt();
  const moves = await movesOf(picture);
  await page.mouse.wheel(0, -60);
  // The picture as it was drawn is larger at once, and then drawn anew in its size.
  await expect.poll(moves).toContainEqual(expect.stringMatching(/scale\(1\.1/));
  await expect(picture).toHaveAttribute('style', /scale\(1\)/);
  await expect.poll(drawnAt).not.toBe(first);
  expect(difference(before, await artwork(page))).toBeGreaterThan(0.05);

  // There and back again it is the picture that it was.
  await page.mouse.wheel(0, 60);
  await expect.poll(moves).toContainEqual(expect.stringMatching(/scale\(0\.8/));
  await expect(picture).toHaveAttribute('style', /scale\(1\)/);
  expect(difference(before, await artwork(page))).toBe(0);
  await unstored(page, id);
});
