import { type TaskKind, taskOf } from '@/core/derive';
import { failed, finding, ok } from '@/core/finding';
import { remembered } from '../remembered';
import {
  boundsOfPaths,
  compose,
  type Contour,
  gapOfCurves,
  lengthOf,
  mapPath,
  nodesOfContours,
  ORIGIN,
  pathsOfContours,
  polarOf,
  scaleMap,
  turnMap,
  windingNumber,
} from '@/core/curve';
import {
  addTurns,
  bisected,
  degreesOf,
  multiplyTurn,
  turn,
  type Turn,
  turnFromDegrees,
  wrapTurn,
} from '@/core/number';
import { alongTurn } from '@/core/symmetry';
import type { Maker } from './construction';
import { endsFields } from './whirl';

export type NestParams = {
  /** One closed contour with 0, 0 inside it. */
  readonly shape: readonly Contour[];
  readonly angle: Turn;
  readonly ends: 'count' | 'size';
  readonly count: number;
  /** Where the whirl ends by size: the least share of the outermost. */
  readonly smallest: number;
};

const MOST = 200;
/** Of all shapes of a whirl together. */
const MOST_NODES = 100_000;

/** Nearer than this to 1, a shape that is turned is its own image. */
const SAME = 1 - 1e-4;

/**
 * How much smaller a shape is that stands turned inside its equal and just touches it; null where it falls on itself. The largest
 * scale about 0, 0 at which the curves do not cross, by bisection on their true distance; touching is where two small gaps
 * lead to, as with neighbours.
 */
export function nestFactor(shape: readonly Contour[], angle: Turn): number | null {
  const outer = pathsOfContours(shape);
  const turned = outer.map((path) => mapPath(path, turnMap(angle)));
  const gapAt = (factor: number): number =>
    gapOfCurves(
      turned.map((path) => mapPath(path, scaleMap(factor, ORIGIN))),
      outer,
    );
  if (gapAt(SAME) > 0) return null;
  const box = boundsOfPaths(outer);
  const size = Math.max(box.right - box.left, box.bottom - box.top);
  let low = SAME;
  for (let k = 0; k < 60 && !(gapAt(low) > 1e-4 * size); k += 1) low *= 0.8;
  const small = 1e-6 * size;
  const [near, nearer] = [2 * small, small].map((gap) => bisected(gapAt, gap, low, SAME)) as [number, number];
  return 2 * nearer - near;
}

interface NestInput {
  readonly shape: readonly Contour[];
  readonly angle: Turn;
}

/** Milliseconds for each pair of nodes, about: curves are compared with curves some hundred times. */
const COST_OF_PAIR = 0.2;

/** The factor from one shape of a whirl to the next; see `nestFactor`. */
export const NEST: TaskKind<NestInput, number> = {
  name: 'nest',
  cost: ({ shape }) => COST_OF_PAIR * nodesOfContours(shape).length ** 2,
  run: ({ shape, angle }) => {
    const factor = nestFactor(shape, angle);
    return factor === null ? failed(finding('nest.angle', degreesOf(wrapTurn(angle)))) : ok(factor);
  },
};

const nestTask = remembered(({ shape, angle }: NestParams) => taskOf(NEST, { shape, angle }));

const countOf = ({ ends, count, smallest }: NestParams, factor: number): number =>
  ends === 'count' ? count : Math.min(MOST, 1 + Math.floor(Math.log(smallest) / Math.log(factor) + 1e-9));

const square = (r: number): Contour => ({
  closed: true,
  nodes: [0, 1, 2, 3].map((k) => ({ ...alongTurn(turn(k, 4), r), kind: 'corner' })),
});

/** Any closed shape turned and shrunk inward again and again, each just touching the one outside it. */
export const nest: Maker<NestParams, number> = {
  name: 'Whirl of a shape',
  fields: [
    { key: 'shape', label: 'Shape', type: 'drawn', of: 'centroid' },
    { key: 'angle', label: 'Turns by', type: 'turn' },
    ...endsFields(MOST),
    {
      key: 'smallest',
      label: 'Smallest',
      type: 'share',
      least: 0.01,
      most: 1,
      when: ({ ends }) => ends === 'size',
    },
  ],
  start: { shape: [square(30)], angle: turn(1, 36), ends: 'count', count: 8, smallest: 0.1 },
  rule: 'evenodd',
  problem: ({ shape, angle, ends, count }) => {
    const [path, another] = pathsOfContours(shape);
    if (!path?.closed || another) return finding('nest.shape');
    if (windingNumber(path, ORIGIN, 1e-9) === 0) return finding('nest.middle');
    if (nodesOfContours(shape).length * (ends === 'count' ? count : 1) > MOST_NODES)
      return finding('nest.nodes', MOST_NODES);
    const degrees = degreesOf(wrapTurn(angle));
    return degrees === 0 ? finding('nest.angle', degrees) : null;
  },
  solve: nestTask,
  paths: (params, factor) => {
    const { shape, angle } = params;
    const outer = pathsOfContours(shape);
    return Array.from({ length: countOf(params, factor) }, (_, k) => {
      const m = compose(turnMap(multiplyTurn(angle, k)), scaleMap(factor ** k, ORIGIN));
      return outer.map((path) => mapPath(path, m));
    }).flat();
  },
  grips: ({ shape, angle }, factor = 1) => {
    // The first corner of the second one: dragged round, it says how far each is turned.
    const [corner] = nodesOfContours(shape);
    if (!corner || lengthOf(corner) === 0) return [];
    const start = polarOf(corner);
    const at = alongTurn(addTurns(turnFromDegrees(start.degrees), angle), start.r * factor);
    return [
      {
        id: 'turn',
        at,
        drag: (to) => ({ angle: wrapTurn(turnFromDegrees(polarOf(to).degrees - start.degrees)) }),
      },
    ];
  },
  facts: (params, _, factor = 1) => [
    { caption: 'Each is times', value: factor, as: 'plain' },
    { caption: 'Count', value: factor < 1 ? countOf(params, factor) : params.count, as: 'plain' },
  ],
};
