import { expect } from 'chai';
import { madeUpCommission } from '../../bench/madeUpCommission';
import { compileLine } from '../../src/core/line/compileLine';
import { solveLine } from '../../src/core/line/solveLine';
import { timeOrder } from '../../src/core/line/timeOrder';
import { quickPlan } from '../../src/server/line/quickPlan';

describe('the quick plan behind an estimate', () => {
  it('is worked out once for a problem, and anew for another', async () => {
    const first = quickPlan(madeUpCommission(1, { jobs: 30 }));
    expect(quickPlan(madeUpCommission(1, { jobs: 30 }))).to.equal(first);
    expect((await quickPlan(madeUpCommission(2, { jobs: 30 }))).total).to.not.equal((await first).total);
  });

  it('gives a long line to a thread, which finds what it would find here', async function () {
    this.timeout(30_000);
    const problem = madeUpCommission(3, { jobs: 340 });
    const line = compileLine(problem);
    const timed = timeOrder(line, solveLine(line, { seed: 1, steps: 400 }).order);
    let turns = 0;
    const timer = setInterval(() => (turns += 1), 5);
    const totals = await quickPlan(problem);
    clearInterval(timer);
    expect('totals' in timed && timed.totals).to.deep.equal(totals);
    expect(turns, 'turns that others had meanwhile').to.be.greaterThan(5);
  });
});
