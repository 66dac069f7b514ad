import { expect, test, type Page } from '@playwright/test';

import { bench, benchAt, drag, makeFigure } from './hands';

/** Goes to a place of the Bench by some steps. */
async function moveTo(page: Page, right: number, up: number): Promise<void> {
  const { x, y } = await benchAt(page, right, up);
  await page.mouse.move(x, y, { steps: 3 });
}

const numberIn = async (page: Page, label: string): Promise<number> =>
  Number.parseFloat(await page.getByLabel('Inspector').getByLabel(label, { exact: true }).inputValue());

test('a path’s handles are seen while they are dragged, have numbers, and go by arrow keys', async ({
  page,
}) => {
  await makeFigure(page);
  await page.keyboard.press('e');
  await moveTo(page, 20, 120);
  await page.mouse.down();
  await moveTo(page, 60, 170);
  await expect(bench(page).locator('[data-handle^=out-draft]')).toBeVisible();
  await expect(bench(page).locator('[data-handle^=in-draft]')).toBeVisible();
  // With Shift along the wedge's ray, which is 22.5° from the axis and no multiple of 15°.
  await page.keyboard.down('Shift');
  await moveTo(page, 42, 174);
  await page.mouse.up();
  await page.keyboard.up('Shift');
  await page.waitForTimeout(400);
  await moveTo(page, 30, 300);
  await page.mouse.down();
  await page.mouse.up();
  await page.keyboard.press('Enter');

  await page.keyboard.press('w');
  const first = (await bench(page).locator('[data-handle=node-0]').boundingBox())!;
  await page.mouse.click(first.x + first.width / 2, first.y + first.height / 2);
  expect(await numberIn(page, 'Handle out, direction')).toBeCloseTo(22.5, 3);
  const length = page.getByLabel('Inspector').getByLabel('Handle out, length', { exact: true });
  await length.fill('15');
  await length.press('Enter');
  await expect.poll(() => numberIn(page, 'Handle in, length')).toBeCloseTo(15, 3);

  // A handle that was clicked is what arrows move; the node stays.
  const x = await numberIn(page, 'Across x');
  const arm = (await bench(page).locator('[data-handle=out-0]').boundingBox())!;
  await page.mouse.click(arm.x + arm.width / 2, arm.y + arm.height / 2);
  await page.keyboard.press('Shift+ArrowRight');
  await expect.poll(() => numberIn(page, 'Handle out, direction')).toBeGreaterThan(22.6);
  expect(await numberIn(page, 'Across x')).toBe(x);
});

test('half a circle by hand from axis to axis is a circle with its reflection, both ends caught', async ({
  page,
}) => {
  await makeFigure(page);
  const inspector = page.getByLabel('Inspector');
  await inspector.getByRole('button', { name: 'Draw half' }).click();
  await page.keyboard.press('r');
  await inspector.getByRole('radiogroup', { name: 'A stroke becomes' }).getByText('A line').click();
  // Ends a little beside the axis, the way between them by an unsteady hand.
  await moveTo(page, 3, 320);
  await page.mouse.down();
  for (let k = 1; k < 40; k += 1) {
    const angle = (Math.PI * k) / 40;
    const r = 90 + 1.5 * Math.sin(5 * k);
    await moveTo(page, r * Math.sin(angle), 230 + r * Math.cos(angle));
  }
  await moveTo(page, -3, 140);
  await page.mouse.up();
  await inspector.getByRole('button', { name: 'Join the halves' }).click();
  await expect(inspector.getByText('1 shape, 8-fold', { exact: true })).toBeVisible();
  const area = async (): Promise<number> =>
    Number.parseFloat(await inspector.getByText(/mm²$/).first().innerText());
  await page.keyboard.press('w');
  await expect(bench(page).locator('[data-handle^=node-]')).toHaveCount(2);
  // Both of its nodes are on the axis; half their distance is the radius.
  const places = await bench(page)
    .locator('[data-handle^=node-]')
    .evaluateAll((marks) => marks.map((mark) => mark.getBoundingClientRect().y));
  const radius = Math.abs((places[0] ?? 0) - (places[1] ?? 0)) / 2 / 5.88;
  expect(await area()).toBeCloseTo(Math.PI * radius ** 2, -1.5);
});

test('a rectangle’s corner stays when the one across from it is dragged', async ({ page }) => {
  await makeFigure(page);
  await page.keyboard.press('a');
  await drag(page, await benchAt(page, -60, 320), await benchAt(page, 50, 200));
  await page.keyboard.press('q');
  const corner = async (name: string) => {
    const box = (await bench(page).locator(`[data-handle="${name} corner"]`).boundingBox())!;
    return { x: box.x + box.width / 2, y: box.y + box.height / 2 };
  };
  const before = await corner('top left');
  const held = await corner('bottom right');
  await drag(page, held, { x: held.x + 37, y: held.y + 21 });
  const after = await corner('top left');
  expect(Math.hypot(after.x - before.x, after.y - before.y)).toBeLessThan(1);
  const moved = await corner('bottom right');
  expect(moved.x - held.x).toBeGreaterThan(20);
});

test('a bar has a point by its length or its angle, and is at hand in Draw; a group is aligned as one', async ({
  page,
}) => {
  await makeFigure(page);
  const inspector = page.getByLabel('Inspector');
  await page.keyboard.press('z');
  await page
    .getByRole('toolbar', { name: 'More tools' })
    .getByRole('button', { name: 'Bar', exact: true })
    .click();
  await drag(page, await benchAt(page, 2, 120), await benchAt(page, -2, 360));
  await inspector.getByRole('radiogroup', { name: 'Tip from' }).getByText('Angle').click();
  await expect(inspector.getByLabel('Tip angle', { exact: true })).toHaveValue('60');
  await expect(inspector.getByText('Tip length', { exact: true })).toBeVisible();
  await inspector.getByRole('radiogroup', { name: 'At', exact: true }).getByText('Both ends').click();

  // With a circle beside it as one group: both go to the left edge of the page together.
  await page.keyboard.press('y');
  await drag(page, await benchAt(page, 90, 250), await benchAt(page, 110, 250));
  await page.keyboard.press('q');
  await page.keyboard.press('Control+a');
  await expect(inspector.getByRole('radiogroup', { name: 'Align moves' })).toBeVisible();
  const width = await numberIn(page, 'Box width');
  await page.keyboard.press('Control+g');
  await inspector.getByRole('button', { name: 'At the centre' }).click();
  await expect.poll(() => numberIn(page, 'Middle up')).toBeCloseTo(0, 3);
  expect(await numberIn(page, 'Middle x')).toBeCloseTo(0, 3);
  expect(await numberIn(page, 'Box width')).toBeCloseTo(width, 3);
});
