/**
 * Operators of a PDF's content stream for paths and strokes (ISO 32000-1, sections 8.4 and 8.5).
 *
 * @example
 * const stream = [...pathOperators(paths), 'f'].join('\n');
 */
import { type Affine, cubicsOfArc, type Path, type Segment } from '@/core/curve';
import type { Stroke } from '@/core/scene';
import { printNumber } from '../pathData';

/** Decimals of coordinates, in the figure's unit: far below what any printer shows. */
const DECIMALS = 6;

export const n = (value: number): string => printNumber(value, DECIMALS);

const point = ({ x, y }: { readonly x: number; readonly y: number }): string => `${n(x)} ${n(y)}`;

export const matrix = ({ a, b, c, d, e, f }: Affine): string =>
  [a, b, c, d].map((value) => printNumber(value, 12)).join(' ') + ` ${n(e)} ${n(f)}`;

/** A PDF has no arcs: they are cubics here, which are nowhere farther from them than a printer can show. */
function segmentOperators(segment: Segment): string[] {
  switch (segment.kind) {
    case 'line':
      return [`${point(segment.to)} l`];
    case 'cubic':
      return [`${point(segment.out)} ${point(segment.in)} ${point(segment.to)} c`];
    case 'arc':
      return cubicsOfArc(segment).flatMap(segmentOperators);
  }
}

/** Operators that lay paths, to be painted or clipped to. */
export const pathOperators = (paths: readonly Path[]): string[] =>
  paths.flatMap(({ segments, closed }) => {
    const [first] = segments;
    if (!first) return [];
    return [`${point(first.from)} m`, ...segments.flatMap(segmentOperators), ...(closed ? ['h'] : [])];
  });

const CAPS = { butt: 0, round: 1, square: 2 } as const;
const JOINS = { miter: 0, round: 1, bevel: 2 } as const;

/** Operators for how a line is drawn. */
export const lineOperators = ({
  width,
  cap,
  join,
  limit,
  dashes,
}: Required<Omit<Stroke, 'colour'>>): string[] => [
  `${n(width)} w ${CAPS[cap]} J ${JOINS[join]} j ${n(Math.max(1, limit))} M`,
  `[${dashes.map(n).join(' ')}] 0 d`,
];

/** A colour `#rrggbb` as three numbers from 0 to 1. */
export const rgb = (colour: string): string =>
  [1, 3, 5].map((at) => printNumber(Number.parseInt(colour.slice(at, at + 2), 16) / 255, 4)).join(' ');
