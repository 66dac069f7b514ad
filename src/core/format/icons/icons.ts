/**
 * A figure as icons of a web site: a square drawing for each purpose, at the sizes that browsers and systems ask for. Sources: HTML Living
 * Standard, "Link type icon"; W3C Web Application Manifest, "Purpose member" and its safe zone.
 *
 * @example
 * for (const file of iconFiles(scene, { name: 'Tide week', background: true, dark: 'same', without: '' })) add(file.name);
 */
import { colourOfOklch, firstColour, oklchOf } from '@/core/paint';
import { applyTo, lengthOf, pointAt } from '@/core/curve';
import { centreOnPage, type Colour, placedAt, type Scene } from '@/core/scene';
import type { BundleFile, PixelJob } from '../format';
import { printNumber } from '../pathData';
import { documentOf, drawingLines, inColours } from '../svg/svg';

/** In favicon.ico, in pixels; the small ones may leave rounds out. */
const SMALL_SIZES = [16, 32, 48] as const;
const TOUCH = 180;
const LARGE = [192, 512] as const;

/** The safe zone's radius as a part of the side: what a mask leaves of an icon at least (W3C Web Application Manifest). */
export const SAFE_RADIUS = 0.4;

export interface IconChoices {
  readonly background: boolean;
  /** In the dark the SVG icon is as it is, or light and dark change places. */
  readonly dark: 'same' | 'turned';
  /** Rounds that small sizes do without, by names or ids, separated by commas. */
  readonly without: string;
}

const n = (value: number): string => printNumber(value, 6);

/** A colour of the same hue and strength, as light as it was dark. */
export function turnedLight(colour: Colour): Colour {
  const { l, ...rest } = oklchOf(colour);
  return colourOfOklch({ ...rest, l: 1 - l });
}

/** Lines of SVG in other colours, with names of their own, so that they can stand beside the first. */
const inTheDark = (text: string): string =>
  inColours(text, turnedLight)
    .replace(/ id="([^"]+)"/g, ' id="$1-dark"')
    .replace(/url\(#([^)]+)\)/g, 'url(#$1-dark)')
    .replace(/href="#([^"]+)"/g, 'href="#$1-dark"');

/** How far anything of a scene is from its centre, its strokes counted in. */
function radiusOf(scene: Scene): number {
  let most = 0;
  for (const layer of scene.layers)
    for (const copy of layer.copies)
      for (const { item, map } of placedAt(layer, copy)) {
        const wide = (item.paint.stroke?.width ?? 0) / 2;
        for (const { segments } of item.paths)
          for (const segment of segments)
            for (const t of [0, 0.25, 0.5, 0.75])
              most = Math.max(most, lengthOf(applyTo(map, pointAt(segment, t))) + wide);
      }
  return most;
}

interface Square {
  /** What fills it behind the figure. */
  readonly ground: string | null;
  /** How many times as large the figure is drawn about its centre; 1 for the page as it is. */
  readonly scale: number;
  /** With the figure's own centre in the square's middle, instead of the page's. */
  readonly centred: boolean;
  /** Pixels of a side, for what looks the same in any size. */
  readonly pixels: number;
}

/** The lines of a square drawing with the page in its middle, and how large its side is. */
function squareLines(
  scene: Scene,
  { ground, scale, centred, pixels }: Square,
): { lines: string[]; side: number } {
  const { width, height } = scene.page;
  const side = Math.max(width, height);
  const centre = centreOnPage(scene.page);
  const own = drawingLines(scene, {
    form: 'compact',
    decimals: 4,
    background: false,
    pixelsPerUnit: (pixels * scale) / side,
  }).flat();
  const middle = centred ? centre : { x: width / 2, y: height / 2 };
  const place = `translate(${n(side / 2)} ${n(side / 2)})${scale === 1 ? '' : ` scale(${n(scale)})`} translate(${n(-middle.x)} ${n(-middle.y)})`;
  const lines = [
    ...(ground ? [`  <rect width="${n(side)}" height="${n(side)}" fill="${ground}"/>`] : []),
    `  <g transform="${place}">`,
    ...own,
    '  </g>',
  ];
  return { lines, side };
}

/** A square in pixels. */
function pixelsOf(scene: Scene, size: number, square: Omit<Square, 'pixels'>): PixelJob {
  const { lines, side } = squareLines(scene, { ...square, pixels: size });
  const view = { x: 0, y: 0, width: side, height: side };
  return { svg: documentOf(lines, view, { unit: scene.page.unit }), size, view, as: { type: 'png' } };
}

/** The scene without the rounds that are named. */
function withoutRounds(scene: Scene, gone: ReadonlySet<string>): Scene {
  const kept = (layers: Scene['layers']): Scene['layers'] =>
    layers.filter(({ roundId }) => !gone.has(roundId));
  return { ...scene, layers: kept(scene.layers), ...(scene.abutting && { abutting: kept(scene.abutting) }) };
}

/** The SVG icon: with other colours where the system is dark, if that is asked for. */
function vectorIcon(scene: Scene, ground: string | null, dark: IconChoices['dark'], name: string): string {
  const { lines, side } = squareLines(scene, { ground, scale: 1, centred: false, pixels: LARGE[1] });
  const view = { x: 0, y: 0, width: side, height: side };
  const about = { unit: scene.page.unit, title: name };
  if (dark === 'same') return documentOf(lines, view, about);
  const style =
    '  <style>.dark{display:none}@media (prefers-color-scheme: dark){.light{display:none}.dark{display:inline}}</style>';
  const both = [
    style,
    '  <g class="light">',
    ...lines,
    '  </g>',
    '  <g class="dark">',
    inTheDark(lines.join('\n')),
    '  </g>',
  ];
  return documentOf(both, view, about);
}

const manifest = (name: string, colour: string): string =>
  `${JSON.stringify(
    {
      name,
      icons: [
        ...LARGE.map((size) => ({ src: `/icon-${size}.png`, sizes: `${size}x${size}`, type: 'image/png' })),
        { src: '/icon-maskable-512.png', sizes: '512x512', type: 'image/png', purpose: 'maskable' },
      ],
      theme_color: colour,
      background_color: colour,
      display: 'standalone',
    },
    null,
    2,
  )}\n`;

/** The lines of a page's head that use the icons. */
const LINKS = `<link rel="icon" href="/favicon.ico" sizes="16x16 32x32 48x48">
<link rel="icon" href="/icon.svg" type="image/svg+xml">
<link rel="apple-touch-icon" href="/touch-icon-180.png">
<link rel="manifest" href="/site.webmanifest">
`;

/**
 * All files of an icon set.
 * @param gone ids of the rounds that small sizes do without
 */
export function iconFiles(
  scene: Scene,
  name: string,
  { background, dark }: Pick<IconChoices, 'background' | 'dark'>,
  gone: ReadonlySet<string>,
): readonly BundleFile[] {
  const page = firstColour(scene.page.background);
  const ground = background ? page : null;
  const solid = page ?? '#ffffff';
  const plain = { ground, scale: 1, centred: false };
  const small = withoutRounds(scene, gone);
  const side = Math.max(scene.page.width, scene.page.height);
  const reach = radiusOf(scene);
  const safe = reach > 0 ? (SAFE_RADIUS * side) / reach : 1;
  return [
    { name: 'favicon.ico', icon: SMALL_SIZES.map((size) => pixelsOf(small, size, plain)) },
    { name: 'icon.svg', text: vectorIcon(scene, ground, dark, name) },
    { name: `touch-icon-${TOUCH}.png`, picture: pixelsOf(scene, TOUCH, { ...plain, ground: solid }) },
    ...LARGE.map((size): BundleFile => ({ name: `icon-${size}.png`, picture: pixelsOf(scene, size, plain) })),
    {
      name: 'icon-maskable-512.png',
      picture: pixelsOf(scene, LARGE[1], { ground: solid, scale: safe, centred: true }),
    },
    { name: 'site.webmanifest', text: manifest(name, solid) },
    { name: 'links.html', text: LINKS },
  ];
}
