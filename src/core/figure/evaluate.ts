import { areOwnMirror } from '../curve/path';
import { addTurns, NO_TURN } from '../number/turn';
import { pathsOfForm, type Form } from '../maker/form';
import type { MergeRequest, MergeResult } from '../merge/merge';
import type { Scene, SceneItem, SceneLayer } from '../scene/scene';
import { turnsOf } from '../symmetry/rule';
import type { Figure, Round, Shape } from './model';
import { partsWithPaint } from './parts';

const ownMirrors = new WeakMap<Form, boolean>();

/** True where a form is its own image in the axis (to a ten-millionth of its figure's largest size). */
function isSymmetric(form: Form): boolean {
  const known = ownMirrors.get(form);
  if (known !== undefined) return known;
  const answer = areOwnMirror(pathsOfForm(form), 1e-9);
  ownMirrors.set(form, answer);
  return answer;
}

const isFilledArea = (shape: Shape): boolean =>
  shape.visible && shape.paint.fill !== null && pathsOfForm(shape.form).some(({ closed }) => closed);

/** What a round asks of core/merge, or null where its copies stay as they are. */
export function mergeRequestOf(
  round: Round,
  { quality, outlineOnly }: Pick<MergeRequest, 'quality' | 'outlineOnly'> = { quality: 'full' },
): MergeRequest | null {
  if (!round.merge || !round.visible) return null;
  const shapes = round.shapes.filter(isFilledArea);
  if (shapes.length === 0) return null;
  return {
    op: round.merge.op,
    among: 'copies',
    quality,
    outlineOnly: outlineOnly ?? false,
    operands: [
      {
        fold: round.rule.fold,
        mirror: round.rule.mirror,
        start: NO_TURN,
        shapes: shapes.map((shape) => ({
          paths: itemsOfShape(shape, trimOf(round)).alone.flatMap(({ paths }) => paths),
          rule: shape.rule,
        })),
      },
    ],
  };
}

/** True where two states of a round give the same merge: only its motif, fold and mirror count. */
export const sameMerge = (a: Round, b: Round): boolean =>
  a.visible === b.visible &&
  (a.merge === null) === (b.merge === null) &&
  a.rule.fold === b.rule.fold &&
  a.rule.mirror === b.rule.mirror &&
  a.edge === b.edge &&
  (a.shapes === b.shapes ||
    (a.shapes.length === b.shapes.length &&
      a.shapes.every((shape, k) => {
        const other = b.shapes[k];
        return (
          other !== undefined &&
          shape.form === other.form &&
          shape.rule === other.rule &&
          isFilledArea(shape) === isFilledArea(other)
        );
      })));

interface ShapeItems {
  readonly trim: number | null;
  readonly alone: SceneItem[];
  readonly both: SceneItem[];
}

const itemsOfShapes = new WeakMap<Shape, ShapeItems>();

/** The fold of the wedge that a round's shapes are trimmed to; null where they are not. */
const trimOf = ({ edge, rule }: Round): number | null => (edge === 'trim' ? rule.fold : null);

/** The items of a shape, alone and with its reflection: the same objects as long as the shape is the same. */
function itemsOfShape(shape: Shape, trim: number | null): ShapeItems {
  const known = itemsOfShapes.get(shape);
  if (known?.trim === trim) return known;
  const alone = partsWithPaint(shape, trim).map(({ paths, paint }): SceneItem => ({
    shapeId: shape.id,
    paths,
    paint,
    rule: shape.rule,
    mirrored: false,
  }));
  const made = { trim, alone, both: [...alone.map((item) => ({ ...item, mirrored: true })), ...alone] };
  itemsOfShapes.set(shape, made);
  return made;
}

const itemsOf = (round: Round, shapes: readonly Shape[]): SceneItem[] =>
  shapes
    .filter((shape) => shape.visible)
    .flatMap((shape) => {
      const { alone, both } = itemsOfShape(shape, trimOf(round));
      return round.rule.mirror && !isSymmetric(shape.form) ? both : alone;
    });

interface RoundLayers {
  readonly merged: MergeResult | undefined;
  readonly layers: readonly SceneLayer[];
}

const layersOfRounds = new WeakMap<Round, RoundLayers>();

/** A round that did not change keeps its layers, and with them all that was made from these. */
function layersOf(round: Round, merged: MergeResult | undefined): readonly SceneLayer[] {
  const known = layersOfRounds.get(round);
  if (known && known.merged === merged) return known.layers;
  const layers = makeLayers(round, merged);
  layersOfRounds.set(round, { merged, layers });
  return layers;
}

function makeLayers(round: Round, merged: MergeResult | undefined): SceneLayer[] {
  if (!round.visible) return [];
  const turns = turnsOf(round.rule);
  const unmerged =
    merged && round.merge ? round.shapes.filter((shape) => !isFilledArea(shape)) : round.shapes;
  const copies: SceneLayer[] = [{ roundId: round.id, turns, items: itemsOf(round, unmerged) }];
  if (!merged || !round.merge) return copies.filter((layer) => layer.items.length > 0);
  const { paint } = round.merge;
  const outlines = merged.parts.map((part): SceneLayer => ({
    roundId: round.id,
    turns: part.turns.map((t) => addTurns(t, round.rule.start)),
    items: [{ shapeId: null, paths: part.loops, paint, rule: 'nonzero', mirrored: false }],
  }));
  return [...outlines, ...copies.filter((layer) => layer.items.length > 0)];
}

/**
 * The display list of a figure. Merges take time, so they are made elsewhere and handed in by round; a round
 * whose merge is not there yet shows its copies as they are.
 */
export const evaluate = (figure: Figure, merges: ReadonlyMap<string, MergeResult>): Scene => ({
  page: figure.page,
  layers: figure.rounds.flatMap((round) => layersOf(round, merges.get(round.id))),
});
