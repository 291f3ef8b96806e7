import type { CompiledLine } from '../problem/compiledLine';
import { timeOrder } from '../timing/timeOrder';
import { exactAttempts } from './exactAttempts';
import { exactOrder } from './exactOrder';
import { lowerBound } from './lowerBound';

/**
 * What no order of the line is below, in its weighed minutes, as near as it can be told: the lower bound, raised by the exact search
 * where the line is short enough. `order` is a good one that is known, as job indexes: what cannot get below it is ruled out at once.
 * Ends early, with a bound that holds, when `shouldStop` says so.
 */
export function leastTotal(line: CompiledLine, order: ArrayLike<number>, shouldStop: () => boolean = () => false): number {
  let bound = lowerBound(line, shouldStop);
  const timed = timeOrder(line, order);
  let best = timed.fits ? timed.totals.total : Infinity;
  for (const { width } of exactAttempts(line)) {
    if (best <= bound || shouldStop()) break;
    const exact = exactOrder(line, best, { width, shouldStop });
    best = exact.cost;
    bound = Math.max(bound, exact.bound);
    if (exact.isComplete) break;
  }
  return bound;
}
