import { describe, expect, it } from 'vitest';

import { Chance } from '../../../tests/help/anyFigure';
import {
  anyStand,
  drawnRosette,
  flower,
  pencilled,
  photographed,
  pictureOf,
  type Stand,
} from '../../../tests/help/seen';
import { averaged } from './average';
import { readPicture } from './readPicture';
import type { ColourPicture } from './tone';

interface Case {
  readonly svg: (chance: Chance, stand: Stand) => string;
  readonly fold: number;
  readonly mirror: boolean;
  readonly noise: number;
  readonly light: number;
  readonly tilt: number;
}

const drawn = (fold: number, mirror: boolean): Pick<Case, 'svg' | 'fold' | 'mirror'> => ({
  fold,
  mirror,
  svg: (chance, stand) => drawnRosette(chance, fold, mirror, stand),
});

const CASES: readonly Case[] = [
  { ...drawn(3, false), noise: 0, light: 0, tilt: 0 },
  { ...drawn(12, true), noise: 0, light: 0, tilt: 0 },
  { ...drawn(37, false), noise: 0, light: 0, tilt: 0 },
  { ...drawn(2, true), noise: 10, light: 0.3, tilt: 0 },
  { ...drawn(5, true), noise: 40, light: 0.5, tilt: 6 },
  { ...drawn(18, false), noise: 30, light: 0.5, tilt: 4 },
  { svg: (c, s) => flower(c, 13, s), fold: 13, mirror: true, noise: 8, light: 0.3, tilt: 3 },
  { svg: (c, s) => flower(c, 6, s), fold: 6, mirror: true, noise: 20, light: 0.4, tilt: 5 },
  { svg: (c, s) => pencilled(c, 8, s), fold: 8, mirror: true, noise: 10, light: 0.3, tilt: 5 },
];

/** The mean difference of two pictures over what both show. */
function apart(a: ColourPicture, b: ColourPicture): number {
  let [sum, count] = [0, 0];
  for (let k = 0; k < a.data.length; k += 4) {
    if (!a.data[k + 3] || !b.data[k + 3]) continue;
    for (const channel of [0, 1, 2]) sum += Math.abs((a.data[k + channel] ?? 0) - (b.data[k + channel] ?? 0));
    count += 3;
  }
  return sum / count;
}

describe('the symmetry of a picture', () => {
  it.each(CASES.map((each, k) => [k + 1, each] as const))(
    'is read whatever the light and the hand: case %i',
    (seed, { svg, fold, mirror, noise, light, tilt }) => {
      const chance = new Chance(seed);
      const stand = anyStand(chance);
      const picture = photographed(pictureOf(svg(chance, stand)), { chance, noise, light, tilt });
      const read = readPicture(picture);
      expect(read?.folds[0]).toMatchObject({ fold, mirror });
      // Held aslant the centre is seen elsewhere than it was drawn.
      if (tilt === 0) expect(Math.hypot(read!.seat.x - stand.x, read!.seat.y - stand.y)).toBeLessThan(2);
      expect(read!.reach).toBeGreaterThan(0.8 * stand.size);
    },
  );

  it('is said to be none where nothing repeats, or all is round', () => {
    const svg = (inner: string): ColourPicture =>
      pictureOf(
        `<svg xmlns="http://www.w3.org/2000/svg" width="300" height="240"><rect width="300" height="240" fill="#fff"/>${inner}</svg>`,
      );
    const scattered =
      '<path d="M40 40l90 20-30 60z" fill="#113d4c"/><circle cx="210" cy="70" r="34" fill="#d9512c"/><path d="M150 200c60-90 90 10 120-20v30z" fill="#1f8a76"/>';
    expect(readPicture(svg(scattered))).toBeNull();
    const rings = [90, 60, 30].map(
      (r) => `<circle cx="150" cy="120" r="${r}" stroke="#113d4c" stroke-width="5" fill="none"/>`,
    );
    expect(readPicture(svg(rings.join('')))).toBeNull();
    expect(readPicture(svg(''))).toBeNull();
    expect(readPicture({ width: 5, height: 5, data: new Uint8ClampedArray(100) })).toBeNull();
  });

  it('lets noise, damage and a slanting view fall away in the average of the copies', () => {
    const chance = new Chance(11);
    const stand = { x: 300, y: 330, size: 220, degrees: 17 };
    const clean = pictureOf(drawnRosette(chance, 9, false, stand));
    const spoilt = photographed(clean, { chance, noise: 40, light: 0.2, tilt: 5 });
    // A white bar over a copy.
    for (let y = 150; y < 260; y += 1)
      for (let x = 330; x < 400; x += 1) spoilt.data.set([255, 255, 255], 4 * (y * spoilt.width + x));
    const read = readPicture(spoilt)!;
    const [{ fold, axes }] = read.folds as [(typeof read.folds)[number]];
    const from = (picture: ColourPicture, parts: number) =>
      averaged(
        picture,
        { seat: read.seat, reach: read.reach, fold: parts, mirror: false, axis: axes.plain },
        400,
      );
    const mean = from(spoilt, fold);
    // Of a fold of one the average is the picture itself, seen straight.
    expect(
      apart(mean, from(photographed(clean, { chance, noise: 0, light: 0.2, tilt: 5 }), fold)),
    ).toBeLessThan(0.4 * apart(from(spoilt, 1), from(clean, 1)));
    const again = readPicture(mean)!;
    expect(again.folds[0]).toMatchObject({ fold: 9, mirror: false });
    expect(again.folds[0]!.share).toBeGreaterThan(0.97);
    expect(Math.hypot(again.seat.x - 200, again.seat.y - 200)).toBeLessThan(1);
  });
});
