import { decodePDFRawStream, PDFArray, PDFDocument, PDFRawStream } from '@cantoo/pdf-lib';
import { getDocument, OPS } from 'pdfjs-dist/legacy/build/pdf.mjs';
import { describe, expect, it } from 'vitest';

import { disc, withForms } from '../../../../tests/help/figures';
import { setFold, setPage } from '@/core/figure/commands';
import { evaluateWhole } from '@/core/figure';
import { paperSvg } from './paper';
import { pdfOf } from '.';
import { paperOf, type PdfOptions } from './sheet';

const PLAIN: PdfOptions = { background: true, bleed: false, marks: false, neighbours: 'overlap' };
const made = async (fold: number, options: Partial<PdfOptions> = {}): Promise<Uint8Array> => {
  const figure = setPage(setFold(withForms(disc(0, -40, 8)), 'r', fold), { bleed: 3, background: '#fffefb' });
  return pdfOf(await evaluateWhole(figure), { ...PLAIN, ...options });
};
/** Points in a millimetre: 72 an inch. */
const MM = 72 / 25.4;

describe('a PDF', () => {
  it('has the page at true size, its trim and bleed boxes, and room for crop marks', async () => {
    const sheet = (await PDFDocument.load(await made(8))).getPage(0);
    expect(sheet.getWidth()).toBeCloseTo(180 * MM, 6);
    expect(sheet.getTrimBox()).toMatchObject({ x: 0, y: 0 });
    const cut = (await PDFDocument.load(await made(8, { bleed: true, marks: true }))).getPage(0);
    expect(cut.getTrimBox().width).toBeCloseTo(180 * MM, 6);
    expect(cut.getBleedBox().width).toBeCloseTo(186 * MM, 6);
    expect(cut.getWidth()).toBeGreaterThan(186 * MM);
    // The page's middle is the paper's.
    const { x, width } = cut.getTrimBox();
    expect(x + width / 2).toBeCloseTo(cut.getWidth() / 2, 6);
  });

  it('has a motif once and draws it for every copy, as another reader sees it', async () => {
    for (const fold of [3, 24]) {
      const page = await (await getDocument({ data: await made(fold), verbosity: 0 }).promise).getPage(1);
      const { fnArray } = await page.getOperatorList();
      const count = (op: number): number => fnArray.filter((each) => each === op).length;
      expect(count(OPS.paintFormXObjectBegin)).toBe(fold);
    }
    const [few, many] = [await made(3), await made(24)];
    // Each further copy is a line of the page's own stream.
    expect(many.length - few.length).toBeLessThan(21 * 60);
  });

  it('is the same file for the same figure', async () => {
    expect(await made(5)).toEqual(await made(5));
  });

  it('is in the inks that are said: shares of four, an ink of its own by name, and marks on every plate', async () => {
    const figure = setPage(setFold(withForms(disc(0, -40, 8)), 'r', 3), { bleed: 3, background: '#fffefb' });
    const colour = figure.rounds[0]!.shapes[0]!.paint.fill as string;
    const scene = await evaluateWhole(figure);
    const shares = { c: 80, m: 10, y: 45, k: 5 };
    const operatorsOf = async (spot?: string) => {
      const inks = [{ colour, ...shares, ...(spot && { spot }) }];
      const bytes = await pdfOf(scene, { ...PLAIN, marks: true, inks });
      const document = await PDFDocument.load(bytes);
      const text = document.context
        .enumerateIndirectObjects()
        .flatMap(([, object]) =>
          object instanceof PDFRawStream ? [decodePDFRawStream(object).decode()] : [],
        )
        .map((content) => new TextDecoder('latin1').decode(content))
        .join('\n');
      const spaces = document.context
        .enumerateIndirectObjects()
        .flatMap(([, object]) => (object instanceof PDFArray ? [object.toString()] : []));
      return { text, spaces, bytes };
    };
    const plain = await operatorsOf();
    expect(plain.text).toContain('0.8 0.1 0.45 0.05 k');
    // The page's own colour follows from the formula.
    expect(plain.text).toContain('0 0 0.02 0 k');
    expect(plain.text).not.toMatch(/ rg\b/);
    expect(plain.spaces.some((space) => space.includes('/Separation /All'))).toBe(true);
    const foil = await operatorsOf('Warm foil');
    expect(foil.spaces.some((space) => space.includes('/Separation /Warm#20foil'))).toBe(true);
    expect(foil.text).toMatch(/\/C\d+ cs 1 scn/);
    // Another reader takes it.
    const page = await (await getDocument({ data: foil.bytes, verbosity: 0 }).promise).getPage(1);
    expect((await page.getOperatorList()).fnArray.length).toBeGreaterThan(5);
  });
});

describe('the paper of a PDF', () => {
  it('is shown as it will be: as large, with its marks, and in the inks that are said', async () => {
    const figure = setPage(setFold(withForms(disc(0, -40, 8)), 'r', 3), { bleed: 3, background: '#fffefb' });
    const scene = await evaluateWhole(figure);
    const options: PdfOptions = { ...PLAIN, bleed: true, marks: true };
    const svg = paperSvg(scene, options);
    const [, width] = /width="([\d.]+)mm"/.exec(svg)!;
    expect(Number(width) * MM).toBeCloseTo(paperOf(scene.page, options)[0], 3);
    expect(svg.match(/<path d="M[^"]*" stroke="#000000"/g)).toHaveLength(8);
    const colour = figure.rounds[0]!.shapes[0]!.paint.fill as string;
    expect(svg).toContain(colour);
    const inked = paperSvg(scene, { ...options, inks: [{ colour, c: 0, m: 100, y: 0, k: 0 }] });
    expect(inked).toContain('#ff00ff');
    expect(inked).not.toContain(colour);
  });
});
