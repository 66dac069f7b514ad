/**
 * A proof as a page that people read.
 *
 * @example
 * await reportPage(figure, scene, { ...proved, target }, faces);   // the bytes of a PDF
 */
import { PDFDocument, rgb, type PDFFont, type PDFPage } from '@cantoo/pdf-lib';

import type { Figure } from '@/core/figure';
import { pdfOf } from '@/core/format/pdf';
import { printNumber } from '@/core/format';
import { convertLength } from '@/core/number';
import { greyOf, mapFill, mapPaint, seenAs } from '@/core/paint';
import type { Colour, Scene, SceneItem, SceneLayer } from '@/core/scene';
import { stretchesOf } from '@/core/words';
import { openFindings, type Reported, type ReportFaces } from './reported';

/** A scene in other colours. */
function recolouredScene(scene: Scene, change: (colour: Colour) => Colour, ground: Colour | null): Scene {
  const inks = (item: SceneItem): SceneItem => ({ ...item, paint: mapPaint(item.paint, change) });
  const layers = (all: readonly SceneLayer[]): SceneLayer[] =>
    all.map((layer) => ({
      ...layer,
      items: layer.items.map(inks),
      copies: layer.copies.map((copy) => (copy.items ? { ...copy, items: copy.items.map(inks) } : copy)),
    }));
  const { background } = scene.page;
  return {
    ...scene,
    page: { ...scene.page, bleed: 0, background: ground ?? (background && mapFill(background, change)) },
    layers: layers(scene.layers),
  };
}

/** All inks as one, but for the page's own colour, which stays bare. */
const inOne =
  ({ page }: Scene, ink: Colour, bare: Colour) =>
  (colour: Colour): Colour =>
    colour.slice(0, 7) === page.background ? bare : ink;

/** The looks that stand on the page, by their names. */
const LOOKS: readonly (readonly [string, (scene: Scene) => Scene])[] = [
  ['one colour', (scene) => recolouredScene(scene, inOne(scene, '#14181b', '#ffffff'), '#ffffff')],
  ['reversed', (scene) => recolouredScene(scene, inOne(scene, '#ffffff', '#14181b'), '#14181b')],
  ['grey', (scene) => recolouredScene(scene, greyOf, null)],
  ...(['protan', 'deutan', 'tritan'] as const).map(
    (vision) =>
      [vision, (scene: Scene) => recolouredScene(scene, (colour) => seenAs(colour, vision), null)] as const,
  ),
];

/** A4, in points. */
const [PAGE_WIDTH, PAGE_HEIGHT, MARGIN] = [595.28, 841.89, 42];

interface Fonts {
  readonly plain: PDFFont;
  readonly bold: PDFFont;
}

async function embedded(pdf: PDFDocument, { regular, bold }: ReportFaces): Promise<Fonts> {
  pdf.registerFontkit(await import('fontkit'));
  return {
    plain: await pdf.embedFont(regular, { subset: true }),
    bold: await pdf.embedFont(bold, { subset: true }),
  };
}

/** A text with a mark in place of each character that a typeface does not have. */
function shownIn(text: string, font: PDFFont): string {
  const known = new Set(font.getCharacterSet());
  return Array.from(text, (each) => (known.has(each.codePointAt(0) ?? 0) ? each : '?')).join('');
}

function wrapped(text: string, font: PDFFont, size: number, width: number): string[] {
  const lines: string[] = [];
  for (const word of shownIn(text, font).split(' ')) {
    const last = lines[lines.length - 1];
    const longer = last === undefined ? word : `${last} ${word}`;
    if (last !== undefined && font.widthOfTextAtSize(longer, size) <= width) lines[lines.length - 1] = longer;
    else lines.push(word);
  }
  return lines;
}

/** Writes lines down a page. */
class Pen {
  constructor(
    private readonly page: PDFPage,
    private readonly fonts: Fonts,
    public y: number,
    private readonly x = MARGIN,
    private readonly width = PAGE_WIDTH - 2 * MARGIN,
  ) {}

  write(text: string, { size = 9, bold = false, grey = 0.1, most = 99 } = {}): void {
    const font = bold ? this.fonts.bold : this.fonts.plain;
    for (const line of wrapped(text, font, size, this.width).slice(0, most)) {
      this.y -= size * 1.32;
      let x = this.x;
      // What is read from right to left is set by itself.
      for (const stretch of stretchesOf(line)) {
        this.page.drawText(stretch, { x, y: this.y, size, font, color: rgb(grey, grey, grey) });
        x += font.widthOfTextAtSize(stretch, size);
      }
    }
  }

  skip(by: number): void {
    this.y -= by;
  }
}

const colourOf = (colour: Colour) => {
  const all = Number.parseInt(colour.slice(1, 7), 16);
  return rgb((all >> 16) / 255, ((all >> 8) & 255) / 255, (all & 255) / 255);
};

const SEVERITIES = { error: 'wrong', warning: 'to look at', note: 'good to know' } as const;

/** Findings that the page has no room for are counted. */
const LOWEST = 58;

/** A page of A4 with the figure, its looks, its inks, its numbers and what was found. */
export async function reportPage(
  figure: Figure,
  scene: Scene,
  { proof, facts, target }: Reported,
  faces: ReportFaces,
): Promise<Uint8Array> {
  const pdf = await PDFDocument.create();
  // The same proof is the same file: nothing in it says when it was made.
  pdf.setCreationDate(new Date(0));
  pdf.setModificationDate(new Date(0));
  pdf.setTitle(`${figure.name}: proof`);
  const page = pdf.addPage([PAGE_WIDTH, PAGE_HEIGHT]);
  const fonts = await embedded(pdf, faces);
  const put = async (of: Scene, x: number, y: number, side: number): Promise<void> => {
    const bytes = await pdfOf(of, {
      neighbours: 'overlap',
      background: true,
      bleed: false,
      marks: false,
    });
    const [own] = await pdf.embedPdf(bytes);
    if (!own) return;
    const scale = side / Math.max(own.width, own.height);
    page.drawPage(own, { x, y, xScale: scale, yScale: scale });
  };

  const head = new Pen(page, fonts, PAGE_HEIGHT - MARGIN);
  head.write(figure.name, { size: 18, bold: true, most: 1 });
  const open = openFindings(figure, proof);
  const { width, height, unit } = figure.page;
  head.write(
    `Proof for: ${target.name}. ${open.length === 0 ? 'Nothing to mend' : `${open.length} findings`}, ${proof.passed.length} checks passed. Page ${printNumber(width, 3)} × ${printNumber(height, 3)} ${unit}.`,
    { grey: 0.35 },
  );
  const top = head.y - 14;
  const large = 190;
  await put(scene, MARGIN, top - large, large);
  const size = 76;
  for (const [k, [name, look]] of LOOKS.entries()) {
    const [x, y] = [
      MARGIN + large + 14 + (k % 3) * (size + 13),
      top - size - Math.floor(k / 3) * (size + 20),
    ];
    await put(look(scene), x, y, size);
    new Pen(page, fonts, y, x, size).write(name, { size: 7.5, grey: 0.35 });
  }
  // The sizes of icons, one under the other.
  const smallX = MARGIN + large + 14 + 3 * (size + 13);
  let smallY = top;
  for (const pixels of [16, 24, 32, 48]) {
    const side = convertLength(pixels, 'px', 'pt');
    smallY -= side;
    await put(scene, smallX, smallY, side);
    new Pen(page, fonts, smallY, smallX, size).write(`${pixels} px`, { size: 7, grey: 0.35 });
    smallY -= 18;
  }

  const facting = new Pen(page, fonts, top - large - 16);
  if (facts) {
    facting.write('In numbers', { size: 11, bold: true });
    const length = (value: number | null): string =>
      value === null ? '–' : `${printNumber(value, 3)}\u00a0${unit}`;
    facting.write(
      `Thinnest line ${length(facts.thinnest)}, narrowest gap ${length(facts.narrowest)}${facts.smallest === null ? '' : `, smallest cell ${printNumber(facts.smallest, 3)} ${unit}²`}. Turned by 1/${facts.fold} the picture is the same; its middle is ${length(facts.off)} off the centre. ${facts.cut ? `A tool follows ${length(facts.cut.length)} in ${facts.cut.pierces} lines.` : ''}`,
    );
    let x = MARGIN;
    const y = facting.y - 20;
    for (const { colour, share } of facts.shares.slice(0, 7)) {
      page.drawRectangle({
        x,
        y,
        width: 9,
        height: 9,
        color: colourOf(colour),
        borderColor: rgb(0.6, 0.6, 0.6),
        borderWidth: 0.4,
      });
      page.drawText(`${colour} ${printNumber(100 * share, 1)} %`, {
        x: x + 12,
        y: y + 1.5,
        size: 6.5,
        font: fonts.plain,
      });
      x += 70;
    }
    facting.y = y - 12;
  }

  const list = new Pen(page, fonts, facting.y);
  list.write(open.length === 0 ? 'Nothing to mend' : 'Findings', { size: 11, bold: true });
  for (const [k, found] of open.entries()) {
    if (list.y < LOWEST + 24) {
      list.write(`and ${open.length - k} more.`, { grey: 0.35 });
      break;
    }
    list.skip(3);
    list.write(`${found.title} (×${found.count}, ${SEVERITIES[found.severity]})`, { bold: true, most: 1 });
    list.write(found.sentence, { size: 8, grey: 0.3, most: 2 });
  }
  if (proof.passed.length > 0 && list.y > LOWEST) {
    list.skip(6);
    list.write(`Passed: ${proof.passed.join(', ')}.`, {
      size: 8,
      grey: 0.35,
      most: Math.floor((list.y - 30) / 11),
    });
  }
  return pdf.save({ useObjectStreams: false });
}
