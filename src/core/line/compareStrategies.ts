import { compileLine, type CompiledLine } from './compileLine';
import type { LineProblem, LineTotals } from './definitions';
import { enteredOrder, trayByTrayOrder } from './precedence';
import { splitIntoSingles } from './splitIntoSingles';
import { timeOrder } from './timeOrder';

export type StrategyId = 'one-model' | 'unit-by-unit' | 'entered' | 'suggested';

export interface Strategy {
  id: StrategyId;
  /** Null when the sessions of the problem do not hold this order. */
  totals: LineTotals | null;
}

/**
 * Four ways to paint the same models, timed by the same rules: one model finished before the next is begun, unit by
 * unit (tray by tray, step by step), the jobs as entered, and the order given as the suggestion.
 */
export function compareStrategies(problem: LineProblem, suggested: ArrayLike<number>): Strategy[] {
  const line = compileLine(problem);
  const singles = compileLine(splitIntoSingles(problem));
  return [
    { id: 'one-model', totals: totalsOrNull(singles, trayByTrayOrder(singles)) },
    { id: 'unit-by-unit', totals: totalsOrNull(line, trayByTrayOrder(line)) },
    { id: 'entered', totals: totalsOrNull(line, enteredOrder(line)) },
    { id: 'suggested', totals: totalsOrNull(line, suggested) },
  ];
}

function totalsOrNull(line: CompiledLine, order: ArrayLike<number>): LineTotals | null {
  const timed = timeOrder(line, order);
  return 'missingMinutes' in timed ? null : timed.totals;
}
