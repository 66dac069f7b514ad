import { expect, test, type Page } from '@playwright/test';

import { addShapes } from '@/core/figure/commands';
import { newFigure, newShape, START_PAINT } from '@/core/figure';
import { pathForm } from '@/core/maker';
import {
  bench,
  benchAt,
  copiesDrawn,
  drag,
  drawPetal,
  exported,
  makeFigure,
  opened,
  saved,
  setFold,
  stored,
  unstored,
} from './hands';

const lit = (page: Page, pane: 'bench' | 'whole') =>
  page.locator(`[data-pane=${pane}] [data-testid=cell-marks] path[stroke-width="1.6"]`);

/** Draws a circle by its centre with the Ellipse tool. */
async function drawCircle(page: Page, right: number, up: number, radius: number): Promise<void> {
  await page.keyboard.press('y');
  const at = await benchAt(page, right, up);
  await drag(page, at, { x: at.x + radius, y: at.y + radius });
}

test('22 petals are divided, kinds fused and removed, and all follows an edit of the motif', async ({
  page,
}) => {
  await makeFigure(page);
  await drawPetal(page, 60, 400);
  await setFold(page, 22);
  await page.keyboard.press('4');
  const inspector = page.getByLabel('Inspector');
  await inspector.getByRole('radio', { name: 'Cells' }).click();
  const cells = page.getByRole('region', { name: 'Cells', exact: true });
  const note = cells.getByText(/^\d+ cells of \d+ kinds$/);
  await expect(note).toBeVisible();
  const kinds = async (): Promise<number> => Number(/of (\d+) kinds/.exec((await note.textContent())!)![1]);
  const left = async (): Promise<number> => Number.parseInt((await note.textContent())!, 10);
  const before = await kinds();

  // Fuse: the tip of a petal lights up with its kind in both panes; a stroke down the axis makes one of what it comes through.
  await page.getByRole('button', { name: /^Fuse/ }).click();
  const tip = await benchAt(page, 0, 380);
  await page.mouse.move(tip.x, tip.y);
  await expect(lit(page, 'whole')).toHaveCount(22);
  // The Bench shows those in its sight.
  expect(await lit(page, 'bench').count()).toBeGreaterThan(5);
  await drag(page, tip, await benchAt(page, 0, 240));
  await expect(cells.getByText('1 kind', { exact: true })).toBeVisible();
  await expect.poll(kinds).toBeLessThan(before);

  // Remove: the fused kind goes from the artwork, and comes back by another stroke.
  const all = await left();
  await page.getByRole('button', { name: /^Remove/ }).click();
  await page.mouse.click(tip.x, tip.y);
  await expect.poll(left).toBe(all - 22);
  await expect(cells.getByText('Removed', { exact: true })).toBeVisible();
  await page.mouse.click(tip.x, tip.y);
  await expect.poll(left).toBe(all);
  await inspector.getByRole('radio', { name: 'One alone' }).click();
  await page.mouse.click(tip.x, tip.y);
  await expect.poll(left).toBe(all - 1);

  // The motif moves outward: what was fused and removed stays so.
  await page.keyboard.press('2');
  await page.keyboard.press('q');
  const petal = await benchAt(page, 0, 200);
  await page.mouse.click(petal.x, petal.y);
  await page.keyboard.press('Alt+ArrowUp');
  await page.keyboard.press('4');
  await expect(cells.getByText('1 kind', { exact: true })).toBeVisible();
  await expect.poll(left).toBe(all - 1);
  await expect(cells.getByText(/has no cell now/)).toBeHidden();

  // A kind is painted in Colour, and the file has it.
  await page.keyboard.press('5');
  await page.getByRole('button', { name: /^Paint/ }).click();
  const fill = inspector.getByLabel('Fill colour');
  await fill.fill('#e9b44c');
  await fill.press('Enter');
  await fill.blur();
  await inspector.getByRole('radio', { name: 'Its kind' }).click();
  await page.mouse.click(petal.x, petal.y);
  await saved(page);
  await page.getByRole('button', { name: 'Export' }).click();
  expect((await exported(page)).toString()).toContain('#e9b44c');
});

test('shapes are subtracted live, moved apart, made a band, offset, tidied and made plain', async ({
  page,
}) => {
  await makeFigure(page);
  const inspector = page.getByLabel('Inspector');
  await drawCircle(page, 0, 250, 60);
  await drawCircle(page, 40, 250, 40);
  await page.keyboard.press('4');
  await page.keyboard.press('Control+a');
  const combine = inspector.getByRole('radiogroup', { name: 'Combine' });
  const area = async (): Promise<number> =>
    Number.parseFloat(
      (await inspector.getByRole('region', { name: 'Combine' }).getByText(/²$/).textContent())!,
    );
  await combine.getByRole('radio', { name: 'Union' }).click();
  const union = await area();
  await combine.getByRole('radio', { name: 'Subtract' }).click();
  await expect.poll(area).toBeLessThan(union);
  const cut = await area();
  await combine.getByRole('radio', { name: 'Intersection' }).click();
  // What is left of the one and what both have are the one; with what is left of the other they are the union.
  await expect.poll(area).not.toBeCloseTo(cut, 3);
  const shared = await area();
  expect(shared + cut).toBeLessThan(union);
  await combine.getByRole('radio', { name: 'Subtract' }).click();
  await inspector.getByRole('button', { name: 'Make plain' }).click();
  await expect(page.getByText('1 shape,')).toBeVisible();

  await inspector.getByRole('button', { name: 'Tidy', exact: true }).click();
  await expect(inspector.getByText(/Nothing to tidy|Took away/)).toBeVisible();
  await inspector.getByRole('button', { name: 'Offset', exact: true }).click();
  await expect(page.getByText('2 shapes,')).toBeVisible();

  // The offset goes along with what it is made of, until it is moved by itself.
  const motif = page.getByLabel('Motif', { exact: true });
  const box = (): Promise<string> => inspector.getByLabel('Box width', { exact: true }).inputValue();
  const offset = motif.getByRole('button', { name: /^Select Offset/ });
  const wide = Number(await box());
  await motif.getByRole('button', { name: 'Select Ellipse', exact: true }).click();
  await inspector.getByLabel('Box width', { exact: true }).fill('60');
  await inspector.getByLabel('Box width', { exact: true }).press('Enter');
  await offset.click();
  await expect(inspector.getByLabel('Shape is that of')).toHaveValue(/./);
  await expect.poll(async () => Number(await box())).toBeGreaterThan(wide + 5);
  // A colour that was clicked takes no arrows away.
  await page.getByRole('button', { name: '#e9b44c at hand' }).click();
  await page.keyboard.press('ArrowRight');
  await expect(page.getByText(/^Offset .* no longer follows Ellipse/)).toBeVisible();
  await expect(inspector.getByLabel('Shape is that of')).toHaveValue('');
  await page.keyboard.press('Control+z');
  await expect(inspector.getByLabel('Shape is that of')).toHaveValue(/./);
  const distance = inspector.getByLabel('Offset distance');
  await distance.fill('-500');
  await distance.press('Enter');
  await inspector.getByRole('button', { name: 'Offset', exact: true }).click();
  await expect(page.getByText('Nothing of the shape is left that far inward.')).toBeVisible();
  await inspector.getByRole('button', { name: 'Band', exact: true }).click();
  const width = inspector.getByRole('textbox', { name: 'Width', exact: true });
  await width.fill('0');
  await width.press('Enter');
  await expect(inspector.getByText('A band needs a width above 0.')).toBeVisible();
  await width.press('Escape');

  // Its line is edited by nodes, and goes along with it.
  await inspector.getByRole('button', { name: 'Edit the nodes of its line' }).click();
  const line = motif.getByRole('button', { name: /^Select Line of Band/ });
  await expect(line).toHaveAttribute('aria-pressed', 'true');
  await expect(bench(page).locator('[data-handle=node-0]')).toHaveCount(1);
});

test('closed bands are woven by the line in their middle, or left to lie behind', async ({ page }) => {
  await makeFigure(page);
  const inspector = page.getByLabel('Inspector');
  await drawCircle(page, 0, 220, 150);
  await setFold(page, 5);
  await inspector.getByRole('button', { name: 'Band', exact: true }).click();
  await page.keyboard.press('4');
  await inspector.getByRole('radio', { name: 'Weave' }).click();
  const weave = page.getByRole('region', { name: 'Weave', exact: true });
  await expect(weave.getByText(/^\d+ crossings$/)).toBeVisible();
  await expect(weave.getByText('alternate everywhere')).toBeVisible();
  await weave.getByRole('radio', { name: 'Lines' }).click();
  await expect(inspector.getByText('There is nothing to weave', { exact: false })).toBeVisible();
  await expect(weave.getByText('none', { exact: true })).toBeVisible();
  await page.keyboard.press('Control+z');
  await expect(weave.getByText('alternate everywhere')).toBeVisible();
});

test('rings are woven over and under, a crossing is swapped, and what cannot hold is said', async ({
  page,
}) => {
  await makeFigure(page);
  const inspector = page.getByLabel('Inspector');
  await drawCircle(page, 0, 220, 150);
  await setFold(page, 5);
  await page.keyboard.press('5');
  await inspector.getByRole('button', { name: 'Fill: none' }).click();
  await inspector.getByRole('button', { name: 'Add a stroke' }).click();
  const width = inspector.getByLabel('Stroke width');
  await width.fill('5');
  await width.press('Enter');
  await width.blur();
  await page.keyboard.press('4');
  await inspector.getByRole('radio', { name: 'Weave' }).click();
  const weave = page.getByRole('region', { name: 'Weave', exact: true });
  await expect(weave.getByText(/^\d+ crossings$/)).toBeVisible();
  await expect(weave.getByText('alternate everywhere')).toBeVisible();
  const gap = weave.getByLabel('Gap of the weave');
  await gap.fill('0');
  await gap.press('Enter');
  await expect(weave.getByText(/needs a gap above 0/)).toBeVisible();
  await gap.press('Escape');
  await gap.blur();

  // Swapping one crossing alone leaves bands that pass over twice running.
  await page.getByRole('button', { name: /^Swap/ }).click();
  await inspector.getByRole('radio', { name: 'One alone' }).click();
  const dots = page.locator('[data-pane=bench] [data-testid=crossing-marks] path').first();
  const d = (await dots.getAttribute('d'))!;
  const points = [...d.matchAll(/M(-?[\d.e-]+) (-?[\d.e-]+)h0/g)].map(
    ([, x, y]) => [Number(x), Number(y)] as const,
  );
  const [x, y] = points.reduce((best, next) => (next[1] < best[1] ? next : best));
  const pane = (await page.locator('[data-pane=bench]').boundingBox())!;
  const view = (await page
    .locator('[data-pane=bench] g[transform*="scale"]')
    .first()
    .getAttribute('transform'))!;
  const [tx = 0, ty = 0, scale = 1] = view.match(/-?[\d.]+(?:e-?\d+)?/g)!.map(Number);
  await page.mouse.click(pane.x + tx + x * scale, pane.y + ty + y * scale);
  await expect(weave.getByText('do not alternate')).toBeVisible();
  await expect(weave.getByText(/passes over or under twice running/)).toBeVisible();
  await weave.getByRole('button', { name: 'Undo all swaps' }).click();
  await expect(weave.getByText('alternate everywhere')).toBeVisible();

  // With nothing selected a colour is that of what comes next; all bands are chosen from the list, and have no fill to give.
  await page.keyboard.press('5');
  await page.keyboard.press('Escape');
  const isSeen = async (colour: string): Promise<boolean> => {
    const id = new URL(page.url()).pathname.split('/').pop();
    const answer = await page.request.get(`/api/figures/${id}/export?to=svg`);
    return (await answer.text()).includes(`fill="${colour}"`);
  };
  await expect(inspector.getByText('of the next shape')).toBeVisible();
  await inspector.getByRole('button', { name: 'Fill: #d9512c' }).click();
  await expect(inspector.getByRole('button', { name: 'Fill: #d9512c' })).toHaveAttribute(
    'aria-pressed',
    'true',
  );
  await saved(page);
  expect(await isSeen('#d9512c')).toBe(false);
  await inspector.getByRole('button', { name: /^All bands/ }).click();
  await expect(inspector.getByRole('region', { name: 'Fill' })).toBeHidden();
  await inspector.getByRole('button', { name: 'Stroke: #d9512c' }).click();
  await expect.poll(() => isSeen('#d9512c')).toBe(true);
  await saved(page);
  await page.getByRole('button', { name: 'Export' }).click();
  expect((await exported(page)).toString()).not.toContain('stroke-width');
});

test('a round cuts those below, keeps them inside, or is joined with them; a round is made plain', async ({
  page,
}) => {
  await makeFigure(page);
  const inspector = page.getByLabel('Inspector');
  await drawPetal(page, 60, 380);
  await setFold(page, 12);
  await page.getByRole('button', { name: 'Round', exact: true }).click();
  await setFold(page, 5);
  await page.keyboard.press('2');
  await drawCircle(page, 0, 200, 60);
  await page.keyboard.press('4');
  await expect.poll(() => copiesDrawn(page)).toBe(17);
  const below = inspector.getByRole('radiogroup', { name: 'With the rounds below' });
  await below.getByRole('radio', { name: 'Cut away' }).click();
  // The cutter is seen no more, what it leaves of the petals is.
  await expect.poll(() => copiesDrawn(page)).not.toBe(17);
  await below.getByRole('radio', { name: 'Join' }).click();
  await expect(inspector.getByRole('region', { name: 'The outline' })).toBeVisible();
  await inspector.getByRole('button', { name: 'Make the round plain' }).click();
  await expect(inspector.getByRole('region', { name: 'The outline' })).toBeHidden();
  await page.getByRole('button', { name: 'Undo' }).click();
  await below.getByRole('radio', { name: 'Keep inside' }).click();
  await saved(page);
  await page.getByRole('button', { name: 'Export' }).click();
  expect((await exported(page)).toString()).toContain('<path');
});

test('bars on an octagon become an iris: overhang removed, regions fused, made plain and spread apart', async ({
  page,
}) => {
  await makeFigure(page);
  const inspector = page.getByLabel('Inspector');
  await page.keyboard.press('1');
  await page.keyboard.press('u');
  await drag(page, await benchAt(page, 0, 0), await benchAt(page, 0, 330));
  await page.keyboard.press('4');
  await inspector.getByRole('radio', { name: 'Cells' }).click();
  const cells = page.getByRole('region', { name: 'Cells', exact: true });
  // Eight bars: what each shares with the next, what is its own, what hangs over, and the middle.
  await expect(cells.getByText('25 cells of 4 kinds')).toBeVisible();
  await page.getByRole('button', { name: /^Remove/ }).click();
  const overhang = await benchAt(page, 128, 354);
  await page.mouse.click(overhang.x, overhang.y);
  await expect(cells.getByText('17 cells of 3 kinds')).toBeVisible();
  await page.getByRole('button', { name: /^Fuse/ }).click();
  await drag(page, await benchAt(page, 28, 294), await benchAt(page, 88, 254));
  await expect(cells.getByText('9 cells of 2 kinds')).toBeVisible();

  await inspector.getByRole('button', { name: 'Make the round plain' }).click();
  await expect(page.getByText('1 shape, 8-fold')).toBeVisible();
  await page.keyboard.press('q');
  await page.keyboard.press('Control+a');
  const middle = async (): Promise<number> => Number(await inspector.getByLabel('Middle r').inputValue());
  const before = await middle();
  const distance = inspector.getByLabel('Offset distance');
  await distance.fill('8');
  await distance.press('Enter');
  await inspector.getByRole('button', { name: 'Spread outward' }).click();
  await expect.poll(middle).toBeGreaterThan(before + 6);
  await saved(page);
  await page.getByRole('button', { name: 'Export' }).click();
  const svg = (await exported(page)).toString();
  expect(svg.match(/<use/g)).toHaveLength(8);
});

test('a frame of four sheared bars: each less what its neighbours cover, exactly', async ({ page }) => {
  await makeFigure(page);
  const inspector = page.getByLabel('Inspector');
  await setFold(page, 4);
  await page.keyboard.press('2');
  await page.keyboard.press('a');
  await drag(page, await benchAt(page, -150, 150), await benchAt(page, 150, 220));
  await inspector.getByRole('radio', { name: 'Shear' }).click();
  const angle = inspector.getByLabel('Transform angle');
  await angle.fill('45');
  await angle.press('Enter');
  await inspector.getByRole('button', { name: 'Apply', exact: true }).click();
  await page.keyboard.press('4');
  const outline = page.getByRole('region', { name: 'The outline' });
  const area = async (): Promise<number> => Number.parseFloat((await outline.getByText(/²$/).textContent())!);
  await inspector.getByRole('radio', { name: 'Union' }).click();
  await expect(outline).toBeVisible();
  const union = await area();
  await inspector.getByRole('radio', { name: 'Overlaps' }).click();
  await expect.poll(area).not.toBe(union);
  const shared = await area();
  await inspector.getByRole('radio', { name: 'Covered once' }).click();
  await expect.poll(area).toBeCloseTo(union - shared, 2);
  await expect(outline.getByText('lines', { exact: true })).toBeVisible();
  await saved(page);
});

/** A wavy ring of smooth nodes about a place. */
const wavy = (id: string, x: number, count: number) =>
  newShape(
    id,
    id,
    pathForm(
      Array.from({ length: count }, (_, k) => {
        const angle = (2 * Math.PI * k) / count;
        const r = 40 + 2 * Math.sin(3.7 * k);
        const along = { x: (-25 * Math.sin(angle)) / count, y: (25 * Math.cos(angle)) / count };
        const back = { x: -along.x, y: -along.y };
        const at = { x: x + r * Math.cos(angle), y: -60 + r * Math.sin(angle) };
        return { ...at, kind: 'corner' as const, in: back, out: along };
      }),
      true,
    ),
    START_PAINT,
  );

test('combining shapes with thousands of crossings shows its progress, can be stopped, and leaves all as it was', async ({
  page,
}) => {
  const figure = addShapes(newFigure('Heavy', 'a'), 'a', [wavy('A', 0, 500), wavy('B', 12, 500)]);
  const id = await stored(page, figure);
  await page.goto(`/figures/${id}`);
  await opened(page);
  await page.keyboard.press('4');
  await page.keyboard.press('Control+a');
  const panel = page.getByRole('region', { name: 'Combine' });
  await panel.getByRole('radio', { name: 'Subtract' }).click();
  await expect(page.getByRole('progressbar', { name: 'Working out outlines' })).toBeVisible();
  await page.keyboard.press('Escape');
  await expect(page.getByText('Subtract was stopped. Nothing was changed.')).toBeVisible();
  await expect(panel.getByRole('button', { name: 'Take apart' })).toBeHidden();
  await expect(page.getByRole('button', { name: 'Nothing to undo' })).toBeDisabled();

  // The same with the time that it takes; undone and done again it is there at once.
  await panel.getByRole('radio', { name: 'Subtract' }).click();
  await expect(panel.getByRole('button', { name: 'Take apart' })).toBeVisible({ timeout: 30_000 });
  await page.keyboard.press('Control+z');
  await expect(panel.getByRole('button', { name: 'Take apart' })).toBeHidden();
  await page.keyboard.press('Control+Shift+z');
  await expect(panel.getByRole('button', { name: 'Take apart' })).toBeVisible();
  await page.goto('about:blank');
  await unstored(page, id);
});
