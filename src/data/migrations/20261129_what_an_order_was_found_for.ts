import type { Knex } from 'knex';

export const name = '20261129_what_an_order_was_found_for';

/** What a search had before it when it found an order, as a hash: null where none has looked yet. */
export async function up(knex: Knex): Promise<void> {
  await knex.schema.alterTable('planned_order', (table) => table.text('found_for'));
}

export async function down(knex: Knex): Promise<void> {
  await knex.raw('ALTER TABLE planned_order DROP COLUMN found_for');
}
