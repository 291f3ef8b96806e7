import { expect } from 'chai';
import { wholeEvent } from '../../src/core/bench/wholeEvent';
import { readCoatKey } from '../../src/core/kernel/ids';
import type { BenchEventKind } from '../../src/core/bench/definitions';
import { passesOf, type Pass } from '../../src/core/scheme/passes/passes';
import { buildLine } from '../../src/core/plan/build/buildLine';
import { recordEvents } from '../../src/server/bench/recordEvents';
import { loadHouse } from '../../src/server/house/loadHouse';
import { learnSpreads } from '../../src/server/ledger/learnSpreads';
import { learnStrays } from '../../src/server/ledger/learnStrays';
import { loadWorkshop, type Workshop } from '../../src/server/workshop/loadWorkshop';
import { rosterOf } from '../../src/server/workshop/roster';
import { demoDatabase, type TestDatabase } from '../support/database';
import { NOW } from '../support/shop';

describe('how far work strays', () => {
  let database: TestDatabase;
  before(async () => ({ database } = await demoDatabase(NOW)));
  after(() => database.close());

  it('is learned from what was touched up, and orders are weighed by it', async () => {
    const { stores } = database;
    expect((await learnSpreads(stores))!.strays).to.deep.equal({});
    const before = await loadWorkshop(stores, NOW);
    const keepers = before.units.find(({ name }) => name === 'Lamp keepers')!;
    const passes = passesOf(keepers, keepers.standard, before.house);
    const [trousers, coat] = ['Trousers', 'Oilskin coat'].map((name) => passes.find(({ where }) => where === name)!) as [Pass, Pass];
    const event = (minute: number, kind: BenchEventKind, key: string, model: number) =>
      wholeEvent({
        id: `${kind} ${key} ${model} ${minute}`,
        kind,
        at: new Date(NOW.getTime() - (600 - minute) * 60_000).toISOString(),
        unit: keepers.id,
        ...readCoatKey(key),
        models: [model],
        minutes: 1,
      });
    // The first touch-up of all; then a coat that was to be painted again runs over the trousers of six, and of half of them onto them.
    const again = [1, 2, 3, 4, 5, 6];
    const events = [
      event(0, 'touched-up', trousers.key, 9),
      ...again.map((model) => event(10 + model, 'reopened', coat.key, model)),
      ...again.map((model) => event(20 + model, 'done', coat.key, model)),
      ...again.slice(3).map((model) => event(30 + model, 'touched-up', trousers.key, model)),
    ];
    await recordEvents(stores, { events }, NOW);
    const log = await stores.timeLog.list();
    // What was touched up after the rows that are learned from teaches nothing yet.
    expect((await learnSpreads(stores))!.strays).to.deep.equal({});
    const strays = await learnStrays(stores, log, NOW.getTime());
    expect(strays.basecoat!.repairs).to.equal(3);
    expect(strays.basecoat!.factor).to.not.equal(1);
    await stores.spreads.save({ ...(await stores.spreads.load())!, strays });
    const after = await loadWorkshop(stores, NOW);
    expect(after.house.strays).to.deep.equal({ basecoat: strays.basecoat!.factor });
    expect(after.typedHouse.strays).to.equal(undefined);
    expect((await loadHouse(stores, NOW)).strays).to.deep.equal(strays);
    const priceOf = (workshop: Workshop) =>
      buildLine(rosterOf(workshop, workshop.units)).problem.prefer!.reduce((sum, { minutes, wish }) => sum + (wish ? 0 : minutes), 0);
    expect(priceOf(after) > priceOf(before)).to.equal(strays.basecoat!.factor > 1);
    expect(priceOf(after)).to.not.be.closeTo(priceOf(before), 0.1);
  });
});
