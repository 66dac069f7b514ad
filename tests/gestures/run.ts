/**
 * Makes pieces by pointer and keys from an empty figure to a file, counts what that takes, and compares the files in three renderers.
 *
 * npm run gestures             prints the table; fails where a piece takes more than docs/gestures.md says, or is drawn differently
 * npm run gestures -- --write  writes the table to docs/gestures.md
 * npm run gestures -- --piece 1,6 only these
 * npm run gestures -- --demo   compares the sample pieces in three renderers as well
 */
import { spawn, spawnSync } from 'node:child_process';
import { mkdirSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import path from 'node:path';

import { chromium, type Browser } from '@playwright/test';
import sharp from 'sharp';

import { PIECES as SAMPLES } from '../../demo/pieces';
import { evaluateWhole } from '@/core/figure';
import { DEFAULT_SVG } from '@/core/format/svg/svg';
import { svgOf } from '@/core/format/svg';
import { CHROMIUM } from '../help/chromium';
import { difference, pixelsOf } from '../help/pictures';
import { Hand } from './hand';
import { PIECES, type Piece } from './pieces';

const PORT = 4481;
const ROOT = path.join(import.meta.dirname, '../..');
const FOLDER = path.join(ROOT, '.tmp/gestures');
const TABLE = path.join(ROOT, 'docs/gestures.md');
const SIDES = [300, 900, 1200];
/** The share of pixels that may differ by more than the edge of a shape does. */
const MOST_DIFFERENT = 0.002;

interface Made {
  readonly piece: Piece;
  readonly count: number;
  readonly file: Buffer;
  /** The worst share of pixels that differ from those of resvg, by renderer. */
  readonly differs: Readonly<Record<string, number>>;
}

async function server(): Promise<() => void> {
  rmSync(FOLDER, { recursive: true, force: true });
  mkdirSync(FOLDER, { recursive: true });
  const running = spawn('node', ['scripts/serve.mjs', '--port', String(PORT)], {
    cwd: ROOT,
    env: { ...process.env, CYCLOGON_DATA: path.join(FOLDER, 'data') },
    stdio: 'ignore',
  });
  for (let tries = 0; tries < 120; tries += 1) {
    const answer = await fetch(`http://127.0.0.1:${PORT}/api/figures`).catch(() => null);
    if (answer?.ok) return () => running.kill();
    await new Promise((done) => setTimeout(done, 250));
  }
  running.kill();
  throw new Error('The application does not answer: build it first, by npm run build.');
}

async function inChromium(browser: Browser, svg: Buffer, side: number): Promise<Uint8Array> {
  const page = await browser.newPage({ viewport: { width: side, height: side } });
  const source = `data:image/svg+xml;base64,${svg.toString('base64')}`;
  await page.setContent(
    `<body style="margin:0"><img width="${side}" height="${side}" src="${source}"></body>`,
  );
  await page.waitForFunction('document.images[0].complete');
  const png = await page.screenshot();
  await page.close();
  return sharp(png).ensureAlpha().raw().toBuffer();
}

/** By librsvg's own program, where that is installed. */
async function inLibrsvg(svg: Buffer, side: number): Promise<Uint8Array | null> {
  const made = spawnSync('rsvg-convert', ['-w', String(side)], { input: svg, maxBuffer: 2 ** 28 });
  return made.status === 0 ? sharp(made.stdout).ensureAlpha().raw().toBuffer() : null;
}

async function compared(browser: Browser, svg: Buffer): Promise<Record<string, number>> {
  const worst: Record<string, number> = {};
  for (const side of SIDES) {
    const own = pixelsOf(svg.toString(), side);
    const others = { Chromium: await inChromium(browser, svg, side), librsvg: await inLibrsvg(svg, side) };
    for (const [name, pixels] of Object.entries(others))
      if (pixels) worst[name] = Math.max(worst[name] ?? 0, difference(own, pixels));
  }
  return worst;
}

async function madeBy(browser: Browser, piece: Piece): Promise<Made> {
  const page = await browser.newPage({ viewport: { width: 1280, height: 800 } });
  await page.goto(`http://127.0.0.1:${PORT}/`);
  const hand = new Hand(page);
  await hand.click(page.getByRole('button', { name: /New figure|first figure/ }).first());
  await page.waitForURL(/\/figures\//);
  await page.getByText('Choose Petal below').waitFor();
  await piece.make(hand);
  await page.screenshot({ path: path.join(FOLDER, `${piece.id}.png`) });
  for (const type of piece.files ?? ['SVG']) await hand.exported(type);
  const { count } = hand;
  // What is compared is an SVG whatever it was handed on as, which counts no more.
  const file = await hand.exported();
  writeFileSync(path.join(FOLDER, `${piece.id}.svg`), file);
  await page.close();
  return { piece, count, file, differs: await compared(browser, file) };
}

const sayDiffers = (differs: Made['differs']): string =>
  Object.entries(differs)
    .map(([name, share]) => `${name} ${(100 * share).toFixed(3)} %`)
    .join(', ');

const looksOdd = (differs: Made['differs']): boolean =>
  Object.values(differs).some((share) => share > MOST_DIFFERENT);

/** Compares the pieces of the sample week. @returns true where one is drawn differently */
async function demoDiffers(): Promise<boolean> {
  let isOdd = false;
  for (const [name, piece] of Object.entries(SAMPLES)) {
    const svg = svgOf(await evaluateWhole(piece()), DEFAULT_SVG);
    const differs = await compared(browser, Buffer.from(svg));
    isOdd ||= looksOdd(differs);
    console.log(
      `${name}: other than resvg: ${sayDiffers(differs)}${looksOdd(differs) ? '  DRAWN DIFFERENTLY' : ''}`,
    );
  }
  return isOdd;
}

/** The counts that the table in docs has, by the piece's id. */
const known = (): Map<string, number> =>
  new Map(
    [...readFileSync(TABLE, 'utf8').matchAll(/^\|\s*(\d+\w?)\s*\|[^|]*\|\s*(\d+)\s*\|/gm)].map(
      ([, id = '', count]) => [id, Number(count)] as const,
    ),
  );

function written(all: readonly Made[]): void {
  const text = readFileSync(TABLE, 'utf8');
  const rows = all.map(({ piece, count }) => `| ${piece.id} | ${piece.name} | ${count} | ${piece.goal} |`);
  const head = '| piece | made by hand | gestures | to reach |\n| --- | --- | --- | --- |';
  writeFileSync(TABLE, text.replace(/\| piece \|[^]*$/, `${[head, ...rows].join('\n')}\n`));
}

const [, asked] = /--pieces? ([\w,]+)/.exec(process.argv.join(' ')) ?? [];
const isAsked = ({ id }: Piece): boolean => !asked || asked.split(',').includes(id);

const stop = await server();
const browser = await chromium.launch({
  executablePath: CHROMIUM,
  args: ['--no-sandbox', '--disable-gpu'],
});
let failed = false;
try {
  const before = known();
  const all: Made[] = [];
  for (const piece of PIECES.filter(isAsked)) {
    const made = await madeBy(browser, piece);
    all.push(made);
    const had = before.get(piece.id);
    const hasGrown = had !== undefined && made.count > had;
    failed ||= hasGrown || looksOdd(made.differs);
    console.log(
      `${piece.id.padStart(3)}  ${String(made.count).padStart(3)} of ${piece.goal}  ${piece.name}  (${made.file.length} bytes; other than resvg: ${sayDiffers(made.differs)})${hasGrown ? `  MORE THAN ${had}` : ''}${looksOdd(made.differs) ? '  DRAWN DIFFERENTLY' : ''}`,
    );
  }
  if (process.argv.includes('--write')) written(all);
  if (process.argv.includes('--demo')) failed = (await demoDiffers()) || failed;
} finally {
  await browser.close();
  stop();
}
if (failed) process.exitCode = 1;
