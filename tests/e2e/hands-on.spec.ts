import { FIGURE_VERSION, newFigure, newShape, START_PAINT } from '@/core/figure';
import { addShapes, setFold as foldOf, setMirror } from '@/core/figure/commands';
import { NO_TURN } from '@/core/number';
import { expect, test } from '@playwright/test';

import {
  benchAt,
  drag,
  drawPetal,
  exported,
  goTo,
  makeFigure,
  opened,
  saved,
  setFold,
  stored,
  unstored,
  whole,
} from './hands';

test('shapes are copied by Alt, by the clipboard and from figure to figure', async ({ page, context }) => {
  await context.grantPermissions(['clipboard-read', 'clipboard-write']);
  await makeFigure(page);
  await drawPetal(page);
  await page.keyboard.press('q');
  const middle = await benchAt(page, 0, 200);
  await page.mouse.move(middle.x, middle.y);
  await page.keyboard.down('Alt');
  await drag(page, middle, { x: middle.x + 30, y: middle.y });
  await page.keyboard.up('Alt');
  await expect(page.getByText('2 shapes, 8-fold')).toBeVisible();
  await page.keyboard.press('Control+c');
  await page.keyboard.press('Control+v');
  await expect(page.getByText('3 shapes, 8-fold')).toBeVisible();
  await page.keyboard.press('Control+d');
  await expect(page.getByText('4 shapes, 8-fold')).toBeVisible();
  await page.keyboard.press('Control+a');
  await page.keyboard.press('Control+x');
  await expect(page.getByText('0 shapes, 8-fold')).toBeVisible();
  await saved(page);
  await makeFigure(page);
  await page.keyboard.press('Control+v');
  await expect(page.getByText('4 shapes, 8-fold')).toBeVisible();
  await page.keyboard.press('Delete');
  await expect(page.getByText('0 shapes, 8-fold')).toBeVisible();
});

test('paint is taken up and given, strokes are set by numbers, colours are typed', async ({ page }) => {
  await makeFigure(page);
  await drawPetal(page);
  await page.keyboard.press('y');
  const at = await benchAt(page, 0, 300);
  await drag(page, at, { x: at.x + 14, y: at.y - 14 });
  await expect(page.getByText('2 shapes, 8-fold')).toBeVisible();
  await page.keyboard.press('5');
  const fill = page.getByRole('group', { name: 'Fill' });
  await fill.getByLabel('Fill colour').fill('rebeccapurple');
  await fill.getByLabel('Fill colour').press('Enter');
  await expect(fill.getByLabel('Fill colour')).toHaveValue('#663399');
  await fill.getByLabel('Fill colour').fill('no colour');
  await fill.getByLabel('Fill colour').press('Enter');
  await expect(fill.getByRole('alert')).toContainText('is no colour');
  await fill.getByLabel('Fill colour').press('Escape');

  // The eyedropper takes the ellipse's paint and gives back the tool that was in hand; Paint gives it to the petal in any copy.
  const paint = page.getByRole('button', { name: 'Paint', exact: true });
  await paint.click();
  await page.getByRole('button', { name: 'Eyedropper' }).click();
  await page.mouse.click(at.x, at.y);
  await expect(paint).toHaveAttribute('aria-pressed', 'true');
  const pane = (await whole(page).boundingBox())!;
  await page.mouse.click(pane.x + pane.width / 2 + 120, pane.y + (40 + pane.height - 64) / 2);
  await expect(fill.getByLabel('Fill colour')).toHaveValue('#663399');

  await page.getByRole('button', { name: 'Add a stroke' }).click();
  await page.getByLabel('Stroke width').fill('1/2');
  await page.getByLabel('Stroke width').press('Enter');
  await page.getByRole('radio', { name: 'Bevel' }).click();
  await page.getByRole('button', { name: 'Export' }).click();
  await page.getByRole('radio', { name: 'Plain paths' }).click();
  const svg = (await exported(page)).toString();
  expect(svg.match(/<path /g)).toHaveLength(16);
  expect(svg.match(/stroke-width="0\.5"/g)).toHaveLength(8);
  expect(svg).toContain('stroke-linejoin="bevel"');
  await page.getByRole('button', { name: 'Export' }).click();
  await page.getByRole('radiogroup', { name: 'File type' }).getByRole('radio', { name: 'Figure' }).click();
  expect(JSON.parse((await exported(page)).toString())).toMatchObject({
    format: 'cyclogon-figure',
    version: FIGURE_VERSION,
  });
});

test('with nothing selected a colour is for what comes next, and leaves what is there as it is', async ({
  page,
}) => {
  await makeFigure(page);
  await drawPetal(page, 60, 200);
  await page.keyboard.press('q');
  await page.keyboard.press('Escape');
  await page.keyboard.press('5');
  const inspector = page.getByLabel('Inspector');
  await expect(inspector.getByText('of the next shape')).toBeVisible();
  const fill = page.getByRole('group', { name: 'Fill' });
  await fill.getByLabel('Fill colour').fill('rebeccapurple');
  // Enter takes it and gives the keys back: what is typed next is a key.
  await fill.getByLabel('Fill colour').press('Enter');
  await page.keyboard.press('2');
  await drawPetal(page, 220, 330);
  await page.keyboard.press('5');
  await expect(fill.getByLabel('Fill colour')).toHaveValue('#663399');
  await page.keyboard.press('Control+z');
  await page.keyboard.press('Control+z');
  // Two steps back is before the first petal: the colour was no step.
  await page.keyboard.press('2');
  await expect(inspector.getByText('0 shapes, 8-fold')).toBeVisible();
});

test('Enter takes what was typed and Esc leaves it, and both give the keys back', async ({ page }) => {
  await makeFigure(page);
  await drawPetal(page);
  const inspector = page.getByLabel('Inspector');
  const rotation = inspector.getByLabel('Rotation');
  await rotation.fill('30');
  await rotation.press('Enter');
  await goTo(page, '3', 'Turn');
  await goTo(page, '2', 'Draw');
  await expect(rotation).toHaveValue('30');
  await rotation.fill('99');
  await rotation.press('Escape');
  await goTo(page, '4', 'Merge');
  await goTo(page, '2', 'Draw');
  await expect(rotation).toHaveValue('30');
  // What is refused keeps the field, so that it can be mended.
  await rotation.fill('thirty');
  await rotation.press('Enter');
  await expect(rotation).toBeFocused();
  await rotation.press('Escape');
  // Undo right after takes back that one value.
  await page.keyboard.press('Control+z');
  await expect(rotation).toHaveValue('0');
});

test('makers change by their handles and become plain paths, nodes are added and deleted', async ({
  page,
}) => {
  await makeFigure(page);
  await drawPetal(page, 100, 400);
  const width = page.getByRole('textbox', { name: 'Width', exact: true });
  const before = Number(await width.inputValue());
  await page.keyboard.press('q');
  const grip = (await page.locator('[data-pane=bench] [data-handle=right]').boundingBox())!;
  const from = { x: grip.x + grip.width / 2, y: grip.y + grip.height / 2 };
  await drag(page, from, { x: from.x + 25, y: from.y });
  await expect.poll(async () => Number(await width.inputValue())).toBeGreaterThan(before + 5);
  await page.getByRole('radio', { name: 'Two circles' }).click();
  await page.getByLabel('Apart', { exact: true }).fill('1000');
  await page.getByLabel('Apart', { exact: true }).press('Enter');
  await expect(page.getByRole('alert').filter({ hasText: 'overlap' })).toContainText('between 0 and');
  await page.getByLabel('Apart', { exact: true }).press('Escape');

  await page.getByRole('button', { name: 'Make plain, to edit nodes' }).click();
  await expect(page.locator('[data-pane=bench] [data-handle^=node-]')).toHaveCount(2);
  const side = (await page.locator('[data-pane=bench] [data-handle=node-0]').boundingBox())!;
  // The right side of the petal, half way up: a double-click there sets a node.
  const middle = { x: from.x + 25, y: from.y };
  expect(side.y).toBeGreaterThan(middle.y);
  await page.mouse.dblclick(middle.x, middle.y);
  await expect(page.locator('[data-pane=bench] [data-handle^=node-]')).toHaveCount(3);
  await page.keyboard.press('Delete');
  await expect(page.locator('[data-pane=bench] [data-handle^=node-]')).toHaveCount(2);
});

test('the start angle is dragged on the rim, stages and views answer to their keys', async ({ page }) => {
  await makeFigure(page);
  await drawPetal(page);
  await page.keyboard.press('3');
  const handle = page.getByRole('slider', { name: 'Start angle' });
  const box = (await handle.boundingBox())!;
  const from = { x: box.x + box.width / 2, y: box.y + box.height / 2 };
  await drag(page, from, { x: from.x + 90, y: from.y + 16 });
  await expect.poll(async () => Number(await handle.getAttribute('aria-valuenow'))).toBeGreaterThan(15);
  await page.getByLabel('Start angle', { exact: true }).last().fill('360/7');
  await page.getByLabel('Start angle', { exact: true }).last().press('Enter');
  await expect(handle).toHaveAttribute('aria-valuetext', '51.429 degrees');
  await page.getByLabel('Start angle', { exact: true }).last().blur();
  await page.keyboard.press(']');
  await expect(page.getByText('1 shape, 9-fold')).toBeVisible();
  await page.getByLabel('Fold of the round').fill('721');
  await page.getByLabel('Fold of the round').press('Enter');
  await expect(page.getByRole('alert').filter({ hasText: '720' })).toHaveText('From 1 to 720.');
  await page.getByLabel('Fold of the round').press('Escape');
  await page.keyboard.press('m');
  await expect(page.getByRole('heading', { name: 'Bench' })).toBeHidden();
  await page.keyboard.press('b');
  await expect(page.getByRole('heading', { name: 'Whole' })).toBeHidden();
  await page.keyboard.press('b');
  await page.keyboard.press('?');
  await expect(page.getByRole('dialog').getByText('neighbours’ ghosts')).toBeVisible();
  await page.keyboard.press('Escape');
  await expect(page.getByRole('dialog')).toHaveCount(0);
});

test('the wheel zooms about the pointer, space drags the view, 0 shows all again', async ({ page }) => {
  await makeFigure(page);
  await drawPetal(page);
  const scale = () => page.getByRole('textbox', { name: 'Zoom' }).inputValue();
  const fitted = await scale();
  const pane = (await whole(page).boundingBox())!;
  await page.mouse.move(pane.x + 100, pane.y + 300);
  await page.mouse.wheel(0, -400);
  await expect.poll(async () => Number(await scale())).toBeGreaterThan(Number(fitted) * 2);
  const page0 = page.getByTestId('whole-page');
  const before = (await page0.boundingBox())!;
  await page.keyboard.down(' ');
  await drag(page, { x: pane.x + 100, y: pane.y + 300 }, { x: pane.x + 160, y: pane.y + 320 });
  await page.keyboard.up(' ');
  const after = (await page0.boundingBox())!;
  expect(after.x - before.x).toBeCloseTo(60, 0);
  expect(after.y - before.y).toBeCloseTo(20, 0);
  await page.keyboard.press('0');
  expect(await scale()).toBe(fitted);
});

test('a merge that takes long shows its progress and can be stopped', async ({ page }) => {
  const figure = newFigure('Heavy', 'a');
  const shapes = Array.from({ length: 24 }, (_, k) =>
    newShape(
      `s${k}`,
      'Ellipse',
      {
        kind: 'ellipse',
        at: { x: (k % 9) - 4, y: -45 - k / 2 },
        rotation: NO_TURN,
        params: { width: 70, height: 60 },
      },
      START_PAINT,
    ),
  );
  const heavy = setMirror(foldOf(addShapes(figure, 'a', shapes), 'a', 720), 'a', true);
  const id = await stored(page, heavy);
  await page.goto(`/figures/${id}`);
  await opened(page);
  await page
    .getByRole('button', { name: /fold 720/ })
    .first()
    .click();
  await page.keyboard.press('4');
  await page.getByRole('radio', { name: 'Union' }).click();
  // The interface answers while the merge is under way.
  await expect(page.getByRole('progressbar', { name: 'Merging' })).toBeVisible();
  await page.getByRole('button', { name: 'Stop' }).click();
  await expect(page.getByText('Stopped. The copies are shown as they are.')).toBeVisible();
  // Tens of thousands of copies would be drawn on the Shelf that later tests begin at.
  await page.goto('about:blank');
  await unstored(page, id);
});

test('a round is united exactly at once, hidden, locked, copied and removed', async ({ page }) => {
  await makeFigure(page);
  await drawPetal(page);
  await setFold(page, 360);
  await page.keyboard.press('4');
  await page.getByRole('radio', { name: 'Union' }).click();
  const outline = page.getByRole('region', { name: 'The outline' });
  await expect(outline.getByText('arcs', { exact: true })).toBeVisible();
  await expect(outline.getByText(/^\d+ of \d+ kinds$/)).toBeVisible();
  await setFold(page, 10);
  await expect(outline.getByText(/^\d+ of \d+ kinds?$/)).toBeVisible();

  const bar = page.getByRole('button', { name: /^Round 1, fold 10/ });
  await bar.click({ button: 'right' });
  await page.getByRole('menuitem', { name: 'Duplicate' }).click();
  await expect(page.getByRole('button', { name: /^Round 1 copy/ })).toBeVisible();
  await page.getByRole('complementary').getByRole('button', { name: 'Hide round' }).click();
  await page.getByRole('complementary').getByRole('button', { name: 'Lock round' }).click();
  await page.keyboard.press('Escape');
  await expect(
    page.getByRole('group', { name: 'Fold of Round 1' }).getByLabel('Fold', { exact: true }),
  ).toBeDisabled();
  await bar.click({ button: 'right' });
  await page.getByRole('menuitem', { name: 'Remove' }).click();
  await expect(page.getByText('round 1 of 1')).toBeVisible();
});
