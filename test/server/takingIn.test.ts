import { expect } from 'chai';
import { wholeCommission } from '../../src/core/plan/selection';
import { exportCommission } from '../../src/server/intake/exportCommission';
import { importCommission } from '../../src/server/intake/importCommission';
import { saveIntake } from '../../src/server/intake/saveIntake';
import { importTimeLog } from '../../src/server/ledger/importTimeLog';
import { exportTimeLog, judgeRow } from '../../src/server/ledger/loadLog';
import { testDatabase, type TestDatabase } from '../support/database';
import { ALL, entry, NOW, shopForEachTest, unitEntry } from '../support/shop';

describe('taking in what is already there', () => {
  const given = shopForEachTest();

  async function painted() {
    const { id, units } = await given.shop.commission();
    await given.shop.putOnBench(id);
    const pass = await given.shop.pass('Keepers', 'Coat');
    const events = given.shop.painting(pass, ALL, 2);
    return { id, units, events, pass };
  }
  const take = (csv: string, into = given.stores) => importTimeLog(into, { csv, confirm: true }, NOW);
  const told = async (of = given.stores) =>
    (await of.timeLog.list()).map((row) => [row.id, row.models, row.minutes, row.verdict, row.correctedMinutes]);

  it('adds nothing twice and loses no verdict, CSV first or commission file first', async () => {
    const { id, events } = await painted();
    await given.shop.record(events);
    const [row] = await given.shop.rows();
    await judgeRow(given.stores, row!.id, { verdict: 'counts', correctedMinutes: 22 });
    const csv = await exportTimeLog(given.stores);
    const file = JSON.parse((await exportCommission(given.stores, id)).text) as unknown;
    for (const order of [
      ['csv', 'file', 'csv'],
      ['file', 'csv', 'csv'],
    ]) {
      const other = await testDatabase();
      for (const what of order) await (what === 'csv' ? take(csv, other.stores) : importCommission(other.stores, file, NOW));
      expect(await told(other.stores), order.join(', ')).to.deep.equal(await told());
      await other.close();
    }
  });

  it('knows rows exported in the middle of a job, before a rename, and with or without ids', async () => {
    const { id, units, events } = await painted();
    await given.shop.record(events.slice(0, 5));
    const early = await exportTimeLog(given.stores);
    await given.shop.record(events);
    await saveIntake(
      given.stores,
      id,
      {
        revision: 2,
        commission: { ...entry, name: 'Renamed' },
        units: units.map((unit) => ({ ...unit, name: `${unit.name} R` })),
      },
      NOW,
    );
    const withoutIds = early
      .split('\r\n')
      .map((line) => line.split(',').slice(0, 11).join(','))
      .join('\r\n');
    for (const csv of [early, withoutIds, await exportTimeLog(given.stores)]) {
      await take(csv);
      expect((await given.shop.rows()).map((row) => [row.models, row.minutes])).to.deep.equal([[10, 20]]);
    }
  });

  it('takes the whole row when the file brings it longer than it was', async () => {
    const { events } = await painted();
    await given.shop.record(events.slice(0, 5));
    const early = await exportTimeLog(given.stores);
    await given.shop.record(events);
    const whole = await exportTimeLog(given.stores);
    const other = await testDatabase();
    await take(early, other.stores);
    await take(whole, other.stores);
    await take(early, other.stores);
    expect((await other.stores.timeLog.list()).map((row) => row.models)).to.deep.equal([10]);
    await other.close();
  });

  it('takes a row that stands twice in a file once', async () => {
    const line = '2026-10-01T19:00:00Z,Fair,Bakers,Apron,basecoat,foot,0.2,10,18,2,';
    const header = 'started_at,commission,unit,part,technique,size,coverage,models,minutes,setup_minutes,note';
    const preview = await take([header, line, line].join('\n'));
    expect(preview).to.include({ newRows: 1, knownRows: 1 });
    expect(await given.shop.rows()).to.have.length(1);
  });

  it('ties rows to the work that their names fit, and to no other', async () => {
    const { id, pass } = await painted();
    const header = 'started_at,commission,unit,part,technique,size,coverage,models,minutes,setup_minutes,note';
    await take(
      [
        header,
        '2026-10-01T19:00:00Z,Coast,Keepers,Coat,basecoat,foot,0.2,10,18,2,',
        '2026-10-02T19:00:00Z,Coast,Nobody,Coat,basecoat,foot,0.2,10,18,2,',
      ].join('\n'),
    );
    expect((await given.shop.rows()).map((row) => [row.commissionId, row.stepId])).to.deep.equal([
      [id, pass.stepId],
      [null, null],
    ]);
  });

  it('counts the same minutes where a file is opened whose painter worked on two commissions in turn', async () => {
    const coast = await painted();
    const square = await given.shop.commission('Square', [unitEntry('Bakers')]);
    await given.shop.putOnBench([...wholeCommission(coast.id), ...wholeCommission(square.id)]);
    const bakers = await given.shop.pass('Bakers', 'Coat');
    await given.shop.record([
      ...given.shop.painting(coast.pass, [1, 2], 2),
      given.shop.event(4.5, 'paused'),
      given.shop.event(6.5, 'resumed'),
      ...given.shop.painting(bakers, [1, 2, 3], 3, 7),
      ...given.shop.painting(coast.pass, [3, 4], 2, 18),
    ]);
    const ofCoast = async (of: TestDatabase['stores']) =>
      (await of.timeLog.list())
        .filter((row) => row.commission === 'Coast')
        .map(({ minutes, models, setupMinutes }) => [minutes, models, setupMinutes]);
    const other = await testDatabase();
    const { text } = await exportCommission(given.stores, coast.id);
    await importCommission(other.stores, JSON.parse(text), NOW);
    expect(await ofCoast(other.stores)).to.deep.equal(await ofCoast(given.stores));
    expect((await exportCommission(other.stores, coast.id)).text).to.equal(text);
    // What was only a time becomes work when the other file is opened too.
    await importCommission(other.stores, JSON.parse((await exportCommission(given.stores, square.id)).text), NOW);
    expect(await told(other.stores)).to.deep.equal(await told());
    await other.close();
  });
});
