import { firstNodeOf, nodesOfContours, pathsOfContours, type Contour } from '../curve/contours';
import { pathLength } from '../curve/length';
import { movedNode } from '../curve/nodes';
import { signedArea } from '../curve/path';
import { subtract, type Point } from '../curve/point';
import type { BandCap, BandJoin, BandLook } from '../merge/band';
import type { OutlineTask } from '../merge/outlines';
import type { Maker } from './construction';
import { JOIN_FIELDS, outlined } from './outlined';

export type BandNumbers = {
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
const MOST_DASHES = 2000;

function taskOf({ along, width, side, join, limit, cap, widths, dashes }: BandNumbers): OutlineTask {
  const look = { width, side, join, limit, cap, widths, dashes };
  return { kind: 'bands', paths: pathsOfContours(along), look };
}

const drawn = outlined(taskOf, 'This line is too short for a band.');

/** Contours whose nodes can be dragged, as grips of a construction that keeps them. */
export const nodeGrips = <P>(contours: readonly Contour[], put: (next: readonly Contour[]) => P) =>
  nodesOfContours(contours).map((node, k) => ({
    id: `node ${k + 1}`,
    at: { x: node.x, y: node.y },
    drag: (to: Point): P =>
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
export const band: Maker<BandNumbers> = {
  name: 'Band',
  fields: [
    { key: 'along', label: 'Along', type: 'drawn' },
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
    { key: 'widths', label: 'Widths along', type: 'list', most: 40 },
    { key: 'dashes', label: 'Dashes', type: 'list', most: 20 },
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
  problem: (numbers) => {
    const { along, width, widths, dashes } = numbers;
    if (along.length === 0) return 'A band needs a line.';
    if (!(width > 0)) return 'A band needs a width above 0.';
    if (widths.length === 1) return 'Widths along need two numbers at least: at the start and at the end.';
    if (widths.length > 0 && !widths.some((each) => each > 0)) return 'One of the widths is above 0.';
    if (nodesOfContours(along).length > MOST_NODES) return `A band has ${MOST_NODES} nodes at most.`;
    const period = dashes.reduce((sum, each) => sum + each, 0);
    if (dashes.length > 0 && !(period > 0)) return 'One of the dashes is above 0.';
    const length = pathsOfContours(along).reduce((sum, path) => sum + pathLength(path), 0);
    if (dashes.length > 0 && (length / period) * dashes.length > MOST_DASHES)
      return `There are ${MOST_DASHES} dashes at most: make them longer.`;
    return drawn.problem(numbers);
  },
  // All outlines of a band with their holes are one part.
  partSizes: (numbers) => [Math.max(1, drawn.paths(numbers).length)],
  paths: drawn.paths,
  grips: ({ along }) => nodeGrips(along, (next) => ({ along: next })),
  facts: (numbers) => [
    {
      caption: 'Line',
      value: pathsOfContours(numbers.along).reduce((sum, path) => sum + pathLength(path), 0),
      as: 'length',
    },
    { caption: 'Area', value: signedArea(drawn.paths(numbers)), as: 'plain' },
  ],
};
