/** Targets of proofs that a person keeps for all figures. */
import Joi from 'joi';
import type { Knex } from 'knex';

import { LIMITS, type OwnTarget, ownTargetSchema } from '@/core/figure';
import { writing } from '../database';
import { Refused } from '../errors';
import { keepSetting, settingOf } from './settings';

const TARGETS = 'targets';

const allSchema = Joi.array<OwnTarget[]>().items(ownTargetSchema);

/** All that are kept, in the order in which they came; none where what is there cannot be read. */
export const keptTargets = async (knex: Knex): Promise<readonly OwnTarget[]> =>
  (await settingOf(knex, TARGETS, allSchema)) ?? [];

const changed = (
  knex: Knex,
  change: (all: readonly OwnTarget[]) => readonly OwnTarget[],
): Promise<readonly OwnTarget[]> =>
  writing(knex, async (trx) => {
    const all = change(await keptTargets(trx));
    await keepSetting(trx, TARGETS, all);
    return all;
  });

/** Keeps a target for all figures; in place of the one with its id, where that is kept. @throws Refused beyond what is kept at most */
export const keepTarget = (knex: Knex, target: OwnTarget): Promise<readonly OwnTarget[]> =>
  changed(knex, (all) => {
    const isThere = all.some(({ id }) => id === target.id);
    if (!isThere && all.length >= LIMITS.targets)
      throw new Refused(`At most ${LIMITS.targets} targets are kept for all figures.`);
    return isThere ? all.map((each) => (each.id === target.id ? target : each)) : [...all, target];
  });

/** Keeps a target no more; figures that have it keep it. */
export const dropKeptTarget = (knex: Knex, id: string): Promise<readonly OwnTarget[]> =>
  changed(knex, (all) => all.filter((each) => each.id !== id));
