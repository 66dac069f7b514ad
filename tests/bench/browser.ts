import { spawn } from 'node:child_process';
import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import path from 'node:path';

import { chromium, type Page } from '@playwright/test';

import type { Figure } from '@/core/figure';
import { OWN_HEADER } from '@/protocol';
import { CHROMIUM } from '../help/chromium';

/** Of its own, so that several can be run beside one another. */
const PORT = 4391 + (process.pid % 500);
const HOST = `http://127.0.0.1:${PORT}`;

export const percentile = (times: readonly number[], share: number): number =>
  [...times].sort((a, b) => a - b)[Math.floor((times.length - 1) * share)] ?? NaN;

/** Takes the times from each event of a kind to the end of the frame after it: the next animation frame, and the first task then. */
const follow = (type: string): string => `(() => {
  window.taken = [];
  window.addEventListener('${type}', () => {
    const start = performance.now();
    requestAnimationFrame(() => { const { port1, port2 } = new MessageChannel(); port1.onmessage = () => window.taken.push(performance.now() - start); port2.postMessage(0); });
  }, { capture: true });
})()`;

/** A browser page, and what is measured in it. */
export interface Measured {
  readonly page: Page;
  /** The address of the application. */
  readonly host: string;
  /** Opens a figure in the built application. */
  readonly open: (figure: Figure) => Promise<void>;
  /** The times, in milliseconds, from each event of a kind to the picture after it, while something is done. */
  readonly times: (type: string, act: () => Promise<void>) => Promise<number[]>;
  /** The median for a dot that follows the pointer: what all else is compared with. */
  readonly reference: () => Promise<number>;
}

/** Drags from a point, up and to and fro. */
export async function wobble(page: Page, x: number, y: number): Promise<void> {
  await page.mouse.move(x, y);
  await page.mouse.down();
  for (let k = 1; k <= 60; k += 1) await page.mouse.move(x + 20 * Math.sin(k / 5), y - k / 3);
  await page.mouse.up();
}

/**
 * Measures in Debian's Chromium, with the built application beside it and a data directory of its own.
 * @param fill puts into that directory what is to be there before the server starts
 */
export async function inBrowser(
  measure: (measured: Measured) => Promise<void>,
  fill?: (directory: string) => Promise<void>,
): Promise<void> {
  const directory = mkdtempSync(path.join(tmpdir(), 'cyclogon-bench-'));
  await fill?.(directory);
  const server = spawn(process.execPath, ['scripts/serve.mjs', '--port', String(PORT)], {
    env: { ...process.env, CYCLOGON_DATA: directory },
    stdio: 'ignore',
  });
  try {
    for (let k = 0; k < 100; k += 1) {
      const up = await fetch(`${HOST}/api/figures`).then(
        ({ ok }) => ok,
        () => false,
      );
      if (up) break;
      await new Promise((resolve) => setTimeout(resolve, 100));
    }
    const browser = await chromium.launch({
      executablePath: CHROMIUM,
      args: ['--no-sandbox', '--disable-gpu', '--disable-dev-shm-usage', '--no-first-run'],
    });
    const page = await browser.newPage({ viewport: { width: 1280, height: 800 } });
    const times = async (type: string, act: () => Promise<void>): Promise<number[]> => {
      await page.evaluate(follow(type));
      await act();
      return page.evaluate('window.taken');
    };
    await measure({
      page,
      host: HOST,
      times,
      open: async (figure) => {
        const answer = await fetch(`${HOST}/api/figures`, {
          method: 'POST',
          headers: { [OWN_HEADER]: '1', 'Content-Type': 'application/json' },
          body: JSON.stringify({ figure }),
        });
        const { id } = (await answer.json()) as { id: string };
        await page.goto(`${HOST}/figures/${id}`);
        await page.getByRole('heading', { name: 'Bench', exact: true }).waitFor();
        await page.waitForTimeout(1500);
      },
      reference: async () => {
        await page.setContent('<svg width="1280" height="800"><circle id="d" r="5"/></svg>');
        await page.evaluate(
          `window.addEventListener('pointermove', (e) => { const d = document.getElementById('d'); d.setAttribute('cx', e.clientX); d.setAttribute('cy', e.clientY); })`,
        );
        return percentile((await times('pointermove', () => wobble(page, 400, 400))).slice(3), 0.5);
      },
    });
    await browser.close();
  } finally {
    server.kill();
    rmSync(directory, { recursive: true, force: true });
  }
}
