/**
 * The rows of a figure's history: most say what changed from the step before, every so often one is whole, so that any step is read
 * from the last whole one before it.
 */
import type { Knex } from 'knex';

import {
  type Figure,
  FIGURE_VERSION,
  type Patch,
  patchBetween,
  patched,
  storedFigure,
  broughtUp,
} from '@/core/figure';
import type { HistoryStep } from '@/protocol';
import { NotFound } from './errors';

export interface StepRow {
  figure_id: string;
  position: number;
  label: string;
  /** The whole figure, as JSON; null where `patch` says what changed from the step before. */
  figure: string | null;
  patch: string | null;
  /** When it was saved: ISO 8601, UTC. */
  made_at?: string;
}

/** A step is whole where its position is a multiple of this, so that no more than so many rows are read for one. */
const WHOLE_EVERY = 20;
/** What changed is not kept where it is more than this share of the whole. */
const MOST_SHARE = 0.5;

type Json = Readonly<Record<string, unknown>>;

/** A step with its figure as it is stored, and brought up to date. */
interface StoredFigure extends HistoryStep {
  readonly raw: Json;
  readonly isWhole: boolean;
}

/** Figures of rows in a row, the first of which is whole. What is in the table was checked when it was put there. */
function readRows(rows: readonly StepRow[]): StoredFigure[] {
  let raw: Json | null = null;
  return rows.map(({ position, label, figure, patch }) => {
    if (figure !== null) raw = JSON.parse(figure) as Json;
    else if (raw !== null && patch !== null) raw = patched(raw, JSON.parse(patch) as Patch);
    else throw new NotFound('The figure has lost a step of its history.');
    return { position, label, raw, isWhole: figure !== null, figure: broughtUp(raw) as unknown as Figure };
  });
}

/** The position of the last whole step at or before one. */
async function wholeBefore(knex: Knex, id: string, position: number): Promise<number | null> {
  const row = await knex<StepRow>('steps')
    .where({ figure_id: id })
    .andWhere('position', '<=', position)
    .whereNotNull('figure')
    .orderBy('position', 'desc')
    .first('position');
  return row?.position ?? null;
}

/** The steps from the last whole one at or before a position up to another, in their order. */
export async function chainFrom(knex: Knex, id: string, from: number, to: number): Promise<StoredFigure[]> {
  const first = await wholeBefore(knex, id, from);
  if (first === null) return [];
  const rows = knex<StepRow>('steps').where({ figure_id: id }).andWhere('position', '>=', first);
  return readRows(await (to === Infinity ? rows : rows.andWhere('position', '<=', to)).orderBy('position'));
}

/** The step at a position; null where there is none. */
export async function storedAt(knex: Knex, id: string, position: number): Promise<StoredFigure | null> {
  const chain = await chainFrom(knex, id, position, position);
  const last = chain[chain.length - 1];
  return last?.position === position ? last : null;
}

/** The last step before a position; null where there is none. Positions have gaps where a history was thinned. */
export async function storedBefore(knex: Knex, id: string, position: number): Promise<StoredFigure | null> {
  const chain = await chainFrom(knex, id, position - 1, position - 1);
  return chain[chain.length - 1] ?? null;
}

/** The position of the step that is so many before a position; of the first where there are fewer. */
export async function positionBefore(knex: Knex, id: string, before: number, count: number): Promise<number> {
  const rows = await knex<StepRow>('steps')
    .where({ figure_id: id })
    .andWhere('position', '<', before)
    .orderBy('position', 'desc')
    .limit(count)
    .select('position');
  return rows[rows.length - 1]?.position ?? 0;
}

/** The figure at a position. @throws NotFound */
export async function figureAt(knex: Knex, id: string, position: number): Promise<Figure> {
  const step = await storedAt(knex, id, position);
  if (!step) throw new NotFound('The figure has lost its last step.');
  return step.figure;
}

/** A step as it is stored, after one whose figure is stored as `before`. */
export function rowOfStep(
  id: string,
  { position, label, figure }: { readonly position: number; readonly label: string; readonly figure: object },
  before: object | null,
): StepRow {
  const row = { figure_id: id, position, label };
  if (before && position % WHOLE_EVERY !== 0) {
    const patch = JSON.stringify(patchBetween(before, figure));
    const whole = patch.length < 2000 ? null : JSON.stringify(figure);
    if (whole === null || patch.length < MOST_SHARE * whole.length) return { ...row, figure: null, patch };
  }
  return { ...row, figure: JSON.stringify(figure), patch: null };
}

/** Puts steps in a row into the table. @param before the step before the first, where there is one */
export async function insertSteps(
  knex: Knex,
  id: string,
  steps: readonly HistoryStep[],
  before: StoredFigure | null,
): Promise<void> {
  // What changed is said of what is stored: a step after one of an earlier version is whole.
  let last: object | null = before?.raw['version'] === FIGURE_VERSION ? before.raw : null;
  const made_at = new Date().toISOString();
  for (const step of steps) {
    const figure = storedFigure(step.figure);
    await knex<StepRow>('steps').insert({ ...rowOfStep(id, { ...step, figure }, last), made_at });
    last = figure;
  }
}

/** Takes all steps but some out of a history; those that stay are the figures that they were. @returns how many went */
export async function keepSteps(knex: Knex, id: string, kept: ReadonlySet<number>): Promise<number> {
  const all = await chainFrom(knex, id, 0, Infinity);
  const staying = all.filter(({ position }) => kept.has(position));
  if (staying.length === all.length) return 0;
  const before = new Map(all.map((step, k) => [step, all[k - 1]]));
  let sinceWhole = 0;
  for (const [k, step] of staying.entries()) {
    const last = staying[k - 1];
    sinceWhole += 1;
    if (step.isWhole) sinceWhole = 0;
    else if (before.get(step) !== last) {
      const { position, label, raw } = step;
      const isNear = sinceWhole < WHOLE_EVERY && last?.raw['version'] === raw['version'];
      const row = rowOfStep(id, { position, label, figure: raw }, last && isNear ? last.raw : null);
      if (row.figure !== null) sinceWhole = 0;
      await knex<StepRow>('steps')
        .where({ figure_id: id, position })
        .update({ figure: row.figure, patch: row.patch });
    }
  }
  const gone = all.filter(({ position }) => !kept.has(position)).map(({ position }) => position);
  for (let k = 0; k < gone.length; k += 500)
    await knex<StepRow>('steps')
      .where({ figure_id: id })
      .whereIn('position', gone.slice(k, k + 500))
      .delete();
  return gone.length;
}

/** All rows of a figure with their figures whole, as they were stored before what changed was. */
export async function* wholeRows(knex: Knex, id: string): AsyncGenerator<Omit<StepRow, 'patch'>> {
  const first = await knex<StepRow>('steps').where({ figure_id: id }).orderBy('position').first('position');
  for (const { position, label, raw } of await chainFrom(knex, id, first?.position ?? 0, Infinity))
    yield { figure_id: id, position, label, figure: JSON.stringify(raw) };
}
