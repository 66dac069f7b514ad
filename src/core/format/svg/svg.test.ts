import { placedItems } from '@/core/scene';
import { petalOfSize } from '@/core/maker';
import { STRAIGHT } from '@/core/derive';
import fc from 'fast-check';
import { SaxesParser } from 'saxes';
import { describe, expect, it } from 'vitest';

import { kelpCrown } from '../../../../demo/pieces/kelpCrown';
import { difference, pixelsOf } from '../../../../tests/help/pictures';
import { evaluate, evaluateWhole, newFigure, newShape, START_PAINT } from '@/core/figure';
import { addShapes, setFill, setFold, setMirror, setPage } from '@/core/figure/commands';
import { turn } from '@/core/number';
import { arcFromBulge, line } from '@/core/curve';
import { pathData, printNumber } from '../pathData';
import { DEFAULT_SVG, svgOf } from './svg';

interface Element {
  readonly name: string;
  readonly attributes: Readonly<Record<string, string>>;
}

/** All elements of a document, by a parser that accepts nothing but well-formed XML with namespaces. */
function elementsOf(xml: string): Element[] {
  const found: Element[] = [];
  const parser = new SaxesParser({ xmlns: true });
  parser.on('error', (error) => {
    throw error;
  });
  parser.on('opentag', ({ name, attributes }) =>
    found.push({
      name,
      attributes: Object.fromEntries(Object.entries(attributes).map(([key, { value }]) => [key, value])),
    }),
  );
  parser.write(xml).close();
  return found;
}

const figure = (fold: number) =>
  setFold(
    addShapes(newFigure('A & <B> "C" \u0000', 'a'), 'a', [
      newShape(
        'p',
        'Petal',
        {
          kind: 'petal',
          at: { x: 4, y: -20 },
          rotation: turn(1, 50),
          params: petalOfSize(50, 12),
        },
        START_PAINT,
      ),
    ]),
    'a',
    fold,
  );

describe('numbers', () => {
  it('are short, plain and never −0', () => {
    expect(printNumber(1.5, 4)).toBe('1.5');
    expect(printNumber(100, 2)).toBe('100');
    expect(printNumber(-0.00001, 3)).toBe('0');
    expect(printNumber(1e-7, 8)).toBe('0.0000001');
    fc.assert(
      fc.property(
        fc.double({ min: -1e5, max: 1e5, noNaN: true }),
        fc.integer({ min: 0, max: 8 }),
        (x, decimals) => {
          const text = printNumber(x, decimals);
          expect(text).toMatch(/^-?\d+(\.\d*[1-9])?$/);
          expect(Math.abs(Number(text) - x)).toBeLessThanOrEqual(0.5000001 * 10 ** -decimals + 1e-10);
        },
      ),
    );
  });
});

describe('path data', () => {
  it('keeps arcs as arcs, by the flags of SVG 2', () => {
    const arc = arcFromBulge({ x: 0, y: -5 }, { x: 5, y: 0 }, Math.tan(Math.PI / 8));
    expect(pathData([{ closed: false, segments: [arc] }], 3)).toBe('M0 -5A5 5 0 0 1 5 0');
    const back = arcFromBulge({ x: 0, y: -5 }, { x: 5, y: 0 }, -Math.tan((3 * Math.PI) / 8));
    expect(pathData([{ closed: false, segments: [back] }], 3)).toBe('M0 -5A5 5 0 1 0 5 0');
  });

  it('closes with Z instead of a last straight side, and halves nearly full circles', () => {
    const [a, b, c] = [
      { x: 0, y: 0 },
      { x: 1, y: 0 },
      { x: 0, y: 1 },
    ];
    expect(pathData([{ closed: true, segments: [line(a, b), line(b, c), line(c, a)] }], 0)).toBe(
      'M0 0L1 0L0 1Z',
    );
    const nearly = arcFromBulge({ x: 0, y: -5 }, { x: -0.01, y: -5 }, Math.tan(1.55));
    expect(pathData([{ closed: false, segments: [nearly] }], 3).match(/A/g)).toHaveLength(4);
  });
});

describe('SVG', () => {
  it('holds a motif once, and a use for every copy, when compact', () => {
    const elements = elementsOf(
      svgOf(evaluate(figure(12), new Map(), STRAIGHT), { ...DEFAULT_SVG, title: figure(12).name }),
    );
    const count = (name: string) => elements.filter((element) => element.name === name).length;
    expect([count('symbol'), count('path'), count('use')]).toEqual([1, 1, 12]);
    const turns = elements
      .filter(({ name }) => name === 'use')
      .map(({ attributes }) => attributes['transform'] ?? 'rotate(0)');
    expect(turns).toEqual(Array.from({ length: 12 }, (_, k) => `rotate(${k * 30})`));
    expect(elements[0]!.attributes).toMatchObject({
      width: '180mm',
      height: '180mm',
      viewBox: '0 0 180 180',
    });
  });

  it('shows copies one after the other where asked, each with its own delay, and not against the system’s wish', () => {
    const scene = evaluate(figure(6), new Map(), STRAIGHT);
    const svg = svgOf(scene, { ...DEFAULT_SVG, reveal: true });
    const delays = [...svg.matchAll(/class="c" style="animation-delay:([\d.]+)s"/g)].map(([, s]) =>
      Number(s),
    );
    expect(delays).toEqual([0, 0.5, 1, 1.5, 2, 2.5]);
    expect(svg).toContain('prefers-reduced-motion: no-preference');
    expect(difference(pixelsOf(svg, 200), pixelsOf(svgOf(scene, DEFAULT_SVG), 200))).toBe(0);
  });

  it('has any number of layers, in both forms', () => {
    const scene = evaluate(figure(2), new Map(), STRAIGHT);
    const many = { ...scene, layers: Array.from({ length: 150_000 }, () => scene.layers[0]!) };
    for (const form of ['plain', 'compact'] as const)
      expect(svgOf(many, { ...DEFAULT_SVG, form }).split('\n').length).toBeGreaterThan(150_000);
  });

  it('holds every copy as a path when plain, in page coordinates', () => {
    const elements = elementsOf(
      svgOf(evaluate(setMirror(figure(7), 'a', true), new Map(), STRAIGHT), {
        ...DEFAULT_SVG,
        form: 'plain',
      }),
    );
    expect(elements.filter(({ name }) => name === 'path')).toHaveLength(14);
    expect(elements.some(({ name }) => name === 'use' || name === 'symbol')).toBe(false);
    expect(elements.every(({ attributes }) => attributes['transform'] === undefined)).toBe(true);
  });

  it('parts colours from their opacity, and may leave the background out', () => {
    const faint = setFill(figure(3), { of: 'shapes', roundId: 'a', shapeIds: new Set(['p']) }, '#11223380');
    const elements = elementsOf(
      svgOf(evaluate(faint, new Map(), STRAIGHT), { ...DEFAULT_SVG, background: false }),
    );
    expect(elements.find(({ name }) => name === 'path')!.attributes).toMatchObject({
      fill: '#112233',
      'fill-opacity': '0.502',
    });
    expect(elements.some(({ name }) => name === 'rect')).toBe(false);
  });

  it('is well formed with nothing in it, and with a whole piece', async () => {
    const empty = evaluate({ ...newFigure('', 'a'), rounds: [] }, new Map(), STRAIGHT);
    expect(elementsOf(svgOf(empty, DEFAULT_SVG)).map(({ name }) => name)).toEqual(['svg', 'rect']);
    const crown = await evaluateWhole(kelpCrown());
    const drawn = (form: 'compact' | 'plain', name: string): number =>
      elementsOf(svgOf(crown, { ...DEFAULT_SVG, form, decimals: 8 })).filter((each) => each.name === name)
        .length;
    // A use for every copy; plain, a path for every item of each.
    expect(drawn('compact', 'use')).toBe(crown.layers.reduce((sum, { copies }) => sum + copies.length, 0));
    expect(drawn('plain', 'path')).toBe(crown.layers.flatMap(placedItems).length);
    expect(drawn('plain', 'use')).toBe(0);
  });
});

describe('bleed', () => {
  it('is around the page, which is marked, and the background reaches its edge', async () => {
    const figure = setPage(newFigure('Bled', 'r'), {
      width: 90,
      height: 50,
      bleed: 5,
      background: '#1f8a76',
    });
    const text = svgOf(await evaluateWhole(figure), { ...DEFAULT_SVG, bleed: true });
    expect(text).toContain('width="100mm" height="60mm" viewBox="-5 -5 100 60"');
    expect(text).toContain('<view id="trim" viewBox="0 0 90 50"/>');
    const pixels = pixelsOf(text, 100);
    expect([...pixels.slice(0, 4)]).toEqual([31, 138, 118, 255]);
    expect([...pixels.slice(-4)]).toEqual([31, 138, 118, 255]);
    expect(svgOf(await evaluateWhole(figure), DEFAULT_SVG)).not.toContain('trim');
  });
});
