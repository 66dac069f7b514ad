/**
 * A symmetry offered for what a round of one copy has so far, and what becomes of the round where it is taken.
 *
 * @example
 * const offer = offerOf(round, work); // { fold: 6, from: 'copies', … }
 * const { figure: after } = takeOffer(figure, round.id, offer, newId, work);
 */
import {
  closedNodes,
  compose,
  distance,
  fittedNodes,
  mapPath,
  moveMap,
  ORIGIN,
  type Path,
  pathLength,
  pathOfNodes,
  type Point,
  stationsAlong,
  turnMap,
} from '@/core/curve';
import { rememberedWith, type Work } from '@/core/derive';
import {
  addRound,
  removeShapes,
  setFold,
  setForm,
  setMerge,
  setMirror,
  setStart,
  transformShapes,
} from '@/core/figure/commands';
import { type Figure, newRound, type Round, roundOf, type Shape, type RoundId } from '@/core/figure';
import { type Form, handParams, type HandParams, isBuilt, pathForm, pathsOfForm } from '@/core/maker';
import { addTurns, NO_TURN, turnFromDegrees } from '@/core/number';
import { goesRound, type HandStroke, type KeptStroke, type StrokeSymmetry } from './handStroke';
import { strokeSymmetry } from './strokes';

/** Points of a stroke that are compared, and of one that goes round. */
const POINTS = 48;
const FINE = 5 * POINTS;

/** The one line that a shape is: where the hand went, or its outline; null for what has several. */
function lineOf({ form }: Shape, work: Work): Path | null {
  if (form.kind === 'hand') {
    const [contour] = form.params.spine;
    const lies = compose(moveMap(form.at), turnMap(form.rotation));
    return contour ? mapPath(pathOfNodes(contour.nodes, false), lies) : null;
  }
  const paths = pathsOfForm(form, work);
  return paths.length === 1 ? (paths[0] ?? null) : null;
}

/** What a shape is as a stroke; kept with it, as only the newest is new when the next is looked at. */
const strokeOf = rememberedWith((shape: Shape, work: Work): HandStroke | null => {
  const path = lineOf(shape, work);
  const length = path ? pathLength(path) : 0;
  if (!path || length <= 0) return null;
  const parts = path.closed ? FINE : FINE - 1;
  const points = stationsAlong(
    path,
    Array.from({ length: FINE }, (_, k) => (k / parts) * length),
  ).map(({ point }) => point);
  const fine = { id: shape.id, points, closed: path.closed };
  if (goesRound(fine)) return fine;
  const few = points.filter((_, k) => k % (FINE / POINTS) === 0 || (k === FINE - 1 && !path.closed));
  return { ...fine, points: few };
});

/** True for a round whose one copy is drawn freely: nothing turns it or makes something of it. */
const isFree = ({ rule, merge, whirl, variation, progression, lowerAction, locked, motif }: Round): boolean =>
  rule.fold === 1 &&
  !rule.mirror &&
  !merge &&
  !whirl &&
  !variation &&
  !progression &&
  !lowerAction &&
  !locked &&
  !motif;

/** The symmetry that a round drawn freely most likely is to have; null where it is none, or nothing speaks for one. */
export const offerOf = rememberedWith((round: Round, work: Work): StrokeSymmetry | null => {
  if (!isFree(round) || (round.groups ?? []).some(({ op, bend }) => op || bend)) return null;
  const strokes = round.shapes
    .filter(({ visible, axis }) => visible && !axis)
    .flatMap((shape) => strokeOf(shape, work) ?? []);
  return strokeSymmetry(strokes);
});

/** A line by hand is followed within this part of its size. */
const CLOSE = 0.006;

const largest = (points: readonly Point[]): number =>
  Math.max(...points.map((p) => distance(p, points[0] ?? ORIGIN)));

/** Pressures as so many, along the same line. */
const pressuresOf = ({ pressures }: HandParams, count: number): number[] =>
  Array.from(
    { length: count },
    (_, k) => pressures[Math.round((k / Math.max(1, count - 1)) * (pressures.length - 1))] ?? 0.5,
  );

/** The form of what is kept of a shape. */
function keptForm({ form, paint }: Shape, { points, closed, isRound }: KeptStroke): Form {
  const [first = ORIGIN] = points;
  if (form.kind === 'hand') {
    const { params } = form;
    const pressures = pressuresOf(params, points.length);
    const own = points.map(({ x, y }, k) => ({
      x: x - first.x,
      y: y - first.y,
      pressure: pressures[k] ?? 0.5,
    }));
    const { width, thinning, taper, smoothing } = params;
    return {
      ...form,
      at: first,
      rotation: NO_TURN,
      params: handParams(own, { width, thinning, taper, smoothing }),
    };
  }
  const tolerance = CLOSE * largest(points);
  if (!isRound) {
    return closed
      ? pathForm(closedNodes([...points, first], tolerance), true)
      : pathForm(fittedNodes(points, tolerance), false);
  }
  const nodes = fittedNodes(points, tolerance);
  return paint.fill === null
    ? pathForm(nodes, false)
    : pathForm([{ x: 0, y: 0, kind: 'corner' }, ...nodes], true);
}

/** Whether what goes round is filled: its steps are then united, each a part out from the centre. */
const isFilledRound = (round: Round, { kept }: StrokeSymmetry): boolean =>
  kept.some(
    ({ id, isRound }) =>
      isRound &&
      round.shapes.some(
        (shape) => shape.id === id && shape.form.kind !== 'hand' && shape.paint.fill !== null,
      ),
  );

const inDegrees = (angle: number): number => Number(((angle * 180) / Math.PI).toFixed(6));

/** Strokes that go round the centre in a round of their own, below. */
function withStaying(figure: Figure, round: Round, stay: readonly string[], newId: () => string): Figure {
  if (stay.length === 0) return figure;
  const ids = new Set(stay);
  const own: Round = {
    ...newRound(newId(), `${round.name}, centre`, 1),
    rule: round.rule,
    shapes: round.shapes.filter(({ id }) => ids.has(id)),
  };
  const below = figure.rounds[figure.rounds.findIndex(({ id }) => id === round.id) - 1];
  const removed = removeShapes(figure, round.id, ids);
  const added = addRound(removed, own, below?.id);
  if (below) return added;
  return { ...added, rounds: [own, ...added.rounds.filter(({ id }) => id !== own.id)] };
}

/**
 * The figure with a symmetry that was offered for a round: of strokes that are alike one is kept, their mean, all others are turned along, and the
 * wedge stands where the motif was drawn.
 * @returns the figure, and the ids of what is kept of the strokes that were alike
 */
export function takeOffer(
  figure: Figure,
  roundId: RoundId,
  offer: StrokeSymmetry,
  newId: () => string,
  work: Work,
): { readonly figure: Figure; readonly ids: readonly string[] } {
  const round = roundOf(figure, roundId);
  const { kept, alone, stay, fold, mirror, axis } = offer;
  const left = new Set([...kept.map(({ id }) => id), ...alone.map(({ id }) => id), ...stay]);
  const isStroke = (shape: Shape): boolean => strokeOf(shape, work) !== null;
  const gone = round.shapes.filter((shape) => !left.has(shape.id) && shape.visible && isStroke(shape));
  // What is no stroke stays where it is, in the first copy.
  const others = round.shapes
    .filter((shape) => !left.has(shape.id) && !gone.includes(shape))
    .map(({ id }) => ({ id, by: -axis }));
  const without = new Set(gone.map(({ id }) => id));
  let after = removeShapes(withStaying(figure, round, stay, newId), roundId, without);
  // A construction keeps its numbers instead of being a mean of several.
  const built = kept.flatMap(({ id, by }) => {
    const shape = round.shapes.find((each) => each.id === id);
    return by !== undefined && shape && isBuilt(shape.form) && shape.form.kind !== 'hand' ? [{ id, by }] : [];
  });
  for (const { id, by } of [...alone, ...built, ...others])
    after = transformShapes(
      after,
      roundId,
      new Set([id]),
      { kind: 'rotate', by: turnFromDegrees(inDegrees(by)), about: ORIGIN },
      { copy: false, times: 1, newId },
      work,
    ).figure;
  for (const stroke of kept) {
    const shape = round.shapes.find(({ id }) => id === stroke.id);
    if (shape && !built.some(({ id }) => id === stroke.id))
      after = setForm(after, { roundId, shapeId: stroke.id }, keptForm(shape, stroke));
  }
  const turned = setMirror(setFold(after, roundId, fold), roundId, mirror);
  const placed = setStart(turned, roundId, addTurns(round.rule.start, turnFromDegrees(inDegrees(axis))));
  return {
    figure: isFilledRound(round, offer) ? setMerge(placed, roundId, 'union') : placed,
    ids: kept.map(({ id }) => id),
  };
}
