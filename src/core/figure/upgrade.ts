import { NO_FRAME } from '../symmetry/frame';

const isRecord = (value: unknown): value is Record<string, unknown> =>
  typeof value === 'object' && value !== null && !Array.isArray(value);

/** Version 1 had no frames and no underlay, and the centre was always the page's middle. */
const fromFirst = (figure: Record<string, unknown>): Record<string, unknown> => ({
  underlay: null,
  ...figure,
  version: 2,
  page: isRecord(figure['page']) ? { bleed: 0, centre: { x: 0, y: 0 }, ...figure['page'] } : figure['page'],
  rounds: Array.isArray(figure['rounds'])
    ? figure['rounds'].map((round: unknown) => (isRecord(round) ? { frame: NO_FRAME, ...round } : round))
    : figure['rounds'],
});

/**
 * A figure of an earlier version of the format as the present one. What is not a figure at all comes back as it is, for the
 * schema to say what is wrong with it.
 */
export const upgraded = (figure: Record<string, unknown>): Record<string, unknown> =>
  figure['version'] === 1 ? fromFirst(figure) : figure;
