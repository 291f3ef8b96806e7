import type { Knex } from 'knex';

export const name = '20261126_intake_in_full';

/** What a unit is held by, what of it is owned already, and the fiddly bits on it. */
export async function up(knex: Knex): Promise<void> {
  await knex.schema.alterTable('unit', (table) => {
    table.integer('owned').notNullable().defaultTo(0);
    table.text('holder').notNullable().defaultTo('');
    table.text('bits').notNullable().defaultTo('[]');
  });
}

export async function down(knex: Knex): Promise<void> {
  for (const column of ['owned', 'holder', 'bits']) await knex.raw(`ALTER TABLE unit DROP COLUMN ${column}`);
}
