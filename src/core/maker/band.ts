import { finding } from '@/core/finding';
import {
  type Contour,
  firstNodeOf,
  movedNode,
  nodesOfContours,
  type Path,
  pathLength,
  pathsOfContours,
  type Point,
  signedArea,
  subtract,
} from '@/core/curve';
import { type BandCap, type BandJoin, type BandLook, BANDS, dashCount, MOST_DASHES } from '@/core/merge';
import { taskOf } from '@/core/derive';
import { remembered } from '../remembered';
import { MITER_LIMIT } from '@/core/paint';
import type { Stroke } from '@/core/scene';
import { JOIN_FIELDS, type Maker } from './construction';

export type BandParams = {
  /** The lines in the middle of the bands. */
  readonly along: readonly Contour[];
  readonly width: number;
  readonly side: BandLook['side'];
  readonly join: BandJoin;
  readonly limit: number;
  readonly cap: BandCap;
  readonly widths: readonly number[];
  readonly dashes: readonly number[];
};

const MOST_NODES = 3000;

const bandTask = remembered(({ along, width, side, join, limit, cap, widths, dashes }: BandParams) => {
  const look = { width, side, join, limit, cap, widths, dashes };
  return taskOf(BANDS, { paths: pathsOfContours(along), look });
});

/** Contours whose nodes can be dragged, as grips of a construction that keeps them. */
export const nodeGrips = <K extends string>(
  contours: readonly Contour[],
  field: K,
  put: (next: readonly Contour[]) => Readonly<Record<K, readonly Contour[]>>,
) =>
  nodesOfContours(contours).map((node, k) => ({
    id: `node ${k + 1}`,
    field,
    at: { x: node.x, y: node.y },
    drag: (to: Point) =>
      put(
        contours.map((contour, c) => ({
          ...contour,
          nodes: contour.nodes.map((each, n) =>
            firstNodeOf(contours, c) + n === k ? movedNode(each, subtract(to, each)) : each,
          ),
        })),
      ),
  }));

/** A line made into a closed shape that stays a line with a width: its joins, caps, side, widths along it and dashes. */
export const band: Maker<BandParams, readonly Path[]> = {
  name: 'Band',
  fields: [
    { key: 'along', label: 'Along', type: 'drawn', of: 'place' },
    { key: 'width', label: 'Width', type: 'length', when: ({ widths }) => widths.length === 0 },
    {
      key: 'side',
      label: 'Side',
      type: 'choice',
      choices: [
        ['middle', 'Middle'],
        ['outside', 'Outside'],
        ['inside', 'Inside'],
      ],
    },
    ...JOIN_FIELDS,
    {
      key: 'cap',
      label: 'Cap',
      type: 'choice',
      choices: [
        ['butt', 'Butt'],
        ['round', 'Round'],
        ['square', 'Square'],
      ],
      when: ({ along, dashes }) => dashes.length > 0 || along.some(({ closed }) => !closed),
    },
    { key: 'widths', label: 'Widths along', type: 'list', most: 40, lengths: true },
    { key: 'dashes', label: 'Dashes', type: 'list', most: 20, lengths: true },
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
    width: 4,
    side: 'middle',
    join: 'miter',
    limit: 4,
    cap: 'butt',
    widths: [],
    dashes: [],
  },
  problem: ({ along, width, widths, dashes }) => {
    if (along.length === 0) return finding('band.line');
    if (!(width > 0)) return finding('band.width');
    if (widths.length === 1) return finding('band.widths');
    if (widths.length > 0 && !widths.some((each) => each > 0)) return finding('band.widest');
    if (nodesOfContours(along).length > MOST_NODES) return finding('band.nodes', MOST_NODES);
    const period = dashes.reduce((sum, each) => sum + each, 0);
    if (dashes.length > 0 && !(period > 0)) return finding('band.dashes');
    return dashCount(pathsOfContours(along), dashes) > MOST_DASHES
      ? finding('band.manyDashes', MOST_DASHES)
      : null;
  },
  solve: bandTask,
  isOnePart: true,
  paths: (_, outlines) => outlines,
  grips: ({ along }) => nodeGrips(along, 'along', (next) => ({ along: next })),
  facts: (params, paths) => [
    {
      caption: 'Line',
      value: pathsOfContours(params.along).reduce((sum, path) => sum + pathLength(path), 0),
      as: 'length',
    },
    { caption: 'Area', value: signedArea(paths), as: 'plain' },
  ],
};

/** A stroke as the band that it is seen as. */
export const bandOfStroke = ({ width, cap, join, limit, dashes }: Omit<Stroke, 'colour'>): BandLook => ({
  width,
  cap,
  join,
  side: 'middle',
  limit: limit ?? MITER_LIMIT,
  widths: [],
  dashes: dashes ?? [],
});
