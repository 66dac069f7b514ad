/**
 * What is in a file that is handed over, told by reading it.
 *
 * @example
 * contentsOf('svg', text); // [{ caption: 'Paths', value: '12' }, …]
 */
import { arcLength } from '@/core/curve';
import { printNumber } from './pathData';
import { readDxf } from './dxf/read/readDxf';
import { shapesOfNodes, type Drawing } from './drawing/drawing';
import { fromPixels } from '@/core/number';

export interface Content {
  readonly caption: string;
  readonly value: string;
}

const countIn = (text: string, pattern: RegExp): number => [...text.matchAll(pattern)].length;

const content = (caption: string, value: string | number): Content => ({ caption, value: String(value) });

function inSvg(text: string): Content[] {
  const [symbols, uses, gradients] = [/<symbol /g, /<use /g, /<(linear|radial)Gradient /g].map((each) =>
    countIn(text, each),
  );
  const colours = new Set(
    [...text.matchAll(/(?:fill|stroke|stop-color)="(#[0-9a-f]{3,8})"/gi)].map(([, each]) => each),
  );
  return [
    ...(symbols ? [content('Motifs, once each', symbols), content('Uses of them', uses ?? 0)] : []),
    content('Paths', countIn(text, /<path /g)),
    content('Colours', colours.size),
    ...(gradients ? [content('Gradients', gradients)] : []),
  ];
}

/** Of a drawing of lines: what a machine goes along. */
function inDrawing({ nodes, unit }: Drawing): Content[] {
  const paths = shapesOfNodes(nodes).flatMap((shape) => shape.paths);
  const segments = paths.flatMap((path) => path.segments);
  const kinds = (['line', 'arc', 'cubic'] as const).map(
    (kind) => segments.filter((segment) => segment.kind === kind).length,
  );
  const long = segments.reduce((sum, segment) => sum + arcLength(segment), 0) * fromPixels(unit);
  const closed = paths.filter((path) => path.closed).length;
  return [
    content('Closed loops', closed),
    ...(closed < paths.length ? [content('Open lines', paths.length - closed)] : []),
    content('Lines, arcs, curves', kinds.join(' · ')),
    content('Along all of them', `${printNumber(long, 1)} ${unit}`),
  ];
}

/** What a file of text has in it, by its format's id; nothing for those of which there is nothing to tell. */
export function contentsOf(id: string, text: string): readonly Content[] {
  if (id === 'svg' || id === 'tile') return inSvg(text);
  if (id !== 'dxf') return [];
  const read = readDxf(text);
  return read.ok ? inDrawing(read.value) : [];
}
