import { type Form, pathsOfForm, petalOfSize } from '@/core/maker';
import { STRAIGHT } from '@/core/derive';
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';

import { areaOf, clipper, flatCopies } from '../../../tests/help/clipper';
import { iconMotif, iconNames } from '../../../tests/help/icons';
import { brokenIdentities, coveredArea, requestOf } from '../../../tests/help/identities';
import { asymmetry, nodesOf, wholeOf } from '../../../tests/help/symmetry';
import { anyFold, circle, motif, polygon } from '../../../tests/help/motifs';
import {
  arcFromBulge,
  compose,
  fromPolar,
  lengthOf,
  line,
  mapPath,
  MIRROR,
  type Path,
  signedArea,
  turnMap,
} from '@/core/curve';
import { NO_TURN, turn } from '@/core/number';
import { merge, mergeNow } from './engine';
import { MergeStopped, type MergeOperand, type MergeShape } from './merge';
import { stabilizerOrder } from './operands';
import { packRequest, packResult, unpackRequest, unpackResult } from './pack';

/** The first path of a form. */
const pathOfForm = (form: Form): Path => pathsOfForm(form, STRAIGHT)[0]!;

const filled = (...paths: Path[]): MergeShape[] => paths.map((path) => ({ paths: [path], rule: 'nonzero' }));

const petal = (from: number, length: number, width: number): Path =>
  pathOfForm({
    kind: 'petal',
    at: { x: 0, y: -from },
    rotation: NO_TURN,
    params: petalOfSize(length, width),
  });

describe('union of a round’s copies', () => {
  // Weisstein, "Circle-Circle Intersection", MathWorld; neighbours alone overlap as long as r < R sin(2π/n).
  it('of circles on a ring is n circles less n lenses, to 1e-9, its arcs still arcs', () => {
    for (const n of [5, 6, 8, 12, 18, 30, 90, 360]) {
      const [R, r] = [50, 50 * Math.sin(Math.PI / n) * 1.2];
      const d = 2 * R * Math.sin(Math.PI / n);
      const lens = 2 * r * r * Math.acos(d / (2 * r)) - (d / 2) * Math.sqrt(4 * r * r - d * d);
      const { facts } = mergeNow(requestOf(n, false, filled(circle(0, -R, r))));
      expect(Math.abs(facts.area / (n * (Math.PI * r * r - lens)) - 1)).toBeLessThan(1e-9);
      expect([facts.loops, facts.segments.cubic, facts.segments.line]).toEqual([2, 0, 0]);
      // An outer and an inner arc of each circle, cut only where circles cross and at the two nodes it was drawn with.
      expect(facts.nodes).toBe(4 * n);
    }
  });

  it('of shapes that stay apart is n of them, as one orbit, as they were drawn', () => {
    const { parts, facts } = mergeNow(requestOf(7, false, filled(petal(20, 40, 8))));
    expect(parts.map(({ turns, loops }) => [turns.length, loops.length])).toEqual([[7, 1]]);
    expect(facts.loops).toBe(7);
    expect(facts.nodes).toBe(7 * petal(20, 40, 8).segments.length);
    expect(Math.abs(facts.area / (7 * signedArea([petal(20, 40, 8)])) - 1)).toBeLessThan(1e-12);
  });

  it('of a star’s points has the published inner corners', () => {
    // Coxeter, "Regular Polytopes": inner corners of {n/k} at R cos(πk/n) / cos(π(k−1)/n); here {n/2} of n triangles.
    for (const n of [5, 7, 12, 60]) {
      const tip = fromPolar(10, 0);
      const inner = (10 * Math.cos((2 * Math.PI) / n)) / Math.cos(Math.PI / n);
      const slice = polygon([{ x: 0, y: 0 }, fromPolar(inner, -180 / n), tip, fromPolar(inner, 180 / n)]);
      const { parts, facts } = mergeNow(requestOf(n, true, filled(slice)));
      expect([facts.loops, facts.nodes, facts.segments.line]).toEqual([1, 2 * n, 2 * n]);
      const radii = nodesOf(wholeOf({ parts }))
        .map(lengthOf)
        .sort((a, b) => a - b);
      expect(radii[0]).toBeCloseTo(inner, 11);
      expect(radii.at(-1)).toBeCloseTo(10, 11);
    }
  });

  it('has no seams: squares side by side are one bar, a disc cut by rays one disc', () => {
    const bar = polygon([
      { x: -5, y: -2 },
      { x: 5, y: -2 },
      { x: 5, y: 2 },
      { x: -5, y: 2 },
    ]);
    const shifted = mapPath(bar, { a: 1, b: 0, c: 0, d: 1, e: 4, f: 0 });
    const two = mergeNow(requestOf(2, false, filled(shifted)));
    expect(two.facts.nodes).toBe(4);
    expect(two.facts.area).toBeCloseTo(18 * 4, 12);
    const disc = mergeNow(requestOf(12, true, filled(circle(0, 0, 30))));
    expect(disc.facts).toMatchObject({ loops: 1, nodes: 2, segments: { arc: 2 } });
    expect(disc.facts.area).toBeCloseTo(Math.PI * 900, 9);
    const quarter: Path = {
      closed: true,
      segments: [
        line({ x: 0, y: 0 }, { x: 0, y: -10 }),
        arcFromBulge({ x: 0, y: -10 }, { x: 10, y: 0 }, Math.tan(Math.PI / 8)),
        line({ x: 10, y: 0 }, { x: 0, y: 0 }),
      ],
    };
    expect(mergeNow(requestOf(4, false, filled(quarter))).facts).toMatchObject({ loops: 1, nodes: 2 });
  });

  it('keeps holes the other way round, inside the part they belong to', () => {
    const ring: MergeShape = { paths: [circle(0, -60, 20), circle(0, -60, 8)], rule: 'evenodd' };
    for (const mirror of [false, true]) {
      const { parts } = mergeNow(requestOf(6, mirror, [ring]));
      expect(parts).toHaveLength(1);
      expect(parts[0]!.turns).toHaveLength(6);
      expect(parts[0]!.loops.map((loop) => Math.sign(signedArea([loop]))).sort()).toEqual([-1, 1]);
    }
    const chained = mergeNow(requestOf(12, false, [ring]));
    expect(chained.parts).toHaveLength(1);
    expect(chained.parts[0]!.turns).toHaveLength(1);
    expect(chained.facts.loops).toBe(2 + 12 + chained.parts[0]!.loops.length - 14);
  });

  it('does not count a shape twice that is its own mirror or its own turn', () => {
    expect(stabilizerOrder([petal(10, 40, 20)], { fold: 9, mirror: true })).toBe(2);
    expect(stabilizerOrder([circle(0, 0, 7)], { fold: 9, mirror: true })).toBe(18);
    expect(
      stabilizerOrder([polygon([0, 90, 180, 270].map((a) => fromPolar(5, a)))], { fold: 12, mirror: true }),
    ).toBe(8);
    expect(stabilizerOrder([petal(10, 40, 20), circle(3, 0, 2)], { fold: 9, mirror: true })).toBe(1);
    const odd = mergeNow(requestOf(9, true, filled(petal(30, 20, 4)), 'exclusion'));
    expect(odd.facts.area / signedArea([petal(30, 20, 4)])).toBeCloseTo(9, 9);
  });
});

describe('operations', () => {
  const discs = filled(circle(0, -30, 40));

  it('agree with each other and with a polygon library: union, exclusion, intersection and at least k', async () => {
    const library = await clipper();
    for (const [fold, mirror] of [
      [2, false],
      [3, true],
      [5, false],
      [8, true],
      [48, false],
    ] as const) {
      const shapes = filled(circle(4, -30, 40));
      const union = mergeNow(requestOf(fold, mirror, shapes));
      const copies = mirror ? 2 * fold : fold;
      const area = (op: Parameters<typeof requestOf>[3], times?: number) =>
        mergeNow({ ...requestOf(fold, mirror, shapes, op), ...(times === undefined ? {} : { times }) }).facts
          .area;
      expect(area('exclusion')).toBeCloseTo(
        coveredArea(union, (depth) => depth % 2),
        7,
      );
      expect(area('intersection')).toBeCloseTo(
        coveredArea(union, (depth) => (depth === copies ? 1 : 0)),
        7,
      );
      expect(area('divide')).toBeCloseTo(
        coveredArea(union, () => 1),
        7,
      );
      // Layer-cake formula: the areas covered at least k times add up to the copies’ areas.
      const layers = Array.from({ length: copies }, (_, k) => area('atLeast', k + 1));
      expect(layers.reduce((sum, each) => sum + each, 0) / (copies * Math.PI * 1600)).toBeCloseTo(1, 9);
      expect(layers[0]).toBeCloseTo(union.facts.area, 9);
      // Within what flattening leaves out, by other code from the copies themselves.
      const turns = Array.from({ length: fold }, (_, j) => turnMap(turn(j, fold)));
      const maps = mirror ? turns.flatMap((map) => [map, compose(map, MIRROR)]) : turns;
      const flat = library.UnionSelfD(flatCopies(library, shapes, maps, 1e-4), library.FillRule.NonZero, 6);
      expect(areaOf(library, flat) / union.facts.area).toBeCloseTo(1, 4);
    }
  });

  it('subtract and combine rounds of different folds under the fold they share', () => {
    const operand = (fold: number, shapes: MergeShape[], start = NO_TURN, mirror = false): MergeOperand => ({
      fold,
      mirror,
      start,
      shapes,
    });
    // 6 and 9 share 3. Discs on separate rings: areas are exact whatever the other round does.
    const ring = operand(1, filled(circle(0, 0, 60)));
    const holes = operand(6, filled(circle(0, -40, 5)));
    const more = operand(9, filled(circle(0, -20, 3)), turn(1, 18), true);
    const request = { among: 'operands' } as const;
    const cut = mergeNow({ ...request, op: 'subtract', operands: [ring, holes, more] });
    expect(cut.facts.area).toBeCloseTo(Math.PI * (3600 - 6 * 25 - 9 * 9), 9);
    expect(cut.facts.loops).toBe(16);
    const both = mergeNow({
      ...request,
      op: 'intersection',
      operands: [holes, operand(4, filled(circle(0, -40, 5)))],
    });
    // Turned by multiples of 60° and of 90°: only those at 0° and 180° coincide.
    expect(both.facts.area).toBeCloseTo(2 * Math.PI * 25, 9);
    expect(both.facts.loops).toBe(2);
    const one = mergeNow({ ...request, op: 'exclusion', operands: [ring, holes] });
    expect(one.facts.area).toBeCloseTo(Math.PI * (3600 - 150), 9);
    const far = mergeNow({
      ...request,
      op: 'union',
      operands: [operand(5, discs), operand(7, discs, turn(1, 100))],
    });
    expect(far.parts.every(({ turns }) => turns.length === 1)).toBe(true);
  });

  it('leave out open paths but for the cells they make, and of nothing make nothing', () => {
    const open: Path = { closed: false, segments: petal(0, 10, 4).segments };
    expect(mergeNow(requestOf(6, false, filled(open))).parts).toEqual([]);
    expect(mergeNow(requestOf(2, false, filled(open), 'divide')).facts).toMatchObject({ cells: 2, kinds: 1 });
  });
});

describe('any motif', () => {
  it('keeps every identity of areas, operations and symmetry', () => {
    const cases = anyFold.chain((fold) =>
      fc.tuple(fc.constant(Math.min(fold, 16)), fc.boolean(), motif(fold)),
    );
    fc.assert(
      fc.property(cases, ([fold, mirror, shapes]) => {
        expect(brokenIdentities(fold, mirror, shapes)).toEqual([]);
      }),
      { numRuns: 40, seed: 7 },
    );
  });

  it('maps onto itself within 1e-12 of its size', () => {
    const cases = anyFold.chain((fold) =>
      fc.tuple(fc.constant(Math.min(fold, 16)), fc.boolean(), motif(fold)),
    );
    fc.assert(
      fc.property(cases, ([fold, mirror, shapes]) => {
        // A whole circle about the centre has two nodes, whatever the fold; the curve is symmetric, its nodes are not.
        fc.pre(
          shapes.every(({ paths }) =>
            paths.every(({ segments }) => segments.every((s) => s.kind !== 'arc' || lengthOf(s.centre) > 0)),
          ),
        );
        expect(asymmetry(mergeNow(requestOf(fold, mirror, shapes)), fold, mirror)).toBeLessThan(1e-12);
      }),
      { numRuns: 40, seed: 11 },
    );
  });
});

describe('a corpus of icons', () => {
  const names = iconNames();
  const sample = names.filter((_, k) => k % Math.ceil(names.length / 300) === 0);

  it('unites at folds 5, 12 and 60 without exception, wrong area or asymmetry', async () => {
    const library = await clipper();
    for (const [k, name] of sample.entries()) {
      const shapes = iconMotif(name);
      // All at one fold, a third of them at others too: `npm run bench` takes the whole corpus.
      for (const fold of k % 3 === 0 ? [5, 12, 60] : [5]) {
        const mirror = k % 4 === 0;
        const merged = mergeNow(requestOf(fold, mirror, shapes));
        expect(asymmetry(merged, fold, mirror), `${name} at ${fold}`).toBeLessThan(1e-12);
        const cells = coveredArea(merged, (depth) => (depth > 0 ? 1 : 0));
        expect(Math.abs(merged.facts.area / cells - 1), `${name} at ${fold}`).toBeLessThan(1e-6);
        // The reference flattens and rounds; a fifteenth of the icons, at one fold each, is enough of it here.
        if (k % 15 !== 0 || fold !== [5, 12, 60][(k / 15) % 3]) continue;
        const turns = Array.from({ length: fold }, (_, j) => turnMap(turn(j, fold)));
        const maps = mirror ? turns.flatMap((map) => [map, compose(map, MIRROR)]) : turns;
        const flat = library.UnionSelfD(flatCopies(library, shapes, maps, 1e-4), library.FillRule.NonZero, 6);
        expect(Math.abs(areaOf(library, flat) / merged.facts.area - 1), `${name} at ${fold}`).toBeLessThan(
          1e-3,
        );
      }
    }
  }, 120_000);
});

describe('following and stopping', () => {
  const heavy = requestOf(
    60,
    false,
    filled(...Array.from({ length: 24 }, (_, k) => circle(k, -40 - k, 30 - k))),
  );

  it('tells how far it is, and stops when asked', async () => {
    const shares: number[] = [];
    await merge(heavy, { progress: (share) => shares.push(share) });
    expect(shares.length).toBeGreaterThan(2);
    expect([...shares].sort((a, b) => a - b)).toEqual(shares);
    let asked = 0;
    await expect(merge(heavy, { stopped: () => (asked += 1) > 1 })).rejects.toThrow(MergeStopped);
  });
});

it('packed for another thread and unpacked, requests and results are the same', () => {
  const request = requestOf(7, true, [
    ...filled(petal(5, 40, 22), circle(3, -9, 4)),
    { paths: [], rule: 'evenodd' },
  ]);
  expect(unpackRequest(packRequest(request))).toEqual(request);
  const merged = mergeNow(request);
  expect(unpackResult(packResult(merged))).toEqual({ parts: merged.parts, facts: merged.facts });
});
