import type { Knex } from 'knex';

export const name = '20261130_spots_on_pictures';

const COLUMNS = ['light', 'for_client', 'spots'];

/** What was found on pictures, how they were lit, and which ones the client gets. */
export async function up(knex: Knex): Promise<void> {
  await knex.schema.alterTable('picture', (table) => {
    table.text('light').notNullable().defaultTo('');
    table.integer('for_client').notNullable().defaultTo(0);
    table.text('spots').notNullable().defaultTo('[]');
  });
}

export async function down(knex: Knex): Promise<void> {
  for (const column of COLUMNS) await knex.raw(`ALTER TABLE picture DROP COLUMN ${column}`);
}
