/**
 * The scene that a figure is drawn as.
 *
 * @example
 * const scene = evaluate(figure, merges, work);
 * if (work.wanted().length > 0) …                   // some of it is drawn as it was until these are done
 */
import { areOwnMirror } from '@/core/curve';
import { addTurns, equalTurns, type Turn } from '@/core/number';
import { type Form, pathsOfForm } from '@/core/maker';
import type { Division, MergeResult, Nested, WeaveFacts } from '@/core/merge';
import {
  isGradient,
  isRound,
  mixedPaint,
  type Relief,
  START_LIGHT,
  withLight,
  withSettledGradients,
} from '@/core/paint';
import type { Fill, LayerRelief, Origin, Paint, Scene, SceneCopy, SceneItem, SceneLayer } from '@/core/scene';
import { layersOfCells } from './cells';
import { canBeLaidOver, coatedLayers, coatsTask, sameCoats, type CoatsTask } from './coats';
import { isLine, paintOfArea, resolvedShapes } from './combined';
import { copiesOf, type RoundCopy } from './copies';
import { mergeJobsOf, requestOf, sameJob, swallowedRounds, trimOf, type MergeJob } from './jobs';
import type { Figure, Round, RoundMerge, Shape } from './model';
import { stackedLayers, stackOf } from './stack';
import { startPaints, withStartPaints } from './startPaint';
import { partsWithPaint, type Trim } from './parts';
import { coveringRound, shownParts } from './shown';
import { runsOfStamps, stampItems } from './stampItems';
import { rememberedWith, type Work } from '@/core/derive';
import { isKeptByTurn, stepOf, type TurnRule } from '@/core/symmetry';

/** True where a form is its own image in the axis (to a ten-millionth of its figure's largest size). */
const isSymmetric = rememberedWith((form: Form, work): boolean =>
  areOwnMirror(pathsOfForm(form, work), 1e-9),
);

interface ShapeItems {
  readonly trim: Trim | null;
  readonly alone: SceneItem[];
  readonly both: SceneItem[];
}

const itemsOfShapes = new WeakMap<Shape, ShapeItems>();

/** The items of a shape, alone and with its reflection: the same objects as long as the shape is the same. */
function itemsOfShape(shape: Shape, trim: Trim | null, work: Work): ShapeItems {
  const known = itemsOfShapes.get(shape);
  if (known?.trim === trim) return known;
  const missed = work.missed;
  const parts = partsWithPaint(shape, trim, work);
  const shown = trim === null ? shownParts(shape, parts.length) : [];
  const alone = parts.map(({ paths, paint, rule, laid }, k): SceneItem => ({
    origin: { of: 'shape', shapeId: shape.id },
    paths,
    paint,
    rule,
    mirrored: false,
    ...(laid && { laid }),
    ...(shown[k] && { shown: shown[k] }),
  }));
  const made = { trim, alone, both: [...alone.map((item) => ({ ...item, mirrored: true })), ...alone] };
  if (work.missed === missed) itemsOfShapes.set(shape, made);
  return made;
}

/** The items of a round's shapes, back to front. A drag asks with each move, of hundreds of shapes that stay: so no lists of lists. */
function itemsOf(round: Round, shapes: readonly Shape[], work: Work): SceneItem[] {
  const items: SceneItem[] = [];
  for (const run of runsOfStamps(shapes.filter((shape) => shape.visible))) {
    const stamped = stampItems(run, round, work);
    if (stamped) {
      for (const item of stamped) items.push(item);
      continue;
    }
    for (const shape of run) {
      const { alone, both } = itemsOfShape(shape, trimOf(round, shape), work);
      const own = round.rule.mirror && !isSymmetric(shape.form, work) ? both : alone;
      for (const item of own) items.push(item);
    }
  }
  return items;
}

const reliefOf = ({ light }: Round, relief: Relief): LayerRelief => ({
  ...relief,
  from: light?.from ?? START_LIGHT,
});

/** What is drawn of a round: with what lies side by side overlapping, and meeting only. */
interface Drawn {
  readonly overlap: readonly SceneLayer[];
  readonly abut: readonly SceneLayer[];
}

interface RoundLayers {
  readonly merge: RoundMerge | null;
  readonly jobs: readonly MergeJob[];
  readonly results: readonly (MergeResult | undefined)[];
  readonly coats: Nested | null;
  readonly drawn: Drawn;
  readonly stack: ReturnType<typeof stackOf>;
}

const layersOfRounds = new WeakMap<Round, RoundLayers>();

/** A round that did not change keeps its layers, and with them all that was made from these. */
function layersOf(
  round: Round,
  jobs: readonly MergeJob[],
  results: readonly (MergeResult | undefined)[],
  work: Work,
): Drawn {
  const merge = mergeSeen(round, jobs, results, work);
  const [task, coats] = coatsOf(round, merge, jobs, results, work);
  const known = layersOfRounds.get(round);
  if (
    known &&
    known.merge === merge &&
    known.coats === coats &&
    known.results.length === results.length &&
    known.results.every((result, k) => result === results[k]) &&
    known.jobs.every(({ paint }, k) => paint === jobs[k]?.paint)
  )
    return known.stack ? stacked(round, known, work) : known.drawn;
  const missed = work.missed;
  const finished = (layers: readonly SceneLayer[]): SceneLayer[] =>
    layers
      .map((layer) =>
        round.light ? withLight(layer, round.light, round.rule.fold, round.rule.start) : layer,
      )
      .map(withSettledGradients)
      .map((layer) => (round.relief ? { ...layer, relief: reliefOf(round, round.relief) } : layer));
  const abut = finished(makeLayers(round, merge, jobs, results, null, work));
  const coated = task && coats ? { task, coats } : null;
  const covering = coveringRound(round);
  const overlap =
    coated || covering !== round ? finished(makeLayers(covering, merge, jobs, results, coated, work)) : abut;
  const stack = jobs.length === 0 ? stackOf(round, abut) : null;
  const made = { merge, jobs, results, coats, drawn: { overlap, abut }, stack };
  if (work.missed === missed) layersOfRounds.set(round, made);
  return stack ? stacked(round, made, work) : made.drawn;
}

const stackedRounds = new WeakMap<Nested, Drawn>();

/** What is drawn of a round whose shapes lie edge to edge: coats of paint, once they are there. */
function stacked(round: Round, { drawn, stack }: RoundLayers, work: Work): Drawn {
  const coats = stack && work.ask(stack.task);
  if (!stack || !coats?.ok) return drawn;
  const known = stackedRounds.get(coats.value);
  if (known?.abut === drawn.abut) return known;
  const made = { overlap: stackedLayers(round, stack, coats.value), abut: drawn.abut };
  stackedRounds.set(coats.value, made);
  return made;
}

/** The merge of a round with the paint of all its cells in it. */
function mergeSeen(
  { merge }: Round,
  jobs: readonly MergeJob[],
  results: readonly (MergeResult | undefined)[],
  work: Work,
): RoundMerge | null {
  const [job] = jobs;
  const division = results[0]?.division;
  if (!merge || !job || !division) return merge;
  const [own, ...joined] = job.sources.filter(({ role }) => role === undefined).map(({ round }) => round);
  return own ? withStartPaints(merge, startPaints([...joined, own], division, work)) : merge;
}

interface KnownCoats {
  readonly job: MergeJob;
  readonly result: MergeResult;
  readonly merge: RoundMerge | null;
  readonly task: CoatsTask | null;
}

const coatsTasks = new WeakMap<Round, KnownCoats>();

/** The coats that the cells of a division had last: they are shown beneath cells that are painted until those are in coats too. */
const lastCoats = new WeakMap<Division, { readonly task: CoatsTask; readonly coats: Nested }>();

/** The coats of a divided round, and what they were made of; null where there are none, or not yet. */
function coatsOf(
  round: Round,
  merge: RoundMerge | null,
  jobs: readonly MergeJob[],
  results: readonly (MergeResult | undefined)[],
  work: Work,
): [CoatsTask | null, Nested | null] {
  const [job] = jobs;
  const [result] = results;
  if (!job || !result?.division || !merge) return [null, null];
  const known = coatsTasks.get(round);
  const isKnown = known?.result === result && known.merge === merge;
  let task = isKnown ? known.task : null;
  if (!isKnown) {
    const missed = work.missed;
    const request = requestOf(job, { outlineOnly: true }, work);
    const made = request && coatsTask(round, merge, result.division, request, work);
    // While shapes are dragged the coats are made before the cells are, with those of the move before: mostly they are the same.
    task = made && known?.task && sameJob(known.job, job, work) ? sameCoats(known.task, made) : made;
    if (work.missed === missed) coatsTasks.set(round, { job, result, merge, task });
  }
  if (!task) return [null, null];
  const { division } = result;
  const answer = work.ask(task.nested);
  if (answer) {
    const coats = answer.ok ? answer.value : null;
    if (coats) lastCoats.set(division, { task, coats });
    return [task, coats];
  }
  const last = lastCoats.get(division);
  return last && canBeLaidOver(last.task, merge, division, work) ? [last.task, last.coats] : [task, null];
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

function outlineLayers(
  round: Round,
  { parts }: Pick<MergeResult, 'parts'>,
  paint: Paint,
  origin: Origin,
): SceneLayer[] {
  const opacity = round.opacity ?? 1;
  return parts.map((part) => ({
    roundId: round.id,
    blend: round.blend,
    copies: part.turns.map((t) => ({
      turn: addTurns(t, round.rule.start),
      ...(opacity < 1 && { opacity }),
    })),
    items: [{ origin, paths: part.loops, paint, rule: 'nonzero', mirrored: false }],
  }));
}

/** Woven bands, each in the colour of its line's stroke. */
function wovenLayers(
  round: Round,
  result: MergeResult,
  { shapeOfPart }: WeaveFacts,
  shapeIds: readonly string[],
  work: Work,
): SceneLayer[] {
  const shapes = new Map(resolvedShapes(round, work).map((shape) => [shape.id, shape]));
  return result.parts.flatMap((part, k) => {
    const shape = shapes.get(shapeIds[(shapeOfPart[k] ?? 0) % shapeIds.length] ?? '');
    const origin = { of: 'outline', shapeIds: shape ? [shape.id] : [] } as const;
    return shape ? outlineLayers(round, { parts: [part] }, paintOfArea(shape), origin) : [];
  });
}

const sameCopy = (a: SceneCopy, b: SceneCopy): boolean =>
  equalTurns(a.turn, b.turn) && a.transform === b.transform && a.opacity === b.opacity && a.items === b.items;

interface KeptCopies {
  readonly from: readonly RoundCopy[];
  readonly opacity: number;
  readonly copies: readonly SceneCopy[];
}

const lastCopies = new WeakMap<TurnRule, KeptCopies>();

/** The copies of items; the same list as before where a round puts them where it did, so that a motif can change without them. */
function sceneCopies(
  { rule, opacity = 1 }: Round,
  from: readonly RoundCopy[],
  items: readonly SceneItem[],
): readonly SceneCopy[] {
  const before = lastCopies.get(rule);
  if (before?.from === from && before.opacity === opacity && !from.some(({ tint }) => tint))
    return before.copies;
  const tinted = new Map<string, readonly SceneItem[]>();
  const made = from.map(({ turn, transform, opacity: own, tint }): SceneCopy => ({
    turn,
    ...(transform && { transform }),
    ...(own * opacity < 1 && { opacity: own * opacity }),
    ...(tint && { items: tintedItems(items, tint, tinted) }),
  }));
  const isSame =
    before?.copies.length === made.length &&
    before.copies.every((copy, k) => sameCopy(copy, made[k] as SceneCopy));
  const copies = isSame ? before.copies : made;
  lastCopies.set(rule, { from, opacity, copies });
  return copies;
}

/** @param coated its coats of paint, where it is drawn in these */
function makeLayers(
  round: Round,
  merge: RoundMerge | null,
  jobs: readonly MergeJob[],
  results: readonly (MergeResult | undefined)[],
  coated: { readonly task: CoatsTask; readonly coats: Nested } | null,
  work: Work,
): SceneLayer[] {
  const merged = new Set(jobs.flatMap(({ shapeIds }, k) => (results[k] ? [...shapeIds] : [])));
  const outlines = jobs.flatMap((job, k): SceneLayer[] => {
    const result = results[k];
    if (!result) return [];
    if (result.division && merge)
      return coated
        ? coatedLayers(round, merge, result.division, coated.task, coated.coats, work)
        : layersOfCells(round, merge, result.division, work);
    return result.weave
      ? wovenLayers(round, result, result.weave, [...job.shapeIds], work)
      : outlineLayers(round, result, job.paint, { of: 'outline', shapeIds: [...job.shapeIds] });
  });
  const isHidden = (shape: Shape): boolean =>
    merged.has(shape.id) || (merge?.lines === 'hidden' && isLine(shape) && outlines.length > 0);
  const items = itemsOf(
    round,
    resolvedShapes(round, work).filter((shape) => !isHidden(shape)),
    work,
  );
  if (items.length === 0) return outlines;
  const isWoven = results.some((result) => result?.weave);
  const copies: SceneLayer = {
    roundId: round.id,
    blend: round.blend,
    items,
    copies: sceneCopies(round, copiesOf(round, work), items),
  };
  const shown = onceWhereKept(round, copies);
  // What is not woven lies behind what is; what is not merged, as lines over cells, in front of what is.
  return isWoven ? [...shown, ...outlines] : [...outlines, ...shown];
}

/** True where all copies of a round see the same of a fill: a colour, or rings about the centre. */
const looksAlike = (fill: Fill | null | undefined): boolean =>
  !isGradient(fill) || (fill.spread !== 'cell' && isRound(fill));

const keptItems = new WeakMap<SceneItem, { readonly step: Turn; readonly isKept: boolean }>();

/** True where the step of a round maps an item onto itself; found once as long as both are the same. */
function isKept(item: SceneItem, step: Turn): boolean {
  const known = keptItems.get(item);
  if (known && equalTurns(known.step, step)) return known.isKept;
  const made = { step, isKept: isKeptByTurn(item.paths, step) };
  keptItems.set(item, made);
  return made.isKept;
}

/**
 * What the turns of a round map onto itself, as a circle about the centre, stands once and not once a copy: behind the copies of what is
 * in front of it in the motif, and in front of those of what is behind it.
 */
function onceWhereKept(round: Round, layer: SceneLayer): SceneLayer[] {
  const { items, copies } = layer;
  const isPlain = copies.every((copy) => !copy.transform && !copy.items);
  if (!isPlain || copies.length < 2 || round.light) return [layer];
  const step = stepOf(round.rule);
  const standsOnce = (item: SceneItem): boolean =>
    looksAlike(item.paint.fill) && looksAlike(item.paint.stroke?.colour) && isKept(item, step);
  const runs: { once: boolean; items: SceneItem[] }[] = [];
  for (const item of items) {
    const once = standsOnce(item);
    const last = runs[runs.length - 1];
    if (last?.once === once) last.items.push(item);
    else runs.push({ once, items: [item] });
  }
  if (!runs.some(({ once }) => once)) return [layer];
  return runs.map((run) => ({
    ...layer,
    items: run.items,
    copies: run.once ? copies.slice(0, 1) : copies,
  }));
}

/**
 * The display list of a figure. Merges take time, so they are made elsewhere and handed in by the key of their job; a
 * round whose merge is not there yet shows its copies as they are.
 */
export function evaluate(figure: Figure, merges: ReadonlyMap<string, MergeResult>, work: Work): Scene {
  const jobs = mergeJobsOf(figure, work);
  const swallowed = swallowedRounds(figure);
  const drawn = figure.rounds.flatMap((round) => {
    if (!round.visible || swallowed.has(round.id)) return [];
    const own = jobs.filter(({ roundId }) => roundId === round.id);
    return layersOf(
      round,
      own,
      own.map(({ key }) => merges.get(key)),
      work,
    );
  });
  return {
    page: figure.page,
    layers: drawn.flatMap(({ overlap }) => overlap),
    ...(drawn.some(({ overlap, abut }) => overlap !== abut) && {
      abutting: drawn.flatMap(({ abut }) => abut),
    }),
  };
}
