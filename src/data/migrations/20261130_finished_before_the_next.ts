import type { Knex } from 'knex';

export const name = '20261130_finished_before_the_next';

/** Units that are finished tray by tray, and units that go first. */
export async function up(knex: Knex): Promise<void> {
  await knex.schema.alterTable('unit', (table) => {
    table.boolean('tray_by_tray').notNullable().defaultTo(false);
    table.boolean('goes_first').notNullable().defaultTo(false);
  });
}

export async function down(knex: Knex): Promise<void> {
  await knex.raw('ALTER TABLE unit DROP COLUMN tray_by_tray');
  await knex.raw('ALTER TABLE unit DROP COLUMN goes_first');
}
