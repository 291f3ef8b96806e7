import type { CompiledLine } from '../problem/compiledLine';
import type { LineTotals } from '../definitions';
import { solveLine, type SolveOptions } from '../search/solveLine';
import { totalsOfOrder } from '../timing/timeOrder';

/** How long to look, for a price. */
export type PriceOptions = Omit<SolveOptions, 'start' | 'seeksProof'>;

/**
 * What the best order found from the one at hand comes to. Prices compare two of these, so that what a search gains on an order
 * made by hand is not taken for what a wish or a habit costs.
 */
export const bestFound = (line: CompiledLine, order: ArrayLike<number>, options: PriceOptions): LineTotals =>
  totalsOfOrder(line, solveLine(line, { ...options, seeksProof: false, start: order }).order);
