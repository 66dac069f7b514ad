import type { Knex } from 'knex';
import { nanoid } from 'nanoid';

import type { Figure } from '../core/figure/model';
import { patchSteps, wholeSteps, type StoredStep } from '../core/figure/patches';
import { figureSchema } from '../core/figure/schema';
import { checkFigure, UnreadableFigure } from '../core/format/figure/json';
import type { FigurePage, FigureSummary, HistoryStep, SavedFigure, SaveRequest } from '../wire';
import { writing } from './database';
import { Broken, Conflict, NotFound, Refused } from './errors';
import { chainFrom, figureAt, insertSteps, storedAt, type StepRow } from './steps';

interface FigureRow {
  id: string;
  name: string;
  revision: number;
  step: number;
  created_at: string;
  updated_at: string;
  deleted_at: string | null;
}

/** A figure that was deleted longer ago than this is gone for good. */
const KEPT_DELETED_DAYS = 30;

const now = (): string => new Date().toISOString();

const summaryOf = (row: FigureRow): FigureSummary => ({
  id: row.id,
  name: row.name,
  revision: row.revision,
  updatedAt: row.updated_at,
});

async function rowOf(knex: Knex, id: string): Promise<FigureRow> {
  const row = await knex<FigureRow>('figures').where({ id }).whereNull('deleted_at').first();
  if (!row) throw new NotFound('There is no such figure; it may have been deleted.');
  return row;
}

/** What is on the Shelf, the last changed first. */
const onShelf = (knex: Knex) =>
  knex<FigureRow>('figures').whereNull('deleted_at').orderBy('updated_at', 'desc').orderBy('id');

/** All figures that are on the Shelf. */
export const listFigures = async (knex: Knex): Promise<FigureSummary[]> =>
  (await onShelf(knex)).map(summaryOf);

/** Some of the figures whose name holds all the words, from one on. */
export async function pageOfFigures(
  knex: Knex,
  { search, from, count }: { readonly search: string; readonly from: number; readonly count: number },
): Promise<FigurePage> {
  const words = search.toLocaleLowerCase().split(/\s+/).filter(Boolean);
  if (words.length === 0) {
    const [all] = await knex<FigureRow>('figures').whereNull('deleted_at').count({ total: '*' });
    const rows = await onShelf(knex).limit(count).offset(from);
    return { total: Number(all?.total ?? 0), figures: rows.map(summaryOf) };
  }
  // SQLite knows upper and lower case of plain Latin letters alone, so names are compared here.
  const named = (await onShelf(knex).select('id', 'name')).filter(({ name }) =>
    words.every((word) => name.toLocaleLowerCase().includes(word)),
  );
  const shown = named.slice(from, from + count).map(({ id }) => id);
  const rows = new Map((await knex<FigureRow>('figures').whereIn('id', shown)).map((row) => [row.id, row]));
  return {
    total: named.length,
    figures: shown.flatMap((id) => rows.get(id) ?? []).map(summaryOf),
  };
}

/** Puts a checked figure on the shelf as a new one. */
export async function createFigure(knex: Knex, figure: Figure, at = now()): Promise<FigureSummary> {
  const row: FigureRow = {
    id: nanoid(12),
    name: figure.name,
    revision: 1,
    step: 0,
    created_at: at,
    updated_at: at,
    deleted_at: null,
  };
  await writing(knex, async (trx) => {
    await trx('figures').insert(row);
    await insertSteps(trx, row.id, [{ position: 0, label: 'Start', figure }], null);
  });
  return summaryOf(row);
}

/** A figure with the end of its history, as far back as the last step that is stored whole. @throws NotFound */
export async function loadFigure(knex: Knex, id: string): Promise<SavedFigure> {
  const row = await rowOf(knex, id);
  const steps = await chainFrom(knex, id, row.step, Infinity);
  const shown = steps.find(({ position }) => position === row.step);
  if (!shown) throw new NotFound('The figure has lost its last step.');
  const figure = soundFigure(shown.figure, row.name);
  return { ...summaryOf(row), figure, step: row.step, steps: soundEnd(steps) };
}

/** Steps without those that are broken, and those before: they are not gone back to. */
function soundEnd(steps: readonly HistoryStep[]): StoredStep[] {
  const broken = steps.findLastIndex((step) => figureSchema.validate(step.figure).error !== undefined);
  return patchSteps(steps.slice(broken + 1), null);
}

/** A stored figure, checked. @throws Broken where something else changed what is stored */
function soundFigure(figure: Figure, name: string): Figure {
  try {
    return checkFigure(figure);
  } catch (error) {
    if (!(error instanceof UnreadableFigure)) throw error;
    throw new Broken(
      `What is stored of “${name}” cannot be read. ${error.message} It can be taken off the Shelf, and a backup of the data put in its place.`,
    );
  }
}

/** A figure as it is shown, and which revision that is. @throws NotFound */
export async function shownRevision(knex: Knex, id: string): Promise<{ figure: Figure; revision: number }> {
  const { step, revision } = await rowOf(knex, id);
  return { figure: await figureAt(knex, id, step), revision };
}

/** A figure as it is shown, without its history. @throws NotFound */
export const shownFigure = async (knex: Knex, id: string): Promise<Figure> =>
  (await shownRevision(knex, id)).figure;

/** Steps of a figure's history before a position, in their order, the first whole: `count` at least where there are so many. @throws NotFound */
export async function stepsBefore(
  knex: Knex,
  id: string,
  before: number,
  count: number,
): Promise<StoredStep[]> {
  await rowOf(knex, id);
  if (before < 1) return [];
  return soundEnd(await chainFrom(knex, id, Math.max(0, before - count), before - 1));
}

/** The figures of steps that came from a browser, checked. @throws Refused where one does not fit or is no figure */
function checkedSteps(steps: readonly StoredStep[], before: Figure): HistoryStep[] {
  let whole: HistoryStep[];
  try {
    whole = wholeSteps(steps, before);
  } catch {
    throw new Refused('The steps to save do not fit what is stored.');
  }
  return whole.map((step) => ({ ...step, figure: checkFigure(step.figure) }));
}

/**
 * Saves new steps of history and which of them is shown, all or nothing.
 * @throws Conflict where the figure was changed since `base`; NotFound; Refused where the step shown is none
 */
export async function saveFigure(knex: Knex, id: string, request: SaveRequest): Promise<FigureSummary> {
  return writing(knex, async (trx) => {
    const row = await rowOf(trx, id);
    if (row.revision !== request.base) {
      throw new Conflict('This figure was changed in another window since it was opened here.');
    }
    const [first] = request.steps;
    let made: readonly HistoryStep[] = [];
    if (first) {
      if (request.steps.some((step, k) => step.position !== first.position + k) || first.position < 1) {
        throw new Refused('The steps to save are not in order.');
      }
      const before = await storedAt(trx, id, first.position - 1);
      if (!before) throw new Refused('The steps to save do not go on from what is stored.');
      made = checkedSteps(request.steps, before.figure);
      await trx<StepRow>('steps')
        .where({ figure_id: id })
        .andWhere('position', '>=', first.position)
        .delete();
      await insertSteps(trx, id, made, before);
    }
    const { step } = request;
    const shown = made.find(({ position }) => position === step) ?? (await storedAt(trx, id, step));
    if (!shown) throw new Refused('The step to show is not part of the history.');
    const changed: FigureRow = {
      ...row,
      name: shown.figure.name,
      revision: row.revision + 1,
      step,
      updated_at: now(),
    };
    await trx<FigureRow>('figures').where({ id }).update(changed);
    return summaryOf(changed);
  });
}

/** Gives a figure another name, as one step of its history. @throws NotFound */
export async function renameStored(knex: Knex, id: string, name: string): Promise<FigureSummary> {
  const { revision, step } = await rowOf(knex, id);
  const figure = await figureAt(knex, id, step);
  const next = { position: step + 1, label: 'Rename figure', figure: { ...figure, name } };
  return saveFigure(knex, id, { base: revision, step: step + 1, steps: [next] });
}

/** A copy of a figure, without its history. @throws NotFound */
export async function duplicateFigure(knex: Knex, id: string): Promise<FigureSummary> {
  const figure = await shownFigure(knex, id);
  return createFigure(knex, { ...figure, name: `${figure.name} copy`.slice(0, 120) });
}

/** Takes a figure off the shelf; it can be put back for thirty days. @throws NotFound */
export async function deleteFigure(knex: Knex, id: string): Promise<void> {
  await writing(knex, async (trx) => {
    await rowOf(trx, id);
    await trx<FigureRow>('figures').where({ id }).update({ deleted_at: now() });
    const longAgo = new Date(Date.now() - KEPT_DELETED_DAYS * 24 * 3600 * 1000).toISOString();
    await trx<FigureRow>('figures').where('deleted_at', '<', longAgo).delete();
  });
}

/** Puts a deleted figure back on the shelf. @throws NotFound */
export async function restoreFigure(knex: Knex, id: string): Promise<FigureSummary> {
  return writing(knex, async (trx) => {
    await trx<FigureRow>('figures').where({ id }).update({ deleted_at: null });
    return summaryOf(await rowOf(trx, id));
  });
}
