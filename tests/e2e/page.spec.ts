import { expect, test } from '@playwright/test';

import { drawPetal, goTo, makeFigure, whole } from './hands';

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
  await unit('in').click();
  await expect(width).toHaveValue('7.0866');
  await expect(page.getByText('As large as before: 180 × 180 mm is 7.087 × 7.087 in.')).toBeVisible();
  // It is seen as it was.
  await expect(zoom).toHaveValue(seen);
  await page.keyboard.press('Control+z');
  await expect(width).toHaveValue('180');
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
