import { xoroshiro128plus } from 'pure-rand/generator/xoroshiro128plus';
import { uniformFloat64 } from 'pure-rand/distribution/uniformFloat64';
import type { CompiledLine } from '../problem/compiledLine';
import { GREEDY_WEIGHTS, greedyOrder } from './constructOrder';
import { OrderJudge } from './OrderJudge';
import { OrderMoves } from './OrderMoves';
import { enteredOrder, trayByTrayOrder } from '../problem/precedence';
import { dateRank } from './urgency';
import { arrangeByWishes } from '../problem/wishes';

/** Steps of the first cooling round for each job; every further round is longer by the growth. Measured with the bench. */
const ROUND_STEPS_PER_JOB = 250;
const ROUND_GROWTH = 1.5;
/** First temperature of a round, in mean changeovers; last one as a share of the first. Measured with the bench. */
const FIRST_TEMPERATURE = 0.2;
const LAST_TEMPERATURE_SHARE = 0.05;
/** While a date is missed a small delay costs much: rounds are warmer by these factors in turn, to get over the ridges between. */
const HEATS_WHILE_LATE = [1, 4, 12];
const STOP_CHECK_STEPS = 128;

/**
 * Simulated annealing (Kirkpatrick, Gelatt and Vecchi 1983) with moves of single jobs, of runs and legs, and of jobs next to others under the same setup, in
 * rounds that each begin from the best order so far. It can be run a number of steps at a time; the same line, seed and
 * number of steps give the same order however they are cut up.
 */
export class OrderSearch {
  readonly best: Int32Array;
  bestCost = Infinity;
  step = 0;
  private readonly judge: OrderJudge;
  private readonly moves: OrderMoves;
  private readonly random: () => number;
  private readonly scale: number;
  private round = 0;
  private heat = 1;
  private roundStart = 0;
  private roundEnd = 0;

  constructor(
    private readonly line: CompiledLine,
    seed: number,
    private readonly onBetter: (search: OrderSearch) => void = () => undefined,
  ) {
    this.judge = new OrderJudge(line);
    this.best = new Int32Array(line.jobCount);
    this.random = createRandom(seed);
    this.moves = new OrderMoves(line, this.judge.order, this.judge.position, this.random);
    const { bench, span, leg } = line.objective;
    this.scale = (bench + span) * meanChangeover(line) + leg;
  }

  /** Considers an order that keeps predecessors first, after arranging it as the wishes have it. */
  offer(order: ArrayLike<number>): void {
    const arranged = arrangeByWishes(this.line, order);
    if (!arranged) throw new Error('OrderSearch: the wishes contradict each other; readLineProblem refuses such problems');
    const cost = this.judge.take(arranged);
    if (cost < this.bestCost) this.improve(arranged, cost);
    else this.judge.take(this.best);
  }

  /** Orders built from scratch; with `most`, only so many of the best. The first one is the fastest that is good, so that a long line has a plan soon. */
  construct(shouldStop: () => boolean, most = GREEDY_WEIGHTS.length): void {
    const { line } = this;
    for (const weights of GREEDY_WEIGHTS.slice(0, most)) {
      this.offer(greedyOrder(line, weights, { shouldStop }));
      if (shouldStop()) return;
    }
    if (line.due.count > 0) this.offer(greedyOrder(line, GREEDY_WEIGHTS[0]!, { groupOf: dateRank(line), shouldStop }));
    if (most < GREEDY_WEIGHTS.length) return;
    this.offer(enteredOrder(line));
    this.offer(trayByTrayOrder(line));
  }

  /** Searches until so many steps have been made in all, the best cost is not above `goal`, or it is told to stop. */
  run(steps: number, goal: number, shouldStop: () => boolean): void {
    if (this.line.jobCount < 2) return;
    while (this.step < steps && this.bestCost > goal) {
      if (this.step % STOP_CHECK_STEPS === 0 && shouldStop()) return;
      if (this.step >= this.roundEnd) this.beginRound();
      this.step++;
      this.tryMove();
    }
  }

  private beginRound(): void {
    const length = this.roundEnd === 0 ? ROUND_STEPS_PER_JOB * this.line.jobCount : (this.roundEnd - this.roundStart) * ROUND_GROWTH;
    this.roundStart = this.roundEnd;
    this.roundEnd += Math.round(length);
    if (this.judge.cost > this.bestCost) this.judge.take(this.best);
    this.heat = this.judge.late > 0 ? HEATS_WHILE_LATE[this.round++ % HEATS_WHILE_LATE.length]! : 1;
  }

  private tryMove(): void {
    const { judge, moves } = this;
    if (!moves.draw()) return;
    const { from, end, to } = moves.move;
    const share = (this.step - this.roundStart) / (this.roundEnd - this.roundStart);
    const temperature = this.scale * this.heat * FIRST_TEMPERATURE * LAST_TEMPERATURE_SHARE ** share;
    const limit = judge.cost - temperature * Math.log(1 - this.random());
    if (judge.judge(from, end, to, limit) > limit) {
      judge.reject();
      return;
    }
    judge.accept();
    if (judge.cost < this.bestCost - 1e-12) this.improve(judge.order, judge.cost);
  }

  private improve(order: Int32Array, cost: number): void {
    this.best.set(order);
    this.bestCost = cost;
    this.onBetter(this);
  }
}

/** What a move typically wins or loses, minutes. */
function meanChangeover(line: CompiledLine): number {
  const minutes = [...line.changeover, ...line.start].filter((each) => each > 0);
  return minutes.length === 0 ? 1 : minutes.reduce((sum, each) => sum + each, 0) / minutes.length;
}

function createRandom(seed: number): () => number {
  const generator = xoroshiro128plus(seed);
  return () => uniformFloat64(generator);
}
