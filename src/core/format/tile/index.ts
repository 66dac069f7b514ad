import type { OptionField, PixelFormat, TextFormat } from '../format';
import { printNumber } from '../pathData';
import { SIZE, sizeOn } from '../pixels';
import { BACKGROUND, DECIMALS } from '../svg';
import { DEFAULT_SVG } from '../svg/svg';
import type { ScenePage } from '@/core/scene';
import type { TileChoices } from './tile';
import { tileInPixels, tileSvg } from './tileSvg';

const LAY: readonly OptionField<TileChoices>[] = [
  {
    key: 'arrangement',
    label: 'Lay',
    help: 'how a tile’s figures lie: square, brick (rows shifted by half), drop (columns shifted by half) or hexagon',
    type: 'choice',
    choices: [
      ['square', 'Square'],
      ['brick', 'Brick'],
      ['drop', 'Half-drop'],
      ['hexagon', 'Hexagonal'],
    ],
    word: 'lay',
  },
  {
    key: 'spacing',
    label: 'Spacing',
    help: 'between the figures of a tile, in per cent of the page’s longer side; below 0 they overlap',
    type: 'count',
    least: -75,
    most: 300,
    step: 5,
    unit: '%',
    word: 'spacing',
  },
  {
    key: 'turn',
    label: 'Turned by',
    help: 'degrees clockwise by which each figure of a tile is turned',
    type: 'count',
    least: 0,
    most: 359,
    step: 15,
    unit: '°',
    word: 'turn',
  },
  {
    key: 'half',
    label: 'Neighbours',
    help: 'neighbours in a tile stand on their heads',
    type: 'choice',
    choices: [
      [false, 'As they are'],
      [true, 'Half-turned'],
    ],
    word: 'half-turned',
    wordMeans: true,
  },
];

const START: TileChoices = { arrangement: 'square', spacing: 0, turn: 0, half: false };

const ABOUT = 'A tile that repeats without a seam: what goes over an edge goes on at the other side.';

/** The tile's size in words, as far as the page tells it. */
function wordsOf({ arrangement, spacing, half }: TileChoices, { width, height, unit }: ScenePage): string {
  const gap = (Math.max(width, height) * spacing) / 100;
  const [wide, high] = [width + gap, height + gap];
  const side = Math.max(wide, high);
  const sizes: Record<TileChoices['arrangement'], readonly [number, number]> = {
    square: half ? [2 * wide, 2 * high] : [wide, high],
    brick: [wide, 2 * high],
    drop: [2 * wide, high],
    hexagon: [side, side * Math.sqrt(3)],
  };
  const [across, down] = sizes[arrangement];
  return `${printNumber(across, 3)} × ${printNumber(down, 3)} ${unit}.`;
}

interface VectorChoices extends TileChoices {
  readonly as: 'tile' | 'pattern';
  readonly decimals: number;
  readonly background: boolean;
}

/** A tile that repeats, as SVG. */
export const tile: TextFormat<VectorChoices> = {
  kind: 'text',
  id: 'tile',
  name: 'Tile SVG',
  ending: 'tile.svg',
  mediaType: 'image/svg+xml; charset=utf-8',
  fields: [
    ...(LAY as readonly OptionField<VectorChoices>[]),
    {
      key: 'as',
      label: 'As',
      help: 'tiles side by side as an SVG pattern, instead of one tile',
      type: 'choice',
      choices: [
        ['tile', 'One tile'],
        ['pattern', 'Pattern'],
      ],
      word: 'pattern',
      wordMeans: 'pattern',
    },
    DECIMALS,
    BACKGROUND,
  ],
  repeats: ({ as }) => as === 'tile',
  start: { ...START, as: 'tile', decimals: DEFAULT_SVG.decimals, background: true },
  about: (options, page) => `${ABOUT} ${wordsOf(options, page)}`,
  write: ({ figure, scene }, options) => tileSvg(scene, options, { ...options, title: figure.name }),
};

interface TilePixelChoices extends TileChoices {
  readonly size: number;
  readonly background: boolean;
}

/** The same in pixels. */
export const tilePixels: PixelFormat<TilePixelChoices> = {
  kind: 'pixels',
  id: 'tile-png',
  name: 'Tile PNG',
  ending: 'tile.png',
  mediaType: 'image/png',
  fields: [
    ...(LAY as readonly OptionField<TilePixelChoices>[]),
    SIZE,
    BACKGROUND,
  ] as readonly OptionField<TilePixelChoices>[],
  repeats: () => true,
  start: { ...START, size: 1024, background: true },
  startOn: (page) => ({ size: Math.min(2048, sizeOn(page)) }),
  about: (options, page) => `${ABOUT} In whole pixels. ${wordsOf(options, page)}`,
  draw: ({ scene }, options) => {
    const { svg, width, height } = tileInPixels(scene, options, { ...options, decimals: 6 });
    return { svg, size: Math.max(width, height), view: { x: 0, y: 0, width, height }, as: { type: 'png' } };
  },
};
