/** Pictures of rosettes as they come from a printer, a camera or a hand: what is in them is known. */
import { Resvg } from '@resvg/resvg-js';

import type { ColourPicture } from '@/core/picture';
import type { Chance } from './anyFigure';

const SIDE = 640;

export const pictureOf = (svg: string): ColourPicture => {
  const { width, height, pixels } = new Resvg(svg, { font: { loadSystemFonts: false } }).render();
  return { width, height, data: new Uint8ClampedArray(pixels) };
};

/** A rosette in a picture: where, how large, and how it is turned, in degrees. */
export interface Stand {
  readonly x: number;
  readonly y: number;
  readonly size: number;
  readonly degrees: number;
}

export const anyStand = (chance: Chance): Stand => ({
  x: chance.between(260, 380),
  y: chance.between(260, 380),
  size: chance.between(150, 230),
  degrees: chance.between(0, 360),
});

const svgOf = (ground: string, { x, y, size, degrees }: Stand, inner: string): string =>
  `<svg xmlns="http://www.w3.org/2000/svg" width="${SIDE}" height="${SIDE}"><rect width="${SIDE}" height="${SIDE}" fill="${ground}"/>` +
  `<g transform="translate(${x} ${y}) rotate(${degrees}) scale(${size / 100})">${inner}</g></svg>`;

const turned = (motif: (copy: number) => string, fold: number, mirror: boolean): string =>
  Array.from({ length: fold }, (_, k) => {
    const by = (360 * k) / fold;
    const image = mirror ? `<g transform="rotate(${by}) scale(-1 1)">${motif(k)}</g>` : '';
    return `<g transform="rotate(${by})">${motif(k)}</g>${image}`;
  }).join('');

const COLOURS = ['#113d4c', '#d9512c', '#b9842c', '#1f8a76', '#6a2f5a'];

/** A shape of no symmetry beside the axis, within a wedge. */
function blot(chance: Chance, fold: number, radius: number): string {
  const wide = Math.min(22, (radius * Math.PI) / fold) * chance.between(0.7, 1);
  const high = chance.between(10, 20);
  const at = (x: number, y: number): string => `${(x * wide).toFixed(2)} ${(-radius + y * high).toFixed(2)}`;
  const { between } = chance;
  const d =
    `M${at(between(0, 0.2), between(-1, -0.6))} L${at(between(0.6, 1), between(-0.5, 0.2))} ` +
    `Q${at(between(0.3, 1), between(0.5, 1))} ${at(between(-0.1, 0.2), between(0.4, 1))} Z`;
  return `<path d="${d}" fill="${chance.of(COLOURS)}"/>`;
}

/** A flat drawing of two or three rings of shapes, on paper. */
export function drawnRosette(chance: Chance, fold: number, mirror: boolean, stand: Stand): string {
  const radii = chance.yes() ? [84, 52] : [86, 62, 38];
  const motif = radii.map((radius) => blot(chance, fold, radius)).join('');
  const round = chance.yes() ? '<circle r="12" fill="#e9b44c"/>' : '';
  return svgOf('#f6f1e4', stand, turned(() => motif, fold, mirror) + round);
}

/** A flower as a camera might see it: shaded petals of which no two are the same, before leaves. */
export function flower(chance: Chance, fold: number, stand: Stand): string {
  const { between } = chance;
  const leaves = Array.from({ length: 40 }, () => {
    const [x, y] = [between(0, SIDE), between(0, SIDE)];
    return `<ellipse cx="${x}" cy="${y}" rx="${between(20, 70)}" ry="${between(8, 24)}" fill="hsl(${between(95, 140)} 40% ${between(18, 40)}%)" transform="rotate(${between(0, 360)} ${x} ${y})"/>`;
  }).join('');
  const petal = (): string => {
    const wide = ((100 * Math.PI) / fold) * between(0.75, 0.9);
    const long = between(93, 100);
    const d = `M0 -16 C${wide} -40 ${wide} ${-long} 0 ${-long} C${-wide} ${-long} ${-wide} -40 0 -16Z`;
    const vein = `<path d="M0 -20 L${between(-1, 1)} ${-long * 0.8}" stroke="#a33a5c" stroke-width="1.4" opacity="0.6"/>`;
    return `<g transform="rotate(${between(-2, 2)})"><path d="${d}" fill="url(#petal)" stroke="#8c2f4c" stroke-width="1"/>${vein}</g>`;
  };
  const seeds = Array.from({ length: 60 }, () => {
    const [r, a] = [16 * Math.sqrt(chance.share()), between(0, 2 * Math.PI)];
    return `<circle cx="${r * Math.cos(a)}" cy="${r * Math.sin(a)}" r="1.6" fill="#6b4a12"/>`;
  }).join('');
  const gradient =
    '<radialGradient id="petal" gradientUnits="userSpaceOnUse" cx="0" cy="0" r="100"><stop offset="0.1" stop-color="#7d2346"/><stop offset="0.7" stop-color="#e58fae"/><stop offset="1" stop-color="#f7d3dc"/></radialGradient>';
  return svgOf(
    '#2c4a24',
    stand,
    `<defs>${gradient}</defs><g transform="scale(${100 / stand.size}) rotate(${-stand.degrees}) translate(${-stand.x} ${-stand.y})">${leaves}</g>` +
      `${turned(petal, fold, false)}<circle r="17" fill="#d8a531"/>${seeds}`,
  );
}

/** A drawing in pencil by a hand that is not steady. */
export function pencilled(chance: Chance, fold: number, stand: Stand): string {
  const { between } = chance;
  const off = (): number => between(-1.6, 1.6);
  const p = (x: number, y: number): string => `${(x + off()).toFixed(1)} ${(y + off()).toFixed(1)}`;
  const wide = Math.min(40, (80 * Math.PI) / fold);
  const petal = (): string =>
    `<path d="M${p(0, -24)} C${p(wide, -45)} ${p(wide * 0.8, -85)} ${p(0, -94)} C${p(-wide * 0.8, -85)} ${p(-wide, -45)} ${p(0, -24)} M${p(0, -40)} L${p(0, -76)}" fill="none" stroke="#3c3a38" stroke-width="${between(1.6, 2.6)}" stroke-linecap="round"/>`;
  return svgOf('#f3efe6', stand, turned(petal, fold, false));
}

/** What light, a lens and a hand do to a picture. */
export interface Spoils {
  readonly chance: Chance;
  /** Of one standard deviation, 0 to 255. */
  readonly noise: number;
  /** How much darker one side is, 0 to 1. */
  readonly light: number;
  /** From the side, in degrees, seen from a distance of two and a half pictures. */
  readonly tilt: number;
}

/** A picture as it comes out of a camera held a little aslant in a room with a window. */
export function photographed(picture: ColourPicture, { chance, noise, light, tilt }: Spoils): ColourPicture {
  const { width, height } = picture;
  const data = new Uint8ClampedArray(picture.data.length);
  const [lit, way] = [chance.between(0, 2 * Math.PI), chance.between(0, 2 * Math.PI)];
  const [sin, cos] = [Math.sin((tilt * Math.PI) / 180), Math.cos((tilt * Math.PI) / 180)];
  const far = 2.5 * width;
  for (let y = 0; y < height; y += 1)
    for (let x = 0; x < width; x += 1) {
      const [left, up] = [x - width / 2, y - height / 2];
      const u = left * Math.cos(way) + up * Math.sin(way);
      const v = -left * Math.sin(way) + up * Math.cos(way);
      const flatV = v / (cos - (v * sin) / far);
      const flatU = u * (1 + (flatV * sin) / far);
      const sx = flatU * Math.cos(way) - flatV * Math.sin(way) + width / 2;
      const sy = flatU * Math.sin(way) + flatV * Math.cos(way) + height / 2;
      const shade = 1 - (light * (1 + (left * Math.cos(lit) + up * Math.sin(lit)) / (width / 2))) / 2;
      const grain = noise * (chance.share() + chance.share() + chance.share() - 1.5) * 2;
      for (const channel of [0, 1, 2]) {
        const value = sampled(picture, sx, sy, channel);
        data[4 * (y * width + x) + channel] = value * shade + grain;
      }
      data[4 * (y * width + x) + 3] = 255;
    }
  return { width, height, data };
}

function sampled({ width, height, data }: ColourPicture, x: number, y: number, channel: number): number {
  const at = (column: number, row: number): number => {
    const [i, j] = [Math.min(width - 1, Math.max(0, column)), Math.min(height - 1, Math.max(0, row))];
    return data[4 * (j * width + i) + channel] ?? 0;
  };
  const [left, top] = [Math.floor(x), Math.floor(y)];
  const [a, b] = [x - left, y - top];
  const upper = at(left, top) * (1 - a) + at(left + 1, top) * a;
  return upper * (1 - b) + (at(left, top + 1) * (1 - a) + at(left + 1, top + 1) * a) * b;
}
