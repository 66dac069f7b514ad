import { posterWheel } from '../../demo/pieces/posterWheel';
import { expect, test } from '@playwright/test';
import sharp from 'sharp';

import { copiesDrawn, drag, drawPetal, exported, makeFigure, saved, setFold, stored, whole } from './hands';

test('three rounds of folds 16, 48 and 14 with blend modes', async ({ page }) => {
  await makeFigure(page);
  const inspector = page.getByLabel('Inspector');
  const blend = async (mode: string): Promise<void> => {
    await page.keyboard.press('3');
    await inspector.getByRole('button', { name: 'Normal', exact: true }).first().click();
    await inspector.getByRole('group', { name: 'Blend modes' }).getByRole('button', { name: mode }).click();
    await expect(inspector.getByRole('button', { name: mode }).first()).toBeVisible();
    await page.keyboard.press('2');
  };
  await drawPetal(page, 60, 200);
  await setFold(page, 16);
  await blend('Multiply');
  for (const [fold, from, to, mode] of [
    [48, 220, 300, 'Screen'],
    [14, 120, 330, 'Difference'],
  ] as const) {
    await page.getByRole('button', { name: 'Round', exact: true }).click();
    await setFold(page, fold);
    await drawPetal(page, from, to);
    await blend(mode);
  }
  await saved(page);

  // On the screen too: where the first round's petal alone lies on the page it is page times petal (Compositing and Blending Level 1).
  await page.getByRole('button', { name: 'Artwork alone' }).click();
  const pane = (await whole(page).boundingBox())!;
  const scale = Number(
    /scale\(([\d.]+)\)/.exec(
      (await whole(page).locator('g[transform*="scale"]').first().getAttribute('transform'))!,
    )![1],
  );
  const bench = await page.evaluate(() => {
    const g = document.querySelector('[data-pane=bench] g[transform*="scale"]')!;
    return Number(/scale\(([\d.]+)\)/.exec(g.getAttribute('transform')!)![1]);
  });
  // 80 pixels up the Bench, at its scale, is a point of the first petal that no other round reaches.
  const up = (80 / bench) * scale;
  const at = { x: Math.round(pane.x + pane.width / 2), y: Math.round(pane.y + (pane.height - 24) / 2 - up) };
  const shot = await page.screenshot({ clip: { ...at, width: 1, height: 1 } });
  const [r = 0, g = 0, b = 0] = await sharp(shot).raw().toBuffer();
  const times = (page: number, petal: number): number => (page * petal) / 255;
  expect(Math.abs(r - times(0xff, 0x1f))).toBeLessThanOrEqual(2);
  expect(Math.abs(g - times(0xfe, 0x8a))).toBeLessThanOrEqual(2);
  expect(Math.abs(b - times(0xfb, 0x76))).toBeLessThanOrEqual(2);

  await page.getByRole('button', { name: 'Export' }).click();
  const svg = (await exported(page)).toString();
  for (const [mode, count] of [
    ['multiply', 16],
    ['screen', 48],
    ['difference', 14],
  ] as const)
    expect(svg.split(`mix-blend-mode:${mode}`).length - 1).toBe(count);
});

test('a step that does not close says what it leads to; copies differ, and change on their way', async ({
  page,
}) => {
  await makeFigure(page);
  const inspector = page.getByLabel('Inspector');
  await drawPetal(page);
  await page.keyboard.press('3');
  const step = inspector.getByLabel('Step angle');
  await step.fill('50');
  await step.press('Enter');
  const ways = inspector.getByRole('group', { name: 'Ways to keep the step' });
  await expect(ways.getByRole('button')).toHaveText([
    '36 copies close after 5 turns',
    '7 copies leave a gap of 10°',
    '7 close in one turn, 51.4286° each',
    '8 close in one turn, 45° each',
  ]);
  await ways.getByRole('button', { name: '7 copies leave a gap' }).click();
  await expect.poll(() => copiesDrawn(page)).toBe(7);
  await expect(inspector.getByText('open', { exact: true })).toBeVisible();
  await step.fill('360/7');
  await step.press('Enter');
  await expect(inspector.getByText('in one turn, exactly')).toBeVisible();
  await step.fill('0');
  await step.press('Enter');
  await expect(inspector.getByRole('alert')).toContainText('more than 0°');
  await step.press('Escape');
  const fold = inspector.getByLabel('Fold of the round');
  for (const wrong of ['0', '721', '2.5']) {
    await fold.fill(wrong);
    await fold.press('Enter');
    await expect(inspector.getByRole('alert')).toBeVisible();
    await fold.press('Escape');
  }
  await inspector.getByRole('radiogroup', { name: 'Goes round' }).getByText('By an angle').click();
  const sweep = inspector.getByLabel('Sweep', { exact: true });
  await sweep.fill('0');
  await sweep.press('Enter');
  await expect(inspector.getByRole('alert')).toContainText('A sweep of nothing');
  await sweep.press('Escape');

  await inspector
    .getByRole('radiogroup', { name: 'Way', exact: true })
    .getByRole('radio', { name: 'Along the way' })
    .click();
  await expect(whole(page).locator('[data-copy]').last()).toHaveAttribute('transform', /matrix/);
  await saved(page);
});

test('a bar in Reach is dragged until its round touches another, a copy is set free and taken back', async ({
  page,
}) => {
  await makeFigure(page);
  const inspector = page.getByLabel('Inspector');
  await drawPetal(page, 250, 350);
  await page.getByRole('button', { name: 'Round', exact: true }).click();
  await setFold(page, 8);
  await drawPetal(page, 80, 160);
  await page.keyboard.press('3');
  const bar = page.getByRole('button', { name: /^Round 2, fold 8/ });
  const box = (await bar.boundingBox())!;
  const other = (await page.getByRole('button', { name: /^Round 1, fold 8/ }).boundingBox())!;
  const from = { x: box.x + box.width / 2, y: box.y + box.height / 2 };
  // Both stand on the axis, tip to foot: they touch where the bars' ends meet. A little short of it, it is caught.
  const to = { x: from.x, y: from.y - (box.y - (other.y + other.height)) + 3 };
  await page.mouse.move(from.x, from.y);
  await page.mouse.down();
  await page.mouse.move(to.x, to.y, { steps: 6 });
  await expect(page.getByText('touching')).toBeVisible();
  await page.mouse.up();
  await expect(inspector.getByText('touch', { exact: true })).toBeVisible();

  await inspector.getByRole('button', { name: /^Set copy 1 free/ }).click();
  await expect(page.getByRole('button', { name: /^Round 2, copy 1, fold 1/ })).toBeVisible();
  await page.getByRole('button', { name: /^Round 2, copy 1, fold 1/ }).click();
  await inspector.getByRole('button', { name: 'Take it back into Round 2' }).click();
  await expect(page.getByRole('button', { name: /^Round 2, copy 1, fold 1/ })).toHaveCount(0);

  // One motif for both: what is done to one is done to the other.
  await inspector.getByLabel('Share the motif of').selectOption({ label: 'Round 1' });
  await expect(inspector.getByText('a change to one is a change to all')).toBeVisible();
  await inspector.getByRole('button', { name: 'Make it its own' }).click();
  await expect(inspector.getByText('its own', { exact: true })).toBeVisible();
  // A press on the bar without a move is no step.
  const undo = page.getByRole('button', { name: /^Undo|^Nothing to undo/ });
  const before = await undo.getAttribute('aria-label');
  await drag(page, from, from);
  await saved(page);
  expect(await undo.getAttribute('aria-label')).toBe(before);
});

test('a figure is placed in another and scattered, and a rosette is the motif of a larger one', async ({
  page,
}) => {
  await makeFigure(page);
  const name = `Of itself ${Date.now()}`;
  await page.getByLabel('Name of the figure').fill(name);
  await page.getByLabel('Name of the figure').press('Enter');
  await page.getByLabel('Name of the figure').blur();
  const inspector = page.getByLabel('Inspector');
  await drawPetal(page, 100, 300);
  await setFold(page, 5);
  await page.keyboard.press('3');
  await inspector.getByRole('button', { name: 'Make all of it one motif' }).click();
  await expect(inspector.getByText('1 shape, 8-fold')).toBeVisible();
  // Eight small rosettes of five petals each.
  await expect.poll(() => copiesDrawn(page)).toBe(8);
  await expect(whole(page).locator('#whole-0 path')).toHaveCount(5);
  await setFold(page, 1);
  await page.keyboard.press('2');
  await inspector.getByLabel('How many are scattered').fill('12');
  await inspector.getByLabel('How many are scattered').press('Enter');
  await inspector.getByRole('button', { name: 'Scatter over the page' }).click();
  await expect(whole(page).locator('#whole-0 path')).toHaveCount(60);

  // It has no fill of its own to give: its colours are there, each to be another one.
  await page.keyboard.press('5');
  await expect(inspector.getByRole('region', { name: 'Fill' })).toBeHidden();
  const own = inspector.getByRole('region', { name: 'Colours of it' });
  await own.getByRole('button', { name: /^Recolour #/ }).click();
  const other = page.getByRole('textbox', { name: 'Recolour to colour' });
  await other.fill('#d9512c');
  await other.press('Enter');
  await expect(whole(page).locator('#whole-0 path[fill="#d9512c"]')).toHaveCount(60);
  await page.keyboard.press('Escape');
  await saved(page);
  await page.keyboard.press('3');
  await inspector.getByRole('button', { name: 'Place a figure of the Shelf' }).click();
  // Others are found by their names; itself is not among them.
  const dialog = page.getByRole('dialog');
  await dialog.getByRole('searchbox').fill(name);
  await expect(dialog.getByText('No other figure is named like this')).toBeVisible();
  await page.keyboard.press('Escape');
  await expect(dialog).toBeHidden();

  await page.getByRole('button', { name: 'Reveal copy by copy' }).click();
  await expect(whole(page).locator('[data-copy].revealed')).toHaveCount(1);
  await page.getByRole('button', { name: 'Export' }).click();
  await page.getByRole('radio', { name: 'One by one' }).click();
  expect((await exported(page)).toString()).toContain('animation-delay');
});

test('a figure placed with its ground stays blended, and is one picture in the file however often it is shown', async ({
  page,
}) => {
  const name = `Wheel ${Date.now()}`;
  await stored(page, { ...posterWheel(), name });
  await makeFigure(page);
  const inspector = page.getByLabel('Inspector');
  await page.keyboard.press('3');
  await inspector.getByRole('button', { name: 'Place a figure of the Shelf' }).click();
  const dialog = page.getByRole('dialog');
  await dialog.getByRole('searchbox').fill(name);
  await dialog.getByRole('radio', { name: 'Placed too' }).click();
  await dialog.getByRole('button', { name }).click();
  await expect(dialog).toBeHidden();
  await setFold(page, 1);
  await page.keyboard.press('2');
  await inspector.getByRole('button', { name: 'Show it at one place more' }).click();
  await inspector.getByRole('button', { name: 'Show it at one place more' }).click();
  await page.getByRole('button', { name: 'Export' }).click();
  const svg = (await exported(page)).toString();
  expect(svg).toContain('mix-blend-mode:');
  expect(svg.match(/<use [^>]*transform="matrix/g)).toHaveLength(3);
  // The ground is there once, in the picture that is used.
  const { background } = posterWheel().page;
  const ground = typeof background === 'string' ? background : '';
  expect(svg.split(`fill="${ground}"`)).toHaveLength(2);
});

test('bars of more rounds than Reach has room for are scrolled to the one that is chosen', async ({
  page,
}) => {
  await makeFigure(page);
  const strip = page.getByRole('region', { name: 'Reach' });
  for (let k = 0; k < 7; k += 1) await page.getByRole('button', { name: 'Round', exact: true }).click();
  const room = (await strip.boundingBox())!;
  const isWhole = async (name: string): Promise<boolean> => {
    const bar = (await strip.getByRole('button', { name: new RegExp(`^${name},`) }).boundingBox())!;
    return bar.x >= room.x && bar.x + bar.width <= room.x + room.width;
  };
  /** At which edges bars fade out, as there are more beyond. */
  const fades = (): Promise<string[]> =>
    strip.locator('.overflow-x-auto').evaluate((element) => {
      const stops = getComputedStyle(element).maskImage;
      const clear = 'rgba(0, 0, 0, 0)';
      return [
        ...(stops.includes(`to right, ${clear}`) ? ['left'] : []),
        ...(stops.endsWith(`${clear})`) ? ['right'] : []),
      ];
    });
  await expect.poll(() => isWhole('Round 8')).toBe(true);
  expect(await fades()).toEqual(['left']);
  await strip.getByRole('button', { name: /^Round 8,/ }).focus();
  for (let k = 0; k < 7; k += 1) await page.keyboard.press('Shift+Tab');
  await expect(strip.getByRole('button', { name: /^Round 1,/ })).toHaveAttribute('aria-pressed', 'true');
  expect(await isWhole('Round 1')).toBe(true);
  await expect.poll(fades).toEqual(['right']);
});
