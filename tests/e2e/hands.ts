import { readFile } from 'node:fs/promises';

import { expect, type Locator, type Page } from '@playwright/test';

import { OWN_HEADER } from '@/protocol';

/** What a person does with the application, by pointer and keys. */
export const bench = (page: Page): Locator => page.locator('[data-pane=bench]');
export const whole = (page: Page): Locator => page.locator('[data-pane=whole]');

/** How many copies Whole draws: those that are marks of a path together, others each by itself. */
export const copiesDrawn = (page: Page): Promise<number> =>
  whole(page)
    .locator('[data-copies], [data-copy]')
    .evaluateAll((drawn) =>
      drawn.reduce((sum, each) => sum + Number(each.getAttribute('data-copies') ?? 1), 0),
    );

/** Waits until an editor that was opened listens to pointer and keys; it is seen before that. */
export async function opened(page: Page): Promise<void> {
  await expect(page.getByRole('heading', { name: 'Bench', exact: true })).toBeVisible();
  await expect(page.getByRole('main')).toHaveAttribute('aria-busy', 'false');
}

/** Makes a figure from the Shelf and waits for the editor. */
export async function makeFigureFromShelf(page: Page): Promise<void> {
  await page.goto('/');
  await page
    .getByRole('button', { name: /New figure|first figure/ })
    .first()
    .click();
  await page.waitForURL(/\/figures\//);
  await emptyBench(page);
}

/** Puts a figure on the Shelf, an empty one without any. @returns its id */
export async function stored(page: Page, figure?: object): Promise<string> {
  const made = await page.request.post('/api/figures', { headers: MEANT, data: figure ? { figure } : {} });
  return ((await made.json()) as { id: string }).id;
}

export const unstored = (page: Page, id: string): Promise<unknown> =>
  page.request.delete(`/api/figures/${id}`, { headers: MEANT });

/** Takes figures off the Shelf that have some words in their name. */
export async function unstoredNamed(page: Page, words: string): Promise<void> {
  const answer = await page.request.get('/api/figures');
  const { figures } = (await answer.json()) as { figures: { id: string; name: string }[] };
  for (const { id, name } of figures) if (name.includes(words)) await unstored(page, id);
}

/** What a program sends that means to change something. */
const MEANT = { [OWN_HEADER]: '1' };

/** Opens the editor with a new figure; as from the Shelf, but for the time that it takes. */
export async function makeFigure(page: Page): Promise<void> {
  await page.goto(`/figures/${await stored(page)}`);
  await emptyBench(page);
}

async function emptyBench(page: Page): Promise<void> {
  await opened(page);
  // The panes have been measured once the empty Bench says what to do.
  await expect(page.getByText('Choose Petal below')).toBeVisible();
}

/** A place on the Bench: pixels right of the axis, and pixels above the apex. */
export async function benchAt(page: Page, right: number, up: number): Promise<{ x: number; y: number }> {
  const box = (await bench(page).boundingBox())!;
  return { x: box.x + box.width / 2 + right, y: box.y + box.height - 146 - up };
}

/** A place in Whole: lengths of the figure right of the centre, and above it. */
export async function wholeAt(page: Page, right: number, up: number): Promise<{ x: number; y: number }> {
  const pane = (await whole(page).boundingBox())!;
  const transform = (await whole(page).locator('g[transform*="scale"]').first().getAttribute('transform'))!;
  const [x = 0, y = 0, scale = 1] = [...transform.matchAll(/-?[\d.]+/g)].map(Number);
  return { x: pane.x + x + right * scale, y: pane.y + y - up * scale };
}

/** Waits for the picture after what was done: a browser that has much to do may still have moves of the pointer before it. */
const seen = (page: Page): Promise<void> =>
  page.evaluate(
    () => new Promise((done) => requestAnimationFrame(() => requestAnimationFrame(() => done()))),
  );

export async function drag(
  page: Page,
  from: { x: number; y: number },
  to: { x: number; y: number },
): Promise<void> {
  await page.mouse.move(from.x, from.y);
  await page.mouse.down();
  await page.mouse.move((from.x + to.x) / 2, (from.y + to.y) / 2, { steps: 3 });
  await page.mouse.move(to.x, to.y, { steps: 3 });
  await page.mouse.up();
  await seen(page);
}

/** Draws a petal up the axis of the Bench. */
export async function drawPetal(page: Page, from = 100, to = 420): Promise<void> {
  await page.keyboard.press('d');
  // A little beside the axis: snapping has to bring it there.
  await drag(page, await benchAt(page, 3, from), await benchAt(page, -4, to));
}

export async function setFold(page: Page, fold: number): Promise<void> {
  const field = page.getByRole('group', { name: /Fold of/ }).getByLabel('Fold', { exact: true });
  await field.fill(String(fold));
  await field.press('Enter');
  await field.blur();
}

/** Goes to a stage by its key, and waits until it is there. */
export async function goTo(page: Page, key: string, stage: string): Promise<void> {
  await page.keyboard.press(key);
  const button = page.getByRole('button', { name: stage, exact: true });
  await expect(button).toHaveAttribute('aria-current', 'step');
}

/** The same page in another window of the browser. */
export async function otherWindow(page: Page): Promise<Page> {
  const other = await page.context().newPage();
  await other.goto(page.url());
  await opened(other);
  return other;
}

export const saved = (page: Page): Promise<void> =>
  expect(page.getByRole('status').filter({ hasText: /^(saved|saving|not saved)/ })).toHaveText(/^saved/);

/** The text of what the Export dialog hands over. */
export async function exported(page: Page): Promise<Buffer> {
  const downloading = page.waitForEvent('download');
  await page.getByRole('button', { name: 'Download' }).click();
  return readFile(await (await downloading).path());
}
