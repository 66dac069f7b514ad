import { evaluateWhole } from '../core/figure/evaluateWhole';
import type { Figure } from '../core/figure/model';
import { svgOf, type SvgOptions } from '../core/format/svg';
import { pngOf } from './raster';

export type ExportOptions =
  | { readonly to: 'svg'; readonly svg: Omit<SvgOptions, 'title'> }
  | { readonly to: 'png'; readonly size: number; readonly background: boolean };

export interface Exported {
  readonly bytes: Uint8Array;
  readonly type: string;
  /** A file name made from the figure's. */
  readonly file: string;
}

const letServerBreathe = (): Promise<void> => new Promise((resolve) => setImmediate(resolve));

/** A name that every file system takes, never empty. */
function fileName(name: string, ending: string): string {
  const safe = name
    .normalize('NFC')
    .replace(/[^\p{L}\p{N} ._-]+/gu, ' ')
    .replace(/\s+/g, '-')
    .replace(/^[-.]+|[-.]+$/g, '')
    .toLowerCase();
  return `${safe.slice(0, 80) || 'figure'}.${ending}`;
}

/** A figure as the bytes of a file, with every merge made: for routes and the command line. */
export async function exportFigure(figure: Figure, options: ExportOptions): Promise<Exported> {
  const scene = await evaluateWhole(figure, { pause: letServerBreathe });
  if (options.to === 'svg') {
    const text = svgOf(scene, { ...options.svg, title: figure.name });
    return {
      bytes: Buffer.from(text),
      type: 'image/svg+xml; charset=utf-8',
      file: fileName(figure.name, 'svg'),
    };
  }
  const { width, height } = figure.page;
  const pixelsPerUnit = options.size / Math.max(width, height);
  const svg = svgOf(scene, { form: 'compact', decimals: 6, background: options.background, pixelsPerUnit });
  const bytes = await pngOf(svg, options.size, figure.page.width >= figure.page.height);
  return { bytes, type: 'image/png', file: fileName(figure.name, 'png') };
}
