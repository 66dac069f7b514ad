import fc from 'fast-check';
import { describe, expect, it } from 'vitest';

import { boundsOfPaths, lengthOf, pointAt } from '@/core/curve';
import { STRAIGHT } from '@/core/derive';
import { NO_TURN, radiansOf, turn } from '@/core/number';
import type { Run } from '@/core/words';
import { partsOfForm, pathsOfForm, plainForms, type Form } from './form';
import { words, type WordsParams } from './words';

/** Letters that are boxes of an em by capitals of 0.7: what is measured of them is known. */
const box = [
  {
    closed: true,
    nodes: [
      { x: 0, y: 0, kind: 'corner' as const },
      { x: 1, y: 0, kind: 'corner' as const },
      { x: 1, y: -0.7, kind: 'corner' as const },
      { x: 0, y: -0.7, kind: 'corner' as const },
    ],
  },
];
const boxes = (count: number): Run => ({
  letters: Array.from({ length: count }, () => ({ outline: 0, advance: 1 })),
  outlines: [box],
  capHeight: 0.7,
});
const set = (count: number, part: Partial<WordsParams> = {}): WordsParams => ({
  ...words.start,
  words: { text: 'x'.repeat(count), face: 'f', run: boxes(count) },
  height: 7,
  radius: 60,
  ...part,
});
const form = (params: WordsParams): Form => ({
  kind: 'words',
  at: { x: 0, y: 0 },
  rotation: NO_TURN,
  params,
});
const partsOf = (params: WordsParams) => partsOfForm(form(params), STRAIGHT);
/** The middle of a letter's foot, in degrees clockwise from straight up, and how far out it is. */
const foot = (params: WordsParams, k: number) => {
  const side = partsOf(params)[k]![0]!.segments[0]!;
  const { x, y } = pointAt(side, 0.5);
  return { degrees: (Math.atan2(x, -y) * 180) / Math.PI, out: lengthOf({ x, y }) };
};

describe('words on a ring', () => {
  it('stand on the circle, each upright, evenly by their widths', () => {
    const params = set(3);
    // An em of 10 at radius 60 is 10 / 60 of a radian.
    const step = (10 / 60) * (180 / Math.PI);
    [0, 1, 2].forEach((k) => {
      expect(foot(params, k).out).toBeCloseTo(60, 9);
      expect(foot(params, k).degrees).toBeCloseTo((k - 1) * step, 9);
    });
    const spaced = set(3, { spacing: 5 });
    expect(foot(spaced, 2).degrees).toBeCloseTo(1.5 * step, 9);
    expect(foot(set(3, { align: 'start' }), 0).degrees).toBeCloseTo(step / 2, 9);
  });

  it('hang below the line, or are read from inside at the foot of the circle', () => {
    expect(foot(set(1, { line: 'below' }), 0).out).toBeCloseTo(53, 9);
    const inside = boundsOfPaths(pathsOfForm(form(set(1, { side: 'in' })), STRAIGHT));
    expect(inside.bottom).toBeCloseTo(60, 9);
    expect(inside.top).toBeCloseTo(53, 9);
    expect(foot(set(1, { side: 'in', line: 'below' }), 0).out).toBeCloseTo(67, 9);
    // Read from inside one goes from left to right too.
    const row = set(2, { side: 'in' });
    const left = (k: number): number => boundsOfPaths(partsOf(row)[k]!).left;
    expect(left(0)).toBeLessThan(left(1));
  });

  it('fill a span by their size, or by the room between them, to the last digits', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 2, max: 9 }),
        fc.integer({ min: 3, max: 20 }),
        fc.constantFrom('above' as const, 'below' as const),
        fc.constantFrom('in' as const, 'out' as const),
        fc.boolean(),
        (count, den, line, side, byGap) => {
          const span = turn(2, den);
          const params = set(count, {
            line,
            side,
            span,
            height: 2,
            ...(byGap ? { align: 'spread' as const } : { sizeBy: 'span' as const }),
          });
          if (words.problem(params) !== null) return;
          const [first, last] = [foot(params, 0), foot(params, count - 1)];
          const from = side === 'out' ? 0 : 180;
          const apart = (degrees: number): number => Math.abs(((degrees - from + 540) % 360) - 180);
          expect(apart(first.degrees)).toBeCloseTo(apart(last.degrees), 7);
          const facts = words.facts!(params, [], undefined);
          expect(facts[1]!.value).toBeCloseTo((radiansOf(span) * 180) / Math.PI, 5);
        },
      ),
    );
  });

  it('go all the way round with a gap after the last as between any', () => {
    const params = set(6, { span: turn(1), align: 'spread' });
    const at = [0, 1, 2, 3, 4, 5].map((k) => foot(params, k).degrees);
    at.slice(1).forEach((degrees, k) => expect(degrees - at[k]!).toBeCloseTo(60, 9));
  });

  it('are refused where they do not fit, and letters with holes when made plain', () => {
    expect(words.problem(set(60))?.code).toBe('words.long');
    expect(words.problem(set(3, { sizeBy: 'span', spacing: 500 }))?.code).toBe('words.room');
    expect(
      words.problem({ ...set(1), words: { ...set(1).words, run: { ...boxes(1), outlines: [] } } })?.code,
    ).toBe('words.blank');
    // W O R D S: three of them have a hole.
    const plain = plainForms(form(words.start), STRAIGHT);
    expect(plain).toHaveLength(5);
    expect(plain.map(({ contours }) => contours.length)).toEqual([1, 2, 2, 2, 1]);
  });
});
