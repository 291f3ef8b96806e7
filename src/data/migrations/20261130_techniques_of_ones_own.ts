import type { Knex } from 'knex';

export const name = '20261130_techniques_of_ones_own';

/** Rows of work that the painter has a name of his own for keep it. */
export async function up(knex: Knex): Promise<void> {
  await knex.schema.alterTable('time_log', (table) => table.text('called'));
}

export async function down(knex: Knex): Promise<void> {
  await knex.raw('ALTER TABLE time_log DROP COLUMN called');
}
