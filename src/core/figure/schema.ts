/**
 * What a figure may hold, in numbers and in words. Looks at what is there and works nothing out.
 *
 * @example
 * const { error } = figureSchema.validate(figure);
 * if (error) say(brokenSentence(figure, error));
 */
import Joi from 'joi';

import { type Affine, determinant, NODE_KINDS } from '@/core/curve';
import {
  BUILT_KINDS,
  type BuiltKind,
  type Field,
  type Form,
  formProblem,
  makerOf,
  MOST_PARTS,
  MOST_PLACES,
  MOST_SIDES,
  type Params,
} from '@/core/maker';
import { LENGTH_UNITS, MOST_DEN, type Turn } from '@/core/number';
import { type ColourInks, MOST_COLOUR_NAME, MOST_SPOT_NAME, stopsProblem } from '@/core/paint';
import { BLEND_MODES, type GradientStop, SPREADS, STROKE_CAPS, STROKE_JOINS } from '@/core/scene';
import {
  DIAGONALS,
  type FramePolygon,
  framePolygonProblem,
  MOST_FOLD,
  MOST_GUIDES,
  MOST_RINGS,
  sweepProblem,
} from '@/core/symmetry';
import { finding } from '@/core/finding';
import {
  type Bend,
  BEND_WAYS,
  bendProblem,
  MOST_SWELL,
  MOST_TWIST,
  MOST_UNITS,
  MOST_WAVES,
} from '@/core/bend';
import { MOST_CHARACTERS, MOST_FACE_ID, type Words } from '@/core/words';
import { treeProblem } from './groups';
import { inputsProblem } from './inputs';
import {
  type OwnTarget,
  AXIS_SIDES,
  LOWER_ACTIONS,
  COMBINE_OPS,
  EDGES,
  EASES,
  FIGURE_FORMAT,
  FIGURE_VERSION,
  LIMITS,
  ROUND_MERGES,
  type Figure,
  type Formula,
  type Group,
  type Round,
  type Shape,
  type Slider,
  type KindPaints,
} from './model';

/**
 * A schema whose values are checked once an object: what was found good is not looked at again as long as it is the same object, so that
 * checking a figure again costs what changed in it. What is wrong is named by where it is inside of it.
 */
function once(schema: Joi.Schema): {
  readonly rule: Joi.Schema;
  readonly isKnown: (value: unknown) => boolean;
  /** Takes an object as good that was checked before, elsewhere. */
  readonly know: (value: object) => void;
} {
  const good = new WeakSet<object>();
  const isKnown = (value: unknown): boolean => typeof value === 'object' && value !== null && good.has(value);
  const rule = Joi.any()
    .custom((value: unknown, helpers) => {
      if (isKnown(value)) return value;
      const { error } = schema.validate(value, { convert: false });
      if (!error) {
        if (typeof value === 'object' && value !== null) good.add(value);
        return value;
      }
      const [detail] = error.details;
      const inside = [...(detail?.path ?? []), ...((detail?.context?.['inside'] as Keys | undefined) ?? [])];
      const rest = (detail?.context?.['rest'] as string | undefined) ?? withoutLabel(error.message);
      const where = placeName([...(helpers.state.path ?? []), ...inside]);
      return helpers.error('inside', { inside, rest, where, detail });
    })
    .messages({ inside: '"{{#where}}" {{#rest}}' });
  return { rule, isKnown, know: (value) => void good.add(value) };
}

type Keys = readonly (string | number)[];

/** A place in a figure's file as Joi writes it: `rounds[0].rule.fold`. */
const placeName = (keys: Keys): string =>
  keys.reduce<string>(
    (name, key) => (typeof key === 'number' ? `${name}[${key}]` : name === '' ? key : `${name}.${key}`),
    '',
  );

const withoutLabel = (message: string): string => message.replace(/^"[^"]*":? ?/, '');

const coordinate = Joi.number().min(-LIMITS.size).max(LIMITS.size).required();
const extent = Joi.number().min(LIMITS.smallest).max(LIMITS.size).required();
const name = Joi.string().trim().min(1).max(LIMITS.name).required();
const id = Joi.string()
  .pattern(/^[A-Za-z0-9_-]{1,40}$/)
  .required();
const colour = Joi.string().pattern(/^#(?:[0-9a-f]{6}|[0-9a-f]{8})$/i, 'colour like #1f8a76');

const share = Joi.number().min(0).max(1);
const scale = Joi.number().min(0.001).max(1000).required();

const point = Joi.object({ x: coordinate, y: coordinate });
const turn = Joi.object({
  num: Joi.number().integer().required(),
  den: Joi.number()
    .integer()
    .min(1)
    .max(MOST_DEN)
    .required()
    .messages({ 'number.max': `{{#label}}: ${finding('turn.fine').sentence}` }),
});

const node = Joi.object({
  x: coordinate,
  y: coordinate,
  kind: Joi.valid(...NODE_KINDS).required(),
  in: point,
  out: point,
  bulge: Joi.number().min(-1e6).max(1e6),
}).nand('out', 'bulge');

const contours = Joi.array()
  .items(
    Joi.object({
      closed: Joi.boolean().required(),
      nodes: Joi.array().items(node).min(2).max(LIMITS.nodes).required(),
    }),
  )
  .min(1)
  .max(LIMITS.contours)
  .required();

const placed = { at: point.required(), rotation: turn.required() };

const gradient = Joi.object({
  kind: Joi.valid('linear', 'radial').required(),
  spread: Joi.valid(...SPREADS).required(),
  from: point.required(),
  to: point.required(),
  across: point,
  stops: Joi.array()
    .items(
      Joi.object({
        at: share.required(),
        colour: colour.required(),
        middle: Joi.number().min(0.01).max(0.99),
      }),
    )
    .min(2)
    .max(LIMITS.stops)
    .required()
    .custom((stops: readonly GradientStop[]) => {
      const problem = stopsProblem(stops);
      if (problem) throw new Error(problem.sentence);
      return stops;
    }),
  straight: Joi.boolean(),
});

const fill = Joi.alternatives(colour, gradient);

const stroke = Joi.object({
  colour: fill.required(),
  width: extent,
  cap: Joi.valid(...STROKE_CAPS).required(),
  join: Joi.valid(...STROKE_JOINS).required(),
  limit: Joi.number().min(1).max(1000),
  dashes: Joi.array().items(Joi.number().min(0).max(LIMITS.size)).max(LIMITS.dashes),
});

const paint = Joi.object({
  fill: fill.allow(null).required(),
  stroke: stroke.allow(null).required(),
  behind: Joi.boolean(),
});

const fillRule = Joi.valid('nonzero', 'evenodd').required();

const parts = Joi.array()
  .items(
    Joi.object({
      contours,
      paint: paint.required(),
      rule: fillRule,
      laid: Joi.object({
        group: Joi.number().integer().min(0).max(MOST_PARTS).required(),
        blend: Joi.valid(...BLEND_MODES),
        opacity: Joi.number().min(0).max(1),
      }),
    }),
  )
  .min(1)
  .max(MOST_PARTS);

const places = Joi.array()
  .items(Joi.object({ x: coordinate, y: coordinate, size: scale, turn: turn.required() }))
  .min(1)
  .max(MOST_PLACES)
  .required();

const words = Joi.object<Words>({
  text: Joi.string()
    .min(1)
    .max(2 * MOST_CHARACTERS)
    .required(),
  face: Joi.string()
    .pattern(/^[A-Za-z0-9_-]+$/)
    .max(MOST_FACE_ID)
    .required(),
  run: Joi.object({
    letters: Joi.array()
      .items(
        Joi.object({
          outline: Joi.number().integer().min(0).max(MOST_CHARACTERS).allow(null).required(),
          advance: Joi.number().min(-10).max(10).required(),
        }),
      )
      .min(1)
      .max(2 * MOST_CHARACTERS)
      .required(),
    outlines: Joi.array()
      .items(contours)
      .min(1)
      .max(2 * MOST_CHARACTERS)
      .required(),
    capHeight: Joi.number().greater(0).max(10).required(),
  }).required(),
}).required();

function numberOf(field: Field<Params>): Joi.Schema {
  switch (field.type) {
    case 'length':
      return field.mayBeZero ? Joi.number().min(-LIMITS.size).max(LIMITS.size).required() : extent;
    case 'count':
      return Joi.number().integer().min(field.least).max(field.most).required();
    case 'share':
      return Joi.number().min(field.least).max(field.most).required();
    case 'turn':
      return turn.required();
    case 'choice':
      return Joi.valid(...field.choices.map(([value]) => value)).required();
    case 'list':
      return Joi.array().items(Joi.number().min(0).max(LIMITS.size)).max(field.most).required();
    case 'drawn':
      return contours;
    case 'parts':
      return field.mayBeNone ? parts.optional() : parts.required();
    case 'places':
      return places;
    case 'words':
      return words;
  }
}

/** A construction's form, from the fields that it asks for. */
const rule = (field: Field<Params>): Joi.Schema =>
  field.absent === undefined ? numberOf(field) : numberOf(field).optional();

const built = (kind: BuiltKind): Joi.ObjectSchema =>
  Joi.object({
    kind: Joi.valid(kind).required(),
    ...placed,
    params: Joi.object(
      Object.fromEntries(makerOf(kind).fields.map((field) => [field.key, rule(field)])),
    ).required(),
  });

const forms = {
  path: Joi.object({
    kind: Joi.valid('path').required(),
    contours,
  }),
  ...(Object.fromEntries(BUILT_KINDS.map((kind) => [kind, built(kind)])) as Record<
    BuiltKind,
    Joi.ObjectSchema
  >),
} satisfies Record<Form['kind'], Joi.Schema>;

/** Chosen by `kind`, so that a wrong number is named itself and not "no kind of shape matches". */
const form = Joi.alternatives()
  .conditional('.kind', {
    switch: Object.entries(forms).map(([kind, then]) => ({ is: kind, then })),
    otherwise: Joi.object({ kind: Joi.valid(...Object.keys(forms)).required() }).unknown(),
  })
  .required()
  .custom((value: Form, helpers) => {
    const problem = formProblem(value);
    return problem === null ? value : helpers.message({ custom: `{{#label}}: ${problem.sentence}` });
  });

/** One shape of a motif. */
export const shapeSchema: Joi.ObjectSchema<Shape> = Joi.object<Shape>({
  id,
  name,
  visible: Joi.boolean().required(),
  locked: Joi.boolean().required(),
  group: id.optional(),
  axis: Joi.valid(...AXIS_SIDES),
  edge: Joi.valid(...EDGES),
  form,
  inputs: Joi.object().pattern(Joi.string().max(40), id).min(1).max(4),
  rule: fillRule,
  paint: paint.required(),
});

const shapesOnce = once(shapeSchema);

const bend = Joi.object<Bend>({
  how: Joi.valid(...BEND_WAYS).required(),
  strip: Joi.object({ left: coordinate, right: coordinate, top: coordinate, bottom: coordinate }).required(),
  units: Joi.number().integer().min(1).max(MOST_UNITS).required(),
  radius: extent,
  height: extent,
  span: turn.required(),
  middle: turn.required(),
  overlap: coordinate,
  up: Joi.valid('out', 'in').required(),
  mirrored: Joi.boolean().required(),
  swell: Joi.number().min(-MOST_SWELL).max(MOST_SWELL).required(),
  taper: Joi.number().min(-MOST_SWELL).max(1).required(),
  wave: coordinate,
  waves: Joi.number().integer().min(1).max(MOST_WAVES).required(),
  twist: Joi.number().min(-MOST_TWIST).max(MOST_TWIST).required(),
}).custom((value: Bend, helpers) => {
  const problem = bendProblem(value);
  return problem === null ? value : helpers.message({ custom: `{{#label}}: ${problem.sentence}` });
});

const affine = Joi.object({
  a: coordinate,
  b: coordinate,
  c: coordinate,
  d: coordinate,
  e: coordinate,
  f: coordinate,
}).custom((value: Affine, helpers) =>
  Math.abs(determinant(value)) > 1e-12
    ? value
    : helpers.message({ custom: '{{#label}}: a place that flattens a motif is none' }),
);

/** One group of a motif. */
export const groupSchema: Joi.ObjectSchema<Group> = Joi.object<Group>({
  id,
  name,
  parent: id.optional(),
  op: Joi.valid(...COMBINE_OPS),
  axis: Joi.valid(...AXIS_SIDES),
  bend,
  source: Joi.object({
    motif: Joi.string().max(60).required(),
    revision: Joi.number().integer().min(1).max(1e9).required(),
    place: affine.required(),
  }),
});

const inkShare = Joi.number().min(0).max(100).required();
const inks = Joi.object<ColourInks>({
  colour: Joi.string()
    .pattern(/^#[0-9a-f]{6}$/, 'colour like #1f8a76')
    .required(),
  c: inkShare,
  m: inkShare,
  y: inkShare,
  k: inkShare,
  spot: Joi.string().trim().min(1).max(MOST_SPOT_NAME),
});

const guide = Joi.alternatives().conditional('.kind', {
  is: 'line',
  then: Joi.object({ kind: Joi.valid('line').required(), at: point.required(), direction: turn.required() }),
  otherwise: Joi.object({ kind: Joi.valid('circle').required(), at: point.required(), radius: extent }),
});

const frame = Joi.object({
  polygon: Joi.object({
    sides: Joi.number().integer().min(3).max(MOST_SIDES).required(),
    radius: extent,
    fit: Joi.valid('in', 'about').required(),
    diagonals: Joi.valid(...DIAGONALS).required(),
  })
    .custom((value: FramePolygon, helpers) => {
      const problem = framePolygonProblem(value);
      return problem === null ? value : helpers.message({ custom: `{{#label}}: ${problem.sentence}` });
    })
    .allow(null)
    .required(),
  rings: Joi.array().items(Joi.number().greater(0).max(LIMITS.size)).max(MOST_RINGS).required(),
  phase: Joi.boolean().required(),
  guides: Joi.array().items(guide).max(MOST_GUIDES).required(),
  hidden: Joi.valid(true),
});

const CELL_REF = /^[A-Za-z0-9_-]{1,60}(?:@\d{1,5})?$/;
const cellRef = Joi.string().pattern(CELL_REF, 'reference to a cell');
const cellRefs = Joi.array().items(cellRef).max(LIMITS.cells).required();

const paintOnce = once(paint);

const KIND_KEY = /^[A-Za-z0-9_-]{1,60}$/;
const PLACE = /^\d{1,5}$/;
const kindPaintsOnce = once(
  Joi.object({
    all: paintOnce.rule,
    single: Joi.object().pattern(PLACE, paintOnce.rule),
  }).or('all', 'single'),
);

const isGoodPaint = (value: unknown): boolean =>
  paintOnce.isKnown(value) || paintOnce.rule.validate(value).error === undefined;

/** True for the paints of a kind whose cells each have one of a few: each paint is checked once, and not once a cell. */
function areGoodPaints(kind: unknown): boolean {
  if (typeof kind !== 'object' || kind === null || Object.keys(kind).join() !== 'single') return false;
  const { single } = kind as { readonly single: unknown };
  return (
    typeof single === 'object' &&
    single !== null &&
    !Array.isArray(single) &&
    Object.entries(single).every(([place, value]) => PLACE.test(place) && isGoodPaint(value))
  );
}

/** The paints of cells by their kinds: thousands, most of which are the same objects as before. */
function checkedPaints(paints: Readonly<Record<string, unknown>>): unknown {
  let count = 0;
  for (const [key, kind] of Object.entries(paints)) {
    if (!KIND_KEY.test(key)) throw new Error(`“${key.slice(0, 80)}” is no key of a kind of cells`);
    if (!kindPaintsOnce.isKnown(kind)) {
      // What is not good is looked at once more, for the words of what is wrong with it.
      const { error } = areGoodPaints(kind) ? {} : kindPaintsOnce.rule.validate(kind);
      if (error) throw new Error(`${key}: ${error.message}`);
      kindPaintsOnce.know(kind as object);
    }
    count += 1 + Object.keys((kind as KindPaints).single ?? {}).length;
  }
  if (count > LIMITS.cells) throw new Error(`a round has ${LIMITS.cells} painted cells at most`);
  return paints;
}

const cellEdits = Joi.object({
  frame: Joi.boolean().required(),
  fromShapes: Joi.valid(true),
  order: Joi.valid('found'),
  fused: Joi.array()
    .items(Joi.object({ cells: cellRefs, alone: Joi.valid(true) }))
    .max(LIMITS.cells)
    .required(),
  removed: cellRefs,
  paints: Joi.object().custom(checkedPaints).required(),
});

const round = Joi.object({
  id,
  name,
  visible: Joi.boolean().required(),
  locked: Joi.boolean().required(),
  rule: Joi.object({
    fold: Joi.number().integer().min(1).max(MOST_FOLD).required(),
    mirror: Joi.boolean().required(),
    start: turn.required(),
    alternate: Joi.valid(true),
    sweep: Joi.object({
      turn: turn.required().custom((value: Turn, helpers) => {
        const problem = sweepProblem(value);
        return problem === null ? value : helpers.message({ custom: `{{#label}}: ${problem.sentence}` });
      }),
      ends: Joi.boolean().required(),
    }),
  }).required(),
  variation: Joi.object({
    nth: Joi.number().integer().min(2).max(MOST_FOLD).required(),
    halfStep: Joi.boolean().required(),
    out: coordinate,
    size: scale,
    tint: colour.allow(null).required(),
  }),
  progression: Joi.object({
    out: coordinate,
    size: scale,
    twist: Joi.number().min(-36_000).max(36_000).required(),
    fade: share.required(),
    tint: colour.allow(null).required(),
    ease: Joi.valid(...EASES).required(),
  }),
  whirl: Joi.object({
    angle: turn.required(),
    factor: Joi.number().greater(0.01).less(1).required(),
    count: Joi.number().integer().min(2).max(LIMITS.whirls).required(),
  }),
  blend: Joi.valid(...BLEND_MODES),
  opacity: share,
  motif: id.optional(),
  omitted: Joi.array()
    .items(
      Joi.number()
        .integer()
        .min(0)
        .max(MOST_FOLD - 1),
    )
    .max(MOST_FOLD),
  detachedFrom: Joi.object({ roundId: id, index: Joi.number().integer().min(0).max(MOST_FOLD).required() }),
  half: Joi.valid('turned', 'mirrored'),
  edge: Joi.valid('trim', 'warn'),
  relief: Joi.object({ how: Joi.valid('raised', 'sunken').required(), edge: extent }),
  light: Joi.object({
    from: turn.required(),
    depth: Joi.number().min(0).max(89).required(),
    faces: Joi.valid('out', 'across').required(),
  }),
  frame: frame.required(),
  shapes: Joi.array()
    .items(shapesOnce.rule)
    .max(LIMITS.shapes)
    .unique('id')
    .required()
    .messages({ 'any.required': '{{#label}}: its motif is not in the file' }),
  groups: Joi.array().items(groupSchema).max(LIMITS.shapes).unique('id'),
  merge: Joi.object({
    op: Joi.valid(...ROUND_MERGES).required(),
    times: Joi.number().integer().min(1).max(MOST_FOLD),
    paint: paint.required(),
    cells: cellEdits,
    lines: Joi.valid('hidden'),
    weave: Joi.object({
      gap: extent,
      swapped: Joi.array()
        .items(Joi.string().pattern(/^\d{1,5}-\d{1,5}\.\d{1,6}(?:@\d{1,5})?$/, 'reference to a crossing'))
        .max(LIMITS.cells)
        .required(),
      areas: Joi.boolean(),
    }),
  })
    .allow(null)
    .required(),
  lowerAction: Joi.object({
    how: Joi.valid(...LOWER_ACTIONS).required(),
    rounds: Joi.array().items(id).max(LIMITS.rounds),
  }),
}).custom((value: Round, helpers) => {
  const problem = treeProblem(value) ?? inputsProblem(value);
  return problem === null ? value : helpers.message({ custom: `{{#label}}: ${problem.sentence}` });
});

const limits = Joi.object()
  .pattern(Joi.string().max(LIMITS.name), Joi.number().min(0).max(LIMITS.size))
  .max(20);

/** A target of one's own, as a figure holds it and as it is kept for all figures. */
export const ownTargetSchema = Joi.object<OwnTarget>({
  id,
  name,
  checks: Joi.object().pattern(Joi.string().max(LIMITS.name), limits).max(200).required(),
});

const proofSaid = Joi.object({
  target: Joi.string().max(LIMITS.name),
  own: Joi.array().items(ownTargetSchema).max(LIMITS.targets).unique('id'),
  left: Joi.array().items(Joi.string().max(400)).max(LIMITS.left),
});

/** The figure format. Described for people in docs/figure-format.md. */
const bounded = Joi.number().min(-LIMITS.size).max(LIMITS.size).required();
const slider = Joi.object<Slider>({
  id,
  name,
  value: bounded,
  least: bounded,
  most: bounded,
}).custom((value: Slider, helpers) =>
  value.least < value.most && value.value >= value.least && value.value <= value.most
    ? value
    : helpers.message({ custom: '{{#label}}: a slider is between its least and its most' }),
);
const formula = Joi.object<Formula>({
  lever: Joi.string().min(1).max(120).required(),
  text: Joi.string().trim().min(1).max(LIMITS.formula).required(),
});

const roundsOnce = once(round);

export const figureSchema: Joi.ObjectSchema<Figure> = Joi.object<Figure>({
  format: Joi.valid(FIGURE_FORMAT).required(),
  version: Joi.valid(FIGURE_VERSION).required(),
  name,
  page: Joi.object({
    width: extent,
    height: extent,
    unit: Joi.valid(...LENGTH_UNITS).required(),
    background: fill.allow(null).required(),
    bleed: Joi.number().min(0).max(LIMITS.size).required(),
    centre: point.required(),
  }).required(),
  palette: Joi.array().items(colour).max(LIMITS.palette).required(),
  colourNames: Joi.object()
    .pattern(colour, Joi.string().trim().min(1).max(MOST_COLOUR_NAME))
    .max(LIMITS.inks),
  inks: Joi.array().items(inks).max(LIMITS.inks).unique('colour'),
  underlay: Joi.object({
    picture: id,
    name,
    width: extent,
    height: extent,
    at: point.required(),
    rotation: turn.required(),
    strength: Joi.number().min(0).max(1).required(),
    visible: Joi.boolean().required(),
    locked: Joi.boolean().required(),
  })
    .allow(null)
    .required(),
  proof: proofSaid,
  sliders: Joi.array().items(slider).max(LIMITS.sliders).unique('id'),
  formulas: Joi.array().items(formula).max(LIMITS.formulas).unique('lever'),
  rounds: Joi.array().items(roundsOnce.rule).max(LIMITS.rounds).unique('id').required(),
}).options({ convert: false, abortEarly: true });

/** Takes a figure as sound that its server has checked: of its next steps what they change is checked, and not all that is there. */
export function takenAsSound({ rounds }: Figure): void {
  for (const each of rounds) {
    roundsOnce.know(each);
    for (const shape of each.shapes) shapesOnce.know(shape);
  }
}
