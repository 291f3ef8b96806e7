import { expect } from 'chai';
import { compareStrategies } from '../../../src/core/line/compareStrategies';
import { compileLine } from '../../../src/core/line/compileLine';
import { GREEDY_WEIGHTS, greedyOrder } from '../../../src/core/line/constructOrder';
import type { LineProblem } from '../../../src/core/line/definitions';
import { lowerBound } from '../../../src/core/line/lowerBound';
import { planOrder } from '../../../src/core/line/planLine';
import { enteredOrder, tailMinutes, trayByTrayOrder } from '../../../src/core/line/precedence';
import { searchOrder } from '../../../src/core/line/searchOrder';
import { splitIntoSingles } from '../../../src/core/line/splitIntoSingles';
import { createCost } from '../../../src/core/line/timeOrder';
import { readOrder } from '../../../src/core/formats/lineProblem';
import { examples } from '../../support/examples';
import { allOrders, randomProblem } from '../../support/lineProblems';
import { seeds } from '../../support/random';

/** Optimum by trying every order, or Infinity when none fits. */
function bruteForce(problem: LineProblem): number {
  const line = compileLine(problem);
  let best = Infinity;
  for (const order of allOrders(problem)) {
    const plan = planOrder(line, order);
    if (!('missingMinutes' in plan)) best = Math.min(best, plan.total);
  }
  return best;
}

const isAllowed = (problem: LineProblem, order: Int32Array) =>
  readOrder(
    problem,
    Array.from(order, (job) => problem.jobs[job]!.id),
  ).length === problem.jobs.length;

describe('searching a line', () => {
  for (const seed of seeds(60, 1000)) {
    it(`finds the optimum of small problem ${seed}, and the bound is never above it`, () => {
      const problem = randomProblem(seed, { jobs: 6 });
      const line = compileLine(problem);
      const optimum = bruteForce(problem);
      expect(lowerBound(line)).to.be.at.most(optimum + 1e-9);
      const plan = planOrder(line, searchOrder(line, { seed: 1, steps: 4000 }));
      if ('missingMinutes' in plan) expect(optimum).to.equal(Infinity);
      else {
        expect(plan.total).to.be.closeTo(optimum, 1e-6);
        if (plan.proven) expect(plan.bound).to.be.closeTo(optimum, 1e-6);
      }
    });
  }

  it('gives the same order for the same seed and number of steps, and improves with steps', () => {
    const line = compileLine(examples[10]!.problem);
    const run = (steps: number) => searchOrder(line, { seed: 7, steps });
    const cost = createCost(line);
    expect([...run(1500)]).to.deep.equal([...run(1500)]);
    expect(cost(run(3000))).to.be.at.most(cost(run(0)));
  });

  it('keeps every predecessor first, and tells of every better order', () => {
    for (const { problem } of examples.slice(10, 13)) {
      const line = compileLine(problem);
      const told: number[] = [];
      const order = searchOrder(line, { seed: 3, steps: 800, onBetter: (_order, cost) => told.push(cost) });
      expect(isAllowed(problem, order)).to.equal(true);
      expect(told).to.deep.equal([...told].sort((a, b) => b - a));
    }
  });

  it('stops when it is told to, with the best order so far', () => {
    const { problem } = examples[12]!;
    const order = searchOrder(compileLine(problem), { seed: 1, steps: Infinity, shouldStop: () => true });
    expect(isAllowed(problem, order)).to.equal(true);
  });

  it('stops at once at an order that is shown to be the best', () => {
    const problem = randomProblem(5, { jobs: 1, sessions: false });
    const line = compileLine(problem);
    const plan = planOrder(line, searchOrder(line, { seed: 1, steps: Infinity, bound: lowerBound(line) }));
    expect(plan).to.have.property('proven', true);
  });

  it('constructs orders that keep predecessors first', () => {
    for (const seed of seeds(50)) {
      const problem = randomProblem(seed);
      const line = compileLine(problem);
      for (const order of [enteredOrder(line), trayByTrayOrder(line), ...GREEDY_WEIGHTS.map((weights) => greedyOrder(line, weights))]) {
        expect(isAllowed(problem, order), `seed ${seed}`).to.equal(true);
      }
    }
  });

  it('counts the tail behind a job over drying and painting', () => {
    const { problem } = examples[0]!;
    expect([...tailMinutes(compileLine(problem))]).to.deep.equal([40, 0]);
  });
});

describe('comparing ways to paint', () => {
  it('splits a tray into singles with the same work', () => {
    for (const seed of seeds(40)) {
      const problem = randomProblem(seed, { sessions: false });
      const whole = planOrder(compileLine(problem), enteredOrder(compileLine(problem)));
      const singles = compileLine(splitIntoSingles(problem));
      const split = planOrder(singles, enteredOrder(singles));
      if ('missingMinutes' in whole || 'missingMinutes' in split) throw new Error('one endless session holds everything');
      expect(split.handsOn, `seed ${seed}`).to.be.closeTo(whole.handsOn, 1e-9);
      expect(split.order).to.have.length(
        problem.jobs.reduce(
          (sum, job) => sum + (job.models ?? Array(problem.trays.find((tray) => tray.id === job.tray)!.models)).length,
          0,
        ),
      );
    }
  });

  it('waits for a tray gate with every single model', () => {
    const { problem } = examples[2]!;
    const split = splitIntoSingles(problem);
    expect(split.jobs.find((job) => job.id === 'b/1')!.after).to.have.length(10);
  });

  it('lists four ways on the same hands-on minutes, the suggested one never the worst', () => {
    const { problem } = examples[11]!;
    const line = compileLine(problem);
    const strategies = compareStrategies(problem, searchOrder(line, { seed: 1, steps: 3000 }), (tray) => tray.slice(0, 2));
    expect(strategies.map((strategy) => strategy.id)).to.deep.equal(['one-model', 'unit-by-unit', 'entered', 'suggested']);
    const benches = strategies.map((strategy) => strategy.totals!.bench);
    for (const strategy of strategies) expect(strategy.totals!.handsOn).to.be.closeTo(strategies[0]!.totals!.handsOn, 1e-6);
    expect(benches[3]).to.equal(Math.min(...benches));
  });

  it('finishes one unit before the next when going unit by unit', () => {
    const { problem } = examples[11]!;
    const line = compileLine(problem);
    const order = greedyOrder(line, GREEDY_WEIGHTS[0]!, (job) => line.jobTray[job]!);
    const trays = [...order].map((job) => line.jobTray[job]!);
    expect(trays).to.deep.equal([...trays].sort((a, b) => a - b));
  });
});
