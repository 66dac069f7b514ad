import { brushNodes, fittedNodes, type HandPoint } from '@/core/curve';
import { addRound, addShapes, setUnderlay } from '@/core/figure/commands';
import type { Figure } from '@/core/figure';
import { pathForm } from '@/core/maker';
import { NO_TURN } from '@/core/number';
import { circleAt, emptyPiece, emptyRound, filled, lined, named, TIDE } from './piece';

/** The id by which the server keeps the picture that is traced. */
export const DIATOM_PICTURE = 'tide-week-diatom';

/** What a microscope might show of half a wedge: the picture under the Bench, drawn here so that nothing real is copied. */
export const diatomPicture = (): string => {
  const ribs = Array.from({ length: 9 }, (_, k) => {
    const y = 640 - 62 * k;
    const reach = 30 + 11 * k;
    return `<path d="M200 ${y}q${reach * 0.6} ${-12 - 2 * k} ${reach} ${8 + 3 * k}" stroke-width="${7 + k * 0.4}"/>`;
  }).join('');
  return (
    '<svg xmlns="http://www.w3.org/2000/svg" width="400" height="760" viewBox="0 0 400 760">' +
    '<rect width="400" height="760" fill="#e9e4d6"/>' +
    `<g fill="none" stroke="#5a6b60" stroke-linecap="round">${ribs}<path d="M200 700V90" stroke-width="10"/>` +
    '<path d="M200 700C250 560 330 380 338 170" stroke-width="9"/></g></svg>'
  );
};

/** A stroke as a steady hand draws it: pressed in its middle, let go at its ends. */
function stroke(from: [number, number], bend: [number, number], to: [number, number]): HandPoint[] {
  return Array.from({ length: 25 }, (_, k) => {
    const t = k / 24;
    const u = 1 - t;
    const at = (i: 0 | 1): number => u * u * from[i] + 2 * u * t * bend[i] + t * t * to[i];
    return { x: at(0), y: at(1), pressure: 0.25 + 0.7 * Math.sin(Math.PI * t) };
  });
}

/** Piece 17: half a wedge traced with the brush over an underlay, mirrored, sixteen times. */
export function tracedDiatom(): Figure {
  let figure = emptyPiece('Traced diatom', 180, TIDE.sand);
  figure = setUnderlay(figure, {
    picture: DIATOM_PICTURE,
    name: 'Diatom',
    width: 400 * 0.118,
    height: 760 * 0.118,
    at: { x: 0, y: -44 },
    rotation: NO_TURN,
    strength: 0.35,
    visible: true,
    locked: true,
  });
  figure = addRound(figure, emptyRound('valve', 'Valve', 16, true));
  const brush = { width: 1.7, thinning: 0.7, taper: 3 };
  const ribs = Array.from({ length: 8 }, (_, k) => {
    const y = -22 - 7.3 * k;
    const reach = 2.6 + 1.28 * k;
    const points = stroke([0, y], [reach * 0.6, y - 1.4 - 0.24 * k], [reach, y + 0.9 + 0.35 * k]);
    return named(
      `rib-${k + 1}`,
      `Rib ${k + 1}`,
      pathForm(brushNodes(points, { ...brush, width: 1.3 + 0.12 * k }, 0.04), true),
      filled(k % 2 === 0 ? TIDE.kelp : TIDE.deep),
    );
  });
  const edge = fittedNodes(stroke([0, -8], [11, -36], [15.6, -78]), 0.03);
  const spine = brushNodes(stroke([0, -14], [0, -50], [0, -84]), { ...brush, width: 2.2 }, 0.04);
  figure = addShapes(figure, 'valve', [
    named('edge', 'Edge', pathForm(edge, false), lined(TIDE.deep, 0.9)),
    ...ribs,
    named('spine', 'Spine', pathForm(spine, true), filled(TIDE.deep)),
  ]);
  figure = addRound(figure, emptyRound('eye', 'Eye', 16));
  return addShapes(figure, 'eye', [
    named('bead', 'Bead', circleAt(11, 1.5), filled(TIDE.coral)),
    named('pupil', 'Pupil', circleAt(0, 5.5), filled(TIDE.brass)),
  ]);
}
