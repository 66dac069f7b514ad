/**
 * Which merges a figure asks for, and of what.
 *
 * @example
 * for (const job of mergeJobsOf(figure, work)) ask(requestOf(job, {}, work));
 */
import { areOwnMirror, mapPath } from '@/core/curve';
import { addTurns, equalTurns, negateTurn, NO_TURN, turn } from '@/core/number';
import { commonFold, frameLines, isKeptByTurn, placementMap } from '@/core/symmetry';
import { pathsOfForm } from '@/core/maker';
import type { MergeOperand, MergeRequest, MergeRole, MergeShape } from '@/core/merge';
import type { Work } from '@/core/derive';
import type { Paint, ScenePage } from '@/core/scene';
import { copiesOf, symmetryOf } from './copies';
import type { Edge, Figure, Round, RoundMerge, Shape, Weave, RoundId, ShapeId } from './model';
import { handLength } from './start';
import { wovenBand, wovenShapes } from './woven';
import { areaOfShape, paintOfArea, resolvedShapes, isLine } from './combined';
import { remembered } from '../remembered';
import { partsWithPaint, type Trim } from './parts';

/** A round that takes part in a merge, and as what. */
interface Source {
  readonly round: Round;
  readonly role?: MergeRole;
}

/** One merge that a figure asks for. */
export interface MergeJob {
  /** The round's id; with several of a round, the shape's after it. */
  readonly key: string;
  readonly roundId: RoundId;
  readonly paint: Paint;
  /** The shapes of the round that the result stands for. */
  readonly shapeIds: ReadonlySet<ShapeId>;
  readonly sources: readonly [Source, ...Source[]];
  /** Of the first source only this shape takes part. */
  readonly shapeId: ShapeId | null;
  readonly op: RoundMerge['op'];
  readonly weave: Weave | null;
  readonly times: number | null;
  /** How cells that lie equally far out are ranked; see `CellEdits`. */
  readonly order: 'found' | null;
  /** How far guide lines go that bound cells, or null where the frame bounds none. */
  readonly frame: number | null;
}

const isFilledArea = (shape: Shape, work: Work): boolean =>
  shape.visible && shape.paint.fill !== null && pathsOfForm(shape.form, work).some(({ closed }) => closed);

/** What a weave is of which nothing is said, in the figure's unit. */
export const START_WEAVE: Weave = { gap: 1, swapped: [] };

/** What a round's first weave on a page takes, all that is a band, and leaves free. */
export const firstWeave = (page: ScenePage): Weave => ({
  gap: handLength(page) / 2,
  swapped: [],
  areas: true,
});

const isArea = (shape: Shape, work: Work): boolean => isFilledArea(shape, work) || isLine(shape);

/** What becomes of what of a shape reaches past the rays: by itself, or as its round has it. */
export const edgeOf = (round: Pick<Round, 'edge'>, shape: Pick<Shape, 'edge'>): Edge =>
  shape.edge ?? round.edge ?? 'overlap';

/** What a shape of a round is trimmed to, the same object for the same rule; null where it is not. */
export const trimOf = (round: Pick<Round, 'edge' | 'rule'>, shape: Pick<Shape, 'edge'>): Trim | null =>
  edgeOf(round, shape) === 'trim' ? trimOfRule(round.rule) : null;

const trimOfRule = remembered((rule: Round['rule']): Trim => ({ wedge: rule, axis: rule.mirror }));

/** True where a round acts on rounds below it; see `Round.below`. */
const actsOn = (upper: Round, lower: Round): boolean =>
  upper.visible &&
  upper.lowerAction !== undefined &&
  (upper.lowerAction.rounds === undefined || upper.lowerAction.rounds.includes(lower.id));

/** The rounds below one that it acts on. */
export function roundsBelow(figure: Figure, round: Round): Round[] {
  const below = figure.rounds.slice(0, figure.rounds.indexOf(round));
  return below.filter((lower) => lower.visible && actsOn(round, lower));
}

/** Ids of rounds that are not shown as they are: what they do shows in others. */
export function swallowedRounds(figure: Figure): ReadonlySet<string> {
  const gone = new Set<string>();
  for (const round of figure.rounds) {
    if (!round.visible || !round.lowerAction) continue;
    if (round.lowerAction.how === 'join') for (const { id } of roundsBelow(figure, round)) gone.add(id);
    else gone.add(round.id);
  }
  return gone;
}

/** What a figure asks of core/merge: a job for each outline that is made, none where copies stay as they are. */
export function mergeJobsOf(figure: Figure, work: Work): MergeJob[] {
  const swallowed = swallowedRounds(figure);
  const reach = Math.hypot(figure.page.width, figure.page.height);
  return figure.rounds.flatMap((round, k): MergeJob[] => {
    if (!round.visible || swallowed.has(round.id)) return [];
    const joined = round.lowerAction?.how === 'join' ? roundsBelow(figure, round) : [];
    const above = figure.rounds.slice(k + 1).flatMap((upper): Source[] => {
      const how = upper.lowerAction?.how;
      return (how === 'cut' || how === 'inside') && actsOn(upper, round) ? [{ round: upper, role: how }] : [];
    });
    const { merge } = round;
    if (!merge && joined.length === 0 && above.length === 0) return [];
    const divides = merge?.op === 'divide';
    const alone = !merge && joined.length === 0;
    const weaves = merge?.op === 'weave';
    const takesPart = (shape: Shape): boolean => {
      if (divides) return shape.visible;
      return alone ? isArea(shape, work) : isFilledArea(shape, work);
    };
    const taken = weaves ? wovenShapes(round, work) : resolvedShapes(round, work).filter(takesPart);
    const base = {
      roundId: round.id,
      shapeId: null,
      op: merge?.op ?? 'union',
      times: merge?.times ?? null,
      weave: weaves ? (merge.weave ?? START_WEAVE) : null,
      frame: divides && merge.cells?.frame ? reach : null,
      order: (divides && merge.cells?.order) || null,
      sources: [{ round }, ...(weaves ? [] : joined.map((each) => ({ round: each }))), ...above] as const,
    };
    const byItself = (shape: Shape): MergeJob => ({
      ...base,
      op: 'union',
      times: null,
      weave: null,
      frame: null,
      order: null,
      sources: [{ round }, ...above],
      key: `${round.id}/${shape.id}`,
      shapeId: shape.id,
      shapeIds: new Set([shape.id]),
      paint: paintOfArea(shape),
    });
    // Without a merge of its own every shape keeps its paint.
    if (alone) return taken.map(byItself);
    const [first] = taken;
    const paint = merge?.paint ?? first?.paint ?? joined[0]?.shapes[0]?.paint;
    if (!paint) return [];
    // Lines that only bound cells are drawn over them, as they have strokes of their own.
    const shapeIds = new Set(
      (weaves ? taken : taken.filter((shape) => isFilledArea(shape, work))).map(({ id }) => id),
    );
    const whole: MergeJob = { ...base, key: round.id, shapeIds, paint };
    if (above.length === 0) return [whole];
    // What is not merged with the rest, as lines over cells, is cut by itself; what is not woven lies behind what is.
    const isLeftOut = (shape: Shape): boolean =>
      !shapeIds.has(shape.id) && isArea(shape, work) && !(merge?.lines === 'hidden' && isLine(shape));
    const others = resolvedShapes(round, work).filter(isLeftOut).map(byItself);
    return weaves ? [...others, whole] : [whole, ...others];
  });
}

/** The job's merge, or null where nothing takes part in it. */
export function requestOf(
  job: MergeJob,
  { outlineOnly = false }: Pick<MergeRequest, 'outlineOnly'>,
  work: Work,
): MergeRequest | null {
  const divides = job.op === 'divide';
  const operands = job.sources.flatMap(({ round, role }, k): MergeOperand[] => {
    const isWoven = job.weave !== null && role === undefined;
    const shapes = isWoven
      ? wovenShapes(round, work)
      : resolvedShapes(round, work).filter((shape) =>
          k === 0 && job.shapeId !== null
            ? shape.id === job.shapeId
            : divides && role === undefined
              ? shape.visible
              : isFilledArea(shape, work),
        );
    const lines = k === 0 && job.frame !== null ? frameLines(round.frame, job.frame) : [];
    const bounds = lines.map(({ path }): MergeShape => ({ paths: [path], rule: 'nonzero' }));
    // An outline with nothing in it cuts all away, so that it is not left out as what takes part is.
    if (shapes.length === 0 && bounds.length === 0 && role !== 'inside') return [];
    const as = { areas: k === 0 && job.shapeId !== null, weaves: isWoven };
    // Cells that were referred to before are told apart as they were then.
    const bySymmetry = divides && role === undefined && !job.order;
    const made = operandOf(round, shapes, bounds, as, work);
    return (bySymmetry ? bySymmetryOf(made) : [made]).map((each) => ({
      ...each,
      ...(role && { role }),
      ...(job.sources.length > 1 && { start: round.rule.start }),
    }));
  });
  if (!operands.some(({ role }) => role === undefined)) return null;
  const [own] = operands;
  const woven = job.weave ? wovenShapes(job.sources[0].round, work) : [];
  // Where copies differ each of them is a line of its own.
  const bands = own?.shapes.flatMap((_, k) => {
    const shape = woven[k % woven.length];
    const band = shape && wovenBand(shape, work);
    return band ? [{ width: band.width, cap: band.cap, join: band.join }] : [];
  });
  return {
    op: job.op === 'weave' ? 'union' : job.op,
    ...(job.weave && bands && { weave: { gap: job.weave.gap, swapped: job.weave.swapped, bands } }),
    among: 'copies',
    ...(job.times !== null && { times: job.times }),
    ...(job.order && { order: job.order }),
    outlineOnly,
    operands,
  };
}

/**
 * A round as an operand: its motif and its fold, or, where copies differ, one stretch of them that repeats. Shapes of different
 * copies are shapes of their own, so that each copy counts.
 * @param as areas: a line counts as the band that it is seen as; weaves: a band as the line in its middle
 */
function operandOf(
  round: Round,
  shapes: readonly Shape[],
  bounds: readonly MergeShape[],
  { areas, weaves }: { readonly areas: boolean; readonly weaves: boolean },
  work: Work,
): MergeOperand {
  const own = shapes.map((shape): MergeShape => {
    if (areas && isLine(shape)) return areaOfShape(shape, work);
    const spine = weaves ? wovenBand(shape, work)?.spine : null;
    if (spine) return { paths: spine, rule: 'nonzero' };
    return {
      paths: partsWithPaint(shape, trimOf(round, shape), work).flatMap(({ paths }) => paths),
      rule: shape.rule,
    };
  });
  const fold = symmetryOf(round);
  const { mirror } = round.rule;
  if (fold === round.rule.fold && !round.variation && !round.whirl)
    return { fold, mirror, start: NO_TURN, shapes: [...own, ...bounds] };
  const toFirst = negateTurn(round.rule.start);
  const stretch = copiesOf(round, work).filter(
    ({ index }) => index % round.rule.fold < round.rule.fold / fold,
  );
  const maps = stretch.flatMap(({ turn, transform }) =>
    (mirror ? [false, true] : [false]).map((mirrored) =>
      placementMap({ turn: addTurns(turn, toFirst), transform, mirrored }),
    ),
  );
  return {
    fold,
    mirror: false,
    start: NO_TURN,
    shapes: [
      ...maps.flatMap((map) =>
        own.map(({ paths, rule }) => ({ rule, paths: paths.map((path) => mapPath(path, map)) })),
      ),
      ...bounds,
    ],
  };
}

/**
 * A round to be divided, by the symmetry that it has: copies that lie on one another count once, and a motif that is symmetric by itself
 * is divided as what it is made of in turns.
 */
const bySymmetryOf = remembered((operand: MergeOperand): readonly MergeOperand[] => {
  const { fold, mirror, shapes } = operand;
  if (fold === 1 && !mirror) {
    const paths = shapes.map((shape) => shape.paths);
    const own = commonFold(paths);
    return own === 1
      ? [operand]
      : [{ ...operand, fold: own, mirror: paths.every((each) => areOwnMirror(each, 1e-9)) }];
  }
  if (fold === 1) return [operand];
  const step = turn(1, fold);
  const isKept = (shape: MergeShape): boolean => isKeptByTurn(shape.paths, step);
  const kept = shapes.filter(isKept);
  if (kept.length === 0 || kept.length === shapes.length) return [operand];
  return [
    { ...operand, shapes: shapes.filter((shape) => !isKept(shape)) },
    { ...operand, shapes: kept },
  ];
});

const sameLine = ({ paint: a }: Shape, { paint: b }: Shape): boolean =>
  a.fill !== null ||
  a.stroke === b.stroke ||
  (a.stroke?.width === b.stroke?.width &&
    a.stroke?.cap === b.stroke?.cap &&
    a.stroke?.join === b.stroke?.join);

/** True where two states of a round give the same operand, but for where its first copy stands. */
const sameOperand = (a: Round, b: Round, work: Work): boolean =>
  a === b ||
  (a.rule.fold === b.rule.fold &&
    a.rule.mirror === b.rule.mirror &&
    a.rule.alternate === b.rule.alternate &&
    a.rule.sweep === b.rule.sweep &&
    a.variation === b.variation &&
    a.progression === b.progression &&
    a.whirl === b.whirl &&
    a.omitted === b.omitted &&
    a.edge === b.edge &&
    a.frame === b.frame &&
    (resolvedShapes(a, work) === resolvedShapes(b, work) ||
      (resolvedShapes(a, work).length === resolvedShapes(b, work).length &&
        resolvedShapes(a, work).every((shape, k) => {
          const other = resolvedShapes(b, work)[k];
          return (
            other !== undefined &&
            shape.id === other.id &&
            shape.form === other.form &&
            shape.rule === other.rule &&
            shape.visible === other.visible &&
            isFilledArea(shape, work) === isFilledArea(other, work) &&
            sameLine(shape, other)
          );
        }))));

/** True where two jobs ask the same of core/merge: neither paint nor the start of a round that is alone counts. */
export const sameJob = (a: MergeJob, b: MergeJob, work: Work): boolean =>
  a === b ||
  (a.op === b.op &&
    (a.weave === b.weave ||
      (a.weave?.gap === b.weave?.gap &&
        a.weave?.swapped === b.weave?.swapped &&
        a.weave?.areas === b.weave?.areas)) &&
    a.times === b.times &&
    a.frame === b.frame &&
    a.order === b.order &&
    a.shapeId === b.shapeId &&
    a.sources.length === b.sources.length &&
    a.sources.every(({ round, role }, k) => {
      const other = b.sources[k];
      return (
        other !== undefined &&
        role === other.role &&
        sameOperand(round, other.round, work) &&
        (a.sources.length === 1 || equalTurns(round.rule.start, other.round.rule.start))
      );
    }));
