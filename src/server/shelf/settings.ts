/** What a person set of the whole Shelf. */
import Joi from 'joi';
import type { Knex } from 'knex';

import { writing } from '../database';
import type { ThinningRules } from '@/protocol';
import { MOST_DAYS, START_RULES } from './thinning';

interface SettingRow {
  key: string;
  value: string;
}

const THINNING = 'thinning';

export const thinningSchema = Joi.object<ThinningRules>({
  all: Joi.number().integer().min(1).max(MOST_DAYS).allow(null).required(),
  hourly: Joi.number().integer().min(0).max(MOST_DAYS).required(),
});

/** What is kept under a key, as it is valid; null where nothing is, or nothing that can be read. */
export async function settingOf<T>(knex: Knex, key: string, schema: Joi.Schema<T>): Promise<T | null> {
  const row = await knex<SettingRow>('settings').where({ key }).first();
  if (!row) return null;
  const read = schema.validate(JSON.parse(row.value));
  return read.error ? null : read.value;
}

/** Keeps a value under a key, in place of what was there. Part of what else is written with it. */
export async function keepSetting(trx: Knex, key: string, value: unknown): Promise<void> {
  await trx<SettingRow>('settings')
    .insert({ key, value: JSON.stringify(value) })
    .onConflict('key')
    .merge();
}

/** How long steps are kept; as at first where nothing else was said. */
export const thinningRules = async (knex: Knex): Promise<ThinningRules> =>
  (await settingOf(knex, THINNING, thinningSchema)) ?? START_RULES;

export const setThinningRules = (knex: Knex, rules: ThinningRules): Promise<void> =>
  writing(knex, (trx) => keepSetting(trx, THINNING, rules));
