import { expect } from 'chai';
import { readLineProblem } from '../../../../src/core/formats/lineProblem';
import { readOrder } from '../../../../src/core/line/problem/readOrder';
import { compileLine } from '../../../../src/core/line/problem/compileLine';
import { LineClock } from '../../../../src/core/line/timing/LineClock';
import { planOrder } from '../../../../src/core/line/search/planOrder';
import { OrderJudge } from '../../../../src/core/line/search/OrderJudge';
import { timeOrder } from '../../../../src/core/line/timing/timeOrder';
import { examples, TOTALS } from '../../../support/examples';
import { randomOrder, randomProblem } from '../../../support/lineProblems';
import { Random, seeds } from '../../../support/random';
import { slowTiming } from '../../../support/slowTiming';

const EXACT = 1e-6;

describe('timing a line', () => {
  for (const { file, note, problem, order, expected } of examples) {
    it(`${file}: ${note}`, () => {
      const plan = planOrder(compileLine(readLineProblem(problem)), readOrder(problem, order));
      if (!plan.fits) throw new Error('the example fits');
      for (const key of TOTALS) if (expected[key] !== undefined) expect(plan[key], key).to.be.closeTo(expected[key], EXACT);
      expected.jobs?.forEach((of, index) => {
        const job = plan.jobs[index]!;
        for (const key of ['begin', 'end', 'prep', 'wait'] as const) expect(job[key], `${job.id} ${key}`).to.be.closeTo(of[key], EXACT);
      });
      if (expected.due)
        expect(plan.due.map(({ id, end }) => ({ id, end }))).to.deep.equal(expected.due.map(({ id, end }) => ({ id, end })));
    });
  }

  for (const seed of seeds(300)) {
    it(`agrees with the slow timing on random problem ${seed}`, () => {
      const problem = readLineProblem(randomProblem(seed, { isSecond: seed % 2 === 0, isThird: seed % 3 === 0 }));
      const random = new Random(seed);
      for (let round = 0; round < 5; round++) {
        const order = randomOrder(problem, random);
        const slow = slowTiming(
          problem,
          order.map((job) => problem.jobs[job]!.id),
        );
        const fast = timeOrder(compileLine(problem), order);
        if (slow === null || !fast.fits) {
          expect(slow, 'slow').to.equal(null);
          expect(fast).to.have.property('missingMinutes').that.is.greaterThan(0);
          continue;
        }
        for (const key of TOTALS) expect(fast.totals[key], key).to.be.closeTo(slow[key], EXACT);
        expect(fast.due).to.deep.equal(slow.due);
        fast.jobs.forEach((job, index) => expect(job.begin, job.id).to.be.closeTo(slow.jobs[index]!.begin, EXACT));
      }
    });
  }

  it('gives legs from their first prep to their last end', () => {
    const { problem, order } = examples[0]!;
    const plan = planOrder(compileLine(problem), readOrder(problem, order));
    expect(plan).to.have.deep.property('legs', [
      { setup: 's0', jobs: ['a'], from: 0, to: 19 },
      { setup: 's1', jobs: ['b'], from: 19, to: 45.5 },
    ]);
  });

  it('says how many minutes are missing at the least when the sessions do not hold the work', () => {
    const [{ problem }] = examples as [(typeof examples)[0]];
    // 4 min start, 15 min hands-on for a; b is ready at 25.5 and needs 20 min: 45.5 in all, 30 given.
    const plan = planOrder(compileLine({ ...problem, sessions: [{ from: 0, to: 30 }] }), [0, 1]);
    expect(plan).to.have.property('missingMinutes').that.is.closeTo(15.5, EXACT);
  });

  it('peeks without moving the clock', () => {
    for (const seed of seeds(40)) {
      const problem = randomProblem(seed, { sessions: false });
      const line = compileLine(problem);
      const order = randomOrder(problem, new Random(seed));
      const plain = new LineClock(line);
      const peeking = new LineClock(line);
      order.forEach((job, index) => {
        for (const other of order.slice(index))
          if (problem.jobs[other]!.after.every((after) => order.slice(0, index).some((done) => problem.jobs[done]!.id === after.job)))
            peeking.peek(other);
        expect({ ...peeking.peek(job) }, `seed ${seed}`).to.deep.equal({ ...plain.place(job) });
        peeking.place(job);
      });
      expect(peeking.time).to.equal(plain.time);
    }
  });

  it('costs the total, ties broken by the bench time', () => {
    const { problem, expected } = examples[8]!;
    const cost = new OrderJudge(compileLine(problem)).take([0, 1]);
    expect(cost).to.be.closeTo(expected.total!, 1e-5);
    expect(cost).to.be.greaterThan(expected.total!);
  });
});
