import { expect } from 'chai';
import { readTimeLog } from '../../src/core/formats/timeLog/readTimeLog';
import { saveIntake } from '../../src/server/intake/saveIntake';
import { loadMoney } from '../../src/server/money/loadMoney';
import { keepQuote, answerQuote } from '../../src/server/money/quotes';
import { exportTimeLog, judgeRow, loadLog } from '../../src/server/ledger/loadLog';
import { ALL, entry, minute, NOW, shopForEachTest } from '../support/shop';

describe('work without a known time', () => {
  const given = shopForEachTest();

  it('counts at its estimate in what an hour pays and in what the quote took, and is counted', async () => {
    const { id, units } = await given.shop.commission();
    const quote = await keepQuote(given.stores, id, '', NOW);
    await answerQuote(given.stores, quote.id, { answer: 'accepted', note: '' }, NOW);
    await given.shop.putOnBench(id);
    const coat = await given.shop.pass('Keepers', 'Coat');
    await given.shop.record(given.shop.painting(coat, ALL, 6));
    const before = await loadMoney(given.stores, id, minute(70));
    expect(before.hours).to.deep.include({ painted: 60, unknown: { steps: 0, minutes: 0 } });

    const cap = await given.shop.pass('Cutters', 'Cap');
    await given.shop.record([given.shop.event(71, 'done', { ...given.shop.of(cap), models: [1, 2, 3, 4], minutes: 0 })]);
    const { hours, agreed } = await loadMoney(given.stores, id, minute(72));
    expect(hours.unknown.steps).to.equal(4);
    expect(hours.unknown.minutes).to.be.within(8, 40);
    expect(hours.painted).to.be.closeTo(60 + hours.unknown.minutes, 1e-9);
    expect(agreed!.pay.soFar.minutes).to.be.closeTo(hours.painted, 1e-9);
    const [keepers, cutters] = units.map((unit) => agreed!.comparison.units.find(({ unitId }) => unitId === unit.id)!.took);
    expect([keepers, cutters]).to.deep.equal([60, hours.unknown.minutes]);
    expect(agreed!.comparison.stages.reduce((sum, { took }) => sum + took, 0)).to.be.closeTo(hours.painted, 1e-9);

    // What the painter tells of it takes the place of the estimate; a row left out was painted all the same.
    const [row] = await given.stores.timeLog.open([cap.unitId]);
    await judgeRow(given.stores, row!.id, { verdict: 'counts', correctedMinutes: 22 });
    expect((await loadMoney(given.stores, id, minute(72))).hours).to.deep.include({ painted: 82, unknown: { steps: 0, minutes: 0 } });
    await judgeRow(given.stores, row!.id, { verdict: 'left out', correctedMinutes: null });
    expect((await loadMoney(given.stores, id, minute(72))).hours.unknown.steps).to.equal(4);
  });
});

describe('the names in the log', () => {
  const given = shopForEachTest();

  it('are those of today in the Ledger and in the CSV, with those of then beside them', async () => {
    const { id, units } = await given.shop.commission();
    await given.shop.putOnBench(id);
    await given.shop.record(given.shop.painting(await given.shop.pass('Keepers', 'Coat'), [1, 2], 6));
    const renamed = units.map((unit) => ({ ...unit, name: `${unit.name} of the coast` }));
    await saveIntake(given.stores, id, { revision: 2, commission: { ...entry, name: 'Shore' }, units: renamed }, NOW);
    const [shown] = (await loadLog(given.stores, NOW)).first.rows;
    const csv = await exportTimeLog(given.stores);
    const [head, line] = csv
      .trimEnd()
      .split('\r\n')
      .map((each) => each.split(','));
    const cell = (column: string) => line![head!.indexOf(column)];
    expect([cell('commission'), cell('unit')]).to.deep.equal([shown!.commission, shown!.unit]);
    expect([cell('commission_then'), cell('unit_then')]).to.deep.equal(['Coast', 'Keepers']);
    expect(readTimeLog(csv).rows[0]).to.include({ commission: 'Coast', unit: 'Keepers' });
  });
});
