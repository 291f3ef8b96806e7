import type { CompiledLine } from '../problem/compiledLine';
import { LINE_PLAN_FORMAT, type LinePlan } from '../definitions';
import { lowerBound } from '../bounds/lowerBound';
import { timeOrder, type DoesNotFit } from '../timing/timeOrder';
import { wishesKept } from '../problem/wishes';

/** Rounding up to which a total counts as equal to its bound. */
const PROOF_ROUNDING = 1e-9;

/** A plan as its format writes it, told apart from an order that the sessions do not hold. */
export interface FittingPlan extends LinePlan {
  fits: true;
}

/** Times one order and says how far from the best possible it can be; `bound` is one that is known already. */
export function planOrder(line: CompiledLine, order: ArrayLike<number>, bound = lowerBound(line)): FittingPlan | DoesNotFit {
  const timed = timeOrder(line, order);
  if (!timed.fits) return timed;
  const { total } = timed.totals;
  return {
    fits: true,
    format: LINE_PLAN_FORMAT,
    order: timed.jobs.map((job) => job.id),
    ...timed.totals,
    bound: Math.min(bound, total),
    proven: total - bound <= PROOF_ROUNDING * Math.max(1, bound),
    legs: timed.legs,
    jobs: timed.jobs,
    due: timed.due,
    ...(line.problem.wishes?.length && { wishesKept: wishesKept(line, order) }),
  };
}
