import { describe, expect, it } from 'vitest';

import { counter } from '../../../../tests/help/figures';
import { made, refusal } from '../../../../tests/help/made';
import { difference, pixelsOf } from '../../../../tests/help/pictures';
import { PIECES } from '../../../../demo/pieces';
import { evaluateWhole, figureSchema, type MotifNode, motifTree } from '@/core/figure';
import { degreesOf } from '@/core/number';
import { boundsOfPaths } from '@/core/curve';
import { pathsOfForm } from '@/core/maker';
import { STRAIGHT } from '@/core/derive';
import { svgOf, type SvgOptions } from '../svg/svg';
import { figureOfDrawing } from './figureOfDrawing';
import { readDrawing } from '../svg/read/readDrawing';
import { motifOfDrawing } from './taken';

const taken = (svg: string) => made(figureOfDrawing(readDrawing(svg), 'file.svg', counter()));

/** The same file, drawn by a figure that it was read into. */
async function redrawn(svg: string): Promise<string> {
  const { figure } = taken(svg);
  expect(figureSchema.validate(figure, { convert: false }).error).toBeUndefined();
  return svgOf(await evaluateWhole(figure), { form: 'plain', decimals: 6, background: true });
}

/** The share of pixels that differ by more than edges do. */
const differs = async (svg: string): Promise<number> =>
  difference(pixelsOf(svg, 300), pixelsOf(await redrawn(svg), 300));

const treeOf = (nodes: readonly MotifNode[]): unknown =>
  nodes.map((node) =>
    node.kind === 'shape'
      ? node.shape.name
      : { [`${node.group.name}${node.group.op ? `: ${node.group.op}` : ''}`]: treeOf(node.nodes) },
  );

describe('a file as a figure', () => {
  it('has the page, the unit and the true size of the file', () => {
    const { figure } = taken(
      '<svg width="120" height="2in" viewBox="0 0 60 96"><title>Buoy</title><rect width="60" height="96" fill="navy"/><circle id="ball" cx="30" cy="48" r="10"/></svg>',
    );
    expect(figure.name).toBe('Buoy');
    expect(figure.page).toMatchObject({ width: 120, height: 192, unit: 'px', background: '#000080' });
    const [round] = figure.rounds;
    expect(round).toMatchObject({ rule: { fold: 1 }, shapes: [{ name: 'ball' }] });
    const form = round!.shapes[0]!.form;
    // Circles stay circles: arcs, of twice the radius.
    expect(pathsOfForm(form, STRAIGHT)[0]!.segments.every(({ kind }) => kind === 'arc')).toBe(true);
    expect(boundsOfPaths(pathsOfForm(form, STRAIGHT))).toMatchObject({
      left: expect.closeTo(-20, 9) as number,
      right: expect.closeTo(20, 9) as number,
    });
    expect(
      taken('<svg width="120mm" viewBox="0 0 4 2"><path d="M0 0h4v2z"/></svg>').figure.page,
    ).toMatchObject({
      width: expect.closeTo(120, 9) as number,
      height: expect.closeTo(60, 9) as number,
      unit: 'mm',
    });
  });

  // SVG 2, section 8.6: the nine places of xMinYMid and so on, meet and slice, and none.
  it('is drawn as a renderer draws it, whatever its view box', async () => {
    const mark = '<path fill="teal" d="M0 0h40v20l-30 20z"/>';
    for (const aspect of ['xMinYMin meet', 'xMaxYMid meet', 'xMidYMax slice', 'none', ''])
      expect(
        await differs(
          `<svg xmlns="http://www.w3.org/2000/svg" width="90" height="60" viewBox="-4 -2 50 50" preserveAspectRatio="${aspect}">${mark}</svg>`,
        ),
      ).toBeLessThan(0.004);
  });

  it('keeps the tree and the names, and what clips stays live', () => {
    const { figure } = taken(
      `<svg viewBox="0 0 100 100"><clipPath id="port"><circle cx="50" cy="50" r="30"/><rect width="9" height="9"/></clipPath>
       <g id="boat"><path id="hull" d="M0 60h100v20h-100z"/><g id="rig" clip-path="url(#port)"><path id="mast" d="M49 0h2v60h-2z"/><g><path id="sail" d="M51 0L90 50H51z"/></g></g></g>
       <path id="sea" d="M0 90h100v10h-100z"/></svg>`,
    );
    const [round] = figure.rounds;
    expect(treeOf(motifTree(round!))).toEqual([
      { boat: ['hull', { 'rig: clip': [{ rig: ['mast', 'sail'] }, { 'port: union': ['port', 'port'] }] }] },
      'sea',
    ]);
  });

  it.each([
    [
      'style sheets',
      '<style>.a,#b>path{fill:teal} path.a{fill:navy;stroke:red}</style><g id="b"><path class="a c" style="stroke-width:1" d="M10 10h30v30z"/><path d="M50 10h30v30z"/></g>',
    ],
    [
      'gradients of boxes',
      '<linearGradient id="p"><stop offset=".2" stop-color="teal"/><stop offset=".9" style="stop-color:gold;stop-opacity:.5"/></linearGradient><linearGradient id="g" href="#p" gradientTransform="rotate(30)"/><g transform="skewX(20)"><rect x="10" y="10" width="60" height="30" fill="url(#g)"/></g>',
    ],
    [
      'gradients of the page',
      '<radialGradient id="r" gradientUnits="userSpaceOnUse" cx="50" cy="50" r="30" gradientTransform="translate(0 20) scale(1 .6)"><stop stop-color="gold"/><stop offset="1" stop-color="navy"/></radialGradient><circle cx="50" cy="50" r="40" fill="url(#r)" stroke="url(#r)" stroke-width="6"/>',
    ],
    [
      'clips in clips',
      '<clipPath id="a" clipPathUnits="objectBoundingBox"><circle cx=".5" cy=".5" r=".5"/></clipPath><clipPath id="b" clip-path="url(#c)"><path clip-rule="evenodd" d="M0 0h100v100h-100zM40 40h20v20h-20z"/></clipPath><clipPath id="c"><rect x="10" y="10" width="80" height="80"/></clipPath><g clip-path="url(#b)"><rect x="5" y="5" width="90" height="90" fill="gold" stroke="navy" stroke-width="12" clip-path="url(#a)"/></g>',
    ],
    [
      'symbols and uses',
      '<symbol id="s" viewBox="0 0 10 10"><path d="M0 0h10v10z"/></symbol><use href="#s" x="10" y="10" width="30" height="20" fill="teal"/><svg x="50" y="50" width="40" height="40" viewBox="0 0 10 10"><circle cx="5" cy="5" r="5"/></svg><use href="#q" transform="translate(0 40)" stroke="red"/><defs><path id="q" d="M10 10h20" stroke-width="5"/></defs>',
    ],
    [
      'strokes',
      '<path d="M10 20h80" stroke="navy" stroke-width="6" stroke-dasharray="10 4 2"/><path d="M20 80L50 40L80 80" fill="gold" stroke="navy" stroke-width="10" stroke-linejoin="round" paint-order="stroke"/>',
    ],
    [
      'units and shares',
      '<rect x="10%" y="5mm" width="50%" height="1cm" fill="teal"/><circle cx="50%" cy="3pc" r="10%" fill="currentColor" color="gold"/>',
    ],
    [
      'hidden parts',
      '<g visibility="hidden"><path d="M0 0h50v50z"/><path visibility="visible" d="M50 50h40v40z"/></g><g display="none"><rect width="99" height="99"/></g><switch><foreignObject/><path d="M0 90h9v9z"/></switch>',
    ],
  ])('draws %s as a renderer does', async (_, inside) => {
    const svg = `<svg xmlns="http://www.w3.org/2000/svg" width="100" height="100" viewBox="0 0 100 100">${inside}</svg>`;
    expect(await differs(svg)).toBeLessThan(0.004);
  });

  it('says what is not taken, by name and count', () => {
    const { figure, left } = taken(
      `<svg><script>alert(1)</script><style>@import "x.css"; g>path{mix-blend-mode:multiply}</style><mask id="m"/><filter id="f"/>
       <g mask="url(#m)" filter="url(#f)"><path d="M0 0h9v9z"/><rect width="4" height="4"/></g><path mask="url(#m)" d="M0 0h9v9z"><animate attributeName="d"/></path>
       <text>a</text><image href="http://127.0.0.1:1/x.png"/><rect width="9" height="9" fill="url(#w)"/><pattern id="w"/></svg>`,
    );
    expect(Object.fromEntries(left.map(({ what, count }) => [what, count]))).toEqual({
      script: 1,
      'style sheet elsewhere': 1,
      mask: 2,
      filter: 1,
      text: 1,
      picture: 1,
      pattern: 1,
    });
    expect(figure.rounds.flatMap(({ shapes }) => shapes)).toHaveLength(4);
    expect(refusal(figureOfDrawing(readDrawing('<svg><text>a</text></svg>'), 'a', counter()))).toMatch(
      'nothing in this file',
    );
  });
});

describe('a figure of ours', () => {
  const forms: SvgOptions['form'][] = ['compact', 'plain'];
  it.each(['lamp-burst', 'frost-flake', 'propeller', 'scallop-ring', 'anemone', 'poster-wheel'] as const)(
    'comes back as the same picture: %s',
    async (name) => {
      const scene = await evaluateWhole(PIECES[name]!());
      for (const form of forms)
        expect(await differs(svgOf(scene, { form, decimals: 6, background: true }))).toBeLessThan(0.004);
    },
  );

  it('comes back as its rounds, with their folds and starts', async () => {
    const piece = PIECES['poster-wheel']!();
    const { figure } = taken(
      svgOf(await evaluateWhole(piece), { form: 'compact', decimals: 6, background: true }),
    );
    const told = ({ rounds }: typeof piece) =>
      rounds.map(({ rule, blend = 'normal' }) => [
        rule.fold,
        Number(degreesOf(rule.start).toFixed(6)),
        blend,
      ]);
    // Copies that differ by turns are a part of two to the reader: 48 come as 24 of them.
    expect(told(figure)).toEqual(told(piece).map(([fold, ...rest]) => [fold === 48 ? 24 : fold, ...rest]));
    expect(figure.page).toMatchObject({ width: 180, height: 180, unit: 'mm' });
  });
});

describe('a file in a motif', () => {
  it('loses its blend modes, which only rounds have, and says so', () => {
    const drawing = readDrawing(
      '<svg><g style="mix-blend-mode:multiply"><path d="M0 0h9v9z"/><path d="M9 0h9v9z"/></g></svg>',
    );
    const { left } = made(
      motifOfDrawing(drawing, { name: 'A', unit: 'mm', by: 'page', to: { x: 0, y: 0 } }, counter()),
    );
    expect(left).toEqual([{ what: 'blend mode', count: 1 }]);
    expect(made(figureOfDrawing(drawing, 'A', counter()))).toMatchObject({
      left: [],
      figure: { rounds: [{ blend: 'multiply' }] },
    });
  });

  it('is one group, taken by its middle, its page’s or its own 0, 0', () => {
    const drawing = readDrawing(
      '<svg width="96" height="96" viewBox="-10 -10 96 96"><path d="M0 0h20v10h-20z"/><path d="M0 0h5v5z"/></svg>',
    );
    const at = (by: 'middle' | 'page' | 'origin') => {
      const { motif } = made(
        motifOfDrawing(drawing, { name: 'Rope', unit: 'in', by, to: { x: 1, y: -2 } }, counter()),
      );
      expect(motif.groups).toMatchObject([{ name: 'Rope' }]);
      const { left, top } = boundsOfPaths(motif.shapes.flatMap(({ form }) => pathsOfForm(form, STRAIGHT)));
      return [left, top].map((each) => Number(each.toFixed(6)));
    };
    expect(at('origin')).toEqual([1, -2]);
    expect(at('middle')).toEqual([1 - 10 / 96, -2 - 5 / 96].map((each) => Number(each.toFixed(6))));
    expect(at('page')).toEqual(
      [1 + (10 - 48) / 96, -2 + (10 - 48) / 96].map((each) => Number(each.toFixed(6))),
    );
  });
});
