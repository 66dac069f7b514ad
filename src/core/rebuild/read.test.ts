import { describe, expect, it } from 'vitest';

import { Chance } from '../../../tests/help/anyFigure';
import { finishedArtwork, type Artwork, type Making } from '../../../tests/help/finishedArtwork';
import { shape, turnedShapes } from '../../../tests/help/finishedArtwork';
import { distance, polygonPath } from '@/core/curve';
import { circlePath } from '@/core/maker';
import { readSymmetry, type SymmetryRead } from './read';
import { marksOfRound } from './rounds';

/** What of artwork that is known was read otherwise; none where all of it is right. */
function misread({ known }: Artwork, read: SymmetryRead, making: Making): string[] {
  const notes = known.flatMap((each, k): string[] => {
    const own = new Set<unknown>(each.right);
    const mine = read.rounds.flatMap((round) => {
      const halves = [...round.halves.values()].flat();
      const marks = [...marksOfRound(round), ...halves].filter(({ node }) => own.has(node));
      return marks.length > 0 ? [{ round, count: marks.length }] : [];
    });
    const count = mine.reduce((sum, part) => sum + part.count, 0);
    const isRight = mine.every(({ round: { fold, mirror, hasAxes } }) => {
      // Reflections that happen to stand half a step from one another go round twice as often.
      if (each.mirror && fold === 2 * each.fold) return hasAxes;
      return fold === each.fold && (mirror || !each.mirror);
    });
    const folds = mine.map(({ round, count: marks }) => `${marks} of ×${round.fold}`).join(', ');
    return isRight && count === each.right.length ? [] : [`${k}: ×${each.fold} was read as ${folds}`];
  });
  const off = distance(read.centre, making.at);
  return off > read.within ? [...notes, `the centre is ${off} off`] : notes;
}

function makingOf(chance: Chance): Making {
  const isDisturbed = chance.share() < 0.4;
  return {
    chance,
    decimals: chance.yes() ? 2 : null,
    isShuffled: chance.yes(),
    at: { x: chance.between(100, 500), y: chance.between(100, 400) },
    degrees: chance.yes() ? 0 : chance.between(0, 360),
    missing: isDisturbed ? 0.1 : 0,
    off: isDisturbed ? 0.1 : 0,
  };
}

const wedge = (size: number, x = 0, y = -60) =>
  polygonPath([
    { x, y },
    { x: x + size, y: y + size / 3 },
    { x: x + size / 2, y: y + size },
  ]);

describe('the symmetry of finished artwork', () => {
  it('is read in 99 of 100 figures, turned, moved, rounded, shuffled, with copies that are missing or off', () => {
    let wrong = 0;
    const seeds = Array.from({ length: 150 }, (_, k) => 1000 + k);
    for (const seed of seeds) {
      const chance = new Chance(seed);
      const making = makingOf(chance);
      const artwork = finishedArtwork(chance.whole(1, 4), making);
      const read = readSymmetry(artwork.shapes);
      const notes = misread(artwork, read, making);
      if (notes.length > 0) wrong += 1;
      if (notes.length > 0) console.info(`seed ${seed}: ${notes.join('; ')}`);
    }
    expect(wrong).toBeLessThanOrEqual(seeds.length / 100);
  });

  it('parts folds about one centre, and leaves what goes round nothing', () => {
    const twelve = turnedShapes(wedge(10), 12, '#113d4c');
    const five = turnedShapes(wedge(14, 3, -30), 5, '#d9512c');
    const alone = shape(wedge(9, 70, 70), '#e9b44c');
    const read = readSymmetry([...twelve, ...five, alone]);
    expect(read.rounds.map(({ fold, mirror }) => [fold, mirror])).toEqual([
      [12, false],
      [5, false],
    ]);
    expect(read.blocks.filter(({ kind }) => kind === 'alone')).toMatchObject([{ marks: [{ node: alone }] }]);
    expect(read.share).toBeGreaterThan(0.9);
  });

  it('says which copies differ, and how', () => {
    const copies = turnedShapes(wedge(10), 8, '#113d4c');
    const [, , off, other, bent] = copies as [unknown, unknown, ...typeof copies];
    const moved = {
      ...off!,
      paths: off!.paths.map((path) =>
        polygonPath(path.segments.map(({ from }) => ({ x: from.x + 0.6, y: from.y }))),
      ),
    };
    const painted = { ...other!, paint: { fill: '#d9512c', stroke: null } };
    const corners = bent!.paths[0]!.segments.map(({ from }) => from);
    const formed = {
      ...bent!,
      paths: [polygonPath([...corners, { x: corners[2]!.x * 1.02, y: corners[2]!.y * 1.02 }])],
    };
    const left = copies.filter((each) => ![off, other, bent].includes(each));
    const read = readSymmetry([...left, moved, painted, formed]);
    expect(read.rounds.map(({ fold, omitted }) => [fold, omitted.length])).toEqual([[8, 3]]);
    const told = read.strays.map(({ kind, by }) => [kind, Number(by.toFixed(1))]);
    expect(told).toEqual(
      expect.arrayContaining([
        ['moved', 0.6],
        ['paint', 0],
      ]),
    );
    expect(told.map(([kind]) => kind).toSorted()).toEqual(['form', 'moved', 'paint']);
  });

  it('of a drawing that is only reflected is one axis', () => {
    const left = [wedge(10, -40, -20), wedge(16, -30, 30), circlePath({ x: -50, y: 10 }, 4)];
    const right = left.map((path) => ({
      closed: true,
      segments: path.segments.map((each) => {
        const flip = ({ x, y }: { x: number; y: number }) => ({ x: -x, y });
        return each.kind === 'arc'
          ? {
              ...each,
              from: flip(each.from),
              to: flip(each.to),
              centre: flip(each.centre),
              sweep: -each.sweep,
            }
          : { ...each, from: flip(each.from), to: flip(each.to) };
      }),
    }));
    const read = readSymmetry([...left, ...right].map((path) => shape(path, '#113d4c')));
    expect(read.rounds.map(({ fold, mirror, start }) => [fold, mirror, start.num])).toEqual([[1, true, 0]]);
    expect(read.centre.x).toBeCloseTo(0, 9);
    expect(read.share).toBeCloseTo(1, 9);
  });

  it('of one path with many contours is that of its contours', () => {
    const copies = turnedShapes(wedge(10), 9, '#113d4c');
    const one = { ...copies[0]!, paths: copies.flatMap(({ paths }) => paths) };
    expect(readSymmetry([one]).rounds.map(({ fold }) => fold)).toEqual([9]);
  });

  it('is none where there is none', () => {
    const chance = new Chance(5);
    const shapes = Array.from({ length: 12 }, () =>
      shape(wedge(chance.between(4, 9), chance.between(-80, 80), chance.between(-80, 80)), '#113d4c'),
    );
    const read = readSymmetry(shapes);
    expect([read.rounds.length, read.share]).toEqual([0, 0]);
    expect(readSymmetry([])).toMatchObject({ blocks: [], share: 0 });
  });

  it('lets textures be, however many contours they have', () => {
    const dots = Array.from({ length: 4500 }, (_, k) => wedge(0.5, (k % 70) * 2, Math.floor(k / 70) * 2));
    const texture = { ...shape(dots[0]!, '#113d4c'), paths: dots };
    const read = readSymmetry([texture, ...turnedShapes(wedge(30), 6, '#d9512c')]);
    expect(read.rounds.map(({ fold }) => fold)).toEqual([6]);
  });

  it('tells other centres, and is read about one of them where that is asked for', () => {
    const here = turnedShapes(wedge(10), 7, '#113d4c');
    const there = turnedShapes(wedge(6, 2, -20), 5, '#d9512c').map((each) => ({
      ...each,
      paths: each.paths.map((path) =>
        polygonPath(path.segments.map(({ from }) => ({ x: from.x + 200, y: from.y + 40 }))),
      ),
    }));
    const read = readSymmetry([...here, ...there]);
    expect(read.rounds.map(({ fold }) => fold)).toEqual([7]);
    expect(read.others).toMatchObject([{ fold: 5, count: 5 }]);
    const [other] = read.others;
    expect(distance(other!.at, { x: 200, y: 40 })).toBeLessThan(read.within);
    expect(readSymmetry([...here, ...there], { centre: other!.at }).rounds.map(({ fold }) => fold)).toEqual([
      5,
    ]);
  });
});
