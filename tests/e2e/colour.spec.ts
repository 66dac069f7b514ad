import { divisionOf } from '../../demo/pieces/cells';
import { anyPaint, Chance } from '../help/anyFigure';
import { expect, test, type Page } from '@playwright/test';
import sharp from 'sharp';

import {
  addRound,
  addShapes,
  boundByFrame,
  paintCells,
  setBlend,
  setFrame,
  setMerge,
  setOpacity,
  setPage,
  setRelief,
} from '@/core/figure/commands';
import { type Figure, newFigure, newRound, newShape } from '@/core/figure';
import { fromPolar } from '@/core/curve';
import { pathForm } from '@/core/maker';
import { pixelsOf } from '../help/pictures';
import {
  benchAt,
  drag,
  drawPetal,
  exported,
  makeFigure,
  opened,
  setFold,
  stored,
  unstored,
  whole,
  wholeAt,
} from './hands';

const inspector = (page: Page) => page.getByLabel('Inspector');
const kinds = (page: Page) =>
  inspector(page).getByRole('list', { name: 'Kinds from centre to rim' }).getByRole('button');

/** How many paths have each fill, in the file in which every copy is a path of its own and neighbours only meet. */
const fills = async (page: Page): Promise<Record<string, number>> => {
  const id = new URL(page.url()).pathname.split('/').pop();
  const answer = await page.request.get(
    `/api/figures/${id}/export?to=svg&form=plain&neighbours=abut&background=0`,
  );
  const found: Record<string, number> = {};
  for (const [, fill = ''] of (await answer.text()).matchAll(/<path[^>]* fill="(#[^"]*)"/g))
    found[fill] = (found[fill] ?? 0) + 1;
  return found;
};

async function crown(page: Page): Promise<void> {
  await makeFigure(page);
  await drawPetal(page, 60, 400);
  await setFold(page, 22);
  await page.keyboard.press('4');
  await inspector(page).getByRole('radio', { name: 'Cells' }).click();
  await page.keyboard.press('5');
  await expect(kinds(page).first()).toBeVisible();
}

test('a crown of 22 petals is coloured ring by ring, a kind at a time, and keeps its paint while the motif moves', async ({
  page,
}) => {
  await crown(page);
  const count = await kinds(page).count();
  // All rings in one gesture.
  await inspector(page).getByRole('button', { name: 'Colour cells' }).click();
  await expect.poll(async () => Object.keys(await fills(page)).length).toBeGreaterThanOrEqual(count - 1);

  // A click on a cell chooses its kind in the list.
  await page.keyboard.press('q');
  const outer = await benchAt(page, 0, 385);
  await page.mouse.click(outer.x, outer.y);
  await expect(kinds(page).nth(count - 1)).toHaveAttribute('aria-pressed', 'true');
  await page.mouse.click((await benchAt(page, 0, 500)).x, (await benchAt(page, 0, 500)).y);
  await expect(kinds(page).nth(count - 1)).toHaveAttribute('aria-pressed', 'false');

  // A kind is seen from the list, chosen there, and filled.
  await kinds(page)
    .nth(count - 1)
    .click();
  await expect(whole(page).locator('[data-testid=cell-marks] path[stroke-width="1.6"]')).toHaveCount(22);
  await inspector(page).getByRole('button', { name: 'Fill: #d9512c' }).click();
  await expect.poll(async () => (await fills(page))['#d9512c']).toBeGreaterThanOrEqual(22);
  await expect(inspector(page).getByText('22 cells of a kind')).toBeVisible();

  // Every second cell of it by a stroke of paint.
  await page.getByRole('button', { name: /^Paint/ }).click();
  await inspector(page).getByRole('radio', { name: 'Every 2nd' }).click();
  await expect(inspector(page).getByText('of the next stroke')).toBeVisible();
  const before = (await fills(page))['#d9512c'] ?? 0;
  await inspector(page).getByRole('button', { name: 'Fill: #113d4c' }).click();
  expect((await fills(page))['#d9512c']).toBe(before);
  const tip = await benchAt(page, 0, 385);
  await page.mouse.click(tip.x, tip.y);
  await expect.poll(async () => (await fills(page))['#d9512c']).toBe(before - 11);

  // The motif moves: the paint stays on its cells.
  const painted = await fills(page);
  await page.keyboard.press('2');
  await page.keyboard.press('q');
  const petal = await benchAt(page, 0, 200);
  await page.mouse.click(petal.x, petal.y);
  await page.keyboard.press('Alt+ArrowUp');
  await page.keyboard.press('5');
  await expect.poll(() => fills(page)).toEqual(painted);

  // Under another fold the rings keep their colours; it is one step, there and back.
  await setFold(page, 24);
  const colours = Object.keys(painted);
  await expect
    .poll(async () => Object.values(await fills(page)).some((count) => count % 24 === 0))
    .toBe(true);
  const isKnown = async (): Promise<boolean> =>
    Object.keys(await fills(page)).every((colour) => colours.includes(colour));
  await expect.poll(isKnown).toBe(true);
  await page.keyboard.press('Control+z');
  await expect.poll(() => fills(page)).toEqual(painted);
  await page.keyboard.press('Control+Shift+z');
  await expect
    .poll(async () => Object.values(await fills(page)).some((count) => count % 24 === 0))
    .toBe(true);
  expect(await isKnown()).toBe(true);
});

test('a dial of 24 sectors and four rings is coloured in sequence, shifted ring by ring, in at most eight gestures', async ({
  page,
}) => {
  const at = (r: number, degrees: number) => ({ ...fromPolar(r, degrees), kind: 'corner' as const });
  let figure = addRound({ ...newFigure('Dial', 'x'), rounds: [] }, newRound('dial', 'Dial', 24));
  figure = setFrame(figure, 'dial', { rings: [20, 40, 60, 80] });
  figure = addShapes(figure, 'dial', [
    newShape('edge', 'Edge', pathForm([at(0, 7.5), at(80, 7.5)], false), { fill: null, stroke: null }),
  ]);
  figure = boundByFrame(setMerge(figure, 'dial', 'divide'), 'dial', true);
  const id = await stored(page, figure);
  await page.goto(`/figures/${id}`);
  await opened(page);

  let gestures = 0;
  const gesture = async (done: Promise<unknown>): Promise<void> => {
    gestures += 1;
    await done;
  };
  await gesture(page.keyboard.press('5'));
  await expect(kinds(page)).toHaveCount(4);
  await gesture(inspector(page).getByRole('radio', { name: 'Sectors' }).click());
  for (const colour of ['#84c5b4', '#1f8a76', '#84c5b4', '#f2e6d0'])
    await gesture(
      inspector(page)
        .getByRole('button', { name: `Use ${colour} next` })
        .click(),
    );
  await inspector(page).getByLabel('Shift of each ring').fill('1');
  await gesture(inspector(page).getByRole('button', { name: 'Colour cells' }).click());
  expect(gestures + 1).toBeLessThanOrEqual(8);
  // 96 cells: the first colour comes twice in four.
  await expect.poll(() => fills(page)).toEqual({ '#84c5b4': 48, '#1f8a76': 24, '#f2e6d0': 24 });
  await page.goto('about:blank');
  await unstored(page, id);
});

test('rays get one gradient over all of them, its end is dragged on the artwork, and the file has it once', async ({
  page,
}) => {
  await makeFigure(page);
  await drawPetal(page, 60, 400);
  await setFold(page, 30);
  await page.keyboard.press('5');
  await inspector(page)
    .getByRole('radiogroup', { name: 'Fill is' })
    .getByRole('radio', { name: 'Radial' })
    .click();
  await inspector(page)
    .getByRole('radiogroup', { name: 'Fill spread over' })
    .getByRole('radio', { name: 'Whole round' })
    .click();
  const rim = inspector(page).getByLabel('Fill end y');
  await rim.fill('40');
  await rim.press('Enter');
  await rim.blur();
  const end = page.locator('[data-pane=bench] [data-handle="gradient end"]');
  const from = (await end.boundingBox())!;
  await drag(
    page,
    { x: from.x + from.width / 2, y: from.y + from.height / 2 },
    { x: from.x + from.width / 2, y: from.y + from.height / 2 - 80 },
  );
  await expect.poll(async () => Number(await rim.inputValue())).toBeGreaterThan(45);

  // A stop is added by a click on the bar, coloured, and one out of order is refused.
  const bar = inspector(page).getByTitle('Click to add a stop');
  const box = (await bar.boundingBox())!;
  await page.mouse.click(box.x + box.width / 2, box.y + 5);
  await inspector(page).getByRole('button', { name: 'Fill stop: #d9512c' }).click();
  const place = inspector(page).getByLabel('Fill stop position');
  await place.fill('140');
  await place.press('Enter');
  await expect(inspector(page).getByRole('alert')).toBeVisible();
  await place.press('Escape');

  // The rings become ellipses by their third handle, in the file too, and are made round again.
  const aside = (await page.locator('[data-pane=whole] [data-handle="gradient across"]').boundingBox())!;
  await drag(
    page,
    { x: aside.x + aside.width / 2, y: aside.y + aside.height / 2 },
    { x: aside.x + aside.width / 2, y: aside.y + aside.height / 2 + 60 },
  );
  const id = new URL(page.url()).pathname.split('/').pop();
  const file = async (): Promise<string> =>
    (await page.request.get(`/api/figures/${id}/export?to=svg`)).text();
  await expect.poll(file).toContain('gradientTransform="matrix(');
  await inspector(page).getByRole('button', { name: 'Round rings' }).click();
  await expect.poll(file).not.toContain('gradientTransform');

  await page.getByRole('button', { name: 'Export' }).click();
  const svg = (await exported(page)).toString();
  expect(svg.match(/<radialGradient/g)).toHaveLength(1);
  expect(svg).toContain('gradientUnits="userSpaceOnUse" cx="0" cy="0"');
  expect(svg.match(/<stop /g)).toHaveLength(3);
  expect(svg.match(/<use /g)).toHaveLength(30);
});

test('the two halves of a fold are lit by the way that they face, and a figure is tried in other palettes', async ({
  page,
}) => {
  await makeFigure(page);
  await page.keyboard.press('y');
  const at = await benchAt(page, 25, 250);
  await drag(page, at, { x: at.x + 18, y: at.y + 18 });
  await page.keyboard.press('\\');
  await page.keyboard.press('5');
  const light = inspector(page).getByRole('region', { name: 'Light' });
  await light.getByRole('radio', { name: 'Across' }).click();
  // Every copy has both halves in tones of its own; left and right of the top differ.
  const tones = (): Promise<string[]> =>
    whole(page)
      .locator('defs path')
      .evaluateAll((paths) => [...new Set(paths.map((path) => path.getAttribute('fill') ?? ''))]);
  await expect.poll(async () => (await tones()).length).toBeGreaterThan(4);
  const depth = light.getByLabel('Depth of the light');
  await depth.fill('0');
  await depth.press('Enter');
  await depth.blur();
  await expect.poll(async () => (await tones()).filter((tone) => tone.startsWith('#1f8a76'))).toHaveLength(1);

  await inspector(page).getByRole('button', { name: 'Try other palettes …' }).click();
  await page.getByRole('group', { name: 'Trials' }).getByRole('button', { name: 'Lamp' }).click();
  await expect(inspector(page).getByRole('button', { name: /^Swatch \d+, #f9b43b$/ })).toBeVisible();
  await page.keyboard.press('Control+z');
  await expect(inspector(page).getByRole('button', { name: /^Swatch \d+, #1f8a76$/ })).toBeVisible();

  // The eyedropper takes the colour of a very point, here of the page, for what is selected; what is copied is given as a fill alone.
  await page.getByRole('button', { name: /^Eyedropper/ }).click();
  const pane = (await whole(page).boundingBox())!;
  await page.mouse.click(pane.x + pane.width / 2, pane.y + pane.height / 2 + 150);
  // The tool that was in hand before is so again.
  await expect(page.getByRole('button', { name: 'Select', pressed: true, exact: true })).toBeVisible();
  await page.mouse.click(at.x, at.y);
  await page.mouse.click(at.x, at.y, { button: 'right' });
  await page.getByRole('menuitem', { name: 'Copy paint' }).click();
  await inspector(page).getByRole('button', { name: 'Fill: #113d4c' }).click();
  await page.mouse.click(at.x, at.y, { button: 'right' });
  await page.getByRole('menuitem', { name: 'Paste fill alone' }).click();
  await expect(inspector(page).getByLabel('Fill colour')).toHaveValue('#fffefb');

  // A swatch that is changed takes all with it; a palette file that is broken changes nothing.
  await inspector(page)
    .getByRole('button', { name: /^Swatch \d+, #1f8a76$/ })
    .click();
  const field = page.getByLabel('Swatch colour');
  await field.fill('mud');
  await field.press('Enter');
  await expect(page.getByText('“mud” is no colour')).toBeVisible();
  await field.fill('rebeccapurple');
  await field.press('Enter');
  await expect(inspector(page).getByRole('button', { name: 'Fill: #663399' })).toBeVisible();
  // A name goes along with the colour, wherever it is offered.
  const name = page.getByLabel('Name of the colour');
  await name.fill('Rebecca');
  await name.press('Enter');
  await expect(inspector(page).getByRole('button', { name: 'Fill: Rebecca, #663399' })).toBeVisible();
  await field.fill('#663398');
  await field.press('Enter');
  await expect(inspector(page).getByRole('button', { name: 'Fill: Rebecca, #663398' })).toBeVisible();
  await page.keyboard.press('Escape');
  await expect(field).toBeHidden();
  const choosing = page.waitForEvent('filechooser');
  await inspector(page).getByRole('button', { name: 'More for the palette' }).click();
  await page.getByRole('menuitem', { name: 'Open tokens …' }).click();
  await (
    await choosing
  ).setFiles({ name: 'broken.json', mimeType: 'application/json', buffer: Buffer.from('{') });
  await expect(page.getByText('This file is no JSON, so it holds no design tokens.')).toBeVisible();
});

/** Opens a figure that was made before. @returns what closes and deletes it */
async function openFigure(page: Page, figure: Figure): Promise<{ id: string; close: () => Promise<void> }> {
  const id = await stored(page, figure);
  await page.goto(`/figures/${id}`);
  await opened(page);
  await page.getByRole('button', { name: 'Artwork alone' }).click();
  return {
    id,
    close: async () => {
      await page.goto('about:blank');
      await unstored(page, id);
    },
  };
}

/** How many times finer than a unit a file is rendered, so that the point that is compared is within an eighth of one. */
const FINE = 8;

/** Every third pixel is compared, across and down. */
const APART = 3;

/**
 * Compares Whole with a figure's file in another renderer, at every pixel of the artwork around which the file changes by no more than
 * some levels of 8 bits.
 * @returns the most that they differ, at how many pixels they were compared, and the share of these that differ by more than a level
 */
async function compared(
  page: Page,
  id: string,
  smooth: number,
  fine = FINE,
): Promise<{ most: number; pixels: number; apart: number }> {
  const pane = (await whole(page).boundingBox())!;
  const transform = (await whole(page).locator('g[transform*="scale"]').first().getAttribute('transform'))!;
  const [x0 = 0, y0 = 0, scale = 1] = [...transform.matchAll(/-?[\d.]+/g)].map(Number);
  const file = await page.request.get(
    `/api/figures/${id}/export?to=svg&form=compact&decimals=6&background=1`,
  );
  const side = Math.round(180 * fine);
  const there = pixelsOf(await file.text(), side);
  const shot = await sharp(await page.screenshot())
    .removeAlpha()
    .raw()
    .toBuffer({ resolveWithObject: true });
  // What lies over the page: the head and the foot of the pane.
  const top = Math.ceil(Math.max(pane.y + y0 - 90 * scale, pane.y + 60));
  const bottom = Math.floor(Math.min(pane.y + y0 + 90 * scale, pane.y + pane.height - 90));
  const left = Math.ceil(Math.max(pane.x + x0 - 88 * scale, pane.x + 16));
  const right = Math.floor(Math.min(pane.x + x0 + 88 * scale, pane.x + pane.width - 16));
  const around = Math.ceil((1.5 * fine) / scale);
  const offsets = Array.from({ length: 2 * around + 1 }, (_, k) => k - around);
  const near = offsets.flatMap((dx) => offsets.map((dy) => [dx, dy] as const));
  let [most, pixels, apart] = [0, 0, 0];
  for (let py = top; py < bottom; py += APART)
    for (let px = left; px < right; px += APART) {
      const at = (value: number, from: number): number =>
        Math.floor(((value + 0.5 - from) / scale + 90) * fine);
      const [fx, fy] = [at(px, pane.x + x0), at(py, pane.y + y0)];
      const level = (dx: number, dy: number, c: number): number =>
        there[4 * ((fy + dy) * side + fx + dx) + c] ?? 0;
      const isSmooth = near.every(([dx, dy]) =>
        [0, 1, 2].every((c) => Math.abs(level(dx, dy, c) - level(0, 0, c)) <= smooth),
      );
      if (!isSmooth) continue;
      pixels += 1;
      const seen = 3 * (py * shot.info.width + px);
      const off = Math.max(...[0, 1, 2].map((c) => Math.abs((shot.data[seen + c] ?? 0) - level(0, 0, c))));
      if (off > 1) apart += 1;
      most = Math.max(most, off);
    }
  return { most, pixels, apart: apart / pixels };
}

const ellipse = (y: number, r: number) =>
  ({
    kind: 'ellipse',
    at: { x: 0, y },
    rotation: { num: 0, den: 1 },
    params: { width: 2 * r, height: 2 * r },
  }) as const;

test('colours and gradients on the screen are those of the file in another renderer', async ({ page }) => {
  const gradient = (kind: 'linear' | 'radial', to: { x: number; y: number }, stops: [string, string]) => ({
    kind,
    spread: kind === 'linear' ? ('page' as const) : ('round' as const),
    from: kind === 'linear' ? { x: -90, y: 0 } : { x: 0, y: 0 },
    to,
    stops: stops.map((colour, at) => ({ at, colour })),
  });
  let figure = addShapes({ ...newFigure('Pixels', 'x'), rounds: [newRound('r', 'R', 6)] }, 'r', [
    newShape('run', 'Run', ellipse(-50, 18), {
      fill: gradient('radial', { x: 0, y: -90 }, ['#203040', '#70a0d0']),
      stroke: null,
    }),
    newShape('flat', 'Flat', ellipse(-50, 6), { fill: '#d9512c', stroke: null }),
  ]);
  figure = setPage(figure, { background: gradient('linear', { x: 90, y: 0 }, ['#101820', '#90a080']) });
  const { id, close } = await openFigure(page, figure);
  const { most, pixels } = await compared(page, id, 3);
  expect(pixels).toBeGreaterThan(5000);
  expect(most).toBeLessThanOrEqual(2);
  await close();
});

test('paints of any kind, see-through and blended, on the screen and on a canvas are those of the file in another renderer', async ({
  page,
}) => {
  for (const seed of [3, 8]) {
    const chance = new Chance(seed);
    const modes = ['normal', 'multiply', 'screen', 'darken', 'difference', 'normal'] as const;
    const rounds = modes.map((blend, k) => ({
      ...newRound(`r${k}`, `R${k}`, 3 + k),
      shapes: [newShape(`s${k}`, 'Shape', ellipse(-14 - 12 * k, 9 + k), anyPaint(chance))],
      opacity: chance.between(0.4, 1),
      blend,
    }));
    const { id, close } = await openFigure(page, { ...newFigure('Paints', 'r0'), rounds });
    const { most, pixels } = await compared(page, id, 3);
    expect(pixels).toBeGreaterThan(5000);
    expect(most).toBeLessThanOrEqual(4);
    await close();
  }
  // The same paints on thousands of cells, which a canvas draws.
  const chance = new Chance(5);
  const circle = newShape('c', 'Circle', ellipse(-44, 44), { fill: '#1f8a76', stroke: null });
  let cells: Figure = setMerge(
    addShapes({ ...newFigure('Cells', 'x'), rounds: [newRound('r', 'R', 60)] }, 'r', [circle]),
    'r',
    'divide',
  );
  const division = divisionOf(cells, 'r');
  for (const { key } of division.cells) {
    const { fill } = anyPaint(chance);
    cells = paintCells(cells, 'r', division, [key], { fill: fill ?? '#84c5b4', stroke: null });
  }
  const { id, close } = await openFigure(page, cells);
  // Kinds with gradients are SVG between the canvases of the others.
  await expect(whole(page).getByTestId('many-cells').first()).toBeVisible();
  await expect.poll(async () => (await compared(page, id, 2)).apart).toBeLessThan(0.01);
  const { pixels } = await compared(page, id, 2);
  expect(pixels).toBeGreaterThan(1000);
  await close();
});

test('wire and grooves on the screen are those of the file in another renderer', async ({ page }) => {
  const ring = newShape('ring', 'Ring', ellipse(-45, 25), {
    fill: '#c08040',
    stroke: { colour: '#4080c0', width: 8, cap: 'butt', join: 'miter' },
  });
  let figure = addShapes({ ...newFigure('Wire', 'x'), rounds: [newRound('r', 'R', 6)] }, 'r', [ring]);
  for (const how of ['raised', 'sunken'] as const) {
    figure = setRelief(figure, 'r', { how, edge: 6 });
    const { id, close } = await openFigure(page, figure);
    // At the size that it has, 96 pixels to an inch, as light in other sizes is other pixels' light.
    const { most, pixels } = await compared(page, id, 6, 96 / 25.4);
    expect(pixels).toBeGreaterThan(2000);
    expect(most).toBeLessThanOrEqual(8);
    await close();
  }
});

test('thousands of cells light up, are painted, coloured and undone, and look as in the file', async ({
  page,
}) => {
  const circle = newShape('c', 'Circle', ellipse(-44, 44), { fill: '#1f8a76', stroke: null });
  const figure = setMerge(
    addShapes({ ...newFigure('Cells', 'x'), rounds: [newRound('r', 'R', 60)] }, 'r', [circle]),
    'r',
    'divide',
  );
  const { id, close } = await openFigure(page, figure);
  const drawn = whole(page).getByTestId('many-cells');
  await page.keyboard.press('5');
  await expect(kinds(page)).toHaveCount(30);
  await expect(drawn).toBeVisible();
  // Where four cells meet, the seam of one renderer may be no seam in the other.
  const seams = 0.002;
  await expect.poll(async () => (await compared(page, id, 0)).apart).toBeLessThan(seams);

  // Each cell of the rim is some 20 pixels wide.
  await page.getByRole('button', { name: /^Paint/ }).click();
  const pane = (await whole(page).boundingBox())!;
  const rim = await wholeAt(page, 0, 85);
  const colourThere = async (): Promise<string> => {
    const { x, y } = rim;
    const clip = { x: Math.floor(x), y: Math.floor(y), width: 1, height: 1 };
    const { data } = await sharp(await page.screenshot({ clip }))
      .removeAlpha()
      .raw()
      .toBuffer({ resolveWithObject: true });
    return `#${data.toString('hex')}`;
  };
  await inspector(page).getByRole('button', { name: 'Fill: #d9512c' }).click();
  /** The rim and what lies beside it, to the last pixel. */
  const around = async (): Promise<string> => {
    const clip = { x: Math.floor(rim.x) - 60, y: Math.floor(rim.y) - 40, width: 120, height: 120 };
    return (await page.screenshot({ clip })).toString('base64');
  };
  await page.mouse.move(pane.x + 8, pane.y + 60);
  await expect(whole(page).getByTestId('cell-marks').locator('path')).toHaveCount(0);
  const unpainted = await around();
  await page.mouse.move(rim.x, rim.y);
  await expect(whole(page).getByTestId('cell-marks').locator('path').first()).toBeVisible();
  await page.mouse.down();
  await page.mouse.up();
  await page.mouse.move(pane.x + 8, pane.y + 60);
  await expect.poll(colourThere).toBe('#d9512c');
  await expect(page.getByRole('status').first()).toHaveText(/^saved/);
  await expect.poll(async () => (await compared(page, id, 0)).apart).toBeLessThan(seams);
  await page.keyboard.press('Control+z');
  await expect.poll(colourThere).toBe('#1f8a76');
  await expect.poll(around).toBe(unpainted);

  await inspector(page).getByRole('radio', { name: 'Sectors' }).click();
  for (const colour of ['#84c5b4', '#113d4c', '#f2e6d0'])
    await inspector(page)
      .getByRole('button', { name: `Use ${colour} next` })
      .click();
  await inspector(page).getByRole('button', { name: 'Colour cells' }).click();
  await expect.poll(colourThere).not.toBe('#1f8a76');
  await expect(page.getByRole('status').first()).toHaveText(/^saved/);
  const { apart, pixels } = await compared(page, id, 0);
  expect(pixels).toBeGreaterThan(500);
  expect(apart).toBeLessThan(seams);

  // The view is moved, and what is drawn for it is as exact.
  const centre = await wholeAt(page, 0, 0);
  await page.mouse.move(centre.x, centre.y);
  await page.keyboard.press('q');
  await page.mouse.wheel(0, -120);
  await page.mouse.move(pane.x + 8, pane.y + 60);
  await expect.poll(async () => (await compared(page, id, 0)).apart).toBeLessThan(seams);

  // Revealed copy by copy it ends as it was; trials of it are pictures too, and one is picked.
  await page.getByRole('button', { name: 'Reveal copy by copy' }).click();
  await page.mouse.move(pane.x + 8, pane.y + 60);
  await expect.poll(async () => (await compared(page, id, 0)).apart).toBeLessThan(seams);
  await inspector(page).getByRole('button', { name: 'Try other palettes …' }).click();
  const trials = page.getByRole('group', { name: 'Trials' });
  await expect(trials.getByTestId('many-cells')).toHaveCount(await trials.getByRole('button').count());
  await trials.getByRole('button', { name: 'Lamp' }).click();
  await expect(inspector(page).getByRole('button', { name: /^Swatch \d+, #f9b43b$/ })).toBeVisible();
  await close();
});

test('thousands of cells that are faint and blended look as in the file', async ({ page }) => {
  const shape = (id: string, y: number, r: number, fill: string) =>
    newShape(id, id, ellipse(y, r), { fill, stroke: null });
  let figure = addRound(
    { ...newFigure('Cells', 'x'), rounds: [newRound('b', 'B', 5)] },
    newRound('r', 'R', 60),
  );
  figure = addShapes(figure, 'b', [shape('below', -50, 30, '#1f8a76')]);
  figure = setMerge(addShapes(figure, 'r', [shape('c', -44, 44, '#e9b44c')]), 'r', 'divide');
  figure = setOpacity(setBlend(figure, 'r', 'difference'), 'r', 0.6);
  const { id, close } = await openFigure(page, figure);
  await expect(whole(page).getByTestId('many-cells')).toBeVisible();
  await expect.poll(async () => (await compared(page, id, 0)).apart).toBeLessThan(0.002);
  await close();
});

test('the eyedropper takes the colours of an underlay', async ({ page }) => {
  await makeFigure(page);
  const picture = await sharp(
    Buffer.from(
      '<svg xmlns="http://www.w3.org/2000/svg" width="300" height="400"><rect width="300" height="400" fill="#a03050"/><rect x="150" width="150" height="400" fill="#3050a0"/></svg>',
    ),
  )
    .png()
    .toBuffer();
  await inspector(page).getByRole('tab', { name: 'Page' }).click();
  await inspector(page)
    .getByLabel('Picture to trace from')
    .setInputFiles({ name: 'shell.png', mimeType: 'image/png', buffer: picture });
  await expect(page.getByTestId('underlay')).toBeVisible();
  await page.keyboard.press('5');
  for (const [right, colour] of [
    [-70, '#a03050'],
    [70, '#3050a0'],
  ] as const) {
    await page.getByRole('button', { name: /^Eyedropper/ }).click();
    const at = await benchAt(page, right, 200);
    await page.mouse.click(at.x, at.y);
    // The tool that was in hand before the eyedropper is so again.
    await expect(page.getByRole('button', { name: /^Select/, pressed: true }).first()).toBeVisible();
    await expect(inspector(page).getByLabel('Fill colour')).toHaveValue(colour);
  }
  // Where neither the figure nor the picture is, there is nothing to take.
  await page.getByRole('button', { name: /^Eyedropper/ }).click();
  const outside = await benchAt(page, 0, 548);
  await page.mouse.click(outside.x, outside.y);
  await expect(page.getByText('There is no colour at this point.')).toBeVisible();
});
