import { pointAt, reversed, splitAt, type Segment } from './segment';
import { subtract, add, type Point } from './point';

/** The part of a segment between two parameters; walked backwards where `to` is less than `from`. */
export function partOf(segment: Segment, from: number, to: number): Segment {
  if (from > to) return reversed(partOf(segment, to, from));
  if (from === 0 && to === 1) return segment;
  if (segment.kind === 'line')
    return { kind: 'line', from: pointAt(segment, from), to: pointAt(segment, to) };
  if (segment.kind === 'arc')
    return {
      ...segment,
      from: pointAt(segment, from),
      to: pointAt(segment, to),
      sweep: segment.sweep * (to - from),
    };
  const [first] = to === 1 ? [segment] : splitAt(segment, to);
  return from === 0 ? first : splitAt(first, from / to)[1];
}

/** The same segment with its ends put a little elsewhere; the handles of a cubic go with their ends. */
export function withEnds(segment: Segment, from: Point, to: Point): Segment {
  if (segment.kind !== 'cubic') return { ...segment, from, to };
  return {
    kind: 'cubic',
    from,
    out: add(segment.out, subtract(from, segment.from)),
    in: add(segment.in, subtract(to, segment.to)),
    to,
  };
}
