import type { CompiledLine } from '../problem/compiledLine';
import { exactAttempts } from '../bounds/exactAttempts';
import { exactOrder } from '../bounds/exactOrder';
import { lowerBound } from '../bounds/lowerBound';
import { OrderSearch } from './OrderSearch';
import { timeOrder } from '../timing/timeOrder';

export interface SolveOptions {
  /** The same problem, seed and number of steps give the same order on every machine. */
  seed: number;
  steps: number;
  /** Asked every hundred steps or so; true ends the search early with the best order so far. */
  shouldStop?: () => boolean;
  /** Called for every new best order and every better bound; the order must be copied to be kept. */
  onProgress?: (progress: SolvedLine) => void;
  /** The first construction and a few moves, without a bound: for a plan in a moment. */
  isQuick?: boolean;
  /** False to leave the exact search out: for many quick answers of which none need be proven. True when not given. */
  seeksProof?: boolean;
  /** An order to start from, beside the constructions. */
  start?: ArrayLike<number>;
}

export interface SolvedLine {
  order: Int32Array;
  /** Total of the order with what the wishes add, ties broken by the bench time. */
  cost: number;
  /** No order has a smaller total. */
  bound: number;
  /** Moves judged. */
  steps: number;
}

/**
 * The best order that can be found: constructions, then search, with the exact search coming in at fixed numbers of
 * steps for as long as it could still prove the order or raise the bound. Ends when the order is proven the best.
 */
export function solveLine(line: CompiledLine, options: SolveOptions): SolvedLine {
  const shouldStop = options.shouldStop ?? (() => false);
  let bound = 0;
  const answer = (search: OrderSearch): SolvedLine => ({ order: search.best, cost: search.bestCost, bound, steps: search.step });
  const search = new OrderSearch(line, options.seed, (better) => options.onProgress?.(answer(better)));
  if (options.start) search.offer(options.start);
  search.construct(shouldStop, options.isQuick ? 1 : undefined);
  if (options.isQuick) {
    search.run(options.steps, 0, shouldStop);
    return answer(search);
  }
  bound = lowerBound(line, shouldStop);
  options.onProgress?.(answer(search));
  for (const { afterSteps, width } of options.seeksProof === false ? [] : exactAttempts(line)) {
    if (options.steps < afterSteps || isProven(search.bestCost, bound) || shouldStop()) break;
    search.run(afterSteps, goal(bound), shouldStop);
    if (isProven(search.bestCost, bound)) break;
    const timed = timeOrder(line, search.best);
    const exact = exactOrder(line, !timed.fits ? Infinity : timed.totals.total, { width, shouldStop });
    if (exact.order) search.offer(exact.order);
    if (exact.bound > bound) {
      bound = exact.bound;
      options.onProgress?.(answer(search));
    }
    // The exact search looks at totals alone: with wishes the order may still get better, the bound may not.
    if (exact.isComplete) break;
  }
  search.run(options.steps, goal(bound), shouldStop);
  return answer(search);
}

/** Costs carry a tie-breaking share of the bench time, so they come only near to a total. */
const TIE = 1e-6;
const goal = (bound: number) => bound + TIE * Math.max(1, bound);
const isProven = (cost: number, bound: number) => cost <= goal(bound);
