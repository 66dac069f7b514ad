import fc from 'fast-check';
import { describe, expect, it } from 'vitest';

import { disc, withForms } from '../../../tests/help/figures';
import { subjectFor } from '../../../tests/help/proofs';
import { kelpCrown } from '../../../demo/pieces/kelpCrown';
import { setFold, setMerge, setStroke, withShapes } from '@/core/figure/commands';
import { type Figure, newFigure, newRound, newShape, type Round, START_PAINT } from '@/core/figure';
import { cellAt } from '@/core/merge';
import { finderOf } from './cellFinder';
import { createProving } from './proving';
import { dataOf, isWrong } from './report';
import { isStacked } from './stacking';
import { checksOf, findTarget, targetOf, TARGETS } from './target';

const print = targetOf(undefined, 'print');

describe('proofs one after another', () => {
  it('keep what did not change: another name, or what is left, draws nothing anew', async () => {
    const proving = createProving();
    const figure = kelpCrown();
    const first = await proving.prove(figure, print);
    const { scene } = proving;
    const again = await proving.prove(
      { ...structuredClone(figure), proof: { left: [first.proof.findings[0]?.key ?? ''] } },
      print,
    );
    expect(proving.scene).toBe(scene);
    expect(again.proof).toEqual(first.proof);
    const [round] = figure.rounds;
    await proving.prove(
      withShapes(figure, round!.id, new Set([round!.shapes[0]!.id]), (shape) => ({
        ...shape,
        visible: false,
      })),
      print,
    );
    expect(proving.scene).not.toBe(scene);
  });

  it('after an edit of one round find what a proof from nothing finds', async () => {
    const ring = (radius: number, size: number, gap: number, fold: number, k: number): Round => ({
      ...newRound(`r${k}`, `Ring ${k}`, fold),
      shapes: [
        newShape(`a${k}`, 'Disc', disc(-(size + gap), -radius, 2 * size), START_PAINT),
        newShape(`b${k}`, 'Other', disc(size + gap, -radius, 2 * size), START_PAINT),
      ],
    });
    const sizes = fc.record({
      size: fc.double({ min: 1, max: 5, noNaN: true }),
      gap: fc.double({ min: 0, max: 0.5, noNaN: true }),
    });
    await fc.assert(
      fc.asyncProperty(
        fc.array(sizes, { minLength: 3, maxLength: 3 }),
        fc.array(fc.constantFrom(3, 4, 6), { minLength: 3, maxLength: 3 }),
        fc.nat(2),
        sizes,
        fc.integer({ min: 15, max: 70 }),
        async (all, folds, edited, { size, gap }, radius) => {
          const rounds = all.map((each, k) => ring(20 + 22 * k, each.size, each.gap, folds[k] ?? 3, k));
          const start: Figure = { ...newFigure('Rings', 'none'), rounds };
          const after: Figure = {
            ...start,
            rounds: rounds.map((round, k) =>
              k === edited ? ring(radius, size, gap, round.rule.fold, k) : round,
            ),
          };
          const proving = createProving();
          await proving.prove(start, print);
          const { proof } = await proving.prove(after, print);
          expect(proof).toEqual((await createProving().prove(after, print)).proof);
        },
      ),
      { numRuns: 20 },
    );
  });

  it('tell how far they are, to the end', async () => {
    const told: number[] = [];
    await createProving().prove(kelpCrown(), print, { progress: (share) => told.push(share) });
    expect(told[told.length - 1]).toBe(1);
    expect(told).toEqual([...told].sort((a, b) => a - b));
  });

  it('as data leave out what is left as it is', async () => {
    const figure = setFold(withForms(disc(0, -40, 10), disc(0, -40, 10)), 'r', 5);
    const { proof } = await createProving().prove(figure, print);
    expect(isWrong(dataOf(figure, proof))).toBe(true);
    const left = { ...figure, proof: { left: proof.findings.map(({ key }) => key) } };
    expect(dataOf(left, proof).findings).toEqual([]);
    expect(isWrong(dataOf(left, proof))).toBe(false);
  });
});

describe('targets', () => {
  it('are found by id or name, those of a figure too, and know only checks that there are', () => {
    const own = [{ id: 'x', name: 'Plaque', checks: { thin: { width: 2 }, moon: {} } }];
    expect(findTarget(own, 'plaque')?.id).toBe('x');
    expect(findTarget(own, 'nothing')).toBeUndefined();
    expect(targetOf(own, undefined)).toBe(TARGETS[0]);
    expect(checksOf(findTarget(own, 'x')!).map(({ check, limits }) => [check.id, limits])).toEqual([
      ['thin', { width: 2 }],
    ]);
    for (const target of TARGETS) expect(checksOf(target)).toHaveLength(Object.keys(target.checks).length);
  });
});

describe('cells at points', () => {
  it('are those that a search through all of them finds', async () => {
    const figure = setMerge(setFold(withForms(disc(0, -40, 30)), 'r', 9), 'r', 'divide');
    const [cells] = (await subjectFor(figure)).cells;
    const finder = finderOf(cells!.groups);
    for (let k = 0; k < 200; k += 1) {
      const [r, a] = [(k * 37) % 75, k * 0.61];
      const p = { x: r * Math.sin(a), y: r * Math.cos(a) };
      expect(finder.at(p)?.copy).toBe(cellAt(cells!.groups, p)?.copy);
    }
  });
});

describe('copies that lie over one another', () => {
  const layerOf = async (radius: number, stroked: boolean) => {
    const plain = setFold(withForms(disc(0, -40, radius)), 'r', 8);
    const target = { of: 'shapes' as const, roundId: 'r', shapeIds: new Set(['s0']) };
    return (await subjectFor(stroked ? setStroke(plain, target, { width: 1 }) : plain)).scene.layers[0]!;
  };

  // Neighbours on a ring touch at r = R sin(π/n), 15.31 here.
  it('are seen to where they overlap in more than one colour', async () => {
    expect(isStacked(await layerOf(18, true))).toBe(true);
    expect(isStacked(await layerOf(18, false))).toBe(false);
    expect(isStacked(await layerOf(14, true))).toBe(false);
  });
});
