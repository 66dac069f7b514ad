/**
 * The paper of a PDF as an SVG, for those who look before they take it: the page with its bleed, crop marks, and inks as they look without a
 * press.
 */
import { type ColourInks, inksOf, lookOf } from '@/core/paint';
import type { Scene } from '@/core/scene';
import { convertLength } from '@/core/number';
import { printNumber } from '../pathData';
import { documentOf, drawingLines, inColours } from '../svg/svg';
import { cropLines, paperOf, type PdfOptions } from './sheet';

const n = (value: number): string => printNumber(value, 6);

/** Lines of SVG in the colours that inks look like. */
const inInks = (lines: readonly string[], inks: readonly ColourInks[]): string[] =>
  lines.map((line) => inColours(line, (colour) => lookOf(inksOf(colour, inks))));

/** What a PDF shows on its paper. */
export function paperSvg(scene: Scene, options: PdfOptions): string {
  const { page } = scene;
  const point = convertLength(1, 'pt', page.unit);
  const [wide, high] = paperOf(page, options).map((side) => side * point) as [number, number];
  const edge = (wide - page.width) / 2;
  const bleed = options.bleed ? page.bleed : 0;
  const { background, neighbours } = options;
  const drawn = drawingLines(scene, {
    form: 'compact',
    decimals: 4,
    background,
    bleed: bleed > 0,
    neighbours,
  }).flat();
  const window = `x="${n(-bleed)}" y="${n(-bleed)}" width="${n(page.width + 2 * bleed)}" height="${n(page.height + 2 * bleed)}"`;
  const marks = cropLines([0, 0, page.width / point, page.height / point], bleed / point).map(
    ([from, to]) =>
      `  <path d="M${n(from.x * point)} ${n(from.y * point)}L${n(to.x * point)} ${n(to.y * point)}" stroke="#000000" stroke-width="${n(0.25 * point)}"/>`,
  );
  return documentOf(
    [
      `  <rect x="${n(-edge)}" y="${n(-edge)}" width="${n(wide)}" height="${n(high)}" fill="#ffffff"/>`,
      `  <clipPath id="paper"><rect ${window}/></clipPath>`,
      '  <g clip-path="url(#paper)">',
      ...(options.inks ? inInks(drawn, options.inks) : drawn),
      '  </g>',
      ...(options.marks ? marks : []),
    ],
    { x: -edge, y: -edge, width: wide, height: high },
    { unit: page.unit },
  );
}
