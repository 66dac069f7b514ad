/**
 * A round whose shapes lie edge to edge, as coats of paint that reach under one another (core/merge/stacked), so that nothing shows between
 * them: octants of a square, facets along a fold.
 *
 * @example
 * const stack = stackOf(round, layers);
 * const coats = stack && work.ask(stack.task);
 */
import { boundsOfPaths, lengthOf, type Path, pointAt } from '@/core/curve';
import { addTurns, negateTurn, type Turn } from '@/core/number';
import { type Task, taskOf } from '@/core/derive';
import { type MergeShape, type Nested, type PlacedShape, STACKED } from '@/core/merge';
import { isGradient, isOpaque } from '@/core/paint';
import { type Colour, itemsAt, type SceneCopy, type SceneItem, type SceneLayer } from '@/core/scene';
import { isSharing } from './sharing';
import type { Round } from './model';

/** More shapes in all copies than this are drawn as they are; and so many cells, about, as they make of one another. */
const MOST_PLACED = 400;
const MOST_CELLS = 1500;

interface Stack {
  readonly task: Task<Nested>;
  readonly colours: readonly Colour[];
}

/** The colour of an item that hides all that is beneath it; null for others. */
function coverOf({ paint: { fill, stroke }, laid, shown }: SceneItem): Colour | null {
  // What is one picture at several places stays that.
  if (laid || shown) return null;
  return fill !== null && !isGradient(fill) && stroke === null && isOpaque(fill) ? fill : null;
}

const isWholeTurn = ({ rule, whirl, variation, omitted }: Round): boolean =>
  !rule.sweep && !rule.alternate && !whirl && !variation && !omitted;

/** Laid on what is beneath as it is. */
const isPlain = ({ blend, opacity, relief }: Round): boolean =>
  (blend === undefined || blend === 'normal') && (opacity ?? 1) === 1 && !relief;

const isPlainCopy = ({ transform, opacity }: SceneCopy): boolean => !transform && opacity === undefined;

/** The stack that a round's shapes are; null where they are drawn as they are, as most are. */
export function stackOf(round: Round, layers: readonly SceneLayer[]): Stack | null {
  if (round.merge || !isPlain(round) || !isWholeTurn(round)) return null;
  if (!layers.every(({ copies }) => copies.every(isPlainCopy))) return null;
  const count = layers.reduce((sum, { items, copies }) => sum + items.length * copies.length, 0);
  if (count < 2 || count > MOST_PLACED) return null;
  const shapes: MergeShape[] = [];
  const known = new Map<SceneItem['paths'], number>();
  const colours: Colour[] = [];
  const placed: PlacedShape[] = [];
  for (const layer of layers)
    for (const copy of layer.copies)
      for (const item of itemsAt(layer, copy)) {
        const colour = coverOf(item);
        if (!colour) return null;
        const shape = known.get(item.paths) ?? shapes.push({ paths: item.paths, rule: item.rule }) - 1;
        known.set(item.paths, shape);
        if (!colours.includes(colour)) colours.push(colour);
        const turn = turnWithin(round, copy.turn);
        placed.push({ shape, turn, mirrored: item.mirrored, paint: colours.indexOf(colour) });
      }
  const { fold, mirror } = round.rule;
  const depth = shapes.reduce((sum, { paths }) => sum + copiesOver(paths, fold), 0);
  if (depth * placed.length > MOST_CELLS || !isSharing(shapes, { fold, mirror })) return null;
  return { task: taskOf(STACKED, { fold, mirror, shapes, placed }), colours };
}

/** How many copies of a shape lie over one another at most, by the angle in which it is seen from the centre. */
function copiesOver(paths: readonly Path[], fold: number): number {
  const points = paths.flatMap(({ segments }) => segments.flatMap((each) => [each.from, pointAt(each, 0.5)]));
  const { left, right, top, bottom } = boundsOfPaths(paths);
  if (left < 0 && right > 0 && top < 0 && bottom > 0) return fold;
  const angles = points.filter((p) => lengthOf(p) > 0).map(({ x, y }) => Math.atan2(x, -y));
  const span = Math.max(...angles) - Math.min(...angles);
  return Math.ceil((Math.min(span, 2 * Math.PI) * fold) / (2 * Math.PI) + 1e-9);
}

const turnWithin = ({ rule }: Round, turn: Turn): Turn => addTurns(turn, negateTurn(rule.start));

/** The layers of a stack in coats. */
export const stackedLayers = (round: Round, { colours }: Stack, coats: Nested): SceneLayer[] =>
  coats.flatMap(({ paint, parts }) =>
    parts.map(({ turns, loops }): SceneLayer => ({
      roundId: round.id,
      blend: round.blend,
      copies: turns.map((turn) => ({ turn: addTurns(turn, round.rule.start) })),
      items: [
        {
          origin: { of: 'outline', shapeIds: round.shapes.map(({ id }) => id) },
          paths: loops,
          paint: { fill: colours[paint] ?? null, stroke: null },
          rule: 'nonzero',
          mirrored: false,
        },
      ],
    })),
  );
