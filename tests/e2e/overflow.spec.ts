import { readFileSync } from 'node:fs';

import { expect, test, type Page } from '@playwright/test';

import type { Figure } from '@/core/figure';
import { inUnit } from '@/core/figure/commands';
import { readFigure } from '@/core/format/figure';
import { made } from '../help/made';
import { bench, benchAt, drag, goTo, makeFigure, opened, stored, unstored } from './hands';

const STAGES = ['Set out', 'Draw', 'Turn', 'Merge', 'Colour'];

/**
 * What is cut off or stands out of its button in the panel, the trays and the bars: words by the box that they lie in, numbers by the field
 * that they do not fit in. Names that are cut on purpose say all of it on a hover.
 */
const cutOff = (page: Page): Promise<string[]> =>
  page.evaluate(() => {
    const found: string[] = [];
    const roots = document.querySelectorAll(
      '[aria-label=Inspector], header, [role=toolbar], [id^=headlessui-dialog-panel]',
    );
    for (const root of roots) {
      const bounds = root.getBoundingClientRect();
      for (const input of root.querySelectorAll('input'))
        if (input.clientWidth > 0 && input.scrollWidth > input.clientWidth + 1)
          found.push(`${input.getAttribute('aria-label')}: ${input.value}`);
      const walker = document.createTreeWalker(root, NodeFilter.SHOW_TEXT);
      for (let node = walker.nextNode(); node; node = walker.nextNode()) {
        const parent = node.parentElement;
        if (!parent || !node.textContent?.trim() || parent.closest('[title], .sr-only, input, option'))
          continue;
        if (!parent.checkVisibility()) continue;
        const range = document.createRange();
        range.selectNodeContents(node);
        const text = range.getBoundingClientRect();
        if (text.width === 0) continue;
        const button = parent
          .closest('button, [role=radio], [role=tab], [role=switch]')
          ?.getBoundingClientRect();
        const box = button ?? bounds;
        const out = text.left < box.left - 1 || text.right > box.right + 1;
        const tall = button && (text.top < button.top - 1 || text.bottom > button.bottom + 1);
        if (out || tall) found.push(node.textContent.trim());
      }
    }
    return [...new Set(found)];
  });

const demo = (name: string): Figure => made(readFigure(readFileSync(`demo/data/${name}.json`, 'utf8')));

/** Goes through the levels of the panel, and gathers what is cut. */
async function throughLevels(page: Page, where: string, found: Map<string, string>): Promise<void> {
  const tabs = page.getByLabel('Inspector').getByRole('tab');
  for (let k = 0; k < (await tabs.count()); k += 1) {
    const tab = tabs.nth(k);
    if (!(await tab.isEnabled())) continue;
    await tab.click();
    for (const words of await cutOff(page)) found.set(words, `${where}, ${await tab.innerText()}`);
  }
}

for (const [name, unit, width] of [
  ['frost-flake', 'in', 1280],
  ['tide-dial', 'px', 1024],
  ['lamp-burst', 'pt', 1280],
] as const)
  test(`nothing is cut off in the panels of ${name} in ${unit}, ${width} wide`, async ({ page }) => {
    await page.setViewportSize({ width, height: 800 });
    const id = await stored(page, inUnit(demo(name), unit));
    await page.goto(`/figures/${id}`);
    await opened(page);
    const found = new Map<string, string>();
    for (const [k, stage] of STAGES.entries()) {
      await goTo(page, String(k + 1), stage);
      await throughLevels(page, stage, found);
      const note = (words: string[], what: string): void =>
        words.forEach((each) => found.set(each, `${stage}, ${what}`));
      await page.keyboard.press('Control+a');
      note(await cutOff(page), 'all shapes');
      const first = page
        .getByLabel('Inspector')
        .getByRole('button', { name: /^Select / })
        .first();
      if (!(await first.isVisible())) continue;
      await first.click();
      note(await cutOff(page), 'one shape');
    }
    expect(Object.fromEntries(found)).toEqual({});
    await unstored(page, id);
  });

test('nothing is cut off where nodes are edited', async ({ page }) => {
  await makeFigure(page);
  await page.keyboard.press('e');
  await drag(page, await benchAt(page, 31, 121), await benchAt(page, 67, 173));
  await page.waitForTimeout(400);
  const end = await benchAt(page, 20, 330);
  await page.mouse.click(end.x, end.y);
  await page.keyboard.press('Enter');
  await page.keyboard.press('w');
  const node = (await bench(page).locator('[data-handle=node-0]').boundingBox())!;
  await page.mouse.click(node.x + node.width / 2, node.y + node.height / 2);
  await expect(page.getByLabel('Inspector').getByText('Selected node')).toBeVisible();
  expect(await cutOff(page)).toEqual([]);
});

test('nothing is cut off in the sheets, 1024 wide', async ({ page }) => {
  await page.setViewportSize({ width: 1024, height: 800 });
  const id = await stored(page, inUnit(demo('frost-flake'), 'px'));
  await page.goto(`/figures/${id}`);
  await opened(page);
  const dialog = page.getByRole('dialog');
  const found = new Map<string, string>();
  const note = async (where: string): Promise<void> =>
    (await cutOff(page)).forEach((words) => found.set(words, where));
  await page.getByRole('button', { name: 'Export' }).click();
  const types = dialog.getByRole('radiogroup', { name: 'File type' }).getByRole('radio');
  for (let k = 0; k < (await types.count()); k += 1) {
    await types.nth(k).click();
    await note(`Export ${await types.nth(k).innerText()}`);
  }
  await page.keyboard.press('Escape');
  for (const key of ['?', '/']) {
    await page.keyboard.press(key);
    await expect(dialog.locator('[id^=headlessui-dialog-panel]')).toBeVisible();
    await note(`Sheet on ${key}`);
    await page.keyboard.press('Escape');
    await expect(dialog).toHaveCount(0);
  }
  await goTo(page, '3', 'Turn');
  await page.getByRole('button', { name: 'Place a figure of the Shelf …' }).click();
  await expect(dialog.getByRole('searchbox')).toBeVisible();
  await note('Place a figure');
  expect(Object.fromEntries(found)).toEqual({});
  await unstored(page, id);
});
