import equal from 'fast-deep-equal';

import { petalOfCircles, petalOfSize } from '@/core/maker';
import { addTurns, MOST_DEN, NO_TURN, turn } from '@/core/number';
import { NO_FRAME } from '@/core/symmetry';

import type { Paint } from '@/core/scene';
import { paintsOf } from './cellPaints';
import type { Figure } from './model';
import { figureOfStored, storedFigure } from './stored';

type Json = Record<string, unknown>;

const isRecord = (value: unknown): value is Json =>
  typeof value === 'object' && value !== null && !Array.isArray(value);

/** A list with each record in it changed; what is no list or no record stays, for the schema to name. */
const each = (list: unknown, change: (record: Json) => Json): unknown =>
  Array.isArray(list) ? list.map((item: unknown) => (isRecord(item) ? change(item) : item)) : list;

/** Version 1 had no frames and no underlay, and the centre was always the page's middle. */
const fromFirst = (figure: Json): Json => ({
  underlay: null,
  ...figure,
  version: 2,
  page: isRecord(figure['page']) ? { bleed: 0, centre: { x: 0, y: 0 }, ...figure['page'] } : figure['page'],
  rounds: each(figure['rounds'], (round) => ({ frame: NO_FRAME, ...round })),
});

function withContours(form: Json): Json {
  if (form['kind'] !== 'path' || !('nodes' in form)) return form;
  const { closed, nodes, ...rest } = form;
  return { ...rest, contours: [{ closed, nodes }] };
}

/** Version 2 had one contour a path. */
const fromSecond = (figure: Json): Json => ({
  ...figure,
  version: 3,
  rounds: eachForm(figure, withContours),
});

/** Each shape's form changed. */
const eachForm = (figure: Json, change: (form: Json) => Json): unknown =>
  each(figure['rounds'], (round) => ({
    ...round,
    shapes: each(round['shapes'], (shape) =>
      isRecord(shape['form']) ? { ...shape, form: change(shape['form']) } : shape,
    ),
  }));

/** What petals, polygons and ellipses had of their own, as params like those of any construction. */
const PARAMS: Readonly<Record<string, (form: Json) => object>> = {
  petal: ({ size }) => {
    const { by, length, width, radius, apart } = (isRecord(size) ? size : {}) as Record<string, number>;
    return String(by) === 'circles'
      ? petalOfCircles(Number(radius), Number(apart))
      : petalOfSize(Number(length), Number(width));
  },
  polygon: ({ sides, radius, diagonals = 'none' }) => ({ sides, radius, diagonals }),
  ellipse: ({ rx, ry }) => ({ width: 2 * Number(rx), height: 2 * Number(ry) }),
};

function withParams(form: Json): Json {
  if (form['kind'] === 'path' || 'params' in form) return form;
  const { kind, at, rotation, numbers } = form;
  const own = PARAMS[String(kind)];
  return { kind, at, rotation, params: own ? own(form) : numbers };
}

/** A turn that needs a larger denominator than there may be now, as the nearest that does not. */
function withBoundedTurns(value: unknown): unknown {
  if (Array.isArray(value)) return value.map(withBoundedTurns);
  if (!isRecord(value)) return value;
  const { num, den } = value;
  if (Number.isSafeInteger(num) && Number.isSafeInteger(den) && Number(den) > MOST_DEN)
    return addTurns(turn(Number(num), Number(den)), NO_TURN);
  return Object.fromEntries(Object.entries(value).map(([key, each]) => [key, withBoundedTurns(each)]));
}

/** What members of a round were called, and are. */
const RENAMED: Readonly<Record<string, string>> = {
  every: 'variation',
  way: 'progression',
  without: 'omitted',
  freeOf: 'detachedFrom',
  below: 'lowerAction',
};

const renamed = (round: Json): Json =>
  Object.fromEntries(Object.entries(round).map(([key, value]) => [RENAMED[key] ?? key, value]));

/** Version 3 had petals, polygons and ellipses apart from other constructions, turns of any denominator, and other names in rounds. */
const fromThird = (figure: Json): Json => {
  const rounds = each(eachForm(figure, withParams), renamed);
  return withBoundedTurns({ ...figure, version: 4, rounds }) as Json;
};

/** Version 4 told cells that lie equally far out apart by the order in which they were found: references made so go on meaning the same. */
const fromFourth = (figure: Json): Json => ({
  ...figure,
  version: 5,
  rounds: each(figure['rounds'], (round) => {
    const { merge } = round;
    return isRecord(merge) && isRecord(merge['cells'])
      ? { ...round, merge: { ...merge, cells: { ...merge['cells'], order: 'found' } } }
      : round;
  }),
});

/** Up to version 5 shapes that lay together shared a word, and how they were combined stood beside it. */
const fromFifth = (figure: Json): Json => ({
  ...figure,
  version: 6,
  rounds: each(figure['rounds'], ({ combined, ...round }) => {
    const { shapes } = round;
    const list: unknown[] = Array.isArray(shapes) ? shapes : [];
    const words = list.flatMap((shape) =>
      isRecord(shape) && typeof shape['group'] === 'string' ? [shape['group']] : [],
    );
    const entries: unknown[] = Array.isArray(combined) ? combined : [];
    const op = (word: string): unknown =>
      entries.filter(isRecord).find(({ group }) => group === word)?.['op'];
    const groups = [...new Set(words)].map((word, k) => ({
      id: word,
      name: `Group ${k + 1}`,
      ...(op(word) !== undefined && { op: op(word) }),
    }));
    return groups.length > 0 ? { ...round, groups } : round;
  }),
});

/** Up to version 6 no group was bent, and there were no words on a ring. */
const fromSixth = (figure: Json): Json => ({ ...figure, version: 7 });

/** Up to version 7 nothing was said of a figure's proof. */
const fromSeventh = (figure: Json): Json => ({ ...figure, version: 8 });

/** Up to version 8 no group followed a motif of the drawer. */
const fromEighth = (figure: Json): Json => ({ ...figure, version: 9 });

/** Up to version 9 no construction followed the shape that it was made of, and colours had no names. */
const fromNinth = (figure: Json): Json => ({ ...figure, version: 10 });

/** Up to version 10 no number went by others. */
const fromTenth = (figure: Json): Json => ({ ...figure, version: 11 });

/** True where two rounds have the same in their motifs; one that had come apart keeps its own. */
const isSameMotif = (a: Json, b: Json | undefined): boolean =>
  b !== undefined && equal([a['shapes'], a['groups']], [b['shapes'], b['groups']]);

/** A round whose cells have their paints kind by kind, where they had them by reference. */
function withPaintsByKind(round: Json): Json {
  const { merge } = round;
  const cells = isRecord(merge) ? merge['cells'] : undefined;
  if (!isRecord(merge) || !isRecord(cells) || !isRecord(cells['paints'])) return round;
  const paints = paintsOf(Object.entries(cells['paints']) as [string, Paint][]);
  return { ...round, merge: { ...merge, cells: { ...cells, paints } } };
}

/** Up to version 11 each round held its motif, and those with one `link` the same; paints of cells stood by their references. */
function fromEleventh(figure: Json): Json {
  const { rounds } = figure;
  const next = { ...figure, version: 12 };
  if (!Array.isArray(rounds) || !rounds.every(isRecord)) return next;
  const first = new Map<unknown, Json>();
  for (const round of rounds) if (!first.has(round['link'])) first.set(round['link'], round);
  const named = rounds.map(({ link, ...round }) => {
    const own = withPaintsByKind(round);
    return link !== undefined && isSameMotif(round, first.get(link)) ? { ...own, motif: link } : own;
  });
  return storedFigure({ ...next, rounds: named } as unknown as Figure) as unknown as Json;
}

const STEPS: readonly ((figure: Json) => Json)[] = [
  fromFirst,
  fromSecond,
  fromThird,
  fromFourth,
  fromFifth,
  fromSixth,
  fromSeventh,
  fromEighth,
  fromNinth,
  fromTenth,
  fromEleventh,
];

/**
 * A figure of an earlier version of the format as the present one. What is not a figure at all comes back as it is, for the
 * schema to say what is wrong with it.
 */
export function upgraded(figure: Json): Json {
  const version = figure['version'];
  if (typeof version !== 'number' || !Number.isInteger(version) || version < 1) return figure;
  return STEPS.slice(version - 1).reduce((before, step) => step(before), figure);
}

/** What was stored as a figure, of whatever version, as a figure in memory; not checked. */
export const broughtUp = (stored: Json): Json => figureOfStored(upgraded(stored));
