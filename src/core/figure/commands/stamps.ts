import type { Work } from '@/core/derive';
import { failed, finding, ok, type Result } from '@/core/finding';
import {
  centroidOf,
  type Contour,
  distance,
  mapPath,
  mappedContours,
  moveMap,
  nodesOfPath,
  type Point,
  turnMap,
} from '@/core/curve';
import {
  type BuiltForm,
  directionTo,
  formFinding,
  MAKERS,
  pathsOfForm,
  type StampParams,
} from '@/core/maker';
import { negateTurn, NO_TURN } from '@/core/number';
import type { FillRule, Paint } from '@/core/scene';
import { freeName } from '../groups';
import type { Figure, Group, Shape, RoundId } from '../model';
import { newShape } from '../start';
import { addMotif, findShape, setForm, withShapes, type ShapeRef } from './shapes';

/** One shape of what is stamped: its contours about the middle of all, and its paint. */
export interface StampPart {
  readonly name: string;
  readonly contours: readonly Contour[];
  readonly paint: Paint;
  readonly rule: FillRule;
}

type StampOptions = Omit<StampParams, 'along' | 'shape'>;

/**
 * Sets shapes along a line at the front of a motif; several that are stamped together become a group, with the same places and
 * the same chances. The line's start is their origin, its farthest node stands straight up from it.
 * @param lineId a shape of the motif whose line it is, and which they follow
 */
export function stampAlong(
  figure: Figure,
  roundId: RoundId,
  along: Contour,
  parts: readonly StampPart[],
  options: StampOptions,
  newId: () => string,
  lineId?: string,
): { figure: Figure; ids: string[] } {
  const [first = { x: 0, y: 0, kind: 'corner' as const }] = along.nodes;
  const at: Point = { x: first.x, y: first.y };
  const far = along.nodes.reduce((a, b) => (distance(at, b) > distance(at, a) ? b : a), first);
  const rotation = distance(at, far) > 0 ? directionTo(at, far) : NO_TURN;
  const moved = mappedContours([along], moveMap({ x: -at.x, y: -at.y }));
  const own = mappedContours(moved, turnMap(negateTurn(rotation)));
  const names = figure.rounds.find(({ id }) => id === roundId)?.groups ?? [];
  const group: Group | null = parts.length > 1 ? { id: newId(), name: freeName('Stamp', names) } : null;
  const shapes = parts.map(({ name, contours, paint, rule }): Shape => {
    const form: BuiltForm = {
      kind: 'stamp',
      at,
      rotation,
      params: { ...options, along: own, shape: contours },
    };
    const made = newShape(newId(), `Stamp ${name}`.slice(0, 120), form, paint);
    const inputs = lineId === undefined ? {} : { inputs: { along: lineId } };
    return { ...made, ...inputs, rule, ...(group && { group: group.id }) };
  });
  return { figure: addMotif(figure, roundId, shapes, group ? [group] : []), ids: shapes.map(({ id }) => id) };
}

/**
 * Gives the other stamps of a group the line, spacing and chances that one of them has: what is stamped together stays so.
 */
export function alignStamps(figure: Figure, ref: ShapeRef): Figure {
  const shape = findShape(figure, ref);
  if (shape?.form.kind !== 'stamp' || !shape.group) return figure;
  const { at, rotation, params } = shape.form;
  const round = figure.rounds.find(({ id }) => id === ref.roundId);
  const others = (round?.shapes ?? []).filter(
    ({ id, group, form }) => id !== ref.shapeId && group === shape.group && form.kind === 'stamp',
  );
  return withShapes(figure, ref.roundId, new Set(others.map(({ id }) => id)), (other) =>
    other.form.kind === 'stamp'
      ? {
          ...other,
          form: { ...other.form, at, rotation, params: { ...params, shape: other.form.params.shape } },
        }
      : other,
  );
}

/** Makes a whirl of a closed shape about its centroid; says why where it cannot. */
export function whirlShape(figure: Figure, ref: ShapeRef, work: Work): Result<Figure> {
  const shape = findShape(figure, ref);
  const [path, another] = shape ? pathsOfForm(shape.form, work) : [];
  if (!path?.closed || another) return failed(finding('nest.shape'));
  const middle = centroidOf([path]);
  if (!middle) return failed(finding('nest.empty'));
  const about = mapPath(path, moveMap({ x: -middle.x, y: -middle.y }));
  const contour = { closed: true, nodes: nodesOfPath(about) };
  const { shape: _, ...start } = MAKERS.nest.start;
  const form: BuiltForm = {
    kind: 'nest',
    at: middle,
    rotation: NO_TURN,
    params: { ...start, shape: [contour] },
  };
  const problem = formFinding(form, work);
  if (problem !== null) return failed(problem);
  const changed = setForm(figure, ref, form);
  return ok(
    withShapes(changed, ref.roundId, new Set([ref.shapeId]), (each) => ({ ...each, rule: 'evenodd' })),
  );
}
