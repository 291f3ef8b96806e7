import type { Knex } from 'knex';

export const name = '20261129_steps_that_were_copied';

/** Rows of a step that was copied name the first of the steps it goes back to. */
export async function up(knex: Knex): Promise<void> {
  await knex.schema.alterTable('time_log', (table) => table.text('step_like'));
}

export async function down(knex: Knex): Promise<void> {
  await knex.raw('ALTER TABLE time_log DROP COLUMN step_like');
}
