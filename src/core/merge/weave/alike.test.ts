import { describe, expect, it } from 'vitest';

import { circle, polygon } from '../../../../tests/help/motifs';
import { distance, fromPolar } from '@/core/curve';
import { alikeAmong, onceForAll } from './alike';
import { pairsAmong } from './meetings';
import { pointOnStrand, strandsOf } from './strands';

const FOLD = 9;
const ring = { paths: [circle(0, 0, 31)] };
const star = {
  paths: [circle(2, -22, 14), polygon([fromPolar(30, 3), fromPolar(40, 17), fromPolar(18, 12)])],
};

describe('strands that turns make of one another', () => {
  const strands = strandsOf([star, ring], FOLD, true, 1e-9);
  const alike = alikeAmong(strands, FOLD);

  it('know which they are, but for lines that turns leave where they are', () => {
    strands.forEach(({ line, copy }, k) => {
      expect(copy === null).toBe(line === 1);
      const next = strands[alike.turned(k, 1)]!;
      if (copy) expect(next.copy).toEqual({ first: copy.first, step: (copy.step + 1) % FOLD });
      else expect(next).toBe(strands[k]);
    });
  });

  it('stand to one another alike where a turn takes one pair to another', () => {
    let worked = 0;
    const apart = onceForAll(alike, (a, b) => {
      worked += 1;
      return [pointOnStrand(strands[a]!, 3), pointOnStrand(strands[b]!, 5)] as const;
    });
    strands.forEach((p, a) =>
      strands.forEach((q, b) => {
        const { found, steps } = apart(a, b);
        expect(distance(alike.turnedPoint(found[0], steps), pointOnStrand(p, 3))).toBeLessThan(1e-12);
        expect(distance(alike.turnedPoint(found[1], steps), pointOnStrand(q, 5))).toBeLessThan(1e-12);
      }),
    );
    expect(worked).toBeLessThan(strands.length ** 2 / 4);
  });

  it('meet in the places in which they meet where each pair is looked at by itself', () => {
    const alone = alikeAmong(
      strands.map((strand) => ({ ...strand, copy: null })),
      FOLD,
    );
    // Narrow bands, so that each place where they lie beside one another is one for certain.
    for (const half of [0.2, 0.4]) {
      const placesOf = (of: typeof alike): string[] =>
        pairsAmong(of, () => half, 0.1, 1e-9)
          .pairs.map(({ at, spots, isThrough }) =>
            [at.x + 1e-4, at.y + 1e-4]
              .map((v) => v.toFixed(2))
              .concat(
                spots
                  .map(({ strand }) => strand)
                  .sort((a, b) => a - b)
                  .join(),
                String(isThrough),
              )
              .join(' '),
          )
          .sort();
      expect(placesOf(alike)).toEqual(placesOf(alone));
    }
  });
});
