import { readFile } from 'node:fs/promises';

import type { Locator, Page } from '@playwright/test';

import type { Point } from '../../src/core/curve/point';

/** A place on the Bench: along the axis from the apex, and to its right, in the figure's unit. */
interface Spot {
  readonly right: number;
  readonly up: number;
}

export const spot = (right: number, up: number): Spot => ({ right, up });

/**
 * A person's hand that counts what it does. One each: a click, a drag, a key, a key that is held, a value typed with the Enter after it.
 * Going to a field is a click of its own.
 */
export class Hand {
  count = 0;

  constructor(readonly page: Page) {}

  async key(name: string): Promise<void> {
    this.count += 1;
    await this.page.keyboard.press(name);
    await this.settled();
  }

  async click(what: Locator): Promise<void> {
    this.count += 1;
    await what.click();
    await this.settled();
  }

  button = (name: string | RegExp): Promise<void> =>
    this.click(this.page.getByRole('button', { name, exact: typeof name === 'string' }).first());

  choice = (name: string): Promise<void> =>
    this.click(this.page.getByRole('radio', { name, exact: true }).first());

  tab = (name: string | RegExp): Promise<void> => this.click(this.page.getByRole('tab', { name }));

  /** Clicks into a field of the inspector or of a pane, and types a value. */
  async value(label: string, value: string): Promise<void> {
    const field = this.page.getByLabel(label, { exact: true }).last();
    await this.click(field);
    this.count += 1;
    await field.fill(value);
    await field.press('Enter');
    await this.settled();
  }

  async fold(fold: number): Promise<void> {
    const field = this.page.getByRole('group', { name: /Fold of/ }).getByLabel('Fold', { exact: true });
    await this.click(field);
    this.count += 1;
    await field.fill(String(fold));
    await field.press('Enter');
    await this.settled();
  }

  async drag(from: Spot, to: Spot, held?: 'Shift' | 'Alt'): Promise<void> {
    this.count += held ? 2 : 1;
    const [a, b] = [await this.onBench(from), await this.onBench(to)];
    await this.page.mouse.move(a.x, a.y);
    if (held) await this.page.keyboard.down(held);
    await this.page.mouse.down();
    await this.page.mouse.move((a.x + b.x) / 2, (a.y + b.y) / 2, { steps: 3 });
    await this.page.mouse.move(b.x, b.y, { steps: 3 });
    await this.settled();
    await this.page.mouse.up();
    if (held) await this.page.keyboard.up(held);
    await this.settled();
  }

  async tap(at: Spot): Promise<void> {
    this.count += 1;
    const { x, y } = await this.onBench(at);
    await this.page.mouse.click(x, y);
    await this.settled();
  }

  /** Exports with the sheet as it is. @returns the file */
  async exported(): Promise<Buffer> {
    await this.button('Export');
    const downloading = this.page.waitForEvent('download');
    await this.button('Download');
    return readFile(await (await downloading).path());
  }

  /** Waits until what was done is seen: two frames, and what is worked out in threads of its own. */
  private async settled(): Promise<void> {
    await this.page.evaluate(
      () => new Promise((done) => requestAnimationFrame(() => requestAnimationFrame(() => done(null)))),
    );
    await this.page.waitForTimeout(120);
  }

  /** Where a place of the Bench is in the window: by how the Bench draws its artwork. */
  private async onBench({ right, up }: Spot): Promise<Point> {
    const bench = this.page.locator('[data-pane=bench]');
    const box = await bench.boundingBox();
    const place = await bench.locator('g[transform^="translate("]').first().getAttribute('transform');
    const [x = 0, y = 0, scale = 1] = (place?.match(/-?[\d.]+/g) ?? []).map(Number);
    return { x: (box?.x ?? 0) + x + right * scale, y: (box?.y ?? 0) + y - up * scale };
  }
}
