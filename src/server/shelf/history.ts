/** What can be read of a figure's history: its steps as a list, versions, and any state of it. */
import type { Knex } from 'knex';
import { nanoid } from 'nanoid';

import { broughtUp, type Figure, storedFigure } from '@/core/figure';
import type { FigureHistory, StateRef, VersionEntry } from '@/protocol';
import { writing } from '../database';
import { NotFound, Refused } from '../errors';
import { figureAt, type StepRow } from '../steps';
import { rowOf } from './list';
import { DAY } from './thinning';

interface VersionRow {
  id: string;
  figure_id: string;
  name: string;
  kind: string;
  made_at: string;
  figure: string;
}

/** Named versions of one figure. */
const MOST_VERSIONS = 500;
/** How long what was left behind stays without a name, and how many of them, of one figure. */
const LEFT_DAYS = 30;
const MOST_LEFT = 50;

const entryOf = ({ id, name, kind, made_at }: VersionRow): VersionEntry => ({
  id,
  name,
  at: made_at,
  kind: kind === 'left' ? 'left' : 'named',
});

/** The steps and versions of a figure, without what they look like. @throws NotFound */
export async function historyOf(knex: Knex, id: string): Promise<FigureHistory> {
  const { step, revision, created_at } = await rowOf(knex, id);
  const steps = await knex<StepRow>('steps')
    .where({ figure_id: id })
    .orderBy('position')
    .select('position', 'label', 'made_at');
  const versions = await knex<VersionRow>('versions')
    .where({ figure_id: id })
    .orderBy('made_at', 'desc')
    .select('id', 'name', 'kind', 'made_at');
  return {
    step,
    revision,
    steps: steps.map(({ position, label, made_at }) => ({ position, label, at: made_at ?? created_at })),
    versions: versions.map((row) => entryOf(row as VersionRow)),
  };
}

/** A figure as it was at a state, and a key that no other state has. @param alsoBinned what lies in the Bin has a picture too @throws NotFound */
export async function stateOf(
  knex: Knex,
  id: string,
  { step, version }: StateRef,
  alsoBinned = false,
): Promise<{ readonly figure: Figure; readonly key: string; readonly revision: number }> {
  const row = await rowOf(knex, id, alsoBinned);
  const { revision } = row;
  if (version !== undefined) {
    const found = await knex<VersionRow>('versions').where({ id: version, figure_id: id }).first();
    if (!found) throw new NotFound('There is no such version; it may have been taken away.');
    const figure = broughtUp(JSON.parse(found.figure) as Record<string, unknown>) as unknown as Figure;
    return { figure, key: `${id}/version/${version}`, revision };
  }
  if (step === undefined)
    return { figure: await figureAt(knex, id, row.step), key: `${id}/${revision}`, revision };
  const there = await knex<StepRow>('steps').where({ figure_id: id, position: step }).first('made_at');
  if (!there) throw new NotFound('This step is not in the history any more.');
  return {
    figure: await figureAt(knex, id, step),
    key: `${id}/step/${step}/${there.made_at ?? ''}`,
    revision,
  };
}

const insertVersion = (trx: Knex, row: Omit<VersionRow, 'id' | 'made_at'>): Promise<VersionEntry> => {
  const whole = { ...row, id: nanoid(12), made_at: new Date().toISOString() };
  return trx<VersionRow>('versions')
    .insert(whole)
    .then(() => entryOf(whole));
};

/** Keeps a state of a figure under a name. @throws NotFound, Refused */
export const keepVersion = (
  knex: Knex,
  id: string,
  { name, ...state }: StateRef & { readonly name: string },
): Promise<VersionEntry> =>
  writing(knex, async (trx) => {
    const { figure } = await stateOf(trx, id, state);
    const named = await trx<VersionRow>('versions').where({ figure_id: id, kind: 'named' }).select('id');
    if (named.length >= MOST_VERSIONS)
      throw new Refused(`A figure has at most ${MOST_VERSIONS} versions: take one away first.`);
    return insertVersion(trx, {
      figure_id: id,
      name,
      kind: 'named',
      figure: JSON.stringify(storedFigure(figure)),
    });
  });

/** Keeps what would be lost as work goes on from an earlier step, for a while. */
export async function keepLeft(trx: Knex, id: string, figure: Figure, label: string): Promise<void> {
  const name = `Left behind: ${label}`.slice(0, 120);
  await insertVersion(trx, {
    figure_id: id,
    name,
    kind: 'left',
    figure: JSON.stringify(storedFigure(figure)),
  });
  const left = await trx<VersionRow>('versions')
    .where({ figure_id: id, kind: 'left' })
    .orderBy('made_at', 'desc')
    .select('id');
  await trx<VersionRow>('versions')
    .whereIn(
      'id',
      left.slice(MOST_LEFT).map((row) => row.id),
    )
    .delete();
}

/** Takes away what was left behind long ago and never got a name. */
export const dropOldLeft = (trx: Knex, now: number): Promise<number> =>
  trx<VersionRow>('versions')
    .where({ kind: 'left' })
    .andWhere('made_at', '<', new Date(now - LEFT_DAYS * DAY).toISOString())
    .delete();

/** Gives a version another name; what was left behind stays from then on. @throws NotFound */
export const renameVersion = (knex: Knex, id: string, version: string, name: string): Promise<void> =>
  writing(knex, async (trx) => {
    const count = await trx<VersionRow>('versions')
      .where({ id: version, figure_id: id })
      .update({ name, kind: 'named' });
    if (count === 0) throw new NotFound('There is no such version; it may have been taken away.');
  });

/** Takes a version away; the steps stay. */
export const dropVersion = (knex: Knex, id: string, version: string): Promise<void> =>
  writing(knex, async (trx) => {
    await trx<VersionRow>('versions').where({ id: version, figure_id: id }).delete();
  });
