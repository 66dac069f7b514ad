import { describe, expect, it } from 'vitest';

import type { Path } from '../curve/path';
import { signedArea } from '../curve/path';
import { line } from '../curve/segment';
import { NO_TURN } from '../number/turn';
import { MergeFailed, type MergeOperand } from './merge';
import {
  attempt,
  keepOutlines,
  makeOutlines,
  nameOfTask,
  outlinesOfTask,
  takesLong,
  type OutlineTask,
} from './outlines';

/** A regular polygon as a path. */
function ring(n: number, r: number): Path {
  const at = (k: number) => ({
    x: r * Math.sin((2 * Math.PI * k) / n),
    y: -r * Math.cos((2 * Math.PI * k) / n),
  });
  return { closed: true, segments: Array.from({ length: n }, (_, k) => line(at(k), at((k + 1) % n))) };
}

const operand = (path: Path): MergeOperand => ({
  fold: 1,
  mirror: false,
  start: NO_TURN,
  shapes: [{ paths: [path], rule: 'nonzero' }],
});

const subtraction = (n: number, r = 20): OutlineTask => ({
  kind: 'merge',
  request: {
    op: 'subtract',
    among: 'operands',
    quality: 'full',
    operands: [operand(ring(n, 50)), operand(ring(n, r))],
  },
});

const area = (n: number, r: number): number => (n / 2) * r * r * Math.sin((2 * Math.PI) / n);

describe('outlines that take work', () => {
  it('are made in passing where that is a moment, in an attempt too', () => {
    const task = subtraction(8);
    expect(takesLong(task)).toBe(false);
    const tried = attempt(() => outlinesOfTask(task));
    expect(tried.done && signedArea(tried.value.flat())).toBeCloseTo(area(8, 50) - area(8, 20), 9);
  });

  it('that take long end an attempt, and are there for the next one once they were made', () => {
    const task = subtraction(900);
    const work = (): number => signedArea(outlinesOfTask(task).flat());
    const first = attempt(work);
    expect(first).toEqual({ done: false, needs: task });
    const shares: number[] = [];
    keepOutlines(
      nameOfTask(task),
      makeOutlines(task, (share) => shares.push(share)),
    );
    const second = attempt(work);
    expect(second.done && second.value).toBeCloseTo(area(900, 50) - area(900, 20), 6);
    expect(shares.length).toBeGreaterThan(3);
    expect(shares.every((share) => share >= 0 && share <= 1)).toBe(true);
  });

  it('are made however long it takes outside of an attempt', () => {
    expect(signedArea(outlinesOfTask(subtraction(800)).flat())).toBeCloseTo(area(800, 50) - area(800, 20), 6);
  });

  it('that cannot be made say so each time they are asked for', () => {
    const task = subtraction(901);
    keepOutlines(nameOfTask(task), { problem: 'Too much.' });
    expect(() => outlinesOfTask(task)).toThrow(new MergeFailed('Too much.'));
    expect(() => attempt(() => outlinesOfTask(task))).toThrow('Too much.');
  });

  it('of forty tasks are kept, the latest', () => {
    const task = subtraction(902);
    keepOutlines(nameOfTask(task), { outlines: [] });
    expect(attempt(() => outlinesOfTask(task)).done).toBe(true);
    for (let k = 0; k < 40; k += 1) keepOutlines(`other ${k}`, { outlines: [] });
    expect(attempt(() => outlinesOfTask(task)).done).toBe(false);
  });

  it('of many dashes take long, and of the same line without do not', () => {
    const look = {
      width: 1,
      side: 'middle',
      join: 'miter',
      limit: 4,
      cap: 'butt',
      widths: [],
    } as const;
    const paths = [{ closed: false, segments: [line({ x: 0, y: 0 }, { x: 1000, y: 0 })] }];
    expect(takesLong({ kind: 'bands', paths, look: { ...look, dashes: [] } })).toBe(false);
    expect(takesLong({ kind: 'bands', paths, look: { ...look, dashes: [1, 1] } })).toBe(true);
  });
});
