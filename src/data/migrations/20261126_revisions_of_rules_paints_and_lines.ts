import type { Knex } from 'knex';

export const name = '20261126_revisions_of_rules_paints_and_lines';

const TABLES = ['house_rules', 'paint', 'own_line'];

/** A window that was opened before somebody else saved must not overwrite that. */
export async function up(knex: Knex): Promise<void> {
  for (const table of TABLES) await knex.schema.alterTable(table, (columns) => columns.integer('revision').notNullable().defaultTo(1));
}

export async function down(knex: Knex): Promise<void> {
  // Not by the schema builder, which makes the table anew and stumbles over what refers to it.
  for (const table of TABLES) await knex.raw('ALTER TABLE ?? DROP COLUMN revision', [table]);
}
