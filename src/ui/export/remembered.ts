import { FORMATS, type Options } from '@/core/format';
import type { ScenePage } from '@/core/scene';
import { keptIn } from '@/ui/common';

/** How a figure was handed over last. */
export interface Handing {
  /** The format that is looked at. */
  readonly type: string;
  /** Formats that leave with it. */
  readonly also: readonly string[];
  readonly options: Readonly<Record<string, Options>>;
  /** How many times as large pictures of pixels are handed over, beside the size that is chosen. */
  readonly times: readonly number[];
}

/** Figures whose choices are kept; the one that was handed over longest ago goes first. */
const MOST_KEPT = 60;

type ByFigure = readonly (readonly [id: string, handing: Handing])[];

const isRecord = (value: unknown): value is Record<string, unknown> =>
  typeof value === 'object' && value !== null && !Array.isArray(value);

const isHanding = (value: unknown): value is Handing =>
  isRecord(value) &&
  typeof value['type'] === 'string' &&
  Array.isArray(value['also']) &&
  Array.isArray(value['times']) &&
  isRecord(value['options']);

const kept = keptIn<ByFigure>('export', [], (value) =>
  Array.isArray(value) &&
  value.every((each) => Array.isArray(each) && typeof each[0] === 'string' && isHanding(each[1]))
    ? (value as ByFigure)
    : null,
);

/** Options of a format as they were kept, as far as there still are such. */
function optionsFor(id: string, page: ScenePage, own: Options | undefined): Options {
  const format = FORMATS.find((each) => each.id === id);
  if (!format) return {};
  const start = { ...format.start, ...format.startOn?.(page) } as Options;
  const known = Object.entries(own ?? {}).filter(([key, value]) => typeof value === typeof start[key]);
  return { ...start, ...Object.fromEntries(known) };
}

/** How a figure was handed over last, or how it is at first. */
export function handingOf(figureId: string, page: ScenePage): Handing {
  const known = kept.get().find(([id]) => id === figureId)?.[1];
  const ids = FORMATS.map(({ id }) => id);
  return {
    type: known && ids.includes(known.type) ? known.type : FORMATS[0].id,
    also: known?.also.filter((id) => ids.includes(id)) ?? [],
    times: known?.times.filter((each) => each === 2 || each === 3) ?? [],
    options: Object.fromEntries(ids.map((id) => [id, optionsFor(id, page, known?.options[id])])),
  };
}

export function keepHanding(figureId: string, handing: Handing): void {
  const others = kept.get().filter(([id]) => id !== figureId);
  kept.set([[figureId, handing] as const, ...others].slice(0, MOST_KEPT));
}
