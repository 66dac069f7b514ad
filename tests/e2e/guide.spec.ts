import { expect, test } from '@playwright/test';

import { benchAt, drag, exported, makeFigure, opened, setFold } from './hands';

test('the first steps lead through a figure in the interface itself, to a file, and begin again by Find', async ({
  page,
}) => {
  await makeFigure(page);
  await page.goto(`${page.url()}?first`);
  await opened(page);
  const guide = page.getByRole('region', { name: 'First figure' });
  await expect(guide).toContainText('1 of 5');
  await page.getByRole('button', { name: /^Petal/ }).click();
  await drag(page, await benchAt(page, 2, 60), await benchAt(page, -2, 400));
  await expect(guide).toContainText('2 of 5');
  await setFold(page, 14);
  await expect(guide).toContainText('3 of 5');
  await page.getByRole('button', { name: 'Merge', exact: true }).click();
  await page.getByLabel('Inspector').getByRole('radio', { name: 'Union' }).click();
  await expect(guide).toContainText('4 of 5');
  await page.getByRole('button', { name: 'Colour', exact: true }).click();
  await page.getByRole('button', { name: '#d9512c at hand' }).click();
  await expect(guide).toContainText('5 of 5');
  await page.getByRole('button', { name: 'Export' }).click();
  expect((await exported(page)).toString()).toContain('#d9512c');
  await page.keyboard.press('Escape');
  await expect(guide).toContainText('That is a figure');
  await guide.getByRole('button', { name: 'Close' }).click();
  await expect(guide).toBeHidden();
  // A reload does not begin again; Find does.
  await page.reload();
  await opened(page);
  await expect(guide).toBeHidden();
  await page.keyboard.press('/');
  await page.keyboard.type('first figure');
  await page.keyboard.press('Enter');
  await expect(guide).toContainText('1 of 5');
  await guide.getByRole('button', { name: 'Leave the first steps' }).click();
  await expect(guide).toBeHidden();
});
