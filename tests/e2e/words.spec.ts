import path from 'node:path';

import { expect, type Page, test } from '@playwright/test';

import { benchAt, exported, makeFigure, saved, setFold } from './hands';

const FACE = path.join(
  import.meta.dirname,
  '../../node_modules/@expo-google-fonts/rubik/800ExtraBold/Rubik_800ExtraBold.ttf',
);

/** Lets the server set words only once it is told to answer. */
async function holdWords(page: Page): Promise<{ answer: () => void }> {
  let answer: () => void = () => undefined;
  const held = new Promise<void>((resolve) => (answer = resolve));
  await page.route('**/api/words', async (route) => {
    await held;
    // Those that were asked for before the last are not waited for, and may be gone.
    await route.continue().catch(() => undefined);
  });
  return { answer };
}

test('words are typed on a ring, set in other faces and a file of one’s own, and leave as outlines', async ({
  page,
}) => {
  await makeFigure(page);
  const at = await benchAt(page, 0, 300);
  await setFold(page, 3);
  await page.keyboard.press('z');
  await page.getByRole('toolbar', { name: 'More tools' }).getByRole('button', { name: 'Words' }).click();
  await page.mouse.click(at.x, at.y);
  // They can be typed at once; the keys are no tools' then.
  const inspector = page.getByRole('complementary', { name: 'Inspector' });
  const words = page.getByRole('textbox', { name: 'Words', exact: true });
  await expect(words).toBeFocused();
  // An undo takes back what was done last, also before the server has set the words.
  const first = await words.inputValue();
  const setting = await holdWords(page);
  await page.keyboard.type('Tide Week');
  await expect(words).toHaveValue('Tide Week');
  await page.keyboard.press('Enter');
  await expect(words).not.toBeFocused();
  await page.keyboard.press('Control+z');
  setting.answer();
  await expect(words).toHaveValue(first);
  await page.keyboard.press('Control+Shift+z');
  await expect(words).toHaveValue('Tide Week');

  // By the span they fill a step of the round.
  await page.getByRole('radio', { name: 'Span' }).click();
  const span = page.getByRole('textbox', { name: 'Span', exact: true });
  await span.fill('100');
  await span.press('Enter');
  await expect(inspector.getByText('100°', { exact: true })).toBeVisible();
  await page.keyboard.press('Control+z');
  await page.keyboard.press('Control+Shift+z');
  await expect(inspector.getByText('100°', { exact: true })).toBeVisible();

  // What a face does not have is said; another has it.
  await words.fill('Woche Д');
  await expect(page.getByText('This face has no Д')).toBeVisible();
  await words.fill('Неделя');
  await expect(page.getByText('Nothing of these words can be seen in this face.')).toBeVisible();
  await page.getByLabel('Face', { exact: true }).selectOption('Rubik');
  await expect(page.getByText('This face has no')).toBeHidden();
  // The words take long to be set in a face of one's own: what is wrong with the file after it stays told when they are.
  const { answer } = await holdWords(page);
  await page.getByLabel('Font file').setInputFiles(FACE);
  const face = page.getByLabel('Face', { exact: true });
  await expect(face).toContainText('Rubik ExtraBold');
  await page
    .getByLabel('Font file')
    .setInputFiles({ name: 'none.ttf', mimeType: 'font/ttf', buffer: Buffer.from('none') });
  const problem = page.getByText('This file is no face that can be read');
  await expect(problem).toBeVisible();
  answer();
  await expect(face.locator('option:checked')).toHaveText('Rubik ExtraBold');
  await expect(problem).toBeVisible();
  await expect(words).toHaveValue('Неделя');

  await saved(page);
  await page.getByRole('button', { name: 'Export' }).click();
  const svg = (await exported(page)).toString('utf8');
  expect(svg).not.toContain('<text');
  expect(svg.match(/<use /g)?.length).toBe(3);
});
