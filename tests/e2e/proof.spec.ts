import { expect, test } from '@playwright/test';

import { hatchIris } from '../../demo/pieces/hatchIris';
import { addShapes, setPage } from '@/core/figure/commands';
import { newShape, START_PAINT } from '@/core/figure';
import { pathForm } from '@/core/maker';
import { opened, stored, unstored, whole } from './hands';

const at = (x: number, y: number) => ({ x, y, kind: 'corner' as const });

/** A good piece, spoilt in six ways: open, doubled, a hairline, needless nodes, a spike, beside the middle. */
function spoilt() {
  const figure = hatchIris();
  const line = (width: number, join: 'miter' | 'round' = 'round') => ({
    fill: null,
    stroke: { colour: '#e9b44c', width, cap: 'round' as const, join, limit: 20 },
  });
  const plate = pathForm([at(0, -86), at(3, -80), at(-3, -80)], true);
  const shapes = [
    newShape('open', 'Sail', pathForm([at(0, -76), at(3, -70), at(-3, -70)], false), START_PAINT),
    newShape('plate', 'Plate', plate, START_PAINT),
    newShape('again', 'Plate again', plate, START_PAINT),
    newShape('hair', 'Hair', pathForm([at(10, -84), at(10, -74)], false), line(0.1)),
    newShape(
      'spare',
      'Spare',
      pathForm([at(-10, -84), at(-8, -79), at(-6, -74), at(-14, -74)], true),
      START_PAINT,
    ),
    newShape('thorn', 'Thorn', pathForm([at(14, -70), at(16, -84), at(18, -70)], false), line(0.6, 'miter')),
  ];
  return setPage(addShapes(figure, figure.rounds[0]!.id, shapes), { centre: { x: 2, y: 0 }, bleed: 3 });
}

test('a piece that was spoilt in six ways is found out, looked at, mended, and leaves with its report', async ({
  page,
}) => {
  const id = await stored(page, spoilt());
  await page.goto(`/figures/${id}`);
  await opened(page);
  await page.keyboard.press('6');
  const findings = page.getByRole('complementary', { name: 'Findings' });
  await expect(findings.getByRole('heading', { name: /findings/ })).toBeVisible();
  await findings.getByRole('button', { name: /^For:/ }).click();
  await page.getByRole('option', { name: /^Print/ }).click();
  for (const title of [
    'Sail is filled and open',
    'Plate is there twice',
    /Too thin/,
    'A node changes nothing in Spare',
    'Spikes on Thorn',
    'The centre is not the page’s middle',
  ])
    await expect(findings.getByText(title).first()).toBeVisible();

  // By keys: the first is looked at, its places one after another, and it is left as it is and taken up again.
  await findings.getByRole('list', { name: 'List of findings' }).focus();
  await page.keyboard.press('ArrowDown');
  const chosen = whole(page).locator('[data-proof-mark=chosen]');
  await expect(chosen).toHaveCount(1);
  const before = await chosen.boundingBox();
  await page.keyboard.press('Space');
  await expect(findings.getByText('2 of 8').first()).toBeVisible();
  expect(await chosen.boundingBox()).not.toEqual(before);
  await page.keyboard.press('l');
  await expect(findings.getByText('1 finding is left as it is.')).toBeVisible();
  await findings.getByRole('button', { name: 'Look again' }).click();

  // Find brings what was found back from wherever one is.
  await page.keyboard.press('2');
  await page.keyboard.press('/');
  await page.getByRole('combobox', { name: 'Find' }).fill('spikes');
  await expect(page.getByRole('option', { name: /Spikes on Thorn\s*Proof, finding/ })).toBeVisible();
  await page.keyboard.press('Enter');
  await expect(findings.getByRole('button', { name: /Spikes on Thorn/ })).toHaveAttribute(
    'aria-expanded',
    'true',
  );

  // A mend is seen before it is taken.
  await findings.getByText('The centre is not the page’s middle').click();
  const put = findings.getByRole('button', { name: 'Put it in the middle' });
  const corner = whole(page).locator('rect[stroke="var(--line-strong)"]').first();
  const title = findings.getByRole('heading', { level: 2 });
  await title.hover();
  await expect(corner).toHaveAttribute('x', '-92');
  await put.hover();
  await expect(corner).toHaveAttribute('x', '-90');
  await title.hover();
  await expect(corner).toHaveAttribute('x', '-92');
  await put.click();
  await expect(findings.getByText('The centre is not the page’s middle')).toHaveCount(0);

  // All others that can be are mended at once, and undo brings them back.
  await findings
    .getByRole('button', { name: /^Mend / })
    .first()
    .click();
  await expect(findings.getByText('Sail is filled and open')).toHaveCount(0);
  await expect(findings.getByText(/Spikes on|Plate is there twice|changes nothing|Too thin/)).toHaveCount(0);
  await page.keyboard.press('Control+z');
  await expect(findings.getByText('Sail is filled and open').first()).toBeVisible();
  await page.keyboard.press('Control+Shift+z');
  await expect(findings.getByText('Sail is filled and open')).toHaveCount(0);

  // Looks and numbers stand beside it.
  const looks = page.getByRole('complementary', { name: 'Looks' });
  await expect(looks.getByRole('img', { name: '16 px, 6 times as large' })).toBeVisible();
  await expect(looks.getByRole('img', { name: /each direction/ })).toBeVisible();
  await looks.getByRole('button', { name: 'grey: see it large' }).click();
  const sheet = page.getByRole('dialog');
  await sheet.getByLabel('Right: of').selectOption({ index: 2 });
  await expect(sheet.getByRole('img', { name: 'as it is' })).toBeVisible();
  await sheet.getByRole('button', { name: 'Close' }).click();

  // It is told where the piece is handed over, and leaves as a page.
  const download = page.waitForEvent('download');
  await looks.getByRole('button', { name: 'Report as PDF' }).click();
  expect((await download).suggestedFilename()).toBe('Hatch iris proof.pdf');
  await page.getByRole('button', { name: 'Export' }).click();
  await expect(page.getByRole('status', { name: 'Proof' })).toContainText('For Print');
  await unstored(page, id);
});

test('checks and limits are set, and become a target of the figure', async ({ page }) => {
  const id = await stored(page, hatchIris());
  await page.goto(`/figures/${id}`);
  await opened(page);
  await page.keyboard.press('6');
  const findings = page.getByRole('complementary', { name: 'Findings' });
  await expect(findings.getByText(/checks passed/)).toBeVisible();
  await findings.getByRole('button', { name: 'Checks and limits' }).click();
  const sheet = page.getByRole('dialog');
  await sheet.getByRole('checkbox', { name: 'Thin lines' }).check();
  const width = sheet.getByRole('textbox', { name: 'Thin lines: At least' });
  await width.fill('nothing');
  await width.press('Enter');
  await expect(sheet.getByRole('alert')).toBeVisible();
  await width.fill('12');
  await width.press('Enter');
  const forAll = sheet.getByRole('checkbox', { name: 'For all figures to choose' });
  await forAll.click();
  await expect(forAll).toBeChecked();
  await sheet.getByRole('button', { name: 'Done' }).click();
  await expect(findings.getByRole('button', { name: 'For: Screen, own' })).toBeVisible();
  await expect(findings.getByText(/Too thin in/).first()).toBeVisible();
  await page.reload();
  await opened(page);
  await page.keyboard.press('6');
  await expect(findings.getByText(/Too thin in/).first()).toBeVisible();

  // Another figure has it to choose, until it is kept no more.
  const another = await stored(page, hatchIris());
  await page.goto(`/figures/${another}`);
  await opened(page);
  await page.keyboard.press('6');
  await findings.getByRole('button', { name: 'For: Screen' }).click();
  await page.getByRole('option', { name: /^Screen, own A target for all figures/ }).click();
  await expect(findings.getByText(/Too thin in/).first()).toBeVisible();
  // A list of targets that was read before, and arrives after it is kept no more, does not bring it back.
  let arrive: () => void = () => undefined;
  const held = new Promise<void>((resolve) => (arrive = resolve));
  let late = 0;
  await page.route('**/api/shelf/targets', async (route) => {
    if (route.request().method() !== 'GET') return route.continue();
    const response = await route.fetch();
    await held;
    await route.fulfill({ response }).catch(() => undefined);
    late += 1;
  });
  await findings.getByRole('button', { name: 'Checks and limits' }).click();
  await forAll.click();
  await expect(forAll).not.toBeChecked();
  arrive();
  await expect.poll(() => late).toBeGreaterThan(0);
  // What arrives is shown within a few frames.
  await page.waitForTimeout(300);
  await expect(forAll).not.toBeChecked();
  await sheet.getByRole('button', { name: 'Done' }).click();
  for (const each of [id, another]) await unstored(page, each);
});
