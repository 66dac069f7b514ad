import { spawn, type ChildProcess } from 'node:child_process';
import { rmSync } from 'node:fs';
import path from 'node:path';

import { expect, test } from '@playwright/test';

import { drawPetal, makeFigure, opened, saved, setFold } from './hands';

const root = path.resolve(import.meta.dirname, '../..');
const PORT = 4378;
const data = path.join(root, '.tmp/e2e-kill');

async function serve(): Promise<ChildProcess> {
  const child = spawn(process.execPath, ['scripts/serve.mjs', '--port', String(PORT)], {
    cwd: root,
    env: { ...process.env, CYCLOGON_DATA: data, NEXT_TELEMETRY_DISABLED: '1' },
    detached: true,
    stdio: 'ignore',
  });
  await expect
    .poll(
      async () =>
        fetch(`http://127.0.0.1:${PORT}/api/figures`).then(
          ({ status }) => status,
          () => 0,
        ),
      { timeout: 30_000 },
    )
    .toBe(200);
  return child;
}

/** kill -9 of the server and all that it started. */
const kill = (child: ChildProcess): void => {
  if (child.pid) process.kill(-child.pid, 'SIGKILL');
};

test.use({ baseURL: `http://127.0.0.1:${PORT}` });

test('a kill of the server loses nothing: the window keeps its changes and saves them when it is back', async ({
  page,
}) => {
  rmSync(data, { recursive: true, force: true });
  let server = await serve();
  try {
    await makeFigure(page);
    await drawPetal(page);
    await saved(page);
    await setFold(page, 10);
    kill(server);
    await setFold(page, 14);
    await setFold(page, 15);
    await expect(page.getByRole('status').first()).toHaveText('not saved');
    server = await serve();
    await expect(page.getByRole('status').first()).toHaveText(/^saved/, { timeout: 30_000 });
    await page.reload();
    await opened(page);
    await expect(page.getByText('1 shape, 15-fold')).toBeVisible();

    // Now the browser goes too, before the server is back: its changes wait in it.
    kill(server);
    await setFold(page, 21);
    await expect(page.getByRole('status').first()).toHaveText('not saved');
    const address = page.url();
    await page.goto('about:blank');
    server = await serve();
    await page.goto(address);
    await opened(page);
    await expect(page.getByText('1 shape, 21-fold')).toBeVisible();
    await saved(page);
  } finally {
    kill(server);
  }
});
