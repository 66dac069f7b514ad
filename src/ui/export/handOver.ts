import type { FigurePart } from '@/core/figure';
import { fileName, formatOf } from '@/core/format';
import { type Editor, type Saver, shownFigure } from '@/state';
import { downloadBlob, zipped } from '@/ui/common';
import type { Handing } from './remembered';
import { fileOf, type Asked } from './useFile';

/** A file that leaves, and what it is called. */
interface Wanted extends Asked {
  readonly name: string;
}

/** All files that are wanted: of each format that is chosen, pictures of pixels in each size. */
export function wantedOf(name: string, { type, also, options, times }: Handing, part: FigurePart): Wanted[] {
  return [...new Set([type, ...also])].flatMap((id): Wanted[] => {
    const format = formatOf(id);
    if (!format) return [];
    const own = options[id] ?? format.start;
    const file = fileName(name, format);
    if (format.kind !== 'pixels') return [{ format, options: own, part, name: file }];
    return [1, ...times].map((by) => ({
      format,
      part,
      options: { ...own, size: Math.round(Number(own['size']) * by) },
      name: by === 1 ? file : file.replace(/\.\w+$/, `@${by}x$&`),
    }));
  });
}

/**
 * Hands the files over: one as it is, several as one ZIP.
 * @param known the file that is made already
 * @throws Error with the reason where one cannot be made
 */
export async function handOver(
  editor: Editor,
  saver: Saver | null,
  handing: Handing,
  part: FigurePart,
  known: { readonly blob: Blob } | null,
): Promise<void> {
  const { name } = shownFigure(editor.getState());
  const wanted = wantedOf(name, handing, part);
  const made: [string, Blob][] = [];
  for (const [k, each] of wanted.entries()) {
    const blob = k === 0 && known ? known.blob : (await fileOf(editor, saver, each)).blob;
    made.push([each.name, blob]);
  }
  const [only, another] = made;
  if (!only) return;
  const [file, blob] = another ? [only[0].replace(/\.\w+$/, '.zip'), await zipped(made)] : only;
  downloadBlob(blob, file);
}
