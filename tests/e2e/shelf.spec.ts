import { readFile } from 'node:fs/promises';

import { expect, test, type Page } from '@playwright/test';
import { unzipSync } from 'fflate';

import type { Figure } from '@/core/figure';
import { hatchIris } from '../../demo/pieces/hatchIris';
import { kelpCrown } from '../../demo/pieces/kelpCrown';
import { bench, makeFigure, opened, saved, setFold, stored } from './hands';

const named = (figure: Figure, name: string): Figure => ({ ...figure, name });
const card = (page: Page, name: string) =>
  page.getByRole('listitem').filter({ has: page.getByText(name, { exact: true }) });
const foldOf = (page: Page) =>
  page.getByRole('group', { name: /Fold of/ }).getByLabel('Fold', { exact: true });
const chosen = (page: Page) => page.getByRole('toolbar', { name: 'Chosen figures' });

async function find(page: Page, words: string): Promise<void> {
  await page.goto('/');
  await page.getByRole('searchbox').fill(words);
}

async function choose(page: Page, ...names: string[]): Promise<void> {
  for (const name of names) {
    await card(page, name).hover();
    await page.getByRole('checkbox', { name: `Choose ${name}`, exact: true }).click();
  }
}

test('a history is read, a step looked at beside now and taken back, and a version kept and opened', async ({
  page,
}) => {
  await page.goto(`/figures/${await stored(page, named(hatchIris(), 'Past iris'))}`);
  await opened(page);
  await setFold(page, 5);
  await page.keyboard.press('.');
  await setFold(page, 9);
  await saved(page);
  await page.keyboard.press('k');
  await page.getByLabel('Name of the version').fill('Nine for the board');
  await page.getByLabel('Name of the version').press('Enter');
  await expect(page.getByText('“Nine for the board” is kept')).toBeVisible();
  await expect(page.getByRole('dialog')).toHaveCount(0);
  await page.keyboard.press('.');
  await setFold(page, 13);
  await page.getByRole('button', { name: 'History (P)' }).click();
  const list = page.getByRole('complementary', { name: 'History' });
  await expect(list.getByText('now')).toBeVisible();
  await list
    .getByRole('button', { name: /^Set fold/ })
    .last()
    .click();
  await expect(page.getByRole('region', { name: 'Set fold', exact: true }).locator('img')).toBeVisible();
  await expect(page.getByRole('region', { name: 'Now' }).locator('img')).toBeVisible();
  await expect(page.getByText(/: fold 5 → 13$/)).toBeVisible();
  // How long steps are kept is said, and set.
  await list.getByRole('button', { name: 'Change …' }).click();
  await page.getByLabel('Every step for', { exact: true }).fill('3');
  await page.getByRole('button', { name: 'Set', exact: true }).click();
  await expect(list.getByText(/^Every step is kept for 3 days/)).toBeVisible();
  // Another state in the place of the figure as it is.
  await list.getByRole('button', { name: /^Nine for the board/ }).click({ modifiers: ['Shift'] });
  await expect(page.getByRole('region', { name: 'Nine for the board', exact: true })).toBeVisible();
  await expect(page.getByText(/: fold 5 → 9$/)).toBeVisible();
  // Keys that draw rest; arrows go up and down the list.
  await page.keyboard.press(']');
  for (let k = 0; k < 2; k += 1) await page.keyboard.press('ArrowUp');
  await expect(page.getByText(/: fold 9 → 13$/)).toBeVisible();
  for (let k = 0; k < 2; k += 1) await page.keyboard.press('ArrowDown');
  await page.keyboard.press('Enter');
  await expect(foldOf(page)).toHaveValue('5');
  await page.getByRole('button', { name: /^Undo: Take back/ }).click();
  await expect(foldOf(page)).toHaveValue('13');
  // On from there what was taken back would be lost: it is left behind as a version.
  await setFold(page, 3);
  await saved(page);
  await page.keyboard.press('p');
  await expect(list.getByText(/^Left behind: Take back/)).toBeVisible();
  await list.getByRole('button', { name: 'More for Nine for the board' }).click();
  await page.getByRole('menuitem', { name: 'Open as a figure' }).click();
  await expect(page.getByLabel('Name of the figure')).toHaveValue('Past iris: Nine for the board');
  await opened(page);
  await expect(foldOf(page)).toHaveValue('9');
});

test('figures are labelled, collected, found, compared, exported together, put in the Bin and back', async ({
  page,
}) => {
  const [a, b] = ['Shelf limpet', 'Shelf cowrie'];
  await stored(page, named(hatchIris(), a));
  await stored(page, named(kelpCrown(), b));
  await find(page, 'shelf');
  await choose(page, a, b);
  await chosen(page).getByRole('button', { name: 'Label …' }).click();
  await page.getByLabel('New label').fill('autumn');
  await page.getByLabel('New label').press('Enter');
  await expect(page.getByRole('list', { name: 'Its labels' }).getByText('autumn')).toBeVisible();
  await page.getByRole('button', { name: 'Done' }).click();
  const side = page.getByRole('navigation', { name: 'Shelf' });
  await side.getByRole('button', { name: 'New collection' }).click();
  await side.getByLabel('Name of the collection').fill('Shells');
  await side.getByLabel('Name of the collection').press('Enter');
  await expect(side.getByRole('button', { name: /^Shells/ })).toBeVisible();
  await chosen(page).getByRole('button', { name: 'Collection' }).click();
  await page.getByRole('menuitem', { name: 'Shells' }).click();
  await expect(side.getByRole('button', { name: /^Shells 2/ })).toBeVisible();

  await chosen(page).getByRole('button', { name: 'Compare' }).click();
  await expect(page.getByRole('region', { name: b }).locator('img')).toBeVisible();
  await expect(page.getByText(`Called “${a}” → “${b}”`)).toBeVisible();
  await page.getByRole('radio', { name: 'One over the other' }).click();
  await page.getByRole('slider', { name: /How much is seen/ }).press('ArrowRight');
  await expect(page.getByRole('region', { name: 'One over the other' }).locator('img')).toHaveCount(2);
  await page.getByRole('button', { name: 'Blink' }).click();
  await expect(page.getByRole('button', { name: 'Stop blinking' })).toBeVisible();

  await page.goto('/');
  await side.getByRole('button', { name: /^Shells/ }).click();
  await expect(page.getByRole('main').getByRole('listitem')).toHaveCount(2);
  await find(page, 'shells autumn');
  await expect(page.getByRole('main').getByRole('listitem')).toHaveCount(2);
  await page.keyboard.press('Tab');
  await page.keyboard.press('Control+a');
  await expect(chosen(page)).toContainText('2 figures');
  await chosen(page).getByRole('button', { name: 'Export …' }).click();
  const sheet = page.getByRole('dialog', { name: 'Export 2 figures' });
  await sheet.getByRole('radio', { name: 'SVG', exact: true }).click();
  const waiting = page.waitForEvent('download');
  await sheet.getByRole('button', { name: 'Export 2 files' }).click();
  const file = await (await waiting).path();
  const files = unzipSync(new Uint8Array(await readFile(file)));
  expect(Object.keys(files).sort()).toEqual(['shelf-cowrie.svg', 'shelf-limpet.svg']);
  expect(new TextDecoder().decode(files['shelf-limpet.svg'])).toContain('<svg');

  await chosen(page).getByRole('button', { name: 'To the Bin' }).click();
  await expect(page.getByText('2 figures are in the Bin.')).toBeVisible();
  await expect(page.getByText(/Nothing here is found/)).toBeVisible();
  await page.getByRole('searchbox').fill('');
  await side.getByRole('button', { name: /^Bin/ }).click();
  await expect(card(page, a).getByText(/goes in (29|30) days/)).toBeVisible();
  // Pictures are made when nothing else is.
  await expect(card(page, a).locator('img')).toBeVisible({ timeout: 60_000 });
  await page.getByRole('button', { name: `More for ${a}` }).click();
  await page.getByRole('menuitem', { name: 'Put back' }).click();
  await expect(card(page, a)).toHaveCount(0);
  await page.getByRole('button', { name: `More for ${b}` }).click();
  await page.getByRole('menuitem', { name: 'Take away for good …' }).click();
  await page.getByRole('button', { name: 'Leave it' }).click();
  await expect(card(page, b)).toBeVisible();
  await page.getByRole('button', { name: 'Empty the Bin …' }).click();
  await expect(page.getByRole('heading', { name: 'Empty the Bin?' })).toBeVisible();
  await page.keyboard.press('Escape');
  await expect(page.getByRole('dialog')).toHaveCount(0);
  await expect(card(page, b)).toBeVisible();
  await page.getByRole('button', { name: `More for ${b}` }).click();
  await page.getByRole('menuitem', { name: 'Take away for good …' }).click();
  await page.getByRole('dialog').getByRole('button', { name: 'Take away for good' }).click();
  await expect(card(page, b)).toHaveCount(0);
  await side.getByRole('button', { name: /^All figures/ }).click();
  await expect(card(page, a)).toBeVisible();
  await stored(page, named(hatchIris(), 'Shelf abalone'));
  await page.getByRole('searchbox').fill('shelf');
  await expect(page.getByRole('main').getByRole('listitem')).toHaveText([/abalone/, /limpet/]);
  await page.getByRole('button', { name: /^In order of/ }).click();
  await page.getByRole('option', { name: 'Newest' }).click();
  await expect(page.getByRole('main').getByRole('listitem').first()).toContainText('abalone');
  await page.getByRole('button', { name: /^In order of/ }).click();
  await page.getByRole('option', { name: 'Name' }).click();
  await expect(page.getByRole('button', { name: 'In order of: Name' })).toBeVisible();
  await expect(page.getByRole('main').getByRole('listitem')).toHaveText([/abalone/, /limpet/]);
});

test('a Shelf follows what another window does, and says what is open there; a backup leaves and comes back', async ({
  page,
  context,
}) => {
  const name = 'Followed fan';
  const id = await stored(page, named(hatchIris(), name));
  await find(page, name);
  await expect(card(page, name)).toBeVisible();
  const waiting = page.waitForEvent('download');
  await page.getByRole('link', { name: 'Save' }).click();
  const backup = await (await waiting).path();

  const other = await context.newPage();
  await other.goto(`/figures/${id}`);
  await opened(other);
  await expect(card(page, name).getByText('open in a window')).toBeVisible();
  const third = await context.newPage();
  await third.goto(`/figures/${id}`);
  await opened(third);
  await expect(third.getByRole('status').filter({ hasText: 'also open in another window' })).toBeVisible();
  await third.close();
  await other.getByLabel('Name of the figure').fill('Followed far');
  await other.getByLabel('Name of the figure').press('Enter');
  await saved(other);
  await page.getByRole('searchbox').fill('followed');
  await expect(card(page, 'Followed far')).toBeVisible();
  await other.close();
  await expect(card(page, 'Followed far').getByText('open in a window')).toHaveCount(0);

  await page.getByLabel('Backup file').setInputFiles(backup);
  await expect(page.getByText(/^From the backup on the Shelf: \d+/)).toBeVisible();
  const today = new Date().toISOString().slice(0, 10);
  await expect(card(page, `${name} (backup ${today})`)).toBeVisible();
  await page.getByLabel('Backup file').setInputFiles({
    name: 'list.sqlite',
    mimeType: 'application/vnd.sqlite3',
    buffer: Buffer.from('A shopping list'),
  });
  await expect(page.getByText(/no backup of a Shelf/)).toBeVisible();
});

test('a figure begins from a construction; a motif is kept, dragged out, changed, and its uses follow elsewhere', async ({
  page,
}) => {
  await page.goto('/');
  await page.getByRole('button', { name: /^Begin from a construction or/ }).click();
  const sheet = page.getByRole('dialog', { name: 'New figure from' });
  await sheet.getByRole('radio', { name: /Burst/ }).click();
  await sheet.getByLabel('Fold', { exact: true }).fill('7');
  await sheet.getByLabel('Fold', { exact: true }).press('Enter');
  await sheet.getByLabel('Page').selectOption('badge');
  await sheet.getByRole('button', { name: 'Make it' }).click();
  await page.waitForURL(/\/figures\//);
  await opened(page);
  await expect(page.getByLabel('Name of the figure')).toHaveValue('Burst');
  await expect(page.getByText('58 × 58 mm')).toBeVisible();

  await makeFigure(page);
  const first = page.url();
  await page.keyboard.press('o');
  const drawer = page.getByRole('complementary', { name: 'Drawer' });
  const motif = (name: string) =>
    drawer.getByRole('list', { name: 'Motifs' }).getByRole('button', { name, exact: true });
  await drawer.getByLabel('Search motifs').fill('plant sprig');
  await motif('Sprig').dragTo(bench(page), { targetPosition: { x: 190, y: 300 } });
  await expect(page.getByRole('button', { name: /^Undo: Take Sprig/ })).toBeVisible();
  await drawer.getByRole('button', { name: 'Keep under another name' }).click();
  await drawer.getByLabel('Name in the drawer').fill('Harbour sprig');
  await drawer.getByLabel('Name in the drawer').press('Enter');
  await expect(page.getByText('“Harbour sprig” is in the drawer.')).toBeVisible();
  await saved(page);

  await makeFigure(page);
  await page.keyboard.press('o');
  await drawer.getByLabel('Search motifs').fill('harbour');
  await motif('Harbour sprig').click();
  await expect(page.getByRole('button', { name: /^Undo: Take Harbour sprig/ })).toBeVisible();
  await page.keyboard.press('o');
  const use = page.getByRole('region', { name: 'From the drawer' });
  await expect(use).toBeVisible();
  const count = page.getByText(/^8 shapes, 8-fold/);
  await expect(count).toBeVisible();
  // One leaf fewer in this use, and that is what the motif becomes.
  await page.getByRole('button', { name: 'Select Tip' }).click();
  await page.keyboard.press('Delete');
  await page.getByRole('button', { name: 'Select Stem' }).click();
  await use.getByRole('button', { name: 'Change the motif to this' }).click();
  await expect(page.getByText('“Harbour sprig” is changed in the drawer')).toBeVisible();

  await page.goto(first);
  await opened(page);
  await expect(
    page.getByText('“Harbour sprig” was changed in the drawer: its uses here follow.'),
  ).toBeVisible();
  await expect(page.getByText(/^7 shapes, 8-fold/)).toBeVisible();
  await page.getByRole('button', { name: 'Undo: Follow Harbour sprig' }).click();
  await expect(count).toBeVisible();

  // Let go, it follows no longer; motifs leave as a file, come in from one, go out and back.
  await page.getByRole('button', { name: 'Select Stem' }).click();
  await use.getByRole('button', { name: 'Detach' }).click();
  await expect(use).toHaveCount(0);
  await page.keyboard.press('o');
  const waiting = page.waitForEvent('download');
  await drawer.getByRole('button', { name: 'Kept motifs as a file' }).click();
  const file = await (await waiting).path();
  await drawer.getByLabel('File of motifs').setInputFiles(file);
  await expect(page.getByText(/ in the drawer\.$/).first()).toBeVisible();
  await drawer.getByRole('radio', { name: 'Kept' }).click();
  await expect(motif('Harbour sprig')).toHaveCount(2);
  await motif('Harbour sprig').first().hover();
  await drawer.getByRole('button', { name: 'More for Harbour sprig' }).first().click();
  await page.getByRole('menuitem', { name: 'Out of the drawer' }).click();
  await expect(motif('Harbour sprig')).toHaveCount(1);
  await drawer.getByRole('region', { name: 'Taken out' }).getByRole('button', { name: 'Put back' }).click();
  await expect(motif('Harbour sprig')).toHaveCount(2);
});
