import { createServer, request as httpRequest } from 'node:http';
import type { AddressInfo } from 'node:net';

import { expect, test } from '@playwright/test';

import type { FigurePage } from '@/protocol';
import {
  drawPetal,
  makeFigure,
  opened,
  otherWindow,
  saved,
  setFold,
  stored,
  unstored,
  unstoredNamed,
} from './hands';

test('a page of another server reads, makes and takes away nothing, and a page of ours runs no foreign script', async ({
  page,
  baseURL,
}) => {
  const id = await stored(page);
  const foreign = createServer((_, answer) => {
    answer.setHeader('Content-Type', 'text/html');
    answer.end('<title>elsewhere</title>');
  });
  await new Promise<void>((done) => foreign.listen(0, '127.0.0.1', done));
  const { port } = foreign.address() as AddressInfo;
  await page.goto(`http://127.0.0.1:${port}/`);
  const tried = await page.evaluate(
    async ({ server, figure }) => {
      const ask = async (method: string, part: string, headers: Record<string, string> = {}, body?: string) =>
        fetch(`${server}/api/figures${part}`, {
          method,
          headers,
          mode: 'no-cors',
          ...(body && { body }),
        }).then(
          (answer) => answer.type,
          () => 'refused',
        );
      return [
        await ask('GET', ''),
        await ask('POST', '', { 'Content-Type': 'text/plain' }, '{"name":"Foreign"}'),
        await ask('POST', `/${figure}/duplicate`),
        await fetch(`${server}/api/figures/${figure}`, {
          method: 'DELETE',
          headers: { 'x-cyclogon': '1' },
        }).then(
          ({ status }) => String(status),
          () => 'refused',
        ),
      ];
    },
    { server: baseURL!, figure: id },
  );
  // Opaque: sent without being asked about first, but the answer cannot be read, and nothing came of it.
  expect(tried.every((each) => ['opaque', 'refused'].includes(each))).toBe(true);
  const { figures: list } = (await (await page.request.get(`${baseURL}/api/figures`)).json()) as FigurePage;
  expect(list.filter(({ name }) => name === 'Foreign' || name.endsWith('copy'))).toEqual([]);
  expect(list.map((figure) => figure.id)).toContain(id);
  foreign.close();

  const blocked: string[] = [];
  page.on('console', (message) => {
    if (/Content Security Policy/i.test(message.text())) blocked.push(message.text());
  });
  await page.goto(`/figures/${id}`);
  await opened(page);
  expect(blocked).toEqual([]);
  const ran = await page.evaluate(() => {
    const script = document.createElement('script');
    script.textContent = 'window.foreignRan = true';
    document.body.insertAdjacentHTML('beforeend', '<img src="x" onerror="window.foreignRan = true">');
    document.body.append(script);
    return new Promise((done) => setTimeout(() => done('foreignRan' in window), 300));
  });
  expect(ran).toBe(false);
  expect(blocked.length).toBeGreaterThan(0);
  await unstored(page, id);
});

test('what is no request that can be answered gets a status and a sentence', async ({ baseURL }) => {
  const { hostname, port } = new URL(baseURL!);
  const asked = (method: string, path: string): Promise<string> =>
    new Promise((done, fail) => {
      const request = httpRequest({ hostname, port, method, path }, (answer) => {
        let text = '';
        answer.on('data', (part: Buffer) => (text += part.toString()));
        answer.on('end', () => done(`${answer.statusCode} ${text}`));
      });
      request.on('error', fail);
      request.end();
    });
  expect(await asked('GET', '/api/figures/%')).toMatch(/^400 .*not well-formed/);
  expect(await asked('TRACE', '/api/figures')).toMatch(/^405 .*not taken/);
  expect(await asked('GET', '/api/nothing')).toMatch(/^404/);
});

// A page that is closed sends what it has not saved. On a slow machine that now and then gets out although the context is offline: then the
// server has it, and the next visit rightly asks instead. So this is tried twice.
test.describe('without the server', () => {
  test.describe.configure({ retries: 1 });

  test('two tabs that lost the server keep what each did: one goes on, the other is on the Shelf beside it', async ({
    page,
    context,
  }) => {
    await unstoredNamed(page, 'kept in this browser');
    await makeFigure(page);
    await drawPetal(page);
    await saved(page);
    const address = page.url();
    const other = await otherWindow(page);
    await context.setOffline(true);
    for (const fold of [11, 12, 13]) await setFold(page, fold);
    await setFold(other, 21);
    await expect(page.getByRole('status').first()).toHaveText('not saved');
    await expect(other.getByRole('status').first()).toHaveText('not saved');
    await page.close();
    await other.close();
    await context.setOffline(false);

    const next = await context.newPage();
    await next.goto(address);
    await opened(next);
    await expect(next.getByText('1 shape, 21-fold')).toBeVisible();
    await expect(next.getByText(/only this browser had/)).toBeVisible();
    await expect(next.getByText(/on the Shelf as “Untitled figure \(kept in this browser\)”/)).toBeVisible();
    await saved(next);
    await next.goto('/');
    await next.getByRole('searchbox').fill('kept in this browser');
    await expect(next.getByRole('listitem')).toHaveCount(1);
    await next
      .getByRole('listitem')
      .getByRole('link', { name: /kept in this browser/ })
      .click();
    await opened(next);
    await expect(next.getByText('1 shape, 13-fold')).toBeVisible();
    await unstored(next, next.url().split('/').pop()!);
  });
});

test('a reload instead of an answer asks again; a figure taken off the Shelf elsewhere is put back', async ({
  page,
}) => {
  await makeFigure(page);
  await drawPetal(page);
  await saved(page);
  const other = await otherWindow(page);
  await setFold(other, 9);
  await saved(other);
  await setFold(page, 11);
  const choice = page.getByRole('dialog', { name: 'This figure was changed in another window' });
  await expect(choice.getByRole('heading')).toBeVisible();
  await page.reload();
  await expect(choice.getByRole('heading')).toBeVisible();
  await choice.getByRole('button', { name: 'Go on with this window’s' }).click();
  await expect(page.getByLabel('Name of the figure')).toHaveValue(/this window/);
  await unstored(page, page.url().split('/').pop()!);

  const id = other.url().split('/').pop()!;
  await unstored(other, id);
  await setFold(other, 33);
  const gone = other.getByRole('dialog', { name: 'This figure is no longer on the Shelf' });
  await gone.getByRole('button', { name: 'Put it back' }).click();
  await saved(other);
  await expect(gone).toBeHidden();
  await other.reload();
  await opened(other);
  await expect(other.getByText('1 shape, 33-fold')).toBeVisible();
});

test('a save whose answer is lost is no change from another window', async ({ page }) => {
  await makeFigure(page);
  await drawPetal(page);
  await saved(page);
  const address = '**/api/figures/*';
  let lost = 0;
  // Not taken away later: what is on its way through it then would have no end.
  let isLosing = true;
  await page.route(address, async (route) => {
    if (!isLosing || route.request().method() !== 'PUT') return route.continue();
    await route.fetch();
    lost += 1;
    return route.abort();
  });
  const status = page.getByRole('status').first();
  await setFold(page, 10);
  await expect(status).toHaveText('not saved');
  // These go into the step that the server has already.
  await setFold(page, 14);
  await setFold(page, 15);
  isLosing = false;
  await saved(page);
  expect(lost).toBeGreaterThan(0);
  await page.reload();
  await opened(page);
  await expect(page.getByText('1 shape, 15-fold')).toBeVisible();
});

test('what was done after going back is there again as it was left, with what was undone', async ({
  page,
  context,
}) => {
  await makeFigure(page);
  const address = page.url();
  await drawPetal(page);
  await saved(page);
  await context.setOffline(true);
  await setFold(page, 5);
  await drawPetal(page, 80, 200);
  await setFold(page, 7);
  await page.keyboard.press('Control+z');
  await expect(page.getByText('2 shapes, 5-fold')).toBeVisible();
  await expect(page.getByRole('status').first()).toHaveText('not saved');
  await page.goto('about:blank');
  await context.setOffline(false);
  await page.goto(address);
  await opened(page);
  await expect(page.getByText('2 shapes, 5-fold')).toBeVisible();
  await page.keyboard.press('Control+y');
  await expect(page.getByText('2 shapes, 7-fold')).toBeVisible();
  await saved(page);
});

test('a sheet whose code the server does not give says so, and opens when it does', async ({ page }) => {
  await makeFigure(page);
  const choose = () =>
    page.getByLabel('Artwork file').setInputFiles({
      name: 'leaf.svg',
      mimeType: 'image/svg+xml',
      buffer: Buffer.from('<svg xmlns="http://www.w3.org/2000/svg"><path d="M0 0h9v9z"/></svg>'),
    });
  await page.context().setOffline(true);
  await choose();
  await expect(page.getByText(/^This could not be opened: the server does not answer/)).toBeVisible();
  await page.context().setOffline(false);
  await choose();
  await expect(page.getByRole('heading', { name: 'Take leaf' })).toBeVisible();
});

test('reading a large drawing shows how far it is, can be stopped, and leaves what was there', async ({
  page,
}) => {
  await makeFigure(page);
  await drawPetal(page);
  const motif = page.getByRole('button', { name: /^Select / });
  await expect(motif).toHaveCount(1);
  await page.evaluate(() => {
    // One path that is used often: much to read from a short text.
    const points = Array.from({ length: 2000 }, (_, k) => `C${k} 1 2 ${k} 3 ${k % 7}`).join('');
    const uses = Array.from({ length: 190 }, (_, k) => `<use href="#p" x="${k}"/>`).join('');
    const data = new DataTransfer();
    data.setData(
      'text/plain',
      `<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 9 9"><defs><path id="p" d="M0 0${points}"/></defs>${uses}</svg>`,
    );
    window.dispatchEvent(new ClipboardEvent('paste', { clipboardData: data }));
  });
  await page.getByRole('button', { name: 'Stop' }).click();
  await expect(page.getByRole('button', { name: 'Stop' })).toBeHidden();
  await expect(motif).toHaveCount(1);
  // The page is free at once for what comes next.
  await page.keyboard.press('Control+z');
  await expect(motif).toHaveCount(0);
});
