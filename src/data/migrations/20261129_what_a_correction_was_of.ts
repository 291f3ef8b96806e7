import type { Knex } from 'knex';

export const name = '20261129_what_a_correction_was_of';

/** Minutes that the painter corrected hold for the models that the row had then. */
export async function up(knex: Knex): Promise<void> {
  await knex.schema.alterTable('log_judgement', (table) => {
    table.integer('of_models');
    table.double('of_minutes');
  });
}

export async function down(knex: Knex): Promise<void> {
  for (const column of ['of_models', 'of_minutes']) await knex.raw(`ALTER TABLE log_judgement DROP COLUMN ${column}`);
}
