import { expect } from 'chai';
import { compileLine } from '../../src/core/line/problem/compileLine';
import { enteredOrder } from '../../src/core/line/problem/precedence';
import { solveLine } from '../../src/core/line/search/solveLine';
import { wholeCommission } from '../../src/core/plan/selection';
import { putBackLine } from '../../src/server/bench/putOnBench';
import { loadEstimate } from '../../src/server/plan/loadEstimate';
import { loadLine } from '../../src/server/plan/loadLine';
import { demoDatabase } from '../support/database';
import { expectLaidAsShown, openJobs, prices, shownLine } from '../support/laidAsShown';
import { ALL, minute, NOW, rejected, shopForEachTest } from '../support/shop';

describe('what is shown is what is laid', () => {
  const given = shopForEachTest();

  it('lays the line of the demo, half painted, as it is shown, and another order of it too', async () => {
    const { database, id } = await demoDatabase(NOW);
    const { stores } = database;
    await expectLaidAsShown(stores, wholeCommission(id), NOW);
    const { problem } = await loadLine(stores, NOW);
    const found = solveLine(compileLine(problem), { seed: 5, steps: 2000, seeksProof: false });
    for (const order of [found.order, enteredOrder(compileLine(problem))])
      await expectLaidAsShown(stores, wholeCommission(id), NOW, { order: Array.from(order, (job) => problem.jobs[job]!.id), wishes: [] });
    const commissions = await stores.commissions.listOpen();
    await expectLaidAsShown(
      stores,
      commissions.flatMap((commission) => wholeCommission(commission.id)),
      NOW,
    );
    await database.close();
  });

  it('keeps a pin at the start of a line whose first jobs are painted', async () => {
    const { id } = await given.shop.commission();
    await given.shop.putOnBench(id);
    await given.shop.record(given.shop.painting(await given.shop.pass('Keepers', 'Coat'), ALL, 2));
    const line = await given.shop.line(id, minute(30));
    const { order } = shownLine(line);
    const last = order.at(-1)!;
    const pinned = { order: [last, ...order.slice(0, -1)], wishes: [{ kind: 'pin' as const, jobs: [last], after: null }] };
    await expectLaidAsShown(given.stores, wholeCommission(id), minute(30), pinned);
    expect((await openJobs(given.stores, minute(30)))[0]).to.equal(last);
  });

  it('takes a job up first that was painted when the line was laid and is painted again', async () => {
    const { id } = await given.shop.commission();
    await given.shop.putOnBench(id);
    const pass = await given.shop.pass('Keepers', 'Coat');
    await given.shop.record(given.shop.painting(pass, ALL, 2));
    await expectLaidAsShown(given.stores, wholeCommission(id), minute(30));
    const before = await openJobs(given.stores, minute(30));
    await given.shop.record([given.shop.event(40, 'reopened', { ...given.shop.of(pass), models: [3] })]);
    expect((await given.shop.bench(minute(41))).changes).to.deep.equal({ added: 0, gone: 0 });
    expect(await openJobs(given.stores, minute(41))).to.deep.equal([`${pass.key}@1`, ...before]);
  });

  it('moves no price by what is painted in the usual time, laid or looked at', async () => {
    const { id } = await given.shop.commission();
    const first = await prices(given.stores, NOW);
    await given.shop.putOnBench(id);
    const pass = await given.shop.pass('Keepers', 'Coat');
    expect(await prices(given.stores, NOW)).to.deep.equal(first);
    // Marked without minutes: the log says nothing new, so the work from the start takes what it took.
    await given.shop.record([given.shop.event(1, 'done', { ...given.shop.of(pass), models: ALL, minutes: 0 })]);
    const then = await prices(given.stores, minute(2));
    expect(then[0]![1]).to.be.closeTo(first[0]![1], 1e-9);
  });

  it('moves no figure by setting a model aside and bringing it back, with lines laid in between', async () => {
    const { id, units } = await given.shop.commission();
    await given.shop.putOnBench(id);
    await given.shop.record(given.shop.painting(await given.shop.pass('Keepers', 'Coat'), [1, 2, 3], 2));
    const first = [await loadEstimate(given.stores, id, minute(8)), await prices(given.stores, minute(8))];
    await given.shop.record([given.shop.event(8, 'set-aside', { unit: units[0]!.id, models: [4], note: 'loose arm' })]);
    await expectLaidAsShown(given.stores, wholeCommission(id), minute(8));
    await given.shop.record([given.shop.event(8.1, 'brought-back', { unit: units[0]!.id, models: [4] })]);
    await expectLaidAsShown(given.stores, wholeCommission(id), minute(8));
    expect([await loadEstimate(given.stores, id, minute(8)), await prices(given.stores, minute(8))]).to.deep.equal(first);
  });

  it('has nothing to bring back where no line was replaced', async () => {
    const { id } = await given.shop.commission();
    await given.shop.putOnBench(id);
    expect((await rejected(putBackLine(given.stores))).message).to.match(/no earlier line/);
  });
});
