import fc from 'fast-check';
import { describe, expect, it } from 'vitest';

import { turnMap } from '../curve/affine';
import { boundsOfPaths } from '../curve/bounds';
import { mapPath, samePath, signedArea, type Path } from '../curve/path';
import { pathOfForm, type Form } from '../maker/form';
import { NO_TURN, turn } from '../number/turn';
import { MergeFailed, MergeStopped, type MergeRequest } from './merge';
import { unionOfCopies } from './union';

const circleAt = (distance: number, r: number): Path =>
  pathOfForm({ kind: 'ellipse', at: { x: 0, y: -distance }, rotation: NO_TURN, rx: r, ry: r });

const petal = (from: number, length: number, width: number, form: Partial<Form> = {}): Path =>
  pathOfForm({
    kind: 'petal',
    at: { x: 0, y: -from },
    rotation: NO_TURN,
    size: { by: 'size', length, width },
    ...form,
  } as Form);

const request = (fold: number, paths: Path[], mirror = false): MergeRequest => ({
  fold,
  mirror,
  shapes: paths.map((path) => ({ path, rule: 'nonzero' })),
});

const wholeOf = (parts: Awaited<ReturnType<typeof unionOfCopies>>['parts']): Path[] =>
  parts.flatMap(({ turns, loops }) => turns.flatMap((t) => loops.map((loop) => mapPath(loop, turnMap(t)))));

describe('the union of a round’s copies', () => {
  // Weisstein, "Circle-Circle Intersection", MathWorld; neighbours alone overlap as long as r < R sin(2π/n).
  it('of circles on a ring is n circles less n lenses', async () => {
    for (const n of [5, 6, 8, 12, 18, 30]) {
      const [R, r] = [50, 50 * Math.sin(Math.PI / n) * 1.2];
      const d = 2 * R * Math.sin(Math.PI / n);
      const lens = 2 * r * r * Math.acos(d / (2 * r)) - (d / 2) * Math.sqrt(4 * r * r - d * d);
      const { facts } = await unionOfCopies(request(n, [circleAt(R, r)]));
      expect(Math.abs(facts.area / (n * (Math.PI * r * r - lens)) - 1)).toBeLessThan(1e-6);
      expect(facts.loops).toBe(2);
    }
  });

  it('of shapes that stay apart is n of them, as one orbit', async () => {
    const { parts, facts } = await unionOfCopies(request(7, [petal(20, 40, 8)]));
    expect(parts.map(({ turns, loops }) => [turns.length, loops.length])).toEqual([[7, 1]]);
    expect(facts.loops).toBe(7);
    expect(Math.abs(facts.area / (7 * signedArea([petal(20, 40, 8)])) - 1)).toBeLessThan(1e-6);
  });

  it('of petals from the centre is one outline, whatever the fold', async () => {
    for (const n of [8, 12, 24, 60]) {
      const { facts } = await unionOfCopies(request(n, [petal(0, 60, 30)]));
      expect(facts.loops).toBe(1);
      expect(facts.nodes % n).toBe(0);
    }
  });

  it('does not count a shape twice that is its own mirror, or its own turn', async () => {
    const plain = await unionOfCopies(request(9, [petal(10, 40, 20)]));
    const mirrored = await unionOfCopies(request(9, [petal(10, 40, 20)], true));
    expect(mirrored.facts.area).toBeCloseTo(plain.facts.area, 9);
    const disc = await unionOfCopies(request(12, [circleAt(0, 30)]));
    expect(disc.facts.loops).toBe(1);
    expect(disc.facts.area).toBeCloseTo(Math.PI * 900, 2);
  });

  it('maps onto itself under the turn, or is refused', async () => {
    let refused = 0;
    await fc.assert(
      fc.asyncProperty(
        fc.integer({ min: 2, max: 16 }),
        fc.integer({ min: 0, max: 30 }),
        fc.integer({ min: 10, max: 60 }),
        fc.integer({ min: 4, max: 40 }),
        fc.integer({ min: -40, max: 40 }),
        async (fold, from, length, width, lean) => {
          const path = petal(from, length, width, { rotation: turn(lean, 360) });
          const answer = await unionOfCopies(request(fold, [path], true)).catch((error: unknown) => {
            if (error instanceof MergeFailed) return null;
            throw error;
          });
          if (!answer) {
            refused += 1;
            return;
          }
          const { parts, facts } = answer;
          const whole = wholeOf(parts);
          const turned = whole.map((loop) => mapPath(loop, turnMap(turn(1, fold))));
          for (const loop of turned) expect(whole.some((other) => samePath(loop, other, 1e-7))).toBe(true);
          const box = boundsOfPaths(whole);
          expect(facts.area).toBeLessThanOrEqual((box.right - box.left) * (box.bottom - box.top));
          expect(facts.area).toBeGreaterThanOrEqual(signedArea([path]) * 0.999);
        },
      ),
      { numRuns: 40 },
    );
    // The library cannot do about one in five hundred of these; it has to say so, and rarely.
    expect(refused).toBeLessThanOrEqual(2);
  });

  it('leaves out open paths, and of nothing makes nothing', async () => {
    const open: Path = { closed: false, segments: petal(0, 10, 4).segments };
    const { parts, facts } = await unionOfCopies(request(6, [open]));
    expect(parts).toEqual([]);
    expect(facts.area).toBe(0);
  });

  it('tells how far it is and stops when asked', async () => {
    const shares: number[] = [];
    await unionOfCopies(request(12, [petal(5, 40, 22)]), { progress: (share) => shares.push(share) });
    expect(shares.length).toBeGreaterThan(5);
    expect([...shares].sort((a, b) => a - b)).toEqual(shares);
    let asked = 0;
    const stopping = unionOfCopies(request(12, [petal(5, 40, 22)]), { stopped: () => (asked += 1) > 3 });
    await expect(stopping).rejects.toThrow(MergeStopped);
  });
});
