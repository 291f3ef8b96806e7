import type { Knex } from 'knex';

export const name = '20261129_changes_of_scope_taken_back';

/** A settled change of scope that was taken back is not counted, and stands again with its price when it is made again. */
export async function up(knex: Knex): Promise<void> {
  await knex.schema.alterTable('scope_change', (table) => table.text('takenBackAt'));
}

export async function down(knex: Knex): Promise<void> {
  await knex.raw('ALTER TABLE scope_change DROP COLUMN taken_back_at');
}
