import type { Knex } from 'knex';

export const name = '20261129_who_is_not_there';

/** Which models of a unit are not there, as JSON, and what they were; and which came when others were painted. */
export async function up(knex: Knex): Promise<void> {
  await knex.schema.alterTable('unit', (table) => {
    table.text('gone').notNullable().defaultTo('[]');
    table.text('late').notNullable().defaultTo('[]');
  });
}

export async function down(knex: Knex): Promise<void> {
  await knex.raw('ALTER TABLE unit DROP COLUMN gone');
  await knex.raw('ALTER TABLE unit DROP COLUMN late');
}
