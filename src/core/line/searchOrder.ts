import { xoroshiro128plus } from 'pure-rand/generator/xoroshiro128plus';
import { uniformFloat64 } from 'pure-rand/distribution/uniformFloat64';
import type { CompiledLine } from './compileLine';
import { GREEDY_WEIGHTS, greedyOrder } from './constructOrder';
import { enteredOrder, trayByTrayOrder } from './precedence';
import { createCost, positionsOf } from './timeOrder';

export interface SearchOptions {
  /** The same problem, seed and number of steps give the same order on every machine. */
  seed: number;
  steps: number;
  /** Asked every few hundred steps; true ends the search early with the best order so far. */
  shouldStop?: () => boolean;
  /** Called for every new best order. */
  onBetter?: (order: Int32Array, cost: number, step: number) => void;
  /** A total that no order can beat; reaching it ends the search. */
  bound?: number;
}

/** Steps of one cooling round. Tuned on the demo commissions: shorter rounds get stuck, longer ones settle late. */
const ROUND_STEPS = 6000;
/** First temperature of a round, as a share of the cost; last one as a share of the first. Tuned with ROUND_STEPS. */
const FIRST_TEMPERATURE = 0.004;
const LAST_TEMPERATURE_SHARE = 0.002;
const STOP_CHECK_STEPS = 128;

/**
 * Looks for an order with a small total: the best of several constructions, then simulated annealing with moves of
 * single jobs, of legs, and of jobs next to others under the same setup. Rounds restart from the best order.
 */
export function searchOrder(line: CompiledLine, options: SearchOptions): Int32Array {
  const cost = createCost(line);
  let best = bestConstruction(line, cost);
  let bestCost = cost(best);
  options.onBetter?.(best, bestCost, 0);
  if (line.jobCount < 2) return best;

  const random = createRandom(options.seed);
  const mover = new OrderMover(line, random);
  let current = best.slice();
  let currentCost = bestCost;
  const bound = (options.bound ?? -Infinity) + 1e-6 + bestCost * 1e-6;
  for (let step = 1; step <= options.steps && bestCost > bound; step++) {
    if (step % STOP_CHECK_STEPS === 0 && options.shouldStop?.()) break;
    const roundShare = (step % ROUND_STEPS) / ROUND_STEPS;
    if (roundShare === 0) {
      current = best.slice();
      currentCost = bestCost;
    }
    const candidate = mover.propose(current);
    if (!candidate) continue;
    const candidateCost = cost(candidate);
    const temperature = bestCost * FIRST_TEMPERATURE * LAST_TEMPERATURE_SHARE ** roundShare;
    if (candidateCost > currentCost && random() >= Math.exp((currentCost - candidateCost) / temperature)) continue;
    current.set(candidate);
    currentCost = candidateCost;
    if (currentCost < bestCost - 1e-12) {
      best = current.slice();
      bestCost = currentCost;
      options.onBetter?.(best, bestCost, step);
    }
  }
  return best;
}

function bestConstruction(line: CompiledLine, cost: (order: Int32Array) => number): Int32Array {
  const orders = [...GREEDY_WEIGHTS.map((weights) => greedyOrder(line, weights)), enteredOrder(line), trayByTrayOrder(line)];
  return orders.reduce((best, order) => (cost(order) < cost(best) ? order : best));
}

function createRandom(seed: number): () => number {
  const generator = xoroshiro128plus(seed);
  return () => uniformFloat64(generator);
}

/** Proposes neighbours of an order: a run of jobs moved to another place that keeps every predecessor first. */
class OrderMover {
  private readonly candidate: Int32Array;
  private readonly position: Int32Array;
  private readonly isAfter: Uint8Array;
  private readonly sameSetup: number[][];

  constructor(
    private readonly line: CompiledLine,
    private readonly random: () => number,
  ) {
    const n = line.jobCount;
    this.candidate = new Int32Array(n);
    this.position = new Int32Array(n);
    this.isAfter = new Uint8Array(n * n);
    line.successors.forEach((successors, job) => successors.forEach((next) => (this.isAfter[job * n + next] = 1)));
    this.sameSetup = Array.from({ length: line.setupCount }, () => []);
    line.jobSetup.forEach((setup, job) => this.sameSetup[setup]!.push(job));
  }

  /** A neighbour in an array that the next call overwrites, or null when the move drawn is not allowed. */
  propose(order: Int32Array): Int32Array | null {
    const kind = this.random();
    if (kind < 0.3) return this.moveRun(order, this.below(order.length), 1, null);
    if (kind < 0.55) return this.joinSetup(order);
    const from = this.below(order.length);
    if (kind < 0.8) return this.moveLeg(order, from);
    return this.moveRun(order, from, 2 + this.below(Math.min(7, order.length)), null);
  }

  private below(limit: number): number {
    return Math.floor(this.random() * limit);
  }

  /** Moves the whole leg that a job stands in. */
  private moveLeg(order: Int32Array, at: number): Int32Array | null {
    const setup = this.line.jobSetup[order[at]!]!;
    let from = at;
    let to = at;
    while (from > 0 && this.line.jobSetup[order[from - 1]!] === setup) from--;
    while (to + 1 < order.length && this.line.jobSetup[order[to + 1]!] === setup) to++;
    return this.moveRun(order, from, to - from + 1, null);
  }

  /** Moves a job right before or after another one under the same setup, alone or with the rest of its leg. */
  private joinSetup(order: Int32Array): Int32Array | null {
    const from = this.below(order.length);
    const mates = this.sameSetup[this.line.jobSetup[order[from]!]!]!;
    if (mates.length < 2) return null;
    positionsOf(order, this.position);
    const target = this.position[mates[this.below(mates.length)]!]!;
    if (target === from) return null;
    return this.moveRun(order, from, 1, this.random() < 0.5 ? target : target + 1);
  }

  /** Moves `length` jobs from `from` to before position `target` (in the old order), drawn when null. */
  private moveRun(order: Int32Array, from: number, length: number, target: number | null): Int32Array | null {
    const end = Math.min(from + length, order.length);
    let low = from;
    while (low > 0 && !this.blocks(order[low - 1]!, order, from, end)) low--;
    let high = end;
    while (high < order.length && !this.isBlockedBy(order[high]!, order, from, end)) high++;
    const places = from - low + (high - end);
    if (places === 0) return null;
    let to = target;
    if (to === null) {
      const drawn = low + this.below(places);
      to = drawn < from ? drawn : drawn - from + end + 1;
    }
    if (to < low || to > high || (to >= from && to <= end)) return null;
    const { candidate } = this;
    candidate.set(order);
    if (to < from) {
      candidate.copyWithin(to + end - from, to, from);
      candidate.set(order.subarray(from, end), to);
    } else {
      candidate.copyWithin(from, end, to);
      candidate.set(order.subarray(from, end), to - (end - from));
    }
    return candidate;
  }

  private blocks(earlier: number, order: Int32Array, from: number, end: number): boolean {
    for (let index = from; index < end; index++) if (this.isAfter[earlier * order.length + order[index]!]) return true;
    return false;
  }

  private isBlockedBy(later: number, order: Int32Array, from: number, end: number): boolean {
    for (let index = from; index < end; index++) if (this.isAfter[order[index]! * order.length + later]) return true;
    return false;
  }
}
