import { type Path, type Point, type Segment, splitAt } from '@/core/curve';

/** A number with at most the given decimals and no needless zeros; never in exponent form, never −0. */
export function printNumber(value: number, decimals: number): string {
  const text = value.toFixed(decimals);
  const short = text.includes('.') ? text.replace(/\.?0+$/, '') : text;
  return short === '-0' ? '0' : short;
}

/**
 * Nearly half and nearly whole circles are printed in two halves: from ends and a rounded radius a reader finds the
 * centre of a half circle only to the root of the rounding, and of a whole one not at all.
 */
function isIllGiven(sweep: number): boolean {
  const angle = Math.abs(sweep);
  return angle > 5 || Math.abs(angle - Math.PI) < 0.45;
}

/**
 * SVG path data, absolute commands (SVG 2, section 9.3). Arcs stay arcs: the sweep flag is 1 for clockwise,
 * as the y axis points down, the large flag is 1 above half a turn.
 */
export function pathData(
  paths: readonly Path[],
  decimals: number,
  print: (value: number, decimals: number) => string = printNumber,
): string {
  const n = (value: number) => print(value, decimals);
  const at = (p: Point) => `${n(p.x)} ${n(p.y)}`;
  const draw = (segment: Segment): string => {
    switch (segment.kind) {
      case 'line':
        return `L${at(segment.to)}`;
      case 'cubic':
        return `C${at(segment.out)} ${at(segment.in)} ${at(segment.to)}`;
      case 'arc': {
        if (isIllGiven(segment.sweep)) return splitAt(segment, 0.5).map(draw).join('');
        const large = Math.abs(segment.sweep) > Math.PI ? 1 : 0;
        const sweep = segment.sweep > 0 ? 1 : 0;
        return `A${n(segment.radius)} ${n(segment.radius)} 0 ${large} ${sweep} ${at(segment.to)}`;
      }
    }
  };
  return paths
    .map((path) => {
      const [first] = path.segments;
      if (!first) return '';
      // A straight last side back to the start is what Z draws.
      const last = path.segments[path.segments.length - 1];
      const drawn = path.closed && last?.kind === 'line' ? path.segments.slice(0, -1) : path.segments;
      return `M${at(first.from)}${drawn.map(draw).join('')}${path.closed ? 'Z' : ''}`;
    })
    .join('');
}
