import { describe, expect, it } from 'vitest';

import { pictureOf } from '../../../tests/help/seen';
import { IDENTITY, moveMap, polarOf, signedArea } from '@/core/curve';
import { tracedWhereItLies } from './traceWedge';

const OPTIONS = { threshold: 0.5, light: false, smoothness: 0.6, smallest: 4 };

/** A hub, petals across rays and a ring, about the middle of 400 pixels: the areas are known. */
const rosette = (fold: number): { readonly svg: string; readonly area: number } => {
  const petal = (k: number): string =>
    `<circle cx="0" cy="-100" r="20" transform="rotate(${((k + 0.5) * 360) / fold})"/>`;
  const petals = Array.from({ length: fold }, (_, k) => petal(k)).join('');
  return {
    svg: `<svg xmlns="http://www.w3.org/2000/svg" width="400" height="400" viewBox="-200 -200 400 400"><rect x="-200" y="-200" width="400" height="400" fill="#fff"/>${petals}<circle r="40"/><circle r="160" fill="none" stroke="#000" stroke-width="10"/></svg>`,
    area: fold * Math.PI * 400 + Math.PI * 1600 + Math.PI * (165 ** 2 - 155 ** 2),
  };
};

describe('one wedge of a traced picture', () => {
  it.each([
    [8, false],
    [8, true],
    [3, false],
    [2, false],
    [2, true],
  ])(
    'of fold %i, mirrored: %s, has its share of what is drawn, and nothing beyond its rays',
    (fold, mirror) => {
      const { svg, area } = rosette(fold);
      const areas = tracedWhereItLies(pictureOf(svg), OPTIONS, moveMap({ x: -200, y: -200 }), {
        fold,
        mirror,
      });
      const own = areas.reduce((sum, paths) => sum + Math.abs(signedArea(paths)), 0);
      expect(Math.abs((own * fold * (mirror ? 2 : 1)) / area - 1)).toBeLessThan(0.02);
      const half = 180 / fold;
      for (const { from } of areas.flat().flatMap(({ segments }) => segments)) {
        const { degrees, r } = polarOf(from);
        const aside =
          r * Math.sin((Math.abs(degrees > 180 ? 360 - degrees : degrees) - half) * (Math.PI / 180));
        if (fold > 2) expect(aside).toBeLessThan(1e-6 * 200);
        if (mirror) expect(from.x).toBeGreaterThan(-1e-6 * 200);
      }
    },
  );

  it('is all of it where no wedge is asked for', () => {
    const { svg, area } = rosette(5);
    const areas = tracedWhereItLies(pictureOf(svg), OPTIONS, moveMap({ x: -200, y: -200 }), null);
    const own = areas.reduce((sum, paths) => sum + Math.abs(signedArea(paths)), 0);
    expect(Math.abs(own / area - 1)).toBeLessThan(0.02);
    expect(areas).toHaveLength(7);
  });

  it('has nothing of what is transparent, whether dark or light is traced', () => {
    const svg =
      '<svg xmlns="http://www.w3.org/2000/svg" width="200" height="200"><circle cx="100" cy="100" r="90" fill="#223"/><circle cx="100" cy="100" r="40" fill="#fff"/></svg>';
    const areaOf = (light: boolean): number =>
      tracedWhereItLies(pictureOf(svg), { ...OPTIONS, light }, IDENTITY, null).reduce(
        (sum, paths) => sum + Math.abs(signedArea(paths)),
        0,
      );
    expect(Math.abs(areaOf(true) / (Math.PI * 1600) - 1)).toBeLessThan(0.02);
    expect(Math.abs(areaOf(false) / (Math.PI * (8100 - 1600)) - 1)).toBeLessThan(0.02);
  });
});
