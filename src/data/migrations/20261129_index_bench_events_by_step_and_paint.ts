import type { Knex } from 'knex';

export const name = '20261129_index_bench_events_by_step_and_paint';

/** What was done under a step, or with a paint, is found without reading all that was tapped on its unit. */
export async function up(knex: Knex): Promise<void> {
  await knex.raw('CREATE INDEX bench_event_step_at_ms_index ON bench_event (step, at_ms)');
  await knex.raw("CREATE INDEX bench_event_paint_index ON bench_event (json_extract(facts, '$.paintId'))");
}

export async function down(knex: Knex): Promise<void> {
  await knex.raw('DROP INDEX bench_event_paint_index');
  await knex.raw('DROP INDEX bench_event_step_at_ms_index');
}
