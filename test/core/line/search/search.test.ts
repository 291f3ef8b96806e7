import { expect } from 'chai';
import { fixedStrategies, strategyOf } from '../../../../src/core/line/search/strategies';
import { compileLine } from '../../../../src/core/line/problem/compileLine';
import { GREEDY_WEIGHTS, greedyOrder } from '../../../../src/core/line/search/constructOrder';
import type { LineProblem } from '../../../../src/core/line/definitions';
import { planOrder } from '../../../../src/core/line/search/planOrder';
import { enteredOrder, tailMinutes, trayByTrayOrder } from '../../../../src/core/line/problem/precedence';
import { moveRun } from '../../../../src/core/line/search/moveRun';
import { OrderJudge } from '../../../../src/core/line/search/OrderJudge';
import { OrderMoves } from '../../../../src/core/line/search/OrderMoves';
import { solveLine } from '../../../../src/core/line/search/solveLine';
import { splitIntoSingles } from '../../../../src/core/line/problem/splitIntoSingles';
import { readOrder } from '../../../../src/core/line/problem/readOrder';
import { examples } from '../../../support/examples';
import { madeUpCommission } from '../../../../bench/madeUpCommission';
import { randomOrder, randomProblem } from '../../../support/lineProblems';
import { Random, seeds } from '../../../support/random';

const isAllowed = (problem: LineProblem, order: Int32Array) =>
  readOrder(
    problem,
    Array.from(order, (job) => problem.jobs[job]!.id),
  ).length === problem.jobs.length;

describe('searching a line', () => {
  it('gives the same order for the same seed and number of steps, and improves with steps', () => {
    const line = compileLine(examples[10]!.problem);
    const run = (steps: number) => solveLine(line, { seed: 7, steps });
    expect([...run(1500).order]).to.deep.equal([...run(1500).order]);
    expect(run(3000).cost).to.be.at.most(run(0).cost);
    expect(run(3000).cost).to.be.closeTo(new OrderJudge(line).take(run(3000).order), 1e-9);
  });

  it('keeps every predecessor first, and tells of every better order', () => {
    for (const { problem } of examples.slice(10, 13)) {
      const told: number[] = [];
      const { order } = solveLine(compileLine(problem), { seed: 3, steps: 800, onProgress: ({ cost }) => told.push(cost) });
      expect(isAllowed(problem, order)).to.equal(true);
      expect(told.length).to.be.greaterThan(1);
      expect(told).to.deep.equal([...told].sort((a, b) => b - a));
    }
  });

  it('stops when it is told to, with the best order so far', () => {
    const { problem } = examples[12]!;
    const { order, steps } = solveLine(compileLine(problem), { seed: 1, steps: Infinity, shouldStop: () => true });
    expect(isAllowed(problem, order)).to.equal(true);
    expect(steps).to.equal(0);
  });

  it('stops at once at an order that is shown to be the best', () => {
    const problem = randomProblem(5, { jobs: 1, sessions: false });
    const solved = solveLine(compileLine(problem), { seed: 1, steps: Infinity });
    expect(planOrder(compileLine(problem), solved.order, solved.bound)).to.have.property('proven', true);
  });

  it('starts from the order it is given, and never ends worse', () => {
    const { problem } = examples[12]!;
    const line = compileLine(problem);
    const start = solveLine(line, { seed: 2, steps: 4000 });
    const first: number[] = [];
    solveLine(line, { seed: 1, steps: 10, start: start.order, onProgress: ({ cost }) => first.push(cost) });
    expect(first[0]).to.be.closeTo(start.cost, 1e-9);
    expect(Math.max(...first)).to.equal(first[0]);
  });

  it('constructs orders that keep predecessors first', () => {
    for (const seed of seeds(50)) {
      const problem = randomProblem(seed, { isSecond: seed % 2 === 0, isThird: seed % 3 === 0 });
      const line = compileLine(problem);
      for (const order of [enteredOrder(line), trayByTrayOrder(line), ...GREEDY_WEIGHTS.map((weights) => greedyOrder(line, weights))]) {
        expect(isAllowed(problem, order), `seed ${seed}`).to.equal(true);
      }
    }
  });

  it('compiles from a known line what it would compile anew, and takes nothing from one of other jobs', () => {
    for (const seed of seeds(20)) {
      const problem = randomProblem(seed, { isSecond: true, isThird: true });
      const known = compileLine(problem);
      const other = { ...problem, sessions: [{ from: 3, to: 5000 }], due: [], wishes: [{ kind: 'together' as const, jobs: ['j0', 'j1'] }] };
      expect(compileLine(other, known), `seed ${seed}`).to.deep.equal(compileLine(other));
      const fewer = { ...problem, jobs: problem.jobs.slice(0, 1), prefer: [], due: [] };
      expect(compileLine(fewer, known), `seed ${seed}`).to.deep.equal(compileLine(fewer));
    }
  });

  it('counts the tail behind a job over drying and painting', () => {
    const { problem } = examples[0]!;
    expect([...tailMinutes(compileLine(problem))]).to.deep.equal([40, 0]);
  });
});

describe('judging moves', () => {
  it('costs every move of random lines as timing the moved order from scratch does', () => {
    for (const seed of seeds(240)) {
      const problem = randomProblem(seed, { isSecond: seed % 2 === 0, isThird: seed % 3 === 0 });
      const random = new Random(seed);
      const line = compileLine(problem);
      const judge = new OrderJudge(line);
      judge.take(randomOrder(problem, random));
      const moves = new OrderMoves(line, judge.order, judge.position, () => random.uniform());
      for (let round = 0; round < 40; round++) {
        if (!moves.draw()) continue;
        const { from, end, to } = moves.move;
        const limit = random.chance(0.5) ? Infinity : judge.cost + random.whole(-5, 20);
        const cost = judge.judge(from, end, to, limit);
        const moved = judge.order.slice();
        moveRun(moved, from, end, to);
        const afresh = new OrderJudge(line).take(moved);
        expect(isAllowed(problem, moved), `seed ${seed}`).to.equal(true);
        if (cost === Infinity) expect(afresh, `seed ${seed} given up`).to.be.greaterThan(limit - 1e-6);
        else expect(cost, `seed ${seed}`).to.be.closeTo(afresh, 1e-6);
        if (cost < Infinity && random.chance(0.6)) judge.accept();
        else judge.reject();
      }
    }
  });

  it('judges moves of a made-up commission the same after thousands were made', () => {
    for (const sessions of [false, true]) {
      const problem = madeUpCommission(4, { jobs: 60, sessions });
      const line = compileLine(problem);
      const solved = solveLine(line, { seed: 1, steps: 20_000 });
      expect(solved.cost).to.be.closeTo(new OrderJudge(line).take(solved.order), 1e-6);
    }
  });
});

describe('comparing ways to paint', () => {
  it('splits a tray into singles with the same work', () => {
    for (const seed of seeds(40)) {
      const problem = randomProblem(seed, { sessions: false });
      const whole = planOrder(compileLine(problem), enteredOrder(compileLine(problem)));
      const singles = compileLine(splitIntoSingles(problem));
      const split = planOrder(singles, enteredOrder(singles));
      if (!whole.fits || !split.fits) throw new Error('one endless session holds everything');
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
    const suggested = strategyOf(line, 'suggested', solveLine(line, { seed: 1, steps: 3000 }).order);
    const strategies = [...fixedStrategies(problem, { unitOfTray: (tray) => tray.slice(0, 2), nearlyDone: [], turns: [] }), suggested];
    expect(strategies.map((strategy) => strategy.id)).to.deep.equal(['one-model', 'entered', 'unit-by-unit', 'suggested']);
    const benches = strategies.map((strategy) => strategy.totals!.bench);
    for (const strategy of strategies) expect(strategy.totals!.handsOn).to.be.closeTo(strategies[0]!.totals!.handsOn, 1e-6);
    expect(benches[3]).to.equal(Math.min(...benches));
  });

  it('finishes one unit before the next when going unit by unit', () => {
    const { problem } = examples[11]!;
    const line = compileLine(problem);
    const order = greedyOrder(line, GREEDY_WEIGHTS[0]!, { groupOf: (job) => line.jobTray[job]! });
    const trays = [...order].map((job) => line.jobTray[job]!);
    expect(trays).to.deep.equal([...trays].sort((a, b) => a - b));
  });
});
