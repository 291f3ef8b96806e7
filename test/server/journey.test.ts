import { EMPTY_SCHEME } from '../../src/core/scheme/model/definitions';
import { expect } from 'chai';
import type { BenchEvent } from '../../src/core/bench/definitions';
import { InputError } from '../../src/core/kernel/InputError';
import { fillDemo } from '../../src/data/demo/fillDemo';
import { putOnBench } from '../../src/server/bench/putOnBench';
import { exportCommission } from '../../src/server/intake/exportCommission';
import { importCommission } from '../../src/server/intake/importCommission';
import { createCommission } from '../../src/server/intake/createCommission';
import { saveIntake } from '../../src/server/intake/saveIntake';
import { saveScheme } from '../../src/server/schemes/saveScheme';
import { stationCounts } from '../../src/server/workshop/stationCounts';
import { ConflictError, NotFoundError } from '../../src/server/stores/errors';
import { loadEstimate } from '../../src/server/plan/loadEstimate';
import { saveHouseRules } from '../../src/server/house/saveHouseRules';
import { importTimeLog } from '../../src/server/ledger/importTimeLog';
import { exportTimeLog, judgeRow, loadLog } from '../../src/server/ledger/loadLog';
import { loadToday } from '../../src/server/today/loadToday';
import { testDatabase, type TestDatabase } from '../support/database';
import { ALL, entry, NOW, rejected, shopForEachTest, unitEntry } from '../support/shop';
import { step } from '../support/units';

describe('the server, from intake to a moved estimate', () => {
  const given = shopForEachTest();

  /** A commission on the bench, and the events of its first coat. */
  async function onBench(minutesEach: number) {
    const { id, units } = await given.shop.commission();
    await given.shop.putOnBench(id);
    const pass = await given.shop.pass('Keepers', 'Coat');
    return { id, units, pass, events: given.shop.painting(pass, ALL, minutesEach) };
  }

  it('walks the whole way', async () => {
    const { id, pass, events } = await onBench(9);
    const before = await loadEstimate(given.stores, id, NOW);
    expect(before.stepsTotal).to.equal(40);
    await given.shop.record(events);
    const after = await loadEstimate(given.stores, id, NOW);
    const ofPass = (estimate: typeof before) => estimate.passes.find((each) => each.passKey === pass.key)!;
    expect(ofPass(after)).to.include({ modelsLeft: 0 });
    expect(ofPass(after).p50).to.be.greaterThan(ofPass(before).p50 * 1.5);
    expect(ofPass(after).why).to.match(/^10 models of this step logged/);
    const others = (estimate: typeof before) =>
      estimate.passes.filter((each) => each.passKey !== pass.key).reduce((sum, each) => sum + each.p50, 0);
    expect(others(after)).to.be.greaterThan(others(before) * 1.1);
    const [row] = await given.shop.rows();
    expect(row).to.include({ minutes: 90, models: 10, unit: 'Keepers', technique: 'basecoat', commissionId: id, stepId: pass.stepId });
  });

  it('takes every event once, in any order and any number of times', async () => {
    const { events } = await onBench(2);
    await given.shop.record(events.slice(5).reverse());
    await given.shop.record(events);
    await given.shop.record(events.slice(0, 3));
    expect(await given.stores.bench.after(0, 1000)).to.have.length(events.length);
    expect((await given.shop.rows()).map((row) => [row.models, row.minutes])).to.deep.equal([[10, 20]]);
    expect(await given.stores.bench.after(4, 1000)).to.have.length(events.length - 4);
  });

  it('keeps what the painter said of a row while its stretch grows', async () => {
    const { events } = await onBench(2);
    await given.shop.record(events.slice(0, 4));
    const [row] = await given.shop.rows();
    await judgeRow(given.stores, row!.id, { verdict: 'left out', correctedMinutes: null });
    await given.shop.record(events);
    expect((await given.shop.rows()).map((each) => [each.models, each.verdict])).to.deep.equal([[10, 'left out']]);
    expect(await rejected(judgeRow(given.stores, 'none', { verdict: 'counts', correctedMinutes: null }))).to.be.instanceOf(NotFoundError);
  });

  it('refuses events that do not say what they are of, and given.stores none of them', async () => {
    const { events } = await onBench(2);
    const [, first] = events as [BenchEvent, BenchEvent];
    for (const wrong of [{ unit: 'elsewhere' }, { unit: null }, { step: null }, { models: [] }, { kind: 'undone' as const, target: null }])
      expect(await rejected(given.shop.record([first, { ...first, id: 'other', ...wrong }])), JSON.stringify(wrong)).to.be.instanceOf(
        InputError,
      );
    expect(await given.stores.bench.after(0, 10)).to.deep.equal([]);
  });

  it('refuses an order that breaks the line, and changes nothing', async () => {
    const { id } = await given.shop.commission();
    const { selection } = await given.shop.line(id);
    expect(await rejected(putOnBench(given.stores, { selection, line: { order: ['nothing'], wishes: [] } }, NOW))).to.be.instanceOf(
      InputError,
    );
    expect(await given.stores.workshop.bench()).to.equal(null);
  });

  it('refuses to save over a newer state, units with one name, units of others', async () => {
    const { id, units } = await given.shop.commission();
    const save = (revision: number, entries: ReturnType<typeof unitEntry>[], of = id) =>
      saveIntake(given.stores, of, { revision, commission: entry, units: entries }, NOW);
    expect(await rejected(save(1, units))).to.be.instanceOf(ConflictError);
    expect((await rejected(save(2, [unitEntry('Same'), unitEntry(' same ')]))).message).to.match(
      /units\[1\]\.name is " same ": give every unit a name of its own/,
    );
    const other = await createCommission(given.stores, { ...entry, name: 'Other' }, NOW);
    expect((await rejected(save(1, units, other.id))).message).to.match(/belong to another commission/);
    const scheme = { ...EMPTY_SCHEME, parts: [], allOver: [step('wash', { paint: 'nowhere' })] };
    const wrong = saveScheme(given.stores, units[0]!.id, { revision: 2, scheme }, NOW);
    expect((await rejected(wrong)).message).to.match(/allOver\[0\]\.paint is "nowhere".*put it on the shelf first/);
    const stale = saveScheme(given.stores, units[0]!.id, { revision: 1, scheme: EMPTY_SCHEME }, NOW);
    expect(await rejected(stale)).to.be.instanceOf(ConflictError);
    expect(await rejected(saveIntake(given.stores, 'none', { revision: 1, commission: entry, units }, NOW))).to.be.instanceOf(
      NotFoundError,
    );
  });

  it('brings a removed unit back with its scheme', async () => {
    const { id, units } = await given.shop.commission();
    await saveIntake(given.stores, id, { revision: 2, commission: entry, units: [units[0]!] }, NOW);
    expect((await loadEstimate(given.stores, id, NOW)).stepsTotal).to.equal(20);
    expect((await given.stores.commissions.removedUnits(id)).map((unit) => unit.name)).to.deep.equal(['Cutters']);
    await saveIntake(given.stores, id, { revision: 3, commission: entry, units }, NOW);
    expect((await loadEstimate(given.stores, id, NOW)).stepsTotal).to.equal(40);
    expect(await given.stores.paints.unitsUsing()).to.deep.equal({ red: 2, blue: 2 });
  });

  it('holds the batch at the test model until it is approved', async () => {
    const { id, units } = await given.shop.commission();
    const judge = (testModel: 'waiting' | 'approved', revision: number) =>
      saveIntake(given.stores, id, { revision, commission: entry, units: [{ ...units[0]!, testModel }, units[1]!] }, NOW);
    await judge('waiting', 2);
    const waiting = await given.shop.line(id);
    expect(waiting.waitingUnits).to.deep.equal(['Keepers']);
    expect(waiting.jobs.filter((job) => job.unitName === 'Keepers').map((job) => job.models)).to.deep.equal([[1], [1]]);
    const estimate = await loadEstimate(given.stores, id, NOW);
    expect(estimate.stepsTotal).to.equal(40);
    expect(waiting.withWaiting).to.be.closeTo(estimate.likely, 1e-9);
    await judge('approved', 3);
    expect(await rejected(judge('waiting', 3)), 'a stale window').to.be.instanceOf(ConflictError);
    expect((await given.shop.line(id)).jobs[0]!.models).to.have.length(10);
  });

  it('says at each station what is open', async () => {
    const { id } = await createCommission(given.stores, entry, NOW);
    await saveIntake(given.stores, id, { revision: 1, commission: entry, units: [unitEntry('Keepers', { counted: 9 })] }, NOW);
    expect(await stationCounts(given.stores, id)).to.deep.equal({
      commission: { id, name: 'Coast', intake: '1 count to settle', scheme: '1 without a scheme', money: null },
      bench: null,
    });
    expect((await stationCounts(given.stores, 'none')).commission).to.equal(null);
  });

  it('has a word on the date of a commission without units, in Today too', async () => {
    await createCommission(given.stores, entry, NOW);
    const [empty] = (await loadToday(given.stores, NOW)).commissions;
    expect(empty!.outlook).to.include({ standing: 'done', chance: 1 });
  });

  it('promises no date without sessions, and says when one cannot be met', async () => {
    await given.shop.commission();
    await saveHouseRules(
      given.stores,
      {
        revision: await given.stores.houseRules.revision(),
        rules: { ...(await given.stores.houseRules.load()), sessions: [], currency: 'EUR' },
      },
      NOW,
    );
    const today = await loadToday(given.stores, NOW);
    expect(today.commissions[0]!.outlook).to.include({ standing: 'short', chance: 0, sessionMinutes: 0 });
    expect(today.tonight).to.equal(null);
  });

  it('refuses sessions that end before they begin or overlap', async () => {
    const house = { ...(await given.stores.houseRules.load()), currency: 'EUR' as const };
    const monday = (from: string, to: string) => ({ weekday: 0, from, to });
    expect(
      (await rejected(saveHouseRules(given.stores, { revision: 1, rules: { ...house, sessions: [monday('20:00', '19:00')] } }, NOW)))
        .message,
    ).to.match(/sessions\[0\]\.to is "19:00"/);
    expect(
      (
        await rejected(
          saveHouseRules(
            given.stores,
            {
              revision: 1,
              rules: { ...house, sessions: [monday('18:00', '20:00'), monday('19:00', '21:00')] },
            },
            NOW,
          ),
        )
      ).message,
    ).to.match(/overlap the session from 18:00 to 20:00/);
  });

  it('takes a time log in once, after showing what it would take', async () => {
    const { events } = await onBench(2);
    await given.shop.record(events);
    const more =
      '2026-11-24T10:00:00Z,Fair,Menders,Apron,basecoat,foot,0.2,5,9,,,,,,,,,,,,,,\r\n2026-11-24T11:00:00Z,Fair,Menders,Apron,dip,foot,0.2,5,9,,,,,,,,,,,,,,\r\n';
    const csv = `${await exportTimeLog(given.stores)}${more}`;
    const preview = await importTimeLog(given.stores, { csv, confirm: false }, NOW);
    expect(preview).to.deep.include({ newRows: 1, knownRows: 1, taken: false });
    expect(preview.bad[0]).to.include({ line: 4, column: 'technique' });
    expect(await given.shop.rows()).to.have.length(1);
    await importTimeLog(given.stores, { csv, confirm: true }, NOW);
    await importTimeLog(given.stores, { csv, confirm: true }, NOW);
    expect((await loadLog(given.stores, NOW)).totals.rows).to.equal(2);
  });

  it('carries a commission over to another data folder to the letter, bench and log included', async () => {
    await fillDemo(given.database, NOW);
    const other = await testDatabase();
    for (const { id } of await given.stores.commissions.listOpen()) {
      const { text } = await exportCommission(given.stores, id);
      const { paintsKept } = await importCommission(other.stores, JSON.parse(text), NOW);
      expect(paintsKept).to.deep.equal([]);
      expect((await exportCommission(other.stores, id)).text).to.equal(text);
      expect(await rejected(importCommission(other.stores, JSON.parse(text), NOW))).to.be.instanceOf(ConflictError);
    }
    const rows = async (of: TestDatabase['stores']) => (await of.timeLog.list()).filter((row) => row.eventId !== null);
    expect(await rows(other.stores)).to.deep.equal(await rows(given.stores));
    await other.close();
  });
});
