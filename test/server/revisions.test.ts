import { expect } from 'chai';
import { wholeCommission } from '../../src/core/plan/selection';
import { ConflictError } from '../../src/server/stores/errors';
import { saveHouseRules } from '../../src/server/house/saveHouseRules';
import { saveOwnLine } from '../../src/server/plan/saveOwnLine';
import { savePaint } from '../../src/server/shelf/savePaint';
import { testDatabase, type TestDatabase } from '../support/database';
import { NOW, rejected, TestShop } from '../support/shop';
import { paint } from '../support/units';

describe('a window that was opened before another one saved', () => {
  let database: TestDatabase;
  let stores: TestDatabase['stores'];
  before(async () => {
    database = await testDatabase();
    ({ stores } = database);
  });
  after(() => database.close());

  const refused = async (promise: Promise<unknown>) => {
    const error = await rejected(promise);
    expect(error).to.be.instanceOf(ConflictError);
    expect(error.message).to.match(/changed in another window .*: reload the page/);
  };

  it('does not overwrite House rules', async () => {
    const rules = await stores.houseRules.load();
    expect(await saveHouseRules(stores, { revision: 0, rules: { ...rules, dryBrushes: 2 } as never }, NOW)).to.deep.equal({ revision: 1 });
    await refused(saveHouseRules(stores, { revision: 0, rules: { ...rules, dryBrushes: 9 } as never }, NOW));
    expect(await saveHouseRules(stores, { revision: 1, rules: { ...rules, dryBrushes: 3 } as never }, NOW)).to.deep.equal({ revision: 2 });
    await refused(saveHouseRules(stores, { revision: 1, rules: rules as never }, NOW));
    expect((await stores.houseRules.load()).dryBrushes).to.equal(3);
  });

  it('does not overwrite a paint, and puts no new one over it', async () => {
    await savePaint(stores, { revision: 0, paint: paint('red') });
    await savePaint(stores, { revision: 1, paint: { ...paint('red'), name: 'Brick' } });
    await refused(savePaint(stores, { revision: 1, paint: { ...paint('red'), name: 'Rust' } }));
    await refused(savePaint(stores, { revision: 0, paint: { ...paint('red'), name: 'New' } }));
    expect((await stores.paints.shelf()).map(({ name, revision }) => [name, revision])).to.deep.equal([['Brick', 2]]);
  });

  it("does not overwrite the painter's order, not even one that was forgotten meanwhile", async () => {
    const shop = new TestShop(database);
    const { id } = await shop.commission();
    const selection = wholeCommission(id);
    const { suggested } = await shop.line(id);
    const line = { order: suggested, wishes: [] };
    await saveOwnLine(stores, { revision: 0, selection, line }, NOW);
    await refused(saveOwnLine(stores, { revision: 0, selection, line }, NOW));
    await saveOwnLine(stores, { revision: 1, selection, line: null }, NOW);
    expect(await stores.workshop.ownLine(selection)).to.equal(null);
    await refused(saveOwnLine(stores, { revision: 1, selection, line }, NOW));
    expect((await shop.line(id)).ownRevision).to.equal(2);
    await saveOwnLine(stores, { revision: 2, selection, line }, NOW);
    expect(await stores.workshop.ownLine(selection)).to.deep.equal(line);
  });
});
