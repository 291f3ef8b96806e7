import { expect } from 'chai';
import { InputError } from '../../src/core/kernel/InputError';
import { answerTestModel } from '../../src/server/intake/answerTestModel';
import { copyUnits } from '../../src/server/intake/earlierUnits';
import { exportCommission } from '../../src/server/intake/exportCommission';
import { duplicateCommission } from '../../src/server/intake/lifecycle';
import { saveIntake } from '../../src/server/intake/saveIntake';
import { loadLine } from '../../src/server/plan/loadLine';
import { loadToday } from '../../src/server/today/loadToday';
import { demoDatabase, type TestDatabase } from '../support/database';
import { NOW, rejected } from '../support/shop';

describe('a test model that speaks for several units', () => {
  let database: TestDatabase;
  let id: string;
  before(async () => ({ database, id } = await demoDatabase(NOW)));
  after(() => database.close());

  const units = () => database.stores.commissions.units(id);
  const save = async (change: (name: string) => object) => {
    const commission = (await database.stores.commissions.find(id))!;
    const entries = (await units()).map((unit) => ({ ...unit, ...change(unit.name) }));
    return saveIntake(database.stores, id, { revision: commission.revision, commission, units: entries }, NOW);
  };
  const line = () => loadLine(database.stores, NOW);
  const idOf = async (name: string) => (await units()).find((unit) => unit.name === name)!.id;

  it('holds them while it waits, in every view, and lets them go with one answer', async () => {
    const before = await line();
    const keepers = await idOf('Lamp keepers');
    await save((name) => (name === 'Lamp keepers' ? { testModel: 'waiting' } : name === 'Reed cutters' ? { testedBy: keepers } : {}));
    const held = await line();
    expect(held.waitingUnits).to.deep.equal(['Lamp keepers']);
    expect(held.heldUnits).to.deep.equal(['Reed cutters']);
    expect(held.jobs.some(({ unitName }) => unitName === 'Reed cutters')).to.equal(false);
    expect(held.withWaiting).to.be.greaterThan(0);
    const today = (await loadToday(database.stores, NOW)).commissions.find(({ commission }) => commission.id === id)!;
    expect(today.waitingTestModels).to.deep.equal(['Lamp keepers', 'Reed cutters']);
    await answerTestModel(database.stores, keepers, { roundId: null, answer: 'approved', note: '' }, NOW);
    const after = await line();
    expect(after.heldUnits).to.deep.equal([]);
    expect(after.jobs.map((job) => job.id)).to.deep.equal(before.jobs.map((job) => job.id));
  });

  it('must be of another unit of the commission', async () => {
    const cutters = await idOf('Reed cutters');
    for (const testedBy of [cutters, 'nobody'])
      expect(await rejected(save((name) => (name === 'Reed cutters' ? { testedBy } : {})))).to.be.instanceOf(InputError);
  });

  it('stays among them when they are copied or written to a file, and is asked for anew', async () => {
    const names = (all: { id: string; name: string; testedBy: string | null }[]) =>
      all.map(({ name, testedBy }) => [name, all.find((unit) => unit.id === testedBy)?.name ?? null]);
    const copy = await duplicateCommission(database.stores, id, { name: 'Once more', dueOn: '2027-05-01' }, NOW);
    const copies = await database.stores.commissions.units(copy.id);
    expect(names(copies)).to.deep.equal(names(await units()));
    expect(copies.find(({ name }) => name === 'Lamp keepers')!.testModel).to.equal('waiting');
    const file = JSON.parse((await exportCommission(database.stores, id)).text) as { units: Parameters<typeof names>[0] };
    expect(names(file.units)).to.deep.equal(names(await units()));
    // Alone in another commission it has nobody to go by.
    await copyUnits(database.stores, copy.id, { unitIds: [await idOf('Reed cutters')] }, NOW);
    expect((await database.stores.commissions.units(copy.id)).at(-1)).to.include({ testedBy: null });
  });
});
