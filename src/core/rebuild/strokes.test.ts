import fc from 'fast-check';
import { describe, expect, it } from 'vitest';

import { Chance } from '../../../tests/help/anyFigure';
import { distance, type Point } from '@/core/curve';
import type { HandStroke } from './handStroke';
import { strokeSymmetry } from './strokes';

const COUNT = 48;

const stroke = (id: string, points: readonly Point[], closed = false): HandStroke => ({ id, points, closed });

const turnedBy = (points: readonly Point[], degrees: number): Point[] => {
  const [sin, cos] = [Math.sin, Math.cos].map((f) => f((degrees * Math.PI) / 180)) as [number, number];
  return points.map(({ x, y }) => ({ x: x * cos - y * sin, y: x * sin + y * cos }));
};

/** A line that leans to one side, up along the axis. */
const leaf = (chance: Chance): Point[] => {
  const [bow, hook] = [chance.between(8, 16), chance.between(3, 8)];
  return Array.from({ length: COUNT }, (_, k) => {
    const t = k / (COUNT - 1);
    return { x: bow * Math.sin(Math.PI * t) + hook * t * t, y: -20 - 50 * t };
  });
};

/** As an unsteady hand draws it once more: a little turned, moved, and not quite the same. */
function byHand(chance: Chance, points: readonly Point[]): Point[] {
  const [dx, dy, more] = [chance.between(-1.5, 1.5), chance.between(-1.5, 1.5), chance.between(0.95, 1.05)];
  return turnedBy(points, chance.between(-1.5, 1.5)).map(({ x, y }, k) => ({
    x: x * more + dx + 0.6 * Math.sin(k / 5 + dx),
    y: y * more + dy,
  }));
}

const seeds = fc.integer({ min: 1, max: 1e6 });

describe('the symmetry of what a hand drew', () => {
  it('is that of strokes that are alike, some of them or all, drawn one way or the other', () => {
    fc.assert(
      fc.property(
        seeds,
        fc.integer({ min: 3, max: 12 }),
        fc.integer({ min: 2, max: 12 }),
        (seed, fold, many) => {
          const chance = new Chance(seed);
          const line = leaf(chance);
          // Two strokes by hand do not tell seven from eight.
          const drawn = Math.min(Math.max(many, fold > 5 ? 4 : 2), fold);
          const start = chance.between(-40, 40);
          const strokes = Array.from({ length: drawn }, (_, k) => {
            const own = byHand(chance, turnedBy(line, start + (360 * k) / fold));
            return stroke(`s${k}`, chance.yes() ? own : own.toReversed());
          });
          const seen = strokeSymmetry(strokes);
          expect(seen).toMatchObject({ fold, mirror: false, from: 'copies', alone: [] });
          expect(seen!.kept.map(({ id }) => id)).toEqual(['s0']);
          // Turned back to where it was drawn, it is what was drawn, as far as a hand is steady.
          const again = turnedBy(seen!.kept[0]!.points, (seen!.axis * 180) / Math.PI);
          const off = again.map((p, k) =>
            Math.min(
              ...strokes.map(({ points }) =>
                Math.min(distance(p, points[k]!), distance(p, points.at(-1 - k)!)),
              ),
            ),
          );
          expect(Math.max(...off)).toBeLessThan(12);
        },
      ),
      { numRuns: 60 },
    );
  });

  it('is a mirror where one side is the other reflected', () => {
    const chance = new Chance(5);
    const right = leaf(chance);
    const left = right.map(({ x, y }) => ({ x: -x, y }));
    const two = [stroke('a', turnedBy(right, 30)), stroke('b', byHand(chance, turnedBy(left, 30)))];
    expect(strokeSymmetry(two)).toMatchObject({ fold: 1, mirror: true, from: 'sides' });
    expect(Math.abs((strokeSymmetry(two)!.axis * 180) / Math.PI - 30)).toBeLessThan(4);
    const more = [...two, stroke('c', byHand(chance, turnedBy(right, 102)))];
    expect(strokeSymmetry(more)).toMatchObject({ fold: 5, mirror: true });
  });

  it('is that of one line that goes round, of which one step from valley to valley is kept', () => {
    fc.assert(
      fc.property(seeds, fc.integer({ min: 3, max: 16 }), (seed, fold) => {
        const chance = new Chance(seed);
        const [deep, at] = [chance.between(8, 16), chance.between(0, 360)];
        const points = Array.from({ length: 240 }, (_, k) => {
          const angle = (2 * Math.PI * k) / 240;
          const r = 50 + deep * Math.abs(Math.sin((fold * angle) / 2)) + chance.between(-0.8, 0.8);
          return { x: r * Math.sin(angle), y: -r * Math.cos(angle) };
        });
        const seen = strokeSymmetry([stroke('a', turnedBy(points, at), true)])!;
        expect(seen).toMatchObject({ fold, from: 'round' });
        const { points: kept } = seen.kept[0]!;
        const [from, to] = [kept[0]!, kept.at(-1)!];
        expect(distance(turnedBy([from], 360 / fold)[0]!, to)).toBeLessThan(1e-9);
        expect(Math.hypot(from.x, from.y)).toBeLessThan(53);
      }),
      { numRuns: 40 },
    );
  });

  it('is that in which the ends of one line meet those of its copies', () => {
    const arch = Array.from({ length: COUNT }, (_, k) => {
      const angle = ((-34 + (70 * k) / (COUNT - 1)) * Math.PI) / 180;
      const r = 40 + 20 * Math.sin((Math.PI * k) / (COUNT - 1)) + (2 * k) / COUNT;
      return { x: r * Math.sin(angle), y: -r * Math.cos(angle) };
    });
    const seen = strokeSymmetry([stroke('a', arch)])!;
    expect(seen).toMatchObject({ fold: 5, from: 'ends' });
    const { points } = seen.kept[0]!;
    expect(distance(turnedBy([points[0]!], 72)[0]!, points.at(-1)!)).toBeLessThan(1e-9);
  });

  it('is that in which copies of one closed line stand side by side', () => {
    const petal = Array.from({ length: COUNT }, (_, k) => {
      const t = (2 * Math.PI * k) / COUNT;
      return { x: 20 * Math.sin(t), y: -52 - 30 * Math.cos(t) };
    });
    expect(strokeSymmetry([stroke('a', petal, true)])).toMatchObject({ fold: 7, from: 'width', axis: 0 });
  });

  it('leaves what goes round the centre as it is, and takes along what nothing is like', () => {
    const chance = new Chance(9);
    const line = leaf(chance);
    const ring = Array.from({ length: 90 }, (_, k) => {
      const angle = (2 * Math.PI * k) / 90;
      return { x: 12 * Math.sin(angle) + 0.3, y: -12 * Math.cos(angle) };
    });
    const dot = Array.from({ length: 12 }, (_, k) => ({
      x: 60 + Math.sin(k / 2),
      y: 40 - Math.cos(k / 2),
    }));
    const seen = strokeSymmetry([
      stroke('ring', ring, true),
      ...[0, 60, 120].map((by, k) => stroke(`s${k}`, byHand(chance, turnedBy(line, by)))),
      stroke('dot', dot, true),
    ])!;
    expect(seen).toMatchObject({ fold: 6, stay: ['ring'] });
    expect(seen.alone.map(({ id }) => id)).toEqual(['dot']);
    const [at] = turnedBy([{ x: 60, y: 40 }], (seen.alone[0]!.by * 180) / Math.PI);
    const aside = Math.atan2(at!.x, -at!.y) - seen.axis;
    expect(Math.abs(aside)).toBeLessThan(Math.PI / 6 + 0.1);
  });

  it('is none where nothing speaks for one', () => {
    const chance = new Chance(2);
    const other = Array.from({ length: COUNT }, (_, k) => ({ x: 10 + k, y: -10 + 8 * Math.sin(k / 4) }));
    expect(strokeSymmetry([])).toBeNull();
    expect(strokeSymmetry([stroke('a', leaf(chance))])).toBeNull();
    expect(strokeSymmetry([stroke('a', leaf(chance)), stroke('b', other)])).toBeNull();
    const circle = Array.from({ length: 90 }, (_, k) => ({
      x: 30 * Math.sin(k / 14.3),
      y: 30 * Math.cos(k / 14.3),
    }));
    expect(strokeSymmetry([stroke('a', circle, true)])).toBeNull();
  });
});
