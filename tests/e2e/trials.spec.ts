import AxeBuilder from '@axe-core/playwright';
import { expect, test, type Page } from '@playwright/test';

import { PIECES } from '../../demo/pieces';
import type { Figure } from '../../src/core/figure/model';
import { opened, saved, stored } from './hands';

async function figureOf(page: Page): Promise<Figure> {
  await saved(page);
  const id = page.url().split('/').at(-1) ?? '';
  const answer = await page.request.get(`/api/figures/${id}`);
  return ((await answer.json()) as { figure: Figure }).figure;
}

test('forms are tried side by side: over one number or two, by chance, pinned, grown from, and taken as a step', async ({
  page,
}) => {
  await page.goto(`/figures/${await stored(page, PIECES['scallop-ring']?.())}`);
  await opened(page);
  await page.keyboard.press('3');
  await page.getByRole('button', { name: 'Try other forms …' }).click();
  const dialog = page.getByRole('dialog', { name: 'Trials of form' });
  const wall = dialog.getByRole('group', { name: 'Trials' });
  await expect(wall).toHaveAttribute('aria-busy', 'false');
  // The hub has nine petals: six fewer and six more.
  await expect(wall.getByRole('button')).toHaveText(
    [3, 4, 5, 6, 7, 8, 10, 11, 12, 13, 14, 15].map((fold) => `Fold ${fold}`),
  );
  await expect(dialog.getByRole('img', { name: 'As it is' })).toBeVisible();
  const { violations } = await new AxeBuilder({ page })
    .include('[role=dialog]')
    .withTags(['wcag2a', 'wcag2aa', 'wcag21aa', 'wcag22aa'])
    .analyze();
  expect(violations.map(({ id, nodes }) => [id, nodes[0]?.html])).toEqual([]);

  // Pointed at it is large, and pinned it stays in sight.
  await wall.getByRole('button', { name: 'Fold 12' }).hover();
  await expect(dialog.getByRole('img', { name: 'Fold 12' })).toBeVisible();
  await dialog.getByRole('button', { name: 'Pin', exact: true }).click();
  const pins = dialog.getByRole('list', { name: 'Pinned' });
  await expect(pins).toContainText('Fold 12');

  // From the pinned one the next wall grows, over two numbers.
  await pins.getByRole('button', { name: 'Grow from it' }).click();
  await dialog.getByLabel('Over', { exact: true }).selectOption('Hub · Mirror');
  await dialog.getByLabel('And over').selectOption('Hub · Petal · Width');
  await expect(wall).toHaveAttribute('aria-busy', 'false');
  await expect(wall.getByRole('button', { name: /^Mirrored, Width/ })).toHaveCount(4);

  // By chance there are others each time.
  await dialog.getByRole('radio', { name: 'By chance' }).click();
  await expect(wall).toHaveAttribute('aria-busy', 'false');
  const before = await wall.getByRole('button').allTextContents();
  await dialog.getByRole('button', { name: 'Others' }).click();
  await expect.poll(() => wall.getByRole('button').allTextContents()).not.toEqual(before);
  await expect(wall).toHaveAttribute('aria-busy', 'false');
  const title =
    (await wall
      .getByRole('button', { name: /Every second/ })
      .first()
      .textContent()) ?? '';
  await wall.getByRole('button', { name: title, exact: true }).click();

  await expect(dialog).toBeHidden();
  const hub = async () => (await figureOf(page)).rounds.find(({ name }) => name === 'Hub')?.rule;
  await expect.poll(hub).toMatchObject({ fold: 12, alternate: true });
  // One step, taken back as one.
  await page.keyboard.press('Control+z');
  await expect.poll(hub).toMatchObject({ fold: 9, mirror: false });
  await page.keyboard.press('Control+Shift+z');
  await expect.poll(hub).toMatchObject({ fold: 12 });
  await page.keyboard.press('p');
  await expect(page.getByText(`Trial: Fold 12, ${title}`).first()).toBeVisible();
});
