import { compileLine, type CompiledLine } from './compileLine';
import { LINE_PLAN_FORMAT, type LinePlan, type LineProblem } from './definitions';
import { lowerBound } from './lowerBound';
import { searchOrder, type SearchOptions } from './searchOrder';
import { timeOrder, type DoesNotFit } from './timeOrder';

/** Rounding up to which a total counts as equal to its bound. */
const PROOF_ROUNDING = 1e-9;

/** Times one order and says how far from the best possible it can be. */
export function planOrder(line: CompiledLine, order: ArrayLike<number>): LinePlan | DoesNotFit {
  const timed = timeOrder(line, order);
  if ('missingMinutes' in timed) return timed;
  const bound = Math.min(lowerBound(line), timed.totals.total);
  return {
    format: LINE_PLAN_FORMAT,
    order: timed.jobs.map((job) => job.id),
    ...timed.totals,
    bound,
    proven: timed.totals.total - bound <= PROOF_ROUNDING * Math.max(1, bound),
    legs: timed.legs,
    jobs: timed.jobs,
  };
}

/** Searches for a good order and plans it. */
export function planLine(problem: LineProblem, options: Omit<SearchOptions, 'bound'>): LinePlan | DoesNotFit {
  const line = compileLine(problem);
  return planOrder(line, searchOrder(line, { ...options, bound: lowerBound(line) }));
}
