import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import path from 'node:path';

import { Resvg } from '@resvg/resvg-js';
import sharp from 'sharp';
import { afterEach, beforeEach, describe, expect, it } from 'vitest';

import * as one from '@/app/api/pictures/[id]/route';
import * as all from '@/app/api/pictures/route';
import { evaluateWhole } from '@/core/figure';
import { DEFAULT_SVG, svgOf } from '@/core/format/svg/svg';
import { OWN_HEADER, type StoredPicture } from '@/protocol';
import { kelpCrown } from '../../demo/pieces/kelpCrown';
import { closeDatabases } from './database';
import { harmlessSvg } from './harmlessSvg';

let directory = '';

beforeEach(() => {
  directory = mkdtempSync(path.join(tmpdir(), 'cyclogon-'));
  process.env['CYCLOGON_DATA'] = directory;
});

afterEach(async () => {
  await closeDatabases();
  rmSync(directory, { recursive: true });
});

const send = (bytes: Uint8Array | string, headers: Record<string, string> = {}): Promise<Response> =>
  all.POST(
    new Request('http://127.0.0.1/api/pictures', {
      method: 'POST',
      body: bytes as BodyInit,
      headers: { host: '127.0.0.1', [OWN_HEADER]: '1', ...headers },
    }),
  );

const fetched = (id: string): Promise<Response> =>
  one.GET(new Request('http://127.0.0.1/api/pictures', { headers: { host: '127.0.0.1' } }), {
    params: Promise.resolve({ id }),
  });

const plain = (width: number, height: number) =>
  sharp({ create: { width, height, channels: 3, background: '#d9512c' } });

const problem = async (answer: Response): Promise<string> =>
  ((await answer.json()) as { error: string }).error;

describe('pictures', () => {
  it('of every kind are kept as they are, but for what is larger than 3000 pixels', async () => {
    for (const [format, width, height] of [
      ['png', 40, 20],
      ['jpeg', 30, 30],
      ['webp', 4000, 100],
    ] as const) {
      const answer = await send(await plain(width, height).toFormat(format).toBuffer());
      expect(answer.status).toBe(201);
      const stored = (await answer.json()) as StoredPicture;
      expect(stored.width).toBe(Math.min(3000, width));
      const back = await fetched(stored.id);
      expect(back.headers.get('content-type')).toBe(`image/${format}`);
      const metadata = await sharp(Buffer.from(await back.arrayBuffer())).metadata();
      expect([metadata.format, metadata.width]).toEqual([format, stored.width]);
    }
  });

  it('as SVG are drawn, and only what was drawn is kept', async () => {
    const svg =
      '<svg xmlns="http://www.w3.org/2000/svg" width="10" height="20" onload="alert(1)"><script>alert(2)</script>' +
      '<image href="file:///etc/passwd" width="5" height="5"/><rect width="10" height="20" fill="#1f8a76"/></svg>';
    const answer = await send(svg);
    expect(answer.status).toBe(201);
    const stored = (await answer.json()) as StoredPicture;
    expect(stored.height / stored.width).toBeCloseTo(2, 2);
    const back = await fetched(stored.id);
    expect(back.headers.get('content-type')).toBe('image/png');
    const { data } = await sharp(Buffer.from(await back.arrayBuffer()))
      .raw()
      .toBuffer({ resolveWithObject: true });
    expect([...data.subarray(0, 3)]).toEqual([0x1f, 0x8a, 0x76]);
  });

  it('that are none, broken or too large are refused with a sentence', async () => {
    const broken = await send('GIF89a nothing');
    expect([broken.status, await problem(broken)]).toEqual([
      400,
      'This file is no picture that can be read: PNG, JPEG, WebP and SVG can.',
    ]);
    const png = await plain(60, 60).png().toBuffer();
    expect((await send(png.subarray(0, 90))).status).toBe(400);
    const svg = await send('<svg xmlns="http://www.w3.org/2000/svg"><rect');
    expect(await problem(svg)).toMatch('broken');
    const large = await send('x', { 'content-length': '30000000' });
    expect(large.status).toBe(413);
    expect((await fetched('nothing')).status).toBe(404);
  });
});

describe('an SVG made harmless', () => {
  it('loses what runs, loads or leads out, and keeps its drawing', () => {
    const kept = harmlessSvg(
      '<svg xmlns="http://www.w3.org/2000/svg" xmlns:xlink="http://www.w3.org/1999/xlink">' +
        '<style>@import url(http://x/y.css);</style><a href="javascript:alert(1)"><path d="M0 0"/></a>' +
        '<foreignObject><body onload="x()"><p>hi</p></body></foreignObject>' +
        '<use xlink:href="http://x/y.svg#a"/><use xlink:href="#a"/>' +
        '<path id="a" fill="url(#g)" stroke="url(http://x/#g)" d="M1 1L2 2" onclick="x()"/><text>a &lt; b</text></svg>',
    );
    expect(kept).not.toMatch(/script|javascript|http:\/\/x|onclick|onload|foreignObject|style|<a|<body/);
    expect(kept).toContain('<use xlink:href="#a">');
    expect(kept).toContain('fill="url(#g)"');
    expect(kept).toContain('d="M1 1L2 2"');
    expect(kept).toContain('a &lt; b');
  });

  it('draws the same', async () => {
    const drawing = `<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 60 60"><defs>
      <linearGradient id="g"><stop offset="0" stop-color="#1f8a76"/><stop offset="1" style="stop-color:#d9512c"/></linearGradient>
      <clipPath id="c"><circle cx="30" cy="30" r="22"/></clipPath><filter id="f"><feGaussianBlur stdDeviation="1"/></filter>
      <path id="p" d="M30 4C40 14 40 24 30 30" stroke-linecap="round"/></defs>
      <a href="http://x/y"><g clip-path="url(#c)"><rect width="60" height="60" fill="url(#g)" fill-opacity=".8"/></g></a>
      <g fill="none" stroke="#113d4c" stroke-width="2" filter="url(#f)"><use href="#p"/><use href="#p" transform="rotate(120 30 30)"/></g></svg>`;
    const pixels = (text: string): Buffer => new Resvg(text).render().pixels;
    expect(pixels(harmlessSvg(drawing)).equals(pixels(drawing))).toBe(true);
    const piece = svgOf(await evaluateWhole(kelpCrown()), DEFAULT_SVG);
    expect(pixels(harmlessSvg(piece)).equals(pixels(piece))).toBe(true);
  });

  it('refuses what is not well-formed, and expands no entities of its own', () => {
    expect(() => harmlessSvg('<svg><g></svg>')).toThrow();
    expect(() => harmlessSvg('<!DOCTYPE svg [<!ENTITY a "aaaa">]><svg><text>&a;&a;</text></svg>')).toThrow();
  });
});
