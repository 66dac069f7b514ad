import { expect, test, type Page } from '@playwright/test';

import { bench, benchAt, drag, exported, makeFigure, saved } from './hands';

/** The middle of a handle of the strip on the Bench. */
async function handle(page: Page, name: string): Promise<{ x: number; y: number }> {
  const box = await bench(page).locator(`[data-handle="bend ${name}"]`).boundingBox();
  if (!box) throw new Error(`no handle “${name}”`);
  return { x: box.x + box.width / 2, y: box.y + box.height / 2 };
}

test('a drawing is bent as a strip, dragged by its handles, and edited straight in its lane', async ({
  page,
}) => {
  await makeFigure(page);
  await page.keyboard.press('a');
  await drag(page, await benchAt(page, -60, 300), await benchAt(page, 60, 250));
  await page.keyboard.press('q');
  await page.getByRole('button', { name: 'Bend', exact: true }).click();
  const lane = page.locator('[data-pane=lane]');
  await expect(lane).toBeVisible();
  // It takes a step of the round, exactly, in the count that comes nearest to its length.
  await expect(page.getByLabel('Span', { exact: true })).toHaveValue('45');
  await page.getByLabel('Units').fill('1');
  await page.keyboard.press('Enter');
  await page.getByRole('button', { name: 'Fit radius' }).click();
  await expect(page.getByText('100 % long')).toBeVisible();

  // Fuller in the middle, by its handle; undone, the number is what it was.
  const swell = await handle(page, 'swell');
  await drag(page, swell, { x: swell.x, y: swell.y - 40 });
  await expect(page.getByLabel('Swell')).not.toHaveValue('0');
  await page.keyboard.press('Control+z');
  await expect(page.getByLabel('Swell')).toHaveValue('0');
  await page.getByRole('button', { name: 'Span ½' }).click();
  await expect(page.getByLabel('Span', { exact: true })).toHaveValue('180');
  await page.keyboard.press('Control+z');

  // In the lane it lies straight: what is drawn there belongs to it, and is bent.
  const box = (await lane.boundingBox())!;
  const middle = { x: box.x + box.width / 2, y: box.y + box.height / 2 };
  await page.keyboard.press('y');
  await drag(page, middle, { x: middle.x + 30, y: middle.y + 22 });
  const rows = page.locator('[data-row]');
  await expect(rows).toHaveText([/Group 1strip/, /Ellipse/, /Rectangle/]);
  await page.keyboard.press('q');
  // Dragged in the lane it is moved in the drawing, and the bend stays.
  const before = await page.getByLabel('Middle x').inputValue();
  const radius = await page.getByLabel('Middle radius').inputValue();
  await drag(page, middle, { x: middle.x + 50, y: middle.y });
  await expect(page.getByLabel('Middle x')).not.toHaveValue(before);
  await expect(page.getByLabel('Middle radius')).toHaveValue(radius);

  // All of it is moved where it is bent: it goes out.
  await rows.first().click();
  await page.keyboard.press('ArrowUp');
  await expect(page.getByLabel('Middle radius')).not.toHaveValue(radius);
  await page.keyboard.press('Control+z');
  await expect(page.getByLabel('Middle radius')).toHaveValue(radius);
  const held = await handle(page, 'radius');
  await drag(page, held, { x: held.x, y: held.y - 50 });
  await expect(page.getByLabel('Middle radius')).not.toHaveValue(radius);

  // With Nodes in hand a click in the lane goes to the one shape that is there.
  await page.keyboard.press('w');
  await page.mouse.click(middle.x + 50, middle.y + 12);
  await expect(page.getByRole('tab', { name: 'Ellipse' })).toBeVisible();
  await rows.first().click();
  await page.keyboard.press('q');

  await saved(page);
  await page.getByRole('button', { name: 'Export' }).click();
  const svg = (await exported(page)).toString('utf8');
  // The rectangle's long sides are arcs about the centre.
  expect(svg).toMatch(/A[\d.]+[ ,][\d.]+/);
  await page.getByRole('button', { name: 'Straighten' }).click();
  await expect(lane).toBeHidden();
});
