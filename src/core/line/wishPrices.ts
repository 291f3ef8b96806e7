import { compileLine } from './compileLine';
import type { LineProblem } from './definitions';
import { solveLine, type SolveOptions } from './solveLine';
import { timeOrder } from './timeOrder';

export interface WishPrice {
  /** Position of the wish in the problem. */
  wish: number;
  /** Minutes of total that it costs with all the others kept; 0 when the best order found keeps it anyway. */
  minutes: number;
}

/**
 * What each wish costs: how much less the total could be without it alone, by a search from the order at hand.
 * The price is at least this much when the search has missed a better order; it is never negative.
 */
export function wishPrices(problem: LineProblem, order: ArrayLike<number>, options: Omit<SolveOptions, 'start'>): WishPrice[] {
  const wishes = problem.wishes ?? [];
  const total = totalOf(problem, order);
  return wishes.map((_, wish) => {
    const without = { ...problem, wishes: wishes.filter((__, other) => other !== wish) };
    const solved = solveLine(compileLine(without), { ...options, start: order });
    return { wish, minutes: Math.max(0, total - totalOf(without, solved.order)) };
  });
}

function totalOf(problem: LineProblem, order: ArrayLike<number>): number {
  const timed = timeOrder(compileLine(problem), order);
  return 'missingMinutes' in timed ? Infinity : timed.totals.total;
}
