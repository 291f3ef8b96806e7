import { expect } from 'chai';
import { ulid } from 'ulid';
import { readyAt } from '../../src/core/bench/benchView';
import type { BenchEvent } from '../../src/core/bench/definitions';
import { replayBench } from '../../src/core/bench/replayBench';
import { InputError } from '../../src/core/formats/InputError';
import { fillDemo } from '../../src/data/demo/fillDemo';
import { loadBench, newEvents } from '../../src/server/bench/loadBench';
import { recordEvents } from '../../src/server/bench/recordEvents';
import { takeUpLine } from '../../src/server/bench/takeUpLine';
import { exportCommission, importCommission } from '../../src/server/commissions/commissionFile';
import { createCommission } from '../../src/server/commissions/createCommission';
import { judgeTestModel } from '../../src/server/commissions/judgeTestModel';
import { saveIntake } from '../../src/server/commissions/saveIntake';
import { saveScheme } from '../../src/server/commissions/saveScheme';
import { stationCounts } from '../../src/server/commissions/stationCounts';
import { ConflictError, NotFoundError } from '../../src/server/errors';
import { loadEstimate } from '../../src/server/estimate/loadEstimate';
import { loadToday } from '../../src/server/estimate/loadToday';
import { saveHouseRules } from '../../src/server/house/saveHouseRules';
import { loadLine } from '../../src/server/line/loadLine';
import { importTimeLog } from '../../src/server/timeLog/importTimeLog';
import { exportTimeLog, judgeRow, loadLog } from '../../src/server/timeLog/loadLog';
import { testDatabase, type TestDatabase } from '../support/database';
import { paint, part, step } from '../support/units';

const NOW = new Date('2026-11-23T18:00:00Z');
const entry = {
  name: 'Coast',
  client: 'Club',
  dueOn: '2026-12-20',
  standard: 'table' as const,
  hourlyRateMinor: 2400,
  currency: 'EUR',
  note: '',
};
const unitEntry = (name: string, more = {}) => ({
  id: ulid(),
  name,
  size: 'foot' as const,
  promised: 10,
  counted: null,
  countNote: '',
  leaders: 0,
  trayLimit: 10,
  testModel: 'none' as const,
  ...more,
});

const rejected = async (promise: Promise<unknown>): Promise<Error> =>
  promise.then(
    () => {
      throw new Error('it was accepted');
    },
    (error: Error) => error,
  );

describe('the server, from intake to a moved estimate', () => {
  let database: TestDatabase;
  let stores: TestDatabase['stores'];
  beforeEach(async () => {
    database = await testDatabase();
    ({ stores } = database);
  });
  afterEach(() => database.close());

  /** A commission of two units that share two paints, ready for the bench. */
  async function ready() {
    const { id } = await createCommission(stores, entry, NOW);
    const units = [unitEntry('Keepers'), unitEntry('Cutters')];
    await saveIntake(stores, id, { revision: 1, commission: entry, units });
    for (const each of [paint('red'), paint('blue')]) await stores.paints.save(each);
    for (const unit of units) {
      const scheme = {
        parts: [
          part(`coat ${unit.id}`, step('basecoat', { id: ulid(), paintId: 'red' })),
          part(`cap ${unit.id}`, step('basecoat', { id: ulid(), paintId: 'blue' })),
        ],
        allOver: [],
      };
      await saveScheme(stores, unit.id, { revision: 1, scheme });
    }
    return { id, units };
  }

  /** Takes the line up and paints the first job, each model in so many minutes. */
  async function paintFirstJob(id: string, minutesPerModel: number) {
    const line = await loadLine(stores, id, NOW);
    const { runId } = await takeUpLine(stores, id, { order: line.problem.jobs.map((job) => job.id) }, NOW);
    const job = line.jobs[0]!;
    const event = (minute: number, kind: BenchEvent['kind'], model: number | null): BenchEvent => ({
      id: ulid(),
      kind,
      at: new Date(NOW.getTime() + minute * 60_000).toISOString(),
      job: job.id,
      model,
      target: null,
      note: '',
    });
    const events = [event(0, 'started', null), ...job.models.map((model, index) => event((index + 1) * minutesPerModel, 'done', model))];
    return { runId, job, events };
  }

  it('walks the whole way', async () => {
    const { id } = await ready();
    const before = await loadEstimate(stores, id, NOW);
    expect(before.stepsTotal).to.equal(40);
    const { runId, events, job } = await paintFirstJob(id, 9);
    await recordEvents(stores, runId, { events }, NOW);
    const after = await loadEstimate(stores, id, NOW);
    const pass = (estimate: typeof before) => estimate.passes.find((each) => each.passKey === job.passKey)!;
    expect(pass(after)).to.include({ modelsLeft: 0 });
    expect(pass(after).p50).to.be.greaterThan(pass(before).p50 * 1.5);
    expect(pass(after).why).to.match(/^10 models of this step logged/);
    const others = (estimate: typeof before) =>
      estimate.passes.filter((each) => each.passKey !== job.passKey).reduce((sum, each) => sum + each.p50, 0);
    expect(others(after)).to.be.greaterThan(others(before) * 1.1);
    const [row] = await stores.timeLog.list();
    expect(row).to.include({ minutes: 90, models: 10, unit: 'Keepers', technique: 'basecoat' });
  });

  it('takes every event once, in any order and any number of times', async () => {
    const { id } = await ready();
    const { runId, events } = await paintFirstJob(id, 2);
    await recordEvents(stores, runId, { events: events.slice(5).reverse() }, NOW);
    await recordEvents(stores, runId, { events }, NOW);
    await recordEvents(stores, runId, { events: events.slice(0, 3) }, NOW);
    expect((await newEvents(stores, runId, { after: 0 })).events).to.have.length(events.length);
    const rows = await stores.timeLog.list();
    expect(rows.map((row) => [row.models, row.minutes])).to.deep.equal([[10, 20]]);
    expect((await newEvents(stores, runId, { after: 4 })).events).to.have.length(events.length - 4);
  });

  it('keeps what the painter said of a row while its stretch grows', async () => {
    const { id } = await ready();
    const { runId, events } = await paintFirstJob(id, 2);
    await recordEvents(stores, runId, { events: events.slice(0, 4) }, NOW);
    const [row] = await stores.timeLog.list();
    await judgeRow(stores, row!.id, { verdict: 'left out' });
    await recordEvents(stores, runId, { events }, NOW);
    expect((await stores.timeLog.list()).map((each) => [each.models, each.verdict])).to.deep.equal([[10, 'left out']]);
    expect(await rejected(judgeRow(stores, 'none', { verdict: 'counts' }))).to.be.instanceOf(NotFoundError);
  });

  it('refuses events that cannot have come from the run', async () => {
    const { id } = await ready();
    const { runId, events } = await paintFirstJob(id, 2);
    const [, first] = events as [BenchEvent, BenchEvent];
    for (const wrong of [
      { job: 'elsewhere' },
      { model: 99 },
      { model: null },
      { kind: 'undone' as const },
      { kind: 'started' as const, job: null },
    ]) {
      expect(
        await rejected(recordEvents(stores, runId, { events: [{ ...first, ...wrong }] }, NOW)),
        JSON.stringify(wrong),
      ).to.be.instanceOf(InputError);
    }
    expect(await rejected(recordEvents(stores, 'none', { events }, NOW))).to.be.instanceOf(NotFoundError);
    expect((await newEvents(stores, runId, { after: 0 })).events).to.deep.equal([]);
  });

  it('puts the old line down when a new one is taken up, and keeps what was painted', async () => {
    const { id } = await ready();
    const { runId, events } = await paintFirstJob(id, 2);
    await recordEvents(stores, runId, { events }, NOW);
    const line = await loadLine(stores, id, NOW);
    expect(line.jobs).to.have.length(3);
    const next = await takeUpLine(stores, id, { order: line.problem.jobs.map((job) => job.id) }, new Date(NOW.getTime() + 3_600_000));
    expect((await stores.runs.openRun(id))!.id).to.equal(next.runId);
    expect((await stores.runs.find(runId))!.closedAt).to.not.equal(null);
  });

  it('remembers what the old line has left wet', async () => {
    const { id } = await ready();
    const { runId, events } = await paintFirstJob(id, 2);
    await recordEvents(stores, runId, { events }, NOW);
    const soon = new Date(NOW.getTime() + 21 * 60_000);
    const line = await loadLine(stores, id, soon);
    await takeUpLine(stores, id, { order: line.problem.jobs.map((job) => job.id) }, soon);
    const bench = (await loadBench(stores, id, soon))!;
    // The last model was done after 20 minutes and dries for 15; the first was dry after 17.
    expect(bench.stillWet.at(-1)).to.deep.include({ model: 10, dryAt: NOW.getTime() + 35 * 60_000 });
    expect(bench.stillWet.map((wet) => wet.model)).not.to.include(1);
    const job = bench.run.jobs.find((each) => each.unitName === 'Keepers')!;
    expect(readyAt({ ...bench.run, stillWet: bench.stillWet }, replayBench(bench.run.jobs, []), job, 10)).to.equal(
      NOW.getTime() + 35 * 60_000,
    );
  });

  it('refuses an order that breaks the line, and changes nothing', async () => {
    const { id } = await ready();
    expect(await rejected(takeUpLine(stores, id, { order: ['nothing'] }, NOW))).to.be.instanceOf(InputError);
    expect(await stores.runs.openRun(id)).to.equal(null);
  });

  it('keeps the steps of a scheme apart from what was logged on them', async () => {
    const { id, units } = await ready();
    const { runId, events, job } = await paintFirstJob(id, 2);
    await recordEvents(stores, runId, { events }, NOW);
    const { scheme } = (await stores.commissions.findUnit(units[0]!.id))!;
    scheme.parts.reverse();
    await saveScheme(stores, units[0]!.id, { revision: 2, scheme });
    const estimate = await loadEstimate(stores, id, NOW);
    expect(estimate.passes.find((pass) => pass.passKey === job.passKey)!.modelsLeft).to.equal(0);
  });

  it('refuses to save over a newer state, units with one name, too many leaders, units of others', async () => {
    const { id, units } = await ready();
    const save = (revision: number, entries: ReturnType<typeof unitEntry>[], of = id) =>
      saveIntake(stores, of, { revision, commission: entry, units: entries });
    expect(await rejected(save(1, units))).to.be.instanceOf(ConflictError);
    expect((await rejected(save(2, [unitEntry('Same'), unitEntry(' same ')]))).message).to.match(
      /units\[1\]\.name is " same ": give every unit a name of its own/,
    );
    expect((await rejected(save(2, [unitEntry('Few', { promised: 2, leaders: 3 })]))).message).to.match(/leaders is 3: give at most 2/);
    const other = await createCommission(stores, { ...entry, name: 'Other' }, NOW);
    expect((await rejected(save(1, units, other.id))).message).to.match(/belong to another commission/);
    const scheme = { parts: [], allOver: [step('wash', { paintId: 'nowhere' })] };
    expect((await rejected(saveScheme(stores, units[0]!.id, { revision: 2, scheme }))).message).to.match(
      /put the paint on the shelf first/,
    );
    expect(await rejected(saveScheme(stores, units[0]!.id, { revision: 1, scheme: { parts: [], allOver: [] } }))).to.be.instanceOf(
      ConflictError,
    );
    expect(await rejected(saveIntake(stores, 'none', { revision: 1, commission: entry, units }))).to.be.instanceOf(NotFoundError);
  });

  it('brings a removed unit back with its scheme when the removal is undone', async () => {
    const { id, units } = await ready();
    await saveIntake(stores, id, { revision: 2, commission: entry, units: [units[0]!] });
    expect((await loadEstimate(stores, id, NOW)).stepsTotal).to.equal(20);
    await saveIntake(stores, id, { revision: 3, commission: entry, units });
    expect((await loadEstimate(stores, id, NOW)).stepsTotal).to.equal(40);
    expect(await stores.paints.unitsUsing()).to.deep.equal({ red: 2, blue: 2 });
  });

  it('holds the batch at the test model until the client is content', async () => {
    const { id, units } = await ready();
    await judgeTestModel(stores, units[0]!.id, { testModel: 'waiting' });
    const waiting = await loadLine(stores, id, NOW);
    expect(waiting.waitingUnits).to.deep.equal(['Keepers']);
    expect(waiting.jobs.filter((job) => job.unitName === 'Keepers').map((job) => job.models)).to.deep.equal([[1], [1]]);
    expect((await loadEstimate(stores, id, NOW)).stepsTotal).to.equal(40);
    await judgeTestModel(stores, units[0]!.id, { testModel: 'approved' });
    expect((await loadLine(stores, id, NOW)).jobs[0]!.models).to.have.length(10);
  });

  it('says at each station what is open', async () => {
    const { id } = await createCommission(stores, entry, NOW);
    await saveIntake(stores, id, { revision: 1, commission: entry, units: [unitEntry('Keepers', { counted: 9 })] });
    expect(await stationCounts(stores, id)).to.deep.equal({
      commissionName: 'Coast',
      intake: '1 count open',
      scheme: '1 without',
      bench: null,
    });
    expect(await stationCounts(stores, 'none')).to.equal(null);
  });

  it('promises no date without sessions, and says when one cannot be met', async () => {
    await ready();
    await saveHouseRules(stores, { ...(await stores.houseRules.load()), sessions: [], currency: 'EUR' });
    const today = await loadToday(stores, NOW);
    expect(today.commissions[0]!.outlook).to.include({ standing: 'short', chance: 0, sessionMinutes: 0 });
  });

  it('refuses sessions that end before they begin or overlap', async () => {
    const house = { ...(await stores.houseRules.load()), currency: 'EUR' as const };
    const monday = (from: string, to: string) => ({ weekday: 0, from, to });
    expect((await rejected(saveHouseRules(stores, { ...house, sessions: [monday('20:00', '19:00')] }))).message).to.match(
      /sessions\[0\]\.to is "19:00"/,
    );
    expect(
      (await rejected(saveHouseRules(stores, { ...house, sessions: [monday('18:00', '20:00'), monday('19:00', '21:00')] }))).message,
    ).to.match(/overlap the session from 18:00 to 20:00/);
  });

  it('takes a time log in once, after showing what it would take', async () => {
    const { id } = await ready();
    const { runId, events } = await paintFirstJob(id, 2);
    await recordEvents(stores, runId, { events }, NOW);
    const csv = `${await exportTimeLog(stores)}2026-11-24T10:00:00Z,Fair,Menders,Apron,basecoat,foot,0.2,5,9,,\r\n2026-11-24T11:00:00Z,Fair,Menders,Apron,dip,foot,0.2,5,9,,\r\n`;
    const preview = await importTimeLog(stores, { csv, confirm: false }, NOW);
    expect(preview).to.deep.include({ newRows: 1, knownRows: 1, taken: false });
    expect(preview.bad[0]).to.include({ line: 4, column: 'technique' });
    expect(await stores.timeLog.list()).to.have.length(1);
    await importTimeLog(stores, { csv, confirm: true }, NOW);
    await importTimeLog(stores, { csv, confirm: true }, NOW);
    expect((await loadLog(stores, NOW)).totals.rows).to.equal(2);
  });

  it('carries a commission over to another data folder to the letter, bench and log included', async () => {
    await fillDemo(database, NOW);
    const other = await testDatabase();
    for (const { id } of await stores.commissions.list()) {
      const { text } = await exportCommission(stores, id);
      const { paintsKept } = await importCommission(other.stores, JSON.parse(text), NOW);
      expect(paintsKept).to.deep.equal([]);
      expect((await exportCommission(other.stores, id)).text).to.equal(text);
      expect(await rejected(importCommission(other.stores, JSON.parse(text), NOW))).to.be.instanceOf(ConflictError);
    }
    const rows = async (of: TestDatabase['stores']) => (await of.timeLog.list()).filter((row) => row.runId !== null);
    expect(await rows(other.stores)).to.deep.equal(await rows(stores));
    await other.close();
  });
});
