import { expect } from 'chai';
import { madeUpCommission } from '../../../../bench/madeUpCommission';
import { cheapestAssignment } from '../../../../src/core/line/bounds/assignment';
import { BenchCalendar } from '../../../../src/core/line/timing/BenchCalendar';
import { compileLine } from '../../../../src/core/line/problem/compileLine';
import type { LineProblem } from '../../../../src/core/line/definitions';
import { exactOrder } from '../../../../src/core/line/bounds/exactOrder';
import { leastTotal } from '../../../../src/core/line/bounds/leastTotal';
import { enteredOrder } from '../../../../src/core/line/problem/precedence';
import { lowerBound } from '../../../../src/core/line/bounds/lowerBound';
import { cheapestOpenings } from '../../../../src/core/line/bounds/openings';
import { planOrder } from '../../../../src/core/line/search/planOrder';
import { planLine } from '../../../support/line';
import { LineClock } from '../../../../src/core/line/timing/LineClock';
import { timeOrder } from '../../../../src/core/line/timing/timeOrder';
import { allOrders, randomProblem } from '../../../support/lineProblems';
import { Random, seeds } from '../../../support/random';

/** The least total of all orders, or Infinity when the sessions hold none. */
function bruteForce(problem: LineProblem): number {
  const line = compileLine(problem);
  const clock = new LineClock(line);
  let best = Infinity;
  for (const order of allOrders(problem)) {
    const timed = timeOrder(line, order, clock);
    if (timed.fits) best = Math.min(best, timed.totals.total);
  }
  return best;
}

describe('the lower bound', () => {
  for (const [jobs, count] of [
    [4, 1500],
    [5, 1000],
    [6, 250],
    [7, 60],
  ] as const) {
    it(`is never above the optimum of ${count} small problems of ${jobs} jobs`, () => {
      for (const seed of seeds(count, 10_000 * jobs)) {
        const problem = randomProblem(seed, { jobs, isSecond: seed % 2 === 0, isThird: seed % 3 === 0 });
        const optimum = bruteForce(problem);
        if (optimum < Infinity) expect(lowerBound(compileLine(problem)), `seed ${seed}`).to.be.at.most(optimum + 1e-9);
      }
    });
  }

  it('is within a tenth of what is found on made-up commissions, in the median', () => {
    const gaps = seeds(15).map((seed) => {
      const problem = madeUpCommission(seed, { jobs: 20 + seed * 5 });
      const plan = planLine(problem, { seed: 1, steps: 4000 });
      if (!plan.fits) throw new Error('one endless session holds everything');
      return 1 - lowerBound(compileLine(problem)) / plan.total;
    });
    expect(gaps.sort((a, b) => a - b)[7]).to.be.within(0, 0.1);
  });

  it('counts that a model must rest in between before it may be picked up', () => {
    const problem = madeUpCommission(1, { jobs: 6, trays: 1 });
    const jobs = problem.jobs.map((job) => ({ ...job, after: [], dryMinutes: 50, handleMinutes: 50, models: [1], minutesPerModel: 2 }));
    const line = compileLine({ ...problem, jobs, prefer: [] });
    // Six jobs of 2 min on one model, five rests of 50 min between them, and a start.
    expect(lowerBound(line)).to.be.at.least(6 * 2 + 5 * 50);
    expect(lowerBound(line)).to.be.at.most(bruteForce({ ...problem, jobs, prefer: [] }));
  });

  it('counts a setup that a chain comes back to twice', () => {
    const { openings } = chain(['s0', 's1', 's0']);
    // Start 3, then 5 to the second setup and 4 back.
    expect(openings.total).to.equal(12);
    expect(chain(['s0', 's0', 's1']).openings.total).to.equal(8);
  });

  function chain(setups: string[]) {
    const problem: LineProblem = {
      format: 'neat-relay/line-problem@1',
      trays: [{ id: 't', models: 1 }],
      setups: [{ id: 's0' }, { id: 's1' }],
      start: [3, 30],
      changeover: [
        [0, 5],
        [4, 0],
      ],
      jobs: setups.map((setup, index) => ({
        id: `j${index}`,
        tray: 't',
        setup,
        minutesPerModel: 1,
        dryMinutes: 0,
        after: index === 0 ? [] : [{ job: `j${index - 1}`, scope: 'model' as const }],
      })),
    };
    return { openings: cheapestOpenings(compileLine(problem)) };
  }
});

describe('the exact search', () => {
  for (const [jobs, count] of [
    [5, 500],
    [6, 150],
    [7, 40],
  ] as const) {
    it(`finds and proves the optimum of ${count} small problems of ${jobs} jobs, however few begun orders it may keep`, () => {
      for (const seed of seeds(count, 500 * jobs)) {
        const problem = randomProblem(seed, { jobs, isSecond: seed % 2 === 0, isThird: seed % 3 === 0 });
        const optimum = bruteForce(problem);
        for (const width of [1e6, 3]) {
          const { cost, bound, isComplete } = exactOrder(compileLine(problem), Infinity, { width });
          if (width > 3) expect(isComplete, `seed ${seed}`).to.equal(true);
          if (isComplete && optimum < Infinity) expect(cost, `seed ${seed} width ${width}`).to.be.closeTo(optimum, 1e-6);
          expect(bound, `seed ${seed} width ${width}`).to.be.at.most(optimum + 1e-6);
        }
      }
    });
  }

  it('gives the order it found, and none when the one known is the best', () => {
    const problem = randomProblem(12, { jobs: 6, sessions: false });
    const line = compileLine(problem);
    const found = exactOrder(line, Infinity, { width: 1000 });
    const timed = timeOrder(line, found.order!);
    if (!timed.fits) throw new Error('one endless session holds everything');
    expect(timed.totals.total).to.be.closeTo(found.cost, 1e-9);
    expect(exactOrder(line, found.cost, { width: 1000 })).to.include({ order: null, cost: found.cost, isComplete: true });
  });

  it('says what no order is below, from any order that is known: the optimum where a line is short', () => {
    for (const seed of seeds(60, 700)) {
      const problem = randomProblem(seed, { jobs: 5, isSecond: seed % 2 === 0, isThird: seed % 3 === 0 });
      const optimum = bruteForce(problem);
      const line = compileLine(problem);
      if (optimum < Infinity) expect(leastTotal(line, enteredOrder(line)), `seed ${seed}`).to.be.closeTo(optimum, 1e-6);
    }
  });

  it('says of a long line, or when it is stopped at once, what its lower bound says', () => {
    const long = compileLine(madeUpCommission(2, { jobs: 61 }));
    expect(leastTotal(long, enteredOrder(long))).to.equal(lowerBound(long));
    const short = compileLine(madeUpCommission(2, { jobs: 12 }));
    expect(leastTotal(short, enteredOrder(short), () => true)).to.equal(lowerBound(short, () => true));
    expect(leastTotal(short, enteredOrder(short))).to.be.greaterThan(lowerBound(short));
  });

  it('stops when it is told to, with a bound that still holds', () => {
    const problem = randomProblem(31, { jobs: 6, sessions: false });
    const optimum = bruteForce(problem);
    for (const calls of [0, 1, 2, 3]) {
      let left = calls;
      const { bound } = exactOrder(compileLine(problem), Infinity, { width: 1000, shouldStop: () => left-- <= 0 });
      expect(bound).to.be.at.most(optimum + 1e-9);
    }
  });

  for (const [sessions, dates, weighed] of [
    [false, false, false],
    [true, false, false],
    [false, true, false],
    [true, true, false],
    [false, true, true],
    [true, true, true],
  ] as const) {
    const what = [sessions && 'in evenings', dates && 'with dates and trays to fetch', weighed && 'with all that is weighed'].filter(
      Boolean,
    );
    it(`proves made-up commissions of up to 14 jobs by itself${what.map((each) => `, ${each}`).join('')}`, () => {
      for (const seed of seeds(8)) {
        for (const jobs of [8, 11, 14]) {
          const problem = madeUpCommission(seed, { jobs, trays: 2, sessions, dates, weighed });
          const plan = planLine(problem, { seed: 1, steps: 100_000 });
          expect(plan, `seed ${seed}, ${jobs} jobs`).to.have.property('proven', true);
          if (jobs > 8 || sessions || !plan.fits) continue;
          expect(plan.total, `seed ${seed}`).to.be.closeTo(bruteForce(problem), 1e-6);
        }
      }
    });
  }

  it('never calls a plan proven that is above its bound', () => {
    const problem = madeUpCommission(3, { jobs: 40 });
    const line = compileLine(problem);
    const entered = planOrder(
      line,
      problem.jobs.map((_, job) => job),
    );
    expect(entered).to.have.property('proven', false);
  });
});

describe('the cheapest assignment', () => {
  it('is that of trying every one', () => {
    const permute = (items: number[]): number[][] =>
      items.length === 0 ? [[]] : items.flatMap((item) => permute(items.filter((other) => other !== item)).map((rest) => [item, ...rest]));
    for (const seed of seeds(60)) {
      const random = new Random(seed);
      const n = random.whole(1, 5);
      const cost = Array.from({ length: n * n }, () => (random.chance(0.15) ? Infinity : random.whole(0, 20)));
      const best = Math.min(
        ...permute([...Array(n).keys()]).map((columns) => columns.reduce((sum, column, row) => sum + cost[row * n + column]!, 0)),
      );
      expect(cheapestAssignment(cost, n), `seed ${seed}`).to.equal(best);
    }
  });
});

describe('the bench calendar', () => {
  const calendar = new BenchCalendar({ sessionFrom: Float64Array.of(10, 100), sessionTo: Float64Array.of(40, 160) });

  it('counts only the minutes in sessions', () => {
    expect([5, 10, 25, 40, 70, 100, 130].map((time) => calendar.benchTimeAt(time))).to.deep.equal([0, 0, 15, 30, 30, 30, 60]);
  });

  it('finds the earliest moment by which so many have passed', () => {
    expect([0, 15, 30, 31, 90, 100].map((minutes) => calendar.momentOf(minutes))).to.deep.equal([10, 25, 40, 101, 160, 170]);
  });
});
