/**
 * What a PDF's paper holds beside the page: bleed and crop marks. It stands by itself, as it is asked for where no PDF is written.
 *
 * @example
 * paperOf(scene.page, { bleed: true, marks: true, background: true, neighbours: 'overlap' });   // [width, height] in points
 */
import type { Point } from '@/core/curve';
import { convertLength } from '@/core/number';
import type { ColourInks } from '@/core/paint';
import type { Neighbours, ScenePage } from '@/core/scene';

export interface PdfOptions {
  readonly background: boolean;
  /** With what lies around the page to be trimmed off. */
  readonly bleed: boolean;
  /** With lines at the corners at which the page is cut. */
  readonly marks: boolean;
  readonly neighbours: Neighbours;
  /** What colours are printed with; red, green and blue without it. */
  readonly inks?: readonly ColourInks[];
  readonly title?: string;
}

/** How far crop marks stand off from the page and how long they are, in points: 3 and 5 mm (common practice). */
export const MARK = { off: 8.504, length: 14.173, width: 0.25 };

/** Lines at the corners of a page, outside its bleed, in points. @param box left, low, right, high */
export function cropLines(
  [left, low, right, high]: readonly [number, number, number, number],
  bleed: number,
): (readonly [Point, Point])[] {
  const off = Math.max(MARK.off, bleed);
  const far = off + MARK.length;
  const corners = [
    [left, low, -1, -1],
    [right, low, 1, -1],
    [right, high, 1, 1],
    [left, high, -1, 1],
  ] as const;
  return corners.flatMap(([x, y, across, up]) => [
    [
      { x: x + across * off, y },
      { x: x + across * far, y },
    ] as const,
    [
      { x, y: y + up * off },
      { x, y: y + up * far },
    ] as const,
  ]);
}

/** How far the page stands in from the paper on each side, in points. */
export const aroundPage = ({ bleed, marks }: PdfOptions, bleedPoints: number): number => {
  const cut = bleed ? bleedPoints : 0;
  return marks ? Math.max(MARK.off, cut) + MARK.length : cut;
};

/** The paper's sides in points. */
export function paperOf(page: ScenePage, options: PdfOptions): readonly [width: number, height: number] {
  const points = convertLength(1, page.unit, 'pt');
  const edge = aroundPage(options, page.bleed * points);
  return [page.width * points + 2 * edge, page.height * points + 2 * edge];
}
