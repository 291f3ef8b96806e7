import type { Knex } from 'knex';
import { ulid } from 'ulid';
import { eventsOfRun, type BenchRun, type StreamEvent } from './frozen/runs';

export const name = '20261126_one_stream_of_bench_events';

interface RunRow {
  id: string;
  commissionId: string;
  startedAt: string;
  closedAt: string | null;
  jobs: string;
}

/** Runs of single commissions become one stream of events by ids; the line becomes an order; the log is tied to ids. */
export async function up(knex: Knex): Promise<void> {
  const runs: RunRow[] = await knex('bench_run').orderBy(['startedAt', 'id']);
  const events = await oldEvents(knex, runs);
  await knex.schema.dropTable('bench_event');
  await createEvents(knex);
  for (const event of events) await knex('bench_event').insert(event);
  await moveLines(knex, runs);
  await moveLog(knex);
  await knex.schema.alterTable('time_log', (table) => table.dropColumn('run_id'));
  await knex.schema.dropTable('bench_run');
  await knex.schema.alterTable('commission', (table) => {
    table.text('closed_at');
    // Deleted commissions stay until the next upgrade of the file, so that deleting can be undone.
    table.text('deleted_at');
  });
  await knex.schema.createTable('removed_piece', (table) => {
    table.text('id').primary();
    table.text('unit_id').notNullable().references('unit.id').onDelete('CASCADE').index();
    table.text('removed_at').notNullable();
    table.text('piece').notNullable();
  });
}

async function oldEvents(knex: Knex, runs: readonly RunRow[]) {
  const commissions = new Map((await knex('commission').select('id', 'name')).map((row) => [row.id as string, row.name as string]));
  const paints = new Map((await knex('paint').select('id', 'name')).map((row) => [row.id as string, row.name as string]));
  const events = [];
  for (const run of runs) {
    const rows = await knex('bench_event').where({ runId: run.id }).orderBy('seq');
    const received = new Map(rows.map((row) => [row.id as string, row.receivedAt as string]));
    const old: Pick<BenchRun, 'jobs' | 'events'> = { jobs: JSON.parse(run.jobs) as BenchRun['jobs'], events: rows };
    const names = {
      commissionId: run.commissionId,
      commission: commissions.get(run.commissionId) ?? '',
      paint: (id: string) => paints.get(id) ?? null,
    };
    for (const event of eventsOfRun(old, names)) events.push(rowOf(event, received.get(event.id) ?? event.at));
  }
  return events;
}

/** Columns that came later are none of this table yet. */
const rowOf = ({ models, facts, fetchMinutes: _later, ...event }: StreamEvent, receivedAt: string) => ({
  ...event,
  atMs: Date.parse(event.at),
  models: JSON.stringify(models),
  facts: facts && JSON.stringify(facts),
  receivedAt,
});

async function createEvents(knex: Knex): Promise<void> {
  await knex.schema.createTable('bench_event', (table) => {
    table.increments('seq');
    table.text('id').notNullable().unique();
    // Null for this bench; another one's id for what a file brought from there.
    table.text('bench');
    table.text('kind').notNullable();
    table.text('at').notNullable();
    table.integer('at_ms').notNullable().index();
    table.text('received_at').notNullable();
    table.text('unit').index();
    table.text('step');
    table.integer('coat');
    table.text('models').notNullable();
    table.text('target').index();
    table.double('minutes');
    table.text('ready_at');
    table.text('facts');
    table.text('note').notNullable();
  });
}

/** The run that was open last lies on the bench; painters' own orders are kept under the units they were made for. */
async function moveLines(knex: Knex, runs: readonly RunRow[]): Promise<void> {
  const own: { commissionId: string; line: string }[] = await knex('own_line');
  await knex.schema.dropTable('own_line');
  await knex.schema.createTable('own_line', (table) => {
    table.text('selection').primary();
    table.text('line').notNullable();
  });
  for (const { commissionId, line } of own) await knex('own_line').insert({ selection: JSON.stringify([[commissionId, null]]), line });
  await knex.schema.createTable('planned_order', (table) => {
    table.text('selection').primary();
    table.text('job_ids').notNullable();
  });
  await knex.schema.createTable('workshop', (table) => {
    table.integer('id').primary();
    table.text('selection');
    table.text('bench');
    table.text('bench_id').notNullable();
    // Ids of the commissions that the demo brought, as JSON.
    table.text('demo');
  });
  const open = runs.findLast((run) => run.closedAt === null);
  const selection = open && [{ commissionId: open.commissionId, unitIds: null }];
  await knex('workshop').insert({
    id: 1,
    benchId: ulid(),
    selection: selection ? JSON.stringify(selection) : null,
    bench: open
      ? JSON.stringify({
          selection,
          order: (JSON.parse(open.jobs) as { id: string }[]).map((job) => job.id),
          wishes: [],
          laidAt: open.startedAt,
        })
      : null,
  });
}

/** Rows from the bench are worked out anew from the events; what a file brought finds its ids by names that are the only ones. */
async function moveLog(knex: Knex): Promise<void> {
  const rows = await knex('time_log');
  await knex.schema.createTable('log_judgement', (table) => {
    table.text('row_id').primary();
    table.text('verdict').notNullable();
    table.double('corrected_minutes');
  });
  for (const { id, verdict } of rows) {
    if (verdict !== 'unsure') await knex('log_judgement').insert({ rowId: id, verdict, correctedMinutes: null });
  }
  await knex('time_log').whereNotNull('run_id').delete();
  await knex.schema.alterTable('time_log', (table) => {
    table.dropColumn('verdict');
    table.text('event_id').index();
    table.text('commission_id').index();
    table.text('unit_id');
    table.text('step_id');
    table.double('weight').notNullable().defaultTo(1);
    table.text('open');
  });
  await knex('time_log').update({ weight: knex.ref('models') });
  for (const { id, unitId, commissionId } of await uniqueUnits(knex)) await knex('time_log').where({ id }).update({ unitId, commissionId });
  await knex.raw(`UPDATE time_log SET step_id = (
    SELECT max(step.id) FROM step LEFT JOIN part ON part.id = step.part_id
    WHERE step.unit_id = time_log.unit_id AND step.technique = time_log.technique AND coalesce(part.name, '') = time_log.part
    HAVING count(*) = 1)
    WHERE unit_id IS NOT NULL`);
}

async function uniqueUnits(knex: Knex): Promise<{ id: string; unitId: string; commissionId: string }[]> {
  return knex('time_log')
    .join('commission', 'commission.name', 'time_log.commission')
    .join('unit', function joined() {
      this.on('unit.commission_id', 'commission.id').andOn('unit.name', 'time_log.unit');
    })
    .groupBy('time_log.id')
    .havingRaw('count(*) = 1')
    .select({ id: 'time_log.id', unitId: 'unit.id', commissionId: 'commission.id' });
}

/** Back to the tables as they were, without what only the stream knows. */
export async function down(knex: Knex): Promise<void> {
  for (const table of ['removed_piece', 'workshop', 'planned_order', 'own_line', 'bench_event', 'log_judgement'])
    await knex.schema.dropTableIfExists(table);
  await knex.schema.alterTable('commission', (table) => table.dropColumns('closed_at', 'deleted_at'));
  await knex.schema.createTable('own_line', (table) => {
    table.text('commission_id').primary().references('commission.id').onDelete('CASCADE');
    table.text('line').notNullable();
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
  await knex('time_log').whereNotNull('event_id').delete();
  await knex.schema.alterTable('time_log', (table) => {
    table.dropColumns('event_id', 'commission_id', 'unit_id', 'step_id', 'weight', 'open');
    table.text('verdict').notNullable().defaultTo('unsure');
    table.text('run_id').references('bench_run.id').onDelete('SET NULL').index();
  });
}
