import { compose, scaleMap, turnMap } from '../curve/affine';
import { boundsOfPaths } from '../curve/bounds';
import { nodesOfContours, pathsOfContours, type Contour } from '../curve/contours';
import { gapOfCurves } from '../curve/gap';
import { mapPath, type Path } from '../curve/path';
import { lengthOf, ORIGIN, polarOf } from '../curve/point';
import { windingNumber } from '../curve/winding';
import { bisected } from '../number/solve';
import {
  addTurns,
  degreesOf,
  multiplyTurn,
  turn,
  turnFromDegrees,
  wrapTurn,
  type Turn,
} from '../number/turn';
import { alongTurn } from '../symmetry/wedge';
import type { Maker } from './construction';
import { endsFields } from './whirl';

export type NestNumbers = {
  /** One closed contour with 0, 0 inside it. */
  readonly shape: readonly Contour[];
  readonly angle: Turn;
  readonly ends: 'count' | 'size';
  readonly count: number;
  /** Where the whirl ends by size: the least share of the outermost. */
  readonly smallest: number;
};

const MOST = 200;

/** Nearer than this to 1, a shape that is turned is its own image. */
const SAME = 1 - 1e-4;

const solved = new WeakMap<readonly Contour[], Map<string, number | null>>();

/**
 * How much smaller a shape is that stands turned inside its equal and just touches it; null where it falls on itself. The largest
 * scale about 0, 0 at which the curves do not cross, by bisection on their true distance; touching is where two small gaps
 * lead to, as with neighbours.
 */
export function nestFactor(shape: readonly Contour[], angle: Turn): number | null {
  const known = solved.get(shape) ?? new Map<string, number | null>();
  solved.set(shape, known);
  const key = `${angle.num}/${angle.den}`;
  const before = known.get(key);
  if (before !== undefined) return before;
  const factor = solveFactor(pathsOfContours(shape), angle);
  known.set(key, factor);
  return factor;
}

function solveFactor(outer: readonly Path[], angle: Turn): number | null {
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

function countOf({ shape, angle, ends, count, smallest }: NestNumbers): number {
  if (ends === 'count') return count;
  const factor = nestFactor(shape, angle);
  return factor === null ? 1 : Math.min(MOST, 1 + Math.floor(Math.log(smallest) / Math.log(factor) + 1e-9));
}

const square = (r: number): Contour => ({
  closed: true,
  nodes: [0, 1, 2, 3].map((k) => ({ ...alongTurn(turn(k, 4), r), kind: 'corner' })),
});

/** Any closed shape turned and shrunk inward again and again, each just touching the one outside it. */
export const nest: Maker<NestNumbers> = {
  name: 'Whirl of a shape',
  fields: [
    { key: 'shape', label: 'Shape', type: 'drawn' },
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
  problem: ({ shape, angle }) => {
    const [path, another] = pathsOfContours(shape);
    if (!path?.closed || another) return 'A whirl needs one closed shape.';
    if (windingNumber(path, ORIGIN, 1e-9) === 0)
      return 'The middle of this shape lies outside it: nothing can shrink towards it.';
    const degrees = degreesOf(wrapTurn(angle));
    if (degrees === 0 || nestFactor(shape, angle) === null)
      return `Turned by ${Number(degrees.toPrecision(6))}° the shape falls on itself: take another angle.`;
    return null;
  },
  paths: (numbers) => {
    const { shape, angle } = numbers;
    const factor = nestFactor(shape, angle) ?? 1;
    const outer = pathsOfContours(shape);
    return Array.from({ length: countOf(numbers) }, (_, k) => {
      const m = compose(turnMap(multiplyTurn(angle, k)), scaleMap(factor ** k, ORIGIN));
      return outer.map((path) => mapPath(path, m));
    }).flat();
  },
  grips: ({ shape, angle }) => {
    // The first corner of the second one: dragged round, it says how far each is turned.
    const [corner] = nodesOfContours(shape);
    if (!corner || lengthOf(corner) === 0) return [];
    const start = polarOf(corner);
    const factor = nestFactor(shape, angle) ?? 1;
    const at = alongTurn(addTurns(turnFromDegrees(start.degrees), angle), start.r * factor);
    return [
      {
        id: 'turn',
        at,
        drag: (to) => ({ angle: wrapTurn(turnFromDegrees(polarOf(to).degrees - start.degrees)) }),
      },
    ];
  },
  facts: (numbers) => [
    { caption: 'Each is times', value: nestFactor(numbers.shape, numbers.angle) ?? 1, as: 'plain' },
    { caption: 'Count', value: countOf(numbers), as: 'plain' },
  ],
};
