import { readFileSync } from 'node:fs';
import path from 'node:path';

import { Resvg } from '@resvg/resvg-js';
import { describe, expect, it } from 'vitest';

import { valueOf } from '../../../../../demo/pieces/valueOf';
import { counter } from '../../../../../tests/help/figures';
import { difference, pixelsOf } from '../../../../../tests/help/pictures';
import { boundsOfPaths } from '@/core/curve';
import { faceOf, type Run, shapeWords } from '@/core/words';
import { evaluateWhole } from '@/core/figure';
import { figureOfDrawing } from '../../drawing/figureOfDrawing';
import { shapesOfNodes } from '../../drawing/drawing';
import { DEFAULT_SVG, svgOf } from '../svg';
import { readDrawing } from './readDrawing';
import { keyOfLetters, wantedLetters } from './texts';

/** Letters that are boxes of half an em, half an em high. */
const boxes = (text: string): Run => ({
  letters: Array.from(text, (letter) => ({ outline: letter === ' ' ? null : 0, advance: 0.5 })),
  outlines: [
    [
      {
        closed: true,
        nodes: [
          { x: 0, y: 0, kind: 'corner' },
          { x: 0.5, y: 0, kind: 'corner' },
          { x: 0.5, y: -0.5, kind: 'corner' },
          { x: 0, y: -0.5, kind: 'corner' },
        ],
      },
    ],
  ],
  capHeight: 0.5,
});
const page = (body: string): string =>
  `<svg xmlns="http://www.w3.org/2000/svg" width="200" height="100">${body}</svg>`;
const read = (body: string) => {
  const svg = page(body);
  const letters = new Map(wantedLetters(svg).map((line) => [keyOfLetters(line), boxes(line.text)]));
  return readDrawing(svg, 'page', undefined, letters);
};
const boxOf = (body: string, k = 0) => boundsOfPaths(shapesOfNodes(read(body).nodes)[k]!.paths);

describe('text in a file', () => {
  it('stands where it says, as large as it says, anchored as it says', () => {
    expect(boxOf('<text x="10" y="40" font-size="20">ab</text>')).toMatchObject({
      left: 10,
      right: 30,
      top: 30,
      bottom: 40,
    });
    expect(boxOf('<text x="100" y="40" font-size="20" text-anchor="middle">abcd</text>').left).toBe(80);
    expect(boxOf('<text x="100" y="40" font-size="20" text-anchor="end">ab</text>').right).toBe(100);
    expect(boxOf('<g font-size="2em"><text y="40" font-size="50%">a</text></g>').right).toBe(8);
    expect(boxOf('<text y="9" font-size="10" letter-spacing="2">ab</text>').right).toBe(12);
    const css =
      '<style>.t { font-size: 40px; text-anchor: end }</style><text class="t" x="50" y="50">a</text>';
    expect(boxOf(css)).toMatchObject({ left: 30, right: 50 });
    expect(boxOf('<text transform="translate(5 0) scale(2)" y="10" font-size="10">a</text>')).toMatchObject({
      left: 5,
      right: 15,
      bottom: 20,
    });
  });

  it('goes on in its parts, each with its paint and its shift; spaces between words are one', () => {
    const body =
      '<text x="0" y="50" font-size="10">\n  ab <tspan fill="red" dy="5">c</tspan><tspan x="60" y="9">d</tspan></text>';
    const { nodes, left } = read(body);
    const shapes = shapesOfNodes(nodes);
    expect(shapes.map(({ name }) => name)).toEqual(['ab', 'c', 'd']);
    expect(shapes.map(({ paint }) => paint.fill)).toEqual(['#000000', '#ff0000', '#000000']);
    const boxes = shapes.map(({ paths }) => boundsOfPaths(paths));
    expect(boxes[1]).toMatchObject({ left: 15, bottom: 55 });
    expect(boxes[2]).toMatchObject({ left: 60, bottom: 9 });
    expect(left).toEqual([{ what: 'typeface (one that ships stands in)', count: 1 }]);
  });

  it('is left out and told of where nobody has set it, and nothing of it is taken from a path', () => {
    const none = readDrawing(page('<text>a</text><rect width="5" height="5"/>'));
    expect(none.left).toEqual([{ what: 'text', count: 1 }]);
    const along = read('<path id="p" d="M0 0H9"/><text y="9">a<textPath href="#p">b</textPath></text>');
    expect(along.left).toContainEqual({ what: 'text on a path', count: 1 });
  });

  it('is asked for once a line, in the face that ships and is nearest', () => {
    const wanted = wantedLetters(
      page(
        '<text font-family="Georgia, serif">Tide</text><text>Tide</text><text>Tide</text><text>بحر</text><text font-family="Open Sans, sans-serif"> x </text>',
      ),
    );
    expect(wanted).toEqual([
      { text: 'Tide', face: 'playfair-display' },
      { text: 'Tide', face: 'rubik' },
      { text: 'بحر', face: 'amiri' },
      { text: 'x ', face: 'rubik' },
    ]);
    expect(wantedLetters('<svg><text')).toEqual([]);
  });

  it('looks as in another renderer that has the same face', async () => {
    const file = path.join(
      import.meta.dirname,
      '../../../../../node_modules/@expo-google-fonts/rubik/500Medium/Rubik_500Medium.ttf',
    );
    const face = valueOf(faceOf(new Uint8Array(readFileSync(file))));
    const svg = page(
      '<g font-family="Rubik" font-weight="500"><text x="100" y="45" font-size="28" text-anchor="middle">AVATAR Type</text><text x="10" y="85" font-size="20" letter-spacing="3">two <tspan fill="#d9512c">words</tspan></text></g>',
    );
    const letters = new Map(
      wantedLetters(svg).map((line) => [
        keyOfLetters(line),
        valueOf(shapeWords(face, line.text, 'keep')).run,
      ]),
    );
    const { figure } = valueOf(figureOfDrawing(readDrawing(svg, 'page', undefined, letters), 'a', counter()));
    const ours = pixelsOf(svgOf(await evaluateWhole(figure), { ...DEFAULT_SVG, background: false }), 800);
    const theirs = new Resvg(svg, {
      fitTo: { mode: 'width', value: 800 },
      font: { fontFiles: [file], loadSystemFonts: false, defaultFontFamily: 'Rubik' },
    }).render().pixels;
    expect(theirs.some((level) => level > 0)).toBe(true);
    expect(difference(ours, new Uint8Array(theirs))).toBeLessThan(0.01);
  });
});
