import fc from 'fast-check';
import { describe, expect, it } from 'vitest';

import { iconMotif, iconNames } from '../../../tests/help/icons';
import { requestOf } from '../../../tests/help/identities';
import { circle, motif } from '../../../tests/help/motifs';
import { arrangeOperands } from '@/core/merge/operands';
import { mergeNow, type MergeShape } from '@/core/merge';
import { arrange, FULL_TOLERANCE, type Arrangement } from './arrange';
import { coveredAnnuli } from './covered';
import { Edges } from './edges';
import { Folder } from './fold';
import { Group } from './group';
import { Sources } from './sources';
import { Vertices } from './vertices';

function annuliOf(fold: number, mirror: boolean, shapes: readonly MergeShape[]) {
  const group = new Group({ fold, mirror });
  const sources = new Sources(group);
  const vertices = new Vertices(group, 1e-6);
  const folder = new Folder(group, sources, vertices, new Edges(sources, vertices));
  const pieces = shapes.flatMap(({ paths }, index) =>
    paths.flatMap(({ segments }) => segments.flatMap((s) => folder.piecesOf(sources.add(s, index)))),
  );
  const rules = shapes.map(({ rule }) => rule);
  return coveredAnnuli(group, sources, pieces, rules, vertices.apexRadius, 1e-6);
}

function arranged(fold: number, mirror: boolean, shapes: readonly MergeShape[], coveredOnly: boolean) {
  const operands = arrangeOperands(requestOf(fold, mirror, shapes).operands, false);
  const steps = arrange({
    ...operands,
    members: operands.members.length,
    tolerance: FULL_TOLERANCE,
    coveredOnly,
  });
  for (;;) {
    const step = steps.next();
    if (step.done) return step.value;
  }
}

const livingEdges = (arrangement: Arrangement): number => arrangement.subdivision.live.length;

describe('annuli that copies cover', () => {
  it('of circles on a ring reach as far as plane geometry says, and no farther', () => {
    // At distance d the circle holds half an angle a with r² = d² + R² − 2dR cos a; n copies meet where a = π / n.
    for (const [fold, r, ring] of [
      [40, 10, 50],
      [120, 6, 50],
      [360, 20, 50],
    ] as const) {
      const half = Math.sqrt(r * r - (ring * Math.sin(Math.PI / fold)) ** 2);
      const middle = ring * Math.cos(Math.PI / fold);
      const [annulus, ...more] = annuliOf(fold, false, [{ paths: [circle(0, -ring, r)], rule: 'nonzero' }]);
      expect(more).toEqual([]);
      expect(annulus!.inner).toBeGreaterThan(middle - half);
      expect(annulus!.outer).toBeLessThan(middle + half);
      expect(annulus!.outer - annulus!.inner).toBeGreaterThan(1.7 * half);
    }
  });

  it('stop at holes, where the rule makes some', () => {
    const paths = [circle(0, 0, 60), circle(0, 0, 20), circle(0, 0, 5)];
    const [open] = annuliOf(30, false, [{ paths, rule: 'evenodd' }]);
    const full = annuliOf(30, false, [{ paths, rule: 'nonzero' }]);
    expect(open!.inner).toBeGreaterThan(20);
    expect(open!.outer).toBeGreaterThan(57);
    expect(Math.min(...full.map(({ inner }) => inner))).toBeLessThan(20);
  });

  it('hold no cell that is not covered', () => {
    fc.assert(
      fc.property(
        fc
          .integer({ min: 8, max: 90 })
          .chain((fold) => fc.tuple(fc.constant(fold), fc.boolean(), motif(fold))),
        ([fold, mirror, shapes]) => {
          const annuli = annuliOf(fold, mirror, shapes);
          if (annuli.length === 0) return;
          const bare = mergeNow(requestOf(fold, mirror, shapes)).kinds.filter(({ depth }) => depth === 0);
          for (const { inner, outer } of annuli)
            for (const cell of bare) {
              const within = cell.inner > inner && cell.inner < outer;
              expect(within || (cell.outer > inner && cell.outer < outer)).toBe(false);
            }
        },
      ),
      { numRuns: 40 },
    );
  });
});

describe('what is covered, without the cells that do not matter', () => {
  it('has the outline that it has with them', () => {
    const names = iconNames().filter((_, k) => k % 40 === 0);
    for (const [k, name] of names.entries()) {
      const fold = [72, 120, 360, 720][k % 4] as number;
      const request = requestOf(fold, k % 3 === 0, iconMotif(name));
      const [all, outline] = [mergeNow(request), mergeNow({ ...request, outlineOnly: true })];
      expect(outline.facts.loops, name).toBe(all.facts.loops);
      expect(outline.facts.segments, name).toEqual(all.facts.segments);
      expect(Math.abs(outline.facts.area / all.facts.area - 1), name).toBeLessThan(1e-9);
      expect([outline.facts.cells, outline.facts.kinds]).toEqual([null, null]);
    }
  });

  it('has that area for random motifs as well', () => {
    fc.assert(
      fc.property(
        fc.constantFrom(72, 100, 144).chain((fold) => fc.tuple(fc.constant(fold), fc.boolean(), motif(fold))),
        ([fold, mirror, shapes]) => {
          const request = requestOf(fold, mirror, shapes);
          const all = mergeNow(request);
          const size = Math.max(1, ...all.kinds.map(({ outer }) => outer));
          const outline = mergeNow({ ...request, outlineOnly: true });
          expect(Math.abs(outline.facts.area - all.facts.area)).toBeLessThan(2e-6 * size * size);
        },
      ),
      { numRuns: 40 },
    );
  });

  it('is found without dividing what lies inside', () => {
    const shapes: MergeShape[] = [{ paths: [circle(0, -50, 30)], rule: 'nonzero' }];
    expect(livingEdges(arranged(360, false, shapes, true))).toBeLessThan(
      livingEdges(arranged(360, false, shapes, false)) / 2,
    );
  });
});
