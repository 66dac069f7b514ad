/**
 * What is made of several shapes, or of one's outline: live combinations, divisions, bands, offsets.
 *
 * @example
 * const cut = combineShapes(figure, 'petals', new Set(['petal', 'hole']), 'subtract', newId);
 */
import { taskOf, type Work } from '@/core/derive';
import { ok, type Result } from '@/core/finding';
import {
  type Affine,
  boundsOfPaths,
  compose,
  contoursOfPaths,
  lengthOf,
  mapPath,
  middleOf,
  MIRROR,
  moveMap,
  type Path,
  reversedPath,
  scaleBy,
  turnMap,
} from '@/core/curve';
import {
  band,
  type BandParams,
  type Form,
  formFinding,
  formOfPaths,
  isSolved,
  offset,
  pathsOfForm,
} from '@/core/maker';
import { movedShape } from '../carried';
import { insideOf, isInside, MERGED, type MergeRequest } from '@/core/merge';
import {
  addTurns,
  equalTurns,
  multiplyTurn,
  negateTurn,
  NO_TURN,
  turn,
  type Turn,
  wrapTurn,
} from '@/core/number';
import { placedPaint } from '@/core/paint';
import type { Paint, SceneLayer } from '@/core/scene';
import { areaOfShape, isLive, operandOfShape, paintOfArea, resolvedMotif } from '../combined';
import { withNewGroup, withTree } from '../grouping';
import { groupOf, nodeKey, motifTree, shapesIn, withShapesAndGroups, type MotifNode } from '../groups';
import {
  LIMITS,
  type CombineOp,
  type Figure,
  type Group,
  type Round,
  type Shape,
  type RoundId,
  type ShapeId,
} from '../model';
import { newShape } from '../start';
import { roundOf, withRound } from './rounds';
import { withPlacedPlain } from './shapes';

const chosenOf = (figure: Figure, roundId: RoundId, shapeIds: ReadonlySet<ShapeId>): Shape[] =>
  roundOf(figure, roundId).shapes.filter(({ id }) => shapeIds.has(id));

/** How shapes are combined that are one group; null where they are not. */
export function combinedOf(round: Round, shapes: readonly Shape[]): (Group & { op: CombineOp }) | null {
  const group = groupOf(round, shapes);
  return group?.op ? { ...group, op: group.op } : null;
}

/**
 * Combines shapes live: they stay shapes that can be moved and edited, and are drawn as what they make together. Done again of the
 * same shapes, the operation changes.
 */
export const combineShapes = (
  figure: Figure,
  roundId: RoundId,
  shapeIds: ReadonlySet<ShapeId>,
  op: CombineOp,
  newId: () => string,
): Figure =>
  withRound(figure, roundId, (round) => withNewGroup(round, shapeIds, newId, { op }, 'back')?.round ?? round);

/** The live groups that some shapes are all of, the outermost of each; and shapes that are live by themselves. */
function liveNodes(round: Round, shapeIds: ReadonlySet<ShapeId>): MotifNode[] {
  const visit = (nodes: readonly MotifNode[]): MotifNode[] =>
    nodes.flatMap((node): MotifNode[] => {
      if (node.kind === 'shape') return node.shape.axis && shapeIds.has(node.shape.id) ? [node] : [];
      const isChosen = isLive(node.group) && shapesIn(node).some(({ id }) => shapeIds.has(id));
      return isChosen ? [node] : visit(node.nodes);
    });
  return visit(motifTree(round));
}

/** Lets combined shapes be seen by themselves again, as they are. */
export function takeApart(figure: Figure, roundId: RoundId, shapeIds: ReadonlySet<ShapeId>): Figure {
  return withRound(figure, roundId, (round) => {
    const live = new Set(liveNodes(round, shapeIds).map(nodeKey));
    if (live.size === 0) return round;
    const visit = (nodes: readonly MotifNode[]): MotifNode[] =>
      nodes.flatMap((node): MotifNode[] => {
        if (node.kind === 'group')
          return live.has(node.group.id) ? [...node.nodes] : [{ ...node, nodes: visit(node.nodes) }];
        const { axis: _, ...shape } = node.shape;
        return [live.has(shape.id) ? { ...node, shape } : node];
      });
    return withTree(round, visit(motifTree(round)));
  });
}

/** What combined shapes, and those made their own reflection, are drawn as, as plain paths in their place; ids of what is left. */
export function makeCombinedPlain(
  figure: Figure,
  roundId: RoundId,
  shapeIds: ReadonlySet<ShapeId>,
  work: Work,
): { figure: Figure; ids: string[] } {
  const ids: string[] = [];
  const after = withRound(figure, roundId, (round) => {
    const live = new Set(liveNodes(round, shapeIds).map(nodeKey));
    if (live.size === 0) return round;
    const drawn = resolvedMotif(round, work);
    const visit = (nodes: readonly MotifNode[]): MotifNode[] =>
      nodes.flatMap((node): MotifNode[] => {
        if (!live.has(nodeKey(node)))
          return node.kind === 'shape' ? [node] : [{ ...node, nodes: visit(node.nodes) }];
        const own = new Set(shapesIn(node).map(({ id }) => id));
        const made = drawn.filter((each) => each.ids.some((id) => own.has(id)) && each.shape.visible);
        return made.map(({ shape: { axis: _, ...shape } }): MotifNode => {
          ids.push(shape.id);
          return { kind: 'shape', shape };
        });
      });
    return withTree(round, visit(motifTree(round)));
  });
  return { figure: after, ids };
}

/** Replaces shapes by others, in the place of the frontmost of them. */
function replaceShapes(
  figure: Figure,
  roundId: RoundId,
  shapeIds: ReadonlySet<ShapeId>,
  made: readonly Shape[],
): Figure {
  const chosen = chosenOf(figure, roundId, shapeIds);
  const front = chosen[chosen.length - 1];
  return withRound(figure, roundId, (round) =>
    withShapesAndGroups(
      round,
      round.shapes.flatMap((shape) =>
        shape.id === front?.id ? made : shapeIds.has(shape.id) ? [] : [shape],
      ),
      round.groups ?? [],
    ),
  );
}

/**
 * Divides shapes along all their outlines into plain ones, one for each cell that any of them covers, with the paint of the
 * frontmost that covers it.
 */
export function divideShapes(
  before: Figure,
  roundId: RoundId,
  chosenIds: ReadonlySet<string>,
  newId: () => string,
  work: Work,
): Result<{ figure: Figure; ids: string[] }> {
  const { figure, ids: shapeIds } = withPlacedPlain(before, roundId, chosenIds, newId, work);
  const chosen = chosenOf(figure, roundId, shapeIds).filter(
    (shape) => areaOfShape(shape, work).paths.length > 0,
  );
  if (chosen.length === 0) return ok({ figure: before, ids: [] });
  const request: MergeRequest = {
    op: 'divide',
    among: 'copies',
    operands: chosen.map((shape) => operandOfShape(shape, work)),
  };
  const outlines = chosen.map((shape) => areaOfShape(shape, work));
  const divided = work.ask(taskOf(MERGED, request)) ?? ok([]);
  if (!divided.ok) return divided;
  const made = divided.value.flatMap((placed): Shape[] => {
    const at = insideOf(placed, Math.abs(boxArea(placed)));
    const over = chosen.filter((_, k) => {
      const { paths, rule } = outlines[k] ?? { paths: [], rule: 'nonzero' as const };
      return isInside(paths, at) && (rule === 'nonzero' || covers(paths, at));
    });
    const top = over[over.length - 1];
    if (!top) return [];
    const shape = newShape(newId(), 'Cell', formOfPaths(placed), paintOfArea(top));
    return [{ ...shape, rule: 'nonzero' }];
  });
  const named = made.map((shape, k) => ({ ...shape, name: `Cell ${k + 1}` }));
  return ok({ figure: replaceShapes(figure, roundId, shapeIds, named), ids: named.map(({ id }) => id) });
}

const boxArea = (paths: readonly Path[]): number => {
  const { left, right, top, bottom } = boundsOfPaths(paths);
  return (right - left) * (bottom - top);
};

/** Inside by the even-odd rule: of each path for itself, an odd number. */
const covers = (paths: readonly Path[], at: { x: number; y: number }): boolean =>
  paths.filter((path) => isInside([path], at)).length % 2 === 1;

/** Puts a construction about the middle of what it is made of, so that it is held there. */
function centred(paths: readonly Path[]): {
  at: { x: number; y: number };
  contours: ReturnType<typeof contoursOfPaths>;
} {
  const { left, right, top, bottom } = boundsOfPaths(paths);
  const at = { x: (left + right) / 2, y: (top + bottom) / 2 };
  const back = moveMap({ x: -at.x, y: -at.y });
  return { at, contours: contoursOfPaths(paths.map((path) => mapPath(path, back))) };
}

/**
 * Makes bands of shapes' lines: with the stroke's width, cap and join where they have one. A fill stays behind as a shape of its own, which
 * its band follows.
 * @returns the ids of the bands
 */
export function makeBands(
  before: Figure,
  roundId: RoundId,
  chosenIds: ReadonlySet<string>,
  newId: () => string,
  work: Work,
): { figure: Figure; ids: string[] } {
  const { figure, ids: shapeIds } = withPlacedPlain(before, roundId, chosenIds, newId, work);
  const ids: string[] = [];
  const changed = withRound(figure, roundId, (round) => ({
    ...round,
    shapes: round.shapes.flatMap((shape): Shape[] => {
      if (!shapeIds.has(shape.id) || shape.form.kind === 'band') return [shape];
      const { stroke, fill } = shape.paint;
      const { at, contours } = centred(pathsOfForm(shape.form, work));
      const params: BandParams = {
        ...band.start,
        along: contours,
        ...(stroke && {
          width: stroke.width,
          cap: stroke.cap,
          join: stroke.join,
          limit: stroke.limit ?? band.start.limit,
          dashes: stroke.dashes ?? [],
        }),
      };
      const form: Form = { kind: 'band', at, rotation: NO_TURN, params };
      if (formFinding(form, work) !== null) return [shape];
      const keepsFill = stroke !== null && fill !== null;
      const id = keepsFill ? newId() : shape.id;
      ids.push(id);
      const colour: Paint = { fill: stroke?.colour ?? fill ?? '#113d4c', stroke: null };
      const { inputs: _, ...rest } = shape;
      const made: Shape = {
        ...rest,
        ...(keepsFill && !isSolved(shape.form) && { inputs: { along: shape.id } }),
        id,
        name: `Band ${shape.name}`.slice(0, LIMITS.name),
        form,
        rule: 'nonzero',
        paint: colour,
      };
      return keepsFill ? [{ ...shape, paint: { fill, stroke: null } }, made] : [made];
    }),
  }));
  return { figure: changed, ids };
}

/** Makes an offset of each closed shape, which it follows: behind it for an outward distance and in front of it for an inward one. */
export function offsetShapes(
  before: Figure,
  roundId: RoundId,
  chosenIds: ReadonlySet<string>,
  away: number,
  newId: () => string,
  work: Work,
): { figure: Figure; ids: string[] } {
  const { figure, ids: shapeIds } = withPlacedPlain(before, roundId, chosenIds, newId, work);
  const ids: string[] = [];
  const changed = withRound(figure, roundId, (round) => ({
    ...round,
    shapes: round.shapes.flatMap((shape): Shape[] => {
      if (!shapeIds.has(shape.id)) return [shape];
      const { at, contours } = centred(pathsOfForm(shape.form, work));
      const form: Form = {
        kind: 'offset',
        at,
        rotation: NO_TURN,
        params: { ...offset.start, shape: contours, rule: shape.rule, away },
      };
      if (formFinding(form, work) !== null) return [shape];
      const { group: _, inputs: __, ...rest } = shape;
      const made: Shape = {
        ...rest,
        id: newId(),
        name: `Offset ${shape.name}`.slice(0, LIMITS.name),
        form,
        ...(!isSolved(shape.form) && { inputs: { shape: shape.id } }),
        rule: 'nonzero',
      };
      ids.push(made.id);
      return away > 0 ? [made, shape] : [shape, made];
    }),
  }));
  return { figure: changed, ids };
}

/** Takes away what of shapes reaches past the frontmost of them, which goes; each keeps its paint. */
export function trimToShape(
  figure: Figure,
  roundId: RoundId,
  shapeIds: ReadonlySet<ShapeId>,
  newId: () => string,
  work: Work,
): { figure: Figure; ids: string[] } {
  const clip = combineShapes(figure, roundId, shapeIds, 'clip', newId);
  return clip === figure ? { figure, ids: [] } : makeCombinedPlain(clip, roundId, shapeIds, work);
}

/** Where turns are even, and all of a turn: how many; null where they are not. */
function evenTurns(turns: readonly Turn[]): number | null {
  const n = turns.length;
  const [first = NO_TURN] = turns;
  const wanted = Array.from({ length: n }, (_, k) => wrapTurn(addTurns(first, multiplyTurn(turn(1, n), k))));
  const had = turns.map(wrapTurn);
  return wanted.every((t) => had.some((each) => equalTurns(each, t))) ? n : null;
}

const mapped = (path: Path, m: Affine, mirrored: boolean): Path =>
  mirrored ? reversedPath(mapPath(path, m)) : mapPath(path, m);

/**
 * Makes everything live of a round plain: what it is seen as becomes paths, in rounds of the folds that they have. The first takes the
 * round's place, others lie behind it; what the round did to others it does no more.
 * @param layers those of the round's scene, with its merges made
 */
export function makeRoundPlain(
  figure: Figure,
  roundId: RoundId,
  layers: readonly SceneLayer[],
  newId: () => string,
): Figure {
  const round = roundOf(figure, roundId);
  const byFold = new Map<number, Shape[]>();
  const put = (fold: number, paths: readonly Path[], paint: Paint, rule: Shape['rule']): void => {
    const list = byFold.get(fold) ?? [];
    byFold.set(fold, list);
    const shape = newShape(
      newId(),
      `${round.name} ${list.length + 1}`.slice(0, LIMITS.name),
      formOfPaths(paths),
      paint,
    );
    list.push({ ...shape, rule });
  };
  for (const { items, copies } of layers) {
    const fold = copies.every((copy) => !copy.transform && !copy.items)
      ? evenTurns(copies.map((c) => c.turn))
      : null;
    const places = fold === null ? copies : copies.slice(0, 1);
    for (const place of places) {
      const start = fold === null || fold === 1 ? NO_TURN : round.rule.start;
      const away = turnMap(addTurns(place.turn, negateTurn(start)));
      const map = place.transform ? compose(away, place.transform) : away;
      for (const item of place.items ?? items) {
        const m = item.mirrored ? compose(map, MIRROR) : map;
        put(
          fold ?? 1,
          item.paths.map((path) => mapped(path, m, item.mirrored)),
          placedPaint(item.paint, m),
          item.rule,
        );
      }
    }
  }
  if (byFold.size === 0) return figure;
  const { id, name, visible, locked, frame, blend, opacity } = round;
  // Opacity and blend stay with the rounds; how its copies were made goes.
  const look = { visible, locked, frame, ...(blend && { blend }), ...(opacity !== undefined && { opacity }) };
  const rounds = [...byFold]
    .sort(([a], [b]) => (a === round.rule.fold ? 1 : b === round.rule.fold ? -1 : b - a))
    .map(([fold, shapes], k, all): Round => {
      const last = k === all.length - 1;
      const rule = { fold, mirror: false, start: fold === 1 ? NO_TURN : round.rule.start };
      const own = last ? { id, name } : { id: newId(), name: `${name} ×${fold}`.slice(0, LIMITS.name) };
      return { ...look, ...own, rule, shapes, merge: null };
    });
  return { ...figure, rounds: figure.rounds.flatMap((each) => (each.id === roundId ? rounds : [each])) };
}

/** Moves shapes outward, each along the direction from the centre to its own middle, to part them evenly. */
export function spreadOutward(
  figure: Figure,
  roundId: RoundId,
  shapeIds: ReadonlySet<ShapeId>,
  by: number,
  work: Work,
): Figure {
  return withRound(figure, roundId, (round) => ({
    ...round,
    shapes: round.shapes.map((shape) => {
      if (!shapeIds.has(shape.id)) return shape;
      const paths = pathsOfForm(shape.form, work);
      const middle = middleOf(paths);
      const r = lengthOf(middle);
      if (r < 1e-9) return shape;
      return movedShape(shape, scaleBy(middle, by / r), false);
    }),
  }));
}
