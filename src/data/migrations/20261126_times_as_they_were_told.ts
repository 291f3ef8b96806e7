import type { Knex } from 'knex';

export const name = '20261126_times_as_they_were_told';

/** Events of a clock that was far ahead are brought back among the others; what was told stays beside it. */
export async function up(knex: Knex): Promise<void> {
  await knex.schema.alterTable('bench_event', (table) => table.text('told_at'));
}

export async function down(knex: Knex): Promise<void> {
  await knex.raw('ALTER TABLE bench_event DROP COLUMN told_at');
}
