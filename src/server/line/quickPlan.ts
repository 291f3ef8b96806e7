import { compileLine } from '../../core/line/compileLine';
import type { LineProblem, LineTotals } from '../../core/line/definitions';
import { solveLine } from '../../core/line/solveLine';
import { timeOrder } from '../../core/line/timeOrder';

/** Enough steps to leave the worst of a construction behind in a few tens of milliseconds. */
const STEPS = 400;
const MOST_KEPT = 24;
const kept = new Map<string, LineTotals>();

/** Where the minutes of a good order go, for forecasts that need no order. Kept for problems seen lately. */
export function quickPlan(problem: LineProblem): LineTotals {
  const key = JSON.stringify(problem);
  const known = kept.get(key);
  if (known) return known;
  const line = compileLine(problem);
  const timed = timeOrder(line, solveLine(line, { seed: 1, steps: STEPS }).order);
  if ('missingMinutes' in timed) throw new Error('quickPlan: the problem must come without sessions');
  kept.set(key, timed.totals);
  if (kept.size > MOST_KEPT) kept.delete(kept.keys().next().value!);
  return timed.totals;
}
