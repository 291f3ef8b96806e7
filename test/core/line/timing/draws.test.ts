import { expect } from 'chai';
import { madeUpCommission } from '../../../../bench/madeUpCommission';
import type { LineProblem } from '../../../../src/core/line/definitions';
import { compileLine } from '../../../../src/core/line/problem/compileLine';
import { enteredOrder } from '../../../../src/core/line/problem/precedence';
import { timeDraws } from '../../../../src/core/line/timing/timeDraws';
import { timeOrder } from '../../../../src/core/line/timing/timeOrder';
import { allAtOnce } from '../../../../src/core/kernel/steps';
import { randomOrder, randomProblem } from '../../../support/lineProblems';
import { Random, seeds } from '../../../support/random';

/** The problem with the minutes of every job multiplied, as it would have been written down. */
const times = (problem: LineProblem, factors: number[]): LineProblem => ({
  ...problem,
  jobs: problem.jobs.map((job, index) => ({
    ...job,
    minutesPerModel: Array.isArray(job.minutesPerModel)
      ? job.minutesPerModel.map((minutes) => minutes * factors[index]!)
      : job.minutesPerModel * factors[index]!,
  })),
});

describe('an order under draws', () => {
  it('ends in each draw as the problem with those minutes does', () => {
    for (const seed of seeds(80)) {
      const problem = randomProblem(seed, { isSecond: true });
      const random = new Random(seed);
      const order = randomOrder(problem, random);
      const factors = problem.jobs.map(() => Array.from({ length: 4 }, () => 0.5 + 1.5 * random.uniform()));
      const ends = allAtOnce(timeDraws(compileLine(problem), order, factors, 4));
      for (let draw = 0; draw < 4; draw++) {
        const drawn = times(
          problem,
          factors.map((each) => each[draw]!),
        );
        const timed = timeOrder(compileLine(drawn), order);
        if (!timed.fits) {
          expect(ends.finish[draw], `seed ${seed}`).to.equal(Infinity);
          continue;
        }
        expect(ends.finish[draw], `seed ${seed}`).to.be.closeTo(timed.totals.finish, 1e-6);
        timed.due.forEach(({ end }, date) => expect(ends.due[date]![draw], `seed ${seed}`).to.be.closeTo(end, 1e-6));
      }
    }
  });

  it('leaves the line itself as it was', () => {
    const problem = madeUpCommission(2, { jobs: 30, dates: true, sessions: true });
    const line = compileLine(problem);
    const order = enteredOrder(line);
    const before = timeOrder(line, order);
    allAtOnce(
      timeDraws(
        line,
        order,
        problem.jobs.map(() => [3, 0.2]),
        2,
      ),
    );
    expect(timeOrder(line, order)).to.deep.equal(before);
  });
});
