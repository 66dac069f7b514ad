/**
 * What of a figure can be varied: each number and choice of its rounds, constructions and strips, by one way to read and to set it.
 *
 * @example
 * const fold = leversOf(figure, work).find(({ key }) => key === 'r fold');
 * fold?.set(figure, 12, work); // the figure with twelve copies
 */
import type { Work } from '@/core/derive';
import {
  mirroringOf,
  moveRound,
  moveRoundOut,
  reachOfRound,
  roundOf,
  scaleRoundReach,
  setBend,
  setFold,
  setForm,
  setMerge,
  setMirroring,
  setOpacity,
  setProgression,
  setRoundWhirl,
  setStart,
  setStroke,
  setVariation,
  withShapes,
} from '@/core/figure/commands';
import {
  anchorOf,
  type Figure,
  type Group,
  LIMITS,
  type Round,
  ROUND_MERGES,
  seenPaths,
  type Shape,
  type RoundId,
  type ShapeId,
} from '@/core/figure';
import {
  type BuiltForm,
  type Field,
  fitNeighbours,
  fittedForm,
  isBuilt,
  makerOf,
  neighbourGap,
  type Params,
  type Value,
  withParams,
} from '@/core/maker';
import { degreesOf, type Turn, turnFromDegrees } from '@/core/number';
import { MOST_FOLD } from '@/core/symmetry';

/** A number, degrees for a turn; or one of some choices. */
export type LeverValue = number | string;

interface Base {
  /** The same as long as what it belongs to is there. */
  readonly key: string;
  /** The round, shape or strip that it is a number of. */
  readonly of: string;
  readonly label: string;
  /** The figure with another value; the same figure where that cannot be. */
  readonly set: (figure: Figure, value: LeverValue, work: Work) => Figure;
}

export interface NumberLever extends Base {
  readonly type: 'length' | 'count' | 'share' | 'degrees';
  readonly value: number;
  readonly least: number;
  readonly most: number;
  /** How much of it is once round: what is farther is there again. */
  readonly period?: number;
  /** How much is a good deal, for what may be nothing or below. */
  readonly scale: number;
}

interface ChoiceLever extends Base {
  readonly type: 'choice';
  readonly value: string;
  readonly choices: readonly (readonly [value: string, label: string])[];
}

export type Lever = NumberLever | ChoiceLever;

/** Numbers of one thing, each by its name. */
interface Thing {
  readonly id: string;
  readonly of: string;
}

/** What is in the motif of a round, by both their names. */
const thingIn = (round: Round, { id, name }: { readonly id: string; readonly name: string }): Thing => ({
  id,
  of: `${round.name} · ${name}`,
});

type Numeric = Pick<NumberLever, 'type' | 'value' | 'least' | 'most'> &
  Partial<Pick<NumberLever, 'period' | 'scale'>>;

const numberLever = (
  { id, of }: Thing,
  name: string,
  label: string,
  numeric: Numeric,
  set: (figure: Figure, value: number, work: Work) => Figure,
): NumberLever => ({
  key: `${id} ${name}`,
  of,
  label,
  scale: numeric.most - numeric.least,
  ...numeric,
  set: (figure, value, work) =>
    typeof value === 'number' && Number.isFinite(value) ? set(figure, value, work) : figure,
});

const choiceLever = (
  { id, of }: Thing,
  name: string,
  label: string,
  value: string,
  choices: ChoiceLever['choices'],
  set: (figure: Figure, value: string) => Figure,
): ChoiceLever => ({
  key: `${id} ${name}`,
  of,
  label,
  type: 'choice',
  value,
  choices,
  set: (figure, chosen) =>
    choices.some(([each]) => each === chosen) ? set(figure, chosen as string) : figure,
});

const degrees = (value: Turn, period?: number): Numeric => ({
  type: 'degrees',
  value: degreesOf(value),
  least: -360,
  most: 360,
  ...(period !== undefined && { period }),
});

const length = (value: number, least: number = LIMITS.smallest): Numeric => ({
  type: 'length',
  value,
  least,
  most: LIMITS.size,
});

const share = (value: number, least: number, most: number): Numeric => ({
  type: 'share',
  value,
  least,
  most,
});

const count = (value: number, least: number, most: number): Numeric => ({
  type: 'count',
  value,
  least,
  most,
});

const MIRRORINGS = [
  ['none', 'Not mirrored'],
  ['halves', 'Mirrored'],
  ['alternate', 'Every second'],
] as const;

const MERGES: ChoiceLever['choices'] = [
  ['none', 'Separate'],
  ['union', 'Union'],
  ['intersection', 'Intersection'],
  ['exclusion', 'Exclusion'],
  ['once', 'Once'],
  ['atLeast', 'Twice or more'],
  ['divide', 'Cells'],
  ['weave', 'Weave'],
];

const mergeOf = (value: string): (typeof ROUND_MERGES)[number] | null =>
  ROUND_MERGES.find((each) => each === value) ?? null;

/** More segments than this are not compared with those of neighbours: it would take longer than a person waits. */
const MOST_SEGMENTS = 80;

/** How far the motif reaches, how far out it is, and how far copies are apart. */
function reachLevers(thing: Thing, round: Round, work: Work): Lever[] {
  const reach = reachOfRound(round, work);
  if (!reach) return [];
  const paths = seenPaths(round, work);
  const isShort = paths.reduce((sum, { segments }) => sum + segments.length, 0) <= MOST_SEGMENTS;
  const gap =
    isShort && round.rule.fold > 2 && !round.rule.alternate ? neighbourGap(paths, round.rule) : null;
  return [
    numberLever(thing, 'outer', 'Reaches out to', length(reach.outer), (each, value, its) =>
      scaleRoundReach(each, round.id, 'outer', value, its),
    ),
    numberLever(thing, 'inner', 'Begins at', length(reach.inner, 0), (each, value, its) => {
      const now = reachOfRound(roundOf(each, round.id), its);
      return now ? moveRoundOut(each, round.id, value - now.inner) : each;
    }),
    ...(gap !== null && Number.isFinite(gap)
      ? [
          numberLever(thing, 'gap', 'Gap to neighbours', length(gap, -LIMITS.size), (each, value, its) =>
            withGap(each, round.id, value, its),
          ),
        ]
      : []),
  ];
}

/** A round's motif so large that its copies keep a gap; as it was where no size does. */
function withGap(figure: Figure, roundId: RoundId, gap: number, work: Work): Figure {
  const round = roundOf(figure, roundId);
  const [first] = round.shapes;
  if (!first) return figure;
  const about = anchorOf(first);
  const forms = round.shapes.map(({ form }) => form);
  const found = fitNeighbours(forms, seenPaths(round, work), round.rule, 'size', gap, about, work);
  if (!found.ok) return figure;
  return withShapes(figure, roundId, new Set(round.shapes.map(({ id }) => id)), (shape) => ({
    ...shape,
    form: fittedForm(shape.form, 'size', found.value, about),
  }));
}

/** A round's own numbers, as a number is read and set of it. */
function turnLevers(figure: Figure, round: Round, work: Work): Lever[] {
  const thing = { id: round.id, of: round.name };
  const { rule } = round;
  const at = figure.rounds.findIndex(({ id }) => id === round.id);
  return [
    numberLever(thing, 'fold', 'Fold', count(rule.fold, 1, MOST_FOLD), (each, value) =>
      setFold(each, round.id, Math.round(Math.min(MOST_FOLD, Math.max(1, value)))),
    ),
    choiceLever(thing, 'mirror', 'Mirror', mirroringOf(rule), MIRRORINGS, (each, value) =>
      setMirroring(each, round.id, value as (typeof MIRRORINGS)[number][0]),
    ),
    numberLever(thing, 'start', 'Start', degrees(rule.start, 360 / rule.fold), (each, value) =>
      setStart(each, round.id, turnFromDegrees(value)),
    ),
    ...reachLevers(thing, round, work),
    choiceLever(thing, 'merge', 'Merge', round.merge?.op ?? 'none', MERGES, (each, value) =>
      setMerge(each, round.id, mergeOf(value)),
    ),
    numberLever(thing, 'opacity', 'Opacity', share(round.opacity ?? 1, 0.05, 1), (each, value) =>
      setOpacity(each, round.id, value),
    ),
    ...(figure.rounds.length > 1
      ? [
          numberLever(
            thing,
            'order',
            'Place among rounds',
            count(at + 1, 1, figure.rounds.length),
            (each, value) => moveRound(each, round.id, Math.round(value) - 1),
          ),
        ]
      : []),
  ];
}

/** How copies change, where they do. */
function changeLevers({ id, name, whirl, progression, variation }: Round): Lever[] {
  const thing = { id, of: name };
  const levers: Lever[] = [];
  if (whirl)
    levers.push(
      numberLever(thing, 'whirl angle', 'Whirl angle', degrees(whirl.angle), (each, value) =>
        setRoundWhirl(each, id, { ...whirlOf(each, id, whirl), angle: turnFromDegrees(value) }),
      ),
      numberLever(thing, 'whirl factor', 'Whirl factor', share(whirl.factor, 0.05, 0.98), (each, value) =>
        setRoundWhirl(each, id, { ...whirlOf(each, id, whirl), factor: value }),
      ),
      numberLever(thing, 'whirl count', 'Whirls', count(whirl.count, 2, LIMITS.whirls), (each, value) =>
        setRoundWhirl(each, id, { ...whirlOf(each, id, whirl), count: Math.round(value) }),
      ),
    );
  if (progression)
    for (const [key, label, numeric] of [
      ['out', 'Last copy out', length(progression.out, -LIMITS.size)],
      ['size', 'Last copy’s size', share(progression.size, 0.05, 4)],
      ['twist', 'Last copy’s twist', { ...degrees(turnFromDegrees(0)), value: progression.twist }],
    ] as const)
      levers.push(
        numberLever(thing, `progression ${key}`, label, numeric, (each, value) =>
          setProgression(each, id, { ...(roundOf(each, id).progression ?? progression), [key]: value }),
        ),
      );
  if (variation)
    for (const [key, label, numeric] of [
      ['nth', 'Every nth', count(variation.nth, 2, 12)],
      ['out', 'Every nth out', length(variation.out, -LIMITS.size)],
      ['size', 'Every nth’s size', share(variation.size, 0.05, 4)],
    ] as const)
      levers.push(
        numberLever(thing, `variation ${key}`, label, numeric, (each, value) =>
          setVariation(each, id, {
            ...(roundOf(each, id).variation ?? variation),
            [key]: key === 'nth' ? Math.round(value) : value,
          }),
        ),
      );
  return levers;
}

const whirlOf = (figure: Figure, id: string, otherwise: NonNullable<Round['whirl']>) =>
  roundOf(figure, id).whirl ?? otherwise;

/** The form of a shape as it is in a figure; null where it is no construction of the kind any more. */
function builtIn(
  figure: Figure,
  roundId: RoundId,
  shapeId: ShapeId,
  kind: BuiltForm['kind'],
): BuiltForm | null {
  const form = roundOf(figure, roundId).shapes.find(({ id }) => id === shapeId)?.form;
  return form && isBuilt(form) && form.kind === kind ? form : null;
}

/** A field of a construction as a lever; null for what is drawn, listed or written. */
function fieldLever(round: Round, shape: Shape, form: BuiltForm, field: Field<Params>): Lever | null {
  const params = form.params as Params;
  const value: Value | undefined = params[field.key] ?? field.absent;
  const thing = thingIn(round, shape);
  const put = (figure: Figure, next: Value): Figure => {
    const now = builtIn(figure, round.id, shape.id, form.kind);
    if (!now) return figure;
    const made = { ...(now.params as Params), [field.key]: next };
    const isRight = makerOf(now.kind).problem(made) === null;
    return isRight
      ? setForm(figure, { roundId: round.id, shapeId: shape.id }, withParams(now, made))
      : figure;
  };
  switch (field.type) {
    case 'length':
      return numberLever(
        thing,
        field.key,
        field.label,
        length(Number(value), field.mayBeZero ? 0 : undefined),
        put,
      );
    case 'count':
      return numberLever(
        thing,
        field.key,
        field.label,
        count(Number(value), field.least, field.most),
        (figure, next) => put(figure, Math.round(next)),
      );
    case 'share':
      return numberLever(thing, field.key, field.label, share(Number(value), field.least, field.most), put);
    case 'turn':
      return numberLever(thing, field.key, field.label, degrees(value as Turn), (figure, next) =>
        put(figure, turnFromDegrees(next)),
      );
    case 'choice':
      return choiceLever(thing, field.key, field.label, value as string, field.choices, put);
    case 'list':
    case 'drawn':
    case 'parts':
    case 'places':
    case 'words':
      return null;
  }
}

/** The key of the field of a construction that is tried first: of its lengths and counts the first one. */
export const firstNumber = ({ kind }: BuiltForm): string =>
  makerOf(kind).fields.find(({ type }) => type === 'length' || type === 'count')?.key ?? '';

function shapeLevers(round: Round, shape: Shape): Lever[] {
  const { form, paint } = shape;
  const fields = isBuilt(form)
    ? makerOf(form.kind)
        .fields.filter(({ when }) => when?.(form.params as Params) ?? true)
        .map((field) => fieldLever(round, shape, form, field))
        .filter((lever) => lever !== null)
    : [];
  const width = paint.stroke && {
    ...numberLever(thingIn(round, shape), 'stroke', 'Stroke', length(paint.stroke.width), (figure, value) =>
      setStroke(figure, { of: 'shapes', roundId: round.id, shapeIds: new Set([shape.id]) }, { width: value }),
    ),
  };
  return width ? [...fields, width] : fields;
}

/** What of a strip is bent how. */
function bendLevers(round: Round, { id, name, bend }: Group): Lever[] {
  if (!bend) return [];
  const thing = thingIn(round, { id, name });
  const rows = [
    ['units', 'Units', count(bend.units, 1, 720)],
    ['radius', 'Radius', length(bend.radius)],
    ['height', 'Height', length(bend.height)],
    ['swell', 'Swell', share(bend.swell, -0.9, 2)],
    ['taper', 'Taper', share(bend.taper, -0.9, 0.9)],
    ['wave', 'Wave', length(bend.wave, -LIMITS.size)],
    ['waves', 'Waves', count(bend.waves, 1, 720)],
    ['twist', 'Twist', { ...degrees(turnFromDegrees(0)), value: bend.twist }],
  ] as const;
  return rows.map(([key, label, numeric]) =>
    numberLever(thing, key, label, numeric, (figure, value) =>
      setBend(figure, round.id, id, { [key]: numeric.type === 'count' ? Math.round(value) : value }),
    ),
  );
}

/** A good deal of a length, as a part of the page's shorter side. */
const SCALE = 1 / 10;

/** The numbers and choices of a round, of what is in its motif, and of how it is bent. */
function leversOfRound(figure: Figure, round: Round, work: Work): Lever[] {
  return [
    ...turnLevers(figure, round, work),
    ...changeLevers(round),
    ...round.shapes.flatMap((shape) => shapeLevers(round, shape)),
    ...(round.groups ?? []).flatMap((group) => bendLevers(round, group)),
  ];
}

/** The numbers and choices of a figure, round by round from the back. */
export function leversOf(figure: Figure, work: Work): Lever[] {
  const { width, height } = figure.page;
  const scale = Math.min(width, height) * SCALE;
  return figure.rounds
    .flatMap((round) => leversOfRound(figure, round, work))
    .map((lever) => (lever.type === 'length' ? { ...lever, scale } : lever));
}
