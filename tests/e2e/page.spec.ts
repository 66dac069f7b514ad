import { expect, test } from '@playwright/test';

import { addShapes } from '@/core/figure/commands';
import { newFigure, newShape, START_PAINT } from '@/core/figure';
import { pathForm } from '@/core/maker';
import { drawPetal, goTo, makeFigure, opened, stored, unstored, whole, wholeAt } from './hands';

test('another unit keeps all as large as it is, or the numbers where that is meant; the zoom is typed', async ({
  page,
}) => {
  await makeFigure(page);
  await drawPetal(page);
  // The page is there while a shape is selected, too.
  await goTo(page, '1', 'Set out');
  const width = page.getByLabel('Page width');
  const zoom = page.getByRole('textbox', { name: 'Zoom' });
  const unit = (name: string) =>
    page.getByRole('radiogroup', { name: 'Unit' }).getByRole('radio', { name, exact: true });
  const seen = await zoom.inputValue();
  await page.getByRole('tab', { name: 'Page' }).click();
  await unit('in').click();
  await expect(width).toHaveValue('7.0866');
  await expect(page.getByText('As large as before: 180 × 180 mm is 7.087 × 7.087 in.')).toBeVisible();
  // It is seen as it was.
  await expect(zoom).toHaveValue(seen);
  await page.keyboard.press('Control+z');
  await expect(width).toHaveValue('180');
  await page.getByRole('tab', { name: 'Page' }).click();
  await unit('in').click();
  await page.getByRole('button', { name: 'Keep the numbers instead' }).click();
  await expect(width).toHaveValue('180');
  await expect(page.getByLabel('Page height').locator('..')).toContainText('in');
  // One step, which one undo takes back.
  await page.keyboard.press('Control+z');
  await expect(page.getByLabel('Page height').locator('..')).toContainText('mm');

  await zoom.fill('200');
  await zoom.press('Enter');
  // The page is the widest rectangle there is.
  const wide = await whole(page)
    .locator('rect')
    .evaluateAll((all) => Math.max(...all.map((each) => each.getBoundingClientRect().width)));
  // 180 mm at 96 pixels an inch, twice as large.
  expect(wide / ((180 / 25.4) * 96)).toBeCloseTo(2, 1);
});

test('numbers of several nodes that differ are told, and what is typed is given to each', async ({
  page,
}) => {
  const at = (x: number, y: number) => ({ x, y, kind: 'corner' as const });
  const shape = newShape('p', 'Path', pathForm([at(-10, -30), at(10, -40), at(0, -70)], true), START_PAINT);
  const id = await stored(page, addShapes(newFigure('Nodes', 'r'), 'r', [shape]));
  await page.goto(`/figures/${id}`);
  await opened(page);
  await goTo(page, '2', 'Draw');
  await page.getByRole('button', { name: 'Select Path' }).click();
  await page.keyboard.press('w');
  await page.keyboard.press('Control+a');
  const inspector = page.getByLabel('Inspector');
  const up = inspector.getByLabel('Up y');
  await expect(up).toHaveValue('');
  await expect(up).toHaveAttribute('placeholder', 'several');
  await up.fill('50');
  await up.press('Enter');
  await expect(up).toHaveValue('50');
  await expect(inspector.getByLabel('Across x')).toHaveValue('');
  await page.keyboard.press('Control+z');
  await expect(up).toHaveValue('');
  await unstored(page, id);
});

test('a sheet that stands once, drawn from its middle, keeps the artwork inside; the ground is a colour of the picture', async ({
  page,
}) => {
  await makeFigure(page);
  await drawPetal(page);
  await page.getByRole('button', { name: 'Round that stands once' }).click();
  await expect(page.getByRole('group', { name: /Fold of/ }).getByLabel('Fold', { exact: true })).toHaveValue(
    '1',
  );
  await goTo(page, '2', 'Draw');
  await page.keyboard.press('a');
  const [middle, corner] = [await wholeAt(page, 0, 0), await wholeAt(page, 40, 30)];
  await page.mouse.move(middle.x, middle.y);
  await page.keyboard.down('Alt');
  await page.mouse.down();
  await page.mouse.move(corner.x, corner.y, { steps: 4 });
  await page.mouse.up();
  await page.keyboard.up('Alt');
  const inspector = page.getByLabel('Inspector');
  await expect(inspector.getByLabel('Origin r')).toHaveValue('0');
  expect(
    Number(await inspector.getByRole('textbox', { name: 'Width', exact: true }).inputValue()),
  ).toBeCloseTo(80, 0);

  await page.getByRole('tab', { name: 'Page' }).click();
  await inspector.getByRole('button', { name: 'Take it from the picture' }).click();
  // A point of the sheet, in Whole.
  const at = await wholeAt(page, 30, 5);
  await page.mouse.click(at.x, at.y);
  await expect(inspector.getByRole('button', { name: 'Background: #1f8a76' })).toHaveAttribute(
    'aria-pressed',
    'true',
  );
  await expect(inspector.getByRole('button', { name: 'Take it from the picture' })).toBeVisible();
});
