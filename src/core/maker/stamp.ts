import { variedPaint } from '@/core/paint';
import { finding } from '@/core/finding';
import { uniformFloat64 } from 'pure-rand/distribution/uniformFloat64';
import { xoroshiro128plus } from 'pure-rand/generator/xoroshiro128plus';

import {
  type Affine,
  compose,
  type Contour,
  mapPath,
  moveMap,
  nodesOfContours,
  ORIGIN,
  type Path,
  pathLength,
  pathsOfContours,
  scaleMap,
  type Station,
  stationsAlong,
} from '@/core/curve';
import { nodeGrips } from './band';
import type { Maker } from './construction';

export type StampParams = {
  /** The line that the stamps stand on: one contour. */
  readonly along: readonly Contour[];
  /** What is stamped, about its middle at 0, 0. */
  readonly shape: readonly Contour[];
  readonly spacing: number;
  readonly spread: 'even' | 'exact';
  readonly facing: 'path' | 'upright';
  /** How far sizes go up and down from 1, and colours from the shape's own: 0 to 1. */
  readonly sizes: number;
  readonly colours: number;
  readonly seed: number;
};

const MOST = 1000;
/** Of all stamps together. */
const MOST_NODES = 400_000;

/** The line that is stamped along. */
const lineOf = ({ along }: StampParams): Path => pathsOfContours(along)[0] ?? { closed: false, segments: [] };

/**
 * How far from the line's start each stamp stands. Evenly: the spacing is made to fit the line's length, with a stamp on either end
 * of an open one. Exactly: the spacing as it is, for as long as the line goes.
 */
function lengthsAlong(path: Path, spacing: number, spread: StampParams['spread']): number[] {
  const length = pathLength(path);
  const fit = length / spacing;
  if (spread === 'exact') {
    // A last one that would fall on the first of a closed line is left out.
    const last = Math.floor(fit + 1e-9) - (path.closed && fit - Math.floor(fit + 1e-9) < 1e-9 ? 1 : 0);
    return Array.from({ length: last + 1 }, (_, k) => Math.min(length, k * spacing));
  }
  const parts = Math.max(1, Math.round(fit));
  return Array.from({ length: path.closed ? parts : parts + 1 }, (_, k) =>
    Math.min(length, (k * length) / parts),
  );
}

/** What chance gave a stamp: numbers from −1 to 1, always the same for the same seed. */
interface Chance {
  readonly size: number;
  readonly light: number;
  readonly hue: number;
}

/** The chances of the first stamps of a seed; more stamps leave those before as they are. */
export function stampChances(seed: number, count: number): Chance[] {
  const generator = xoroshiro128plus(seed);
  // The first numbers of neighbouring seeds are alike.
  for (let k = 0; k < 16; k += 1) uniformFloat64(generator);
  const next = (): number => 2 * uniformFloat64(generator) - 1;
  return Array.from({ length: count }, () => ({ size: next(), light: next(), hue: next() }));
}

const stationsOf = (params: StampParams): Station[] => {
  const path = lineOf(params);
  return stationsAlong(path, lengthsAlong(path, params.spacing, params.spread));
};

/** How many stamps there are. */
export const stampCount = (params: StampParams): number => stationsOf(params).length;

function mapAt({ point, direction }: Station, facing: StampParams['facing'], size: number): Affine {
  const turned: Affine =
    facing === 'upright'
      ? { a: 1, b: 0, c: 0, d: 1, e: 0, f: 0 }
      : { a: direction.x, b: direction.y, c: -direction.y, d: direction.x, e: 0, f: 0 };
  return compose(moveMap(point), compose(turned, scaleMap(size, ORIGIN)));
}

const circle = (r: number): Contour => ({
  closed: true,
  nodes: [
    { x: 0, y: -r, kind: 'corner', bulge: 1 },
    { x: 0, y: r, kind: 'corner', bulge: 1 },
  ],
});

/** Any shape set along a drawn line at a spacing, turned with it or upright, in sizes and colours that vary by a seed. */
export const stamp: Maker<StampParams> = {
  name: 'Stamp',
  fields: [
    { key: 'along', label: 'Along', type: 'drawn', of: 'place' },
    { key: 'shape', label: 'Shape', type: 'drawn', of: 'box' },
    { key: 'spacing', label: 'Spacing', type: 'length' },
    {
      key: 'spread',
      label: 'Spaced',
      type: 'choice',
      choices: [
        ['even', 'To fit'],
        ['exact', 'Exactly'],
      ],
    },
    {
      key: 'facing',
      label: 'Turned',
      type: 'choice',
      choices: [
        ['path', 'With line'],
        ['upright', 'Upright'],
      ],
    },
    { key: 'sizes', label: 'Sizes vary', type: 'share', least: 0, most: 0.9 },
    { key: 'colours', label: 'Colours vary', type: 'share', least: 0, most: 1 },
    {
      key: 'seed',
      label: 'Seed',
      type: 'count',
      least: 1,
      most: 9999,
      when: ({ sizes, colours }) => sizes > 0 || colours > 0,
    },
  ],
  start: {
    along: [
      {
        closed: false,
        nodes: [
          { x: 0, y: 0, kind: 'corner' },
          { x: 0, y: -40, kind: 'corner' },
        ],
      },
    ],
    shape: [circle(2)],
    spacing: 6,
    spread: 'even',
    facing: 'path',
    sizes: 0,
    colours: 0,
    seed: 1,
  },
  problem: (params) => {
    const { along, shape, spacing } = params;
    if (along.length !== 1 || shape.length === 0) return finding('stamp.parts');
    if (!(spacing > 0)) return finding('stamp.spacing');
    const least = pathLength(lineOf(params)) / MOST;
    if (spacing < least) return finding('stamp.count', MOST, least);
    const nodes = nodesOfContours(shape).length;
    // Counting the stamps takes the line's length alone.
    return nodes * (pathLength(lineOf(params)) / spacing + 1) > MOST_NODES
      ? finding('stamp.nodes', MOST_NODES)
      : null;
  },
  partSizes: ({ shape }) => [shape.length],
  painted: ({ colours, seed }, { paint, rule }, parts) =>
    colours === 0
      ? null
      : stampChances(seed, parts).map(({ light, hue }) => ({
          rule,
          paint: variedPaint(paint, colours * light, colours * hue),
        })),
  paths: (params) => {
    const stations = stationsOf(params);
    const chances = stampChances(params.seed, stations.length);
    const shape = pathsOfContours(params.shape);
    return stations.flatMap((station, k) => {
      const map = mapAt(station, params.facing, 1 + params.sizes * (chances[k]?.size ?? 0));
      return shape.map((path) => mapPath(path, map));
    });
  },
  grips: ({ along }) => nodeGrips(along, 'along', (next) => ({ along: next })),
  facts: (params) => [
    { caption: 'Stamps', value: stampCount(params), as: 'plain' },
    { caption: 'Line', value: pathLength(lineOf(params)), as: 'length' },
  ],
};
