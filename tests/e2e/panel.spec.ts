import { expect, test, type Locator, type Page } from '@playwright/test';

import { bench, benchAt, drag, drawPetal, exported, goTo, makeFigure, saved } from './hands';

const inspector = (page: Page): Locator => page.getByLabel('Inspector');
const list = (page: Page): Locator => page.getByRole('list', { name: 'Shapes of the motif, front first' });
const names = (page: Page): Promise<string[]> =>
  list(page)
    .locator('[data-row]')
    .evaluateAll((rows) => rows.map((row) => (row.getAttribute('aria-label') ?? '').replace('Select ', '')));
const row = (page: Page, name: string): Locator =>
  list(page).getByRole('button', { name: `Select ${name}`, exact: true });
const tab = (page: Page, name: string | RegExp): Locator => inspector(page).getByRole('tab', { name });

/** A circle about a place of the Bench. */
async function circle(page: Page, right: number, up: number, radius: number): Promise<void> {
  await page.keyboard.press('y');
  await page.keyboard.down('Control');
  await drag(page, await benchAt(page, right, up), await benchAt(page, right + radius, up + radius));
  await page.keyboard.up('Control');
}

test('page, round and shape are a click away whatever is selected; sections stay folded', async ({
  page,
}) => {
  await makeFigure(page);
  await drawPetal(page);
  await expect(tab(page, 'Petal')).toHaveAttribute('aria-selected', 'true');
  await tab(page, 'Page').click();
  await expect(inspector(page).getByLabel('Page width')).toHaveValue('180');
  await expect(inspector(page).getByRole('region', { name: 'Underlay' })).toBeVisible();
  await tab(page, /^Round 1/).click();
  await expect(inspector(page).getByRole('button', { name: 'Draw half' })).toBeVisible();
  await tab(page, 'Petal').click();
  await expect(inspector(page).getByLabel('Transform angle')).toBeVisible();

  const transform = inspector(page).getByRole('region', { name: 'Transform' });
  await inspector(page).getByLabel('Transform angle').fill('45');
  await inspector(page).getByLabel('Transform angle').press('Enter');
  await transform.getByRole('button', { name: 'Fold' }).click();
  await expect(inspector(page).getByLabel('Transform angle')).toBeHidden();
  // Beside the shape nothing is selected, and the round is what the panel is about.
  await page.keyboard.press('q');
  await page.mouse.click((await benchAt(page, 0, 470)).x, (await benchAt(page, 0, 470)).y);
  await expect(tab(page, /^Round 1/)).toHaveAttribute('aria-selected', 'true');
  await row(page, 'Petal').click();
  await expect(inspector(page).getByLabel('Transform angle')).toBeHidden();
  await saved(page);
  await page.reload();
  await row(page, 'Petal').click();
  await expect(transform).toBeVisible();
  await expect(inspector(page).getByLabel('Transform angle')).toBeHidden();
  await transform.getByRole('button', { name: 'Unfold' }).click();
  await expect(inspector(page).getByLabel('Transform angle')).toBeVisible();
});

test('the motif is a tree: grouped, gone into, renamed in place, dragged to another order', async ({
  page,
}) => {
  await makeFigure(page);
  await circle(page, 0, 120, 20);
  await circle(page, 0, 220, 20);
  await circle(page, 0, 330, 20);
  await expect.poll(() => names(page)).toEqual(['Ellipse 3', 'Ellipse 2', 'Ellipse']);

  await row(page, 'Ellipse').click();
  await row(page, 'Ellipse 2').click({ modifiers: ['Shift'] });
  await page.keyboard.press('Control+g');
  await expect.poll(() => names(page)).toEqual(['Ellipse 3', 'Group 1', 'Ellipse 2', 'Ellipse']);
  await expect(tab(page, 'Group 1')).toHaveAttribute('aria-selected', 'true');

  // Copies and their groups have names of their own; the copy is one thing too.
  await row(page, 'Group 1').dblclick();
  await page.keyboard.type('Beads');
  await page.keyboard.press('Enter');
  await expect(row(page, 'Beads')).toBeVisible();
  await expect(tab(page, 'Beads')).toBeVisible();

  // A click takes the group, Alt goes into it.
  await page.keyboard.press('q');
  await page.keyboard.press('Escape');
  const inside = await benchAt(page, 0, 120);
  await page.mouse.click(inside.x, inside.y);
  await expect(row(page, 'Beads')).toHaveAttribute('aria-pressed', 'true');
  await page.keyboard.down('Alt');
  await page.mouse.click(inside.x, inside.y);
  await page.keyboard.up('Alt');
  await expect(row(page, 'Beads')).toHaveAttribute('aria-pressed', 'false');
  await expect(row(page, 'Ellipse')).toHaveAttribute('aria-pressed', 'true');

  const centre = async (name: string): Promise<{ x: number; y: number }> => {
    const box = (await row(page, name).boundingBox())!;
    return { x: box.x + box.width / 2, y: box.y + box.height / 2 };
  };
  await drag(page, await centre('Ellipse 3'), await centre('Beads'));
  await expect.poll(() => names(page)).toEqual(['Beads', 'Ellipse 3', 'Ellipse 2', 'Ellipse']);
  await page.keyboard.press('Control+z');
  await expect.poll(() => names(page)).toEqual(['Ellipse 3', 'Beads', 'Ellipse 2', 'Ellipse']);
  await row(page, 'Ellipse 3').click();
  await page.keyboard.press('Control+ArrowDown');
  await expect.poll(() => names(page)).toEqual(['Beads', 'Ellipse 2', 'Ellipse', 'Ellipse 3']);

  await list(page).getByRole('button', { name: 'Hide what is in Beads' }).click();
  await expect.poll(() => names(page)).toEqual(['Beads', 'Ellipse 3']);
  await row(page, 'Beads').click();
  await page.keyboard.press('Control+Shift+g');
  await expect.poll(() => names(page)).toEqual(['Ellipse 2', 'Ellipse', 'Ellipse 3']);
});

test('a circle has a diameter, which keeps it one', async ({ page }) => {
  await makeFigure(page);
  await page.keyboard.press('y');
  await page.keyboard.down('Shift');
  await drag(page, await benchAt(page, 0, 250), await benchAt(page, 40, 250));
  await page.keyboard.up('Shift');
  const diameter = inspector(page).getByRole('textbox', { name: 'Diameter' });
  await diameter.fill('30');
  await diameter.press('Enter');
  await expect(inspector(page).getByRole('textbox', { name: 'Width', exact: true })).toHaveValue('30');
  await expect(inspector(page).getByLabel('Height', { exact: true })).toHaveValue('30');
  // Of another height it is an ellipse, which has none.
  await inspector(page).getByLabel('Height', { exact: true }).fill('20');
  await inspector(page).getByLabel('Height', { exact: true }).press('Enter');
  await expect(diameter).toBeHidden();
});

test('a field never goes back to the number it had, however fast it is stepped', async ({ page }) => {
  await makeFigure(page);
  await circle(page, 30, 250, 20);
  const width = inspector(page).getByRole('textbox', { name: 'Width', exact: true });
  await width.fill('40');
  await width.press('Enter');
  await expect(width).toHaveValue('40');
  const seen = await width.evaluate(async (field: HTMLInputElement) => {
    field.focus();
    const values: string[] = [];
    // Keys follow one another before the page has time for anything that may wait.
    for (let time = 0; time < 5; time++) {
      field.dispatchEvent(new KeyboardEvent('keydown', { key: 'ArrowUp', bubbles: true }));
      await Promise.resolve();
      await Promise.resolve();
      values.push(field.value);
    }
    return values;
  });
  expect(seen).toEqual(['41', '42', '43', '44', '45']);
});

test('one side of the axis becomes the whole, live: one outline in the file', async ({ page }) => {
  await makeFigure(page);
  await circle(page, 30, 250, 60);
  const axis = inspector(page).getByRole('radiogroup', { name: 'At the axis' });
  await axis.getByText('Right side').click();
  await expect(inspector(page).getByText(/Cut at the axis, mirrored and united: one outline/)).toBeVisible();
  await axis.getByText('Left side').click();
  await expect(inspector(page).getByText(/one outline, \d+ nodes, 2 on the axis/)).toBeVisible();
  await page.keyboard.press('Control+z');
  await expect(inspector(page).getByText(/mirrored and united/)).toBeVisible();
  await inspector(page)
    .getByRole('region', { name: 'Axis' })
    .getByRole('button', { name: 'Make plain' })
    .click();
  await expect(axis.getByRole('radio', { name: 'As drawn' })).toBeChecked();
  await saved(page);
  await page.getByRole('button', { name: 'Export' }).click();
  const [outline = ''] = (await exported(page)).toString().match(/ d="M[^"]*Z"/) ?? [];
  expect(outline.match(/M/g)).toHaveLength(1);
});

test('the palette beside the tools paints what is selected, what comes next, and lines by themselves', async ({
  page,
}) => {
  await makeFigure(page);
  const atHand = page.getByRole('group', { name: 'Paint at hand' });
  const fill = atHand.getByRole('button', { name: /^Fill at hand/ });
  const stroke = atHand.getByRole('button', { name: /^Stroke at hand/ });
  await drawPetal(page);
  await expect(atHand.getByText('Petal')).toBeVisible();
  await atHand.getByRole('button', { name: '#d9512c at hand' }).click();
  await expect(fill).toHaveAccessibleName('Fill at hand: #d9512c');
  await atHand.getByRole('button', { name: '#113d4c at hand' }).click({ modifiers: ['Shift'] });
  await expect(stroke).toHaveAccessibleName('Stroke at hand: #113d4c');
  await atHand.getByLabel('Width at hand').fill('3');
  await atHand.getByLabel('Width at hand').press('Enter');

  // A line has a stroke of its own, and gives the next area none of it.
  await page.keyboard.press('Escape');
  await page.keyboard.press('Escape');
  await page.keyboard.press('t');
  await expect(atHand.getByText('of the next line')).toBeVisible();
  await atHand.getByRole('button', { name: '#e9b44c at hand' }).click();
  await drag(page, await benchAt(page, -60, 300), await benchAt(page, 60, 340));
  await expect(atHand.getByText(/^(Path|Line)/)).toBeVisible();
  await expect(stroke).toHaveAccessibleName('Stroke at hand: #e9b44c');
  await circle(page, 0, 200, 30);
  await expect(stroke).toHaveAccessibleName('Stroke at hand: #113d4c');
  await expect(fill).toHaveAccessibleName('Fill at hand: #d9512c');
  // It is there in every stage.
  await goTo(page, '3', 'Turn');
  await expect(atHand).toBeVisible();
});

test('Find goes to tools, sections and commands by what a person would call them', async ({ page }) => {
  await makeFigure(page);
  const find = async (text: string): Promise<void> => {
    await page.keyboard.press('/');
    await page.getByRole('combobox', { name: 'Find' }).fill(text);
    await expect(page.getByRole('dialog').getByRole('option').first()).toHaveAttribute('data-focus');
    await page.keyboard.press('Enter');
    await expect(page.getByRole('dialog')).toBeHidden();
  };
  await find('teardrop');
  await expect(page.getByTitle(/^Drop \(/)).toHaveAttribute('aria-pressed', 'true');
  await find('bleed');
  await expect(inspector(page).getByLabel('Bleed')).toBeVisible();
  await find('kaleidoscope');
  await tab(page, /^Round 1/).click();
  await expect(inspector(page).getByText('0 shapes, 8-fold, mirrored')).toBeVisible();
  await page.keyboard.press('/');
  await page.getByRole('combobox', { name: 'Find' }).fill('qqqq');
  await expect(page.getByText('Nothing is called so.', { exact: false })).toBeVisible();
  await page.keyboard.press('Escape');
  await goTo(page, '2', 'Draw');
  await drawPetal(page);
  await find('clone');
  await expect(inspector(page).getByText('2 shapes, 8-fold, mirrored')).toBeVisible();
});

test('the border between Bench and Whole is dragged and stays; a click on another round’s ghost goes to it', async ({
  page,
}) => {
  await makeFigure(page);
  await drawPetal(page, 300, 420);
  const border = page.getByRole('separator', { name: 'Width of the Bench' });
  const width = async (): Promise<number> => (await bench(page).boundingBox())!.width;
  const before = await width();
  const at = (await border.boundingBox())!;
  await drag(page, { x: at.x + 4, y: 300 }, { x: at.x - 80, y: 300 });
  expect(await width()).toBeLessThan(before - 60);
  const dragged = await width();
  await saved(page);
  await page.reload();
  await expect(bench(page)).toBeVisible();
  await expect.poll(width).toBeCloseTo(dragged, 0);
  await border.dblclick();
  await expect.poll(width).toBeCloseTo(before, 0);

  await page.getByRole('button', { name: 'Round', exact: true }).click();
  await expect(tab(page, /^Round 2/)).toBeVisible();
  await page.keyboard.press('q');
  const ghost = await benchAt(page, 0, 360);
  await page.mouse.click(ghost.x, ghost.y);
  await expect(tab(page, /^Round 1/)).toBeVisible();
  await expect(tab(page, 'Petal')).toHaveAttribute('aria-selected', 'true');
});

test('what is selected is scaled and turned by the handles of its box, and stays a construction where it can', async ({
  page,
}) => {
  await makeFigure(page);
  await page.keyboard.press('a');
  await page.keyboard.down('Control');
  await drag(page, await benchAt(page, -40, 200), await benchAt(page, 40, 300));
  await page.keyboard.up('Control');
  await page.keyboard.press('q');
  const number = async (label: string): Promise<number> =>
    Number(await inspector(page).getByLabel(label, { exact: true }).inputValue());
  const [width, height] = [await number('Width'), await number('Height')];
  const grip = async (name: string): Promise<{ x: number; y: number }> => {
    const box = (await page.locator(`[data-pane=bench] [data-handle="box ${name}"]`).boundingBox())!;
    return { x: box.x + box.width / 2, y: box.y + box.height / 2 };
  };
  const free = async (from: { x: number; y: number }, by: { x: number; y: number }): Promise<void> => {
    await page.keyboard.down('Control');
    await drag(page, from, { x: from.x + by.x, y: from.y + by.y });
    await page.keyboard.up('Control');
  };
  // A side alone: as high as before, half as wide again.
  await free(await grip('right'), { x: 40, y: 0 });
  await expect.poll(() => number('Width')).toBeCloseTo(1.5 * width, 1);
  expect(await number('Height')).toBeCloseTo(height, 3);
  await page.keyboard.press('Control+z');
  // A corner with Shift keeps the proportions; the opposite corner stays.
  const corner = await grip('lower left');
  await page.keyboard.down('Shift');
  await free(await grip('upper right'), { x: 40, y: -50 });
  await page.keyboard.up('Shift');
  await expect.poll(() => number('Width')).toBeCloseTo(1.5 * width, 1);
  expect(await number('Height')).toBeCloseTo(1.5 * height, 1);
  expect((await grip('lower left')).x).toBeCloseTo(corner.x, 0);
  // Turned by Shift in steps of 15°.
  const knob = await grip('turn');
  await page.keyboard.down('Shift');
  await drag(page, knob, { x: knob.x + 60, y: knob.y + 10 });
  await page.keyboard.up('Shift');
  await expect.poll(() => number('Rotation')).toBeGreaterThan(0);
  expect((await number('Rotation')) % 15).toBe(0);
  await page.keyboard.press('Control+z');
  await expect.poll(() => number('Rotation')).toBe(0);
});
