import type { Page } from '@playwright/test';

import { newFigure } from '@/core/figure';
import { openDatabase } from '@/server/database';
import { createFigure } from '@/server';
import { inBrowser, percentile } from './browser';

/**
 * A Shelf of 5001 figures and one of a single figure, in the built application and one browser run: from going to it until cards are seen,
 * and until the search field listens; then frames while it scrolls.
 */
const filled = (count: number) => async (directory: string) => {
  const knex = await openDatabase(directory);
  for (let k = 0; k < count; k += 1) await createFigure(knex, newFigure(`Figure ${k}`, 'r'));
  await knex.destroy();
};

/** Notes when cards are in the page, and when React has taken over the search field. */
const WATCH = `(() => {
  window.seen = {};
  const look = () => {
    if (document.querySelector('main li a')) window.seen.cards ??= performance.now();
    const field = document.querySelector('input[type=search]');
    if (field && Object.keys(field).some((key) => key.startsWith('__reactProps'))) window.seen.search ??= performance.now();
    if (!window.seen.cards || !window.seen.search) setTimeout(look, 4);
  };
  look();
})()`;

interface Seen {
  readonly cards: number;
  readonly search: number;
}

async function openings(page: Page, host: string): Promise<Seen[]> {
  await page.addInitScript(WATCH);
  const taken: Seen[] = [];
  for (let k = 0; k < 12; k += 1) {
    await page.goto(`${host}/notices.txt`);
    // Pictures of cards are made after the page is there: whoever measures next waits for them.
    await page.waitForTimeout(1500);
    await page.goto(host);
    await page.waitForTimeout(1500);
    taken.push(await page.evaluate('window.seen'));
  }
  // The first two find nothing kept by the browser, and the server not warm.
  return taken.slice(2);
}

/** How long frames take while the wheel turns from the top of a Shelf to far down, and cards come in, in milliseconds. */
async function scrolling(page: Page, host: string): Promise<number[]> {
  await page.goto(host);
  await page.waitForTimeout(2500);
  await page.mouse.move(700, 500);
  await page.evaluate(`(() => {
    window.frames = [];
    let last = performance.now();
    const next = (now) => { window.frames.push(now - last); last = now; window.ended || requestAnimationFrame(next); };
    requestAnimationFrame(next);
  })()`);
  for (let k = 0; k < 60; k += 1) await page.mouse.wheel(0, 300);
  await page.waitForTimeout(300);
  return page.evaluate('(window.ended = true, window.frames)');
}

const medians = new Map<number, Seen>();
for (const count of [1, 5001]) {
  await inBrowser(async ({ page, host }) => {
    const taken = await openings(page, host);
    const middle = (part: keyof Seen): number =>
      percentile(
        taken.map((seen) => seen[part]),
        0.5,
      );
    const frames = await scrolling(page, host);
    const frame = (share: number): string => percentile(frames, share).toFixed(0);
    console.log(`${count} figures: a frame of scrolling takes ${frame(0.5)} ms, ${frame(0.95)} ms at 95 %`);
    medians.set(count, { cards: middle('cards'), search: middle('search') });
    console.log(
      `${count} figures: cards after ${middle('cards').toFixed(0)} ms, the search field listens after ${middle('search').toFixed(0)} ms (middle of ${taken.length})`,
    );
  }, filled(count));
}
const [one, many] = [medians.get(1), medians.get(5001)];
if (one && many) console.log(`5001 take ${(many.search / one.search).toFixed(2)} times as long as one`);
