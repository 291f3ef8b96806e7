import { expect } from 'chai';
import { madeUpCommission } from '../../bench/madeUpCommission';
import { compileLine } from '../../src/core/line/problem/compileLine';
import { solveLine } from '../../src/core/line/search/solveLine';
import { Memory } from '../../src/server/running/Memory';
import { quickOrder } from '../../src/server/plan/quickOrder';

describe('the quick order behind an estimate', () => {
  it('is worked out once for a problem, and anew for another', async () => {
    const memory = new Memory();
    const problem = madeUpCommission(1, { jobs: 30 });
    const first = quickOrder(memory, problem);
    expect(quickOrder(memory, problem)).to.equal(first);
    expect(await quickOrder(memory, madeUpCommission(2, { jobs: 31 }))).to.not.deep.equal(await first);
  });

  it('gives a long line to a thread, which finds what it would find here', async function () {
    const problem = madeUpCommission(3, { jobs: 340 });
    const line = compileLine(problem);
    const here = Array.from(solveLine(line, { seed: 1, steps: 400 }).order, (job) => problem.jobs[job]!.id);
    let turns = 0;
    const timer = setInterval(() => (turns += 1), 5);
    const order = await quickOrder(new Memory(), problem);
    clearInterval(timer);
    expect(order).to.deep.equal(here);
    expect(turns, 'turns that others had meanwhile').to.be.greaterThan(5);
  });
});
