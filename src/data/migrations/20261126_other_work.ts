import type { Knex } from 'knex';

export const name = '20261126_other_work';

/** Work for a commission that is no painting has a clock of its own. */
export async function up(knex: Knex): Promise<void> {
  await knex.schema.createTable('other_work', (table) => {
    table.text('id').primary();
    table.text('commission_id').notNullable().references('commission.id').onDelete('CASCADE').index();
    table.text('kind').notNullable();
    table.text('started_at').notNullable();
    table.text('ended_at');
    table.double('minutes');
    table.text('note').notNullable();
  });
}

export async function down(knex: Knex): Promise<void> {
  await knex.schema.dropTable('other_work');
}
