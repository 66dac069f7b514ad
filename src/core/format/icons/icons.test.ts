import sharp from 'sharp';
import { describe, expect, it } from 'vitest';

import { hatchIris } from '../../../../demo/pieces/hatchIris';
import { lampBurst } from '../../../../demo/pieces/lampBurst';
import { tideDial } from '../../../../demo/pieces/tideDial';
import { makeFile } from '@/server/jobs/makeFile';
import { evaluateWhole } from '@/core/figure';
import { unzipSync } from 'fflate';
import { iconFiles, SAFE_RADIUS, turnedLight } from './icons';

const NOTHING: ReadonlySet<string> = new Set();

describe('icons', () => {
  it('are all that a site asks for, each in its size, in one file without the time of day', async () => {
    const asked = {
      figure: hatchIris(),
      to: 'icons',
      options: { background: true, dark: 'turned', without: '' },
    };
    const { bytes, file, mediaType } = await makeFile(asked);
    expect([file, mediaType]).toEqual(['hatch-iris.icons.zip', 'application/zip']);
    // The date of its first entry, as ZIP has it: the second day of 1980.
    expect(new DataView(bytes.buffer, bytes.byteOffset).getUint16(12, true)).toBe(0x22);
    const files = unzipSync(bytes);
    const sizes: Record<string, number> = {
      'touch-icon-180.png': 180,
      'icon-192.png': 192,
      'icon-512.png': 512,
      'icon-maskable-512.png': 512,
    };
    for (const [name, size] of Object.entries(sizes)) {
      const { width, height, format } = await sharp(files[name]).metadata();
      expect([name, width, height, format]).toEqual([name, size, size, 'png']);
    }
    // The directory of an icon file: reserved, 1 for icons, how many; then a byte each for width and height.
    const ico = files['favicon.ico']!;
    expect([...ico.slice(0, 6)]).toEqual([0, 0, 1, 0, 3, 0]);
    expect([0, 1, 2].map((k) => [ico[6 + 16 * k], ico[7 + 16 * k]])).toEqual([
      [16, 16],
      [32, 32],
      [48, 48],
    ]);
    const text = (name: string): string => new TextDecoder().decode(files[name]);
    const manifest = JSON.parse(text('site.webmanifest')) as { icons: { src: string; purpose?: string }[] };
    for (const { src } of manifest.icons) expect(Object.keys(files)).toContain(src.slice(1));
    for (const [, name] of text('links.html').matchAll(/href="\/([^"]+)"/g))
      expect(Object.keys(files)).toContain(name);
    expect(text('icon.svg')).toContain('prefers-color-scheme: dark');
  }, 60_000);

  it('have a maskable one that lies within its safe circle', async () => {
    const asked = {
      figure: lampBurst(),
      to: 'icons',
      options: { background: true, dark: 'same', without: '' },
    };
    const files = unzipSync((await makeFile(asked)).bytes);
    const { data, info } = await sharp(files['icon-maskable-512.png'])
      .raw()
      .toBuffer({ resolveWithObject: true });
    const at = (x: number, y: number): number[] => [
      ...data.subarray(info.channels * (y * 512 + x)).subarray(0, 3),
    ];
    const ground = at(1, 1);
    let outside = 0;
    for (let y = 0; y < 512; y += 1)
      for (let x = 0; x < 512; x += 1) {
        const away = Math.hypot(x + 0.5 - 256, y + 0.5 - 256);
        if (away > SAFE_RADIUS * 512 + 1.5 && at(x, y).some((level, c) => Math.abs(level - ground[c]!) > 8))
          outside += 1;
      }
    expect(outside).toBe(0);
    expect(at(256, 256 - 150)).not.toEqual(ground);
  }, 60_000);

  it('leave rounds out of the small ones alone', async () => {
    const figure = tideDial();
    const scene = await evaluateWhole(figure);
    const [round] = figure.rounds;
    const svgs = (gone: ReadonlySet<string>) =>
      iconFiles(scene, 'Dial', { background: false, dark: 'same' }, gone).flatMap((file) =>
        'icon' in file ? file.icon.map(({ svg }) => svg) : 'picture' in file ? [file.picture.svg] : [],
      );
    const [all, less] = [svgs(NOTHING), svgs(new Set([round!.id]))];
    all.slice(0, 3).forEach((svg, k) => expect(less[k]!.length).toBeLessThan(svg.length));
    expect(less.slice(3)).toEqual(all.slice(3));
  });

  it('change light and dark in the dark and keep the hue', () => {
    expect(turnedLight('#000000')).toBe('#ffffff');
    expect(turnedLight(turnedLight('#808080'))).toBe('#808080');
  });
});
