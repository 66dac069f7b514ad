import equal from 'fast-deep-equal';
import type { Knex } from 'knex';
import { nanoid } from 'nanoid';

import { type Figure, figureSchema, patchSteps, type StoredStep, wholeSteps } from '@/core/figure';
import { checkFigure } from '@/core/format/figure';
import {
  ALL_FIGURES,
  type FigureSummary,
  type HistoryStep,
  isAmong,
  type SavedFigure,
  type SaveId,
  type SaveRequest,
  type StateRef,
} from '@/protocol';
import { writing } from './database';
import { Broken, Conflict, NotFound, Refused, sound } from './errors';
import { changeFigures } from './shelf/changes';
import { keepLeft, stateOf } from './shelf/history';
import { inOrder, labelsOf, rowOf, summaryOf, type FigureRow } from './shelf/list';
import { indexed } from './shelf/search';
import {
  chainFrom,
  figureAt,
  insertSteps,
  positionBefore,
  storedAt,
  storedBefore,
  type StepRow,
} from './steps';

const now = (): string => new Date().toISOString();

/** All figures that are on the Shelf, the last changed first. */
export const listFigures = async (knex: Knex): Promise<FigureSummary[]> =>
  (await inOrder(knex, ALL_FIGURES)).map((row) => summaryOf(row));

/** Puts a checked figure on the shelf as a new one. */
export async function createFigure(knex: Knex, figure: Figure, at = now()): Promise<FigureSummary> {
  const row: Omit<FigureRow, 'number' | 'fold'> = {
    id: nanoid(12),
    name: figure.name,
    revision: 1,
    step: 0,
    created_at: at,
    updated_at: at,
    deleted_at: null,
    collection: null,
    saved_by: null,
    save_number: null,
  };
  await writing(knex, async (trx) => {
    const number = trx.raw('(SELECT coalesce(max(number), 0) + 1 FROM figures)');
    await trx('figures').insert({ ...row, number });
    await insertSteps(trx, row.id, [{ position: 0, label: 'Start', figure }], null);
    await indexed(trx, row.id, figure);
  });
  return { id: row.id, name: row.name, revision: row.revision, updatedAt: at };
}

/** A figure with the end of its history, as far back as the last step that is stored whole. @throws NotFound */
export async function loadFigure(knex: Knex, id: string): Promise<SavedFigure> {
  const row = await rowOf(knex, id);
  const steps = await chainFrom(knex, id, row.step, Infinity);
  const shown = steps.find(({ position }) => position === row.step);
  if (!shown) throw new NotFound('The figure has lost its last step.');
  const figure = soundFigure(shown.figure, row.name);
  return { ...summaryOf(row), figure, step: row.step, steps: soundEnd(steps), savedBy: saveOf(row) };
}

/** Steps without those that are broken, and those before: they are not gone back to. */
function soundEnd(steps: readonly HistoryStep[]): StoredStep[] {
  const broken = steps.findLastIndex((step) => figureSchema.validate(step.figure).error !== undefined);
  return patchSteps(steps.slice(broken + 1), null);
}

/** A stored figure, checked. @throws Broken where something else changed what is stored */
function soundFigure(figure: Figure, name: string): Figure {
  const read = checkFigure(figure);
  if (read.ok) return read.value;
  throw new Broken(
    `What is stored of “${name}” cannot be read. ${read.finding.sentence} It can be taken off the Shelf, and a backup of the data put in its place.`,
  );
}

/** A figure as it is shown, without its history. @throws NotFound */
export const shownFigure = async (knex: Knex, id: string): Promise<Figure> =>
  (await stateOf(knex, id, {})).figure;

/** Steps of a figure's history before a position, in their order, the first whole: `count` at least where there are so many. @throws NotFound */
export async function stepsBefore(
  knex: Knex,
  id: string,
  before: number,
  count: number,
): Promise<StoredStep[]> {
  await rowOf(knex, id);
  if (before < 1) return [];
  return soundEnd(await chainFrom(knex, id, await positionBefore(knex, id, before, count), before - 1));
}

/** The figures of steps that came from a browser, checked. @throws Refused where one does not fit or is no figure */
function checkedSteps(steps: readonly StoredStep[], before: Figure): HistoryStep[] {
  let whole: HistoryStep[];
  try {
    whole = wholeSteps(steps, before);
  } catch {
    throw new Refused('The steps to save do not fit what is stored.');
  }
  return whole.map((step) => ({ ...step, figure: sound(checkFigure(step.figure)) }));
}

/** Which save made a figure's revision; null where it came from no window. */
const saveOf = ({ saved_by: window, save_number: number }: FigureRow): SaveId | null =>
  window !== null && number !== null ? { window, number } : null;

/** True where nobody else saved since: a figure is as the window knew it, or as a save of that window made it whose answer was lost. */
const isFromHere = (row: FigureRow, { base, unanswered = [] }: SaveRequest): boolean =>
  row.revision === base || isAmong(saveOf(row), unanswered);

/**
 * Saves new steps of history and which of them is shown, all or nothing.
 * @throws Conflict where the figure was changed since `base`; NotFound; Refused where the step shown is none
 */
export async function saveFigure(knex: Knex, id: string, request: SaveRequest): Promise<FigureSummary> {
  return writing(knex, async (trx) => {
    const row = await rowOf(trx, id);
    if (!isFromHere(row, request))
      throw new Conflict('This figure was changed in another window since it was opened here.');
    const [first] = request.steps;
    let made: readonly HistoryStep[] = [];
    if (first) {
      if (request.steps.some((step, k) => step.position !== first.position + k) || first.position < 1) {
        throw new Refused('The steps to save are not in order.');
      }
      const before = await storedBefore(trx, id, first.position);
      if (!before || (await isPast(trx, id, first.position)))
        throw new Refused('The steps to save do not go on from what is stored.');
      made = checkedSteps(request.steps, before.figure);
      await keepWhatIsLeft(trx, row, made);
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
      saved_by: request.by?.window ?? null,
      save_number: request.by?.number ?? null,
    };
    await trx<FigureRow>('figures').where({ id }).update(changed);
    await indexed(trx, id, shown.figure);
    return summaryOf(changed);
  });
}

/** True where a position is farther on than just after the last step. */
async function isPast(trx: Knex, id: string, position: number): Promise<boolean> {
  const last = await trx<StepRow>('steps')
    .where({ figure_id: id })
    .orderBy('position', 'desc')
    .first('position');
  return position > (last?.position ?? -1) + 1;
}

/**
 * Work that goes on from an earlier step replaces those after it: the last of them is kept as a version. A step that is only done again
 * with more in it, as one more nudge, leaves nothing behind, nor do steps that come a second time, as the answer to the first was lost.
 */
async function keepWhatIsLeft(trx: Knex, row: FigureRow, made: readonly HistoryStep[]): Promise<void> {
  const [first] = made;
  if (!first) return;
  const replaced = await trx<StepRow>('steps')
    .where({ figure_id: row.id })
    .andWhere('position', '>=', first.position)
    .orderBy('position')
    .select('position', 'label');
  const last = replaced[replaced.length - 1];
  if (!last) return;
  const isDoneAgain = replaced.length === 1 && row.step === last.position && last.label === first.label;
  if (isDoneAgain) return;
  const left = await storedAt(trx, row.id, last.position);
  const again = made.find(({ position }) => position === last.position);
  if (left && !equal(left.figure, again?.figure)) await keepLeft(trx, row.id, left.figure, left.label);
}

/** Gives a figure another name, as one step of its history. @throws NotFound */
export async function renameStored(knex: Knex, id: string, name: string): Promise<FigureSummary> {
  const { revision, step } = await rowOf(knex, id);
  const figure = await figureAt(knex, id, step);
  const next = { position: step + 1, label: 'Rename figure', figure: { ...figure, name } };
  return saveFigure(knex, id, { base: revision, step: step + 1, steps: [next] });
}

/** A copy of a figure as it is, or of a state of it, without its history; in the same collection, with the same labels. @throws NotFound */
export async function duplicateFigure(
  knex: Knex,
  id: string,
  { name, ...state }: StateRef & { readonly name?: string } = {},
): Promise<FigureSummary> {
  const { figure } = await stateOf(knex, id, state);
  const { collection } = await rowOf(knex, id);
  const copy = await createFigure(knex, { ...figure, name: name ?? `${figure.name} copy`.slice(0, 120) });
  if (collection !== null) await changeFigures(knex, { do: 'collect', ids: [copy.id], collection });
  for (const label of (await labelsOf(knex, [id])).get(id) ?? [])
    await changeFigures(knex, { do: 'label', ids: [copy.id], label });
  return copy;
}

/** Puts a figure in the Bin. @throws NotFound */
export async function deleteFigure(knex: Knex, id: string): Promise<void> {
  await rowOf(knex, id);
  await changeFigures(knex, { do: 'bin', ids: [id] });
}

/** Puts a figure from the Bin back on the Shelf. @throws NotFound */
export async function restoreFigure(knex: Knex, id: string): Promise<FigureSummary> {
  if (!(await knex<FigureRow>('figures').where({ id }).first('id')))
    throw new NotFound('There is no such figure; it is gone for good.');
  await changeFigures(knex, { do: 'putBack', ids: [id] });
  return summaryOf(await rowOf(knex, id));
}
