import {
  type Affine,
  applyTo,
  compose,
  cubic,
  line,
  mapPath,
  MIRROR,
  moveMap,
  type Path,
  type Point,
  type Segment,
  turnMap,
} from '@/core/curve';
import { circlePath } from '@/core/maker';
import type { DrawnShape } from '@/core/format/drawing';
import { turn, turnFromDegrees } from '@/core/number';
import type { Chance } from './anyFigure';

/** How finished artwork is made of rounds. */
export interface Making {
  readonly chance: Chance;
  /** Decimals that coordinates are written with; null for all of them. */
  readonly decimals: number | null;
  readonly isShuffled: boolean;
  /** Where it stands, and how it is turned. */
  readonly at: Point;
  readonly degrees: number;
  /** Shares of copies that are missing and that are off, of rounds with five copies and more; a fifth of them at most. */
  readonly missing: number;
  readonly off: number;
}

/** What is known of one shape of a round. */
interface Known {
  readonly fold: number;
  readonly mirror: boolean;
  /** Copies that are as they should be. */
  readonly right: readonly DrawnShape[];
}

export interface Artwork {
  readonly shapes: readonly DrawnShape[];
  readonly known: readonly Known[];
}

export const shape = (path: Path, fill: string): DrawnShape => ({
  kind: 'shape',
  name: null,
  paths: [path],
  rule: 'nonzero',
  paint: { fill, stroke: null },
});

/** Copies of a path about 0, 0. */
export const turnedShapes = (path: Path, fold: number, fill: string): DrawnShape[] =>
  Array.from({ length: fold }, (_, k) => shape(mapPath(path, turnMap(turn(k, fold))), fill));

/** A closed path about a point, of no symmetry. */
function blob(chance: Chance, at: Point, size: number): Path {
  const count = chance.whole(3, 6);
  const nodes = Array.from({ length: count }, (_, k) => {
    const angle = ((k + chance.between(0, 0.6)) / count) * 2 * Math.PI;
    const r = size * chance.between(0.4, 1);
    return { x: at.x + r * Math.cos(angle), y: at.y + r * Math.sin(angle) };
  });
  const segments = nodes.map((from, k): Segment => {
    const to = nodes[(k + 1) % count] as Point;
    if (chance.share() < 0.4) return line(from, to);
    const bent = (share: number): Point => ({
      x: from.x + share * (to.x - from.x) + size * chance.between(-0.15, 0.15),
      y: from.y + share * (to.y - from.y) + size * chance.between(-0.15, 0.15),
    });
    return cubic(from, bent(0.3), bent(0.7), to);
  });
  return { closed: true, segments };
}

/** A petal along the axis, its own reflection in it. */
function petal(chance: Chance, radius: number, size: number): Path {
  const [top, base] = [
    { x: 0, y: -radius - size },
    { x: 0, y: -radius + size },
  ];
  const [wide, high] = [size * chance.between(0.2, 0.7), size * chance.share()];
  return {
    closed: true,
    segments: [
      cubic(top, { x: wide, y: top.y + high }, { x: wide, y: base.y - high / 2 }, base),
      cubic(base, { x: -wide, y: base.y - high / 2 }, { x: -wide, y: top.y + high }, top),
    ],
  };
}

/** A path with its coordinates rounded, as a file has them. */
function rounded(path: Path, decimals: number | null): Path {
  if (decimals === null) return path;
  const unit = 10 ** decimals;
  const at = ({ x, y }: Point): Point => ({ x: Math.round(x * unit) / unit, y: Math.round(y * unit) / unit });
  return {
    closed: path.closed,
    segments: path.segments.map((segment) => {
      const [from, to] = [at(segment.from), at(segment.to)];
      if (segment.kind === 'cubic') return cubic(from, at(segment.out), at(segment.in), to);
      return segment.kind === 'line' ? line(from, to) : { ...segment, from, to, centre: at(segment.centre) };
    }),
  };
}

const COLOURS = ['#113d4c', '#d9512c', '#e9b44c', '#84c5b4', '#1f8a76', '#f2e6d0'];

/** A path for a round, in its upright wedge. */
function motifOf(chance: Chance, fold: number, radius: number, mayBePetal: boolean): Path {
  const size = Math.min(9, (2 * radius) / fold + 1.5) * chance.between(0.5, 0.9);
  const aside = turnFromDegrees(chance.share() * (180 / fold) * 0.8);
  const at = applyTo(turnMap(aside), { x: 0, y: -radius });
  const sort = chance.share();
  if (sort < 0.3 && mayBePetal) return petal(chance, radius, size);
  return sort < 0.5 ? circlePath(at, size / 2) : blob(chance, at, size);
}

/** Finished artwork: rounds with one or two shapes each as dead paths, of which nothing says how they were made. */
export function finishedArtwork(rounds: number, making: Making): Artwork {
  const { chance, decimals, at, degrees, isShuffled } = making;
  const whole = compose(moveMap(at), turnMap(turnFromDegrees(degrees)));
  const shapes: DrawnShape[] = [];
  const known: Known[] = [];
  const addShape = (path: Path, fold: number, mirror: boolean, start: number): void => {
    const fill = chance.of(COLOURS);
    const right: DrawnShape[] = [];
    let [gone, off] = [0, 0];
    const isSpared = (): boolean => fold < 5 || gone + off >= fold / 5;
    const maps = Array.from({ length: fold }, (_, k): Affine[] => {
      const turned = turnMap(turn(start * fold + 360 * k, 360 * fold));
      return mirror ? [compose(turned, MIRROR), turned] : [turned];
    }).flat();
    for (const map of maps) {
      const lot = chance.share();
      if (lot < making.missing && !isSpared()) {
        gone += 1;
        continue;
      }
      const isOff = lot < making.missing + making.off && !isSpared();
      if (isOff) off += 1;
      const shift = moveMap({ x: isOff ? chance.between(1, 2) : 0, y: 0 });
      const drawn = shape(rounded(mapPath(path, compose(whole, compose(map, shift))), decimals), fill);
      if (!isOff) right.push(drawn);
      shapes.push(drawn);
    }
    known.push({ fold, mirror, right });
  };
  for (let r = 0; r < rounds; r += 1) {
    const fold = 2 + Math.floor(59 * chance.share() ** 2);
    const mirror = chance.share() < 0.4;
    const start = chance.whole(0, 359);
    for (let s = 0; s < (chance.share() < 0.3 ? 2 : 1); s += 1)
      addShape(
        motifOf(chance, fold, 25 + 30 * r + 12 * s + chance.between(0, 4), !mirror),
        fold,
        mirror,
        start,
      );
  }
  const keyed = shapes.map((each) => ({ each, key: chance.share() }));
  return { shapes: isShuffled ? keyed.sort((a, b) => a.key - b.key).map(({ each }) => each) : shapes, known };
}
