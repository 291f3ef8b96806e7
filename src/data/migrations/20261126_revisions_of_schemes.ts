import type { Knex } from 'knex';

export const name = '20261126_revisions_of_schemes';

/** Schemes as they stood at a moment that counts, and those kept beyond their commission. */
export async function up(knex: Knex): Promise<void> {
  await knex.schema.createTable('scheme_revision', (table) => {
    table.text('id').primary();
    table.text('unit_id').notNullable().references('unit.id').onDelete('CASCADE').index();
    table.text('at').notNullable();
    table.text('why').notNullable();
    table.text('note').notNullable();
    table.text('scheme').notNullable();
  });
  await knex.schema.createTable('library_scheme', (table) => {
    table.text('id').primary();
    table.text('name').notNullable();
    table.text('kind').notNullable();
    table.text('saved_at').notNullable();
    table.text('from_unit');
    table.text('removed_at');
    table.text('file').notNullable();
  });
  await knex.schema.createTable('library_use', (table) => {
    table.text('id').primary();
    table.text('library_id').notNullable().references('library_scheme.id').onDelete('CASCADE').index();
    table.text('unit_id').notNullable();
    table.text('at').notNullable();
  });
}

export async function down(knex: Knex): Promise<void> {
  for (const table of ['library_use', 'library_scheme', 'scheme_revision']) await knex.schema.dropTable(table);
}
