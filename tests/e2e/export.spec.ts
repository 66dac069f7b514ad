import { readFile } from 'node:fs/promises';

import { PDFDocument } from '@cantoo/pdf-lib';
import AxeBuilder from '@axe-core/playwright';
import { expect, test } from '@playwright/test';
import { unzipSync } from 'fflate';
import sharp from 'sharp';

import { drawPetal, exported, makeFigure, saved } from './hands';

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

test('a tile is seen beside itself, icons one by one, and inks are said colour by colour', async ({
  page,
}) => {
  await makeFigure(page);
  await drawPetal(page);
  await saved(page);
  await page.getByRole('button', { name: 'Export' }).click();
  const dialog = page.getByRole('dialog');
  await dialog.getByRole('radio', { name: 'Tile SVG' }).click();
  await dialog.getByRole('radio', { name: 'Brick' }).click();
  await expect(dialog.getByTestId('tiles')).toBeVisible();
  const tile = (await exported(page)).toString('utf8');
  // A page of 180 mm and the one below it, shifted by half.
  expect(tile).toContain('width="180mm" height="360mm"');

  await page.getByRole('button', { name: 'Export' }).click();
  await dialog.getByRole('radio', { name: 'Icons' }).click();
  await dialog.getByRole('radio', { name: 'Light turned' }).click();
  const files = dialog.getByRole('list', { name: 'Files of the set' });
  await expect(files.getByRole('img', { name: 'favicon.ico' })).toBeVisible({ timeout: 60_000 });
  await expect(files.getByRole('img', { name: 'Its safe circle' })).toBeVisible();

  await dialog.getByRole('radio', { name: 'PDF' }).click();
  await dialog.getByRole('radio', { name: 'Inks' }).click();
  const magenta = dialog.getByLabel('Magenta of #1f8a76');
  await magenta.fill('12');
  await magenta.press('Enter');
  const own = dialog.getByLabel('Own ink of #1f8a76');
  await own.fill('Foil');
  await own.press('Enter');
  await expect(own).toHaveValue('Foil');
  const pdf = await PDFDocument.load(await exported(page));
  const objects = pdf.context.enumerateIndirectObjects().map(([, object]) => object.toString());
  expect(objects.some((object) => object.includes('/Separation /Foil'))).toBe(true);
  await page.keyboard.press('Control+z');
  await page.getByRole('button', { name: 'Export' }).click();
  await expect(dialog.getByLabel('Magenta of #1f8a76')).not.toHaveValue('12');
});
