import { differenceEuclidean, parse } from 'culori';
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';

import { coloursOfPlaces, directionOf, rampColour, ringsOfPlaces, type PlacedRegion } from './sequence';

const [A, B, C] = ['#aa0000', '#00bb00', '#0000cc'] as const;

/** Cells of a dial: rings outward, sectors clockwise from the top. */
const dial = (rings: number, sectors: number): PlacedRegion[] =>
  Array.from({ length: rings }, (_, ring) =>
    Array.from({ length: sectors }, (_, k): PlacedRegion => {
      const angle = (2 * Math.PI * (k + 0.5)) / sectors;
      const r = 10 * ring + 15;
      return {
        at: { x: r * Math.sin(angle), y: -r * Math.cos(angle) },
        inner: r - 5,
        outer: r + 5,
        depth: rings - ring,
      };
    }),
  ).flat();

describe('a ramp', () => {
  it('is each of its colours to the bit where that lies, and mixed between', () => {
    expect([0, 0.5, 1].map((share) => rampColour([A, B, C], share))).toEqual([A, B, C]);
    expect(rampColour([A, B], 0.5)).not.toBe(A);
    expect(rampColour([A], 0.7)).toBe(A);
  });

  it('mixes black and white to the OKLab grey of lightness one half', () => {
    // CSS Color 4, section 9.2: L of OKLab to the third power is the linear grey; 0.125 of it is sRGB 0.3885 (from memory of the curve).
    const linear = 0.5 ** 3;
    const srgb = 1.055 * linear ** (1 / 2.4) - 0.055;
    const level = Math.round(255 * srgb).toString(16);
    expect(rampColour(['#000000', '#ffffff'], 0.5)).toBe(`#${level}${level}${level}`);
  });

  it('comes nearer to its end as its share grows', () => {
    const far = differenceEuclidean('oklab');
    const away = (share: number): number => far(parse(rampColour([A, C], share))!, parse(C)!);
    for (let k = 1; k < 20; k += 1) expect(away(k / 20)).toBeLessThan(away((k - 1) / 20));
  });
});

describe('colours by place', () => {
  it('find rings by where they begin and end, from the centre outward', () => {
    const rings = ringsOfPlaces([...dial(3, 5)].reverse());
    expect(rings).toEqual([
      ...Array<number>(5).fill(2),
      ...Array<number>(5).fill(1),
      ...Array<number>(5).fill(0),
    ]);
  });

  it('of rings go through a ramp, one colour to a ring', () => {
    const colours = coloursOfPlaces(dial(3, 8), { by: 'ring', colours: [A, B, C], shift: 0 });
    expect(colours).toEqual([
      ...Array<string>(8).fill(A),
      ...Array<string>(8).fill(B),
      ...Array<string>(8).fill(C),
    ]);
  });

  it('of sectors repeat clockwise from the top, each ring shifted', () => {
    const colours = coloursOfPlaces(dial(2, 8), { by: 'sector', colours: [A, B, A, C], shift: 1 });
    expect(colours.slice(0, 8)).toEqual([A, B, A, C, A, B, A, C]);
    expect(colours.slice(8)).toEqual([B, A, C, A, B, A, C, A]);
  });

  it('make a chessboard of two colours and a shift of one: no cell has the colour of a neighbour', () => {
    fc.assert(
      fc.property(fc.integer({ min: 1, max: 6 }), fc.integer({ min: 2, max: 12 }), (rings, half) => {
        const n = 2 * half;
        const colours = coloursOfPlaces(dial(rings, n), { by: 'sector', colours: [A, B], shift: 1 });
        for (let r = 0; r < rings; r += 1)
          for (let k = 0; k < n; k += 1) {
            expect(colours[r * n + k]).not.toBe(colours[r * n + ((k + 1) % n)]);
            if (r > 0) expect(colours[r * n + k]).not.toBe(colours[(r - 1) * n + k]);
          }
      }),
    );
  });

  it('by overlap give the same depth the same colour, the least covered first', () => {
    const colours = coloursOfPlaces(dial(3, 4), { by: 'overlap', colours: [A, C], shift: 0 });
    expect(colours[11]).toBe(A);
    expect(colours[0]).toBe(C);
    expect(new Set(colours).size).toBe(3);
  });

  it('by distance begin at the nearest and end at the farthest; by direction they come back to the first', () => {
    const places = dial(4, 12);
    const byDistance = coloursOfPlaces(places, { by: 'distance', colours: [A, C], shift: 0 });
    expect([byDistance[0], byDistance[47]]).toEqual([A, C]);
    const top: PlacedRegion = { at: { x: 0, y: -9 }, inner: 8, outer: 10, depth: 1 };
    const opposite: PlacedRegion = { ...top, at: { x: 0, y: 9 } };
    expect(coloursOfPlaces([top, opposite], { by: 'direction', colours: [A, B], shift: 0 })).toEqual([A, B]);
  });

  it('need a colour', () => {
    expect(() => coloursOfPlaces(dial(1, 3), { by: 'ring', colours: [], shift: 0 })).toThrow(
      'Choose one colour',
    );
  });
});

it('directions are clockwise from straight up, in turns', () => {
  const quarters = [
    { x: 0, y: -1 },
    { x: 1, y: 0 },
    { x: 0, y: 1 },
    { x: -1, y: 0 },
  ];
  expect(quarters.map(directionOf)).toEqual([0, 0.25, 0.5, 0.75]);
});
