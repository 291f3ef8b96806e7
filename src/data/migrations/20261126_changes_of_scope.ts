import type { Knex } from 'knex';

export const name = '20261126_changes_of_scope';

export async function up(knex: Knex): Promise<void> {
  await knex.schema.alterTable('commission', (table) => table.text('agreed_at'));
  await knex.schema.createTable('scope_change', (table) => {
    table.text('id').primary();
    table.text('commission_id').notNullable().references('commission.id').onDelete('CASCADE').index();
    table.text('at').notNullable();
    table.text('unit_id');
    table.text('unit').notNullable();
    table.text('subject').notNullable();
    table.text('before').notNullable();
    table.text('after').notNullable();
    table.double('minutes_before').notNullable();
    table.double('minutes_after').notNullable();
    table.text('note').notNullable();
  });
}

export async function down(knex: Knex): Promise<void> {
  await knex.schema.dropTable('scope_change');
  await knex.raw('ALTER TABLE commission DROP COLUMN agreed_at');
}
