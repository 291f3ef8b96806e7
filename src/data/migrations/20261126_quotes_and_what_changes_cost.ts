import type { Knex } from 'knex';

export const name = '20261126_quotes_and_what_changes_cost';

/** How a commission is priced, the quotes put to its client as they were, and what was agreed for each change of scope. */
export async function up(knex: Knex): Promise<void> {
  await knex.schema.createTable('quote_terms', (table) => {
    table.text('commission_id').primary().references('commission.id').onDelete('CASCADE');
    table.text('terms').notNullable();
    table.integer('revision').notNullable();
  });
  await knex.schema.createTable('quote', (table) => {
    table.text('id').primary();
    table.text('commission_id').notNullable().references('commission.id').onDelete('CASCADE').index();
    table.integer('number').notNullable();
    table.text('written_at').notNullable();
    table.text('sent_to').notNullable();
    table.text('mail_id');
    table.text('note').notNullable();
    table.text('answer');
    table.text('answered_at');
    table.text('answer_note').notNullable();
    table.text('offer').notNullable();
    table.unique(['commission_id', 'number']);
  });
  await knex.schema.alterTable('scope_change', (table) => table.integer('price_minor'));
}

export async function down(knex: Knex): Promise<void> {
  await knex.raw('ALTER TABLE scope_change DROP COLUMN price_minor');
  await knex.schema.dropTable('quote');
  await knex.schema.dropTable('quote_terms');
}
