import { compileLine } from '../problem/compileLine';
import type { LineProblem, LineTotals, OrderChange } from '../definitions';
import { solveLine, type SolveOptions } from '../search/solveLine';
import { timeOrder } from '../timing/timeOrder';

export interface WishPrice {
  /** Position of the wish in the problem. */
  wish: number;
  /** Minutes of total that it costs with all the others kept; 0 when the best order found keeps it anyway. */
  minutes: number;
  /** What keeping it changes, against the best order found without it. */
  change: OrderChange;
}

/**
 * What each wish costs: how much less the total could be without it alone, by a search from the order at hand.
 * The price is at least this much when the search has missed a better order; it is never negative.
 */
export function wishPrices(problem: LineProblem, order: ArrayLike<number>, options: Omit<SolveOptions, 'start'>): WishPrice[] {
  const wishes = problem.wishes ?? [];
  const kept = totalsOf(problem, order);
  return wishes.map((_, wish) => {
    const without = { ...problem, wishes: wishes.filter((__, other) => other !== wish) };
    const solved = solveLine(compileLine(without), { ...options, start: order });
    const free = totalsOf(without, solved.order);
    const isDearer = kept.total - free.total > 0;
    return {
      wish,
      minutes: isDearer ? kept.total - free.total : 0,
      change: isDearer
        ? { bench: kept.bench - free.bench, finish: kept.finish - free.finish, late: kept.late - free.late }
        : { bench: 0, finish: 0, late: 0 },
    };
  });
}

function totalsOf(problem: LineProblem, order: ArrayLike<number>): LineTotals {
  const timed = timeOrder(compileLine(problem), order);
  if (!timed.fits) throw new Error('wishPrices: the sessions do not hold this order');
  return timed.totals;
}
