import { readFile } from 'node:fs/promises';

import AxeBuilder from '@axe-core/playwright';
import { expect, test } from '@playwright/test';
import { unzipSync } from 'fflate';
import sharp from 'sharp';

import { drawPetal, makeFigure } from './hands';

test('files are seen before they leave, several leave as one ZIP, and the choice is remembered', async ({
  page,
}) => {
  await makeFigure(page);
  await drawPetal(page);
  await page.getByRole('button', { name: 'Export' }).click();
  const dialog = page.getByRole('dialog');
  const inFile = dialog.getByRole('region', { name: 'In the file' });
  await expect(dialog.getByRole('img', { name: 'The SVG as it will be' })).toBeVisible();
  await expect(inFile).toContainText('Uses of them8');
  await dialog.getByRole('radio', { name: 'Plain paths' }).click();
  await expect(inFile).toContainText('Paths8');
  // The motif alone, once; then all of it again.
  await dialog.getByRole('radio', { name: 'Motif' }).click();
  await expect(inFile).toContainText('Paths1');
  await dialog.getByRole('radio', { name: 'All', exact: true }).click();
  await expect(inFile).toContainText('Paths8');

  await dialog.getByRole('radio', { name: 'PNG', exact: true }).click();
  await dialog.getByLabel('Longer side').fill('64');
  await dialog.getByLabel('Longer side').press('Enter');
  await dialog.getByRole('button', { name: '3×' }).click();
  await dialog.getByRole('checkbox', { name: 'DXF too' }).click();
  // The very file is what is shown.
  const shown = dialog.getByRole('img', { name: 'The PNG as it will be' });
  await expect.poll(() => shown.evaluate((img: HTMLImageElement) => img.naturalWidth)).toBe(64);
  const downloading = page.waitForEvent('download');
  await dialog.getByRole('button', { name: 'Download 3 files, ZIP' }).click();
  const download = await downloading;
  expect(download.suggestedFilename()).toBe('untitled-figure.zip');
  const files = unzipSync(await readFile(await download.path()));
  expect(Object.keys(files).sort()).toEqual([
    'untitled-figure.dxf',
    'untitled-figure.png',
    'untitled-figure@3x.png',
  ]);
  expect(await sharp(files['untitled-figure@3x.png']).metadata()).toMatchObject({ width: 192, height: 192 });

  // It is as it was, also after the page is opened again.
  await page.reload();
  await page.getByRole('button', { name: 'Export' }).click();
  await expect(dialog.getByRole('radio', { name: 'PNG', exact: true })).toBeChecked();
  await expect(dialog.getByLabel('Longer side')).toHaveValue('64');
  await expect(dialog.getByRole('button', { name: 'Download 3 files, ZIP' })).toBeVisible();
  await dialog.getByRole('radio', { name: 'SVG', exact: true }).click();
  await expect(dialog.getByRole('radio', { name: 'Plain paths' })).toBeChecked();
  for (const colorScheme of ['light', 'dark'] as const) {
    await page.emulateMedia({ colorScheme });
    const { violations } = await new AxeBuilder({ page })
      .include('[role=dialog]')
      .withTags(['wcag2a', 'wcag2aa', 'wcag21aa', 'wcag22aa'])
      .analyze();
    expect(violations.map(({ id, nodes }) => [id, nodes[0]?.html])).toEqual([]);
  }
});
