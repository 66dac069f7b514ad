import AxeBuilder from '@axe-core/playwright';
import { expect, test } from '@playwright/test';

import { drawPetal, makeFigure } from './hands';

/** All stages as most people see them; what is smaller or larger elsewhere is the panes and the fullest panels. */
const SIZES = [
  { width: 1280, height: 800, stages: ['1', '2', '3', '4', '5', '6'] },
  { width: 1024, height: 700, stages: ['2', '6'] },
  { width: 1920, height: 1080, stages: ['5'] },
] as const;

for (const scheme of ['light', 'dark'] as const) {
  test(`Shelf and editor have no serious accessibility findings, ${scheme}`, async ({ page }) => {
    // Looking at every element of every stage takes long on a slow machine; nothing here waits for that time.
    test.setTimeout(300_000);
    await page.emulateMedia({ colorScheme: scheme });
    await makeFigure(page);
    await drawPetal(page);
    const seriousFindings = async (): Promise<string[]> => {
      // Names and sizes are those of the light; what the dark has of its own is its colours.
      const rules = scheme === 'light' ? ['wcag2a', 'wcag2aa', 'wcag21aa', 'wcag22aa'] : ['color-contrast'];
      // Only what fails is told, in this page and no other: no frame is of another origin. A third of the time.
      const { violations } = await new AxeBuilder({ page })
        .options({ runOnly: rules, resultTypes: ['violations'], selectors: false })
        .setLegacyMode()
        .analyze();
      return violations
        .filter(({ impact }) => impact === 'serious' || impact === 'critical')
        .map(({ id, nodes }) => `${id}: ${nodes.map(({ html }) => html).join(' | ')}`);
    };
    for (const { width, height, stages } of scheme === 'light' ? SIZES : SIZES.slice(0, 1)) {
      await page.setViewportSize({ width, height });
      for (const stage of stages) {
        await page.keyboard.press(stage);
        // What the proof finds and draws comes a moment later.
        if (stage === '6')
          await expect(
            page
              .getByRole('img', { name: /each direction/ })
              .or(page.getByText(/check(s)? passed/))
              .first(),
          ).toBeVisible();
        expect(await seriousFindings(), `${width} wide, stage ${stage}`).toEqual([]);
      }
    }
    await page.setViewportSize(SIZES[0]);
    await page.keyboard.press('2');
    await page.keyboard.press('o');
    await expect(page.getByRole('button', { name: 'Leaf', exact: true }).locator('img')).toBeVisible();
    expect(await seriousFindings(), 'the drawer').toEqual([]);
    await page.keyboard.press('p');
    await page.getByRole('button', { name: /^Start/ }).click();
    await expect(page.getByText(/1 shape more/)).toBeVisible();
    expect(await seriousFindings(), 'the history').toEqual([]);
    await page.goto('/');
    await expect(page.getByRole('heading', { name: 'Cyclogon', exact: true })).toBeVisible();
    expect(await seriousFindings()).toEqual([]);
  });
}

test('the theme is another at each press until it is the system’s again, whatever that is', async ({
  page,
}) => {
  const ground = (): Promise<string> => page.evaluate(() => getComputedStyle(document.body).backgroundColor);
  for (const colorScheme of ['light', 'dark'] as const) {
    await page.emulateMedia({ colorScheme });
    await page.goto('/');
    const button = page.getByRole('button', { name: /^Theme: / });
    const own = await ground();
    await button.click();
    await expect.poll(ground).not.toBe(own);
    await button.click();
    await expect.poll(ground).toBe(own);
    await button.click();
    await expect(button).toHaveAccessibleName('Theme: as the system has it');
    expect(await ground()).toBe(own);
  }
});
