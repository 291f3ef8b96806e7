import type { Knex } from 'knex';

export const name = '20261130_one_scheme_for_several_units';

/** Units that have the same here are painted by one scheme. */
export async function up(knex: Knex): Promise<void> {
  await knex.schema.alterTable('unit', (table) => {
    table.text('linked');
  });
}

export async function down(knex: Knex): Promise<void> {
  await knex.raw('ALTER TABLE unit DROP COLUMN linked');
}
