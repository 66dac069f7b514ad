import { zipSync } from 'fflate';
import toIco from 'png-to-ico';

import { STRAIGHT } from '@/core/derive';
import { evaluateWhole, excessOf, type Figure } from '@/core/figure';
import { checkFigure, type Pictures } from '@/core/format/figure';
import { type BundleFile, fileName, type Format, formatOf, type Options, type Source } from '@/core/format';
import { Refused, sound } from '../errors';
import { drawn } from './drawn';

/** What is asked of a figure: a file in a format. */
export interface FileRequest {
  readonly figure: Figure;
  /** The format's id. */
  readonly to: string;
  readonly options: Options;
  /** Pictures that the figure names, as data addresses, where they go with it. */
  readonly pictures?: Pictures;
}

export interface MadeFile {
  readonly bytes: Uint8Array;
  readonly mediaType: string;
  /** A file name made from the figure's. */
  readonly file: string;
}

/** What is stored or handed over is looked at before it is drawn. @throws Refused */
export function checked(given: Figure): Figure {
  const figure = sound(checkFigure(given));
  const excess = excessOf(figure, STRAIGHT);
  if (excess) throw new Refused(excess.sentence);
  return figure;
}

/** The bytes of one of several files. */
async function bytesIn(file: BundleFile): Promise<Uint8Array> {
  if ('text' in file) return new TextEncoder().encode(file.text);
  if ('picture' in file) return drawn(file.picture);
  const sizes: Buffer[] = [];
  for (const size of file.icon) sizes.push(Buffer.from(await drawn(size)));
  return new Uint8Array(await toIco(sizes));
}

/** Files in one ZIP, made one after the other, as each takes memory. They are the same each time: none has the time at which it was made. */
async function packed(files: readonly BundleFile[]): Promise<Uint8Array> {
  const made: Record<string, Uint8Array> = {};
  for (const file of files) made[file.name] = await bytesIn(file);
  return zipSync(made, { mtime: new Date(1980, 0, 2) });
}

/** A file's bytes: text and bytes are written, pixels drawn. */
async function bytesOf(format: Format, source: Source, options: Options): Promise<Uint8Array> {
  switch (format.kind) {
    case 'text':
      return new TextEncoder().encode(format.write(source, options));
    case 'bytes':
      return format.write(source, options);
    case 'pixels':
      return drawn(format.draw(source, options));
    case 'bundle':
      return packed(format.pack(source, options));
  }
}

/**
 * A figure as the bytes of a file, with every merge made, however long it takes: for the server's workers and the command line.
 * @param progress told how far the merges are
 * @throws Refused for a format that is none; MergeFailed where a merge is more than a limit
 */
export async function makeFile(
  { figure: given, to, options, pictures }: FileRequest,
  progress?: (share: number) => void,
): Promise<MadeFile> {
  const format = formatOf(to);
  if (!format) throw new Refused(`There is no format “${to}”.`);
  const figure = checked(given);
  const scene = await evaluateWhole(figure, { ...(progress && { progress }) });
  const source = { figure, scene, ...(pictures && { pictures }) };
  const bytes = await bytesOf(format, source, options);
  return { bytes, mediaType: format.mediaType, file: fileName(figure.name, format) };
}
