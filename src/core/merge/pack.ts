import type { Path, Segment } from '@/core/curve';
import type { Cells, Division, MergeOperand, MergePart, MergeRequest, MergeResult } from './merge';

/**
 * Paths as two typed arrays, to be handed from one thread to another without being copied.
 * Integers: for each list its number of paths; for each path 1 where it is closed, its number of segments, their
 * kinds. Numbers: for each path its first point, then for each segment what it adds.
 */
interface PackedPaths {
  readonly integers: Int32Array;
  readonly numbers: Float64Array;
}

const LINE = 0;
const ARC = 1;
const CUBIC = 2;

function packPaths(lists: readonly (readonly Path[])[]): PackedPaths {
  const integers: number[] = [];
  const numbers: number[] = [];
  for (const paths of lists) {
    integers.push(paths.length);
    for (const { closed, segments } of paths) {
      integers.push(closed ? 1 : 0, segments.length);
      const [first] = segments;
      numbers.push(first?.from.x ?? 0, first?.from.y ?? 0);
      for (const segment of segments) {
        const { to } = segment;
        if (segment.kind === 'cubic') {
          integers.push(CUBIC);
          numbers.push(segment.out.x, segment.out.y, segment.in.x, segment.in.y, to.x, to.y);
        } else if (segment.kind === 'arc') {
          integers.push(ARC);
          numbers.push(segment.centre.x, segment.centre.y, segment.radius, segment.sweep, to.x, to.y);
        } else {
          integers.push(LINE);
          numbers.push(to.x, to.y);
        }
      }
    }
  }
  return { integers: Int32Array.from(integers), numbers: Float64Array.from(numbers) };
}

function unpackPaths({ integers, numbers }: PackedPaths): Path[][] {
  let i = 0;
  let n = 0;
  const whole = (): number => integers[i++] ?? 0;
  const point = (): { x: number; y: number } => ({ x: numbers[n++] ?? 0, y: numbers[n++] ?? 0 });
  const lists: Path[][] = [];
  while (i < integers.length) {
    lists.push(
      Array.from({ length: whole() }, () => {
        const closed = whole() === 1;
        const count = whole();
        let from = point();
        const segments = Array.from({ length: count }, (): Segment => {
          const kind = whole();
          const start = from;
          if (kind === CUBIC) {
            const [out, into] = [point(), point()];
            from = point();
            return { kind: 'cubic', from: start, out, in: into, to: from };
          }
          if (kind === ARC) {
            const centre = point();
            const [radius, sweep] = [numbers[n++] ?? 0, numbers[n++] ?? 0];
            from = point();
            return { kind: 'arc', from: start, to: from, centre, radius, sweep };
          }
          from = point();
          return { kind: 'line', from: start, to: from };
        });
        return { closed, segments };
      }),
    );
  }
  return lists;
}

/** A request as it goes to another thread; its buffers can be transferred. */
export interface PackedRequest extends Omit<MergeRequest, 'operands'> {
  readonly operands: readonly (Omit<MergeOperand, 'shapes'> & {
    readonly rules: readonly ('nonzero' | 'evenodd')[];
  })[];
  readonly paths: PackedPaths;
}

export function packRequest({ operands, ...rest }: MergeRequest): PackedRequest {
  return {
    ...rest,
    operands: operands.map(({ shapes, ...operand }) => ({
      ...operand,
      rules: shapes.map(({ rule }) => rule),
    })),
    paths: packPaths(operands.flatMap(({ shapes }) => shapes.map(({ paths }) => paths))),
  };
}

export function unpackRequest({ operands, paths, ...rest }: PackedRequest): MergeRequest {
  const lists = unpackPaths(paths);
  let at = 0;
  return {
    ...rest,
    operands: operands.map(({ rules, ...operand }) => ({
      ...operand,
      shapes: rules.map((rule) => ({ paths: lists[at++] ?? [], rule })),
    })),
  };
}

/** A result as it comes back from another thread. */
export interface PackedResult extends Omit<MergeResult, 'parts' | 'division'> {
  readonly turns: readonly MergePart['turns'][];
  /** Of a division instead of parts, which would say the same. */
  readonly division: (Omit<Division, 'cells'> & { readonly cells: readonly Omit<Cells, 'loops'>[] }) | null;
  readonly paths: PackedPaths;
}

export function packResult({ parts, facts, division, weave }: MergeResult): PackedResult {
  if (division) {
    const { cells } = division;
    return {
      facts,
      turns: [],
      division: { ...division, cells: cells.map(({ loops: _, ...rest }) => rest) },
      paths: packPaths(cells.map(({ loops }) => loops)),
    };
  }
  return {
    facts,
    ...(weave && { weave }),
    turns: parts.map(({ turns }) => turns),
    division: null,
    paths: packPaths(parts.map(({ loops }) => loops)),
  };
}

export function unpackResult({ facts, weave, turns, division, paths }: PackedResult): MergeResult {
  const lists = unpackPaths(paths);
  if (division) {
    const cells = division.cells.map((cell, k) => ({ ...cell, loops: lists[k] ?? [] }));
    return { facts, parts: [], division: { ...division, cells } };
  }
  return {
    facts,
    ...(weave && { weave }),
    parts: turns.map((each, k) => ({ turns: each, loops: lists[k] ?? [] })),
  };
}

/** What is transferred with a packed request or result. */
export const buffersOf = ({ paths }: { readonly paths: PackedPaths }): ArrayBufferLike[] => [
  paths.integers.buffer,
  paths.numbers.buffer,
];
