import { readFile } from 'node:fs/promises';
import path from 'node:path';

import type { Locator, Page } from '@playwright/test';

import type { Point } from '@/core/curve';

/** A place on the Bench: along the axis from the apex, and to its right, in the figure's unit. */
interface Spot {
  readonly right: number;
  readonly up: number;
}

type Held = 'Shift' | 'Alt';
type Pane = 'bench' | 'whole';

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

  async button(name: string | RegExp, held?: Held): Promise<void> {
    if (held) await this.hold(held);
    await this.click(this.page.getByRole('button', { name, exact: typeof name === 'string' }).first());
    if (held) await this.page.keyboard.up(held);
  }

  /** Chooses a picture as the underlay: the button, and the file. */
  async underlay(): Promise<void> {
    this.count += 2;
    await this.page
      .getByLabel('Picture to trace from')
      .setInputFiles(path.join(import.meta.dirname, '../../docs/screenshots/draw.png'));
    await this.settled();
  }

  /** Goes to a round by its bar in Reach. */
  round = (name: string): Promise<void> =>
    this.click(this.page.getByLabel('Reach').getByRole('button', { name }).first());

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

  drag = (from: Spot, to: Spot, held?: Held): Promise<void> => this.dragIn('bench', from, to, held);

  dragInWhole = (from: Spot, to: Spot, held?: Held): Promise<void> => this.dragIn('whole', from, to, held);

  private async hold(key: Held): Promise<void> {
    this.count += 1;
    await this.page.keyboard.down(key);
  }

  private async dragIn(pane: Pane, from: Spot, to: Spot, held?: Held): Promise<void> {
    this.count += 1;
    const [a, b] = [await this.placeIn(pane, from), await this.placeIn(pane, to)];
    await this.page.mouse.move(a.x, a.y);
    if (held) await this.hold(held);
    await this.page.mouse.down();
    await this.page.mouse.move((a.x + b.x) / 2, (a.y + b.y) / 2, { steps: 3 });
    await this.page.mouse.move(b.x, b.y, { steps: 3 });
    await this.settled();
    await this.page.mouse.up();
    if (held) await this.page.keyboard.up(held);
    await this.settled();
  }

  tap = (at: Spot): Promise<void> => this.tapIn('bench', at);

  tapInWhole = (at: Spot): Promise<void> => this.tapIn('whole', at);

  private async tapIn(pane: Pane, at: Spot): Promise<void> {
    this.count += 1;
    const { x, y } = await this.placeIn(pane, at);
    await this.page.mouse.click(x, y);
    await this.settled();
  }

  /** Exports as a type of file, the sheet as it is otherwise. @returns the file */
  async exported(type = 'SVG'): Promise<Buffer> {
    await this.button('Export');
    // What was chosen last is remembered.
    const radio = this.page.getByRole('radio', { name: type, exact: true });
    if (!(await radio.isChecked())) await this.click(radio);
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

  /** Where a place of a pane is in the window: by how the pane draws its artwork. */
  private async placeIn(pane: Pane, { right, up }: Spot): Promise<Point> {
    const shown = this.page.locator(`[data-pane=${pane}]`);
    const box = await shown.boundingBox();
    const place = await shown.locator('g[transform^="translate("]').first().getAttribute('transform');
    const [x = 0, y = 0, scale = 1] = (place?.match(/-?[\d.]+/g) ?? []).map(Number);
    return { x: (box?.x ?? 0) + x + right * scale, y: (box?.y ?? 0) + y - up * scale };
  }
}
