import { mkdtempSync, readdirSync, readFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import path from 'node:path';

import { expect, test } from '@playwright/test';
import puppeteer, { type Page } from 'puppeteer-core';

import { pixelsOf } from '../help/pictures';

/** A place on the Bench: pixels right of the axis, and above the apex; as in Chromium. */
async function benchAt(page: Page, right: number, up: number): Promise<{ x: number; y: number }> {
  const box = (await (await page.$('[data-pane=bench]'))?.boundingBox()) ?? {
    x: 0,
    y: 0,
    width: 0,
    height: 0,
  };
  return { x: box.x + box.width / 2 + right, y: box.y + box.height - 146 - up };
}

async function drag(
  page: Page,
  from: readonly [number, number],
  to: readonly [number, number],
): Promise<void> {
  const [a, b] = [await benchAt(page, ...from), await benchAt(page, ...to)];
  await page.mouse.move(a.x, a.y);
  await page.mouse.down();
  await page.mouse.move((a.x + b.x) / 2, (a.y + b.y) / 2, { steps: 3 });
  await page.mouse.move(b.x, b.y, { steps: 3 });
  await page.mouse.up();
}

const click = (page: Page, name: string): Promise<void> => page.locator(`::-p-aria(${name})`).click();

test('a figure is drawn, merged, coloured and exported in another browser engine', async ({ baseURL }) => {
  const downloads = mkdtempSync(path.join(tmpdir(), 'cyclogon-'));
  const firefox = await puppeteer.launch({
    browser: 'firefox',
    executablePath: '/usr/bin/firefox-esr',
    headless: true,
    defaultViewport: { width: 1280, height: 800 },
    extraPrefsFirefox: {
      'browser.download.folderList': 2,
      'browser.download.dir': downloads,
      'browser.download.always_ask_before_handling_new_types': false,
      'browser.helperApps.neverAsk.saveToDisk': 'image/svg+xml',
    },
  });
  const page = await firefox.newPage();
  const errors: string[] = [];
  page.on('pageerror', (error) => errors.push(String(error)));
  await page.goto(baseURL ?? '');
  await page.locator('::-p-text(New figure)').click();
  await page.waitForSelector('main[aria-busy=false]');
  await page.waitForSelector('::-p-text(Choose Petal below)');

  await page.keyboard.press('d');
  await drag(page, [3, 60], [-4, 400]);
  await page.waitForSelector('::-p-text(1 shape, 8-fold)');
  await page.keyboard.press('4');
  await page.locator('::-p-aria([role="radio"][name="Union"])').click();
  await page.keyboard.press('5');
  await page.waitForSelector('[aria-current=step]::-p-text(Colour)');
  await click(page, '#d9512c at hand');
  await page.keyboard.press('6');
  await page.waitForSelector('::-p-text(checks passed)');

  await page.waitForSelector('::-p-text(saved)');
  await click(page, 'Export');
  await click(page, 'Download');
  // The file is there, empty, before all of it is.
  const handed = (): string => {
    const file = readdirSync(downloads).find((name) => name.endsWith('.svg'));
    return file === undefined ? '' : readFileSync(path.join(downloads, file), 'utf8');
  };
  await expect.poll(handed).toContain('</svg>');
  const svg = handed();
  expect(svg).toContain('#d9512c');
  // The merged outline of eight petals is one path, and an independent renderer shows its colour on either side of the centre.
  expect(svg.match(/<path/g)).toHaveLength(1);
  const pixels = pixelsOf(svg, 180);
  const colourAt = (x: number, y: number): number[] => [
    ...pixels.slice(4 * (180 * y + x), 4 * (180 * y + x) + 3),
  ];
  expect(colourAt(90, 50)).toEqual([0xd9, 0x51, 0x2c]);
  expect(colourAt(90, 130)).toEqual([0xd9, 0x51, 0x2c]);
  expect(errors).toEqual([]);
  await firefox.close();
});
