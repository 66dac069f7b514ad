import { firstColour } from '@/core/paint';
import { centreOnPage, type Scene } from '@/core/scene';
import { printNumber } from '../pathData';
import { documentOf, drawingLines, type SvgOptions } from '../svg/svg';
import { tileOf, type Tile, type TileChoices } from './tile';

const n = (value: number): string => printNumber(value, 6);

/** What a tile draws: the figure once, and a use for each that reaches into it. */
function linesOfTile(scene: Scene, { width, height, places }: Tile, options: SvgOptions): string[] {
  const centre = centreOnPage(scene.page);
  const ground = options.background ? firstColour(scene.page.background) : null;
  const uses = places.map(({ at, turned }) => {
    const turn = turned % 360 === 0 ? '' : ` rotate(${n(turned % 360)})`;
    return `  <use xlink:href="#figure" transform="translate(${n(at.x)} ${n(at.y)})${turn} translate(${n(-centre.x)} ${n(-centre.y)})"/>`;
  });
  return [
    '  <defs>',
    '  <g id="figure">',
    ...drawingLines(scene, { ...options, background: false, bleed: false }).flat(),
    '  </g>',
    '  </defs>',
    ...(ground ? [`  <rect width="${n(width)}" height="${n(height)}" fill="${ground}"/>`] : []),
    ...uses,
  ];
}

/** How many tiles a document of a pattern shows, across and down. */
const SHOWN = 3;

export interface TileSvgOptions extends Pick<
  SvgOptions,
  'decimals' | 'background' | 'title' | 'small' | 'pixelsPerUnit'
> {
  /** One tile; or tiles in a row and below one another, by a `pattern`. */
  readonly as: 'tile' | 'pattern';
}

/** A scene's tile as an SVG document. */
export function tileSvg(scene: Scene, choices: TileChoices, { as, ...options }: TileSvgOptions): string {
  const tile = tileOf(scene, choices);
  const { width, height } = tile;
  const lines = linesOfTile(scene, tile, { ...options, form: 'compact' });
  const { unit } = scene.page;
  if (as === 'tile') return documentOf(lines, { x: 0, y: 0, width, height }, { ...options, unit });
  const size = `width="${n(width)}" height="${n(height)}"`;
  const [wide, high] = [SHOWN * width, SHOWN * height];
  const pattern = [
    '  <defs>',
    `  <pattern id="tile" patternUnits="userSpaceOnUse" ${size}>`,
    ...lines,
    '  </pattern>',
    '  </defs>',
    `  <rect width="${n(wide)}" height="${n(high)}" fill="url(#tile)"/>`,
  ];
  return documentOf(pattern, { x: 0, y: 0, width: wide, height: high }, { ...options, unit });
}

/** A tile to be drawn in whole pixels, so that one beside another shows no seam: no side is off by more than half a pixel. */
export function tileInPixels(
  scene: Scene,
  choices: TileChoices,
  {
    size,
    background,
    decimals,
  }: { readonly size: number; readonly background: boolean; readonly decimals: number },
): { readonly svg: string; readonly width: number; readonly height: number } {
  const tile = tileOf(scene, choices);
  const longer = Math.max(tile.width, tile.height);
  const [wide, high] = [tile.width, tile.height].map((side) =>
    Math.max(1, Math.round((size * side) / longer)),
  ) as [number, number];
  const options = { form: 'compact', decimals, background, pixelsPerUnit: size / longer } as const;
  const scale = `scale(${printNumber(wide / tile.width, 12)} ${printNumber(high / tile.height, 12)})`;
  const lines = [`  <g transform="${scale}">`, ...linesOfTile(scene, tile, options), '  </g>'];
  const view = { x: 0, y: 0, width: wide, height: high };
  return { svg: documentOf(lines, view, { unit: 'px' }), width: wide, height: high };
}
