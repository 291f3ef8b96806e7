import type { CompiledLine } from '../problem/compiledLine';
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
 * Begun orders that the exact search may keep side by side for a line of up to twenty jobs, and how many steps of the
 * search come before each attempt. Longer lines take longer for each begun order, so they keep fewer, later.
 */
const EXACT_ATTEMPTS = [
  { afterSteps: 1_500, width: 300 },
  { afterSteps: 10_000, width: 3_000 },
  { afterSteps: 100_000, width: 30_000 },
];
const JOBS_FOR_FULL_WIDTH = 20;
/** Longer lines are never exhausted, and their bound hardly gains. */
const MOST_JOBS_FOR_EXACT = 60;
/** With dates that are rivals there are more ways for a begun order to become the best. */
const MOST_JOBS_FOR_EXACT_WITH_DATES = 40;

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

function exactAttempts(line: CompiledLine): typeof EXACT_ATTEMPTS {
  const hasRivals = line.due.jobs.some((jobs) => jobs.length < line.jobCount);
  if (line.jobCount > (hasRivals ? MOST_JOBS_FOR_EXACT_WITH_DATES : MOST_JOBS_FOR_EXACT)) return [];
  const share = Math.max(1, line.jobCount / JOBS_FOR_FULL_WIDTH) ** 2;
  return EXACT_ATTEMPTS.map(({ afterSteps, width }) => ({ afterSteps: Math.round(afterSteps * share), width: Math.round(width / share) }));
}

/** Costs carry a tie-breaking share of the bench time, so they come only near to a total. */
const TIE = 1e-6;
const goal = (bound: number) => bound + TIE * Math.max(1, bound);
const isProven = (cost: number, bound: number) => cost <= goal(bound);
