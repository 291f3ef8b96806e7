import type { Knex } from 'knex';

export const name = '20261130_what_is_on_the_shelf';

/** What is known of each pot beside its colour, what the painter read off it, and what mixes looked like when they were dry. */
export async function up(knex: Knex): Promise<void> {
  await knex.schema.alterTable('paint', (table) => {
    table.text('maker').notNullable().defaultTo('');
    table.double('volume_ml');
    table.text('opened_on');
    table.integer('price_minor');
    table.integer('discontinued').notNullable().defaultTo(0);
    table.integer('spoilt').notNullable().defaultTo(0);
    table.text('place').notNullable().defaultTo('');
    table.double('strength');
  });
  await knex.schema.createTable('pot_level', (table) => {
    table.text('id').primary();
    table.text('paint_id').notNullable().references('paint.id').onDelete('CASCADE').index();
    table.text('at').notNullable();
    table.double('ml').notNullable();
    table.integer('by_eye').notNullable();
  });
  await knex.schema.createTable('mix_seen', (table) => {
    table.text('id').primary();
    table.text('at').notNullable();
    table.text('mix').notNullable();
    table.text('shares').notNullable();
    table.text('hex').notNullable();
  });
}

export async function down(knex: Knex): Promise<void> {
  await knex.schema.dropTable('mix_seen');
  await knex.schema.dropTable('pot_level');
  for (const column of ['maker', 'volume_ml', 'opened_on', 'price_minor', 'discontinued', 'spoilt', 'place', 'strength'])
    await knex.raw(`ALTER TABLE paint DROP COLUMN ${column}`);
}
