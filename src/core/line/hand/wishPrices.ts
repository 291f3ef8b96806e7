import { compileLine } from '../problem/compileLine';
import type { LineProblem, OrderChange } from '../definitions';
import { bestFound, type PriceOptions } from './bestFound';

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
export function wishPrices(problem: LineProblem, order: ArrayLike<number>, options: PriceOptions): WishPrice[] {
  const wishes = problem.wishes ?? [];
  const line = compileLine(problem);
  const kept = bestFound(line, order, options);
  return wishes.map((_, wish) => {
    const without = { ...problem, wishes: wishes.filter((__, other) => other !== wish) };
    const free = bestFound(compileLine(without, line), order, options);
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
