import { expect, test, type Page } from '@playwright/test';

import { addRound, addShapes } from '@/core/figure/commands';
import { type Figure, newFigure, newRound, newShape, START_PAINT } from '@/core/figure';
import { NO_TURN } from '@/core/number';
import { bench, drag, goTo, opened, saved, stored, wholeAt } from './hands';

const disc = (id: string, r: number) =>
  newShape(
    id,
    'Disc',
    { kind: 'ellipse', at: { x: 0, y: -r }, rotation: NO_TURN, params: { width: 12, height: 12 } },
    START_PAINT,
  );

/** A disc at 30 mm in one round, one at 65 mm in another, both upright. */
const figure = addShapes(
  addRound(
    addShapes(newFigure('Two rounds', 'inner'), 'inner', [disc('a', 30)]),
    newRound('outer', 'Outer', 6),
  ),
  'outer',
  [disc('b', 65)],
);

async function storedFigure(page: Page): Promise<Figure> {
  await saved(page);
  const answer = await page.request.get(page.url().replace('/figures/', '/api/figures/'));
  return ((await answer.json()) as { figure: Figure }).figure;
}
const shapesOf = (now: Figure): number[] => now.rounds.map(({ shapes }) => shapes.length);
const fills = (now: Figure) => now.rounds.map(({ shapes }) => shapes[0]?.paint.fill);

test('shapes of several rounds are selected together, dragged, painted, turned and deleted', async ({
  page,
}) => {
  await page.goto(`/figures/${await stored(page, figure)}`);
  await opened(page);
  await goTo(page, '2', 'Draw');
  const inspector = page.getByLabel('Inspector');
  const [a, b] = [await wholeAt(page, 0, 30), await wholeAt(page, 0, 65)];
  await page.mouse.click(a.x, a.y);
  await page.keyboard.down('Shift');
  await page.mouse.click(b.x, b.y);
  await page.keyboard.up('Shift');
  await expect(inspector.getByRole('tab', { name: '2 shapes' })).toBeVisible();
  await expect(inspector.getByText('in 2 rounds')).toBeVisible();

  // One drag moves both by the same way.
  await page.mouse.move(b.x, b.y);
  await page.mouse.down();
  await page.mouse.move(b.x + 20, b.y + 6, { steps: 4 });
  await page.keyboard.down('Control');
  await page.mouse.move(b.x + 40, b.y + 12, { steps: 4 });
  await page.mouse.up();
  await page.keyboard.up('Control');
  await expect(inspector.getByText('in 2 rounds')).toBeVisible();
  await expect
    .poll(async () => {
      const now = await storedFigure(page);
      return now.rounds.map(({ shapes }) => {
        const form = shapes[0]?.form;
        return form?.kind === 'ellipse' ? form.at.x > 5 : false;
      });
    })
    .toEqual([true, true]);

  await page.getByRole('button', { name: '#d9512c at hand' }).click();
  await expect.poll(async () => fills(await storedFigure(page))).toEqual(['#d9512c', '#d9512c']);
  await inspector.getByRole('button', { name: 'Turn', exact: true }).click();
  await expect(inspector.getByText('in 2 rounds')).toBeVisible();
  await page.keyboard.press('Control+d');
  await expect.poll(async () => shapesOf(await storedFigure(page))).toEqual([2, 2]);
  await page.keyboard.press('Delete');
  await expect.poll(async () => shapesOf(await storedFigure(page))).toEqual([1, 1]);

  // All of both rounds by their bars in Reach, and by a box in Whole.
  await page.keyboard.press('Escape');
  await page.getByRole('button', { name: /^Outer, fold/ }).click();
  await page.getByRole('button', { name: /^Round 1, fold/ }).click({ modifiers: ['Shift'] });
  await expect(inspector.getByRole('tab', { name: '2 shapes' })).toBeVisible();
  await page.keyboard.press('Escape');
  const [from, to] = [await wholeAt(page, -89, 89), await wholeAt(page, 89, -89)];
  await page.mouse.move(from.x, from.y);
  await page.mouse.down();
  await page.mouse.move(to.x, to.y, { steps: 5 });
  await page.mouse.up();
  await expect(inspector.getByText('in 2 rounds')).toBeVisible();
  // And on the Bench, where the other round is a ghost.
  await page.keyboard.press('Escape');
  await expect(inspector.getByText('in 2 rounds')).toBeHidden();
  const pane = (await bench(page).boundingBox())!;
  await page.mouse.move(pane.x + 4, pane.y + 40);
  await page.mouse.down();
  await page.mouse.move(pane.x + pane.width - 4, pane.y + pane.height - 130, { steps: 5 });
  await page.mouse.up();
  await expect(inspector.getByText('in 2 rounds')).toBeVisible();
  // The box round both scales them about its opposite corner.
  const box = page.getByTestId('selection-box-whole');
  const wide = (await box.locator('path').first().boundingBox())!.width;
  const grip = (await page.locator('[data-pane=whole] [data-handle="box upper right"]').boundingBox())!;
  const held = { x: grip.x + grip.width / 2, y: grip.y + grip.height / 2 };
  await drag(page, held, { x: held.x + 30, y: held.y - 40 });
  await expect
    .poll(async () => (await box.locator('path').first().boundingBox())!.width)
    .toBeGreaterThan(wide * 1.15);
  await inspector.getByRole('button', { name: /^Outer/ }).click();
  await expect(inspector.getByRole('tab', { name: 'Disc' })).toBeVisible();
});
