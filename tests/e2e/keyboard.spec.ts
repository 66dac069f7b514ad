import { expect, test } from '@playwright/test';

import { makeFigure, saved, setFold } from './hands';

test('a figure is drawn, turned, numbered and exported by keys alone', async ({ page }) => {
  await makeFigure(page);
  const inspector = page.getByLabel('Inspector');
  const press = async (...keys: readonly string[]): Promise<void> => {
    for (const key of keys) await page.keyboard.press(key);
  };
  await press('a', 'F6');
  await expect(page.locator('[data-pane=bench]')).toBeFocused();
  // Enter shows a cross-hair, presses and lets go; arrows move it.
  await press('Enter');
  await expect(page.getByTestId('cross-hair').first()).toBeVisible();
  // With Ctrl nothing near is caught.
  await press('Shift+ArrowLeft', 'Shift+ArrowUp', 'Control+Enter');
  await press('Shift+ArrowRight', 'Shift+ArrowRight', 'Shift+ArrowDown', 'Shift+ArrowDown', 'Control+Enter');
  await expect(inspector.getByText('1 shape, 8-fold')).toBeVisible();
  await expect(inspector.getByLabel('Box width')).toHaveValue('20');
  await expect(inspector.getByLabel('Box height')).toHaveValue('20');

  // A path, node by node, ended by Esc; Esc again leaves the cross-hair.
  await press('e', 'Shift+ArrowUp', 'Enter', 'Shift+ArrowUp', 'Enter', 'Shift+ArrowLeft', 'Enter', 'Escape');
  await expect(inspector.getByText('2 shapes, 8-fold')).toBeVisible();
  await press('Escape');
  await expect(page.getByTestId('cross-hair')).toHaveCount(0);

  // What is drawn is selected: arrows move it, and numbers do.
  const up = inspector.getByLabel('Middle up');
  const before = Number(await up.inputValue());
  await press('q', 'ArrowUp');
  await expect.poll(async () => Number(await up.inputValue())).toBeGreaterThan(before);
  await press('F6', 'F6');
  await expect(inspector.getByRole('tab', { selected: true })).toBeFocused();
  await up.focus();
  await up.fill('50');
  await press('Enter');
  await expect(up).toHaveValue('50');
  await setFold(page, 12);
  await saved(page);
  await expect(inspector.getByText('2 shapes, 12-fold')).toBeVisible();
});

test('signs are found wherever a keyboard has them, and keys with the system’s own are left to it', async ({
  page,
}) => {
  await makeFigure(page);
  const fold = page.getByRole('textbox', { name: 'Fold' });
  const before = Number(await fold.inputValue());
  // As a keyboard says it that has the sign on a key with Alt Gr.
  const signWithAltGr = (key: string): Promise<boolean> =>
    page.evaluate(
      (sign) =>
        document.body.dispatchEvent(
          new KeyboardEvent('keydown', {
            key: sign,
            code: 'Digit9',
            ctrlKey: true,
            altKey: true,
            bubbles: true,
            cancelable: true,
          }),
        ),
      key,
    );
  await signWithAltGr(']');
  await expect(fold).toHaveValue(String(before + 1));
  await signWithAltGr('[');
  await expect(fold).toHaveValue(String(before));
  // With Control alone it is no sign of ours.
  await page.keyboard.press('Control+]');
  await page.keyboard.press(']');
  await expect(fold).toHaveValue(String(before + 1));
  await page.keyboard.press('Control+z');
  await expect(fold).toHaveValue(String(before));
  await page.keyboard.press('Control+Shift+z');
  await expect(fold).toHaveValue(String(before + 1));
});

test('a stroke that must not cross a ray lights up, or is trimmed by itself; a frame is hidden with its numbers', async ({
  page,
}) => {
  await makeFigure(page);
  const inspector = page.getByLabel('Inspector');
  await page.keyboard.press('1');
  await inspector.getByRole('radio', { name: 'Inside' }).click();
  await expect(page.getByTestId('frame').first()).toBeVisible();
  await inspector.getByRole('button', { name: 'Hide the frame' }).click();
  await expect(page.getByTestId('frame')).toHaveCount(0);
  await expect(inspector.getByLabel('Corners of the frame')).toHaveValue('8');
  await inspector.getByRole('button', { name: 'Show the frame' }).click();
  await expect(page.getByTestId('frame').first()).toBeVisible();

  await page.keyboard.press('2');
  await page.keyboard.press('a');
  const bench = (await page.locator('[data-pane=bench]').boundingBox())!;
  const [x, y] = [bench.x + bench.width / 2, bench.y + bench.height - 146];
  await page.mouse.move(x - 150, y - 200);
  await page.mouse.down();
  await page.mouse.move(x + 150, y - 240, { steps: 4 });
  await page.mouse.up();
  const edge = inspector.getByRole('radiogroup', { name: 'What is past the rays' });
  await expect(page.getByTestId('past-the-ray')).toHaveCount(0);
  // The round has a choice of that name too: the panel is a little behind.
  await expect(inspector.getByRole('tab', { name: /^Rectangle/ })).toHaveAttribute('aria-selected', 'true');
  await edge.getByText('Must not').click();
  await expect(page.getByTestId('past-the-ray')).toBeVisible();
  await expect(page.getByRole('status').filter({ hasText: 'past the ray' })).toBeVisible();
  await edge.getByText('Trimmed').click();
  await expect(page.getByTestId('past-the-ray')).toHaveCount(0);
  await expect(inspector.getByText('What is selected stays inside the wedge.')).toBeVisible();
  // The round lets others cross as before.
  await inspector.getByRole('tab', { name: /^Round 1/ }).click();
  await expect(edge.getByRole('radio', { name: 'May cross' })).toBeChecked();
});
