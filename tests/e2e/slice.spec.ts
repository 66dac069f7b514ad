import { expect, test, type Page } from '@playwright/test';
import { SaxesParser } from 'saxes';

import type { Figure } from '@/core/figure';
import { difference, pixelsOf, transformed } from '../help/pictures';
import {
  benchAt,
  copiesDrawn,
  drag,
  drawPetal,
  exported,
  makeFigure,
  makeFigureFromShelf,
  opened,
  saved,
  setFold,
  whole,
} from './hands';

test('from an empty Shelf to an exported file', async ({ page }) => {
  const foreign: string[] = [];
  page.on('request', (request) => {
    if (!/^(http:\/\/127\.0\.0\.1:4377|blob:|data:)/.test(request.url())) foreign.push(request.url());
  });
  await makeFigureFromShelf(page);
  await drawPetal(page);
  await expect(page.getByRole('complementary').getByText('1 shape, 8-fold')).toBeVisible();
  // Snapping brought both ends onto the axis.
  await expect(page.getByLabel('Base θ')).toHaveValue('0');
  await expect(page.getByLabel('Rotation')).toHaveValue('0');

  await setFold(page, 12);
  await page.keyboard.press('\\');
  await expect(page.getByText('1 shape, 12-fold, mirrored')).toBeVisible();
  await expect.poll(() => copiesDrawn(page)).toBe(12);

  await page.keyboard.press('4');
  await page.getByRole('radio', { name: 'Union' }).click();
  await expect(page.getByRole('region', { name: 'The outline' })).toBeVisible();

  await page.keyboard.press('5');
  await page.getByRole('button', { name: 'Fill: #d9512c' }).click();
  await saved(page);

  await page.getByRole('button', { name: 'Export' }).click();
  // The page's background is a square, which no turn by 30 degrees keeps.
  await page.getByRole('radiogroup', { name: 'Background' }).getByRole('radio', { name: 'Without' }).click();
  const svg = (await exported(page)).toString();
  const parser = new SaxesParser({ xmlns: true });
  parser.on('error', (error) => {
    throw error;
  });
  parser.write(svg).close();
  expect(svg).toContain('fill="#d9512c"');

  const picture = pixelsOf(svg, 480);
  expect(difference(picture, pixelsOf(transformed(svg, 'rotate(30 90 90)'), 480))).toBeLessThan(0.001);
  expect(difference(picture, pixelsOf(transformed(svg, 'translate(180 0) scale(-1 1)'), 480))).toBeLessThan(
    0.001,
  );
  expect(difference(picture, pixelsOf(transformed(svg, 'rotate(7 90 90)'), 480))).toBeGreaterThan(0.02);

  await page.getByRole('button', { name: 'Export' }).click();
  await page.getByRole('radio', { name: 'PNG', exact: true }).click();
  await page.getByLabel('Longer side').fill('256*2');
  await page.getByLabel('Longer side').press('Enter');
  expect((await exported(page)).readUInt32BE(16)).toBe(512);
  expect(foreign).toEqual([]);
});

test('everything is there again after a reload, undo included', async ({ page }) => {
  await makeFigure(page);
  await drawPetal(page);
  await setFold(page, 5);
  await page.getByLabel('Name of the figure').fill('Kept');
  await page.getByLabel('Name of the figure').press('Enter');
  await saved(page);
  await page.reload();
  await opened(page);
  await expect(page).toHaveTitle(/Kept/);
  await expect(page.getByText('1 shape, 5-fold')).toBeVisible();
  for (const label of ['Undo: Rename figure', 'Undo: Set fold', 'Undo: Draw Petal']) {
    await page.getByRole('button', { name: label }).click();
  }
  await expect(page.getByText('0 shapes, 8-fold')).toBeVisible();
  await expect(page.getByRole('button', { name: 'Nothing to undo' })).toBeDisabled();
  await page.keyboard.press('Control+Shift+z');
  await expect(page.getByText('1 shape, 8-fold')).toBeVisible();
});

/** Waits until the server has a fold: what a window says of itself may still be of the save before. */
const savedFold = (page: Page, fold: number): Promise<void> =>
  expect
    .poll(async () => {
      const answer = await page.request.get(page.url().replace('/figures/', '/api/figures/'));
      const { figure } = (await answer.json()) as { figure: Figure };
      return figure.rounds[0]?.rule.fold;
    })
    .toBe(fold);

test('a second window’s save is refused with a choice, and both versions stay', async ({ page, context }) => {
  await makeFigure(page);
  await drawPetal(page);
  await saved(page);
  const other = await context.newPage();
  await other.goto(page.url());
  await opened(other);
  await expect(other.getByText('1 shape, 8-fold')).toBeVisible();
  await setFold(other, 9);
  await savedFold(other, 9);
  await setFold(page, 11);
  const choice = page.getByRole('dialog', { name: 'This figure was changed in another window' });
  await expect(choice.getByRole('heading')).toBeVisible();
  await expect(choice.getByRole('list', { name: 'What is different' })).toContainText('fold 9 → 11');
  await expect(choice.locator('figure img')).toBeVisible();
  await choice.getByRole('button', { name: 'Go on with this window’s' }).click();
  await expect(page.getByLabel('Name of the figure')).toHaveValue('Untitled figure (this window)');
  await expect(page.getByText('1 shape, 11-fold')).toBeVisible();
  await other.reload();
  await opened(other);
  await expect(other.getByText('1 shape, 9-fold')).toBeVisible();

  // The other way round: this window goes on with what the other one saved, and its own goes on the Shelf.
  const third = await context.newPage();
  await third.goto(other.url());
  await opened(third);
  await setFold(other, 20);
  await savedFold(other, 20);
  await setFold(third, 21);
  await third.getByRole('button', { name: 'Go on with the other window’s' }).click();
  await expect(third.getByText('1 shape, 20-fold')).toBeVisible();
  await page.goto('/');
  await page.getByRole('searchbox').fill('window');
  await expect(page.getByRole('main').getByRole('listitem')).toHaveCount(2);
  await page.getByRole('searchbox').fill('kept in this browser');
  await expect(page.getByText('Nothing here is found by')).toBeVisible();
  await page.getByRole('link', { name: 'Third-party notices' }).click();
  await expect(page.getByText('Mozilla Public License').first()).toBeVisible();
});

test('a path is drawn, its nodes dragged and changed by numbers', async ({ page }) => {
  await makeFigure(page);
  await page.keyboard.press('e');
  for (const [right, up] of [
    [0, 200],
    [50, 300],
    [0, 420],
  ] as const) {
    const at = await benchAt(page, right, up);
    await page.mouse.click(at.x, at.y);
    // Two clicks within the time of a double one would end the path.
    await page.waitForTimeout(400);
  }
  const first = await benchAt(page, 0, 200);
  await page.mouse.click(first.x, first.y);
  await expect(page.getByText('1 shape, 8-fold')).toBeVisible();
  await page.keyboard.press('w');
  const side = await benchAt(page, 50, 300);
  await drag(page, side, { x: side.x + 20, y: side.y });
  await expect(page.getByText('2 of 3')).toBeVisible();
  await page.getByRole('radio', { name: 'Even' }).click();
  const across = page.getByLabel('Across x');
  await across.fill('1in/2');
  await across.press('Enter');
  await expect(across).toHaveValue('12.7');
  await across.fill('twelve');
  await across.press('Enter');
  await expect(page.getByRole('alert').filter({ hasText: 'twelve' })).toContainText('not a number');
  await across.press('Escape');
  await expect(across).toHaveValue('12.7');
});

test('a copy in Whole is edited, a round moved in Reach, rounds added and ordered', async ({ page }) => {
  await makeFigure(page);
  await drawPetal(page);
  const base = page.getByLabel('Base r');
  const before = Number(await base.inputValue());
  const pane = (await whole(page).boundingBox())!;
  const middle = { x: pane.x + pane.width / 2, y: pane.y + (40 + pane.height - 64) / 2 };
  await page.keyboard.press('q');
  // The copy that points right: dragging it outward moves the motif up the axis.
  await drag(page, { x: middle.x + 110, y: middle.y }, { x: middle.x + 150, y: middle.y + 1 });
  await expect.poll(async () => Number(await base.inputValue())).toBeGreaterThan(before + 5);
  const moved = Number(await base.inputValue());

  const bar = page.getByRole('button', { name: /^Round 1, fold 8/ });
  await bar.focus();
  await page.keyboard.press('Shift+ArrowDown');
  await expect.poll(async () => Number(await base.inputValue())).toBe(moved - 10);
  await page.getByRole('button', { name: 'Round', exact: true }).click();
  await expect(page.getByText('round 2 of 2')).toBeVisible();
  await page.getByRole('button', { name: /^Round 2, fold 8/ }).focus();
  await page.keyboard.press('ArrowLeft');
  await expect(page.getByText('round 1 of 2')).toBeVisible();
});

test('the Shelf searches, renames, duplicates, deletes and takes it back', async ({ page }) => {
  await makeFigure(page);
  await page.getByLabel('Name of the figure').fill('Whelk');
  await page.getByLabel('Name of the figure').press('Enter');
  await saved(page);
  await page.goto('/');
  const card = (name: string) =>
    page.getByRole('listitem').filter({ has: page.getByRole('link', { name, exact: true }) });
  await page.getByRole('searchbox').fill('whelk');
  await expect(page.getByRole('main').getByRole('listitem')).toHaveCount(1);
  await page.getByRole('button', { name: 'More for Whelk' }).click();
  await page.getByRole('menuitem', { name: 'Duplicate' }).click();
  await page.getByRole('button', { name: 'More for Whelk copy' }).click();
  await page.getByRole('menuitem', { name: 'Rename' }).click();
  await page.getByLabel('Name of the figure').fill('Whelk again');
  await page.getByLabel('Name of the figure').press('Enter');
  await expect(card('Whelk again')).toBeVisible();
  await page.getByRole('button', { name: 'More for Whelk again' }).click();
  await page.getByRole('menuitem', { name: 'To the Bin' }).click();
  await expect(card('Whelk again')).toHaveCount(0);
  await page.getByRole('button', { name: 'Undo' }).click();
  await expect(card('Whelk again')).toBeVisible();

  await page.getByLabel('Figure file').setInputFiles({
    name: 'x.json',
    mimeType: 'application/json',
    buffer: Buffer.from('{"format":"cyclogon-figure","version":99}'),
  });
  await expect(page.getByText(/newer Cyclogon/)).toBeVisible();
  await page.goto('/figures/nothing');
  await expect(page.getByRole('heading', { name: 'There is nothing here' })).toBeVisible();
});
