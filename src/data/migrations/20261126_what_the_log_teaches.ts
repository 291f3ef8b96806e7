import type { Knex } from 'knex';

export const name = '20261126_what_the_log_teaches';

/**
 * What a model of a row counts as, whoever it is, stands beside its weight, and the change of setup before it by what it was from
 * and to. What was foretold of each row is kept, and how much things differ in the log once it is learned.
 */
export async function up(knex: Knex): Promise<void> {
  await knex.schema.alterTable('time_log', (table) => {
    table.double('effort').notNullable().defaultTo(1);
    table.text('setup_from');
    table.text('setup_to');
  });
  await knex.schema.createTable('row_prediction', (table) => {
    table.text('row_id').primary();
    table.integer('models').notNullable();
    for (const quantile of ['p10', 'p50', 'p80', 'p90']) table.double(quantile).notNullable();
  });
  await knex.schema.createTable('learned_spreads', (table) => {
    table.integer('id').primary();
    table.integer('rows').notNullable();
    table.text('spreads').notNullable();
  });
}

export async function down(knex: Knex): Promise<void> {
  await knex.schema.dropTable('learned_spreads');
  await knex.schema.dropTable('row_prediction');
  for (const column of ['effort', 'setup_from', 'setup_to']) await knex.raw(`ALTER TABLE time_log DROP COLUMN ${column}`);
}
