import fc from 'fast-check';
import { describe, expect, it } from 'vitest';

import { made } from '../../../tests/help/made';
import { circle, polygon } from '../../../tests/help/motifs';
import { applyTo, type Path, type Point, turnMap } from '@/core/curve';
import { STRAIGHT, taskOf } from '@/core/derive';
import { NO_TURN } from '@/core/number';
import { divided } from './cells';
import { mergeNow } from './engine';
import { cellAt, groupsOf, isInside } from './fused';
import type { MergeRequest } from './merge';
import { NESTED, type Nested } from './nested';
import { placedLoops } from './placed';

/** A length in tenths. */
const tenths = (min: number, max: number): fc.Arbitrary<number> =>
  fc.integer({ min: 10 * min, max: 10 * max }).map((length) => length / 10);

const anyPath: fc.Arbitrary<Path> = fc.oneof(
  fc.tuple(tenths(-25, 25), tenths(-70, -10), tenths(6, 40)).map(([x, y, r]) => circle(x, y, r)),
  fc
    .array(fc.record({ x: tenths(-40, 40), y: tenths(-80, 10) }), { minLength: 3, maxLength: 5 })
    .map((corners) => polygon(corners)),
);

/** So many cells of a division are looked at. */
const MOST_PLACES = 150;

/** The paint that is seen at a point: that of the last coat there. */
const seenAt = (coats: Nested, p: Point): number | undefined =>
  coats.findLast(({ parts }) =>
    parts.some(({ loops, turns }) => turns.some((by) => isInside(placedLoops(loops, by, false), p))),
  )?.paint;

describe('Coats of paint', () => {
  it('show in every cell the paint that it has, whatever reaches under it', () => {
    fc.assert(
      fc.property(
        fc.array(anyPath, { minLength: 1, maxLength: 3 }),
        fc.integer({ min: 1, max: 8 }),
        fc.boolean(),
        fc.boolean(),
        fc.infiniteStream(fc.integer({ min: -1, max: 3 })),
        (paths, fold, mirror, byCell, chances) => {
          const shapes = paths.map((path) => ({ paths: [path], rule: 'nonzero' as const }));
          const request: MergeRequest = {
            op: 'divide',
            among: 'copies',
            operands: [{ fold, mirror, start: NO_TURN, shapes }],
          };
          const division = divided(mergeNow(request));
          const { groups } = groupsOf(division, [], STRAIGHT);
          const paints = Object.fromEntries(
            groups.flatMap(({ copies, keys }) => {
              const refs = byCell ? copies.flatMap((copy) => copy.refs) : keys;
              return refs.flatMap((ref) => {
                const paint = chances.next().value as number;
                return paint < 0 ? [] : [[ref, paint] as const];
              });
            }),
          );
          const coats = made(STRAIGHT.ask(taskOf(NESTED, { request, paints }))!);
          const places = division.cells.flatMap(({ inside, turns, key }) =>
            turns.map((by) => ({ p: applyTo(turnMap(by), inside), key })),
          );
          // Of very many cells some, from all over.
          const step = Math.ceil(places.length / MOST_PLACES);
          for (let k = 0; k < places.length; k += step) {
            const { p, key } = places[k]!;
            const ref = cellAt(groups, p)?.copy.refs[0];
            expect(seenAt(coats, p)).toBe(paints[ref ?? ''] ?? paints[key]);
          }
        },
      ),
      { numRuns: 20, endOnFailure: true },
    );
  });
});
