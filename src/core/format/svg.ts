import { compose, moveMap, turnMap } from '../curve/affine';
import { mapPath } from '../curve/path';
import { degreesOf, wrapTurn, type Turn } from '../number/turn';
import type { Point } from '../curve/point';
import type { Paint, Scene, SceneItem, SceneLayer, ScenePage } from '../scene/scene';
import { placementMap } from '../symmetry/rule';
import { pathData, printNumber } from './pathData';

export interface SvgOptions {
  /** `compact`: each motif once as a symbol, and a use for every copy. `plain`: every copy a path of its own. */
  readonly form: 'compact' | 'plain';
  /** Decimals of coordinates, 0 to 8. */
  readonly decimals: number;
  readonly background: boolean;
  /** Shown by viewers as the drawing's name. */
  readonly title?: string;
}

export const DEFAULT_SVG: SvgOptions = { form: 'compact', decimals: 4, background: true };

export const MOST_DECIMALS = 8;

export const escapeXml = (text: string): string =>
  text
    // Characters that XML 1.0 has no way to write.
    .replace(/[\u0000-\u0008\u000b\u000c\u000e-\u001f\ufffe\uffff]/g, '')
    .replace(/[&<>"]/g, (c) => ({ '&': '&amp;', '<': '&lt;', '>': '&gt;', '"': '&quot;' })[c] ?? c);

/** Colour and opacity apart, since many readers of SVG know no eight-digit colours. */
function colourOf(name: 'fill' | 'stroke', colour: string): string {
  const opacity = colour.length === 9 ? parseInt(colour.slice(7), 16) / 255 : 1;
  const part = opacity < 1 ? ` ${name}-opacity="${printNumber(opacity, 4)}"` : '';
  return `${name}="${colour.slice(0, 7)}"${part}`;
}

function paintOf(paint: Paint, rule: SceneItem['rule']): string {
  const fill = paint.fill ? colourOf('fill', paint.fill) : 'fill="none"';
  const evenOdd = paint.fill && rule === 'evenodd' ? ' fill-rule="evenodd"' : '';
  if (!paint.stroke) return fill + evenOdd;
  const { colour, width, cap, join } = paint.stroke;
  const ends = `${cap === 'butt' ? '' : ` stroke-linecap="${cap}"`}${join === 'miter' ? '' : ` stroke-linejoin="${join}"`}`;
  return `${fill}${evenOdd} ${colourOf('stroke', colour)} stroke-width="${printNumber(width, 6)}"${ends}`;
}

/** Degrees to 12 decimals: exact for every step that a person can read, 1e-14 of a turn for the others. */
const rotation = (t: Turn): string => {
  const degrees = degreesOf(wrapTurn(t));
  return degrees === 0 ? '' : ` transform="rotate(${printNumber(degrees, 12)})"`;
};

function compactLayer(layer: SceneLayer, index: number, decimals: number): { symbol: string; uses: string } {
  const id = `motif-${index + 1}`;
  const items = layer.items.map((item) => {
    const mirror = item.mirrored ? ' transform="scale(-1 1)"' : '';
    return `      <path d="${pathData(item.paths, decimals)}" ${paintOf(item.paint, item.rule)}${mirror}/>`;
  });
  const uses = layer.turns.map((t) => `    <use xlink:href="#${id}"${rotation(t)}/>`);
  return {
    symbol: `    <symbol id="${id}" overflow="visible">\n${items.join('\n')}\n    </symbol>`,
    uses: uses.join('\n'),
  };
}

/** The figure's centre from the page's upper left corner. */
const centreOf = ({ width, height, centre }: ScenePage): Point => ({
  x: width / 2 + centre.x,
  y: height / 2 + centre.y,
});

function plainLayer(layer: SceneLayer, scene: Scene, decimals: number): string {
  const toPage = moveMap(centreOf(scene.page));
  const paths = layer.turns.flatMap((t) =>
    layer.items.map((item) => {
      const m = compose(toPage, item.mirrored ? placementMap({ turn: t, mirrored: true }) : turnMap(t));
      const moved = item.paths.map((path) => mapPath(path, m));
      return `    <path d="${pathData(moved, decimals)}" ${paintOf(item.paint, item.rule)}/>`;
    }),
  );
  return `  <g>\n${paths.join('\n')}\n  </g>`;
}

/** A scene as an SVG document of its page's size, in SVG 2 that readers of SVG 1.1 understand too. */
export function svgOf(scene: Scene, options: SvgOptions): string {
  const { width, height, unit, background } = scene.page;
  const size = (value: number) => printNumber(value, 6);
  const centre = centreOf(scene.page);
  const parts = [
    '<?xml version="1.0" encoding="UTF-8"?>',
    `<svg xmlns="http://www.w3.org/2000/svg" xmlns:xlink="http://www.w3.org/1999/xlink" width="${size(width)}${unit}" height="${size(height)}${unit}" viewBox="0 0 ${size(width)} ${size(height)}">`,
  ];
  if (options.title) parts.push(`  <title>${escapeXml(options.title)}</title>`);
  if (options.background && background) {
    parts.push(`  <rect width="${size(width)}" height="${size(height)}" ${colourOf('fill', background)}/>`);
  }
  if (options.form === 'plain') {
    parts.push(...scene.layers.map((layer) => plainLayer(layer, scene, options.decimals)));
  } else if (scene.layers.length > 0) {
    const layers = scene.layers.map((layer, k) => compactLayer(layer, k, options.decimals));
    parts.push('  <defs>', ...layers.map(({ symbol }) => symbol), '  </defs>');
    parts.push(`  <g transform="translate(${size(centre.x)} ${size(centre.y)})">`);
    parts.push(...layers.map(({ uses }) => uses), '  </g>');
  }
  parts.push('</svg>');
  return `${parts.join('\n')}\n`;
}
