import AxeBuilder from '@axe-core/playwright';
import { expect, test, type Page } from '@playwright/test';

import type { Figure } from '@/core/figure';
import { bench, benchAt, makeFigure, opened, saved } from './hands';

const LOGO = `<svg xmlns="http://www.w3.org/2000/svg" width="96" height="96"><title>Harbour mark</title>
  <style>.sea{fill:#1f8a76}</style><clipPath id="port"><circle cx="48" cy="48" r="40"/></clipPath>
  <g id="scene" clip-path="url(#port)"><path id="water" class="sea" d="M0 48h96v48h-96z"/><path id="sky" fill="#e9b44c" d="M0 0h96v48h-96z"/></g>
  <circle id="buoy" cx="48" cy="48" r="8" fill="#d9512c"/></svg>`;

/** With what is never taken: a script, a picture from elsewhere, and text. */
const HOSTILE = LOGO.replace(
  '</svg>',
  '<script>window.hurt = 1</script><image href="http://127.0.0.1:9/hurt.png" width="9" height="9"/><text onclick="window.hurt = 1">tide</text></svg>',
);

const file = (name: string, text: string) => ({ name, mimeType: 'image/svg+xml', buffer: Buffer.from(text) });

async function figureOf(page: Page): Promise<Figure> {
  await saved(page);
  const id = page.url().split('/').at(-1) ?? '';
  const answer = await page.request.get(`/api/figures/${id}`);
  return ((await answer.json()) as { figure: Figure }).figure;
}

/** Lets a file go over a pane, as a person does who drags it from a folder. */
async function drop(page: Page, name: string, text: string): Promise<void> {
  const data = await page.evaluateHandle(
    ([title, content]) => {
      const transfer = new DataTransfer();
      transfer.items.add(new File([content ?? ''], title ?? '', { type: 'image/svg+xml' }));
      return transfer;
    },
    [name, text],
  );
  const { x, y } = await benchAt(page, 0, 200);
  const at = { clientX: x, clientY: y, dataTransfer: data };
  await bench(page).dispatchEvent('dragover', at);
  await bench(page).dispatchEvent('drop', at);
}

async function paste(page: Page, text: string): Promise<void> {
  await page.evaluate((content) => {
    const clipboardData = new DataTransfer();
    clipboardData.setData('text/plain', content);
    window.dispatchEvent(new ClipboardEvent('paste', { clipboardData }));
  }, text);
}

test('a file is opened from the Shelf as a figure, with what is not taken said before; nothing in it is run or loaded', async ({
  page,
}) => {
  const asked: string[] = [];
  page.on('request', (request) => asked.push(request.url()));
  await page.goto('/');
  await page.getByLabel('Figure file').setInputFiles(file('mark.svg', HOSTILE));
  const dialog = page.getByRole('dialog');
  await expect(dialog.getByRole('alert')).toHaveText(
    'Not taken: 1 × script, 1 × picture, 1 × typeface (one that ships stands in).',
  );
  await expect(dialog.getByText('96 × 96 px')).toBeVisible();
  await expect(dialog.getByRole('img', { name: 'What is taken' })).toBeVisible();
  const { violations } = await new AxeBuilder({ page })
    .include('[role=dialog]')
    .withTags(['wcag2a', 'wcag2aa', 'wcag21aa', 'wcag22aa'])
    .analyze();
  expect(violations.map(({ id, nodes }) => [id, nodes[0]?.html])).toEqual([]);
  await dialog.getByRole('button', { name: 'Open without these' }).click();
  await page.waitForURL(/figures/);
  await opened(page);
  await expect(page.getByLabel('Name of the figure')).toHaveValue('Harbour mark');
  const list = page.getByLabel('Inspector').getByRole('region', { name: 'Motif' });
  for (const name of ['buoy', 'scene', 'water', 'sky', 'port'])
    await expect(list.getByRole('button', { name: `Select ${name}`, exact: true }).first()).toBeVisible();
  const figure = await figureOf(page);
  expect(figure.page).toMatchObject({ width: 96, height: 96, unit: 'px' });
  expect(figure.palette.toSorted()).toEqual(['#000000', '#1f8a76', '#d9512c', '#e9b44c']);
  expect(await page.evaluate(() => 'hurt' in window)).toBe(false);
  expect(asked.filter((url) => url.includes(':9/'))).toEqual([]);
});

test('a file that is dropped is taken where it is wanted, in its true size, or laid under the Bench', async ({
  page,
}) => {
  await makeFigure(page);
  await drop(page, 'mark.svg', LOGO);
  const dialog = page.getByRole('dialog');
  await dialog.getByRole('radio', { name: 'To the palette too' }).click();
  await dialog.getByRole('radio', { name: 'Where I click' }).click();
  await dialog.getByRole('button', { name: 'Take it' }).click();
  const at = await benchAt(page, 0, 250);
  await page.mouse.click(at.x, at.y);
  const inspector = page.getByLabel('Inspector');
  await expect(inspector.getByRole('tab', { name: 'Harbour mark' })).toBeVisible();
  // 80 pixels, of which 96 are an inch.
  await expect(inspector.getByLabel('Box width')).toHaveValue('21.1667');
  const up = Number(await inspector.getByLabel('Middle up').inputValue());
  await page.keyboard.press('Escape');
  await drop(page, 'mark.svg', LOGO);
  await dialog.getByRole('radio', { name: 'On the centre' }).click();
  await dialog.getByRole('button', { name: 'Take it' }).click();
  await expect(inspector.getByLabel('Middle up')).toHaveValue('0');
  await drop(page, 'mark.svg', LOGO);
  await dialog.getByRole('button', { name: 'As an underlay' }).click();
  await expect(page.getByTestId('underlay')).toBeAttached();
  const figure = await figureOf(page);
  expect(up).toBeGreaterThan(20);
  expect(figure.palette).toEqual(expect.arrayContaining(['#1f8a76', '#d9512c', '#e9b44c']));
  expect(figure.rounds[0]?.groups?.map(({ name, op }) => [name, op])).toEqual([
    ['Harbour mark', undefined],
    ['scene', 'clip'],
    ['scene', undefined],
    ['Harbour mark', undefined],
    ['scene', 'clip'],
    ['scene', undefined],
  ]);
});

test('the same file is taken twice, and what is chosen the second time stays chosen while it is read', async ({
  page,
}) => {
  const words = LOGO.replace('</svg>', '<text x="9" y="90">tide</text></svg>');
  await makeFigure(page);
  const dialog = page.getByRole('dialog');
  const takes = dialog.getByRole('button', { name: 'Take without these' });
  const inspector = page.getByLabel('Inspector');
  await drop(page, 'mark.svg', words);
  await takes.click();
  await expect(inspector.getByLabel('Middle up')).not.toHaveValue('0');
  await page.keyboard.press('Escape');
  // What is set of its text takes long now.
  await page.route('**/api/words', async (route) => {
    await new Promise((resolve) => setTimeout(resolve, 700));
    await route.continue();
  });
  // A quick hand: in the very moment in which it can be chosen.
  await page.evaluate(() => {
    const watch = new MutationObserver(() => {
      const labels = [...document.querySelectorAll<HTMLElement>('[role=dialog] label')];
      const centre = labels.find(({ textContent }) => textContent === 'On the centre');
      if (!centre) return;
      watch.disconnect();
      centre.click();
    });
    watch.observe(document.body, { subtree: true, childList: true });
  });
  await drop(page, 'mark.svg', words);
  await page.waitForTimeout(1200);
  await expect(dialog.getByRole('radio', { name: 'On the centre' })).toBeChecked();
  await takes.click();
  await expect
    .poll(async () => Math.abs(Number(await inspector.getByLabel('Middle up').inputValue())))
    .toBeLessThan(1);
});

test('what is pasted whole is there at once, as one step; a broken file is told, and nothing of it is taken', async ({
  page,
}) => {
  await makeFigure(page);
  await paste(page, LOGO);
  const inspector = page.getByLabel('Inspector');
  await expect(inspector.getByRole('tab', { name: 'Harbour mark' })).toBeVisible();
  await page.keyboard.press('Control+z');
  await expect(inspector.getByText('Nothing is drawn in this wedge yet.')).toBeVisible();
  await paste(page, '<svg><path d="M0 0L');
  const dialog = page.getByRole('dialog');
  await expect(dialog.getByRole('alert')).toContainText('not well-formed');
  await dialog.getByRole('button', { name: 'Close' }).click();
  await paste(page, HOSTILE);
  await expect(dialog.getByRole('alert')).toContainText('1 × script');
  await dialog.getByRole('button', { name: 'Cancel' }).click();
  await expect(inspector.getByText('Nothing is drawn in this wedge yet.')).toBeVisible();
});

test('a DXF is opened as it is: its size in its unit, its layers as groups, its lines joined', async ({
  page,
}) => {
  const line = (...at: number[]): string =>
    `0\nLINE\n8\ncut\n${at.map((value, k) => `${[10, 20, 11, 21][k]}\n${value}`).join('\n')}\n`;
  const text =
    '0\nSECTION\n2\nHEADER\n9\n$INSUNITS\n70\n5\n0\nENDSEC\n0\nSECTION\n2\nENTITIES\n' +
    line(0, 0, 4, 0) +
    line(4, 0, 4, 3) +
    line(0, 0, 4, 3) +
    '0\nCIRCLE\n8\nengrave\n10\n2\n20\n1\n40\n0.5\n0\nENDSEC\n0\nEOF\n';
  await page.goto('/');
  await page
    .getByLabel('Figure file')
    .setInputFiles({ name: 'plate.dxf', mimeType: 'application/dxf', buffer: Buffer.from(text) });
  const dialog = page.getByRole('dialog');
  await expect(dialog.getByText('4 × 3 cm')).toBeVisible();
  await expect(dialog.getByText('2 shapes')).toBeVisible();
  await dialog.getByRole('button', { name: 'Open as a figure' }).click();
  await page.waitForURL(/figures/);
  await opened(page);
  await expect(page.getByLabel('Name of the figure')).toHaveValue('plate');
  const figure = await figureOf(page);
  expect(figure.page).toMatchObject({ unit: 'cm' });
  const [round] = figure.rounds;
  expect(round?.groups?.map(({ name }) => name)).toEqual(['cut', 'engrave']);
  expect(
    round?.shapes.map(({ name, form }) => [name, form.kind === 'path' && form.contours[0]?.closed]),
  ).toEqual([
    ['Path', true],
    ['Circle', true],
  ]);
});

/** Finished artwork as other programs leave it: eleven petals of one form, of which one is pink and one is missing, and a dot for each. */
function deadRosette(): string {
  const turned = (k: number, x: number, y: number): string => {
    const angle = (2 * Math.PI * k) / 11;
    const [cos, sin] = [Math.cos(angle), Math.sin(angle)];
    return `${(100 + cos * x - sin * y).toFixed(2)} ${(100 + sin * x + cos * y).toFixed(2)}`;
  };
  const petals = Array.from({ length: 11 }, (_, k) => {
    const [a, b, c, d] = [turned(k, 0, -20), turned(k, 14, -50), turned(k, 9, -80), turned(k, -2, -90)];
    const [e, f] = [turned(k, -12, -70), turned(k, -8, -40)];
    return `<path fill="${k === 3 ? '#f7c6a3' : '#1f8a76'}" d="M${a}C${b} ${c} ${d}C${e} ${f} ${a}Z"/>`;
  });
  const dots = Array.from({ length: 11 }, (_, k) => {
    const [cx, cy] = turned(k + 0.5, 0, -60).split(' ');
    return `<circle fill="#d9512c" cx="${cx ?? ''}" cy="${cy ?? ''}" r="5"/>`;
  });
  const drawn = [...petals.filter((_, k) => k !== 7), ...dots].join('');
  return `<svg xmlns="http://www.w3.org/2000/svg" width="200mm" height="200mm" viewBox="0 0 200 200">${drawn}</svg>`;
}

test('the symmetry of finished artwork is read: what goes round comes as rounds, and copies that differ follow the others', async ({
  page,
}) => {
  await page.goto('/');
  await page.getByLabel('Figure file').setInputFiles(file('old-seal.svg', deadRosette()));
  const dialog = page.getByRole('dialog');
  await expect(dialog.getByText('×11, ×11 with axes')).toBeVisible();
  await expect(dialog.getByText('1 of another colour, 1 missing')).toBeVisible();
  await expect(dialog.getByRole('radio', { name: 'Rounds read of it' })).toBeChecked();
  await expect(dialog.getByRole('img', { name: '2 copies differ' })).toBeVisible();
  const { violations } = await new AxeBuilder({ page })
    .include('[role=dialog]')
    .withTags(['wcag2a', 'wcag2aa', 'wcag21aa', 'wcag22aa'])
    .analyze();
  expect(violations.map(({ id, nodes }) => [id, nodes[0]?.html])).toEqual([]);
  await dialog.getByRole('radio', { name: 'Follow the others' }).click();
  await dialog.getByRole('radio', { name: 'Are put in' }).click();
  await expect(dialog.getByRole('radio', { name: 'Are put in' })).toBeChecked();
  await dialog.getByRole('button', { name: 'Open as a figure' }).click();
  await page.waitForURL(/figures/);
  await opened(page);
  const figure = await figureOf(page);
  expect(figure.rounds.map(({ rule, omitted, shapes }) => [rule.fold, omitted, shapes.length])).toEqual([
    [11, undefined, 2],
  ]);
  expect(figure.rounds[0]?.shapes.map(({ form }) => form.kind)).toEqual(['path', 'ellipse']);

  // Into a figure that is there: rounds about its centre, in one step that is taken back as one.
  await makeFigure(page);
  await page.getByLabel('Artwork file').setInputFiles(file('old-seal.svg', deadRosette()));
  await dialog.getByRole('radio', { name: 'Rounds read of it' }).click();
  await expect(dialog.getByText('×11, ×11 with axes')).toBeVisible();
  await dialog.getByRole('button', { name: 'Take it' }).click();
  await expect.poll(async () => (await figureOf(page)).rounds.map(({ rule }) => rule.fold)).toContain(11);
  await page.keyboard.press('Control+z');
  await expect.poll(async () => (await figureOf(page)).rounds.map(({ rule }) => rule.fold)).not.toContain(11);

  // What was pasted lies in the motif as it is, and is read there.
  await makeFigure(page);
  await paste(page, deadRosette());
  await expect(page.getByLabel('Inspector').getByText('group of 21 shapes')).toBeVisible();
  await page.keyboard.press('/');
  await page.keyboard.type('read their symmetry');
  await page.keyboard.press('Enter');
  await expect(dialog.getByText('×11, ×11 with axes')).toBeVisible();
  await dialog.getByRole('button', { name: 'Make rounds of them' }).click();
  await expect
    .poll(async () => (await figureOf(page)).rounds.map(({ rule }) => rule.fold))
    .toEqual([11, 1, 11]);
});
