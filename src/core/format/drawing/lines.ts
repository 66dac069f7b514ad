import { pathData, printNumber } from '../pathData';
import { shapesOfNodes, type Drawing } from './drawing';

/** Pixels of the picture's width. */
const WIDTH = 800;
/** What is free around the lines, as a part of the drawing's longer side, and how wide they are of that. */
const AROUND = 1 / 50;
const LINE = 1 / 12;

/** The lines of a drawing as an SVG on paper, all as thin as a tool is for the eye, each in the colour of its stroke. */
export function linesOf({ width, height, nodes }: Drawing): string {
  const around = Math.max(width, height) * AROUND;
  const [wide, high] = [width + 2 * around, height + 2 * around];
  const n = (value: number): string => printNumber(value, 3);
  const lines = shapesOfNodes(nodes).map(({ paths, paint: { stroke } }) => {
    const colour = typeof stroke?.colour === 'string' ? stroke.colour : '#000000';
    return `<path d="${pathData(paths, 3)}" stroke="${colour}"/>`;
  });
  return [
    `<svg xmlns="http://www.w3.org/2000/svg" viewBox="${[-around, -around, wide, high].map(n).join(' ')}" width="${WIDTH}" height="${n((WIDTH * high) / wide)}">`,
    `<rect x="${n(-around)}" y="${n(-around)}" width="${n(wide)}" height="${n(high)}" fill="#fffefb"/>`,
    `<g fill="none" stroke-width="${n(around * LINE)}">${lines.join('')}</g></svg>`,
  ].join('');
}
