import { expect, test } from '@playwright/test';

import { benchAt, drag, exported, makeFigure, opened, saved, setFold } from './hands';

test('a frame is set out by numbers, snapped to, and drawn as paths', async ({ page }) => {
  await makeFigure(page);
  await setFold(page, 18);
  await page.keyboard.press('1');
  const inspector = page.getByLabel('Inspector');
  await inspector.getByRole('radio', { name: 'Inside' }).click();
  await expect(inspector.getByLabel('Corners of the frame')).toHaveValue('18');
  await inspector.getByRole('radiogroup', { name: 'Diagonals of the frame' }).getByText('Long').click();
  const rings = inspector.getByLabel('Rings', { exact: true });
  await rings.fill('20 to 60 by 20');
  await rings.press('Enter');
  await expect(rings).toHaveValue('20, 40, 60');
  await rings.fill('20, -3');
  await rings.press('Enter');
  await expect(inspector.getByRole('alert')).toHaveText('A ring has a radius above 0.');
  await rings.press('Escape');
  await expect(page.getByTestId('frame')).toHaveCount(2);

  // A line drawn near the corner of the polygon, on the axis, snaps to what is there and says so.
  await page.keyboard.press('2');
  await page.keyboard.press('t');
  const scale = await page.evaluate(() => {
    const g = document.querySelector('[data-pane=bench] g[transform*="scale"]')!;
    return Number(/scale\(([\d.]+)\)/.exec(g.getAttribute('transform')!)![1]);
  });
  const start = await benchAt(page, 3, 40 * scale - 2);
  await page.mouse.move(start.x, start.y);
  await page.mouse.down();
  const end = await benchAt(page, -2, 90 * scale + 3);
  await page.mouse.move(end.x, end.y, { steps: 4 });
  await expect(page.getByTestId('readout')).toContainText('cross');
  await page.mouse.up();
  await expect(inspector.getByText('50 mm', { exact: true }).first()).toBeVisible();

  await page.keyboard.press('1');
  await page.keyboard.press('Escape');
  await page.keyboard.press('Escape');
  await inspector.getByRole('button', { name: 'Draw all of it as paths' }).click();
  // The polygon, nine long diagonals, three rings, beside the line.
  await expect(inspector.getByText('14 shapes, 18-fold')).toBeVisible();
  await saved(page);
});

test('makers are drawn, changed by numbers, refused in place, made plain and transformed', async ({
  page,
}) => {
  await makeFigure(page);
  await page.keyboard.press('1');
  await page.keyboard.press('a');
  await drag(page, await benchAt(page, 2, 2), await benchAt(page, 2, 300));
  const inspector = page.getByLabel('Inspector');
  const bar = inspector.getByLabel('Bar', { exact: true });
  await bar.fill('80');
  await bar.press('Enter');
  await expect(inspector.getByRole('alert')).toContainText('A bar is between 0 and');
  await bar.press('Escape');
  await inspector.getByLabel('Sides', { exact: true }).fill('3');
  await inspector.getByLabel('Sides', { exact: true }).press('Enter');
  await inspector.getByRole('button', { name: 'Make plain, to edit nodes' }).click();
  await expect(inspector.getByText('3 shapes, 8-fold')).toBeVisible();

  await page.keyboard.press('2');
  await page.keyboard.press('q');
  await page.keyboard.press('Control+a');
  await page.keyboard.press('Delete');
  await page.keyboard.press('y');
  await page.keyboard.down('Shift');
  await drag(page, await benchAt(page, 2, 260), await benchAt(page, 30, 290));
  await page.keyboard.up('Shift');
  await inspector.getByRole('button', { name: 'Make them touch' }).click();
  await expect(inspector.getByText('touch', { exact: true })).toBeVisible();
  const angle = inspector.getByLabel('Transform angle');
  await angle.fill('50');
  await angle.press('Enter');
  await expect(
    inspector.getByText('50° closes after 36 copies and 5 turns; 7 fit into one turn and leave 10°.'),
  ).toBeVisible();
  await angle.fill('45/3');
  await angle.press('Enter');
  await inspector.getByLabel('Times').fill('2');
  await inspector.getByLabel('Times').press('Enter');
  await inspector.getByRole('button', { name: 'Make 2 copies' }).click();
  await expect(inspector.getByText('3 shapes, 8-fold')).toBeVisible();
  await page.getByRole('button', { name: 'Export' }).click();
  const svg = (await exported(page)).toString();
  expect(svg.match(/<path/g)).toHaveLength(3);
  // Circles stay circles, turned or not.
  expect(svg.match(/<path[^>]* d="[^"C]*A/g)).toHaveLength(3);
});

test('half a motif and its reflection become one closed path, a corner is rounded, guides and measures work', async ({
  page,
}) => {
  await makeFigure(page);
  const inspector = page.getByLabel('Inspector');
  await page.keyboard.press('e');
  for (const [right, up] of [
    [0, 100],
    [40, 100],
    [40, 300],
    [0, 340],
  ] as const) {
    const p = await benchAt(page, right, up);
    await page.mouse.click(p.x, p.y);
    await page.waitForTimeout(400);
  }
  await page.keyboard.press('Enter');
  await page.keyboard.press('w');
  const first = await benchAt(page, 0, 100);
  const side = await benchAt(page, 40, 100);
  // The foot is made level by params: rings may have caught its ends.
  await page.mouse.click(first.x, first.y);
  const up = inspector.getByLabel('Up y');
  await up.fill('17');
  await up.press('Enter');
  await page.mouse.click(side.x, side.y);
  await up.fill('17');
  await up.press('Enter');
  await page.waitForTimeout(400);
  await page.mouse.click(first.x, first.y);
  await inspector.getByRole('button', { name: 'Join reflection' }).click();
  // The flat foot runs on across the axis without a node: five are left of six.
  await page.waitForTimeout(400);
  await page.mouse.click(side.x, side.y);
  await expect(inspector.getByText(/of 5$/)).toBeVisible();
  await inspector.getByLabel('Corner radius').fill('4');
  await inspector.getByLabel('Corner radius').press('Enter');
  await inspector.getByRole('button', { name: 'Round corner' }).click();
  await page.waitForTimeout(400);
  const other = await benchAt(page, -40, 100);
  await page.mouse.click(other.x, other.y);
  await expect(inspector.getByText(/of 6$/)).toBeVisible();

  await page.keyboard.press('h');
  await drag(page, await benchAt(page, -60, 200), await benchAt(page, 60, 200));
  await page.keyboard.press('j');
  await drag(page, await benchAt(page, 0, 0), await benchAt(page, 0, 200));
  await expect(page.getByTestId('measured')).toContainText('mm at 0°');
  await page.keyboard.press('1');
  await page.keyboard.press('Escape');
  await page.keyboard.press('Escape');
  await inspector.getByRole('button', { name: 'Remove guide 1' }).click();
  await expect(inspector.getByRole('button', { name: 'Remove guide 1' })).toHaveCount(0);
});

test('strokes by hand become few nodes, as a shape or a line, and are slit along the axis', async ({
  page,
}) => {
  await makeFigure(page);
  const inspector = page.getByLabel('Inspector');
  const wave = async (up: number): Promise<void> => {
    await page.keyboard.press('r');
    for (let k = 0; k <= 40; k += 1) {
      const p = await benchAt(page, -80 + 4 * k, up + 30 * Math.sin(k / 6));
      await page.mouse.move(p.x, p.y);
      if (k === 0) await page.mouse.down();
    }
    await page.mouse.up();
  };
  await wave(300);
  await expect(inspector.getByText('1 shape, 8-fold')).toBeVisible();
  // The stroke stays one: its brush is changed afterwards.
  const areaNow = async (): Promise<number> =>
    Number.parseFloat(await inspector.getByText(/mm²$/).first().innerText());
  const before = await areaNow();
  const width = inspector.getByRole('textbox', { name: 'Width', exact: true });
  await width.fill('5');
  await width.press('Enter');
  await expect.poll(areaNow).toBeGreaterThan(1.15 * before);
  await inspector.getByRole('radio', { name: 'A line' }).click();
  await wave(200);
  await expect(inspector.getByText('2 shapes, 8-fold')).toBeVisible();
  await page.keyboard.press('w');
  await page.keyboard.press('Control+a');
  const note = await inspector
    .getByRole('region', { name: 'Selected nodes' })
    .getByText(/of \d+$/)
    .innerText();
  expect(Number(/of (\d+)$/.exec(note)![1])).toBeLessThanOrEqual(41 / 5);

  await page.keyboard.press('q');
  await page.keyboard.press('Control+a');
  await page.keyboard.press('g');
  // A little beside the axis: it snaps there, so that the halves are exact.
  await drag(page, await benchAt(page, 3, 120), await benchAt(page, -3, 380));
  await expect(inspector.getByText('4 shapes, 8-fold')).toBeVisible();
  await page.keyboard.press('Control+z');
  await expect(inspector.getByText('2 shapes, 8-fold')).toBeVisible();
});

test('arcs and circles go through three clicked points, circles touch by their rim, motifs are trimmed', async ({
  page,
}) => {
  await makeFigure(page);
  const inspector = page.getByLabel('Inspector');
  const click = async (right: number, up: number): Promise<void> => {
    const p = await benchAt(page, right, up);
    await page.mouse.move(p.x, p.y, { steps: 2 });
    await page.mouse.click(p.x, p.y);
    await page.waitForTimeout(400);
  };
  await page.keyboard.press('t');
  await inspector.getByRole('radio', { name: 'Arc, 3 points' }).click();
  await click(-40, 250);
  await click(0, 290);
  await click(40, 250);
  await expect(inspector.getByText('1 shape, 8-fold')).toBeVisible();
  await page.keyboard.press('y');
  await inspector.getByRole('radio', { name: 'Diameter' }).click();
  await drag(page, await benchAt(page, 0, 60), await benchAt(page, 0, 120));
  await expect(inspector.getByText('2 shapes, 8-fold')).toBeVisible();
  await inspector.getByRole('radio', { name: '3 points' }).click();
  await click(-90, 330);
  await click(90, 330);
  await page.keyboard.press('Escape');
  await click(-20, 330);
  await click(20, 330);
  await click(0, 350);
  await expect(inspector.getByText('3 shapes, 8-fold')).toBeVisible();

  // The last circle is dragged close to the arc below it and touches it.
  await page.keyboard.press('q');
  const scale = await page.evaluate(() => {
    const g = document.querySelector('[data-pane=bench] g[transform*="scale"]')!;
    return Number(/scale\(([\d.]+)\)/.exec(g.getAttribute('transform')!)![1]);
  });
  const radius =
    Number(await inspector.getByRole('textbox', { name: 'Width', exact: true }).inputValue()) / 2;
  const middle = Number(await inspector.getByLabel('Middle r').inputValue());
  const rim = await benchAt(page, 0, (middle + radius) * scale);
  const far = await benchAt(page, 0, middle * scale + (middle * scale - 288));
  await page.mouse.move(rim.x, rim.y);
  await page.mouse.down();
  await page.mouse.move(far.x, far.y, { steps: 5 });
  await expect(page.getByTestId('readout')).toContainText('touching Arc');
  await page.mouse.up();

  // Shapes that reach over the rays are cut there.
  await page.keyboard.press('a');
  await drag(page, await benchAt(page, -150, 150), await benchAt(page, 150, 170));
  await expect(inspector.getByText('What is selected crosses both rays: neighbours overlap.')).toBeVisible();
  await inspector.getByRole('button', { name: 'Cut the shapes at the rays' }).click();
  await expect(inspector.getByText('What is selected stays inside the wedge.')).toBeVisible();
  await saved(page);
});

test('a picture is laid under the Bench, placed by hand and by numbers, and is in no export', async ({
  page,
}) => {
  await makeFigure(page);
  const inspector = page.getByLabel('Inspector');
  await page.keyboard.press('1');
  const svg =
    '<svg xmlns="http://www.w3.org/2000/svg" width="40" height="80"><circle cx="20" cy="40" r="18" fill="#d9512c"/></svg>';
  await inspector.getByRole('tab', { name: 'Page' }).click();
  const choose = inspector.getByLabel('Picture to trace from');
  await choose.setInputFiles({ name: 'leaf.svg', mimeType: 'image/svg+xml', buffer: Buffer.from(svg) });
  const underlay = page.getByTestId('underlay');
  await expect(underlay).toBeVisible();
  await drag(page, await benchAt(page, 5, 200), await benchAt(page, 45, 240));
  await expect(inspector.getByLabel('Underlay x')).not.toHaveValue('0');
  await inspector.getByLabel('Underlay x').fill('0');
  await inspector.getByLabel('Underlay x').press('Enter');
  await inspector.getByLabel('Underlay rotation').fill('30');
  await inspector.getByLabel('Underlay rotation').press('Enter');
  await inspector.getByLabel('Underlay width').fill('24');
  await inspector.getByLabel('Underlay width').press('Enter');
  // A corner scales it about the opposite one, the knob turns it, with Shift in steps.
  const width = async (): Promise<number> =>
    Number.parseFloat(await inspector.getByLabel('Underlay width').inputValue());
  const before = await width();
  const grip = async (name: string) => {
    const box = (await page.locator(`[data-handle="box ${name}"]`).boundingBox())!;
    return { x: box.x + box.width / 2, y: box.y + box.height / 2 };
  };
  const [held, across] = [await grip('upper right'), await grip('lower left')];
  await drag(page, held, { x: (held.x + across.x) / 2, y: (held.y + across.y) / 2 });
  await expect.poll(width).toBeCloseTo(before / 2, 0);
  const stays = await grip('lower left');
  expect(Math.hypot(stays.x - across.x, stays.y - across.y)).toBeLessThan(2);
  await page.keyboard.down('Shift');
  const knob = await grip('turn');
  await drag(page, knob, { x: knob.x + 60, y: knob.y + 20 });
  await page.keyboard.up('Shift');
  await expect(inspector.getByLabel('Underlay rotation')).toHaveValue(/^(45|60|75|90)$/);

  // Two points of it are put at two places: twice as far apart, so it is twice as wide.
  const wide = await width();
  await inspector.getByRole('button', { name: 'Fit by two points' }).click();
  for (const [right, up] of [
    [-20, 200],
    [0, 120],
    [40, 200],
    [0, 240],
  ] as const) {
    const p = await benchAt(page, right, up);
    await page.mouse.move(p.x, p.y, { steps: 2 });
    await page.mouse.click(p.x, p.y);
  }
  await expect.poll(width).toBeCloseTo(2 * wide, 0);

  await inspector.getByRole('button', { name: 'Lock underlay' }).click();
  await expect(inspector.getByLabel('Underlay width')).toBeDisabled();
  await saved(page);
  await page.reload();
  await opened(page);
  await expect(page.getByTestId('underlay')).toBeVisible();
  await page.getByRole('button', { name: 'Export' }).click();
  expect((await exported(page)).toString()).not.toContain('image');
  await page.keyboard.press('Escape');

  await inspector.getByRole('tab', { name: 'Page' }).click();
  await inspector.getByRole('button', { name: 'Remove underlay' }).click();
  await choose.setInputFiles({ name: 'a.png', mimeType: 'image/png', buffer: Buffer.from('no picture') });
  await expect(page.getByText('This file is no picture that can be read')).toBeVisible();
});

test('a group is picked up by any of its shapes, and let go again', async ({ page }) => {
  await makeFigure(page);
  const inspector = page.getByLabel('Inspector');
  await page.keyboard.press('a');
  await drag(page, await benchAt(page, -40, 200), await benchAt(page, -10, 230));
  await page.keyboard.press('a');
  await drag(page, await benchAt(page, 10, 200), await benchAt(page, 40, 230));
  await page.keyboard.press('q');
  await page.keyboard.press('Control+a');
  await page.keyboard.press('Control+g');
  await page.keyboard.press('Escape');
  const one = await benchAt(page, -25, 215);
  await page.mouse.click(one.x, one.y);
  await expect(inspector.getByRole('tab', { name: 'Group 1' })).toHaveAttribute('aria-selected', 'true');
  await page.keyboard.press('Control+Shift+g');
  await page.keyboard.press('Escape');
  await page.waitForTimeout(400);
  await page.mouse.click(one.x, one.y);
  await expect(inspector.getByLabel('Top left')).toBeVisible();
});
