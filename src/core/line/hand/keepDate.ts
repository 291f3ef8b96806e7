import type { LineProblem, TimedDue } from '../definitions';
import { compileLine } from '../problem/compileLine';
import type { CompiledLine } from '../problem/compiledLine';
import { solveLine, type SolveOptions } from '../search/solveLine';
import { timeOrder, type TimedOrder } from '../timing/timeOrder';

/** What it takes to keep one date. */
export interface KeptDate {
  /** Job indexes of the best order found for it. */
  order: Int32Array;
  isKept: boolean;
  /** Minutes at the bench against the order at hand. */
  bench: number;
  /** All dates in that order, and in the one at hand. */
  after: TimedDue[];
  before: TimedDue[];
}

/** So dear that everything else gives way before the date does. */
const ABOVE_ALL = 1000;

/**
 * Searches from the order at hand with one date above everything else: what the others lose is still counted, so they lose as
 * little as they must. The sessions must hold the order.
 */
export function keepDate(problem: LineProblem, order: ArrayLike<number>, date: string, options: Omit<SolveOptions, 'start'>): KeptDate {
  const line = compileLine(problem);
  const before = timed(line, order);
  const above = { ...problem, due: problem.due?.map((each) => (each.id === date ? { ...each, perMinuteLate: ABOVE_ALL } : each)) };
  const solved = solveLine(compileLine(above, line), { ...options, seeksProof: false, start: order });
  const after = timed(line, solved.order);
  const { end, at } = after.due.find(({ id }) => id === date)!;
  return {
    order: solved.order,
    isKept: end <= at,
    bench: after.totals.bench - before.totals.bench,
    after: after.due,
    before: before.due,
  };
}

function timed(line: CompiledLine, order: ArrayLike<number>): TimedOrder {
  const times = timeOrder(line, order);
  if (!times.fits) throw new Error('keepDate: the sessions do not hold this order');
  return times;
}
