import type { Knex } from 'knex';

export const name = '20261130_how_a_commission_ends';

/** How each commission is packed, sent and answered for. */
export async function up(knex: Knex): Promise<void> {
  await knex.schema.createTable('finishing', (table) => {
    table.text('commission_id').primary().references('commission.id').onDelete('CASCADE');
    table.text('finishing').notNullable();
    table.integer('revision').notNullable();
  });
}

export async function down(knex: Knex): Promise<void> {
  await knex.schema.dropTable('finishing');
}
