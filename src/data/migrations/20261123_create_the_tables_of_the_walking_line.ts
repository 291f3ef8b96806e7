import type { Knex } from 'knex';

export const name = '20261123_create_the_tables_of_the_walking_line';

export async function up(knex: Knex): Promise<void> {
  await knex.schema.createTable('commission', (table) => {
    table.text('id').primary();
    table.text('name').notNullable();
    table.text('client').notNullable();
    table.text('due_on').notNullable();
    table.text('standard').notNullable();
    table.integer('hourly_rate_minor').notNullable();
    table.text('currency').notNullable();
    table.text('note').notNullable();
    table.integer('revision').notNullable().defaultTo(1);
    table.text('created_at').notNullable();
  });
  await knex.schema.createTable('paint', (table) => {
    table.text('id').primary();
    table.text('name').notNullable();
    table.text('hex').notNullable();
    table.text('kind').notNullable();
    table.double('dry_minutes');
  });
  await knex.schema.createTable('unit', (table) => {
    table.text('id').primary();
    table.text('commission_id').notNullable().references('commission.id').onDelete('CASCADE').index();
    table.integer('position').notNullable();
    table.text('name').notNullable();
    table.text('size').notNullable();
    table.integer('promised').notNullable();
    table.integer('counted');
    table.text('count_note').notNullable();
    table.integer('leaders').notNullable();
    table.integer('tray_limit').notNullable();
    table.text('test_model').notNullable();
    // A unit taken out at Intake keeps its scheme, so that undo brings all of it back.
    table.boolean('removed').notNullable().defaultTo(false);
    table.integer('scheme_revision').notNullable().defaultTo(1);
  });
  await knex.schema.createTable('part', (table) => {
    table.text('id').primary();
    table.text('unit_id').notNullable().references('unit.id').onDelete('CASCADE').index();
    table.integer('position').notNullable();
    table.text('name').notNullable();
  });
  await knex.schema.createTable('step', (table) => {
    table.text('id').primary();
    table.text('unit_id').notNullable().references('unit.id').onDelete('CASCADE').index();
    table.text('part_id').references('part.id').onDelete('CASCADE');
    table.integer('position').notNullable();
    table.text('technique').notNullable();
    table.text('paint_id').references('paint.id');
    table.integer('coats').notNullable();
    table.double('coverage').notNullable();
    table.text('who').notNullable();
    table.text('standard').notNullable();
    table.double('dry_minutes');
  });
  await knex.schema.createTable('house_rules', (table) => {
    table.integer('id').primary();
    table.text('rules').notNullable();
  });
  await knex.schema.createTable('bench_run', (table) => {
    table.text('id').primary();
    table.text('commission_id').notNullable().references('commission.id').onDelete('CASCADE').index();
    table.text('started_at').notNullable();
    table.text('closed_at');
    table.text('jobs').notNullable();
    table.text('problem').notNullable();
  });
  await knex.schema.createTable('bench_event', (table) => {
    table.increments('seq');
    table.text('id').notNullable().unique();
    table.text('run_id').notNullable().references('bench_run.id').onDelete('CASCADE').index();
    table.text('kind').notNullable();
    table.text('at').notNullable();
    table.text('received_at').notNullable();
    table.text('job');
    table.integer('model');
    table.text('target');
    table.text('note').notNullable();
  });
  await knex.schema.createTable('time_log', (table) => {
    table.text('id').primary();
    table.text('run_id').references('bench_run.id').onDelete('SET NULL').index();
    table.text('started_at').notNullable().index();
    table.text('commission').notNullable();
    table.text('unit').notNullable();
    table.text('part').notNullable();
    table.text('technique').notNullable();
    table.text('size').notNullable();
    table.double('coverage').notNullable();
    table.integer('models').notNullable();
    table.double('minutes').notNullable();
    table.double('setup_minutes');
    table.text('note').notNullable();
    table.text('verdict').notNullable().defaultTo('unsure');
  });
}

export async function down(knex: Knex): Promise<void> {
  for (const table of ['time_log', 'bench_event', 'bench_run', 'house_rules', 'step', 'part', 'unit', 'paint', 'commission']) {
    await knex.schema.dropTableIfExists(table);
  }
}
