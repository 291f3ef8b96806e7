import { expect } from 'chai';
import { wholeCommission } from '../../src/core/plan/selection';
import { loadMoney } from '../../src/server/money/loadMoney';
import { layLine, loadSuggested } from '../../src/server/plan/layLine';
import { loadColours } from '../../src/server/plan/loadColours';
import { loadEstimate } from '../../src/server/plan/loadEstimate';
import { loadLine } from '../../src/server/plan/loadLine';
import { loadSets } from '../../src/server/plan/loadSets';
import { loadTrays } from '../../src/server/plan/loadTrays';
import { searchLines } from '../../src/server/plan/searchLines';
import { ordersFound } from '../../src/server/plan/suggestedOrder';
import { saveScheme } from '../../src/server/schemes/saveScheme';
import { loadToday } from '../../src/server/today/loadToday';
import { loadWorkshop } from '../../src/server/workshop/loadWorkshop';
import { demoDatabase, testDatabase, type TestDatabase } from '../support/database';
import { expectOneNumber } from '../support/oneNumber';
import { minute, NOW, TestShop, unitEntry } from '../support/shop';

describe('the search for better orders', () => {
  let database: TestDatabase;
  let shop: TestShop;
  beforeEach(async () => {
    database = await testDatabase();
    shop = new TestShop(database);
  });
  afterEach(() => database.close());

  const search = async (at = NOW, save = (write: () => Promise<void>) => write()) =>
    searchLines(database.stores, await loadWorkshop(database.stores, at), at, { save, isOnlyChosen: false, isStopped: () => false });
  const writes = async () => (await database.knex.raw<{ count: number }[]>('SELECT total_changes() AS count'))[0]!.count;

  it('is the only one that writes: views are read without a trace', async () => {
    const { database: demo, id } = await demoDatabase(NOW);
    const { stores } = demo;
    const changes = () => demo.knex.raw('SELECT total_changes() AS count, (SELECT count(*) FROM planned_order) AS orders');
    const before = await changes();
    await loadToday(stores, NOW);
    await loadLine(stores, NOW);
    await loadTrays(stores, NOW);
    await loadSets(stores, { selection: null, about: null }, NOW);
    await loadColours(stores, NOW);
    for (const commission of await stores.commissions.listOpen()) {
      await loadEstimate(stores, commission.id, NOW);
      await loadMoney(stores, commission.id, NOW);
    }
    await loadSuggested(stores, { selection: wholeCommission(id) }, NOW);
    expect(await changes()).to.deep.equal(before);
    await demo.close();
  });

  it('keeps an order for every line once, and every view plans with it', async () => {
    const { id } = await shop.commission('Ferry crew', [unitEntry('Rowers', { promised: 9, trayLimit: 4 })]);
    await shop.commission('Reed cutters', [unitEntry('Cutters', { promised: 5 })]);
    const first = await shop.line(id);
    expect(first.isSearching).to.equal(true);
    const before = await loadEstimate(database.stores, id, NOW);
    await search();
    expect((await loadLine(database.stores, NOW)).isSearching).to.equal(false);
    expect((await loadEstimate(database.stores, id, NOW)).likely).to.be.at.most(before.likely + 0.05);
    await expectOneNumber(database.stores, NOW);
    expect(ordersFound(database.stores)).to.equal(2);

    const written = await writes();
    await search();
    expect(await writes(), 'nothing is sought twice').to.equal(written);
  });

  it('goes on from an order that was laid with its units, and replaces a bad one', async () => {
    const { id } = await shop.commission('Ferry crew', [unitEntry('Rowers', { promised: 9, trayLimit: 3 })]);
    const { problem } = await shop.line(id);
    // Tray by tray, which washes and changes all the time.
    const order = problem.jobs.toSorted((a, b) => a.tray.localeCompare(b.tray)).map((job) => job.id);
    await layLine(database.stores, { selection: wholeCommission(id), order }, NOW);
    const laid = await loadSuggested(database.stores, { selection: wholeCommission(id) }, NOW);
    expect(laid).to.deep.equal({ suggested: order, isSearching: true });
    const before = await loadEstimate(database.stores, id, NOW);
    await search();
    expect((await loadEstimate(database.stores, id, NOW)).likely).to.be.below(before.likely);
  });

  it('is not for what is painted meanwhile, and is for a scheme that changes and for another day', async () => {
    const { id } = await shop.commission('Ferry crew', [unitEntry('Rowers', { promised: 4 })]);
    await shop.putOnBench(id);
    await shop.line(id);
    await search();
    const { line } = await shop.bench();
    await shop.record(shop.painting(line.passes[0]!, [0, 1], 2, 0));
    expect((await loadLine(database.stores, minute(10))).isSearching, 'painted').to.equal(false);
    expect((await loadLine(database.stores, minute(24 * 60))).isSearching, 'another day').to.equal(true);

    const [unit] = await database.stores.commissions.units(id);
    const [, ...parts] = unit!.scheme.parts;
    await saveScheme(database.stores, unit!.id, { scheme: { ...unit!.scheme, parts }, revision: unit!.schemeRevision }, minute(11));
    expect((await loadLine(database.stores, minute(12))).isSearching, 'changed').to.equal(true);
  });

  it('finds another order for a line while its test model waits for approval', async () => {
    const { id } = await shop.commission('Ferry crew', [
      unitEntry('Rowers', { promised: 8, testModel: 'waiting' }),
      unitEntry('Mates', { promised: 8 }),
    ]);
    const { jobs } = await shop.line(id);
    await search();
    const found: { selection: string; jobIds: string }[] = await database.knex('planned_order').orderBy('selection');
    expect(found.map(({ selection }) => selection.endsWith(' while test models wait'))).to.deep.equal([false, true]);
    const [whole, waiting] = found.map(({ jobIds }) => JSON.parse(jobIds) as string[]);
    expect(waiting).to.have.members(jobs.map((job) => job.id));
    expect(whole!.length).to.be.at.least(waiting!.length);
    expect(await loadSuggested(database.stores, { selection: wholeCommission(id) }, NOW)).to.deep.equal({
      suggested: waiting,
      isSearching: false,
    });
  });

  it('that breaks off is not begun again until something has changed', async () => {
    const { id } = await shop.commission('Ferry crew', [unitEntry('Rowers', { promised: 4 })]);
    await shop.line(id);
    const failure = await search(NOW, () => Promise.reject(new Error('no room'))).catch((error: Error) => error);
    expect((failure as Error).message).to.equal('no room');
    expect((await loadLine(database.stores, NOW)).isSearching).to.equal(false);
    await search();
    expect(ordersFound(database.stores)).to.equal(0);
  });
});
