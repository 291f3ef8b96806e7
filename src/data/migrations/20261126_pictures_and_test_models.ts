import type { Knex } from 'knex';

export const name = '20261126_pictures_and_test_models';

/** Pictures, the outbox, and what became of test models. A picture and a mail stand in the one file, so that a copy has them too. */
export async function up(knex: Knex): Promise<void> {
  await knex.schema.createTable('picture', (table) => {
    table.text('id').primary();
    table.text('commission_id').notNullable().references('commission.id').onDelete('CASCADE').index();
    table.text('unit_id');
    table.text('part_id');
    table.text('kind').notNullable();
    table.text('closeness').notNullable();
    table.text('caption').notNullable();
    table.integer('width').notNullable();
    table.integer('height').notNullable();
    table.text('added_at').notNullable();
    table.text('removed_at');
    table.binary('bytes').notNullable();
  });
  await knex.schema.createTable('mail', (table) => {
    table.text('id').primary();
    table.text('commission_id').notNullable().references('commission.id').onDelete('CASCADE').index();
    table.text('written_at').notNullable();
    table.text('sent_to').notNullable();
    table.text('subject').notNullable();
    table.binary('eml').notNullable();
  });
  await knex.schema.createTable('test_round', (table) => {
    table.text('id').primary();
    table.text('unit_id').notNullable().references('unit.id').onDelete('CASCADE').index();
    table.text('mail_id');
    table.text('sent_at');
    table.text('sent_to').notNullable();
    table.text('note').notNullable();
    table.text('answer');
    table.text('answered_at');
    table.text('answer_note').notNullable();
  });
}

export async function down(knex: Knex): Promise<void> {
  for (const table of ['test_round', 'mail', 'picture']) await knex.schema.dropTable(table);
}
