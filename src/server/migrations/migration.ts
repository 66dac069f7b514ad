import type { Knex } from 'knex';

/** One step of the database's form; names sort in the order in which they are made and never change. */
export interface Migration {
  readonly name: string;
  readonly up: (knex: Knex) => Promise<void>;
  readonly down: (knex: Knex) => Promise<void>;
}
