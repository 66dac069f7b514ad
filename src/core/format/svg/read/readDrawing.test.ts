import fc from 'fast-check';
import { describe, expect, it } from 'vitest';

import { distance, type Path, pointAt, signedArea } from '@/core/curve';
import { pathData } from '../../pathData';
import { BadPathData, readPathData } from '../../readPathData';
import { shapesOfNodes } from '../../drawing/drawing';
import { readDrawing, readSvg } from './readDrawing';
import { UnreadableSvg } from './unreadable';

const kinds = (paths: readonly Path[]) =>
  paths.map(({ segments }) => segments.map(({ kind }) => kind).join(' '));

/** So many levels, each of which uses the one below so often; the lowest draws nothing. */
const nestedUses = (levels: number, times: number): string =>
  Array.from(
    { length: levels },
    (_, k) => `<g id="u${k + 1}">${`<use href="#u${k}"/>`.repeat(times)}</g>`,
  ).join('') + '<g id="u0"/>';

describe('what an SVG file paints', () => {
  it('is read through groups, styles and opacities, strokes at the scale they are drawn at', () => {
    const [a, b, c] = readSvg(
      `<svg><g fill="teal" transform="scale(2)" stroke-width="3" stroke="red" stroke-linecap="round" opacity=".5">
         <path id="one" d="M0 0h4v4z" style="fill-opacity: 0.5; stroke-linejoin: bevel"/>
         <path d="M0 0h4v4z" fill="url(#g) gray" stroke="none"/></g>
       <g color="#123456"><circle r="2" fill="none" stroke="currentColor"/></g></svg>`,
    );
    // CSS Color 4: teal is #008080; opacities multiply (SVG 2, section 3.6).
    expect(a).toMatchObject({
      name: 'one',
      paint: { fill: '#00808040', stroke: { colour: '#ff000080', width: 6, cap: 'round', join: 'bevel' } },
    });
    expect(b).toMatchObject({ paint: { fill: '#80808080', stroke: null } });
    expect(c).toMatchObject({ paint: { fill: null, stroke: { colour: '#123456', width: 1 } } });
  });

  // CSS Cascading and Inheritance Level 4, section 6.1: importance, then specificity, then order.
  it('is what the cascade says', () => {
    const svg = `<svg><style>path{fill:red !important} .a{fill:lime;stroke:red} #b .a{stroke:blue} .a:first-child{stroke-width:7}</style>
      <g id="b"><path class="a" style="fill:teal;stroke-width:3" d="M0 0h4v4z"/><path class="a" d="M0 0h4v4z"/></g></svg>`;
    expect(readSvg(svg).map(({ paint }) => [paint.fill, paint.stroke?.colour, paint.stroke?.width])).toEqual([
      ['#ff0000', '#0000ff', 3],
      ['#ff0000', '#0000ff', 1],
    ]);
  });

  // SVG 2, section 13.5.3: a stroke that does not scale has its width on the page.
  it('has strokes that do not scale with their shapes', () => {
    const [shape] = readSvg(
      '<svg><path transform="scale(3)" vector-effect="non-scaling-stroke" d="M0 0h4" stroke="red" stroke-width="2"/></svg>',
    );
    expect(shape!.paint.stroke!.width).toBe(2);
  });

  it('is drawn where use puts it, symbols too, and a circle of uses is refused', () => {
    const shapes = readSvg(
      `<svg xmlns:xlink="http://www.w3.org/1999/xlink"><defs><symbol id="s"><path d="M0 0h1v1z"/></symbol><rect id="r" width="2" height="1"/></defs>
       <use href="#s" x="5"/><g transform="translate(0 10)"><use xlink:href="#r" y="1"/></g><use href="#gone"/></svg>`,
    );
    expect(shapes.map(({ paths }) => paths[0]!.segments[0]!.from)).toEqual([
      { x: 5, y: 0 },
      { x: 0, y: 11 },
    ]);
    expect(() => readSvg('<svg><g id="a"><use href="#a"/></g></svg>')).toThrow('in a circle');
  });
});

describe('path data', () => {
  // SVG 2, section 9.3: all commands, relative and smooth ones, implicit repetitions, packed numbers and flags.
  it('is read by the whole grammar', () => {
    expect(kinds(readPathData('M1 2 3 4l5,6H7v-8z m1 1L.5.5-1-1'))).toEqual([
      'line line line line line',
      'line line',
    ]);
    expect(kinds(readPathData('M0 0C1 1 2 1 3 0S5-1 6 0Q7 1 8 0T10 0'))).toEqual(['cubic cubic cubic cubic']);
    const [half] = readPathData('M0 0a5 5 0 0110 0');
    expect(half!.segments).toEqual([
      {
        kind: 'arc',
        from: { x: 0, y: 0 },
        to: { x: 10, y: 0 },
        centre: { x: 5, y: 0 },
        radius: 5,
        sweep: expect.closeTo(Math.PI, 12) as number,
      },
    ]);
  });

  // SVG 2, "Elliptical arc implementation notes", B.2.5: radii that are too small are scaled up, zero radii are lines.
  it('treats arcs with impossible radii as the standard says', () => {
    expect(kinds(readPathData('M0 0A0 5 0 0 1 9 9'))).toEqual(['line']);
    expect(readPathData('M0 0A1 1 0 0 1 10 0')[0]!.segments[0]).toMatchObject({ kind: 'arc', radius: 5 });
    expect(readPathData('M3 3A5 5 0 0 1 3 3')).toEqual([]);
  });

  it('keeps ellipses within 1e-6 of their size', () => {
    const [path] = readPathData('M-30 0A30 12 0 0 1 30 0A30 12 0 0 1-30 0Z');
    for (const segment of path!.segments)
      for (let k = 0; k <= 10; k += 1) {
        const p = pointAt(segment, k / 10);
        expect(Math.abs(Math.hypot(p.x / 30, p.y / 12) - 1)).toBeLessThan(1e-6);
      }
    expect(signedArea([path!]) / (Math.PI * 360)).toBeCloseTo(1, 6);
  });

  it('written and read again is the same drawing', () => {
    const flag = fc.constantFrom(0, 1);
    const number = fc.integer({ min: -50, max: 50 });
    const command = fc.oneof(
      fc.tuple(number, number).map(([x, y]) => `L${x} ${y}`),
      fc.tuple(number, number, number, number, number, number).map((n) => `C${n.join(' ')}`),
      fc
        .tuple(fc.integer({ min: 1, max: 60 }), flag, flag, number, number)
        .map(([r, l, s, x, y]) => `A${r} ${r} 0 ${l} ${s} ${x} ${y}`),
    );
    fc.assert(
      fc.property(fc.array(command, { minLength: 1, maxLength: 6 }), (commands) => {
        const paths = readPathData(`M60 60${commands.join('')}Z`);
        const again = readPathData(pathData(paths, 8));
        expect(again).toHaveLength(paths.length);
        const ends = (list: readonly Path[]) =>
          list.flatMap(({ segments }) => segments.map((s) => pointAt(s, 0.5)));
        const [a, b] = [ends(paths), ends(again)];
        // A straight last side may be written as Z alone and a long arc as two halves; the areas tell all.
        expect(Math.abs(signedArea(paths) - signedArea(again))).toBeLessThan(1e-3);
        if (a.length === b.length) a.forEach((p, k) => expect(distance(p, b[k]!)).toBeLessThan(1e-3));
      }),
    );
  });

  it('with a mistake is refused', () => {
    for (const data of ['0 0', 'M0 0L', 'M0 0C1 2 3', 'M0 0A5 5 0 2 0 1 1', 'M0 0 X1 1'])
      expect(() => readPathData(data)).toThrow(BadPathData);
  });

  it('that is broken says what is wrong, and where', () => {
    for (const [data, words] of [
      ['M 0 0 L x 5', 'a number is missing at “x 5”, character 9'],
      ['M 0 0 C 1 2 3 4', 'a number is missing at its end'],
      ['M 0 0 L NaN 3 L 8 8 L 9 9 Z', 'a number is missing at “NaN 3 L 8 8…”, character 9'],
      ['M 0 0 A 1 1 0 2 0 3 3', 'a flag of an arc is neither 0 nor 1 at “2 0 3 3”, character 15'],
      ['M 0 0 W 4', 'there is no such command at “W 4”, character 7'],
      ['M 0 0 L 1e 4', 'a number is written wrongly at “4”, character 12'],
      ['L 0 0', 'it does not begin with M'],
    ] as const)
      expect(() => readPathData(data)).toThrow(`A path cannot be read: ${words}.`);
  });
});

describe('SVG files', () => {
  const area = (inside: string): number =>
    readSvg(`<svg>${inside}</svg>`)
      .filter(({ paint }) => paint.fill !== null)
      .reduce((sum, { paths }) => sum + Math.abs(signedArea(paths)), 0);

  it('basic shapes have the areas they should', () => {
    expect(area('<rect x="1" width="4" height="5"/>')).toBeCloseTo(20, 12);
    expect(area('<rect width="10" height="10" rx="2"/>')).toBeCloseTo(100 - (4 - Math.PI) * 4, 9);
    expect(area('<circle r="3"/>')).toBeCloseTo(9 * Math.PI, 12);
    expect(area('<ellipse rx="3" ry="2"/>')).toBeCloseTo(6 * Math.PI, 4);
    expect(area('<polygon points="0,0 4,0 4,3"/>')).toBeCloseTo(6, 12);
    expect(area('<circle r="0"/><rect width="3"/><polyline points=""/>')).toBe(0);
  });

  it('transforms multiply through groups, circles stay circles under turns', () => {
    const [shape] = readSvg(
      '<svg><g transform="translate(10 20) rotate(90)"><circle cx="5" r="1" transform="scale(2)"/></g></svg>',
    );
    expect(shape!.paths[0]!.segments[0]).toMatchObject({ kind: 'arc', radius: 2 });
    const { centre } = shape!.paths[0]!.segments[0] as { centre: { x: number; y: number } };
    expect([centre.x, centre.y]).toEqual([expect.closeTo(10, 12), expect.closeTo(30, 12)]);
    expect(
      area('<g transform="matrix(2 0 0 3 0 0)"><rect width="1" height="1" transform="skewX(30)"/></g>'),
    ).toBeCloseTo(6, 12);
  });

  it('paint is inherited, and what is not drawn is left out', () => {
    const shapes = readSvg(
      '<svg fill="none"><g stroke="red"><path d="M0 0h1"/></g><path d="M0 0h1"/><path style="fill:#000;fill-rule:evenodd" d="M0 0h1v1z"/>' +
        '<defs><rect width="9" height="9" fill="red"/></defs><g display="none"><rect width="9" height="9" fill="red"/></g></svg>',
    );
    expect(shapes.map(({ paint, rule }) => [paint.fill !== null, paint.stroke !== null, rule])).toEqual([
      [false, true, 'nonzero'],
      [true, false, 'evenodd'],
    ]);
  });

  it('what has a value that cannot be read is left out and named, and the rest is taken', () => {
    const drawing = readDrawing(
      '<svg width="10" height="10"><circle r="NaN"/><path d="M0 0 L x"/><g transform="turn(5)"><path d="M0 0h9v9z"/></g>' +
        '<g><rect width="5 ells" height="1"/><rect width="5" height="1"/></g></svg>',
    );
    expect(shapesOfNodes(drawing.nodes)).toHaveLength(1);
    expect(drawing.left.map(({ what }) => what.split(' ')[0])).toEqual(['circle', 'path', 'group', 'rect']);
    expect(drawing.left[0]?.what).toBe('circle (the r of a circle “NaN” is not a length)');
    expect(drawing.left.every(({ count }) => count === 1)).toBe(true);
    const broken = Array.from({ length: 50 }, (_, k) => `<circle r="r${k}"/>`).join('');
    const { left } = readDrawing(`<svg width="10" height="10">${broken}<rect width="5" height="1"/></svg>`);
    expect(left).toHaveLength(5);
    expect(left[4]).toEqual({ what: 'other element that cannot be read', count: 46 });
  });

  it('hostile or broken files get a sentence', () => {
    const entities = `<!DOCTYPE svg [<!ENTITY a "aaaa"><!ENTITY b "&a;&a;">]><svg><text>&b;</text></svg>`;
    const cases: [string, RegExp][] = [
      ['', /empty|not well-formed/],
      ['<svg>', /not well-formed/],
      ['<html></html>', /not an SVG/],
      [entities, /not well-formed/],
      [`<svg>${'<g/>'.repeat(200_001)}</svg>`, /more than 200000/],
      [`<svg>${'<g>'.repeat(9000)}${'</g>'.repeat(9000)}</svg>`, /more than 200 deep/],
      [`<svg>${nestedUses(7, 20)}<use href="#u7"/></svg>`, /again and again/],
      [`<svg><path d="M0 0${'h1'.repeat(400_001)}"/></svg>`, /more than 400000 segments/],
      ['<svg><path d="M0 0h1e308v1e308z"/></svg>', /beyond 1 thousand million/],
      ['<svg><path d="M0 0h1e200v1e200z" transform="scale(1e200)"/></svg>', /beyond 1 thousand million/],
      ['<svg><rect width="5 ells" height="1"/></svg>', /not a length/],
      ['<svg><g transform="turn(5)"/></svg>', /transform/],
      ['<svg><path d="M0 0 L NaN 3"/></svg>', /cannot be read/],
    ];
    for (const [text, sentence] of cases) {
      expect(() => readSvg(text)).toThrow(UnreadableSvg);
      expect(() => readSvg(text)).toThrow(sentence);
    }
  });
});
