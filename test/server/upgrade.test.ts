import { expect } from 'chai';
import type { Knex } from 'knex';
import { openDatabase } from '../../src/data/database';
import { migrations } from '../../src/data/migrations';
import { loadEstimate } from '../../src/server/plan/loadEstimate';
import { storesOf } from '../../src/server/stores/storesOf';
import { temporaryFolder } from '../support/temporaryFolder';

const NOW = new Date('2026-11-24T18:00:00Z');
const at = (minute: number) => new Date(Date.parse('2026-11-23T19:00:00Z') + minute * 60_000).toISOString();

/** A data folder as the program left it that knew runs: a commission half painted, a log from a file, a word on a row. */
async function fillOld(knex: Knex): Promise<void> {
  await knex('commission').insert({
    id: 'c1',
    name: 'Coast',
    client: 'Club',
    dueOn: '2026-12-20',
    standard: 'table',
    hourlyRateMinor: 2400,
    currency: 'EUR',
    note: '',
    createdAt: at(-100),
  });
  await knex('paint').insert({ id: 'red', name: 'Red', hex: '#aa0000', kind: 'opaque', dryMinutes: null });
  const unit = { size: 'foot', promised: 4, counted: null, countNote: '', leaders: 1, trayLimit: 10, testModel: 'none' };
  await knex('unit').insert({ id: 'u1', commissionId: 'c1', position: 0, name: 'Keepers', ...unit });
  await knex('part').insert({ id: 'p1', unitId: 'u1', position: 0, name: 'Coat' });
  const step = { technique: 'basecoat', paintId: 'red', coats: 1, coverage: 0.2, who: 'all', standard: 'quick', dryMinutes: null };
  await knex('step').insert({ id: 's1', unitId: 'u1', partId: 'p1', position: 0, ...step });
  const job = {
    id: 's1#1@1',
    passKey: 's1#1',
    unitId: 'u1',
    unitName: 'Keepers',
    size: 'foot',
    trayId: 'u1/1',
    partName: 'Coat',
    technique: 'basecoat',
    paintId: 'red',
    setupId: 'basecoat|red',
    coat: 1,
    coats: 1,
    coverage: 0.2,
    models: [1, 2, 3, 4],
    minutes: [3.2, 2, 2, 2],
    dryMinutes: 15,
  };
  await knex('bench_run').insert({
    id: 'r1',
    commissionId: 'c1',
    startedAt: at(0),
    closedAt: null,
    jobs: JSON.stringify([job]),
    problem: '{}',
  });
  const event = (id: string, kind: string, minute: number, model: number | null) => ({
    id,
    runId: 'r1',
    kind,
    at: at(minute),
    receivedAt: at(minute),
    job: job.id,
    model,
    target: null,
    note: '',
  });
  for (const each of [
    event('e1', 'started', 0, null),
    event('e2', 'done', 3.2, 1),
    event('e3', 'done', 5.2, 2),
    event('e4', 'missed', 6, 2),
  ])
    await knex('bench_event').insert(each);
  const row = {
    commission: 'Coast',
    unit: 'Keepers',
    part: 'Coat',
    technique: 'basecoat',
    size: 'foot',
    coverage: 0.2,
    setupMinutes: null,
    note: '',
  };
  await knex('time_log').insert({ ...row, id: 'e1', runId: 'r1', startedAt: at(0), models: 2, minutes: 5.2, verdict: 'counts' });
  await knex('time_log').insert({ ...row, id: 'f1', runId: null, startedAt: at(-900), models: 5, minutes: 11, verdict: 'left out' });
  await knex('time_log').insert({
    ...row,
    id: 'f2',
    runId: null,
    startedAt: at(-800),
    unit: 'Others',
    models: 5,
    minutes: 11,
    verdict: 'unsure',
  });
  await knex('own_line').insert({ commissionId: 'c1', line: JSON.stringify({ order: [job.id], wishes: [] }) });
}

describe('a data folder of the program that knew runs', () => {
  it('opens with everything that was painted, logged, judged and arranged', async () => {
    const { folder, remove } = temporaryFolder();
    const old = await openDatabase(folder, migrations.slice(0, 2));
    await fillOld(old.knex);
    await old.close();

    const opened = await openDatabase(folder);
    expect(opened.backup).to.not.equal(null);
    const stores = storesOf(opened.knex);
    const rows = await stores.timeLog.list();
    expect(rows.map(({ id, unitId, stepId, weight, models, verdict }) => ({ id, unitId, stepId, weight, models, verdict }))).to.deep.equal([
      { id: 'f1', unitId: 'u1', stepId: 's1', weight: 5, models: 5, verdict: 'left out' },
      { id: 'f2', unitId: null, stepId: null, weight: 5, models: 5, verdict: 'unsure' },
      // The leader counts as more than one now.
      { id: 'e1', unitId: 'u1', stepId: 's1', weight: 2.6, models: 2, verdict: 'counts' },
    ]);
    expect(rows[2]).to.include({ eventId: 'e1', minutes: 5.2, commissionId: 'c1' });
    const [started, , , missed] = await stores.bench.ofUnits(['u1']);
    expect(started!.facts).to.deep.include({ commission: 'Coast', paint: 'Red', factors: [{ models: [1], factor: 1.6 }] });
    expect(missed).to.include({ kind: 'missed', step: 's1', coat: 1 });
    expect(await stores.workshop.bench()).to.deep.include({ selection: [{ commissionId: 'c1', unitIds: null }], order: ['s1#1@1'] });
    expect((await stores.workshop.ownLine([{ commissionId: 'c1', unitIds: null }]))!.order).to.deep.equal(['s1#1@1']);
    expect(await loadEstimate(stores, 'c1', NOW)).to.include({ stepsDone: 2, stepsTotal: 4 });
    await opened.close();
    remove();
  });
});
