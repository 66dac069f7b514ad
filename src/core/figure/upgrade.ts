import { NO_FRAME } from '../symmetry/frame';

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
  rounds: each(figure['rounds'], (round) => ({
    ...round,
    shapes: each(round['shapes'], (shape) =>
      isRecord(shape['form']) ? { ...shape, form: withContours(shape['form']) } : shape,
    ),
  })),
});

/**
 * A figure of an earlier version of the format as the present one. What is not a figure at all comes back as it is, for the
 * schema to say what is wrong with it.
 */
export function upgraded(figure: Json): Json {
  const second = figure['version'] === 1 ? fromFirst(figure) : figure;
  return second['version'] === 2 ? fromSecond(second) : second;
}
