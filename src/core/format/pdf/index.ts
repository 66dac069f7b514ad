import type { BytesFormat } from '../format';
import type { Figure } from '@/core/figure';
import type { Scene } from '@/core/scene';
import { convertLength } from '@/core/number';
import { printNumber } from '../pathData';
import { BACKGROUND, BLEED, NEIGHBOURS } from '../svg';
import { paperSvg } from './paper';
import { paperOf, type PdfOptions } from './sheet';

type PdfChoices = Omit<PdfOptions, 'title' | 'inks'> & { readonly colours: 'rgb' | 'inks' };

const writtenWith = (figure: Figure, { colours, ...options }: PdfChoices): PdfOptions => ({
  ...options,
  title: figure.name,
  ...(colours === 'inks' && { inks: figure.inks ?? [] }),
});

/** The bytes of a PDF of a scene; what writes them is large, and read when it is first wanted. */
export async function pdfOf(scene: Scene, options: PdfOptions): Promise<Uint8Array> {
  const { writePdf } = await import('./pdf');
  return writePdf(scene, options);
}

/** Portable Document Format, for print. */
export const pdf: BytesFormat<PdfChoices> = {
  kind: 'bytes',
  id: 'pdf',
  name: 'PDF',
  ending: 'pdf',
  mediaType: 'application/pdf',
  fields: [
    {
      key: 'colours',
      label: 'Colours',
      help: 'as inks: cyan, magenta, yellow and black, and inks by name, as the figure says',
      type: 'choice',
      choices: [
        ['rgb', 'RGB'],
        ['inks', 'Inks'],
      ],
      word: 'inks',
      wordMeans: 'inks',
    },
    NEIGHBOURS,
    BACKGROUND,
    BLEED,
    {
      key: 'marks',
      label: 'Crop marks',
      help: 'with lines at the corners at which the page is cut',
      type: 'choice',
      choices: [
        [false, 'Without'],
        [true, 'With'],
      ],
      word: 'marks',
      wordMeans: true,
    },
  ],
  start: { colours: 'rgb', neighbours: 'overlap', background: true, bleed: false, marks: false },
  about: (options, page) => {
    const [wide, high] = paperOf(page, options).map((side) =>
      printNumber(convertLength(side, 'pt', 'mm'), 2),
    );
    return `Vector, at true size, in ${options.colours === 'rgb' ? 'RGB' : 'the inks below'}; each motif once. Paper of ${wide} × ${high} mm. Raised wire is drawn flat.`;
  },
  picture: ({ figure, scene }, options) => paperSvg(scene, writtenWith(figure, options)),
  write: ({ figure, scene }, options) => pdfOf(scene, writtenWith(figure, options)),
};
