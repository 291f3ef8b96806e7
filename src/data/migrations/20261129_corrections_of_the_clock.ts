import type { Knex } from 'knex';

export const name = '20261129_corrections_of_the_clock';

/** When events were brought back because the clock was ahead when they were tapped, by how much, and which they were. */
export async function up(knex: Knex): Promise<void> {
  await knex.schema.createTable('clock_correction', (table) => {
    table.text('id').primary();
    // What the computer's clock said.
    table.text('made_at').notNullable();
    table.integer('moved_by_ms').notNullable();
    // Events of the run that made it come after the one, up to the other.
    table.integer('seq').notNullable();
    table.integer('until_seq');
    table.boolean('is_sure').notNullable().defaultTo(false);
    table.text('taken_back_at');
  });
  await knex.schema.alterTable('bench_event', (table) => table.text('moved_by'));
}

export async function down(knex: Knex): Promise<void> {
  await knex.raw('ALTER TABLE bench_event DROP COLUMN moved_by');
  await knex.schema.dropTable('clock_correction');
}
