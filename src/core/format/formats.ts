import { dxf } from './dxf';
import { figureFile } from './figure';
import type { Format } from './format';
import { icons } from './icons';
import { jpeg } from './jpeg';
import { pdf } from './pdf';
import { png } from './png';
import { svg } from './svg';
import { tile, tilePixels } from './tile';
import { webp } from './webp';

/** Every format that a figure can leave as, in the order of the dialog. */
export const FORMATS = [
  svg,
  pdf,
  dxf,
  png,
  jpeg,
  webp,
  tile,
  tilePixels,
  icons,
  figureFile,
] as unknown as readonly [Format, ...Format[]];

export const FORMAT_IDS: readonly string[] = FORMATS.map(({ id }) => id);

/** The format of an id; undefined where there is none. */
export const formatOf = (id: string): Format | undefined => FORMATS.find((format) => format.id === id);

/** A file name that every file system takes, made from a figure's; never empty. */
export function fileName(name: string, { ending }: Pick<Format, 'ending'>): string {
  const safe = name
    .normalize('NFC')
    .replace(/[^\p{L}\p{N} ._-]+/gu, ' ')
    .replace(/\s+/g, '-')
    .replace(/^[-.]+|[-.]+$/g, '')
    .toLowerCase();
  return `${safe.slice(0, 80) || 'figure'}.${ending}`;
}
