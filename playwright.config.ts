import path from 'node:path';

import { defineConfig } from '@playwright/test';

import { CHROMIUM } from './tests/help/chromium';

const PORT = 4377;

/** Debian's Chromium against the built application with a data directory of its own. */
export default defineConfig({
  testDir: 'tests/e2e',
  outputDir: 'test-results',
  fullyParallel: false,
  // Files side by side, each test with figures of its own: on two cores a third less time.
  workers: 2,
  // Long, as some machines are many times slower than others; nothing waits for it to run out.
  timeout: 180_000,
  expect: { timeout: 20_000 },
  reporter: 'list',
  use: {
    baseURL: `http://127.0.0.1:${PORT}`,
    viewport: { width: 1280, height: 800 },
    launchOptions: {
      executablePath: CHROMIUM,
      args: [
        '--no-sandbox',
        '--disable-gpu',
        '--disable-dev-shm-usage',
        '--disable-background-networking',
        '--disable-component-update',
        '--disable-sync',
        '--no-first-run',
      ],
    },
  },
  webServer: {
    command: `rm -rf .tmp/e2e && node scripts/serve.mjs --port ${PORT}`,
    url: `http://127.0.0.1:${PORT}/api/figures`,
    reuseExistingServer: false,
    env: { CYCLOGON_DATA: path.join(import.meta.dirname, '.tmp/e2e'), NEXT_TELEMETRY_DISABLED: '1' },
  },
});
