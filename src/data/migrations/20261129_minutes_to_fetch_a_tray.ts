import type { Knex } from 'knex';

export const name = '20261129_minutes_to_fetch_a_tray';

/** A tray fetched with the setup in hand takes its planned minutes off the time of the model that is painted next. */
export async function up(knex: Knex): Promise<void> {
  await knex.schema.alterTable('bench_event', (table) => table.double('fetch_minutes'));
}

export async function down(knex: Knex): Promise<void> {
  await knex.raw('ALTER TABLE bench_event DROP COLUMN fetch_minutes');
}
