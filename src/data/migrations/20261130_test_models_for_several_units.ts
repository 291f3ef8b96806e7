import type { Knex } from 'knex';

export const name = '20261130_test_models_for_several_units';

/** The unit whose test model speaks for another one too. */
export async function up(knex: Knex): Promise<void> {
  await knex.schema.alterTable('unit', (table) => {
    table.text('tested_by');
  });
}

export async function down(knex: Knex): Promise<void> {
  await knex.raw('ALTER TABLE unit DROP COLUMN tested_by');
}
