import { leadersOf } from '../../src/core/scheme/model/whoTakes';
import { expect } from 'chai';
import { hasOpenCount, modelsOf } from '../../src/core/scheme/model/definitions';
import { fillDemo } from '../../src/data/demo/fillDemo';
import { loadToday } from '../../src/server/today/loadToday';
import { loadLog } from '../../src/server/ledger/loadLog';
import type { StoredUnit } from '../../src/core/commission/definitions';
import { testDatabase, type TestDatabase } from '../support/database';

const NOW = new Date('2026-11-23T12:00:00Z');

describe('the demo', () => {
  let database: TestDatabase;
  let units: StoredUnit[];
  before(async () => {
    database = await testDatabase();
    await fillDemo(database, NOW);
    const commissions = await database.stores.commissions.listOpen();
    units = (await Promise.all(commissions.map((commission) => database.stores.commissions.units(commission.id)))).flat();
  });
  after(() => database.close());

  it('has the units, models, sizes and leaders it promises', () => {
    expect(units.length).to.be.at.least(7);
    expect(units.reduce((sum, unit) => sum + modelsOf(unit), 0)).to.be.within(110, 130);
    expect(new Set(units.map((unit) => unit.size)).size).to.be.at.least(4);
    expect(units.reduce((sum, unit) => sum + leadersOf(unit.scheme).length, 0)).to.equal(3);
    for (const unit of units) expect(unit.scheme.parts.length, unit.name).to.be.within(5, 9);
  });

  it('has a shelf of forty paints of every kind, eight of them used by several units', async () => {
    const paints = await database.stores.paints.list();
    expect(paints.length).to.be.at.least(40);
    expect(new Set(paints.map((paint) => paint.kind)).size).to.equal(7);
    const unitsOf = (id: string) => units.filter((unit) => [...unit.scheme.parts.flatMap((part) => part.steps), ...unit.scheme.allOver].some((step) => step.paint === id)).length;
    expect(paints.filter((paint) => unitsOf(paint.id) > 1).length).to.be.at.least(8);
  });

  it('has one commission half painted with something drying, one at its test model, one with a count one short', async () => {
    const { commissions } = await loadToday(database.stores, NOW);
    const share = (name: string) => {
      const { estimate } = commissions.find((entry) => entry.commission.name === name)!;
      return estimate.stepsDone / estimate.stepsTotal;
    };
    expect(share('Tide coast watch')).to.be.within(0.3, 0.7);
    expect(commissions.find((entry) => entry.isOnBench)!.drying).to.not.deep.equal([]);
    expect(commissions.flatMap((entry) => entry.waitingTestModels)).to.deep.equal(['Market townsfolk']);
    const open = units.filter(hasOpenCount);
    expect(open.map((unit) => unit.promised - unit.counted!)).to.deep.equal([1]);
  });

  it('has a log of a painter who gets faster, with interruptions that the program marks', async () => {
    const log = await loadLog(database.stores, NOW);
    expect(log.totals.rows).to.be.at.least(300);
    expect(log.totals.toJudge).to.be.within(4, 15);
    const rows = (await database.stores.timeLog.list()).filter((row) => row.technique === 'basecoat');
    const pace = (some: typeof rows) => some.reduce((sum, row) => sum + row.minutes / row.models / (row.coverage + 0.05), 0) / some.length;
    expect(pace(rows.slice(-40))).to.be.lessThan(pace(rows.slice(0, 40)));
  });

  it('is the same every time but for its dates', async () => {
    const other = await testDatabase();
    await fillDemo(other, NOW);
    expect(await other.stores.timeLog.list()).to.deep.equal(await database.stores.timeLog.list());
    await other.close();
  });
});
