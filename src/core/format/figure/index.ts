import type { TextFormat } from '../format';
import { writeFigure } from './json';

/** The figure itself, as docs/figure-format.md describes it. */
export const figureFile: TextFormat<Readonly<Record<string, never>>> = {
  kind: 'text',
  id: 'json',
  name: 'Figure',
  ending: 'json',
  mediaType: 'application/json; charset=utf-8',
  fields: [],
  start: {},
  about: () => 'The figure itself, to keep or to open elsewhere, with the picture that lies under the Bench.',
  write: ({ figure, pictures }) => writeFigure(figure, pictures),
};

export { checkFigure, readFigure, writeFigure } from './json';
export { dataOf, partedFromPictures, type Pictures, withPictureIds } from './pictures';
