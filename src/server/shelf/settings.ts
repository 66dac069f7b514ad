/** What a person set of the whole Shelf. */
import Joi from 'joi';
import type { Knex } from 'knex';

import { writing } from '../database';
import type { ThinningRules } from '../../wire';
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

/** How long steps are kept; as at first where nothing else was said. */
export async function thinningRules(knex: Knex): Promise<ThinningRules> {
  const row = await knex<SettingRow>('settings').where({ key: THINNING }).first();
  if (!row) return START_RULES;
  const read = thinningSchema.validate(JSON.parse(row.value));
  return read.error ? START_RULES : read.value;
}

export const setThinningRules = (knex: Knex, rules: ThinningRules): Promise<void> =>
  writing(knex, async (trx) => {
    await trx<SettingRow>('settings')
      .insert({ key: THINNING, value: JSON.stringify(rules) })
      .onConflict('key')
      .merge();
  });
