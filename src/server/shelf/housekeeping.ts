/**
 * What the server does once a night, whoever works meanwhile: a backup, then what the Bin, histories and pictures no longer keep goes.
 *
 * @example
 * const stop = keepHouseNightly(directory, knex);
 */
import type { Knex } from 'knex';

import { dropOldCards } from '../cards';
import { writing } from '../database';
import { keepSteps, type StepRow } from '../steps';
import { BIN_DAYS, type ThinningRules } from '@/protocol';
import { backUpDaily, backupsIn, timeOfBackup } from './backup';
import { destroyed } from './changes';
import { dropMotifsOut } from './drawer';
import { dropOldLeft } from './history';
import type { FigureRow } from './list';
import { thinningRules } from './settings';
import { DAY, keptPositions } from './thinning';

/** Takes figures away that lie in the Bin for longer than they are kept there. */
const emptied = (knex: Knex, now: number): Promise<number> =>
  writing(knex, async (trx) => {
    const before = new Date(now - BIN_DAYS * DAY).toISOString();
    const rows = await trx<FigureRow>('figures').where('deleted_at', '<', before).select('id');
    return destroyed(
      trx,
      rows.map(({ id }) => id),
    );
  });

/** Thins the history of one figure. @returns how many steps went */
export const thinned = (knex: Knex, id: string, rules: ThinningRules, now: number): Promise<number> =>
  writing(knex, async (trx) => {
    const row = await trx<FigureRow>('figures').where({ id }).first('step', 'created_at');
    if (!row) return 0;
    const steps = await trx<StepRow>('steps')
      .where({ figure_id: id })
      .orderBy('position')
      .select('position', 'made_at');
    const timed = steps.map(({ position, made_at }) => ({ position, at: made_at ?? row.created_at }));
    const kept = keptPositions(timed, { shown: row.step, now, rules });
    return kept.size === steps.length ? 0 : keepSteps(trx, id, kept);
  });

/** Thins all histories, a figure at a time, so that who saves meanwhile waits for one alone. @returns how many steps went */
export async function thinAll(knex: Knex, now = Date.now()): Promise<number> {
  const rules = await thinningRules(knex);
  const rows = await knex<FigureRow>('figures').select('id', 'name');
  let gone = 0;
  for (const { id, name } of rows)
    try {
      gone += await thinned(knex, id, rules, now);
    } catch (error) {
      // A history that something else broke stays as it is.
      console.error(`The history of “${name}” was not thinned:`, error);
    }
  return gone;
}

/** All of it, once. A backup comes first: what could not be backed up is not thinned. */
export async function keepHouse(directory: string, knex: Knex, now = new Date()): Promise<void> {
  await backUpDaily(directory, now);
  const time = now.getTime();
  await emptied(knex, time);
  await writing(knex, async (trx) => {
    await dropOldLeft(trx, time);
    await dropOldCards(trx);
    await dropMotifsOut(trx, new Date(time - BIN_DAYS * DAY).toISOString());
  });
  await thinAll(knex, time);
}

const HOUR = 3_600_000;
/** Hours of the night, by the clock of the machine. */
const [NIGHT_BEGINS, NIGHT_ENDS] = [2, 5];

/** True where it is time: at night, or where the last night was missed. */
export function isDue(last: Date | null, now: Date): boolean {
  if (!last) return true;
  const since = now.getTime() - last.getTime();
  const isNight = now.getHours() >= NIGHT_BEGINS && now.getHours() < NIGHT_ENDS;
  return since >= 24 * HOUR || (isNight && since >= 12 * HOUR);
}

/** Looks every hour whether it is time. @returns what ends it */
export function keepHouseNightly(directory: string, knex: Knex): () => void {
  const look = async (): Promise<void> => {
    const [last] = backupsIn(directory);
    const now = new Date();
    if (!isDue(last === undefined ? null : timeOfBackup(last), now)) return;
    await keepHouse(directory, knex, now).catch((error: unknown) =>
      console.error('The nightly backup was not made:', error),
    );
  };
  // Not while whoever started the server opens the first figure.
  const first = setTimeout(() => void look(), 60_000);
  const timer = setInterval(() => void look(), HOUR);
  first.unref();
  timer.unref();
  return () => {
    clearTimeout(first);
    clearInterval(timer);
  };
}
