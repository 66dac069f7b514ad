import { expect, test, type Page } from '@playwright/test';
import sharp from 'sharp';

import { Chance } from '../help/anyFigure';
import { pencilled, photographed, pictureOf } from '../help/seen';

import { benchAt, drag, exported, makeFigure, saved, setFold, wholeAt } from './hands';

/** Clicks on the Bench one after the other, slowly enough that two are not one double-click. */
async function clicks(page: Page, ...places: readonly (readonly [number, number])[]): Promise<void> {
  for (const [right, up] of places) {
    const p = await benchAt(page, right, up);
    await page.mouse.move(p.x, p.y, { steps: 2 });
    await page.mouse.click(p.x, p.y);
    await page.waitForTimeout(400);
  }
}

test('half a motif is drawn on one side, reflected live, and joined to one closed path', async ({ page }) => {
  await makeFigure(page);
  const inspector = page.getByLabel('Inspector');
  await inspector.getByRole('button', { name: 'Draw half' }).click();
  await page.keyboard.press('e');
  await clicks(page, [2, 120], [70, 200], [40, 330], [3, 400]);
  await page.keyboard.press('Enter');
  // The drawn side and its reflection, on the Bench.
  await expect(page.locator('#bench-motif-0 path')).toHaveCount(2);
  await expect(inspector.getByText('1 shape, 8-fold, mirrored')).toBeVisible();
  await inspector.getByRole('button', { name: 'Join the halves' }).click();
  await expect(inspector.getByText('1 shape, 8-fold', { exact: true })).toBeVisible();
  await expect(page.locator('#bench-motif-0 path')).toHaveCount(1);
  await expect(inspector.getByText('Area', { exact: true })).toBeVisible();
  await page.keyboard.press('w');
  await expect(page.locator('[data-pane=bench] [data-handle^=node-]')).toHaveCount(6);

  // A node goes and the path keeps its form as well as one curve can.
  await clicks(page, [70, 200]);
  await inspector.getByRole('button', { name: 'Delete nodes, keep the form' }).click();
  await expect(page.locator('[data-pane=bench] [data-handle^=node-]')).toHaveCount(5);
  await saved(page);
  await page.getByRole('button', { name: 'Export' }).click();
  expect((await exported(page)).toString().match(/d="M[^"]*Z"/g)).toHaveLength(1);
});

test('a branch is made and slit along the axis', async ({ page }) => {
  await makeFigure(page);
  const inspector = page.getByLabel('Inspector');
  await page.keyboard.press('1');
  await page.keyboard.press('f');
  await drag(page, await benchAt(page, 2, 60), await benchAt(page, 1, 400));
  await expect(inspector.getByLabel('Pairs', { exact: true })).toBeVisible();
  await page.keyboard.press('2');
  await page.keyboard.press('g');
  await drag(page, await benchAt(page, -3, 30), await benchAt(page, 3, 430));
  await expect(inspector.getByText(/^\d+ shapes, 8-fold$/)).toBeVisible();
  const words = await inspector.getByText(/^\d+ shapes, 8-fold$/).innerText();
  expect(Number.parseInt(words, 10) % 2).toBe(0);
});

test('a pen’s pressure makes a stroke thick and thin', async ({ page, context }) => {
  await makeFigure(page);
  const inspector = page.getByLabel('Inspector');
  await page.keyboard.press('r');
  const pen = await context.newCDPSession(page);
  const areaNow = async (): Promise<number> =>
    Number.parseFloat(await inspector.getByText(/mm²$/).first().innerText());
  const stroke = async (up: number, drawn: string, force: (share: number) => number): Promise<number> => {
    for (let k = 0; k <= 30; k += 1) {
      const p = await benchAt(page, -90 + 6 * k, up);
      await pen.send('Input.dispatchMouseEvent', {
        type: k === 0 ? 'mousePressed' : 'mouseMoved',
        x: p.x,
        y: p.y,
        button: 'left',
        buttons: 1,
        clickCount: k === 0 ? 1 : 0,
        pointerType: 'pen',
        force: force(k / 30),
      });
    }
    const end = await benchAt(page, 90, up);
    await pen.send('Input.dispatchMouseEvent', {
      type: 'mouseReleased',
      x: end.x,
      y: end.y,
      button: 'left',
      clickCount: 1,
      pointerType: 'pen',
    });
    await expect(inspector.getByText(drawn)).toBeVisible();
    return areaNow();
  };
  const light = await stroke(150, '1 shape, 8-fold', (share) => 0.05 + 0.1 * share);
  await page.waitForTimeout(400);
  await stroke(300, '2 shapes, 8-fold', (share) => 0.7 + 0.3 * share);
  await expect.poll(areaNow).toBeGreaterThan(1.5 * light);
});

test('stamps stand along a line by hand or a path, and a shape whirls inward', async ({ page }) => {
  await makeFigure(page);
  const inspector = page.getByLabel('Inspector');
  await page.keyboard.press('s');
  await inspector.getByRole('button', { name: 'Heart' }).click();
  await drag(page, await benchAt(page, -40, 150), await benchAt(page, 40, 350));
  await expect(inspector.getByText('1 shape, 8-fold')).toBeVisible();
  const count = inspector.getByText(/^\d+$/).first();
  const before = Number(await count.innerText());
  await inspector.getByLabel('Spacing', { exact: true }).fill('3');
  await inspector.getByLabel('Spacing', { exact: true }).press('Enter');
  await expect.poll(async () => Number(await count.innerText())).toBeGreaterThan(1.8 * before);
  await inspector.getByLabel('Spacing', { exact: true }).fill('0.001');
  await inspector.getByLabel('Spacing', { exact: true }).press('Enter');
  await expect(inspector.getByRole('alert')).toContainText('stamps at most');
  await inspector.getByLabel('Spacing', { exact: true }).press('Escape');

  // Along a path that is there: a polygon's corners.
  await page.keyboard.press('Control+a');
  await page.keyboard.press('Delete');
  await page.keyboard.press('u');
  await drag(page, await benchAt(page, 0, 250), await benchAt(page, 0, 330));
  await page.keyboard.press('s');
  await inspector.getByRole('button', { name: 'Stamp along Polygon' }).click();
  await expect(inspector.getByText('2 shapes, 8-fold')).toBeVisible();
  await page.keyboard.press('Delete');

  await page.keyboard.press('q');
  const middle = await benchAt(page, 0, 250);
  await page.mouse.click(middle.x, middle.y, { button: 'right' });
  await page.getByRole('menuitem', { name: 'Whirl inward' }).click();
  await expect(inspector.getByText('Whirl of a shape')).toBeVisible();
  const turns = inspector.getByLabel('Turns by');
  await turns.fill('60');
  await turns.press('Enter');
  await expect(inspector.getByRole('alert')).toContainText('falls on itself');
  await turns.press('Escape');
  await saved(page);
});

test('tools that the tray has no room for are taken by key and arrows, and drawn with', async ({ page }) => {
  await makeFigure(page);
  const inspector = page.getByLabel('Inspector');
  await page.keyboard.press('2');
  await page.keyboard.press('z');
  const more = page.getByRole('toolbar', { name: 'More tools' });
  await expect(more.getByRole('button', { name: 'Ray' })).toBeFocused();
  await page.keyboard.press('ArrowRight');
  await page.keyboard.press('ArrowRight');
  await page.keyboard.press('Enter');
  await expect(page.getByRole('button', { name: 'More tools, Heart in hand' })).toBeVisible();
  await drag(page, await benchAt(page, 0, 120), await benchAt(page, 0, 240));
  await expect(inspector.getByText('1 shape, 8-fold')).toBeVisible();
  await expect(inspector.getByText('Heart', { exact: true }).first()).toBeVisible();
  // Esc puts the list away and leaves the tool; a key of the tray takes another.
  await page.keyboard.press('z');
  await page.keyboard.press('Escape');
  await expect(more).toBeHidden();
  await page.keyboard.press('y');
  await expect(page.getByRole('button', { name: 'More tools', exact: true })).toBeVisible();
  await expect(page.getByRole('button', { name: /^Ellipse/ })).toHaveAttribute('aria-pressed', 'true');
});

test('an underlay is traced to paths with their holes', async ({ page }) => {
  await makeFigure(page);
  const inspector = page.getByLabel('Inspector');
  const picture = await sharp(
    Buffer.from(
      '<svg xmlns="http://www.w3.org/2000/svg" width="300" height="400"><rect width="300" height="400" fill="#fff"/><ellipse cx="150" cy="200" rx="100" ry="170" fill="#223"/><circle cx="150" cy="200" r="50" fill="#fff"/></svg>',
    ),
  )
    .jpeg()
    .toBuffer();
  await inspector.getByRole('tab', { name: 'Page' }).click();
  await inspector
    .getByLabel('Picture to trace from')
    .setInputFiles({ name: 'diatom.jpg', mimeType: 'image/jpeg', buffer: picture });
  await inspector.getByRole('button', { name: 'Trace into the motif' }).click();
  await expect(inspector.getByText('1 shape, 8-fold')).toBeVisible();
  await page.keyboard.press('2');
  // The underlay is as high as the Bench's wedge, 90 mm for 400 pixels: the ellipse is 45 mm wide and 76.5 high.
  const box = await inspector
    .getByText(/^[\d.]+ × [\d.]+ mm$/)
    .first()
    .innerText();
  const [width = 0, height = 0] = (box.match(/[\d.]+/g) ?? []).map(Number);
  expect(Math.abs(width - 45)).toBeLessThan(0.4);
  expect(Math.abs(height - 76.5)).toBeLessThan(0.4);
  await expect(inspector.getByText('Areas of 2')).toBeVisible();
  // Nothing is darker than black.
  await inspector.getByRole('tab', { name: 'Page' }).click();
  const threshold = inspector.getByLabel('Trace threshold');
  await threshold.fill('0.02');
  await threshold.press('Enter');
  await inspector.getByRole('button', { name: 'Trace into the motif' }).click();
  await expect(page.getByText('Nothing of the picture is beyond this threshold')).toBeVisible();
});

test('the symmetry of a picture is read, and one wedge of what its copies have in common is traced', async ({
  page,
}) => {
  const chance = new Chance(4);
  const drawn = pictureOf(pencilled(chance, 7, { x: 360, y: 280, size: 190, degrees: 40 }));
  const { width, height, data } = photographed(drawn, { chance, noise: 8, light: 0.2, tilt: 3 });
  const raw = { width, height, channels: 4 as const };
  const buffer = await sharp(Buffer.from(data), { raw }).png().toBuffer();
  await makeFigure(page);
  const inspector = page.getByLabel('Inspector');
  await inspector.getByRole('tab', { name: 'Page' }).click();
  await inspector
    .getByLabel('Picture to trace from')
    .setInputFiles({ name: 'sketch.png', mimeType: 'image/png', buffer });
  await inspector.getByRole('button', { name: 'Read its symmetry' }).click();
  await expect(inspector.getByRole('radio', { name: '×7' })).toBeChecked();
  await expect(inspector.getByRole('radio', { name: 'Mirrored' })).toBeChecked();
  await expect(page.getByTestId('seen-frame')).toBeVisible();
  await inspector.getByRole('button', { name: 'Lay it in the wedge' }).click();
  await expect(page.getByRole('textbox', { name: 'Fold' })).toHaveValue('7');
  await inspector.getByRole('button', { name: 'Trace the average' }).click();
  await expect(inspector.getByText(/^\d+ shapes?, 7-fold, mirrored$/)).toBeVisible();
  // One step each; the picture itself is back after the trace is undone.
  await inspector.getByRole('tab', { name: 'Page' }).click();
  await expect(inspector.getByText('Average of sketch.png')).toBeVisible();
  await page.keyboard.press('Control+z');
  await expect(inspector.getByText('sketch.png', { exact: true })).toBeVisible();
  await expect(inspector.getByRole('radio', { name: '×7' })).toBeChecked();
});

test('what is drawn freely in Whole with one copy is offered its likely symmetry, and a key takes it', async ({
  page,
}) => {
  await makeFigure(page);
  await setFold(page, 1);
  await page.keyboard.press('r');
  const middle = await wholeAt(page, 0, 0);
  /** A bowed line out from the middle, as a hand draws it. */
  const stroke = async (degrees: number, unsteady: number): Promise<void> => {
    const [sin, cos] = [Math.sin, Math.cos].map((f) => f((degrees * Math.PI) / 180)) as [number, number];
    const points = Array.from({ length: 24 }, (_, k) => {
      const [x, y] = [24 * Math.sin((Math.PI * k) / 23) + unsteady * Math.sin(k / 3), -30 - 4 * k];
      return { x: middle.x + x * cos - y * sin, y: middle.y + x * sin + y * cos };
    });
    await page.mouse.move(points[0]!.x, points[0]!.y);
    await page.mouse.down();
    for (const { x, y } of points.slice(1)) await page.mouse.move(x, y);
    await page.mouse.up();
  };
  const offer = page.getByLabel('A symmetry is offered');
  await stroke(0, 1);
  await expect(page.getByText('1 shape, 1-fold')).toBeVisible();
  await expect(offer).toBeHidden();
  await stroke(61, -1);
  await expect(offer).toContainText('×6');
  // Left as it is, until there is more to say.
  await page.keyboard.press('Escape');
  await expect(offer).toBeHidden();
  await stroke(118, 1.5);
  await expect(offer).toContainText('×6');
  await page.keyboard.press('c');
  await expect(page.getByText('1 shape, 6-fold')).toBeVisible();
  await expect(offer).toBeHidden();
  // One step: undone, three strokes are back.
  await page.keyboard.press('Control+z');
  await expect(page.getByText('3 shapes, 1-fold')).toBeVisible();
});

test('Tab catches what else is near, a pivot is clicked, cells of a frame become shapes', async ({
  page,
}) => {
  await makeFigure(page);
  await setFold(page, 6);
  const inspector = page.getByLabel('Inspector');
  await page.keyboard.press('1');
  await inspector.getByRole('radio', { name: 'Inside' }).click();
  await inspector.getByRole('radiogroup', { name: 'Diagonals of the frame' }).getByText('All').click();
  await inspector.getByRole('button', { name: 'Make its cells shapes' }).click();
  // Turned six-fold, the hexagon with all diagonals has five kinds of its 24 cells, mirrored three.
  await expect(inspector.getByText(/^\d shapes, 6-fold$/)).toBeVisible();
  await page.keyboard.press('Control+z');
  await expect(inspector.getByText('0 shapes, 6-fold')).toBeVisible();

  await page.keyboard.press('2');
  await page.keyboard.press('t');
  const readout = page.getByTestId('readout');
  const p = await benchAt(page, 3, 2);
  await page.mouse.move(p.x, p.y);
  await expect(readout).toContainText('Tab');
  const first = await readout.innerText();
  await page.keyboard.press('Tab');
  await expect(readout).toContainText('2 of');
  expect(await readout.innerText()).not.toBe(first);
  await page.keyboard.press('Shift+Tab');
  await expect(readout).toContainText('1 of');

  await page.keyboard.press('d');
  await drag(page, await benchAt(page, 0, 150), await benchAt(page, 0, 250));
  await inspector.getByRole('radiogroup', { name: 'Pivot' }).getByText('Point').click();
  await inspector.getByRole('button', { name: 'Click the point' }).click();
  await clicks(page, [0, 300]);
  await expect(page.locator('[data-pane=bench] [data-testid=pivot]')).toBeVisible();
  await expect(inspector.getByLabel('Pivot y')).not.toHaveValue('0');
  await inspector.getByRole('button', { name: 'Make a copy' }).click();
  await expect(inspector.getByText('2 shapes, 6-fold')).toBeVisible();
});

test('an SVG on the clipboard becomes shapes, and shapes become an SVG on the clipboard', async ({
  page,
  context,
}) => {
  await context.grantPermissions(['clipboard-read', 'clipboard-write']);
  await makeFigure(page);
  const inspector = page.getByLabel('Inspector');
  await page.evaluate(() =>
    navigator.clipboard.writeText(
      '<svg xmlns="http://www.w3.org/2000/svg"><path fill="#d9512c" fill-rule="evenodd" d="M0 0h40v40h-40zM10 10h20v20h-20z"/><circle r="5" cx="60" fill="none" stroke="teal"/></svg>',
    ),
  );
  await page.keyboard.press('Control+v');
  await expect(inspector.getByText('2 shapes, 8-fold')).toBeVisible();
  await page.keyboard.press('Control+c');
  const text = await page.evaluate(() => navigator.clipboard.readText());
  expect(text).toMatch(/^<\?xml/);
  expect(text).toContain('fill="#d9512c" fill-rule="evenodd"');
  await page.evaluate(() => navigator.clipboard.writeText('<svg><path d="M0 0'));
  await page.keyboard.press('Control+v');
  await expect(page.getByText('This is not well-formed SVG')).toBeVisible();
  await expect(inspector.getByText('2 shapes, 8-fold')).toBeVisible();
});
