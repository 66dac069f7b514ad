import { areOwnMirror } from '../curve/path';
import { mapPath } from '../curve/path';
import { addTurns, negateTurn, NO_TURN } from '../number/turn';
import { pathsOfForm, type Form } from '../maker/form';
import type { MergeOperand, MergeRequest, MergeResult, MergeShape } from '../merge/merge';
import { mixedPaint } from '../paint/mix';
import type { Scene, SceneCopy, SceneItem, SceneLayer } from '../scene/scene';
import { placementMap } from '../symmetry/rule';
import { copiesOf, symmetryOf, type RoundCopy } from './copies';
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
    operands: [operandOf(round, shapes)],
  };
}

/**
 * A round as an operand: its motif and its fold, or, where copies differ, one stretch of them that repeats. Shapes of different
 * copies are shapes of their own, so that each copy counts.
 */
function operandOf(round: Round, shapes: readonly Shape[]): MergeOperand {
  const own = shapes.map((shape): MergeShape => ({
    paths: itemsOfShape(shape, trimOf(round)).alone.flatMap(({ paths }) => paths),
    rule: shape.rule,
  }));
  const fold = symmetryOf(round);
  const { mirror } = round.rule;
  if (fold === round.rule.fold && !round.every && !round.whirl)
    return { fold, mirror, start: NO_TURN, shapes: own };
  const toFirst = negateTurn(round.rule.start);
  const stretch = copiesOf(round).filter(({ index }) => index % round.rule.fold < round.rule.fold / fold);
  const maps = stretch.flatMap(({ turn, shift }) =>
    (mirror ? [false, true] : [false]).map((mirrored) =>
      placementMap({ turn: addTurns(turn, toFirst), shift, mirrored }),
    ),
  );
  return {
    fold,
    mirror: false,
    start: NO_TURN,
    shapes: maps.flatMap((map) =>
      own.map(({ paths, rule }) => ({ rule, paths: paths.map((path) => mapPath(path, map)) })),
    ),
  };
}

/** True where two states of a round give the same merge: only its motif, fold and mirror count. */
export const sameMerge = (a: Round, b: Round): boolean =>
  a.visible === b.visible &&
  (a.merge === null) === (b.merge === null) &&
  a.rule.fold === b.rule.fold &&
  a.rule.mirror === b.rule.mirror &&
  a.rule.alternate === b.rule.alternate &&
  a.rule.sweep === b.rule.sweep &&
  a.every === b.every &&
  a.way === b.way &&
  a.whirl === b.whirl &&
  a.without === b.without &&
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
  const alone = partsWithPaint(shape, trim).map(({ paths, paint, rule }): SceneItem => ({
    shapeId: shape.id,
    paths,
    paint,
    rule,
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

/** Items in colours that go some of the way to another; the same list for the same share. */
function tintedItems(
  items: readonly SceneItem[],
  { colour, share }: NonNullable<RoundCopy['tint']>,
  known: Map<string, readonly SceneItem[]>,
): readonly SceneItem[] {
  const key = share.toFixed(6);
  const before = known.get(key);
  if (before) return before;
  const made = items.map((item) => ({ ...item, paint: mixedPaint(item.paint, colour, share) }));
  known.set(key, made);
  return made;
}

function makeLayers(round: Round, merged: MergeResult | undefined): SceneLayer[] {
  if (!round.visible) return [];
  const opacity = round.opacity ?? 1;
  const { blend } = round;
  const unmerged =
    merged && round.merge ? round.shapes.filter((shape) => !isFilledArea(shape)) : round.shapes;
  const items = itemsOf(round, unmerged);
  const tinted = new Map<string, readonly SceneItem[]>();
  const copies = [
    {
      roundId: round.id,
      blend,
      items,
      copies: copiesOf(round).map(({ turn, shift, opacity: own, tint }): SceneCopy => ({
        turn,
        ...(shift && { shift }),
        ...(own * opacity < 1 && { opacity: own * opacity }),
        ...(tint && { items: tintedItems(items, tint, tinted) }),
      })),
    },
  ];
  if (!merged || !round.merge) return copies.filter((layer) => layer.items.length > 0);
  const { paint } = round.merge;
  const outlines = merged.parts.map((part): SceneLayer => ({
    roundId: round.id,
    blend,
    copies: part.turns.map((t) => ({
      turn: addTurns(t, round.rule.start),
      ...(opacity < 1 && { opacity }),
    })),
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
