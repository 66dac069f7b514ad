import AxeBuilder from '@axe-core/playwright';
import { expect, test, type Page } from '@playwright/test';

import { PIECES } from '../../demo/pieces';
import type { Figure } from '@/core/figure';
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

test('numbers belong together: a slider moves what goes by it, names are read, and a circle is refused with its name', async ({
  page,
}) => {
  await page.goto(`/figures/${await stored(page, PIECES['scallop-ring']?.())}`);
  await opened(page);
  const panel = page.getByLabel('Inspector');
  await panel.getByRole('tab', { name: 'Page' }).click();
  await panel.getByRole('button', { name: 'Slider', exact: true }).click();
  await panel.getByLabel('Name of Slider 1').fill('Boldness');
  await page.keyboard.press('Enter');
  const bind = async (lever: string): Promise<void> => {
    await panel.getByLabel('Number that goes by others').selectOption(lever);
    await panel.getByRole('button', { name: 'Bind' }).click();
  };
  await bind('Hub · Petal · Width');
  const width = panel.getByLabel('What hub.petal.width goes by');
  await width.fill('2 * boldness');
  await page.keyboard.press('Enter');
  const petal = async () => {
    const hub = (await figureOf(page)).rounds.find(({ name }) => name === 'Hub');
    const form = hub?.shapes.find(({ name }) => name === 'Petal')?.form;
    return form?.kind === 'petal' ? form.params.width : null;
  };
  await expect.poll(petal).toBeCloseTo(10, 6);

  // Moved by a key, all of one place is one step.
  await panel.getByRole('slider', { name: 'Boldness' }).focus();
  await page.keyboard.press('End');
  await expect.poll(petal).toBeCloseTo(20, 6);

  // Changed by hand it stays, and why is said.
  await bind('Hub · Fold');
  await page
    .getByLabel('Fold of Hub')
    .getByRole('spinbutton')
    .or(page.getByLabel('Fold of Hub').getByRole('textbox'))
    .first()
    .fill('12');
  await page.keyboard.press('Enter');
  await expect(page.getByText('“hub.fold” goes by “9”')).toBeVisible();
  await page.keyboard.press('Escape');
  await panel.getByRole('button', { name: 'Let hub.fold be' }).click();

  // What goes in a circle is refused; the petal stays.
  await bind('Hub · Line · Width');
  await panel.getByLabel('What hub.line.width goes by').fill('hub.petal.width / 2');
  await page.keyboard.press('Enter');
  await width.fill('hub.line.width');
  await page.keyboard.press('Enter');
  await expect(page.getByText(/go by one another in a circle: hub\..*width → hub\..*width/)).toBeVisible();
  expect(await petal()).toBeCloseTo(20, 6);

  await page.keyboard.press('Escape');
  for (let k = 0; k < 5; k += 1) await page.locator('body').press('Control+z');
  await expect.poll(petal).toBeCloseTo(10, 6);
});
