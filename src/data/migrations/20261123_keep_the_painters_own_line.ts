import type { Knex } from 'knex';

export const name = '20261123_keep_the_painters_own_line';

export async function up(knex: Knex): Promise<void> {
  await knex.schema.createTable('own_line', (table) => {
    table.text('commission_id').primary().references('commission.id').onDelete('CASCADE');
    // The order as job ids and the wishes, in the line problem's own format.
    table.text('line').notNullable();
  });
}

export async function down(knex: Knex): Promise<void> {
  await knex.schema.dropTableIfExists('own_line');
}
