import type { Knex } from 'knex';

export const name = '20261130_how_far_work_strays';

/** What the touch-ups in the log say of how far each technique strays, learned beside the spreads. */
export async function up(knex: Knex): Promise<void> {
  await knex.schema.alterTable('learned_spreads', (table) => {
    table.text('strays').notNullable().defaultTo('{}');
  });
}

export async function down(knex: Knex): Promise<void> {
  await knex.raw('ALTER TABLE learned_spreads DROP COLUMN strays');
}
