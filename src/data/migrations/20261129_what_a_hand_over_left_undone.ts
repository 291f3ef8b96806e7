import type { Knex } from 'knex';

export const name = '20261129_what_a_hand_over_left_undone';

/** What stood undone when a commission was handed over, in words. */
export async function up(knex: Knex): Promise<void> {
  await knex.schema.alterTable('commission', (table) => table.text('undone'));
}

export async function down(knex: Knex): Promise<void> {
  await knex.raw('ALTER TABLE commission DROP COLUMN undone');
}
