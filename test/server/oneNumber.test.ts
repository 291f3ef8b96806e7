import { expect } from 'chai';
import type { BenchJob } from '../../src/core/bench/guide/benchLine';
import { stepOfKey } from '../../src/core/scheme/model/halves';
import { compileLine } from '../../src/core/line/problem/compileLine';
import { enteredOrder } from '../../src/core/line/problem/precedence';
import { buildLine } from '../../src/core/plan/build/buildLine';
import { rosterFrom } from '../../src/contract/trays';
import { wholeCommission } from '../../src/core/plan/selection';
import { layLine } from '../../src/server/plan/layLine';
import { loadEstimate } from '../../src/server/plan/loadEstimate';
import { loadLine } from '../../src/server/plan/loadLine';
import { loadTrays } from '../../src/server/plan/loadTrays';
import { chooseUnits } from '../../src/server/workshop/choice';
import { demoDatabase, testDatabase } from '../support/database';
import { expectOneNumber } from '../support/oneNumber';
import { Random, seeds } from '../support/random';
import { minute, NOW, TestShop, unitEntry } from '../support/shop';

describe('one number', () => {
  it('is the same in every view of the demo', async () => {
    const { database } = await demoDatabase(NOW);
    await expectOneNumber(database.stores, NOW);
    await expectOneNumber(database.stores, minute(37));
    await database.close();
  });

  it('follows a better order in every view as soon as a search has found it', async () => {
    const { database } = await demoDatabase(NOW);
    const { stores } = database;
    const { id } = (await stores.commissions.listOpen())[1]!;
    await chooseUnits(stores, { selection: wholeCommission(id) });
    const line = await loadLine(stores, NOW);
    const before = await loadEstimate(stores, id, NOW);
    const worse = buildLine(rosterFrom(await loadTrays(stores, NOW))).problem;
    const order = Array.from(enteredOrder(compileLine(worse)), (job) => worse.jobs[job]!.id);
    await layLine(stores, { selection: line.selection, order }, NOW);
    const after = await loadEstimate(stores, id, NOW);
    expect(after.handsOn).to.be.closeTo(before.handsOn, 1e-9);
    expect(after.likely).to.not.equal(before.likely);
    await expectOneNumber(stores, NOW);
    await database.close();
  });

  for (const seed of seeds(6)) {
    it(`is the same in every view while work goes on (workshop ${seed})`, async () => {
      const random = new Random(seed);
      const database = await testDatabase();
      const shop = new TestShop(database);
      const made: { id: string }[] = [];
      for (let count = 0; count < random.whole(1, 3); count++)
        made.push(
          await shop.commission(`Order ${count}`, [
            unitEntry('Keepers', { promised: random.whole(2, 9), leaders: random.whole(0, 2), trayLimit: random.whole(2, 5) }),
            unitEntry('Cutters', { promised: random.whole(2, 9), testModel: random.pick(['none', 'none', 'waiting'] as const) }),
          ]),
        );
      await shop.putOnBench(random.chance(0.5) ? made[0]!.id : made.flatMap(({ id }) => wholeCommission(id)));
      const { line } = await shop.bench();
      let at = 0;
      for (const pass of line.passes.slice(0, random.whole(1, 4))) {
        await shop.record(shop.painting(pass, pass.models.slice(0, random.whole(1, pass.models.length)), 1 + random.uniform() * 3, at));
        at += 60;
        await expectOneNumber(shop.stores, minute(at));
      }
      await database.close();
    });
  }

  it('changes by the minutes done and nothing else when a job takes exactly as long as estimated', async () => {
    const { database, id } = await demoDatabase(NOW);
    const { stores } = database;
    const shop = new TestShop(database);
    const bench = await shop.bench();
    const isOpen = ({ passKey, models }: BenchJob) => models.every((model) => !bench.marks.marks.get(passKey)?.has(model));
    // Its step's repetitions are counted tray by tray: a tray taken before its turn would move the curve a little.
    const isNext = (job: BenchJob) =>
      !bench.line.jobs.some(
        (each) =>
          each !== job &&
          stepOfKey(each.passKey) === stepOfKey(job.passKey) &&
          isOpen(each) &&
          (each.passKey < job.passKey || each.tray < job.tray),
      );
    const job = bench.line.jobs.find((each) => isOpen(each) && isNext(each))!;
    const pass = bench.line.passes.find((each) => each.key === job.passKey)!;
    const before = await loadEstimate(stores, id, NOW);
    const planned = (await shop.line(id)).jobs.find((each) => each.id === job.id)!;
    const minutes = (model: number) => planned.minutes[planned.models.indexOf(model)]!;
    let at = 0;
    const events = [shop.event(0, 'started', shop.of(pass))];
    for (const model of job.models) events.push(shop.event((at += minutes(model)), 'done', { ...shop.of(pass), models: [model] }));
    await shop.record(events);
    const after = await loadEstimate(stores, id, NOW);
    expect(after.handsOn).to.be.closeTo(before.handsOn - at, 0.05);
    // What is not known any more shrinks with what is left and learned, and with nothing else.
    expect(after.safe - after.likely).to.be.within(0.8 * (before.safe - before.likely), 1.06 * (before.safe - before.likely));
    expect(after.wholeHandsOn).to.be.closeTo(before.wholeHandsOn, 0.05);
    await database.close();
  });
});
